import { useCallback, useInsertionEffect, useRef } from 'react';

/** A function that stays the same while what it does follows the last render: what is memoised needs not render for it. */
export function useLatest<Arguments extends readonly unknown[]>(
  act: (...given: Arguments) => void,
): (...given: Arguments) => void {
  const latest = useRef(act);
  useInsertionEffect(() => {
    latest.current = act;
  });
  return useCallback((...given: Arguments) => latest.current(...given), []);
}
