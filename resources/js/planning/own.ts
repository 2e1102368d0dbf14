import type { TFunction } from 'i18next';
import type { Attendee, OwnDate, Sheet } from './sheet';

/** A date as the series names it, where it may have been moved to another. */
export const namedOf = (sheet: Pick<Sheet, 'moved'>, wall: string): string => sheet.moved.find(({ to }) => to === wall)?.date ?? wall;

/** Where a date is that the series names so. */
export const placeOfDate = (sheet: Pick<Sheet, 'moved'>, date: string): string => sheet.moved.find((one) => one.date === date)?.to ?? date;

export const emptyOwn = (date: string): OwnDate => ({ date, minutes: null, title: null, place: null, people: null });

export const ownOf = (sheet: Sheet, date: string): OwnDate => sheet.own.find((one) => one.date === date) ?? emptyOwn(date);

const isEmpty = ({ minutes, title, place, people }: OwnDate) => minutes === null && title === null && place === null && people === null;

/** What is said of one date, in place of what was; nothing where it is as the series. */
export const withOwn = (sheet: Sheet, own: OwnDate): OwnDate[] =>
  [...sheet.own.filter((one) => one.date !== own.date), ...(isEmpty(own) ? [] : [own])].toSorted((a, b) => (a.date < b.date ? -1 : 1));

const roll = (people: Attendee[]) =>
  people
    .map(({ person, role }) => `${person.id} ${role}`)
    .toSorted()
    .join();

/** The list of a date is its own only where it differs from that of the series. */
export const ownPeople = (sheet: Sheet, people: Attendee[]): Attendee[] | null => (roll(people) === roll(sheet.attendees) ? null : people);

/** "60 min, Hall B, 5 people" */
export const ownWords = (
  t: TFunction,
  own: { minutes: number | null; title: string | null; place: string | null; people: { length: number } | null },
): string =>
  [
    own.title ?? '',
    own.minutes === null ? '' : t('ownDate.minutes', { count: own.minutes }),
    own.place ?? '',
    own.people === null ? '' : t('meeting.people', { count: own.people.length }),
  ]
    .filter(Boolean)
    .join(', ');
