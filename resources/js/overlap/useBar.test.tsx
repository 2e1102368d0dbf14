import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { useBar, type Bar } from './useBar';

function Track({ moved, fixedLength = false }: { moved: (bar: Bar) => void; fixedLength?: boolean }) {
  const { bar, onPointerDown, onKeyDown } = useBar(
    { at: 570, minutes: 45 },
    { minutes: 1440, shown: 1440, pixels: () => 720, fixedLength },
    moved,
  );
  return (
    <div role="slider" aria-label="bar" tabIndex={0} aria-valuenow={bar.at} onPointerDown={onPointerDown('move')} onKeyDown={onKeyDown}>
      <span data-testid="edge" onPointerDown={onPointerDown('length')} />
    </div>
  );
}

const drag = (element: Element, by: number, shiftKey = false) => {
  fireEvent.pointerDown(element, { button: 0, clientY: 100 });
  fireEvent.pointerMove(window, { clientY: 100 + by, shiftKey });
  fireEvent.pointerUp(window, { clientY: 100 + by });
};

describe('useBar', () => {
  it.each([
    [-30, false, { at: 510, minutes: 45 }],
    [4, false, { at: 585, minutes: 45 }],
    [4, true, { at: 580, minutes: 45 }],
    [5000, false, { at: 1425, minutes: 45 }],
    [-5000, false, { at: 0, minutes: 45 }],
  ])('dragged by %i pixels (Shift %s) comes to rest on a quarter hour', (by, shiftKey, expected) => {
    const moved = vi.fn();
    render(<Track moved={moved} />);
    drag(screen.getByRole('slider'), by, shiftKey);
    expect(moved).toHaveBeenCalledExactlyOnceWith(expected);
  });

  it('changes the length at its edge', () => {
    const moved = vi.fn();
    render(<Track moved={moved} />);
    drag(screen.getByTestId('edge'), 15);
    expect(moved).toHaveBeenCalledExactlyOnceWith({ at: 570, minutes: 75 });
  });

  it('says nothing when it is let go where it was', () => {
    const moved = vi.fn();
    render(<Track moved={moved} />);
    drag(screen.getByRole('slider'), 2);
    expect(moved).not.toHaveBeenCalled();
  });

  it.each([
    ['ArrowDown', {}, { at: 585, minutes: 45 }],
    ['ArrowUp', { shiftKey: true }, { at: 565, minutes: 45 }],
    ['PageDown', {}, { at: 630, minutes: 45 }],
    ['ArrowRight', {}, { at: 570, minutes: 60 }],
  ])('%s', (key, more, expected) => {
    const moved = vi.fn();
    render(<Track moved={moved} />);
    fireEvent.keyDown(screen.getByRole('slider'), { key, ...more });
    expect(moved).toHaveBeenCalledExactlyOnceWith(expected);
  });

  it('keeps the length of whole days', () => {
    const moved = vi.fn();
    render(<Track moved={moved} fixedLength />);
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowRight' });
    expect(moved).not.toHaveBeenCalled();
  });
});
