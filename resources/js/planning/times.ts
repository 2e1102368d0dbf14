import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from '../people/people';
import { boardQuery, boardShape } from './board';
import { boardWire, type Sheet } from './sheet';

const clash = z.object({
  index: z.number(),
  wall: z.string(),
  people: z.array(z.number()),
  away: z.array(z.number()),
  /** The nearest start of the same day at which everybody required is free. */
  moveTo: z.nullable(z.string()),
  couldFrom: z.nullable(z.string()),
  standIn: z.nullable(personShape),
});
/** Place in the list of people, and on how many dates. */
const counted = z.array(z.tuple([z.number(), z.number()]));
/** In the order of the people: dates at night, dates outside hours. */
const burden = z.array(z.tuple([z.number(), z.number()]));
const time = z.object({
  shiftMinutes: z.number(),
  wall: z.string(),
  clashDates: z.number(),
  offHours: z.number(),
  optionalBusy: z.number(),
  offMinutes: z.number(),
  unwished: z.number(),
  clashes: z.array(clash),
  perhaps: counted,
  noPause: counted,
  worse: z.array(z.number()),
  burden,
  locals: z.array(z.nullable(z.string())),
  shorterTo: z.nullable(z.number()),
});
const rota = z.object({
  times: z.array(z.string()),
  turns: z.array(z.number()),
  shifts: z.array(z.number()),
  burden,
  busy: z.array(z.object({ index: z.number(), people: z.array(z.number()) })),
  weighed: z.number(),
});

/** Times that suit a sheet, the present one with them, people by their place in one list. */
export const timesShape = z.object({
  people: z.array(z.string()),
  required: z.array(z.boolean()),
  dates: z.number(),
  present: time,
  held: z.array(time),
  nearly: z.array(time),
  looked: z.number(),
  holding: z.number(),
  openings: z.array(z.object({ times: z.number(), without: z.nullable(z.number()), minutes: z.nullable(z.number()) })),
  rota: z.nullable(rota),
  days: z.tuple([z.number(), z.number()]),
  anyDay: z.boolean(),
  pauseMinutes: z.number(),
  milliseconds: z.number(),
});

export type Times = z.infer<typeof timesShape>;
export type Time = z.infer<typeof time>;
export type Clash = z.infer<typeof clash>;
export type Rota = z.infer<typeof rota>;

/** What stands marked in the list: a time, or the rota. */
export type Marked = { kind: 'time'; time: Time } | { kind: 'rota'; rota: Rota };

/** The times of a list in the order in which they stand there. */
export const listOf = (times: Times): Marked[] => [
  ...[times.present, ...times.held, ...times.nearly].map((one): Marked => ({ kind: 'time', time: one })),
  ...(times.rota ? [{ kind: 'rota' as const, rota: times.rota }] : []),
];

export const keyOf = (marked: Marked): string => (marked.kind === 'rota' ? 'rota' : `at ${marked.time.shiftMinutes}`);

export const timesQuery = (meetingId: string, sheet: Sheet, anyDay: boolean) => {
  const body = { ...boardWire(sheet), meetingId, index: 0, anyDay };
  return queryOptions({
    queryKey: ['times', JSON.stringify(body)],
    queryFn: ({ signal }) => sendJson('POST', 'times', body, timesShape, signal),
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
    meta: { live: { topics: ['meeting', 'person', 'team'] } satisfies Live },
  });
};

/** How the board would look if it were taken. */
const changeOf = (marked: Marked) =>
  marked.kind === 'rota' ? { turns: marked.rota.shifts } : { shiftMinutes: marked.time.shiftMinutes, moveAs: 'dates' };

export const previewQuery = (meetingId: string, sheet: Sheet, index: number, marked: Marked | undefined) => ({
  ...boardQuery(meetingId, sheet, index, marked ? changeOf(marked) : {}),
  enabled: marked !== undefined,
});

/** How the board would look if the meeting began so many minutes later. */
export const shiftedQuery = (meetingId: string, sheet: Sheet, index: number, shiftMinutes: number) =>
  boardQuery(meetingId, sheet, index, { shiftMinutes, moveAs: 'dates' });

export const takeTurns = (meetingId: string, sheet: Sheet, shifts: number[]) =>
  sendJson('POST', 'board', { ...boardWire(sheet), meetingId, index: 0, turns: shifts }, boardShape);
