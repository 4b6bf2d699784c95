/** Whether a step may be taken now: everything that still has to be before it, and which practices it passes over. */
import { isFinishing, isUrgent } from './draft.ts';
import type { Block } from './graph.ts';
import type { Drafted, Infeasible } from './plan.ts';
import { drafted, WITHIN } from './plan.ts';
import type { Reason, RuleId } from './rules.ts';
import { isPractice, RULES } from './rules.ts';
import type { PlanScope } from './scope.ts';
import type { PlanStep } from './steps.ts';
import { stepKey } from './steps.ts';

/** A practice that wanted another step first. */
export interface PassedOver {
  readonly rule: RuleId;
  readonly step: PlanStep;
}

/** Rule: null where the step could not be one at all before the other. */
export interface Wait {
  readonly before: PlanStep;
  readonly rule: RuleId | null;
}

export type StepVerdict =
  | { readonly kind: 'ready'; readonly passedOver: readonly PassedOver[] }
  | { readonly kind: 'waits'; readonly for: readonly Wait[] }
  /** There is nothing of the kind left to do; `instead`, another way of doing the same that is planned. */
  | { readonly kind: 'notPlanned'; readonly instead: PlanStep | null }
  | { readonly kind: 'impossible'; readonly infeasible: Infeasible };

/** Geometry, stops and what was demanded keep a step waiting; practices do not, and are told. */
export const judgeStep = (scope: PlanScope, step: PlanStep): StepVerdict =>
  judgeDrafted(drafted(scope), step);

export function judgeDrafted(draft: Drafted, step: PlanStep): StepVerdict {
  if (!draft.ok) return { kind: 'impossible', infeasible: draft.infeasible };
  const key = stepKey(step);
  for (const block of draft.graph.blocks) {
    const at = block.steps.findIndex((one) => stepKey(one) === key);
    if (at >= 0) return begun(draft, block) ?? verdictOf(draft, block, at);
  }
  const about = (one: PlanStep) => ('joint' in one ? one.joint : 'lead' in one ? one.lead : null);
  const likely = draft.graph.blocks
    .flatMap(({ steps }) => steps)
    .find((one) => one.kind === step.kind && about(one) !== null && about(one) === about(step));
  return { kind: 'notPlanned', instead: likely ?? null };
}

/**
 * What stands open is shut, or joined, by the very next steps: everything else waits for it. So it does for a bolt
 * that is out for its new washers.
 */
function begun({ graph }: Drafted & { ok: true }, block: Block): StepVerdict | null {
  const waits = (which: (one: Block) => boolean, rule: RuleId): StepVerdict | null => {
    const first = graph.blocks.filter((one) => which(one) && one.steps.length > 0);
    const before = first[0]?.steps[0];
    return before === undefined || first.includes(block) ? null : { kind: 'waits', for: [{ before, rule }] };
  };
  return waits(isUrgent, 'CP1') ?? waits(isFinishing, 'FN3');
}

function verdictOf({ graph, ordered }: Drafted & { ok: true }, block: Block, at: number): StepVerdict {
  const previous = block.steps[at - 1];
  const here = block.steps[at];
  if (previous && here)
    return { kind: 'waits', for: [{ before: previous, rule: WITHIN[here.kind] ?? null }] };
  const place = new Map(ordered.order.map(({ index }, order) => [index, order]));
  const into = waitsOf(graph.blocks, ordered.kept, block.index).sort(
    (a, b) => (place.get(a.block.index) ?? 0) - (place.get(b.block.index) ?? 0),
  );
  const firm = into.flatMap(({ reason, block: { steps } }) => {
    const before = steps.at(-1);
    return before && !isPractice(reason) ? [{ before, rule: ruleOf(reason) }] : [];
  });
  if (firm.length > 0) return { kind: 'waits', for: firm };
  return {
    kind: 'ready',
    passedOver: into.flatMap(({ reason, block: { steps } }) => {
      const [step] = steps;
      return step && isRule(reason) ? [{ rule: reason, step }] : [];
    }),
  };
}

const isRule = (reason: Reason): reason is RuleId => reason in RULES;
const ruleOf = (reason: Reason): RuleId | null => (isRule(reason) ? reason : null);

interface Into {
  readonly block: Block;
  readonly reason: Reason;
}

/** Blocks with steps that lead to one, through such as only stand between: each with the last reason on its way. */
function waitsOf(
  blocks: readonly Block[],
  edges: readonly { readonly from: number; readonly to: number; readonly reason: Reason }[],
  to: number,
): Into[] {
  const found = new Map<string, Into>();
  const seen = new Set<string>();
  const follow = (index: number, through: Reason | null): void => {
    for (const edge of edges) {
      if (edge.to !== index) continue;
      // What only stands between is as firm as the weakest of its reasons.
      const reason = through !== null && isPractice(through) ? through : edge.reason;
      const mark = `${edge.from} ${isPractice(reason)}`;
      if (seen.has(mark)) continue;
      seen.add(mark);
      const block = blocks[edge.from];
      if (!block) continue;
      if (block.steps.length > 0) found.set(mark, { block, reason });
      else follow(edge.from, reason);
    }
  };
  follow(to, null);
  return [...found.values()];
}
