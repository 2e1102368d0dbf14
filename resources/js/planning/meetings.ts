import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { roomChoicesShape } from '../joining/room';
import { personShape } from '../people/people';

export const pieceShape = z.object({
  part: z.nullable(z.enum(['repeats', 'date', 'time', 'zone', 'length', 'end', 'start', 'except', 'also'])),
  text: z.string(),
});
export type Piece = z.infer<typeof pieceShape>;

/** A rule in the words of the small editor. */
export const wordsShape = z.object({
  by: z.literal('words'),
  every: z.enum(['day', 'week', 'month', 'year']),
  interval: z.number(),
  days: z.array(z.string()),
  monthBy: z.enum(['date', 'weekday', 'workingDay']),
  monthDay: z.number(),
  nth: z.number(),
  weekday: z.string(),
  end: z.enum(['count', 'until', 'open']),
  count: z.number(),
  untilOn: z.nullable(z.string()),
});
export type RuleInWords = z.infer<typeof wordsShape>;

/** A rule by its parts; lists are empty where a part is absent, weekdays with nth 0 mean every one. */
export const partsShape = z.object({
  by: z.literal('parts'),
  frequency: z.enum(['secondly', 'minutely', 'hourly', 'daily', 'weekly', 'monthly', 'yearly']),
  interval: z.number(),
  weekStart: z.string(),
  days: z.array(z.object({ nth: z.number(), day: z.string() })),
  monthDays: z.array(z.number()),
  yearDays: z.array(z.number()),
  weeks: z.array(z.number()),
  months: z.array(z.number()),
  positions: z.array(z.number()),
  hours: z.array(z.number()),
  minutes: z.array(z.number()),
  seconds: z.array(z.number()),
  skip: z.enum(['omit', 'backward', 'forward']),
  end: z.enum(['count', 'until', 'open']),
  count: z.number(),
  untilOn: z.nullable(z.string()),
});
export type Parts = z.infer<typeof partsShape>;

/** How a meeting repeats: in words where the small editor has them, else by its parts. */
export const ruleShape = z.discriminatedUnion('by', [wordsShape, partsShape]);
export type Rule = z.infer<typeof ruleShape>;

/** When and how often, as the server tells it. */
export const seriesShape = z.object({
  startLocal: z.string(),
  rule: z.nullable(ruleShape),
  dropped: z.array(z.string()),
  extra: z.array(z.string()),
  /** Which of the added dates stand in for which of the dropped ones. */
  moved: z.array(z.object({ date: z.string(), to: z.string() })),
  /** Dates with something of their own that are dates still: as they were named, and as they are now. */
  ownDates: z.array(z.object({ was: z.string(), now: z.string() })),
  sentence: z.array(pieceShape),
});
export type Series = z.infer<typeof seriesShape>;

export const kitShape = z.object({
  link: z.string(),
  number: z.string(),
  passcode: z.string(),
  /** Whether somebody who comes has to know it. */
  asksPasscode: z.boolean(),
  strength: z.object({ bits: z.number(), is: z.enum(['weak', 'good', 'strong']) }),
  pin: z.string(),
  settled: z.boolean(),
  /** Whose lasting room it is; null: it was made for this meeting. */
  standingOf: z.nullable(z.string()),
  dialIns: z.array(z.object({ country: z.string(), number: z.string(), uri: z.string(), dials: z.string() })),
});
export type Kit = z.infer<typeof kitShape>;

/** Whether a way to join needs a kit. */
export const hasKit = (mode: Meeting['joinMode']) => mode === 'online' || mode === 'both' || mode === 'phone';

export const CLASSES = ['public', 'private', 'confidential'] as const;

/** What its entries say of themselves in calendars. */
export const choicesShape = z.object({
  reminderMinutes: z.nullable(z.number()),
  class: z.enum(CLASSES),
  categories: z.array(z.string()),
  takesNoTime: z.boolean(),
  notForwarded: z.boolean(),
});
export type EntryChoices = z.infer<typeof choicesShape>;
export const usualChoices: EntryChoices = { reminderMinutes: 15, class: 'public', categories: [], takesNoTime: false, notForwarded: false };

const attendeeShape = z.object({ person: personShape, role: z.enum(['required', 'optional']) });

