import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { sendJson } from '../lib/api';
import { seriesShape } from '../planning/meetings';
import { boardWire, type Sheet } from '../planning/sheet';

const segment = z.object({ from: z.number(), to: z.number(), tone: z.string(), label: z.string(), count: z.number() });
const mark = z.object({ at: z.number(), label: z.string() });
const light = z.enum(['in_hours', 'before_hours', 'after_hours', 'between_hours', 'day_off', 'night', 'unknown']);
const standing = z.object({ id: z.string(), required: z.boolean(), local: z.string().nullable(), light, clashes: z.array(z.string()) });
const thread = z.object({
  id: z.string(),
  required: z.boolean(),
  host: z.boolean(),
  calendarKnown: z.boolean(),
  lanes: z.array(segment),
  blocks: z.array(segment),
});
const pane = z.object({
  key: z.string(),
  places: z.array(z.string()),
  zones: z.array(z.string()),
  offset: z.number().nullable(),
  axisWall: z.string().nullable(),
  ground: z.array(segment),
  hours: z.array(mark),
  midnights: z.array(mark),
  clock: z.array(z.object({ at: z.number(), minutes: z.number() })),
  threads: z.array(thread),
});
const shift = z.object({ place: z.string(), was: z.string(), now: z.string(), minutes: z.number(), byAnchor: z.boolean() });
const dateState = z.object({
  index: z.number(),
  wall: z.string(),
  start: z.string(),
  required: z.number(),
  requiredFree: z.number(),
  troubles: z.array(standing),
  shifts: z.array(shift),
  anchorShift: z.number().nullable(),
});
const day = z.object({
  index: z.number(),
  axisStart: z.string(),
  axisWall: z.string(),
  axisMinutes: z.number(),
  barAt: z.number(),
  barMinutes: z.number(),
  scale: z.array(mark),
  panes: z.array(pane),
  standings: z.array(standing),
});
const column = z.object({ state: dateState, ground: z.array(segment), blocks: z.array(segment), barAt: z.number() });
const fit = z.object({
  clock: z.string(),
  at: z.number(),
  dayShift: z.number(),
  clashDates: z.number(),
  offHours: z.number(),
  dates: z.number(),
});

export const boardShape = z.object({
  ...seriesShape.shape,
  /** No rule has the moved dates: what the words would mean, and whether single dates can say it. */
  choice: z.object({ words: z.string(), differ: z.number(), of: z.number(), dates: z.boolean() }).nullable(),
  /** Dates whose time the anchor's clock skips. */
  skipped: z.array(z.object({ date: z.string(), reads: z.string() })),
  past: z.number(),
  movedFrom: z.string().nullable(),
  zone: z.string(),
  zoneCity: z.string(),
  anchors: z.array(z.object({ zone: z.string(), city: z.string(), people: z.number() })),
  complete: z.boolean(),
  open: z.boolean(),
  board: z.object({
    day,
    dates: z.array(dateState),
    columns: z.array(column),
    columnScale: z.array(mark),
    columnBarAt: z.number(),
    present: fit,
    fits: z.array(fit),
  }),
});

export type Planned = z.infer<typeof boardShape>;
export type Day = z.infer<typeof day>;
export type Pane = z.infer<typeof pane>;
export type Thread = z.infer<typeof thread>;
export type Segment = z.infer<typeof segment>;
export type Mark = z.infer<typeof mark>;
export type Standing = z.infer<typeof standing>;
export type DateState = z.infer<typeof dateState>;
export type Column = z.infer<typeof column>;
export type Fit = z.infer<typeof fit>;
export type Light = z.infer<typeof light>;

export const boardQuery = (meetingId: string, sheet: Sheet, index: number) => {
  const body = { ...boardWire(sheet), meetingId, index };
  return queryOptions({
    queryKey: ['board', JSON.stringify(body)],
    queryFn: ({ signal }) => sendJson('POST', 'board', body, boardShape, signal),
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
    meta: { live: true },
  });
};

/** Where the bar was let go: the server says what that makes of the series. */
export const moveBar = (meetingId: string, sheet: Sheet, index: number, shiftMinutes: number, moveAs?: 'words' | 'dates') =>
  sendJson('POST', 'board', { ...boardWire(sheet), meetingId, index, shiftMinutes, ...(moveAs ? { moveAs } : {}) }, boardShape);

/** Another anchor zone: the first date stays at its moment, and from there on the other clock counts. */
export const anchorIn = (meetingId: string, sheet: Sheet, index: number, zone: string) =>
  sendJson('POST', 'board', { ...boardWire(sheet), meetingId, index, anchorIn: zone }, boardShape);
