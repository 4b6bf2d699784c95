/**
 * A complete order of taking off and putting on for a job as it stands: precedences with their rules, practices that stepped aside,
 * or the least set of rules and demands that cannot all be kept. What is done stays done.
 */
import { conflictIn } from './explain.ts';
import { draftOf } from './draft.ts';
import type { Block, Edge, PlanGraph } from './graph.ts';
import { orderOf } from './order.ts';
import type { Reason, RuleId } from './rules.ts';
import { RULES } from './rules.ts';
import type { Kept, PlanScope, SeizedWay } from './scope.ts';
import { capsBySize } from './caps.ts';
import { ENDS } from './ends.ts';
import { stateAfter } from './state.ts';
import type { PlanStep } from './steps.ts';
import { matches } from './steps.ts';
import type { Work } from './work.ts';
import { linesAt, reservoirOf, workOf } from './work.ts';

export const FIT_PLAN_FORMAT = 'zephyrcombe.fitPlan';
export const FIT_PLAN_SCHEMA_VERSION = 1;

export interface Because {
  readonly rule: RuleId;
  /** The id of an earlier step of the plan. */
  readonly after: string;
}
export type PlannedStep = PlanStep & {
  readonly id: string;
  readonly because?: readonly Because[] | undefined;
};

export interface FitPlanDocument {
  readonly format: typeof FIT_PLAN_FORMAT;
  readonly schemaVersion: typeof FIT_PLAN_SCHEMA_VERSION;
  readonly choices: {
    readonly kept: Readonly<Record<string, Kept>>;
    readonly rhythm: 'byCorner' | 'allOff';
    readonly trialWashers: 'on' | 'off';
    readonly seizedWay: Readonly<Record<string, SeizedWay>>;
  };
  readonly steps: readonly PlannedStep[];
  /** Practices that could not be kept beside the rules. */
  readonly setAside: readonly { readonly rule: RuleId; readonly subject: string }[];
  readonly totals: { readonly washers: number; readonly capsPeak: number };
  readonly infeasible?: Infeasible | undefined;
}
export interface Infeasible {
  readonly rules: readonly RuleId[];
  readonly demands: readonly string[];
  readonly subjects: readonly string[];
}

/** What is left to do, in an order; or why there is none. */
export type Drafted =
  | {
      readonly ok: true;
      readonly work: Work;
      readonly graph: PlanGraph;
      readonly ordered: NonNullable<ReturnType<typeof orderOf>>;
    }
  | { readonly ok: false; readonly work: Work; readonly infeasible: Infeasible };

export function drafted(scope: PlanScope): Drafted {
  const state = stateAfter(scope);
  const work = workOf(scope, state);
  const refused = refusedAtOnce(scope, work);
  if (refused) return { ok: false, work, infeasible: refused };
  const graph = draftOf(scope, state, work);
  for (const { id, first, then } of scope.demands)
    graph.before(
      graph.blocks.find(({ steps }) => steps.some((step) => matches(step, first)))?.name,
      graph.blocks.find(({ steps }) => steps.some((step) => matches(step, then)))?.name,
      `demand ${id}`,
    );
  const ordered = orderOf(graph);
  if (ordered !== null) return { ok: true, work, graph, ordered };
  const conflict = conflictIn(graph);
  return {
    ok: false,
    work,
    infeasible: {
      rules: conflict?.rules ?? [],
      demands: conflict?.demands ?? [],
      subjects: subjectsOf(scope, conflict?.blocks ?? []),
    },
  };
}

export const planOf = (scope: PlanScope): FitPlanDocument => planFrom(scope, drafted(scope));

/** The plan of a draft that is at hand. */
export function planFrom(scope: PlanScope, draft: Drafted): FitPlanDocument {
  if (!draft.ok) return document(scope, draft.work, { infeasible: draft.infeasible });
  const { work, graph, ordered } = draft;
  return document(scope, work, {
    steps: numbered(graph, ordered.order, ordered.kept),
    setAside: asideOf(ordered.setAside),
  });
}

/** What no order could mend. */
function refusedAtOnce(scope: PlanScope, work: Work): Infeasible | null {
  const found = (rules: readonly RuleId[], subjects: readonly string[]): Infeasible => ({
    rules,
    demands: [],
    subjects,
  });
  for (const { id, kept } of scope.reservoirs) {
    const stuck = scope.circuits.filter(
      ({ reservoir, abs, absCanBeCycled }) => reservoir === id && abs !== null && !absCanBeCycled,
    );
    if (kept === 'drain' && stuck.length > 0)
      return found(['FL2'], [id, ...stuck.map((circuit) => circuit.id)]);
  }
  for (const [joint, way] of work.seizedWay) {
    const reservoir = reservoirOf(scope, joint);
    if (way !== 'heat' || work.kept.get(reservoir) === 'drain') continue;
    const mayNotRunDry = scope.circuits.some(
      (circuit) => circuit.reservoir === reservoir && circuit.abs !== null && !circuit.absCanBeCycled,
    );
    const lines = linesAt(scope, joint).map(({ id }) => id);
    return found([mayNotRunDry ? 'FL2' : 'FL1', 'OF8'], [joint, reservoir, ...lines]);
  }
  for (const { line, on } of work.moves) {
    if (on === 'new' && line.selfMade && !line.proofTested) return found(['PR7'], [line.id]);
    const { turnEnd } = line;
    if (on === 'new' && turnEnd && (!turnEnd.rotatable || Math.abs(turnEnd.angle_deg) > MOST_TURN_deg))
      return found(['ON7'], [line.id, line[turnEnd.end].joint]);
    if (on === 'old' && line.action === 'backOut' && line.oldWhole === false)
      return found(['BK1'], [line.id]);
  }
  return null;
}

