import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import { minutesBetween } from '../lib/time';
import type { Live } from '../lib/useLive';
import { meetingShape } from './meetings';
import type { Sheet } from './sheet';

const people = z.array(z.string());
const time = z.object({
  id: z.number(),
  start: z.string(),
  wall: z.string(),
  accepted: people,
  tentative: people,
  declined: people,
  awaiting: people,
});
const guest = z.object({
  id: z.string(),
  name: z.string(),
  city: z.nullable(z.string()),
  answeredLocal: z.nullable(z.string()),
  comment: z.nullable(z.string()),
  /** What became of the mail with the link. */
  mail: z.nullable(z.string()),
  outcome: z.nullable(z.string()),
});
const offer = z.object({
  minutes: z.number(),
  words: z.nullable(z.string()),
  untilLocal: z.string(),
  isLate: z.boolean(),
  /** The best first. */
  times: z.array(time),
  guests: z.array(guest),
});
const shape = z.object({ offer: z.nullable(offer) });

export type Offer = z.infer<typeof offer>;
export type OfferTime = z.infer<typeof time>;
export type OfferGuest = z.infer<typeof guest>;

/** So many times are offered at most. */
export const MOST_TIMES = 8;

export const offerQuery = (meetingId: string) =>
  queryOptions({
    queryKey: ['offer', meetingId],
    queryFn: ({ signal }) => getJson(`meetings/${meetingId}/offer`, shape, signal).then((said) => said.offer),
    staleTime: 20_000,
    meta: { live: { topics: ['offer', 'draft'], id: meetingId } satisfies Live },
  });

export type Offering = { times: string[]; guests: string[]; untilOn: string | null; words: string };

export const makeOffer = (meetingId: string, offering: Offering) => sendJson('POST', `meetings/${meetingId}/offer`, offering, shape);

export const askAgain = (meetingId: string, personId: string) =>
  sendJson('POST', `meetings/${meetingId}/offer/guests/${personId}`, {}, shape);

export const takeOffered = (meetingId: string, timeId: number, version: number) =>
  sendJson('POST', `meetings/${meetingId}/offer/take`, { time: timeId, version }, meetingShape);

export const withdrawOffer = (meetingId: string) => send('DELETE', `meetings/${meetingId}/offer`);

/** By how much the sheet would move if this time were taken. */
export const shiftTo = (sheet: Sheet, wall: string): number => minutesBetween(sheet.startLocal, wall);

/** Outside guests of a sheet, to whom times can be offered. */
export const guestsOf = (sheet: Sheet) => sheet.attendees.filter(({ person }) => person.kind === 'guest').map(({ person }) => person);
