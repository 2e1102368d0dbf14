import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { RuleInWords } from './meetings';
import { EndEditor, RepeatsEditor } from './RepeatsEditor';
import { sampleSheet } from './samples';
import type { Sheet } from './sheet';

const repeats: RuleInWords = {
  by: 'words',
  every: 'week',
  interval: 1,
  days: ['tue'],
  monthBy: 'date',
  monthDay: 8,
  nth: 2,
  weekday: 'tue',
  end: 'count',
  count: 10,
  untilOn: null,
};
const sheet = (over: Partial<RuleInWords> = {}): Sheet => sampleSheet({ rule: { ...repeats, ...over } });

describe('RepeatsEditor', () => {
  it('adds weekdays in the order of the week, and forgets dropped dates that may no longer exist', () => {
    const change = vi.fn();
    render(<RepeatsEditor sheet={sheet()} change={change} close={vi.fn()} byParts={vi.fn()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Mon' }));
    expect(change).toHaveBeenCalledExactlyOnceWith({ rule: { ...repeats, days: ['mon', 'tue'] }, dropped: [] });
  });

  it('keeps one weekday at least', () => {
    const change = vi.fn();
    render(<RepeatsEditor sheet={sheet()} change={change} close={vi.fn()} byParts={vi.fn()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Tue' }));
    expect(change).not.toHaveBeenCalled();
  });

  it.each([['0'], ['100'], ['']])('does not take "%s" for an interval', (typed) => {
    const change = vi.fn();
    render(<RepeatsEditor sheet={sheet()} change={change} close={vi.fn()} byParts={vi.fn()} />);
    fireEvent.change(screen.getByLabelText('Every how many weeks'), { target: { value: typed } });
    expect(change).not.toHaveBeenCalled();
  });

  it('offers the last weekday of a month', () => {
    const change = vi.fn();
    render(<RepeatsEditor sheet={sheet({ every: 'month', monthBy: 'weekday' })} change={change} close={vi.fn()} byParts={vi.fn()} />);
    fireEvent.change(screen.getByLabelText('Which'), { target: { value: '-1' } });
    expect(change.mock.calls[0]?.[0]).toMatchObject({ rule: { nth: -1, weekday: 'tue' } });
  });

  it('stops repeating', () => {
    const change = vi.fn();
    render(<RepeatsEditor sheet={sheet()} change={change} close={vi.fn()} byParts={vi.fn()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Do not repeat' }));
    expect(change).toHaveBeenCalledExactlyOnceWith({ rule: null, dropped: [] });
  });
});

describe('EndEditor', () => {
  it('proposes a day when the series is to end on one', () => {
    const change = vi.fn();
    render(<EndEditor sheet={sheet()} change={change} close={vi.fn()} />);
    fireEvent.change(screen.getByLabelText('Ends'), { target: { value: 'until' } });
    expect(change.mock.calls[0]?.[0]).toMatchObject({ rule: { end: 'until', untilOn: '2027-03-02' } });
  });

  it.each([
    ['12', 12],
    ['1001', null],
    ['0', null],
  ])('takes %s for a count as %s', (typed, count) => {
    const change = vi.fn();
    render(<EndEditor sheet={sheet()} change={change} close={vi.fn()} />);
    fireEvent.change(screen.getByLabelText('How many times'), { target: { value: typed } });
    expect(change.mock.calls[0]?.[0]?.rule?.count ?? null).toBe(count);
  });
});
