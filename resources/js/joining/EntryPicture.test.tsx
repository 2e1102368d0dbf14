import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import '../lib/i18n';
import { EntryPicture } from './EntryPicture';
import type { Group, Room } from './room';

const group = (over: Partial<Group> = {}): Group => ({
  people: ['ines'],
  who: 'colleague',
  signedIn: true,
  country: null,
  stretches: [
    { from: -15, until: -10, outcome: 'closed', reason: 'too_early' },
    { from: -10, until: 30, outcome: 'admitted', reason: 'open' },
  ],
  ...over,
});

const shown = (groups: Group[], setHostComes = vi.fn()) => {
  const settings = { doors: { value: 10 }, lock: { value: null } } as unknown as Room['settings'];
  const clocks = { from: -15, shown: Array.from({ length: 46 }, (_, at) => `15:${15 + at}`) };
  const room = { groups, from: -15, until: 30, settings, clocks } as unknown as Room;
  render(<EntryPicture room={room} city="Nairobi" nameOf={(id) => id} hostComes={0} setHostComes={setHostComes} />);
  return setHostComes;
};

it('gives each a row, and those of a crowd to whom the same happens one together', () => {
  shown([
    group(),
    group({ people: Array.from({ length: 30 }, (_, at) => `p${at}`), who: 'guest' }),
    group({ people: [], who: 'stranger' }),
  ]);
  expect(screen.getAllByRole('listitem').map((item) => item.querySelector('strong')?.textContent)).toEqual([
    'ines',
    '30 people',
    'somebody with the link',
  ]);
  expect(screen.getAllByRole('listitem')[0]?.textContent).toContain('from 15:15 closed; from 15:20 comes in');
});

it.each([
  ['ArrowRight', 1],
  ['ArrowLeft', -1],
  ['PageUp', 5],
  ['Home', 0],
])('moves the coming of the host by %s', (key, minutes) => {
  const moved = shown([group()]);
  const line = screen.getByRole('slider', { name: 'The host comes' });
  expect(line.getAttribute('aria-valuetext')).toBe('15:30, at the start');
  fireEvent.keyDown(line, { key });
  expect(moved).toHaveBeenCalledWith(minutes);
});
