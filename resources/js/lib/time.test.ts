import { describe, expect, it } from 'vitest';
import { clock, daysBetween, longDate, offsetText, plusMinutes, shortDate, wallAt, weekdayDay } from './time';

describe('wall times', () => {
  it('are formatted as they stand, whatever zone the browser is in', () => {
    expect([
      clock('2026-03-09T00:30:00'),
      weekdayDay('2026-03-09'),
      longDate('2026-12-08T15:30:00'),
      shortDate('2026-12-08T15:30:00'),
    ]).toEqual(['00:30', 'Mon 9', 'Tuesday 8 December', 'Tue 8 Dec 2026']);
  });

  it.each([
    ['2026-12-08T23:50:00', 20, '2026-12-09T00:10:00'],
    ['2026-03-01T00:10:00', -20, '2026-02-28T23:50:00'],
    ['2024-02-28T12:00:00', 1440, '2024-02-29T12:00:00'],
  ])('%s and %i minutes are %s', (wall, minutes, expected) => {
    expect(plusMinutes(wall, minutes)).toBe(expected);
  });

  it('count days between dates, not hours', () => {
    expect(daysBetween('2026-12-08T23:59:00', '2026-12-09T00:01:00')).toBe(1);
    expect(daysBetween('2026-12-08T00:01:00', '2026-12-08T23:59:00')).toBe(0);
  });

  it.each([
    [345, '+5:45'],
    [-210, '−3:30'],
    [0, '+0:00'],
  ])('an offset of %i reads %s', (minutes, text) => {
    expect(offsetText(minutes)).toBe(text);
  });

  it('come from a moment and an offset', () => {
    expect(wallAt(Date.parse('2026-12-08T12:30:00Z'), 345)).toBe('2026-12-08T18:15:00');
  });
});
