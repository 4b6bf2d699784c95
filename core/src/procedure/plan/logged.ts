/** How long steps took, by when they were written down. */
import type { StepKind } from './steps.ts';

export interface LoggedStep {
  readonly kind: StepKind;
  readonly at_s: number;
}

/** A pause, and no step. */
const LONGEST_STEP_s = 30 * 60;
/** Written together: done before, one after the other, and nobody knows how long each of them took. */
const TOGETHER_s = 2;

/**
 * Seconds of each kind, from the steps of one job in the order in which they were written. One that was written together with
 * others says nothing, nor does the first.
 */
export function stepDurations(steps: readonly LoggedStep[]): ReadonlyMap<StepKind, readonly number[]> {
  const taken = new Map<StepKind, number[]>();
  for (const [index, { kind, at_s }] of steps.entries()) {
    const before = steps[index - 1];
    const after = steps[index + 1];
    if (!before || (after && after.at_s - at_s < TOGETHER_s)) continue;
    const took_s = at_s - before.at_s;
    if (took_s >= TOGETHER_s && took_s < LONGEST_STEP_s)
      taken.set(kind, [...(taken.get(kind) ?? []), took_s]);
  }
  return taken;
}
