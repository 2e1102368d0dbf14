import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';

const rowShape = z.object({
  id: z.number(),
  kind: z.enum(['invitation', 'change', 'calling_off', 'account_link', 'time_offer', 'refresh']),
  recipient: z.string(),
  name: z.nullable(z.string()),
  meetingId: z.nullable(z.string()),
  meetingTitle: z.nullable(z.string()),
  subject: z.string(),
  messageId: z.string(),
  state: z.enum(['waiting', 'sending', 'sent', 'refused', 'given_up', 'replaced', 'left_out', 'taken_back']),
  tries: z.number(),
  /** On the clock of whoever is signed in. */
  createdLocal: z.string(),
  sentLocal: z.nullable(z.string()),
  nextTryLocal: z.nullable(z.string()),
  /** It carries a way in that holds no more. */
  stale: z.boolean(),
  mayGoAgain: z.boolean(),
  outcome: z.nullable(z.string()),
});
export type Dispatch = z.infer<typeof rowShape>;

export const dispatchesQuery = (q: string, state: string, meeting: string, page: number) =>
  queryOptions({
    queryKey: ['dispatches', { q, state, meeting, page }],
    queryFn: ({ signal }) =>
      getJson(
        `dispatches?${new URLSearchParams({ q, state, meeting, page: String(page) })}`,
        z.object({ dispatches: z.array(rowShape), page: z.number(), pages: z.number(), total: z.number(), undelivered: z.number() }),
        signal,
      ),
    placeholderData: keepPreviousData,
    meta: { live: { topics: ['dispatch', 'outbox', 'meeting'] } satisfies Live },
  });

export const dispatchQuery = (id: number) =>
  queryOptions({
    queryKey: ['dispatch', id],
    queryFn: ({ signal }) =>
      getJson(
        `dispatches/${id}`,
        z.extend(rowShape, { text: z.nullable(z.string()), calendar: z.nullable(z.string()), source: z.nullable(z.string()) }),
        signal,
      ),
    meta: { live: { topics: ['dispatch', 'outbox'] } satisfies Live },
  });

/** What did not arrive goes out once more. */
export const sendAgain = (id: number): Promise<void> => send('POST', `dispatches/${id}/again`);

/** All that did not arrive, of one meeting or of all; answers how many are on their way. */
export const sendAllAgain = (meeting: string): Promise<number> =>
  sendJson('POST', 'dispatches/again', meeting ? { meeting } : {}, z.object({ count: z.number() })).then(({ count }) => count);
