import { useDeferredValue, useEffect, useState } from 'react';
import type { RouteState } from '../bench/benchState.ts';

/** After the last step of one drag: then the tables follow. */
const QUIET_ms = 150;

/**
 * The bench as the tables show it. What is typed into them stands there as soon as there is time for it; while one figure
 * is dragged on, or the hand is on the drawing, they wait until it rests: begun any earlier, the tables would be drawn over
 * and over and never be done.
 */
export function useResting(state: RouteState): RouteState {
  const [held, setHeld] = useState(state);
  const isSameHose = state.hoseId === held.hoseId;
  const goesOn = isSameHose && (state.inHand || (state.field !== null && state.field === held.field));
  if (!goesOn && held !== state) setHeld(state);
  useEffect(() => {
    if (held === state) return;
    const timer = setTimeout(() => setHeld(state), QUIET_ms);
    return () => clearTimeout(timer);
  }, [held, state]);
  return useDeferredValue(held);
}
