import { fireEvent, render, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Person } from '../people/people';
import { NoticeProvider } from '../ui/Notice';
import { Burden } from './Burden';
import { sampleTime } from './samples';
import type { Times } from './times';
import type { Told } from './timesWords';

const time = (shiftMinutes: number, wall: string, burden: [number, number][]) =>
  sampleTime({ shiftMinutes, wall, burden, locals: burden.map(() => wall) });
const later = time(30, '2026-12-08T16:00:00', [
  [0, 2],
  [0, 0],
  [12, 12],
]);
const people = new Map(
  [
    ['w', 'Wanjiru Achola', 'Nairobi'],
    ['p', 'Paulo Cárdim', 'Lima'],
    ['o', 'Ola Berg', 'Oslo'],
  ].map(([id = '', name = '', city = '']) => [id, { id, name, city } as Person]),
);
const times = {
  people: ['w', 'p', 'o'],
  required: [true, true, false],
  dates: 12,
  present: time(0, '2026-12-08T15:30:00', [
    [0, 0],
    [10, 12],
    [0, 0],
  ]),
  holding: 3,
  rota: null,
} as unknown as Times;
const told: Told = { times, people, city: 'Nairobi', rule: null };

it('counts nights and edges of the required, now and at the marked time, the worst off first', () => {
  const putIn = vi.fn();
  render(
    <NoticeProvider>
      <Burden told={told} people={people} marked={{ kind: 'time', time: later }} putIn={putIn} />
    </NoticeProvider>,
  );
  expect(screen.getAllByRole('columnheader').map((one) => one.textContent)).toEqual(['Person', '15:30 now', '16:00 Nairobi']);
  const rows = screen.getAllByRole('row').slice(1);
  // Whoever is optional pays nothing that counts.
  expect(rows.map((row) => within(row).getByRole('rowheader').textContent)).toEqual(['Paulo Cárdim Lima', 'Wanjiru Achola Nairobi']);
  const cells = rows.map((row) =>
    within(row)
      .getAllByRole('cell')
      .map((cell) => cell.querySelector('.sr-only')?.textContent ?? cell.textContent),
  );
  expect(cells).toEqual([
    ['10 nights, 2 outside', 'never'],
    ['never', '2 outside'],
  ]);
  fireEvent.click(screen.getByRole('button', { name: 'Put it into the invitation' }));
  expect(putIn.mock.lastCall?.[0]).toBe(
    '16:00 Nairobi, because everybody required is free on all 12 dates; the price is 16:00 in Nairobi.',
  );
});
