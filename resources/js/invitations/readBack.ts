import { conflictShape } from '../joining/room';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from '../people/people';
import { meetingShape, pieceShape } from '../planning/meetings';

const odd = z.discriminatedUnion('code', [
  z.object({
    code: z.literal('clash'),
    personId: z.string(),
    required: z.boolean(),
    dates: z.array(z.object({ on: z.string(), label: z.string() })),
  }),
  z.object({ code: z.literal('night'), personId: z.string(), times: z.array(z.string()), count: z.number(), of: z.number() }),
  z.object({ code: z.literal('holiday'), personId: z.string(), dates: z.array(z.object({ on: z.string(), name: z.string() })) }),
  z.object({ code: z.literal('no_pause'), personId: z.string(), minutes: z.number(), count: z.number(), of: z.number() }),
  z.object({ code: z.literal('off_hours'), personId: z.string(), times: z.array(z.string()), count: z.number(), of: z.number() }),
  z.object({ code: z.literal('agenda_longer'), minutes: z.number(), of: z.number() }),
  z.object({ code: z.literal('skipped'), dates: z.array(z.object({ date: z.string(), reads: z.string() })), place: z.string() }),
  z.object({ code: z.literal('room'), ...conflictShape.shape }),
  z.object({ code: z.literal('past'), count: z.number(), of: z.number() }),
  ...(['no_host', 'no_purpose', 'no_join', 'open_end'] as const).map((code) => z.object({ code: z.literal(code) })),
]);
export type Odd = z.infer<typeof odd>;

const shape = z.object({
  /** Those of its blueprint. */
  words: z.string(),
  meeting: meetingShape,
  missing: z.array(z.enum(['title', 'people', 'kit', 'kit_unsettled', 'place', 'phones', 'dates', 'plain_dates'])),
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
      /** Of whoever is asked to some of the dates only: how many. */
      dates: z.nullable(z.number()),
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

const code = z.enum([
  'new',
  'time',
  'length',
  'repeats',
  'date_moved',
  'date_dropped',
  'date_added',
  'place',
  'join',
  'title',
  'text',
  'people',
  'role',
  'organizer',
  'called_off',
]);

const telling = z.object({
  personId: z.nullable(z.string()),
  name: z.string(),
  role: z.enum(['host', 'required', 'optional', 'out']),
  changes: z.array(code),
  /** The next date on the person's own clock, before and after; null where they do not come. */
  was: z.nullable(z.string()),
  now: z.nullable(z.string()),
  place: z.string(),
});
export type Telling = z.infer<typeof telling>;

export const differenceShape = z.object({
  what: z.enum([
    'when',
    'time',
    'length',
    'for_you',
    'date_moved',
    'date_length',
    'date_place',
    'date_title',
    'date_people',
    'dates_off',
    'dates_new',
    'title',
    'place',
    'join',
    'host',
    'purpose',
    'agenda',
    'links',
    'sees',
    'entry',
    'room',
    'calendar',
    'rights',
    'passcode',
    'pin',
    'people_new',
    'people_gone',
    'role',
  ]),
  was: z.nullable(z.string()),
  now: z.nullable(z.string()),
  /** Where it is of one date alone. */
  date: z.optional(z.string()),
});
export type Difference = z.infer<typeof differenceShape>;

const changeShape = z.object({
  meeting: meetingShape,
  /** As it was sent. */
  sentence: z.array(pieceShape),
  missing: shape.shape.missing,
  /** Where the series is cut: earlier dates stay as they were. */
  from: z.nullable(z.string()),
  different: z.array(differenceShape),
  told: z.array(telling),
  untouched: z.array(z.object({ name: z.string(), isOrganizer: z.boolean() })),
  /** Whether somebody comes or goes, of whom the others could be told. */
  people: z.boolean(),
});
export type ChangeBack = z.infer<typeof changeShape>;

export const changeQuery = (id: string, tellAll: boolean) =>
  queryOptions({
    queryKey: ['read-back-change', id, tellAll],
    queryFn: ({ signal }) => getJson(`meetings/${id}/read-back-change${tellAll ? '?tellAll=1' : ''}`, changeShape, signal),
    staleTime: 0,
    gcTime: 0,
    placeholderData: keepPreviousData,
    meta: { live: { topics: ['meeting', 'draft', 'person'] } satisfies Live },
  });

/** What a letter depends on, beside whose it is. */
export const letterAsked = (version: number, tellAll: boolean, words: string) =>
  new URLSearchParams({ v: String(version), ...(tellAll ? { tellAll: '1' } : {}), ...(words ? { words } : {}) }).toString();

export const letterQuery = (meetingId: string, personId: string, version: number, tellAll: boolean, words: string) =>
  queryOptions({
    queryKey: ['letter', meetingId, personId, version, tellAll, words],
    queryFn: ({ signal }) =>
      getJson(
        `meetings/${meetingId}/letter/${personId}?${letterAsked(version, tellAll, words)}`,
        z.object({ subject: z.string(), text: z.string() }),
        signal,
      ),
  });
