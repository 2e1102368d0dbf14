import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Absence } from '../people/absences';
import type { Person } from '../people/people';
import { AwayNote } from './AwayNote';

const lena: Person = {
  id: 'lena',
  kind: 'colleague',
  name: 'Lena Strand',
  email: 'lena@orchard.example',
  job: null,
  zone: null,
  city: null,
  language: null,
  hours: {},
  hoursAssumed: true,
  country: null,
  region: null,
  left: false,
  initials: 'LS',
};
const absence = (over: Partial<Absence> = {}): Absence => ({
  id: 1,
  personId: 'corin',
  fromOn: '2026-12-10',
  untilOn: '2026-12-10',
  standIn: lena,
  note: null,
  showsNote: false,
  ...over,
});

it('asks the stand-in too, or instead, at one press', () => {
  const too = vi.fn();
  const instead = vi.fn();
  render(<AwayNote absence={absence({ note: 'field season' })} taken={['corin']} too={too} instead={instead} />);
  expect(screen.getByText('Away on Thu 10 Dec 2026.')).toBeDefined();
  expect(screen.getByText(/field season/)).toBeDefined();
  fireEvent.click(screen.getByRole('button', { name: 'Ask them too: Lena Strand' }));
  fireEvent.click(screen.getByRole('button', { name: 'Ask them instead: Lena Strand' }));
  expect(too).toHaveBeenCalledWith(lena);
  expect(instead).toHaveBeenCalledWith(lena);
});

it.each([
  ['on the sheet already', absence({ untilOn: '2026-12-12' }), ['corin', 'lena']],
  ['nobody', absence({ untilOn: '2026-12-12', standIn: null }), ['corin']],
])('offers nobody where the stand-in is %s', (_, given, taken) => {
  render(<AwayNote absence={given} taken={taken} too={vi.fn()} instead={vi.fn()} />);
  expect(screen.getByText('Away Thu 10 Dec 2026 to Sat 12 Dec 2026.')).toBeDefined();
  expect(screen.queryByRole('button')).toBeNull();
});
