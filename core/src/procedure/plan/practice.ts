/** What somebody said of how a step is done, and what it can do: what the order of the steps does not tell. */
import type { Caution } from '../../mistakes/caution.ts';
import type { SealKind } from '../../joint/sealKind.ts';
import type { PlanStep } from './steps.ts';

/** What the joint was cleaned with. */
export const CLEANERS = ['none', 'plain', 'chlorinated'] as const;
export type Cleaner = (typeof CLEANERS)[number];

export interface FitPractice {
  /** Null where nobody has said. */
  readonly cleaner: Cleaner | null;
  /** An open-ended spanner on the nut. */
  readonly openSpanner: boolean;
  /** Tape or paste on the thread. */
  readonly sealant: boolean;
  /** The bracket that holds the line was trimmed, and not painted yet. */
  readonly bareBracket: boolean;
}

const TURNS_NUT: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'crack',
  'open',
  'torque',
  'byFeel',
]);
const JOINS: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'join',
  'freshWashers',
  'torque',
  'byFeel',
]);

/** M52 (heat where there may be solvent), M53 (a spanner that rounds a tube nut), M62 (sealant), M69 (bare steel). */
export function judgePractice(
  step: PlanStep,
  seal: SealKind | null,
  { cleaner, openSpanner, sealant, bareBracket }: FitPractice,
): readonly Caution[] {
  return [
    // Nobody has said what it was cleaned with: no flame either.
    ...(step.kind === 'heat' && (cleaner === null || cleaner === 'chlorinated')
      ? [{ id: 'M52' as const, evidence: { cleaner } }]
      : []),
    ...(openSpanner && seal === 'flare' && TURNS_NUT.has(step.kind)
      ? [{ id: 'M53' as const, evidence: {} }]
      : []),
    ...(sealant && JOINS.has(step.kind) ? [{ id: 'M62' as const, evidence: {} }] : []),
    ...(bareBracket && 'hold' in step ? [{ id: 'M69' as const, evidence: {} }] : []),
  ];
}
