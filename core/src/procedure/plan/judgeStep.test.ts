/** Which steps may be taken now, and what keeps the others waiting. */
import type { StepVerdict } from './judgeStep.ts';
import { judgeStep } from './judgeStep.ts';
import type { FitPlanDocument } from './plan.ts';
import { planOf } from './plan.ts';
import type { PlanScope } from './scope.ts';
import type { PlanStep } from './steps.ts';
import { plainStep } from './steps.ts';
import { Lift } from './testing/simulator.ts';
import { chance } from '../../calculation/chance.ts';
import { randomScope } from './testing/randomScope.ts';

const bare = (steps: readonly PlanStep[]): readonly PlanStep[] => steps.map(plainStep);
/** With the choices that its plan was made with. */
const chosen = (scope: PlanScope, { choices }: FitPlanDocument): PlanScope => ({
  ...scope,
  reservoirs: scope.reservoirs.map((one) => ({ ...one, kept: choices.kept[one.id] ?? one.kept })),
  choices,
});

test('the steps of a plan are ready one after the other, and pass nothing over but what it set aside', () => {
  for (let seed = 1; seed <= 12; seed += 1) {
    const scope = randomScope(seed);
    const plan = planOf(scope);
    const steps = bare(plan.steps);
    const now = chosen(scope, plan);
    for (const [at, step] of steps.entries()) {
      const verdict = judgeStep({ ...now, done: steps.slice(0, at) }, step);
      expect({ seed, at, step, kind: verdict.kind }).toEqual({ seed, at, step, kind: 'ready' });
    }
  }
});

test('ready steps in any order that passes no practice over lead to a job that is valid', () => {
  let tried = 0;
  for (let seed = 1; tried < 6; seed += 1) {
    const scope = randomScope(seed);
    const next = chance(seed * 17);
    const first = planOf(scope);
    // Small ones: every step is judged many times.
    if (first.steps.length > 60 || first.setAside.length > 0) continue;
    tried += 1;
    const now = chosen(scope, first);
    const done: PlanStep[] = [];
    for (let left = bare(first.steps); left.length > 0; left = bare(planOf({ ...now, done }).steps)) {
      // From a place in the plan on, the first that may be taken now.
      const from = Math.floor(next() * left.length);
      const step = [...left.slice(from), ...left.slice(0, from)].find((one) => {
        const verdict = judgeStep({ ...now, done }, one);
        return verdict.kind === 'ready' && verdict.passedOver.length === 0;
      });
      if (!step) throw new Error(`seed ${seed}: nothing can be done after ${done.length} steps`);
      done.push(step);
    }
    const taken = { ...first, steps: done.map((step, at) => ({ ...step, id: `s${at + 1}` })) };
    expect({ seed, faults: new Lift(scope, taken).run() }).toEqual({ seed, faults: [] });
  }
});

test('a step that waits is told by the rule that keeps it, in a scope by hand', () => {
  const joint = (id: string, component: string, fromMaster_m: number) => ({
    id,
    component,
    circuit: 'front',
    fromMaster_m,
    height_m: 1 - fromMaster_m,
    access: 0,
    washers: 2,
    figure: null,
  });
  const scope: PlanScope = {
    reservoirs: [{ id: 'cup', kept: 'drain', nipples: ['nipple'] }],
    circuits: [{ id: 'front', reservoir: 'cup', abs: null, absCanBeCycled: false }],
    components: [
      { id: 'master', kind: 'master' },
      { id: 'caliper', kind: 'caliper' },
    ],
    joints: [joint('top', 'master', 0), joint('low', 'caliper', 0.8)],
    lines: [
      {
        id: 'hose',
        kind: 'hose',
        action: 'replace',
        A: { joint: 'top', end: 'banjo' },
        B: { joint: 'low', end: 'banjo' },
        poses: ['leftLock'],
      },
    ],
    holds: [],
    leads: [],
    covers: [],
    choices: {},
    demands: [],
    done: [],
  };
  const on = (done: readonly PlanStep[], step: PlanStep): StepVerdict => judgeStep({ ...scope, done }, step);
  // Nothing is opened before the new hose was held to its route (PR1), before it is clean (PR4), or dry (FL4, a practice).
  expect(on([], { kind: 'drainReservoir', reservoir: 'cup' })).toMatchObject({
    kind: 'waits',
    for: [{ rule: 'PR1', before: { kind: 'offerUp', line: 'hose' } }],
  });
  const offered: PlanStep[] = [{ kind: 'offerUp', line: 'hose' }];
  const crack: PlanStep = { kind: 'crack', joint: 'low' };
  expect(on(offered, crack)).toMatchObject({
    kind: 'waits',
    for: [{ rule: 'PR4', before: { kind: 'clean' } }],
  });
  const clean: PlanStep[] = [...offered, { kind: 'clean', joint: 'low' }];
  const passed = on(clean, crack);
  expect(passed.kind === 'ready' && passed.passedOver.map(({ rule }) => rule).toSorted()).toEqual([
    'PR2',
    'PR5',
  ]);
  expect(
    on(clean, { kind: 'torque', joint: 'low', minimum_Nm: 1, maximum_Nm: 2, source: 'hoseMaker' }),
  ).toEqual({
    kind: 'notPlanned',
    instead: null,
  });
  expect(on(clean, { kind: 'byFeel', joint: 'low' })).toMatchObject({ kind: 'waits' });
  expect(on(clean, { kind: 'open', joint: 'low', by: 'nut' })).toMatchObject({
    kind: 'notPlanned',
    instead: { kind: 'open', joint: 'low', by: 'bolt' },
  });
  const stuck: PlanScope = { ...scope, lines: scope.lines.map((line) => ({ ...line, selfMade: true })) };
  expect(judgeStep(stuck, crack)).toMatchObject({ kind: 'impossible', infeasible: { rules: ['PR7'] } });
});

test('a joint that is in the job by itself is opened and tightened, its pipes stay', () => {
  const scope = randomScope(12);
  const id = scope.joints.find((one) =>
    scope.lines.some(({ A, B }) => A.joint === one.id || B.joint === one.id),
  )?.id;
  const alone: PlanScope = {
    ...scope,
    lines: scope.lines.map((line) => ({ ...line, action: 'leave' })),
    holds: [],
    leads: [],
    joints: scope.joints.map((joint) => ({ ...joint, reopen: joint.id === id })),
  };
  const plan = planOf(alone);
  expect(new Lift(alone, plan).run()).toEqual([]);
  expect(plan.steps.filter(({ kind }) => kind === 'open')).toMatchObject([{ joint: id }]);
  expect(plan.steps.some(({ kind }) => kind === 'takeOff' || kind === 'route')).toBe(false);
});
