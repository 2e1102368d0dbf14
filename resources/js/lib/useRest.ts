import { useEffect, useState } from 'react';

/** Milliseconds without a key after which hands are at rest. */
const REST = 1000;

let lastKey = -REST;
window.addEventListener('keydown', () => (lastKey = performance.now()), true);

/**
 * Whether nobody is typing, from the first rest on. What opens by itself and takes the keys waits for it: half a word typed for
 * the page must not end in another field.
 */
export function useRest(): boolean {
  const [rested, setRested] = useState(() => performance.now() - lastKey >= REST);
  useEffect(() => {
    if (rested) {
      return undefined;
    }
    const look = setInterval(() => {
      if (performance.now() - lastKey >= REST) {
        setRested(true);
      }
    }, 100);
    return () => clearInterval(look);
  }, [rested]);
  return rested;
}
