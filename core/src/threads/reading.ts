/** What can be read off a thread at the bench, with which tool, and how far such a reading may be off. */
import type { HandOutcome } from './handStart.ts';
import type { ThreadGender } from './thread.ts';

export type ThreadReading =
  /** Across the crests of a bolt, or the bore of a port. `jawFlat_m`: width of flat jaws, which sit on a chord. */
  | {
      readonly kind: 'diameter';
      readonly diameter_m: number;
      readonly uncertainty_m: number;
      readonly jawFlat_m: number;
    }
  /** From a crest to the n-th next one. On a port: of the bolt that belongs in it. */
  | {
      readonly kind: 'span';
      readonly span_m: number;
      readonly pitches: number;
      readonly uncertainty_m: number;
    }
  /** Crests counted within a length. */
  | { readonly kind: 'count'; readonly threads: number; readonly within_m: number }
  /** A known bolt turned into the port by hand. */
  | { readonly kind: 'handStart'; readonly bolt: string; readonly outcome: HandOutcome };

export type ThreadReadingKind = ThreadReading['kind'];

export const THREAD_TOOLS = [
  'calliper',
  'flatJaws',
  'micrometer',
  'boreGauge',
  'rule',
  'threadComb',
] as const;
export type ThreadTool = (typeof THREAD_TOOLS)[number];

interface ToolFacts {
  /** Limit of error, either way. Our estimate of a tool in working order in a dirty hand. */
  readonly uncertainty_m: number;
  readonly jawFlat_m: number;
  readonly reads: readonly ThreadReadingKind[];
  readonly on: readonly ThreadGender[];
}

const both: readonly ThreadGender[] = ['external', 'internal'];

export const TOOL_FACTS: Readonly<Record<ThreadTool, ToolFacts>> = {
  calliper: { uncertainty_m: 0.05e-3, jawFlat_m: 0, reads: ['diameter', 'span'], on: both },
  flatJaws: { uncertainty_m: 0.05e-3, jawFlat_m: 0.8e-3, reads: ['diameter'], on: ['internal'] },
  micrometer: { uncertainty_m: 0.01e-3, jawFlat_m: 0, reads: ['diameter'], on: ['external'] },
  boreGauge: { uncertainty_m: 0.02e-3, jawFlat_m: 0, reads: ['diameter'], on: ['internal'] },
  rule: { uncertainty_m: 0.3e-3, jawFlat_m: 0, reads: ['diameter', 'span'], on: ['external', 'internal'] },
  threadComb: { uncertainty_m: 0.02e-3, jawFlat_m: 0, reads: ['span'], on: both },
};

export const THREAD_CONDITIONS = ['clean', 'worn', 'coated'] as const;
export type ThreadCondition = (typeof THREAD_CONDITIONS)[number];

/**
 * How far wear and coating move the diameter of a part that was within its limits. Worn crests make a bolt read low
 * and a bore high; paint, plating and dirt in a bore make it read low and a bolt high. Our estimate.
 */
export const CONDITION_SHIFT: Readonly<
  Record<ThreadCondition, Readonly<Record<ThreadGender, { readonly low_m: number; readonly high_m: number }>>>
> = {
  clean: { external: { low_m: 0, high_m: 0 }, internal: { low_m: 0, high_m: 0 } },
  worn: { external: { low_m: -0.12e-3, high_m: 0 }, internal: { low_m: 0, high_m: 0.06e-3 } },
  coated: { external: { low_m: 0, high_m: 0.03e-3 }, internal: { low_m: -0.06e-3, high_m: 0 } },
};

/** What jaws with a flat of this width show in a bore: they sit on a chord. */
export const chordInBore_m = (bore_m: number, jawFlat_m: number): number =>
  Math.sqrt(Math.max(0, bore_m ** 2 - jawFlat_m ** 2));
