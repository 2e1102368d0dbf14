import { useEffect, useState } from 'react';

/** The present moment in milliseconds, renewed every so many seconds. */
export function useNow(everySeconds = 15): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everySeconds * 1000);
    return () => clearInterval(timer);
  }, [everySeconds]);
  return now;
}
