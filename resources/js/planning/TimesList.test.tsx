import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Person } from '../people/people';
import { sampleTime } from './samples';
import { listOf, type Time, type Times } from './times';
import { TimesList } from './TimesList';
import type { Told } from './timesWords';
import type { OfferState } from './useOffer';
import type { TimesState } from './useTimes';

const time = (shiftMinutes: number, over: Partial<Time> = {}) =>
  sampleTime({
    shiftMinutes,
    wall: new Date(Date.UTC(2026, 11, 8, 15, 30 + shiftMinutes)).toISOString().slice(0, 19),
    burden: [[0, 0]],
    locals: ['2026-12-08T15:30:00'],
    ...over,
  });
const found = (over: Partial<Times> = {}): Times => ({
  people: ['w'],
  required: [true],
  dates: 12,
  present: time(0, {
    clashDates: 1,
    clashes: [{ index: 0, wall: '2026-12-08T15:30:00', people: [0], away: [], moveTo: null, couldFrom: null, standIn: null }],
  }),
  held: [time(30), time(-120)],
  nearly: [],
  looked: 479,
  holding: 2,
  openings: [],
  rota: null,
  days: [-3, 3],
  anyDay: false,
  pauseMinutes: 0,
  milliseconds: 9,
  ...over,
});
const people = new Map([['w', { id: 'w', name: 'Wanjiru Achola', city: 'Nairobi' } as Person]]);

function open(times: Times | null, over: Partial<TimesState> = {}, offering: Partial<OfferState> = {}) {
  const spies = { toggle: vi.fn(), take: vi.fn(), close: vi.fn(), mark: vi.fn(), makeOptional: vi.fn(), setAnyDay: vi.fn() };
  const all = times ? listOf(times) : [];
  const state = {
    times: { error: null, isPlaceholderData: false },
    all,
    marked: all[1],
    waysOf: () => [],
    isTaking: false,
    anyDay: false,
    ...spies,
    ...over,
  };
  const told: Told | null = times && { times, people, city: 'Nairobi', rule: null };
  const offer = { canOffer: false, gathered: [], toggle: spies.toggle, ...offering };
  render(<TimesList state={state as unknown as TimesState} offer={offer as unknown as OfferState} told={told} people={people} />);
  return spies;
}

it('begins at the best of the better times, walks by arrow keys, takes by Enter and leaves by Escape', () => {
  const { mark, take, close } = open(found());
  const at = () => (document.activeElement as HTMLElement).dataset.time;
  expect(at()).toBe('at 30');
  const key = (name: string) => fireEvent.keyDown(document.activeElement as Element, { key: name });
  key('ArrowUp');
  expect(at()).toBe('at 0');
  key('ArrowUp');
  expect(at()).toBe('at 0');
  key('End');
  expect(at()).toBe('at -120');
  expect(mark.mock.lastCall?.[0]).toMatchObject({ kind: 'time', time: { shiftMinutes: -120 } });
  key('Enter');
  expect(take).toHaveBeenCalledOnce();
  key('Escape');
  expect(close).toHaveBeenCalledOnce();
});

it('offers the ways out of the marked time only, as buttons of their own', () => {
  const way = { do: 'shorter', minutes: 30 } as const;
  const { take } = open(found(), { waysOf: () => [{ way, text: 'Shorten to 30 minutes' }] });
  const buttons = screen.getAllByRole('button', { name: 'Shorten to 30 minutes' });
  expect(buttons).toHaveLength(1);
  fireEvent.click(buttons[0] as Element);
  expect(take.mock.lastCall?.[1]).toEqual(way);
});

it('says when nothing is better, and what one change would open', () => {
  const { makeOptional } = open(found({ held: [], holding: 0, openings: [{ times: 238, without: 0, minutes: null }] }));
  expect(screen.getByText('No time is better than the present one.')).toBeInTheDocument();
  expect(screen.getByText('No time holds on every date.')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Make Wanjiru optional' }));
  expect(makeOptional).toHaveBeenCalledWith('w');
});

it('says that it looks, and what went wrong', () => {
  open(null);
  expect(screen.getByRole('status')).toHaveTextContent('Looking for times');
});

it('gathers times for an offer where there are guests, by key and by press', () => {
  const { toggle } = open(found(), {}, { canOffer: true, gathered: ['2026-12-08T13:30:00'] });
  fireEvent.keyDown(document.activeElement as Element, { key: 'o' });
  expect(toggle).toHaveBeenCalledWith('2026-12-08T16:00:00');
  // The marked one can be gathered, the one that was is taken out wherever the mark is.
  fireEvent.click(screen.getByRole('button', { name: 'Offer this time to guests' }));
  fireEvent.click(screen.getByRole('button', { name: 'Will be offered; leave it out', pressed: true }));
  expect(toggle.mock.calls.map(([wall]: string[]) => wall)).toEqual(['2026-12-08T16:00:00', '2026-12-08T16:00:00', '2026-12-08T13:30:00']);
});

it('offers nothing where there is nobody to offer to', () => {
  const { toggle } = open(found());
  fireEvent.keyDown(document.activeElement as Element, { key: 'o' });
  expect(toggle).not.toHaveBeenCalled();
  expect(screen.queryByRole('button', { name: 'Offer this time to guests' })).toBeNull();
});
