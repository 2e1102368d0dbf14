import { render } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Summary } from '../overlap/board';
import type { Person } from '../people/people';
import { SheetSummary } from './SheetSummary';

const mere = { id: 'm', name: 'Mere Tautari' } as Person;
const ines = { id: 'i', name: 'Inês Varela' } as Person;
const summary = (over: Partial<Summary>): Summary => ({ required: 5, unknown: 0, dates: 12, free: 3, busy: [], nights: [], ...over });

it.each([
  ['all known', {}, 'All 5 required people are free on 3 of 12 dates.'],
  ['one only', { required: 1, dates: 1, free: 1 }, 'The one required person is free.'],
  ['both', { required: 2, dates: 1, free: 1 }, 'Both required people are free.'],
  ['nobody', { required: 0 }, 'Nobody is required yet.'],
  ['none known', { required: 2, unknown: 2 }, 'The calendars of both required people are not known.'],
  [
    'some known',
    { unknown: 2 },
    'All 3 required people whose calendars are known are free on 3 of 12 dates. The calendars of 2 more are not known.',
  ],
  ['one date, one busy', { dates: 1, free: 0, busy: [{ id: 'i', dates: 1 }] }, '4 of 5 required people are free. Inês is busy once.'],
  ['nights', { nights: [{ id: 'm', dates: 12 }] }, 'All 5 required people are free on 3 of 12 dates. For Mere it is night every time.'],
])('says in one line whom the time suits: %s', (_, given, said) => {
  const people = new Map([
    ['m', mere],
    ['i', ines],
  ]);
  const { container } = render(<SheetSummary summary={summary(given)} people={people} present="15:30" best={undefined} />);
  expect(container.textContent?.trim()).toBe(said);
});
