import { useEffect, useState } from 'react';

/** A value that follows another once it has rested so many milliseconds. */
export function useDebounced<T>(value: T, milliseconds: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return rested;
}
