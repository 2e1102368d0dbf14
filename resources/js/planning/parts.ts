import type { Parts } from './meetings';

export type Lists = 'monthDays' | 'yearDays' | 'weeks' | 'positions' | 'hours' | 'minutes';

export const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

export const FREQUENCIES = ['secondly', 'minutely', 'hourly', 'daily', 'weekly', 'monthly', 'yearly'] as const;

/** What a meeting may be given; a finer rule, from a file, stays until another is chosen. */
export const OFFERED: ReadonlySet<Parts['frequency']> = new Set(['daily', 'weekly', 'monthly', 'yearly']);

/** Which lists mean something for which frequency. */
export const ASKED: Record<Parts['frequency'], Lists[]> = {
  secondly: ['monthDays', 'yearDays', 'hours', 'minutes'],
  minutely: ['monthDays', 'yearDays', 'positions', 'hours', 'minutes'],
  hourly: ['monthDays', 'yearDays', 'positions', 'hours', 'minutes'],
  daily: ['monthDays', 'positions', 'hours', 'minutes'],
  weekly: ['positions', 'hours', 'minutes'],
  monthly: ['monthDays', 'positions', 'hours', 'minutes'],
  yearly: ['monthDays', 'yearDays', 'weeks', 'positions', 'hours', 'minutes'],
};

/** Another frequency keeps the parts that it has a field for. */
export function forFrequency(parts: Parts, frequency: Parts['frequency']): Parts {
  const asked = ASKED[frequency];
  const keep = (field: Lists) => (asked.includes(field) ? parts[field] : []);
  const numbered = frequency === 'monthly' || frequency === 'yearly';
  return {
    ...parts,
    frequency,
    days: numbered ? parts.days : parts.days.filter((one) => one.nth === 0),
    monthDays: keep('monthDays'),
    yearDays: keep('yearDays'),
    weeks: keep('weeks'),
    skip: numbered ? parts.skip : 'omit',
  };
}

/** "1, 15, -1" or, with a true minus sign, "1, 15, −1"; null where it is no list of numbers. */
export function readNumbers(text: string): number[] | null {
  const words = text
    .replaceAll('−', '-')
    .split(/[\s,;]+/)
    .filter(Boolean);
  return words.every((word) => /^[+-]?\d{1,3}$/.test(word)) ? words.map(Number) : null;
}

export const numberedText = (parts: Parts) =>
  parts.days
    .filter((one) => one.nth !== 0)
    .map((one) => `${one.nth} ${one.day}`)
    .join(', ');

/** "2 tue, -1 fri": the second Tuesday and the last Friday. */
export function readNumbered(text: string, parts: Parts): Partial<Parts> | null {
  const words = text
    .replaceAll('−', '-')
    .toLowerCase()
    .split(/[,;]/)
    .map((word) => word.trim())
    .filter(Boolean);
  const read = words.map((word) => /^([+-]?\d{1,2})\s*([a-z]{2,9})$/.exec(word));
  const days = read.map((found) =>
    DAYS.find((day) => found?.[2] !== undefined && found[2].length > 1 && (day.startsWith(found[2]) || found[2].startsWith(day))),
  );
  if (days.includes(undefined)) {
    return null;
  }
  return {
    days: [...parts.days.filter((one) => one.nth === 0), ...days.map((day, index) => ({ nth: Number(read[index]?.[1]), day: day ?? '' }))],
  };
}
