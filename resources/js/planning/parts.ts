import type { Parts } from './meetings';
import type { RuleTable } from './series';

export type Lists = 'monthDays' | 'yearDays' | 'weeks' | 'positions' | 'hours' | 'minutes';

export const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/** Another frequency keeps the parts that mean something beside it, by the table that the server gave. */
export function forFrequency(parts: Parts, frequency: Parts['frequency'], table: RuleTable): Parts {
  const lists = table.lists[frequency] ?? [];
  const keep = (list: Lists) => (lists.includes(list) ? parts[list] : []);
  const numbered = table.numbered.includes(frequency);
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
