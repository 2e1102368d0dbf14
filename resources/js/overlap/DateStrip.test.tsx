import { fireEvent, render, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { DateState } from './board';
import { DateStrip, type DateStripProps } from './DateStrip';

const date = (index: number, busy = false): DateState => ({
  index,
  wall: new Date(Date.UTC(2026, 11, 8 + 7 * index, 15, 30)).toISOString().slice(0, 19),
  start: new Date(Date.UTC(2026, 11, 8 + 7 * index, 12, 30)).toISOString(),
  required: 3,
  free: busy ? 2 : 3,
  unknown: 0,
  troubles: busy ? [{ id: 'x', required: true, light: 'in_hours', clashes: ['Stock taking'], clash: 'busy' }] : [],
  shifts: [],
  anchorShift: null,
});

const strip = (over: Partial<DateStripProps>) => {
  const props: DateStripProps = {
    dates: [date(0), date(1, true), date(2)],
    people: new Map(),
    selected: 0,
    choose: vi.fn(),
    drop: vi.fn(),
    usual: '15:30',
    dropped: [],
    restore: vi.fn(),
    complete: true,
    ...over,
  };
  render(<DateStrip {...props} />);
  return props;
};

describe('DateStrip', () => {
  it('says of each date how it stands, and shows the one that is pressed', () => {
    const { choose } = strip({});
    const dates = within(screen.getByRole('list', { name: 'Dates' })).getAllByRole('listitem');
    expect(dates.map((one) => one.textContent)).toEqual(['8 Decfree, in hours×', '15 Dec? busy', '22 Decfree, in hours']);
    fireEvent.click(screen.getByRole('button', { name: /15 Dec/ }));
    expect(choose).toHaveBeenCalledExactlyOnceWith(1);
  });

  it('drops the date that is shown, and puts a dropped one back', () => {
    const { drop, restore } = strip({ dropped: ['2026-12-29T15:30:00'] });
    fireEvent.click(screen.getByRole('button', { name: 'Leave out Tue 8 Dec 2026' }));
    expect(drop).toHaveBeenCalledExactlyOnceWith('2026-12-08T15:30:00');
    fireEvent.click(screen.getByRole('button', { name: 'put it back' }));
    expect(restore).toHaveBeenCalledExactlyOnceWith('2026-12-29T15:30:00');
  });

  it('of many dates shows those with trouble and counts the rest', () => {
    strip({ dates: Array.from({ length: 30 }, (_, index) => date(index, index === 7)), selected: 2, complete: false });
    expect(within(screen.getByRole('list', { name: 'Dates' })).getAllByRole('listitem')).toHaveLength(2);
    expect(screen.getByText('28 more dates without a problem')).toBeInTheDocument();
    expect(screen.getByText('checked for the first 30 dates')).toBeInTheDocument();
  });

  it('names a year once, where it begins', () => {
    strip({ dates: Array.from({ length: 7 }, (_, index) => date(index)), selected: -1 });
    const dates = within(screen.getByRole('list', { name: 'Dates' })).getAllByRole('listitem');
    expect(dates.map((one) => one.textContent?.replace('free, in hours', ''))).toEqual([
      '8 Dec',
      '15 Dec',
      '22 Dec',
      '29 Dec',
      '5 Jan 2027',
      '12 Jan',
      '19 Jan',
    ]);
  });

  it('offers to drop nothing from a single date', () => {
    strip({ dates: [date(0)], drop: null });
    expect(screen.queryByRole('button', { name: /Leave out/ })).toBeNull();
  });
});
