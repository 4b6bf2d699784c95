/** Plans of seeded random scopes, held against a simulation of the vehicle that shares no code with the planner. */
import { draftOf } from './draft.ts';
import { orderOf, sorted } from './order.ts';
import type { FitPlanDocument } from './plan.ts';
import { planOf } from './plan.ts';
import type { RuleId } from './rules.ts';
import type { PlanScope } from './scope.ts';
import { stateAfter } from './state.ts';
import type { PlanStep } from './steps.ts';
import { plainStep } from './steps.ts';
import { Lift } from './testing/simulator.ts';
import { chance } from '../../calculation/chance.ts';
import { randomScope } from './testing/randomScope.ts';
import { workOf } from './work.ts';

const SCOPES = 5_000;

const bare = (steps: FitPlanDocument['steps']): readonly PlanStep[] => steps.map(plainStep);

/** As it stands after some steps of its plan, with the choices that the plan was made with. */
const interrupted = (scope: PlanScope, { choices, steps }: FitPlanDocument, after: number): PlanScope => ({
  ...scope,
  reservoirs: scope.reservoirs.map((one) => ({ ...one, kept: choices.kept[one.id] ?? one.kept })),
  choices: { ...scope.choices, ...choices },
  done: bare(steps).slice(0, after),
});
const backedOut = (scope: PlanScope): PlanScope => ({
  ...scope,
  lines: scope.lines.map((line) => (line.action === 'leave' ? line : { ...line, action: 'backOut' })),
});
/** One more line comes off, or one that was to come off stays after all. */
const changed = (scope: PlanScope, at: number): PlanScope => ({
  ...scope,
  lines: scope.lines.map((line, index) =>
    index === at && line.kind === 'hose' && line.action === 'leave' ? { ...line, action: 'replace' } : line,
  ),
});
const faultsOf = (scope: PlanScope, plan: FitPlanDocument) => [
  ...(plan.infeasible ? [{ rule: 'infeasible', what: JSON.stringify(plan.infeasible) }] : []),
  ...new Lift(scope, plan).run(),
];

/** Some joints that no line of the job comes to are in it by themselves. One that is turned in is opened with its line. */
function withReopened(scope: PlanScope, seed: number): PlanScope {
  const isFree = (id: string) =>
    scope.lines.every(
      ({ A, B, action }) =>
        (A.joint !== id && B.joint !== id) ||
        (action === 'leave' && ![A, B].some(({ end }) => end === 'maleScrewed')),
    );
  return {
    ...scope,
    joints: scope.joints.map((joint, at) =>
      (seed + at) % 3 === 0 && isFree(joint.id) ? { ...joint, reopen: true } : joint,
    ),
  };
}

test(`${SCOPES} scopes: valid as planned, after an interruption with the same remainder, and backed out from there`, () => {
  const faults: unknown[] = [];
  for (let seed = 1; seed <= SCOPES && faults.length < 5; seed += 1) {
    const scope = seed % 3 === 0 ? withReopened(randomScope(seed), seed) : randomScope(seed);
    const plan = planOf(scope);
    const after = Math.floor(chance(seed * 7 + 1)() * plan.steps.length);
    const now = interrupted(scope, plan, after);
    const rest = planOf(now);
    const back = backedOut(now);
    const found = [
      ...faultsOf(scope, plan),
      ...faultsOf(now, rest),
      ...faultsOf(back, planOf(back)),
      ...(JSON.stringify(bare(rest.steps)) === JSON.stringify(bare(plan.steps).slice(after))
        ? []
        : [{ rule: 'RP1', what: 'another remainder' }]),
    ];
    if (found.length > 0) faults.push({ seed, after, found: found.slice(0, 3) });
  }
  expect(faults).toEqual([]);
}, 120_000);

test('a line that comes into a job that was begun: what is done stays, the rest is planned anew', () => {
  const faults: unknown[] = [];
  for (let seed = 1; seed <= 1_000; seed += 1) {
    const next = chance(seed * 11 + 5);
    const scope = randomScope(seed);
    const plan = planOf(scope);
    const now = interrupted(scope, plan, Math.floor(next() * plan.steps.length));
    // Who changes the job lets the planner choose again.
    const more = { ...changed(now, Math.floor(next() * now.lines.length)), choices: scope.choices };
    const rest = planOf({ ...more, reservoirs: now.reservoirs });
    // A unit that must not run dry, or a reservoir that was begun dry, may say no; it says why.
    if (rest.infeasible) {
      expect([...rest.infeasible.rules, ...rest.infeasible.demands].length).toBeGreaterThan(0);
      continue;
    }
    const found = new Lift({ ...more, reservoirs: now.reservoirs }, rest).run();
    if (found.length > 0) faults.push({ seed, found: found.slice(0, 3) });
  }
  expect(faults).toEqual([]);
}, 60_000);

