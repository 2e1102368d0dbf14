import * as z from 'zod/mini';

const segment = z.object({ from: z.number(), to: z.number(), tone: z.string(), label: z.string(), count: z.number() });
const mark = z.object({ at: z.number(), label: z.string() });
const light = z.enum(['in_hours', 'before_hours', 'after_hours', 'between_hours', 'day_off', 'night', 'unknown']);
const standing = z.object({ id: z.string(), required: z.boolean(), local: z.nullable(z.string()), light, clashes: z.array(z.string()) });
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
  offset: z.nullable(z.number()),
  axisWall: z.nullable(z.string()),
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
  anchorShift: z.nullable(z.number()),
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

/** What a board draws: one date as a day, and every date as a column. */
export const drawnShape = z.object({
  day,
  dates: z.array(dateState),
  columns: z.array(column),
  columnScale: z.array(mark),
  columnBarAt: z.number(),
  present: fit,
  fits: z.array(fit),
});

/** For how many people local time would move, by anchor zone. */
export const anchorShape = z.object({ zone: z.string(), city: z.string(), people: z.number() });

export type Drawn = z.infer<typeof drawnShape>;
export type AnchorZone = z.infer<typeof anchorShape>;
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
