/** The plan of fitting of a job as it stands, with what its parts are called. */
import type { JobDetail } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { Drafted, FitPlanDocument, PlanScope, PlanState } from '@zephyrcombe/core/plan';
import { drafted, planFrom, stateAfter } from '@zephyrcombe/core/plan';
import { factOf, factsOfKind } from './facts.ts';
import { holdsOf } from './holds.ts';
import { planScopeOf } from './scopeOf.ts';

export interface FitPlan {
  readonly scope: PlanScope;
  readonly draft: Drafted;
  readonly state: PlanState;
  /** Written out when it is asked for: a step is judged by the draft. */
  readonly plan: FitPlanDocument;
}

/** Worked out once for each reply: every row of a page asks for it. */
const known = new WeakMap<JobDetail, FitPlan>();

export function fitPlanOf(detail: JobDetail): FitPlan {
  const kept = known.get(detail);
  if (kept) return kept;
  const scope = planScopeOf(detail);
  const draft = drafted(scope);
  let written: FitPlanDocument | null = null;
  const made: FitPlan = {
    scope,
    draft,
    state: stateAfter(scope),
    get plan() {
      written ??= planFrom(scope, draft);
      return written;
    },
  };
  known.set(detail, made);
  return made;
}

export type NameOf = (id: string) => string;

/** Names of joints, lines, reservoirs, nipples, circuits, and of what holds, lies along or covers a line. */
export function fitNames(detail: JobDetail): NameOf {
  const { joints, hoses, components } = partsOf(detail);
  const named = [
    ...joints,
    ...hoses,
    // One part that another circuit draws too goes by the id that it has there.
    ...components.flatMap(({ sameAs, name }) => (sameAs ? [{ id: sameAs, name }] : [])),
    ...components,
    ...detail.circuits.map(({ circuit }) => circuit),
    ...hoses.flatMap(({ id }) => [...holdsOf(detail, id), ...(factOf(detail, 'leads', id) ?? [])]),
    ...[...factsOfKind(detail, 'cover')].flatMap(([id, cover]) => (cover ? [{ id, name: cover.name }] : [])),
  ];
  const names = new Map(named.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? 'a part that is gone';
}
