import { describe, expect, it } from 'vitest';
import { i18next } from '../lib/i18n';
import type { Person } from '../people/people';
import type { DateState, Standing } from './board';
import { dateWords, lightWord, spoken } from './words';

const t = i18next.t;
const person = (id: string, name: string): [string, Person] => [
  id,
  {
    id,
    kind: 'colleague',
    name,
    email: `${id}@x.example`,
    job: null,
    zone: null,
    city: null,
    language: 'en',
    hours: {},
    hoursAssumed: true,
    country: null,
    region: null,
    left: false,
    initials: 'XX',
  },
];
const people = new Map([person('i', 'Inês Varela'), person('m', 'Mere Tautari')]);
const standing = (id: string, light: Standing['light'], clashes: string[] = [], required = true): Standing => ({
  id,
  required,
  local: '2026-12-08T12:30:00',
  light,
  clashes,
  calendarKnown: true,
});
const state = (troubles: Standing[], rest: Partial<DateState> = {}): DateState => ({
  index: 0,
  wall: '2026-12-08T15:30:00',
  start: '2026-12-08T12:30:00Z',
  required: 2,
  free: 2,
  unknown: 0,
  troubles: troubles.map((one) => ({ ...one, clash: one.clash ?? null })),
  shifts: [],
  anchorShift: null,
  ...rest,
});
const lisbon = { place: 'Lisbon', was: '12:30', now: '13:30', minutes: 60, byAnchor: false };

describe('dateWords', () => {
  it.each([
    ['nothing', state([]), 'free, in hours', 'good'],
    ['nothing that is known', state([], { free: 1, unknown: 1 }), 'no clash known', 'good'],
    ['somebody busy', state([standing('i', 'in_hours', ['Stock taking'])]), 'Inês busy', 'broken'],
    ['two busy', state([standing('i', 'in_hours', ['A']), standing('m', 'night', ['B'])]), '2 busy', 'broken'],
    ['somebody asleep', state([standing('m', 'night')]), '1 at night', 'good'],
    ['clocks before nights', state([standing('m', 'night')], { shifts: [lisbon] }), 'Lisbon: clocks change', 'odd'],
    ['the anchor itself', state([], { shifts: [{ ...lisbon, byAnchor: true }], anchorShift: 60 }), 'anchor clocks change', 'odd'],
    ['only somebody optional busy', state([standing('i', 'in_hours', ['A'], false)]), '1 optional busy', 'good'],
  ])('says the worst first: %s', (_, given, text, tone) => {
    const words = dateWords(t, given, people);
    expect([words.text, words.tone]).toEqual([text, tone]);
  });
});

describe('lightWord', () => {
  it('says nothing where all is well, and the worst where it is not', () => {
    expect(lightWord(t, [standing('i', 'in_hours')])).toBe('');
    expect(lightWord(t, [standing('i', 'before_hours'), standing('m', 'night')])).toBe('night');
    expect(lightWord(t, [standing('i', 'night'), standing('m', 'in_hours', ['A'])])).toBe('busy');
  });
});

describe('spoken', () => {
  it('reads the bar out in one sentence', () => {
    expect(spoken(t, [standing('i', 'in_hours', ['A']), standing('m', 'night')], people, '15:30', 'Nairobi')).toBe(
      '15:30 Nairobi; Inês busy; Mere night',
    );
  });
});
