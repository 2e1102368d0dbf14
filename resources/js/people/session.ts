import { queryOptions, useQuery } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send } from '../lib/api';
import type { Live } from '../lib/useLive';
import { wallAt } from '../lib/time';

const clock = z.object({
  zone: z.string(),
  city: z.string(),
  offset: z.number(),
  changes: z.array(z.object({ at: z.string(), offset: z.number() })),
});

export const sessionShape = z.object({
  account: z.nullable(
    z.object({
      id: z.string(),
      personId: z.string(),
      name: z.string(),
      email: z.string(),
      role: z.enum(['administrator', 'coordinator', 'colleague']),
      plans: z.boolean(),
      shortcuts: z.boolean(),
    }),
  ),
  zone: z.optional(z.string()),
  zoneCity: z.optional(z.string()),
  clocks: z.optional(z.array(clock)),
  next: z.nullish(z.object({ id: z.string(), title: z.string(), startsAt: z.string() })),
  channel: z.optional(z.string()),
  organisation: z.optional(z.string()),
  empty: z.boolean(),
  demo: z.nullable(
    z.object({ accounts: z.array(z.object({ email: z.string(), name: z.string(), role: z.string() })), password: z.string() }),
  ),
  now: z.string(),
});

export type Session = z.infer<typeof sessionShape>;
export type Clock = z.infer<typeof clock>;

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => getJson('session', sessionShape, signal),
  staleTime: 60_000,
  // While there is no answer it is asked for every few seconds.
  refetchInterval: (query) => (query.state.error ? 5_000 : 300_000),
  retry: false,
  meta: { live: { topics: ['meeting', 'account'] } satisfies Live },
});

const offsetAt = (own: Clock, now: number): number =>
  own.changes.reduce((offset, change) => (Date.parse(change.at) <= now ? change.offset : offset), own.offset);

/** What the own clock of whoever is signed in shows at a moment of these days. */
export function useOwnWall(): (moment: number) => string {
  const own = useSession()?.clocks?.[0];
  return (moment) => wallAt(moment, own ? offsetAt(own, moment) : 0);
}

export function useSession(): Session | undefined {
  return useQuery(sessionQuery).data;
}

/** Whether whoever is signed in plans meetings: else they may only do what a meeting allows its attendees. */
export function usePlans(): boolean {
  return useSession()?.account?.plans ?? false;
}

/** Another address for one's own account: asked for here, it counts once both addresses have agreed. */
export const askForAddress = (email: string, password: string): Promise<void> => send('POST', 'session/address', { email, password });
