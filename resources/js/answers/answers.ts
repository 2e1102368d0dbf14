import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from '../people/people';

const partstat = z.enum(['needs-action', 'accepted', 'tentative', 'declined', 'delegated']);
export type Partstat = z.infer<typeof partstat>;
export const SAID = ['accepted', 'tentative', 'declined'] as const;
export type Said = (typeof SAID)[number];

const askedShape = z.object({
  person: personShape,
  role: z.string(),
  isHost: z.boolean(),
  partstat,
  comment: z.nullable(z.string()),
  via: z.nullable(z.enum(['mail', 'page', 'phone'])),
  answeredLocal: z.nullable(z.string()),
  comments: z.array(z.object({ date: z.string(), comment: z.string() })),
  /** What the mail server said, where the last mail did not arrive. */
  undelivered: z.nullable(z.string()),
});
export type Asked = z.infer<typeof askedShape>;

const dateShape = z.object({
  /** As the series names it, and when it is. */
  date: z.string(),
  local: z.string(),
  /** By person; who is not asked to this date is not in it. */
  said: z.record(z.string(), partstat),
  required: z.number(),
  coming: z.number(),
  /** Of the required, who cannot come. */
  lost: z.array(z.string()),
});
export type AnsweredDate = z.infer<typeof dateShape>;

const replyShape = z.object({
  id: z.number(),
  kind: z.enum(['answer', 'other_time', 'handed_on', 'refresh', 'bounce', 'delay', 'machine', 'other']),
  state: z.enum(['taken', 'waiting', 'agreed', 'refused', 'aside', 'passed_over', 'noted']),
  why: z.nullable(z.string()),
  via: z.enum(['mail', 'page', 'phone']),
  name: z.string(),
  personId: z.nullable(z.string()),
  sender: z.nullable(z.string()),
  date: z.nullable(z.string()),
  partstat: z.nullable(partstat),
  comment: z.nullable(z.string()),
  delegate: z.nullable(z.string()),
  proposedLocal: z.nullable(z.string()),
  atLocal: z.string(),
});
export type Reply = z.infer<typeof replyShape>;

const answersShape = z.object({
  people: z.array(askedShape),
  dates: z.array(dateShape),
  answered: z.number(),
  replies: z.array(replyShape),
  /** Whether there is a date to come that can be answered. */
  maySay: z.boolean(),
});
export type Answers = z.infer<typeof answersShape>;

export const answersQuery = (meetingId: string) =>
  queryOptions({
    queryKey: ['answers', meetingId],
    queryFn: ({ signal }) => getJson(`meetings/${meetingId}/answers`, answersShape, signal),
    meta: { live: { topics: ['answer', 'meeting', 'dispatch'] } satisfies Live },
  });

export const writeDown = (meetingId: string, personId: string, answer: { date: string | null; partstat: Said; comment: string }) =>
  sendJson('POST', `meetings/${meetingId}/answers/${personId}`, answer, answersShape);

export const decide = (meetingId: string, replyId: number, how: 'take' | 'dismiss') =>
  sendJson('POST', `meetings/${meetingId}/replies/${replyId}/${how}`, {}, answersShape);
