/**
 * Making a hose up, in an order that cannot be got wrong: whatever has to slide on is on before the second end closes the way,
 * and nothing is tightened before it was looked at.
 */
import type { HoseBuild } from '../hoseBuild/build.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { MakeUpStepKind } from './makeUpFacts.ts';

export interface MakeUpStep {
  readonly kind: MakeUpStepKind;
  /** What has to be done before. */
  readonly after: readonly MakeUpStepKind[];
  /** What slides on, from end A, by the ids of the build. */
  readonly parts: readonly string[];
}

const AFTER: Readonly<Record<MakeUpStepKind, readonly MakeUpStepKind[]>> = {
  cut: [],
  clean: ['cut'],
  nutA: ['clean'],
  oliveA: ['nutA'],
  joinA: ['oliveA'],
  slideOn: ['clean'],
  nutB: ['slideOn'],
  // The olive is larger than the nut: from here on nothing more goes over this end.
  oliveB: ['nutB', 'joinA'],
  clock: ['oliveB'],
  joinB: ['clock'],
  measure: ['joinB'],
  proof: ['measure'],
  dry: ['proof'],
  cap: ['dry'],
};

/**
 * `clocked`: both ends lie one way only, so that how they lie to each other has to be set before the second is tightened. `wet`: the
 * last proof was made with water, so that it has to be blown dry before it is capped.
 */
export function makeUpSteps(
  { along }: Pick<HoseBuild, 'along'>,
  clocked: boolean,
  wet = false,
): readonly MakeUpStep[] {
  const parts = along.filter(({ kind }) => kind !== 'clip').map(({ id }) => id);
  const isNeeded = (kind: MakeUpStepKind) =>
    kind === 'clock' ? clocked : kind === 'dry' ? wet : kind === 'slideOn' ? parts.length > 0 : true;
  /** Of a step that this hose does not need, what that would have waited for. */
  const needed = (kind: MakeUpStepKind): readonly MakeUpStepKind[] =>
    isNeeded(kind) ? [kind] : AFTER[kind].flatMap(needed);
  return (Object.keys(AFTER) as MakeUpStepKind[]).filter(isNeeded).map((kind) => ({
    kind,
    after: [...new Set(AFTER[kind].flatMap(needed))],
    parts: kind === 'slideOn' ? parts : [],
  }));
}

/** M38: a step out of its turn, and the first that has to come before it. M104: capped with water still in it. */
export function judgeStepOrder(
  steps: readonly MakeUpStep[],
  done: readonly MakeUpStepKind[],
  kind: MakeUpStepKind,
): readonly Caution[] {
  const first = steps.find((step) => step.kind === kind)?.after.find((before) => !done.includes(before));
  if (first === 'dry') return [{ id: 'M104', evidence: {} }];
  return first === undefined ? [] : [{ id: 'M38', evidence: { step: kind, first } }];
}

/** What may be done next, in the usual order. */
export const stepsOpen = (
  steps: readonly MakeUpStep[],
  done: readonly MakeUpStepKind[],
): readonly MakeUpStepKind[] =>
  steps
    .filter(({ kind, after }) => !done.includes(kind) && after.every((before) => done.includes(before)))
    .map(({ kind }) => kind);

/** What was done after a step and rests on it: to be taken back before it is. */
export function stepsResting(
  steps: readonly MakeUpStep[],
  done: readonly MakeUpStepKind[],
  kind: MakeUpStepKind,
): readonly MakeUpStepKind[] {
  const resting = steps.filter(({ after, kind: own }) => after.includes(kind) && done.includes(own));
  return [...new Set(resting.flatMap((step) => [step.kind, ...stepsResting(steps, done, step.kind)]))];
}
