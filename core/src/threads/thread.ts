/** What a thread is here: its basic sizes and the limits that its tolerance class allows. */
import type { SourceId } from '../sources/bibliography.ts';

export interface Limits {
  readonly low_m: number;
  readonly high_m: number;
}

/** Where a thread is met on brakes; common practice, no published source. */
export const THREAD_USES = ['banjoBolt', 'tubeNut', 'bleedNipple', 'general'] as const;
export type ThreadUse = (typeof THREAD_USES)[number];

export interface Thread {
  /** As written on a drawing, "M10×1.0" or "3/8-24 UNF"; also its name in the code. */
  readonly designation: string;
  readonly major_m: number;
  readonly pitch_m: number;
  readonly uses: readonly ThreadUse[];
  /** Class 6g or 2A: what a bolt, nipple or tube nut may measure. */
  readonly external: { readonly major: Limits; readonly pitchDiameter: Limits };
  /** Class 6H or 2B: what a port may measure. */
  readonly internal: { readonly minor: Limits; readonly pitchDiameter: Limits };
  /** Where the limits come from. */
  readonly source: SourceId;
}

export const THREAD_GENDERS = ['external', 'internal'] as const;
export type ThreadGender = (typeof THREAD_GENDERS)[number];

/** What a calliper finds on it: the major diameter of a bolt, the minor diameter of a port. */
export const diameterLimits = (thread: Thread, gender: ThreadGender): Limits =>
  gender === 'external' ? thread.external.major : thread.internal.minor;
