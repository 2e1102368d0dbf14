/**
 * Wall times come from the server as "2026-12-09T01:30:00" and are only formatted here, never converted: the zone data
 * of browsers differ from each other.
 */
export type WallTime = string;

const asUtc = (wall: WallTime): Date => new Date(`${wall.length === 10 ? `${wall}T00:00:00` : wall}Z`);

const formats = new Map<string, Intl.DateTimeFormat>();
const format = (wall: WallTime, options: Intl.DateTimeFormatOptions): string => {
  const key = JSON.stringify(options);
  let found = formats.get(key);
  if (!found) {
    found = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
    formats.set(key, found);
  }
  return found.format(asUtc(wall));
};

/** "01:30" */
export const clock = (wall: WallTime): string => wall.slice(11, 16);
/** "2026-12-09" */
export const dateOf = (wall: WallTime): string => wall.slice(0, 10);
/** "Wed" */
export const weekday = (wall: WallTime): string => format(wall, { weekday: 'short' });
/** "9 Dec" */
export const dayMonth = (wall: WallTime): string => format(wall, { day: 'numeric', month: 'short' });
/** "Wed 9" */
export const weekdayDay = (wall: WallTime): string => `${weekday(wall)} ${Number(wall.slice(8, 10))}`;
/** "Tuesday 8 December" */
export const longDate = (wall: WallTime): string => format(wall, { weekday: 'long', day: 'numeric', month: 'long' }).replace(',', '');
/** "Tue 8 Dec 2026" */
export const shortDate = (wall: WallTime): string =>
  format(wall, { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' }).replace(',', '');
/** "December 2026" */
export const monthYear = (wall: WallTime): string => format(wall, { month: 'long', year: 'numeric' });
/** "Dec" */
export const month = (wall: WallTime): string => format(wall, { month: 'short' });

/** Adds minutes on the wall clock. */
export function plusMinutes(wall: WallTime, minutes: number): WallTime {
  return new Date(asUtc(wall).getTime() + minutes * 60000).toISOString().slice(0, 19);
}

/** Whole days from one wall date to another. */
export function daysBetween(from: WallTime, to: WallTime): number {
  return Math.round((asUtc(dateOf(to)).getTime() - asUtc(dateOf(from)).getTime()) / 86400000);
}

/** Minutes from one wall time to another, on the wall clock. */
export function minutesBetween(from: WallTime, to: WallTime): number {
  return Math.round((asUtc(to).getTime() - asUtc(from).getTime()) / 60000);
}

/** "+5:45", "−3:30", with a true minus sign. */
export function offsetText(minutes: number): string {
  const size = Math.abs(minutes);
  return `${minutes < 0 ? '−' : '+'}${Math.floor(size / 60)}:${String(size % 60).padStart(2, '0')}`;
}

/** Moves a wall time from a moment and an offset: for clocks that tick. */
export function wallAt(instant: number, offsetMinutes: number): WallTime {
  return new Date(instant + offsetMinutes * 60000).toISOString().slice(0, 19);
}

const either = new Intl.ListFormat('en', { type: 'disjunction' });

const together = new Intl.ListFormat('en', { type: 'conjunction' });

/** "Ana, Bo and Cleo" */
export const listed = (words: string[]): string => together.format(words);

/** "01:30, 00:30 or 02:30" */
export const oneOf = (words: string[]): string => either.format(words);
