import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send } from '../lib/api';
import type { Live } from '../lib/useLive';

const row = z.object({
  meetingId: z.string(),
  title: z.string(),
  status: z.string(),
  allDay: z.boolean(),
  startsAt: z.string(),
  endsAt: z.string(),
  local: z.string(),
  localEnd: z.string(),
  state: z.enum(['called_off', 'over', 'now', 'kept', 'planned']),
  host: z.nullable(z.string()),
  required: z.number(),
  optional: z.number(),
  elsewhere: z.array(z.object({ city: z.string(), local: z.string() })),
  link: z.nullable(z.string()),
  place: z.nullable(z.string()),
});
export type DayRow = z.infer<typeof row>;

const need = z.discriminatedUnion('code', [
  z.object({
    code: z.enum(['refused', 'given_up']),
    kind: z.enum(['invitation', 'change', 'calling_off', 'account_link', 'time_offer', 'refresh']),
    recipient: z.string(),
    outcome: z.nullable(z.string()),
    meetingId: z.nullable(z.string()),
    title: z.nullable(z.string()),
    dispatchId: z.number(),
  }),
  z.object({ code: z.literal('clocks'), cities: z.array(z.string()), on: z.string(), minutes: z.number(), people: z.number() }),
  z.object({
    code: z.literal('zone_data'),
    zoneData: z.string(),
    meetingId: z.string(),
    title: z.string(),
    people: z.array(z.object({ name: z.string(), city: z.string(), was: z.string(), now: z.string(), dates: z.number() })),
  }),
  z.object({
    code: z.literal('away'),
    absenceId: z.number(),
    meetingId: z.string(),
    title: z.string(),
    name: z.string(),
    standIn: z.nullable(z.string()),
    dates: z.number(),
    firstLocal: z.string(),
  }),
  z.object({
    code: z.literal('clash'),
    meetingId: z.string(),
    personId: z.string(),
    title: z.string(),
    name: z.string(),
    kind: z.enum(['busy', 'tentative', 'away']),
    dates: z.number(),
    firstLocal: z.string(),
  }),
  z.object({
    code: z.enum(['offer_answered', 'offer_late']),
    meetingId: z.string(),
    title: z.string(),
    answered: z.number(),
    of: z.number(),
  }),
  z.object({ code: z.literal('kit_stale'), meetingId: z.string(), title: z.string(), people: z.number() }),
  z.object({ code: z.literal('replies'), meetingId: z.string(), title: z.string(), count: z.number() }),
  z.object({ code: z.literal('more_undelivered'), count: z.number() }),
  z.object({ code: z.literal('outbox_held'), waiting: z.number(), sinceLocal: z.string(), why: z.string() }),
  z.object({ code: z.enum(['draft', 'kept', 'change']), meetingId: z.string(), title: z.string(), updatedLocal: z.string() }),
]);
export type Need = z.infer<typeof need>;

export const todayQuery = (day: string) =>
  queryOptions({
    queryKey: ['today', day],
    queryFn: ({ signal }) =>
      getJson(
        `today${day ? `?day=${day}` : ''}`,
        z.object({
          day: z.string(),
          today: z.string(),
          zone: z.string(),
          zoneCity: z.string(),
          meetings: z.array(row),
          needs: z.array(need),
        }),
        signal,
      ),
    refetchInterval: 60_000,
    meta: { live: { topics: ['answer', 'meeting', 'offer', 'dispatch', 'outbox', 'today', 'person'] } satisfies Live },
  });

/** That somebody has something else at a date is noted, or not after all. */
export const noteClash = (meetingId: string, personId: string, noted: boolean): Promise<void> =>
  send('POST', `meetings/${meetingId}/clashes/noted`, { personId, noted });

/** That somebody will be away from a meeting is noted, or not after all. */
export const noteAway = (meetingId: string, absenceId: number, noted: boolean): Promise<void> =>
  send('POST', `meetings/${meetingId}/absences/${absenceId}/noted`, { noted });

/** Whose time newer zone data moved is noted, or not after all. */
export const noteMoves = (meetingId: string, zoneData: string, noted: boolean): Promise<void> =>
  send('POST', `meetings/${meetingId}/clock-moves`, { noted, zoneData });
