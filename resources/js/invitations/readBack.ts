import { queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { getJson } from '../lib/api';
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
  ...(['no_host', 'no_purpose', 'no_join', 'no_place', 'open_end'] as const).map((code) => z.object({ code: z.literal(code) })),
]);
export type Odd = z.infer<typeof odd>;

const shape = z.object({
  meeting: meetingShape,
  missing: z.array(z.enum(['title', 'people', 'kit', 'dates', 'plain_dates'])),
  odd: z.array(odd),
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
    staleTime: 0,
    meta: { live: true },
  });

export const letterQuery = (meetingId: string, personId: string, version: number) =>
  queryOptions({
    queryKey: ['letter', meetingId, personId, version],
    queryFn: ({ signal }) =>
      getJson(`meetings/${meetingId}/letter/${personId}`, z.object({ subject: z.string(), text: z.string() }), signal),
  });
