import { useEffect, useRef } from 'react';
import { useSession } from './session';

/** Whether a key press is meant for a field, a menu or a dialog, and not for the page. */
export const isTyping = (event: KeyboardEvent): boolean => event.ctrlKey || event.metaKey || event.altKey || isInField(event);

/** Whether it happens where something can be typed or chosen. */
export const isInField = ({ target }: Event): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [role=dialog], [role=slider]') !== null;

/** A single key of a page, for those who have not switched them off. */
export function useSheetKey(key: string, run: () => void): void {
  const on = useSession()?.account?.shortcuts ?? true;
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  useEffect(() => {
    if (!on) {
      return undefined;
    }
    const listen = (event: KeyboardEvent) => {
      if (event.key === key && !isTyping(event)) {
        event.preventDefault();
        latest.current();
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [key, on]);
}
