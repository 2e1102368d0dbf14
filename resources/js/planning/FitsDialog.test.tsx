import { fireEvent, render, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Drawn, Fit } from '../overlap/board';
import type { Person } from '../people/people';
import { FitsDialog } from './FitsDialog';

const people = new Map(
  ['Inês Varela', 'Joram Kiptui', 'Corin Hale', 'Mere Tautari', 'Paulo Cárdim'].map((name) => [name, { id: name, name } as Person]),
);

const fit = (over: Partial<Fit>): Fit => ({
  clock: '15:30',
  at: 930,
  dayShift: 0,
  clashDates: 0,
  offHours: 0,
  optionalBusy: 0,
  offMinutes: 0,
  dates: 12,
  clashes: [],
  worse: [],
  ...over,
});

function open(present: Fit, fits: Fit[]) {
  const take = vi.fn();
  const dates = ['2026-12-08', '2026-12-15', '2026-12-22', '2026-12-29', '2027-01-05'].map((day) => ({ wall: `${day}T15:30:00` }));
  render(
    <FitsDialog board={{ present, fits, dates } as unknown as Drawn} people={people} open onOpenChange={() => undefined} take={take} />,
  );
  return { take, rows: within(screen.getByRole('dialog')).getAllByRole('listitem') };
}

it('says first how the present time does, which cannot be taken again', () => {
  const { rows } = open(fit({ clashDates: 1, offHours: 60, clashes: [{ index: 4, people: ['Corin Hale'] }] }), [
    fit({ clock: '09:30', at: 570, offHours: 1 }),
  ]);
  expect(rows[0]).toHaveTextContent('15:30 as it is now');
  expect(rows[0]).toHaveTextContent('clashes on 1 of 12, 60 times outside somebody’s hours. On 5 Jan busy: Corin.');
  expect(within(rows[0] as HTMLElement).queryByRole('button')).toBeNull();
  expect(rows[1]).toHaveTextContent('09:30');
  expect(rows[1]).toHaveTextContent('free on all 12 dates, once outside somebody’s hours.');
});

it.each<[string, Partial<Fit>, string]>([
  ['everything well', {}, 'free on all 12 dates, all in their hours.'],
  ['a single date', { dates: 1 }, 'free on the date, all in their hours.'],
  ['optional people', { optionalBusy: 2 }, 'free on all 12 dates, all in their hours, 2 times somebody optional busy.'],
  ['for whom it is worse', { worse: ['Mere Tautari', 'Paulo Cárdim'] }, 'Worse than now for Mere, Paulo.'],
  ['more people than are named', { worse: [...people.keys()] }, 'Worse than now for Inês, Joram, Corin, Mere, 1 other.'],
  [
    'more dates than are named',
    { clashDates: 5, clashes: [0, 1, 2, 3, 4].map((index) => ({ index, people: ['Joram Kiptui'] })) },
    'On 8 Dec busy: Joram; on 15 Dec busy: Joram; on 22 Dec busy: Joram; 2 more dates.',
  ],
  ['the day after', { dayShift: 1 }, 'the next day'],
  ['the day before', { dayShift: -1 }, 'the day before'],
])('says it in words: %s', (_, over, words) => {
  const { rows } = open(fit({ offHours: 99 }), [fit({ clock: '09:30', at: 570, ...over })]);
  expect(rows[1]).toHaveTextContent(words);
});

it('goes by arrow keys from time to time, and takes one', () => {
  const { take } = open(fit({ offHours: 9 }), [fit({ clock: '09:30', at: 570 }), fit({ clock: '17:00', at: 1020 })]);
  const [first, second] = ['09:30', '17:00'].map((clock) => screen.getByRole('button', { name: `Take it: ${clock}` }));
  first?.focus();
  fireEvent.keyDown(first as HTMLElement, { key: 'ArrowDown' });
  expect(second).toHaveFocus();
  // There is nothing below the last.
  fireEvent.keyDown(second as HTMLElement, { key: 'ArrowDown' });
  expect(second).toHaveFocus();
  fireEvent.keyDown(second as HTMLElement, { key: 'ArrowUp' });
  expect(first).toHaveFocus();
  fireEvent.click(second as HTMLElement);
  expect(take.mock.calls.map(([one]) => one.clock)).toEqual(['17:00']);
});
