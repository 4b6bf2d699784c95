/** How well the limits of one thread explain one reading. */
import { handOutcomes } from './handStart.ts';
import { threadNamed } from './catalogue.ts';
import type { ThreadCondition, ThreadReading } from './reading.ts';
import { chordInBore_m, CONDITION_SHIFT } from './reading.ts';
import type { Limits, Thread, ThreadGender } from './thread.ts';
import { diameterLimits } from './thread.ts';

export interface Explanation {
  /** Whether the reading, give or take the tool's error, lies within the limits. */
  readonly possible: boolean;
  /** Squared distance from the middle of the limits in standard deviations; 0 is a perfect middle. */
  readonly misfit: number;
  /** What a faultless tool could have shown; null where the answer is not a figure. */
  readonly expected: Limits | null;
}

/** A hand start that a thread cannot give counts as five standard deviations off. */
const CONTRADICTED = 25;
/** The last bit of a subtraction must not exclude a reading that lies on a limit. */
const NOISE_m = 1e-9;

/** Limits and error are both taken as evenly spread: their variances are a third of the half width squared. */
const variance = (halfWidth_m: number) => halfWidth_m ** 2 / 3;

export function explain(
  thread: Thread,
  gender: ThreadGender,
  condition: ThreadCondition,
  reading: ThreadReading,
): Explanation {
  switch (reading.kind) {
    case 'diameter': {
      const limits = shownDiameter(thread, gender, condition, reading.jawFlat_m);
      return against(reading.diameter_m, limits, reading.uncertainty_m);
    }
    case 'span': {
      const span_m = reading.pitches * thread.pitch_m;
      return against(reading.span_m, { low_m: span_m, high_m: span_m }, reading.uncertainty_m);
    }
    case 'count': {
      // Somebody who counts crests within a length may be one thread out at either end.
      const length_m = reading.threads * thread.pitch_m;
      return against(reading.within_m, { low_m: length_m, high_m: length_m }, thread.pitch_m);
    }
    case 'handStart': {
      const bolt = threadNamed(reading.bolt);
      const possible = bolt === null || handOutcomes(bolt, thread).includes(reading.outcome);
      return { possible, misfit: possible ? 0 : CONTRADICTED, expected: null };
    }
  }
}

/** The diameter a faultless tool shows on a part of this thread in this condition. */
export function shownDiameter(
  thread: Thread,
  gender: ThreadGender,
  condition: ThreadCondition,
  jawFlat_m: number,
): Limits {
  const limits = diameterLimits(thread, gender);
  const shift = CONDITION_SHIFT[condition][gender];
  const shown = (diameter_m: number) =>
    gender === 'internal' ? chordInBore_m(diameter_m, jawFlat_m) : diameter_m;
  return { low_m: shown(limits.low_m + shift.low_m), high_m: shown(limits.high_m + shift.high_m) };
}

function against(reading_m: number, limits: Limits, uncertainty_m: number): Explanation {
  const middle_m = (limits.low_m + limits.high_m) / 2;
  const halfWidth_m = (limits.high_m - limits.low_m) / 2;
  return {
    possible:
      reading_m >= limits.low_m - uncertainty_m - NOISE_m &&
      reading_m <= limits.high_m + uncertainty_m + NOISE_m,
    misfit: (reading_m - middle_m) ** 2 / (variance(halfWidth_m) + variance(uncertainty_m)),
    expected: limits,
  };
}
