/** Inputs that have no physical answer, each with the field it is about. Sentences live with the messages. */
export type Problem =
  | { readonly code: 'notPositive'; readonly field: string; readonly value: number }
  | { readonly code: 'notFinite'; readonly field: string }
  | { readonly code: 'tooLarge'; readonly field: string }
  | { readonly code: 'noEyeOnThisEnd'; readonly field: string }
  | { readonly code: 'noThreadOnThisEnd'; readonly field: string }
  | { readonly code: 'shorterThanItsFittings'; readonly field: string; readonly takeOffs_m: number }
  | { readonly code: 'noDroopReading'; readonly field: string }
  | { readonly code: 'noReading'; readonly field: string }
  | { readonly code: 'rangeUpsideDown'; readonly field: string }
  | {
      readonly code: 'torqueImplausible';
      readonly field: string;
      readonly reading_Nm: number;
      readonly maximum_Nm: number;
    }
  | { readonly code: 'noFluidPath'; readonly field: string }
  | { readonly code: 'endsCannotBothGoFirst'; readonly field: string }
  | { readonly code: 'noThreadReading'; readonly field: string }
  | { readonly code: 'handStartNeedsPort'; readonly field: string }
  | { readonly code: 'unknownThread'; readonly field: string }
  | { readonly code: 'jawWiderThanBore'; readonly field: string }
  | { readonly code: 'beyondTable'; readonly field: string }
  | { readonly code: 'madeInFuture'; readonly field: string }
  | { readonly code: 'noDirection'; readonly field: string }
  | { readonly code: 'clipsOutOfOrder'; readonly field: string }
  | { readonly code: 'stiffenerOutOfPlace'; readonly field: string }
  | { readonly code: 'neckTooLong'; readonly field: string; readonly rigid_m: number }
  | { readonly code: 'boreOverNeck'; readonly field: string }
  | { readonly code: 'legTooShort'; readonly field: string; readonly least_m: number }
  | { readonly code: 'legsAndBends'; readonly field: string; readonly legs: number }
  | { readonly code: 'noSuchBend'; readonly field: string }
  | { readonly code: 'nothingToCut'; readonly field: string }
  | {
      readonly code: 'notEnoughStock';
      readonly field: string;
      readonly needed_m: number;
      readonly have_m: number;
    }
  | { readonly code: 'noScale'; readonly field: string }
  | { readonly code: 'scaleTooShort'; readonly field: string }
  | { readonly code: 'cornersCrossed'; readonly field: string }
  | { readonly code: 'tooFewPoints'; readonly field: string }
  /** The firm one wants so many times the pressure of the soft one. */
  | { readonly code: 'readingsTooNear'; readonly field: string; readonly times: number }
  | { readonly code: 'readingsDisagree'; readonly field: string }
  | { readonly code: 'beyondHorizon'; readonly field: string };

export type ProblemCode = Problem['code'];

/** In SI units nothing on a vehicle comes near it: pressures in pascals and distances in metres included. */
export const LARGEST = 1e12;

/** A figure nearer to nothing stands for nothing: what is divided by it is beyond all numbers. */
export const SMALLEST = 1e-60;

/** The first of the named values that is not a finite number above zero, as a problem; otherwise null. */
export function firstNotPositive(values: Readonly<Record<string, number>>): Problem | null {
  for (const [field, value] of Object.entries(values)) {
    if (!Number.isFinite(value)) return { code: 'notFinite', field };
    if (value > LARGEST) return { code: 'tooLarge', field };
    if (value < SMALLEST) return { code: 'notPositive', field, value };
  }
  return null;
}
