import { describe, expect, it } from 'vitest';
import { readStretches } from './HoursFields';

describe('readStretches', () => {
  it.each([
    ['09:00-17:00', [['09:00', '17:00']]],
    [
      '9:00 – 12:30, 14:00 to 18:00',
      [
        ['09:00', '12:30'],
        ['14:00', '18:00'],
      ],
    ],
    ['', []],
  ])('reads %s', (typed, stretches) => {
    expect(readStretches(typed)).toEqual(stretches);
  });

  it.each(['nine to five', '9-17', '09:00', '09:00-17:00 14:00-15:00'])('does not guess at %s', (typed) => {
    expect(readStretches(typed)).toBeNull();
  });
});
