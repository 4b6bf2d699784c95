/** Strength of what banjo bolts are made of; null where nobody makes one of it. */
import type { SourceId } from '../sources/bibliography.ts';
import type { JointMaterial } from './washers.ts';

export interface BoltStrength {
  readonly yield_Pa: number;
  readonly grade: string;
  readonly source: SourceId;
}

export const BOLT_STRENGTHS: Readonly<Record<JointMaterial, BoltStrength | null>> = {
  steel: { yield_Pa: 640e6, grade: '8.8', source: 'iso898' },
  stainless: { yield_Pa: 450e6, grade: 'A2-70', source: 'iso3506' },
  aluminium: { yield_Pa: 503e6, grade: '7075-T6', source: 'aluminiumHandbook' },
  copper: null,
};

/** What is on a thread, and under the head. */
export const THREAD_STATES = ['unsaid', 'greased', 'oiled', 'plated', 'dry'] as const;
export type ThreadState = (typeof THREAD_STATES)[number];

/**
 * Friction from the least to the most, thread and head alike: classes A, B and C of VDI 2230 part 1, table A5 (from memory, rounded).
 * Where nobody has said: oiled, as it comes, dry; our estimate.
 */
export const FRICTIONS_OF: Readonly<Record<ThreadState, readonly number[]>> = {
  unsaid: [0.08, 0.12, 0.2],
  greased: [0.04, 0.1],
  oiled: [0.08, 0.16],
  plated: [0.08, 0.16],
  dry: [0.14, 0.24],
};
