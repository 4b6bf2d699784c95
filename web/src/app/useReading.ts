import { useCallback, useInsertionEffect, useRef } from 'react';

/** A function that reads a value as it was last drawn: for whoever needs it when a button is pressed, and not before. */
export function useReading<Value>(value: Value): () => Value {
  const latest = useRef(value);
  useInsertionEffect(() => {
    latest.current = value;
  });
  return useCallback(() => latest.current, []);
}
