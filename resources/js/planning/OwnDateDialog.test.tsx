import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Person } from '../people/people';
import { EntriesProvider } from './entries';
import { OwnDateDialog } from './OwnDateDialog';
import { ownPeople, withOwn, emptyOwn } from './own';
import { sampleSheet } from './samples';

const person = (id: string, name: string): Person => ({
  id,
  kind: 'colleague',
  name,
  email: `${id}@orchard.example`,
  job: null,
  zone: null,
  city: null,
  language: null,
  hours: {},
  hoursAssumed: true,
  country: null,
  region: null,
  left: false,
  initials: id,
});
const date = '2026-12-15T15:30:00';
const sheet = sampleSheet({
  title: 'Seed swap',
  attendees: [
    { person: person('w', 'Wanjiru Achola'), role: 'required' },
    { person: person('i', 'Inês Varela'), role: 'optional' },
  ],
});

const show = (over = {}) => {
  const change = vi.fn();
  const close = vi.fn();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <EntriesProvider>
        <OwnDateDialog sheet={{ ...sheet, ...over }} date={date} change={change} close={close} />
      </EntriesProvider>
    </QueryClientProvider>,
  );
  return { change, close };
};

it('says of one date what differs, and nothing else', () => {
  const { change, close } = show();
  fireEvent.change(screen.getByLabelText('Length'), { target: { value: '90' } });
  fireEvent.change(screen.getByLabelText('Place'), { target: { value: 'Hall B' } });
  fireEvent.click(screen.getByLabelText('Inês Varela'));
  fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
  expect(change).toHaveBeenCalledWith({ own: [{ date, minutes: 90, title: null, place: 'Hall B', people: [sheet.attendees[0]] }] });
  expect(close).toHaveBeenCalled();
});

it('lets a date be as the series again', () => {
  const { change } = show({ own: [{ ...emptyOwn(date), minutes: 90 }] });
  fireEvent.click(screen.getByRole('button', { name: 'Make it as the series' }));
  expect(change).toHaveBeenCalledWith({ own: [] });
});

it('does not let the last one go', () => {
  show();
  fireEvent.click(screen.getByLabelText('Inês Varela'));
  fireEvent.click(screen.getByLabelText('Wanjiru Achola'));
  expect(screen.getByText(/Somebody must come/)).toBeDefined();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take it' }).disabled).toBe(true);
});

it('keeps no list that is the one of the series, and no date of which nothing is said', () => {
  expect(ownPeople(sheet, [...sheet.attendees].toReversed())).toBeNull();
  expect(withOwn({ ...sheet, own: [{ ...emptyOwn(date), minutes: 90 }] }, emptyOwn(date))).toEqual([]);
});
