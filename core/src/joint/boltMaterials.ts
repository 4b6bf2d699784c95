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

/** Oiled, as it comes, dry: friction of thread and head, our estimate after the usual tables. */
export const FRICTIONS = [0.08, 0.12, 0.2] as const;
