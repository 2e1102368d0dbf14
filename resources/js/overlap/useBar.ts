import { useCallback, useState, type KeyboardEvent, type PointerEvent as ReactPointerEvent } from 'react';

export type Bar = { at: number; minutes: number };
export type Grip = 'move' | 'length';

export type BarHandlers = {
  bar: Bar;
  dragging: boolean;
  onPointerDown: (grip: Grip) => (event: ReactPointerEvent<HTMLElement>) => void;
  onKeyDown: (event: KeyboardEvent<HTMLElement>) => void;
};

const snap = (minutes: number, step: number) => Math.round(minutes / step) * step;

/**
 * The crossbar as it is dragged: it snaps to quarter hours, with Shift to five minutes, and tells where it was let go.
 *
 * @param span minutes: the whole axis; shown: how many of them the drawn height of so many pixels stands for
 */
export function useBar(
  given: Bar,
  span: { minutes: number; shown: number; pixels: () => number; fixedLength: boolean },
  moved: (bar: Bar) => void,
): BarHandlers {
  const [bar, setBar] = useState<Bar | null>(null);

  const within = useCallback(
    (asked: Bar): Bar => ({
      at: Math.max(0, Math.min(asked.at, span.minutes - 15)),
      minutes: Math.max(5, Math.min(asked.minutes, span.minutes)),
    }),
    [span.minutes],
  );

  return {
    bar: bar ?? given,
    dragging: bar !== null,
    onPointerDown: (grip) => (event) => {
      if (event.button !== 0) {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      event.currentTarget.focus({ preventScroll: true });
      const fromY = event.clientY;
      // Held here and not in state: a release may come before the last move has been drawn.
      let now = given;
      const drag = (move: PointerEvent) => {
        const step = move.shiftKey ? 5 : 15;
        const by = ((move.clientY - fromY) / span.pixels()) * span.shown;
        now = within(
          grip === 'move'
            ? { at: snap(given.at + by, step), minutes: given.minutes }
            : { at: given.at, minutes: Math.max(step, snap(given.minutes + by, step)) },
        );
        setBar(now);
      };
      const end = (event: PointerEvent) => {
        window.removeEventListener('pointermove', drag);
        window.removeEventListener('pointerup', end);
        window.removeEventListener('pointercancel', end);
        setBar(null);
        if (event.type === 'pointerup' && (now.at !== given.at || now.minutes !== given.minutes)) {
          moved(now);
        }
      };
      // On the window, so that the hand may stray from the bar.
      window.addEventListener('pointermove', drag);
      window.addEventListener('pointerup', end);
      window.addEventListener('pointercancel', end);
      setBar(given);
    },
    onKeyDown: (event) => {
      const step = event.shiftKey ? 5 : 15;
      const changes: Record<string, Bar> = {
        ArrowDown: { at: given.at + step, minutes: given.minutes },
        ArrowUp: { at: given.at - step, minutes: given.minutes },
        PageDown: { at: given.at + 60, minutes: given.minutes },
        PageUp: { at: given.at - 60, minutes: given.minutes },
        ...(span.fixedLength
          ? {}
          : {
              ArrowRight: { at: given.at, minutes: given.minutes + step },
              ArrowLeft: { at: given.at, minutes: Math.max(step, given.minutes - step) },
            }),
      };
      const asked = changes[event.key];
      if (asked) {
        event.preventDefault();
        moved(within(asked));
      }
    },
  };
}
