import { useCallback, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

export type Bar = { at: number; minutes: number };
type Drag = { kind: 'move' | 'length'; fromY: number; start: Bar };

export type BarHandlers = {
  bar: Bar;
  dragging: boolean;
  onPointerDown: (kind: Drag['kind']) => (event: PointerEvent<HTMLElement>) => void;
  onPointerMove: (event: PointerEvent<HTMLElement>) => void;
  onPointerUp: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLElement>) => void;
};

const snap = (minutes: number, step: number) => Math.round(minutes / step) * step;

/**
 * The crossbar as it is dragged: it snaps to quarter hours, with Shift to five minutes, and tells where it was let go.
 *
 * @param pixels height in pixels that stands for so many minutes
 */
export function useBar(given: Bar, span: { minutes: number; pixels: () => number; fixedLength: boolean }, moved: (bar: Bar) => void): BarHandlers {
  const [bar, setBar] = useState<Bar | null>(null);
  const drag = useRef<Drag | null>(null);
  const now = bar ?? given;

  const within = useCallback(
    (asked: Bar): Bar => {
      const minutes = Math.max(5, Math.min(asked.minutes, span.minutes));
      return { at: Math.max(0, Math.min(asked.at, span.minutes - 15)), minutes };
    },
    [span.minutes],
  );

  return {
    bar: now,
    dragging: bar !== null,
    onPointerDown: (kind) => (event) => {
      if (event.button !== 0) {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { kind, fromY: event.clientY, start: given };
      setBar(given);
    },
    onPointerMove: (event) => {
      const held = drag.current;
      if (!held) {
        return;
      }
      const step = event.shiftKey ? 5 : 15;
      const by = ((event.clientY - held.fromY) / span.pixels()) * span.minutes;
      setBar(
        held.kind === 'move'
          ? within({ at: snap(held.start.at + by, step), minutes: held.start.minutes })
          : within({ at: held.start.at, minutes: Math.max(step, snap(held.start.minutes + by, step)) }),
      );
    },
    onPointerUp: () => {
      if (drag.current && bar && (bar.at !== given.at || bar.minutes !== given.minutes)) {
        moved(bar);
      }
      drag.current = null;
      setBar(null);
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
