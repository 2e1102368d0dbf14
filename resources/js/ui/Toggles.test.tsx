import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Toggles } from './Toggles';

const options = [
  { value: 'a', label: 'First' },
  { value: 'b', label: 'Second' },
  { value: 'c', label: 'Third' },
];

describe('Toggles', () => {
  it.each([
    ['adds one in the order of all', ['c'], 'First', ['a', 'c']],
    ['takes one away', ['a', 'c'], 'Third', ['a']],
    ['may leave none', ['b'], 'Second', []],
  ])('%s', (_, chosen, press, expected) => {
    const choose = vi.fn();
    render(<Toggles label="Which" options={options} chosen={chosen} choose={choose} />);
    fireEvent.click(screen.getByRole('button', { name: press }));
    expect(choose).toHaveBeenCalledExactlyOnceWith(expected);
  });

  it('tells which are chosen', () => {
    render(<Toggles label="Which" options={options} chosen={['b']} choose={vi.fn()} />);
    expect(screen.getAllByRole('button').map((button) => button.getAttribute('aria-pressed'))).toEqual(['false', 'true', 'false']);
  });
});
