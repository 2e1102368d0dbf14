import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { getJson } from '../lib/api';

const rowShape = z.object({
  id: z.number(),
  kind: z.enum(['invitation', 'calling_off', 'account_link']),
  recipient: z.string(),
  name: z.string().nullable(),
  meetingId: z.string().nullable(),
  meetingTitle: z.string().nullable(),
  subject: z.string(),
  messageId: z.string(),
  state: z.enum(['waiting', 'sending', 'sent', 'refused', 'given_up', 'replaced', 'taken_back']),
  tries: z.number(),
  holdUntil: z.string(),
  nextTryAt: z.string().nullable(),
  sentAt: z.string().nullable(),
  outcome: z.string().nullable(),
  createdAt: z.string(),
});
export type Dispatch = z.infer<typeof rowShape>;

export const dispatchesQuery = (q: string, state: string, meeting: string, page: number) =>
  queryOptions({
    queryKey: ['dispatches', { q, state, meeting, page }],
    queryFn: ({ signal }) =>
      getJson(
        `dispatches?${new URLSearchParams({ q, state, meeting, page: String(page) })}`,
        z.object({ dispatches: z.array(rowShape), page: z.number(), pages: z.number(), total: z.number() }),
        signal,
      ),
    placeholderData: keepPreviousData,
    meta: { live: true },
  });

export const dispatchQuery = (id: number) =>
  queryOptions({
    queryKey: ['dispatch', id],
    queryFn: ({ signal }) =>
      getJson(
        `dispatches/${id}`,
        rowShape.extend({ text: z.string().nullable(), calendar: z.string().nullable(), source: z.string().nullable() }),
        signal,
      ),
    meta: { live: true },
  });