test('any order that keeps the precedences is valid', () => {
  const faults: unknown[] = [];
  for (let seed = 1; seed <= 1_500; seed += 1) {
    const scope = randomScope(seed);
    const plan = planOf(scope);
    const state = stateAfter(scope);
    const graph = draftOf(scope, state, workOf(scope, state));
    const ordered = orderOf(graph);
    if (ordered === null) continue;
    const next = chance(seed * 13 + 3);
    const shuffled = graph.blocks.map((block) => ({ ...block, key: [next()] }));
    const steps = sorted(shuffled, ordered.kept).flatMap((block) => block.steps);
    const other = { ...plan, steps: steps.map((step, at) => ({ ...step, id: `s${at + 1}` })) };
    const found = new Lift(scope, other).run();
    if (found.length > 0) faults.push({ seed, found: found.slice(0, 3) });
  }
  expect(faults).toEqual([]);
}, 60_000);

test('each precedence names its rule, an earlier step, and nothing else', () => {
  for (let seed = 1; seed <= 300; seed += 1) {
    const { steps } = planOf(randomScope(seed));
    const at = new Map(steps.map(({ id }, index) => [id, index]));
    for (const [index, { because = [] }] of steps.entries())
      for (const { after } of because) expect(at.get(after) ?? Infinity).toBeLessThan(index);
  }
});

type Mutation = (steps: readonly PlanStep[], scope: PlanScope) => readonly PlanStep[] | null;
const isKind = (kind: PlanStep['kind']) => (step: PlanStep) => step.kind === kind;
const left =
  (which: (step: PlanStep) => boolean): Mutation =>
  (steps) => {
    const at = steps.findIndex(which);
    return at < 0 ? null : steps.toSpliced(at, 1);
  };
/** The first of one kind is moved to where another is. */
const moved =
  (which: (step: PlanStep) => boolean, to: (step: PlanStep) => boolean, isAfter = false): Mutation =>
  (steps) => {
    const from = steps.findIndex(which);
    const [step] = steps.slice(from, from + 1);
    const rest = steps.toSpliced(from, 1);
    const at = isAfter ? rest.findLastIndex(to) + 1 : rest.findIndex(to);
    return from < 0 || at < 0 || !step ? null : rest.toSpliced(at, 0, step);
  };
const put =
  (step: (scope: PlanScope) => PlanStep | null, to: (step: PlanStep) => boolean): Mutation =>
  (steps, scope) => {
    const at = steps.findIndex(to);
    const one = step(scope);
    return at < 0 || one === null ? null : steps.toSpliced(at, 0, one);
  };
const altered =
  (which: (step: PlanStep) => boolean, change: object): Mutation =>
  (steps) => {
    const at = steps.findIndex(which);
    return at < 0 ? null : steps.with(at, { ...steps[at], ...change } as PlanStep);
  };
const isTurning = (kind: 'open' | 'join') => (step: PlanStep) =>
  step.kind === kind && step.by === 'turningHose';

