import { useEffect, useState } from 'react';

const PAUSE_ms = 200;

/** What was typed, once the fingers rest: the server is not asked at every letter. */
export function useSettled(value: string): string {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), PAUSE_ms);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
