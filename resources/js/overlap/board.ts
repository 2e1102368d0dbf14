import * as z from 'zod/mini';

const segment = z.pipe(
  z.tuple([z.number(), z.number(), z.string(), z.number(), z.string()]),
  z.transform(([from, to, tone, count, label]) => ({ from, to, tone, count, label })),
);
const mark = z.object({ at: z.number(), label: z.string() });
const light = z.enum(['in_hours', 'before_hours', 'after_hours', 'between_hours', 'day_off', 'night', 'unknown']);
const clashKind = z.enum(['busy', 'away', 'tentative']);
const standing = z.object({
  id: z.string(),
  required: z.boolean(),
  local: z.nullable(z.string()),
  light,
  clashes: z.array(z.string()),
  /** What it is that they have. */
  clash: z.nullish(clashKind),
  /** What the day is called that would have hours. */
  holiday: z.nullish(z.string()),
  /** Where somebody is who is not at home. */
  elsewhere: z.nullish(z.string()),
  calendarKnown: z.boolean(),
});
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
  /** Of the required, those whose calendar is known and has nothing then, and those of whom nobody knows. */
  free: z.number(),
  unknown: z.number(),
  /** Place in the list of people, light, what they have at that time. */
  troubles: z.array(z.tuple([z.number(), light, z.array(z.string()), z.nullish(clashKind)])),
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
  worstFirst: z.array(z.string()),
});
const column = z.object({ ground: z.array(segment), blocks: z.array(segment), barAt: z.number() });
const times = z.array(z.object({ id: z.string(), dates: z.number() }));

const wireShape = z.object({
  people: z.array(z.string()),
  day,
  dates: z.array(dateState),
  comingDays: z.array(dateState),
  columns: z.array(column),
  columnScale: z.array(mark),
  columnBarAt: z.number(),
  /** All dates together, for the required. */
  summary: z.object({
    required: z.number(),
    unknown: z.number(),
    dates: z.number(),
    free: z.number(),
    busy: times,
    nights: times,
  }),
});

/** What a board draws: one date as a day, and every date (or coming day of a single meeting) as a column. */
export const drawnShape = z.pipe(
  wireShape,
  z.transform(({ people, dates, comingDays, columns, ...rest }) => {
    const required = new Map(rest.day.standings.map((one) => [one.id, one.required]));
    const named = (states: z.infer<typeof dateState>[]) =>
      states.map(({ troubles, ...state }) => ({
        ...state,
        troubles: troubles.map(([at, light, clashes, clash]) => ({
          id: people[at] ?? '',
          required: required.get(people[at] ?? '') ?? false,
          light,
          clashes,
          clash,
        })),
      }));
    const own = named(dates);
    const shown = comingDays.length > 0 ? named(comingDays) : own;
    return {
      ...rest,
      dates: own,
      columns: columns.flatMap((one, index) => {
        const state = shown[index];
        return state ? [{ ...one, state }] : [];
      }),
    };
  }),
);

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
export type DateState = Drawn['dates'][number];
export type Summary = Drawn['summary'];
export type Column = Drawn['columns'][number];
export type Light = z.infer<typeof light>;

/** Panes in the order of their keys. */
export const inOrder = (panes: Pane[], keys: string[]): Pane[] => keys.flatMap((key) => panes.filter((pane) => pane.key === key));
