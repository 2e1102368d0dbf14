import { fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { expect, it, vi } from 'vitest';
import type { Week } from './person';
import { MeetingsAhead, WeekOfLight } from './WeekOfLight';

type Day = Week['days'][number];
const days = (over: Record<number, Partial<Day>> = {}): Day[] =>
  [7, 8, 9, 10, 11, 12, 13].map((day, at) => ({
    on: `2026-12-${String(day).padStart(2, '0')}`,
    hours: at < 5 ? [[540, 1020]] : [],
    dusk: at < 5 ? [[420, 1140]] : [],
    holiday: null,
    city: 'Perth',
    blocks: [],
    ...over[at],
  }));
const week = (over: Partial<Week> = {}): Week => ({
  from: '2026-12-07',
  today: '2026-12-09',
  zone: 'Australia/Perth',
  city: 'Perth',
  days: days(),
  ahead: [],
  dates: 0,
  outside: 0,
  nights: 0,
  ...over,
});

function open(given: Week) {
  const go = vi.fn();
  render(<WeekOfLight week={given} name="Corin Hale" go={go} />);
  return { go, shown: screen.getAllByRole('listitem') };
}

it('says when somebody works, which days are off, and which is today', () => {
  const { shown } = open(
    week({
      days: days({
        1: { hours: [], holiday: 'Foundation Day' },
        3: {
          hours: [
            [480, 720],
            [780, 1440],
          ],
        },
      }),
    }),
  );
  expect(shown.map((day) => day.textContent)).toEqual([
    expect.stringContaining('Mon 7'),
    expect.stringContaining('Foundation Day'),
    expect.stringContaining('Wed 9 today'),
    expect.stringContaining('08:00'),
    expect.stringContaining('09:00'),
    expect.stringContaining('day off'),
    expect.stringContaining('day off'),
  ]);
  expect(shown[3]).toHaveTextContent('13:00');
  expect(shown[3]).toHaveTextContent('24:00');
});

it('draws dusk as it was told, and none on a day off', () => {
  const { shown } = open(
    week({
      days: days({
        0: {
          dusk: [
            [0, 120],
            [1320, 1440],
          ],
        },
        5: { dusk: [[0, 60]] },
      }),
    }),
  );
  const dusk = (day: HTMLElement | undefined) =>
    [...(day?.querySelectorAll<HTMLElement>('.ground-dusk') ?? [])].map(({ style }) => [style.top, style.height]);
  expect(dusk(shown[0])).toEqual([
    ['0%', `${(120 / 1440) * 100}%`],
    [`${(1320 / 1440) * 100}%`, `${(120 / 1440) * 100}%`],
  ]);
  expect(dusk(shown[5])).toEqual([]);
});

it('says what there is, for readers of the screen too, and where somebody else is', () => {
  const { shown } = open(
    week({
      days: days({
        0: {
          blocks: [
            [540, 585, 'busy', 'Lot review'],
            [600, 630, 'tentative', 'perhaps'],
          ],
        },
        1: { blocks: [[0, 1440, 'away', 'away, Jarrah stands in']] },
        2: { city: 'Lisbon' },
      }),
    }),
  );
  expect(shown[0]).toHaveTextContent('09:00');
  expect(shown[0]).toHaveTextContent('Lot review');
  expect(shown[0]?.querySelector('.block-tentative')).toHaveAttribute('title', '10:00–10:30 perhaps');
  expect(within(shown[1] as HTMLElement).getByText('away, Jarrah stands in')).not.toHaveClass('sr-only');
  expect(shown[2]).toHaveTextContent('in Lisbon');
});

it('goes from week to week, over the end of a year, and back to this one from elsewhere only', () => {
  const { go } = open(week({ from: '2026-12-28', today: '2026-12-09' }));
  fireEvent.click(screen.getByRole('button', { name: 'The week after' }));
  fireEvent.click(screen.getByRole('button', { name: 'The week before' }));
  fireEvent.click(screen.getByRole('button', { name: 'This week' }));
  expect(go.mock.calls).toEqual([['2027-01-04'], ['2026-12-21'], [null]]);
});

it('needs no way back where this week is shown', () => {
  open(week());
  expect(screen.queryByRole('button', { name: 'This week' })).toBeNull();
});

it.each<[string, Partial<Week['ahead'][number]>, string]>([
  ['at night', { light: 'night' }, 'night'],
  ['before hours', { light: 'before_hours' }, 'before hours'],
  ['in hours', { light: 'in_hours' }, 'Tue 8 Dec 2026, 20:30'],
  ['without a title', { title: '' }, 'Untitled meeting'],
  ['with a host', { host: 'Inês Varela', repeats: true }, 'host Inês Varela'],
])('names what lies ahead: %s', (_, over, words) => {
  render(
    <MemoryRouter>
      <MeetingsAhead
        name="Corin"
        week={week({
          ahead: [{ id: 'm', title: 'Lot review', local: '2026-12-08T20:30:00', light: 'in_hours', host: null, repeats: false, ...over }],
        })}
      />
    </MemoryRouter>,
  );
  expect(screen.getByRole('listitem')).toHaveTextContent(words);
  expect(screen.getByRole('link')).toHaveAttribute('href', '/meetings/m');
});

it('says that nothing lies ahead', () => {
  render(
    <MemoryRouter>
      <MeetingsAhead name="Corin" week={week()} />
    </MemoryRouter>,
  );
  expect(screen.getByText(/Corin/)).toBeInTheDocument();
});
