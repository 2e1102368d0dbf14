import { queryOptions, useQuery } from '@tanstack/react-query';
import { z } from 'zod';
import { getJson } from '../lib/api';

const clock = z.object({
  zone: z.string(),
  city: z.string(),
  offset: z.number(),
  changes: z.array(z.object({ at: z.string(), offset: z.number() })),
});

export const sessionShape = z.object({
  account: z
    .object({
      id: z.string(),
      personId: z.string(),
      name: z.string(),
      email: z.string(),
      role: z.enum(['administrator', 'coordinator', 'colleague']),
      plans: z.boolean(),
      shortcuts: z.boolean(),
    })
    .nullable(),
  zone: z.string().optional(),
  zoneCity: z.string().optional(),
  clocks: z.array(clock).optional(),
  next: z.object({ id: z.string(), title: z.string(), startsAt: z.string() }).nullish(),
  channel: z.string().optional(),
  organisation: z.string().optional(),
  empty: z.boolean(),
  demo: z
    .object({ accounts: z.array(z.object({ email: z.string(), name: z.string(), role: z.string() })), password: z.string() })
    .nullable(),
  now: z.string(),
});

export type Session = z.infer<typeof sessionShape>;
export type Clock = z.infer<typeof clock>;

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => getJson('session', sessionShape, signal),
  staleTime: 60_000,
  refetchInterval: 300_000,
  meta: { live: true },
});

export function useSession(): Session | undefined {
  return useQuery(sessionQuery).data;
}
