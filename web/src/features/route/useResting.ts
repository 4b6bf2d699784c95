import { useDeferredValue, useEffect, useState } from 'react';
import type { RouteState } from './benchState.ts';

/** After the last step of one drag: then the tables follow. */
const QUIET_ms = 150;

/**
 * The bench as the tables show it. Whatever is new stands there as soon as there is time for it; while one figure is
 * dragged on, the tables wait until the hand rests, so that the drawing has the page to itself.
 */
export function useResting(state: RouteState): RouteState {
  const [held, setHeld] = useState(state);
  const goesOn = state.field !== null && state.field === held.field && state.hoseId === held.hoseId;
  if (!goesOn && held !== state) setHeld(state);
  useEffect(() => {
    if (held === state) return;
    const timer = setTimeout(() => setHeld(state), QUIET_ms);
    return () => clearTimeout(timer);
  }, [held, state]);
  return useDeferredValue(held);
}
