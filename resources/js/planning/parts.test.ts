import { describe, expect, it } from 'vitest';
import type { Parts } from './meetings';
import { forFrequency, numberedText, readNumbered, readNumbers } from './parts';
import type { RuleTable } from './series';

const parts: Parts = {
  by: 'parts',
  frequency: 'yearly',
  interval: 1,
  weekStart: 'mon',
  days: [
    { nth: 0, day: 'mon' },
    { nth: 2, day: 'tue' },
  ],
  monthDays: [1],
  yearDays: [100],
  weeks: [20],
  months: [6],
  positions: [],
  hours: [9],
  minutes: [],
  seconds: [],
  skip: 'backward',
  end: 'open',
  count: 10,
  untilOn: null,
};

describe('readNumbers', () => {
  it.each([
    ['', []],
    ['1, 15, -1', [1, 15, -1]],
    ['1 15;−1', [1, 15, -1]],
    ['1,', [1]],
    ['first', null],
    ['1, x', null],
    ['1.5', null],
    ['1234', null],
  ])('reads "%s"', (text, numbers) => {
    expect(readNumbers(text)).toEqual(numbers);
  });
});

describe('readNumbered', () => {
  it.each([
    ['2 tue, -1 fri', '2 tue, -1 fri'],
    ['−1 Friday; 3mo', '-1 fri, 3 mon'],
    ['', ''],
    ['tue', null],
    ['2 xyz', null],
    ['2 t', null],
  ])('reads "%s"', (text, again) => {
    const read = readNumbered(text, parts);
    expect(read && numberedText({ ...parts, ...read })).toBe(again);
    expect(read?.days?.filter((one) => one.nth === 0) ?? []).toEqual(read ? [{ nth: 0, day: 'mon' }] : []);
  });
});

const table: RuleTable = {
  frequencies: ['weekly', 'monthly', 'yearly'],
  usual: null,
  offered: ['weekly', 'monthly'],
  lists: { weekly: ['hours'], monthly: ['monthDays', 'hours'] },
  numbered: ['monthly'],
};

describe('forFrequency', () => {
  it('keeps what the other frequency has a field for', () => {
    expect(forFrequency(parts, 'weekly', table)).toMatchObject({
      frequency: 'weekly',
      days: [{ nth: 0, day: 'mon' }],
      monthDays: [],
      yearDays: [],
      weeks: [],
      months: [6],
      hours: [9],
      skip: 'omit',
    });
    expect(forFrequency(parts, 'monthly', table)).toMatchObject({
      days: parts.days,
      monthDays: [1],
      yearDays: [],
      weeks: [],
      skip: 'backward',
    });
  });
});
