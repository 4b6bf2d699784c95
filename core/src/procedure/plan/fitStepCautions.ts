/** What stands against taking a step now: what a person may pass with a reason, and what nobody may. */
import type { Caution } from '../../mistakes/caution.ts';
import type { StepVerdict, Wait } from './judgeStep.ts';
import { judgeDrafted } from './judgeStep.ts';
import type { Drafted, Infeasible } from './plan.ts';
import type { RuleId } from './rules.ts';
import type { PlanStep } from './steps.ts';

export interface FitStepJudged {
  /** Each has a row of the catalogue; a stop asks for a reason. */
  readonly cautions: readonly Caution[];
  /** What has to be first, and no reason opens. */
  readonly waits: readonly Wait[];
  readonly notPlanned: { readonly instead: PlanStep | null } | null;
  readonly impossible: Infeasible | null;
  /** Practices that it goes before. */
  readonly passedOver: readonly { readonly rule: RuleId; readonly step: PlanStep }[];
}

const NOTHING: FitStepJudged = {
  cautions: [],
  waits: [],
  notPlanned: null,
  impossible: null,
  passedOver: [],
};

/** Rules that the catalogue has a row for: who may says why, and goes on. */
const CAUTION_OF: Readonly<Partial<Record<RuleId, (before: PlanStep) => Caution>>> = {
  // About the line that was not held to its route, whatever joint is opened for it.
  PR1: (before) => ({ id: 'M14', evidence: {}, ...('line' in before ? { subject: before.line } : {}) }),
  PR3: ({ kind }) => ({ id: 'M63', evidence: { before: kind } }),
  PR4: ({ kind }) => ({ id: 'M64', evidence: { before: kind } }),
  PR5: ({ kind }) => ({ id: 'M85', evidence: { before: kind } }),
  FN1: () => ({ id: 'M99', evidence: {} }),
  FN2: () => ({ id: 'M99', evidence: {} }),
  EN2: ({ kind }) => ({ id: 'M92', evidence: { before: kind } }),
};

const isAnswerable = ({ rule }: Wait): boolean => rule !== null && CAUTION_OF[rule] !== undefined;

export const judgeFitStep = (draft: Drafted, step: PlanStep): FitStepJudged =>
  judgedAs(judgeDrafted(draft, step), step);

function judgedAs(verdict: StepVerdict, step: PlanStep): FitStepJudged {
  if (verdict.kind === 'impossible') return { ...NOTHING, impossible: verdict.infeasible };
  if (verdict.kind === 'notPlanned') {
    const { instead } = verdict;
    // The lead is plugged in, but the hose lies on its other side.
    if (step.kind === 'plugLead' && instead?.kind === 'plugLead')
      return { ...NOTHING, cautions: [{ id: 'M66', evidence: { side: step.side, was: instead.side } }] };
    return { ...NOTHING, notPlanned: { instead } };
  }
  if (verdict.kind === 'ready')
    return {
      ...NOTHING,
      passedOver: verdict.passedOver,
      cautions: once(verdict.passedOver.map((over) => ({ rule: over.rule, before: over.step }))),
    };
  return {
    ...NOTHING,
    waits: verdict.for.filter((wait) => !isAnswerable(wait)),
    cautions: once(verdict.for),
  };
}

/** One for each row and subject, however many steps are missing. */
function once(waits: readonly Wait[]): readonly Caution[] {
  const found = new Map<string, Caution>();
  for (const { rule, before } of waits) {
    const caution = rule === null ? undefined : CAUTION_OF[rule]?.(before);
    const key = caution && `${caution.id} ${caution.subject ?? ''}`;
    if (caution && key !== undefined && !found.has(key)) found.set(key, caution);
  }
  return [...found.values()];
}
