import i18next from 'i18next';
import { expect, it } from 'vitest';
import type { Person } from '../people/people';
import { sampleTime } from './samples';
import type { Clash, Rota, Time, Times } from './times';
import { daysOf, freeWords, priceWords, rotaWords, sentenceOf, titleOf, type Told } from './timesWords';

const t = i18next.t.bind(i18next);
const person = (id: string, name: string, city: string | null) =>
  [id, { id, name, city, email: `${id}@garden.example` } as Person] as const;
const people = new Map([person('w', 'Wanjiru Achola', 'Nairobi'), person('p', 'Paulo Cárdim', 'Lima'), person('o', 'Ola Berg', 'Oslo')]);
const time = (over: Partial<Time> = {}) =>
  sampleTime({
    burden: [
      [0, 0],
      [0, 0],
      [9, 9],
    ],
    locals: ['2026-12-08T16:00:00', '2026-12-08T08:00:00', '2026-12-08T14:00:00'],
    ...over,
  });
const clash = (over: Partial<Clash> = {}): Clash => ({
  index: 1,
  wall: '2026-12-15T16:00:00',
  people: [1],
  away: [],
  moveTo: null,
  couldFrom: null,
  standIn: null,
  ...over,
});
const told = (over: Partial<Times> = {}, rule: unknown = { by: 'words', every: 'week', days: ['tue'] }): Told => ({
  times: {
    people: ['w', 'p', 'o'],
    required: [true, true, false],
    dates: 12,
    present: time({
      shiftMinutes: 0,
      wall: '2026-12-08T15:30:00',
      burden: [
        [0, 0],
        [12, 12],
        [0, 0],
      ],
    }),
    held: [],
    nearly: [],
    looked: 479,
    holding: 5,
    openings: [],
    rota: null,
    days: [-3, 3],
    anyDay: false,
    pauseMinutes: 15,
    milliseconds: 38,
    ...over,
  },
  people,
  city: 'Nairobi',
  rule: rule as Told['rule'],
});

it('says on which days: weekdays of a series, the date of a single meeting, else how far it moves', () => {
  expect(titleOf(t, told(), time())).toBe('16:00 Nairobi, Tuesdays');
  expect(titleOf(t, told(), time({ wall: '2026-12-10T16:00:00' }))).toBe('16:00 Nairobi, Thursdays');
  expect(daysOf(t, told({ dates: 1 }), time())).toContain('8 Dec');
  const monthly = { by: 'words', every: 'month', days: [] };
  expect([daysOf(t, told({}, monthly), time()), daysOf(t, told({}, monthly), time({ wall: '2026-12-06T16:00:00' }))]).toEqual([
    '',
    '2 days earlier',
  ]);
});

it('says who is free when, and who is not', () => {
  expect(freeWords(t, told(), time())).toBe('Both required are free on all 12 dates.');
  expect(freeWords(t, told(), time({ clashDates: 1, clashes: [clash({ couldFrom: '2026-12-15T16:30:00' })] }))).toBe(
    'All required are free on 11 of 12 dates; 15 Dec Paulo busy, could come from 16:30.',
  );
  expect(freeWords(t, told(), time({ clashDates: 5, clashes: [0, 1, 2, 3, 4].map(() => clash({ people: [0, 1], away: [0, 1] })) }))).toBe(
    'All required are free on 7 of 12 dates; 15 Dec Wanjiru and Paulo away; 15 Dec Wanjiru and Paulo away; 15 Dec Wanjiru and Paulo away; 2 more dates.',
  );
});

it('says what a time costs whom, of the required', () => {
  expect(priceWords(t, told(), time())).toEqual(['Everybody in their hours.']);
  expect(
    priceWords(
      t,
      told(),
      time({
        burden: [
          [0, 7],
          [12, 12],
          [0, 0],
        ],
        optionalBusy: 2,
        perhaps: [[0, 1]],
        noPause: [[1, 3]],
        worse: [0],
      }),
    ),
  ).toEqual([
    'At night: Paulo (Lima 08:00).',
    'Outside their hours: Wanjiru (Nairobi 16:00, 7 of 12).',
    'Somebody optional is busy 2 times.',
    'Perhaps busy: Wanjiru.',
    'No pause of 15 minutes: Paulo.',
    'Worse than now for Wanjiru.',
  ]);
});

it('gives a reason that can be repeated', () => {
  const paid = time({
    burden: [
      [0, 1],
      [12, 12],
      [0, 0],
    ],
  });
  const say = (one: Time, over: Partial<Times> = {}) => sentenceOf(t, told(over), { kind: 'time', time: one });
  // What happens once in twelve is not the price.
  expect(say(paid)).toBe('Tuesdays, 16:00 Nairobi, because everybody required is free on all 12 dates; the price is 08:00 in Lima.');
  expect(say(time(), { holding: 1 })).toBe(
    'Tuesdays, 16:00 Nairobi, because it is the only time at which everybody required is free on every date, and nobody sits outside their hours.',
  );
  expect(say(time({ clashDates: 1, clashes: [clash()] }), { holding: 0 })).toContain(
    'because no time holds on every date, and this one does on 11 of 12',
  );
});

it('says what turns do for whoever is worst off', () => {
  const rota: Rota = {
    times: ['07:00', '19:00'],
    turns: Array(20).fill(0),
    shifts: [],
    burden: [
      [4, 6],
      [4, 4],
      [12, 12],
    ],
    busy: [],
    weighed: 12,
  };
  expect(rotaWords(t, told(), rota)).toEqual([
    '07:00 and 19:00 Nairobi by turns.',
    'Worst off: 4 nights for Wanjiru and Paulo, instead of 12 for Paulo.',
    'The turns of the first 12 dates are repeated.',
    'It stays one series: one entry in every calendar, with dates at other times.',
  ]);
  expect(
    rotaWords(t, told(), {
      ...rota,
      burden: [
        [0, 6],
        [0, 4],
        [0, 0],
      ],
    })[1],
  ).toBe('Nobody sits at night; now it is 12 nights for Paulo.');
});