export const meetingShape = z.object({
  id: z.string(),
  version: z.number(),
  status: z.enum(['draft', 'kept', 'sent', 'called_off']),
  title: z.string(),
  purpose: z.string(),
  agenda: z.array(
    z.object({ id: z.optional(z.number()), title: z.string(), minutes: z.nullable(z.number()), speaker: z.nullable(z.string()) }),
  ),
  links: z.array(z.object({ label: z.string(), url: z.string() })),
  attendees: z.array(
    z.object({ person: personShape, role: z.enum(['required', 'optional']), partstat: z.string(), teamId: z.nullish(z.string()) }),
  ),
  hostId: z.nullable(z.string()),
  ...seriesShape.shape,
  /** Dates that have something of their own; null: as the series. */
  own: z.array(
    z.object({
      date: z.string(),
      minutes: z.nullable(z.number()),
      title: z.nullable(z.string()),
      place: z.nullable(z.string()),
      people: z.nullable(z.array(attendeeShape)),
    }),
  ),
  choices: choicesShape,
  zone: z.string(),
  zoneCity: z.string(),
  allDay: z.boolean(),
  durationMinutes: z.number(),
  /** Whether its people are hidden from each other; null: as usual with whoever is invited. */
  hidesPeople: z.nullable(z.boolean()),
  joinMode: z.enum(['undecided', 'online', 'in_person', 'both', 'phone']),
  place: z.string(),
  room: roomChoicesShape,
  /** From what it was started, and the parts in which it differs by now. */
  blueprint: z.nullable(z.object({ id: z.string(), name: z.string(), differs: z.array(z.string()) })),
  kit: z.nullable(kitShape),
  /** The sent meeting whose change this sheet is. */
  changeOf: z.nullable(z.string()),
  /** Of the sheet of a change from one date on: that date. */
  splitFrom: z.nullable(z.string()),
  /** The series of which this was the later part, and the later part of this one. */
  earlierId: z.nullable(z.string()),
  laterId: z.nullable(z.string()),
  /** The sheet of a change that waits. */
  changeId: z.nullable(z.string()),
  changedLocal: z.nullable(z.string()),
  coordinator: z.string(),
  /** What whoever looks at it may do to it. */
  mayChange: z.boolean(),
  mayInvite: z.boolean(),
  /** Whether its people hold a way in that holds no more. */
  kitStale: z.boolean(),
  /** While a date goes on: until when. */
  runningUntil: z.nullable(z.string()),
  updatedLocal: z.string(),
  sentLocal: z.nullable(z.string()),
  calledOffLocal: z.nullable(z.string()),
  holdSeconds: z.optional(z.number()),
});
export type Meeting = z.infer<typeof meetingShape>;

export const meetingQuery = (id: string) =>
  queryOptions({
    queryKey: ['meeting', id],
    queryFn: ({ signal }) => getJson(`meetings/${id}`, meetingShape, signal),
    meta: { live: { topics: ['meeting', 'draft'], id } satisfies Live },
  });

const dateShape = z.object({
  /** As the series names it. */
  date: z.string(),
  local: z.string(),
  ownLocal: z.string(),
  startsAt: z.string(),
  endsAt: z.string(),
  over: z.boolean(),
  own: z.nullable(
    z.object({
      title: z.nullable(z.string()),
      minutes: z.nullable(z.number()),
      place: z.nullable(z.string()),
      people: z.nullable(z.number()),
    }),
  ),
});
export type DateRow = z.infer<typeof dateShape>;

export const datesQuery = (id: string) =>
  queryOptions({
    queryKey: ['dates', id],
    queryFn: ({ signal }) =>
      getJson(
        `meetings/${id}/dates`,
        z.object({
          dates: z.array(dateShape),
          laidUntil: z.nullable(z.string()),
          more: z.boolean(),
        }),
        signal,
      ),
    meta: { live: { topics: ['meeting'], id } satisfies Live },
  });

const rowShape = z.object({
  id: z.string(),
  title: z.string(),
  status: z.enum(['draft', 'kept', 'sent', 'called_off']),
  over: z.boolean(),
  kitStale: z.boolean(),
  changeWaits: z.boolean(),
  sentence: z.string(),
  repeated: z.boolean(),
  allDay: z.boolean(),
  host: z.nullable(z.string()),
  attendees: z.number(),
  nextAt: z.nullable(z.string()),
  nextLocal: z.nullable(z.string()),
  zone: z.string(),
  zoneCity: z.string(),
  updatedAt: z.string(),
  /** The date under which it is listed, on the viewer's own clock. */
  shownLocal: z.nullable(z.string()),
});

export type Row = z.infer<typeof rowShape>;

export const discardedShape = z.object({ discarded: z.number() });

export const meetingsQuery = (q: string, which: string, page: number) =>
  queryOptions({
    queryKey: ['meetings', { q, which, page }],
    queryFn: ({ signal }) =>
      getJson(
        `meetings?${new URLSearchParams({ q, which, page: String(page) })}`,
        z.object({ meetings: z.array(rowShape), page: z.number(), pages: z.number(), total: z.number() }),
        signal,
      ),
    placeholderData: keepPreviousData,
    // A draft that is being written concerns only lists in which it stands.
    meta: {
      live: { topics: ['meeting', 'person', ...(which === 'drafts' || which === 'all' ? (['draft'] as const) : [])] } satisfies Live,
    },
  });

/** What a change begins with: dates left out, an end before one of them, or only the dates from one on. */
export type Beginning = { drop?: string[]; endBefore?: string; from?: string };

/** The sheet on which a sent meeting is changed. */
export const beginChange = (id: string, beginning: Beginning = {}) => sendJson('POST', `meetings/${id}/change`, beginning, meetingShape);

/** A draft for whoever begins it and these people. */
export const startMeetingWith = (people: string[]) => sendJson('POST', 'meetings', { with: people }, meetingShape);

/** A draft for whoever begins it and everybody of a team. */
export const startMeetingOfTeam = (team: string) => sendJson('POST', 'meetings', { team }, meetingShape);

export const startMeeting = (from?: string) => sendJson('POST', 'meetings', from ? { from } : {}, meetingShape);
