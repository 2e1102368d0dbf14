import { useEffect } from 'react';
import { useLocation } from 'react-router';

/** What can be led to on a sheet, and how each is found: an editor of the sentence by its label's beginning, a field by its id. */
const EDITORS: Record<string, string[]> = {
  title: ['title'],
  end: ['end', 'repeats', 'date'],
  time: ['time'],
  date: ['date', 'start'],
};
const FIELDS: Record<string, string> = { people: 'add-person', purpose: 'purpose', join: 'join-mode', place: 'place', agenda: 'agenda' };

/** Goes to the place on the sheet that the address names, as after "Change it" on the read-back. */
export function usePlace(ready: boolean): void {
  const { hash } = useLocation();
  useEffect(() => {
    const place = hash.slice(1);
    if (!ready || place === '') {
      return undefined;
    }
    const timer = setTimeout(() => {
      const editor = EDITORS[place]?.map((part) => document.querySelector<HTMLElement>(`[data-part="${part}"]`)).find(Boolean);
      const field = document.getElementById(FIELDS[place] ?? '');
      const found = editor ?? field?.querySelector<HTMLElement>('input, select, button') ?? field;
      found?.scrollIntoView({ block: 'center' });
      found?.focus();
      if (editor && editor.getAttribute('aria-expanded') !== 'true') {
        editor.click();
      }
    }, 0);
    return () => clearTimeout(timer);
  }, [hash, ready]);
}