/** A crimped end is turned once, at most so far: more loosens its ferrule. */
const MOST_TURN_deg = 180;

function document(
  scope: PlanScope,
  work: Work,
  {
    steps = [],
    setAside = [],
    infeasible,
  }: Partial<Pick<FitPlanDocument, 'steps' | 'setAside'>> & { readonly infeasible?: Infeasible },
): FitPlanDocument {
  return {
    format: FIT_PLAN_FORMAT,
    schemaVersion: FIT_PLAN_SCHEMA_VERSION,
    choices: {
      kept: Object.fromEntries(work.kept),
      rhythm: work.rhythm,
      trialWashers: work.trialWashers,
      seizedWay: Object.fromEntries(work.seizedWay),
    },
    steps,
    setAside,
    totals: totalsOf(scope, steps),
    ...(infeasible ? { infeasible } : {}),
  };
}

/** Within a block each step follows the one before for a reason of its own. */
export const WITHIN: Readonly<Partial<Record<PlanStep['kind'], RuleId>>> = {
  cap: 'CP1',
  join: 'CP2',
  heat: 'OF8',
  reflare: 'OF9',
  torque: 'FN3',
  byFeel: 'FN3',
  mark: 'FN5',
};

function numbered(graph: PlanGraph, order: readonly Block[], kept: readonly Edge[]): readonly PlannedStep[] {
  const into: Edge[][] = graph.blocks.map(() => []);
  for (const edge of kept) into[edge.to]?.push(edge);
  const place = new Map(order.map(({ index }, at) => [index, at]));
  const last = new Map<number, string>();
  const steps: PlannedStep[] = [];
  /** Through what only stands between: the latest of the steps that it waits for. */
  const stepBefore = (index: number): string | undefined => {
    const own = last.get(index);
    if (own !== undefined) return own;
    const before = (into[index] ?? [])
      .map(({ from }) => from)
      .sort((a, b) => (place.get(b) ?? 0) - (place.get(a) ?? 0));
    for (const each of before) {
      const found = stepBefore(each);
      if (found !== undefined) return found;
    }
    return undefined;
  };
  for (const block of order) {
    const reasons = new Map<RuleId, { readonly after: string; readonly at: number }>();
    for (const { from, reason } of into[block.index] ?? []) {
      if (!isRule(reason)) continue;
      const after = stepBefore(from);
      const at = place.get(from) ?? 0;
      if (after !== undefined && at >= (reasons.get(reason)?.at ?? -1)) reasons.set(reason, { after, at });
    }
    for (const [at, step] of block.steps.entries()) {
      const before = steps.at(-1);
      const within = at > 0 ? WITHIN[step.kind] : undefined;
      const because =
        at === 0
          ? [...reasons].map(([rule, { after }]) => ({ rule, after }))
          : within && before
            ? [{ rule: within, after: before.id }]
            : [];
      const id = `s${steps.length + 1}`;
      steps.push({ ...step, id, ...(because.length > 0 ? { because } : {}) });
      last.set(block.index, id);
    }
  }
  return steps;
}

const isRule = (reason: Reason): reason is RuleId => reason in RULES;

function asideOf(edges: readonly Edge[]): FitPlanDocument['setAside'] {
  const seen = new Map<string, { rule: RuleId; subject: string }>();
  for (const { reason, subject } of edges)
    if (isRule(reason)) seen.set(`${reason} ${subject}`, { rule: reason, subject });
  return [...seen.values()];
}

/** Washers that are handed out, and caps on the vehicle at once; those that new lines bring are their own. */
function totalsOf(scope: PlanScope, steps: readonly PlanStep[]): FitPlanDocument['totals'] {
  let washers = 0;
  for (const step of steps) if (step.kind === 'join' || step.kind === 'freshWashers') washers += step.washers;
  return { washers, capsPeak: capsBySize(scope, steps, () => 'any').get('any') ?? 0 };
}

/** Joints, holds and reservoirs of a conflict, and every line between them. */
function subjectsOf(scope: PlanScope, blocks: readonly string[]): readonly string[] {
  const words = new Set(blocks.flatMap((name) => name.split(' ')));
  const named = (things: readonly { readonly id: string }[]) =>
    things.map(({ id }) => id).filter((id) => words.has(id));
  const holds = named(scope.holds);
  const lines = new Set(named(scope.lines));
  for (const { id, line } of scope.holds) if (holds.includes(id)) lines.add(line);
  const joints = named(scope.joints);
  for (const line of scope.lines)
    if (line.action !== 'leave' && ENDS.some((end) => joints.includes(line[end].joint))) lines.add(line.id);
  return [...joints, ...holds, ...named(scope.reservoirs), ...lines];
}
