import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { DatesEditor, WhenForm } from './DatesEditor';
import { sampleSheet } from './samples';

describe('DatesEditor', () => {
  it('says that there is nothing yet', () => {
    render(<DatesEditor sheet={sampleSheet()} edit={vi.fn()} pending={false} change={vi.fn()} makeDiffer={vi.fn()} />);
    expect(screen.getByText('No dates left out or added.')).toBeDefined();
  });

  it.each([
    [
      'puts a moved date back',
      {
        dropped: ['2026-12-15T15:30:00'],
        extra: ['2026-12-16T10:00:00'],
        moved: [{ date: '2026-12-15T15:30:00', to: '2026-12-16T10:00:00' }],
      },
      'put it back',
      { do: 'move', date: '2026-12-16T10:00:00', to: '2026-12-15T15:30:00' },
    ],
    ['puts a dropped date back', { dropped: ['2026-12-15T15:30:00'] }, 'put it back', { do: 'add', date: '2026-12-15T15:30:00' }],
    ['takes an added date out', { extra: ['2026-12-16T09:00:00'] }, 'remove', { do: 'drop', date: '2026-12-16T09:00:00' }],
  ])('%s', (_, over, button, expected) => {
    const edit = vi.fn();
    render(<DatesEditor sheet={sampleSheet(over)} edit={edit} pending={false} change={vi.fn()} makeDiffer={vi.fn()} />);
    fireEvent.click(screen.getByRole('button', { name: button }));
    expect(edit).toHaveBeenCalledExactlyOnceWith(expected);
  });

  it('names whole days without a time', () => {
    render(
      <DatesEditor
        sheet={sampleSheet({ allDay: true, dropped: ['2026-12-15T00:00:00'] })}
        edit={vi.fn()}
        pending={false}
        change={vi.fn()}
        makeDiffer={vi.fn()}
      />,
    );
    expect(screen.getByText('Tue 15 Dec 2026 is left out')).toBeDefined();
    expect(screen.queryByLabelText('Time')).toBeNull();
  });
});

describe('WhenForm', () => {
  it('takes a date and a time together, and nothing that is half typed', () => {
    const take = vi.fn();
    render(<WhenForm from="2026-12-08T15:30:00" allDay={false} action="Move it" pending={false} take={take} />);
    const button = screen.getByRole('button', { name: 'Move it' });
    fireEvent.change(screen.getByLabelText('Date'), { target: { value: '' } });
    expect(button).toHaveProperty('disabled', true);
    fireEvent.change(screen.getByLabelText('Date'), { target: { value: '2026-12-09' } });
    fireEvent.change(screen.getByLabelText('Time'), { target: { value: '11:00' } });
    fireEvent.click(button);
    expect(take).toHaveBeenCalledExactlyOnceWith('2026-12-09T11:00:00');
  });

  it('waits while a change is under way', () => {
    render(<WhenForm from="2026-12-08T15:30:00" allDay={false} action="Move it" pending take={vi.fn()} />);
    expect(screen.getByRole('button', { name: 'Move it' })).toHaveProperty('disabled', true);
  });
});