/** For each rule a slip that breaks it; tried on the plans of the seeds until one has what it takes. */
const SLIPS: Readonly<Partial<Record<RuleId, Mutation>>> = {
  PR1: moved(isKind('offerUp'), () => true, true),
  PR2: left(isKind('photograph')),
  PR3: left(isKind('soak')),
  PR4: left(isKind('clean')),
  PR5: left(isKind('coverPaint')),
  PR6: left(isKind('unplugLead')),
  PR8: left(isKind('openCover')),
  FL1: put(
    ({ reservoirs }) => ({ kind: 'drainReservoir', reservoir: reservoirs[0]?.id ?? '' }),
    isKind('level'),
  ),
  FL2: left(isKind('absCycle')),
  FL3: left(isKind('level')),
  FL4: left(isKind('drainNipple')),
  CP1: left(isKind('cap')),
  CP2: left(isKind('uncap')),
  CP3: left(isKind('countCaps')),
  OF1: moved(isTurning('open'), isKind('crack')),
  OF2: (steps) => swapped(steps, 'open'),
  OF3: left(isKind('crack')),
  OF4: (steps) => swapped(steps, 'open'),
  OF5: moved((step) => step.kind === 'releaseHold' && step.hold.startsWith('springClip'), isKind('crack')),
  OF6: moved(isKind('takeOff'), isKind('releaseHold')),
  OF7: (steps, { joints }) =>
    altered(
      (step) =>
        step.kind === 'open' &&
        step.by !== 'nut' &&
        joints.some(({ id, seized }) => id === step.joint && seized),
      { by: 'nut' },
    )(steps, {} as PlanScope),
  OF8: altered(isKind('heat'), { wearing: [] }),
  OF9: left(isKind('reflare')),
  OF10: moved((step) => step.kind === 'releaseHold' && step.hold.startsWith('bracket'), isKind('open')),
  ON1: moved(isTurning('join'), isKind('settle')),
  ON2: (steps) => lateTorque(steps),
  ON3: moved((step) => step.kind === 'placeHold' && step.hold.startsWith('bracket'), isKind('settle')),
  ON4: (steps) => swapped(steps, 'join'),
  ON5: moved(isKind('route'), isKind('takeOff')),
  ON6: (steps) => swapped(steps, 'join'),
  ON7: altered(isKind('turnEnd'), { angle_deg: 200 }),
  FN1: left(isKind('settle')),
  FN2: (steps) => {
    const at = steps.findIndex((step) => step.kind === 'movement' && !step.final);
    return at < 0 ? null : steps.toSpliced(at, 1);
  },
  FN3: left(isKind('freshWashers')),
  FN4: altered(isKind('torque'), { maximum_Nm: 99 }),
  FN5: left(isKind('mark')),
  FN6: altered((step) => step.kind === 'torque' && step.neckHeld === true, { neckHeld: undefined }),
  FN7: moved((step) => step.kind === 'settle', isKind('countCaps')),
  CR1: moved((step) => step.kind === 'torque', isKind('countCaps')),
  CR2: moved(isKind('route'), isKind('takeOff')),
  EN1: moved(isKind('leakCheck'), isKind('pressureHold')),
  EN2: moved(isKind('closeCover'), isKind('leakCheck')),
};

/** The last of a kind goes to where the first is. */
function swapped(steps: readonly PlanStep[], kind: 'open' | 'join'): readonly PlanStep[] | null {
  const [first, last] = [steps.findIndex(isKind(kind)), steps.findLastIndex(isKind(kind))];
  const step = steps[last];
  return first < 0 || first === last || !step ? null : steps.toSpliced(last, 1).toSpliced(first, 0, step);
}

/** The end that was turned in is tightened with the others, when the far end is on. */
function lateTorque(steps: readonly PlanStep[]): readonly PlanStep[] | null {
  const join = steps.find(isTurning('join'));
  const joint = join?.kind === 'join' ? join.joint : '';
  const at = steps.findIndex(
    (step) => (step.kind === 'torque' || step.kind === 'byFeel') && step.joint === joint,
  );
  const step = steps[at];
  const to = steps.findIndex(isKind('countCaps'));
  return at < 0 || to < at || !step ? null : steps.toSpliced(to, 0, step).toSpliced(at, 1);
}

test.each(Object.entries(SLIPS))('the simulation catches a slip against %s', (rule, slip) => {
  for (let seed = 1; seed <= 3_000; seed += 1) {
    const scope = randomScope(seed);
    const plan = planOf(scope);
    const steps = slip(bare(plan.steps), scope);
    if (steps === null) continue;
    const wrong = {
      ...plan,
      steps: steps.map((step, at) => ({ ...step, id: `s${at + 1}` })),
    } as FitPlanDocument;
    if (new Lift(scope, wrong).run().some((broken) => broken.rule === rule)) return;
  }
  throw new Error(`no slip against ${rule} was caught`);
});

test('what no order could mend is refused with its rule', () => {
  const scope = randomScope(5);
  const [line] = scope.lines.filter(({ action }) => action === 'replace');
  if (!line) throw new Error('nothing is replaced');
  const with_ = (change: object): PlanScope => ({
    ...scope,
    lines: scope.lines.map((one) => (one.id === line.id ? { ...one, ...change } : one)),
  });
  const rulesOf = (of: PlanScope) => planOf(of).infeasible?.rules;
  expect(rulesOf(with_({ selfMade: true, proofTested: false }))).toEqual(['PR7']);
  expect(rulesOf(with_({ turnEnd: { end: 'A', angle_deg: 90, rotatable: false } }))).toEqual(['ON7']);
  const done = bare(planOf(scope).steps);
  const off = done.findIndex((step) => step.kind === 'takeOff' && step.line === line.id) + 1;
  const back = { ...backedOut({ ...scope, done: done.slice(0, off) }) };
  expect(planOf(back).infeasible).toBeUndefined();
  const broken = back.lines.map((one) => ({ ...one, oldWhole: false }));
  expect(rulesOf({ ...back, lines: broken })).toEqual(['BK1']);
});
