import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from '../people/people';
import { meetingShape } from '../planning/meetings';

const odd = z.discriminatedUnion('code', [
  z.object({
    code: z.literal('clash'),
    personId: z.string(),
    required: z.boolean(),
    dates: z.array(z.object({ on: z.string(), label: z.string() })),
  }),
  z.object({ code: z.literal('night'), personId: z.string(), times: z.array(z.string()), count: z.number(), of: z.number() }),
  z.object({ code: z.literal('off_hours'), personId: z.string(), times: z.array(z.string()), count: z.number(), of: z.number() }),
  z.object({ code: z.literal('agenda_longer'), minutes: z.number(), of: z.number() }),
  z.object({ code: z.literal('skipped'), dates: z.array(z.object({ date: z.string(), reads: z.string() })), place: z.string() }),
  z.object({ code: z.literal('past'), count: z.number(), of: z.number() }),
  ...(['no_host', 'no_purpose', 'no_join', 'no_place', 'open_end'] as const).map((code) => z.object({ code: z.literal(code) })),
]);
export type Odd = z.infer<typeof odd>;

const shape = z.object({
  meeting: meetingShape,
  missing: z.array(z.enum(['title', 'people', 'kit', 'kit_unsettled', 'dates', 'plain_dates'])),
  odd: z.array(odd),
  /** Whom no mail can reach at the address that is known. */
  unsendable: z.array(z.object({ personId: z.string(), problem: z.enum(['impossible', 'letters']) })),
  recipients: z.array(
    z.object({
      person: personShape,
      role: z.string(),
      host: z.boolean(),
      firstLocal: z.string(),
      place: z.string(),
      placeKnown: z.boolean(),
    }),
  ),
  dates: z.number(),
  complete: z.boolean(),
});
export type ReadBack = z.infer<typeof shape>;

export const readBackQuery = (id: string) =>
  queryOptions({
    queryKey: ['read-back', id],
    queryFn: ({ signal }) => getJson(`meetings/${id}/read-back`, shape, signal),
    // What was read back before a change, a sending or its taking back is no read-back any more.
    staleTime: 0,
    gcTime: 0,
    meta: { live: { topics: ['meeting', 'draft', 'person'] } satisfies Live },
  });

export const letterQuery = (meetingId: string, personId: string, version: number) =>
  queryOptions({
    queryKey: ['letter', meetingId, personId, version],
    queryFn: ({ signal }) =>
      getJson(`meetings/${meetingId}/letter/${personId}`, z.object({ subject: z.string(), text: z.string() }), signal),
  });
