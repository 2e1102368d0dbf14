import { noChoices, type RoomChoices } from '../joining/room';
import type { Person } from '../people/people';
import type { EntryChoices, Meeting, Rule, Series } from './meetings';

/** Somebody who is asked, and the team as which. */
export type Attendee = { person: Person; role: 'required' | 'optional'; teamId?: string | null | undefined };

const asked = ({ person, role, teamId }: Attendee) => ({ personId: person.id, role, ...(teamId ? { teamId } : {}) });
export type AgendaItem = { key: string; title: string; minutes: number | null; speaker: string };
export type Link = { key: string; label: string; url: string };

/** What one date has of its own; null: as the series. */
export type OwnDate = { date: string; minutes: number | null; title: string | null; place: string | null; people: Attendee[] | null };

/** The plan sheet as it stands in the browser. */
export type Sheet = {
  title: string;
  purpose: string;
  agenda: AgendaItem[];
  links: Link[];
  attendees: Attendee[];
  hostId: string | null;
  startLocal: string;
  zone: string;
  allDay: boolean;
  durationMinutes: number;
  rule: Rule | null;
  dropped: string[];
  extra: string[];
  /** Which of the added dates stand in for which of the dropped ones; the server lets go of those that mean nothing any more. */
  moved: Series['moved'];
  /** Dates that have something of their own. */
  own: OwnDate[];
  choices: EntryChoices;
  /** More than a thousand dates are meant. */
  manyAgreed: boolean;
  hidesPeople: boolean | null;
  joinMode: Meeting['joinMode'];
  place: string;
  room: RoomChoices;
};

let keys = 0;
export const freshKey = (): string => `k${++keys}`;

export function sheetOf(meeting: Meeting): Sheet {
  return {
    title: meeting.title,
    purpose: meeting.purpose,
    agenda: meeting.agenda.map((item) => ({ key: freshKey(), title: item.title, minutes: item.minutes, speaker: item.speaker ?? '' })),
    links: meeting.links.map((link) => ({ key: freshKey(), ...link })),
    attendees: meeting.attendees.map(({ person, role, teamId }) => ({ person, role, teamId })),
    hostId: meeting.hostId,
    startLocal: meeting.startLocal,
    zone: meeting.zone,
    allDay: meeting.allDay,
    durationMinutes: meeting.durationMinutes,
    rule: meeting.rule,
    dropped: meeting.dropped,
    extra: meeting.extra,
    moved: meeting.moved,
    own: meeting.own,
    choices: meeting.choices,
    manyAgreed: false,
    hidesPeople: meeting.hidesPeople,
    joinMode: meeting.joinMode,
    place: meeting.place,
    room: meeting.room,
  };
}

/** What the server made of when and how often, taken over into the sheet; what single dates have goes along with them. */
export const taken =
  ({ startLocal, rule, dropped, extra, moved, ownDates }: Series) =>
  (now: Sheet): Partial<Sheet> => ({
    startLocal,
    rule,
    dropped,
    extra,
    moved,
    own: now.own.flatMap((own) => {
      const date = ownDates.find(({ was }) => was === own.date)?.now;
      return date === undefined ? [] : [{ ...own, date }];
    }),
  });

const isUrl = (text: string) => /^https?:\/\/\S+\.?\S+$/i.test(text);

/**
 * The sheet as the server takes it. A link that is still being typed stays behind.
 *
 * @param ids agenda items that the server knows, by their key
 */
export function wire(sheet: Sheet, ids?: ReadonlyMap<string, number>): Record<string, unknown> {
  return {
    title: sheet.title,
    purpose: sheet.purpose,
    agenda: sheet.agenda.map(({ key, title, minutes, speaker }) => ({
      ...(ids ? { id: ids.get(key) ?? null } : {}),
      title,
      minutes,
      speaker,
    })),
    links: sheet.links.filter((link) => isUrl(link.url)).map(({ label, url }) => ({ label, url })),
    attendees: sheet.attendees.map(asked),
    hostId: sheet.hostId,
    startLocal: sheet.startLocal,
    zone: sheet.zone,
    allDay: sheet.allDay,
    durationMinutes: sheet.durationMinutes,
    rule: sheet.rule,
    dropped: sheet.dropped,
    extra: sheet.extra,
    moved: sheet.moved,
    own: sheet.own.map(({ people, ...own }) => ({
      ...own,
      people: people?.map(({ person, role }) => ({ personId: person.id, role })) ?? null,
    })),
    ownDates: sheet.own.map(({ date }) => date),
    choices: sheet.choices,
    manyAgreed: sheet.manyAgreed,
    hidesPeople: sheet.hidesPeople,
    joinMode: sheet.joinMode,
    place: sheet.place,
    room: sheet.room,
  };
}

/** The part of the sheet that the board depends on, so that typing a title asks nothing. */
export function boardWire(sheet: Sheet): Record<string, unknown> {
  return { ...wire(sheet), title: '', purpose: '', agenda: [], links: [], joinMode: 'undecided', place: '', room: noChoices };
}
