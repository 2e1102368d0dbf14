import { useEffect, useRef } from 'react';

/** Ctrl or Cmd with Z, and with Shift or Y: the sheet's own undo and redo, outside of fields that have theirs. */
export function useUndoKeys(sheet: { undo: () => void; redo: () => void }): void {
  const latest = useRef(sheet);
  useEffect(() => {
    latest.current = sheet;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      if (
        !(event.ctrlKey || event.metaKey) ||
        event.altKey ||
        (key !== 'z' && key !== 'y') ||
        (event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [role=dialog]') !== null)
      ) {
        return;
      }
      event.preventDefault();
      if (key === 'y' || event.shiftKey) {
        latest.current.redo();
      } else {
        latest.current.undo();
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
