/** What stands against taking a step of fitting now: from the plan, and from the hoses, joints and lines that it is about. */
import type { JobDetail } from '@zephyrcombe/contract';
import { capsOfJob, partsOf, refitCautions, stepOfOpening } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import type { FitStepJudged, PlanStep } from '@zephyrcombe/core/plan';
import { jointOfOpening, judgeFitStep, judgePractice } from '@zephyrcombe/core/plan';
import { jointGate, offerUpGate, specifiedGate } from '../gates/hoses.ts';
import { lineGate } from '../gates/lines.ts';
import type { Obstacle } from '../gates/obstacle.ts';
import { hosesAtJoint, movesOtherwise, twisted } from './asFitted.ts';
import { factOf, factsOfKind } from './facts.ts';
import type { NameOf } from './fitPlanOf.ts';
import { fitNames, fitPlanOf } from './fitPlanOf.ts';
import { isTorqued } from '../stages/stages.ts';
import { named, patternOf } from './namedStep.ts';

export interface FitStepGate {
  readonly obstacles: readonly Obstacle[];
  readonly cautions: readonly Caution[];
  readonly passedOver: readonly string[];
}

/** Deeds that a record of its own stands for: a torque with its wrench, a nipple run clear, a joint wiped dry. */
const RECORDED: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'freshWashers',
  'torque',
  'byFeel',
  'bleed',
  'pressureHold',
  'leakCheck',
  'makeLine',
]);

/** Whether a step is recorded where it belongs, and not by a tick in the plan. */
export const isRecordedElsewhere = ({ kind }: PlanStep): boolean => RECORDED.has(kind);

export function fitStepGate(detail: JobDetail, step: PlanStep): FitStepGate {
  const nameOf = fitNames(detail);
  if (isRecordedElsewhere(step))
    return {
      obstacles: [{ code: 'fitRecordedElsewhere', step: named(step, nameOf) }],
      cautions: [],
      passedOver: [],
    };
  return judgedGate(detail, step, nameOf);
}

/** The same for the joint that is tightened, whose record is its own. */
export const tightenGate = (detail: JobDetail, step: PlanStep): FitStepGate =>
  judgedGate(detail, step, fitNames(detail));

/** One that is tight already is tightened once more by the record alone: the plan has no step for it. */
export function retightenGate(detail: JobDetail, jointId: string): FitStepGate {
  const step: PlanStep = { kind: 'byFeel', joint: jointId };
  return {
    obstacles: movesOtherwise(detail, leftLying(detail, step)),
    cautions: practiceOf(detail, step),
    passedOver: [],
  };
}

function judgedGate(detail: JobDetail, step: PlanStep, nameOf: NameOf): FitStepGate {
  const judged = isGoingBack(detail, step) ? null : judgeFitStep(fitPlanOf(detail).draft, step);
  const about = subjectOf(detail, step);
  const joined = joinedBy(detail, step);
  return {
    obstacles: [
      ...(judged ? planObstacles(detail, judged, step, nameOf) : []),
      ...openingObstacles(detail, step),
      ...(step.kind === 'offerUp' ? offerUpGate(detail, [step.line]) : []),
      ...(joined === null ? [] : jointGate(detail, joined)),
      ...(step.kind === 'route' ? lineGate(detail, step.line) : []),
      ...movesOtherwise(detail, leftLying(detail, step)),
    ],
    cautions: [
      ...(judged?.cautions ?? []).map((caution) => {
        const subject = caution.subject === undefined ? about : nameOf(caution.subject);
        return subject === null ? caution : { ...caution, subject };
      }),
      ...practiceOf(detail, step),
      ...(step.kind === 'join' ? refitCautions(detail, step.joint) : []),
      ...(step.kind === 'countCaps' ? capsOfJob(detail) : []),
    ],
    passedOver: judged?.passedOver.map(({ rule }) => rule) ?? [],
  };
}

/** Nobody opens a brake for a hose that is not measured and specified as it is now. */
function openingObstacles(detail: JobDetail, step: PlanStep): readonly Obstacle[] {
  if (!stepOfOpening(step) || step.kind === 'takeOff') return [];
  const { scope, state } = fitPlanOf(detail);
  // A joint that was opened already is opened again to put things right.
  if ('joint' in step && state.joints.get(step.joint)?.touched) return [];
  const joints = scope.joints.filter(({ id, circuit }) =>
    'joint' in step
      ? id === step.joint
      : scope.circuits.some(
          (one) =>
            one.id === circuit &&
            (step.kind === 'drainReservoir'
              ? one.reservoir === step.reservoir
              : scope.reservoirs.some(
                  ({ id: own, nipples }) =>
                    own === one.reservoir && step.kind === 'drainNipple' && nipples.includes(step.nipple),
                )),
        ),
  );
  return specifiedGate(
    detail,
    joints.map(({ id }) => id),
  );
}

/** What was decided about a hose or line and passed since: it stops at the joining, and is told before anybody comes there. */
export const passedGate = (detail: JobDetail): readonly Obstacle[] =>
  detail.joints
    .filter(({ jointId }) => !isTorqued(detail, jointId))
    .flatMap(({ jointId }) => jointGate(detail, jointId))
    .filter(({ code }) => code.startsWith('changedSince'));

/** A joint that was put on is opened once more: nobody needs a plan for that, and everything after it is planned anew. */
export function isGoingBack(detail: JobDetail, step: PlanStep): boolean {
  if (step.kind !== 'crack') return false;
  const now = fitPlanOf(detail).state.joints.get(step.joint);
  return now !== undefined && now.touched && ['handBare', 'handWashered', 'tight'].includes(now.phase);
}

function planObstacles(
  detail: JobDetail,
  judged: FitStepJudged,
  step: PlanStep,
  nameOf: NameOf,
): readonly Obstacle[] {
  if (judged.impossible) {
    const { rules, subjects } = judged.impossible;
    const demands = judged.impossible.demands.map((id) => factOf(detail, 'demand', id)?.why ?? id);
    return [
      { code: 'fitImpossible', rules, demands, subjects: subjects.map(nameOf), rule: rules.at(-1) ?? null },
    ];
  }
  if (judged.notPlanned) {
    const { instead } = judged.notPlanned;
    return [
      {
        code: 'fitNotPlanned',
        step: named(step, nameOf),
        instead: instead && named(instead, nameOf),
        // A nut that turns its pipe is opened another way.
        rule: instead?.kind === 'open' ? 'OF7' : null,
      },
    ];
  }
  // That a hard line has to be made first its own gate tells.
  const waits = judged.waits.filter(({ before }) => before.kind !== 'makeLine');
  return waits.map(({ before, rule }) => ({
    code: 'fitWaits' as const,
    step: named(step, nameOf),
    before: named(before, nameOf),
    rule,
    ...(rule === null ? { askedFor: askedFor(detail, step) } : {}),
  }));
}

/** Who asks for an order in which this step waits; null where nobody does. */
function askedFor(detail: JobDetail, step: PlanStep): string | null {
  const pattern = JSON.stringify(patternOf(step));
  const demands = [...factsOfKind(detail, 'demand').values()];
  return demands.find((demand) => demand && JSON.stringify(patternOf(demand.then)) === pattern)?.why ?? null;
}

/** The joint that a step joins, or takes a cap off for: what stands against that is said before the cap is off. */
function joinedBy(detail: JobDetail, step: PlanStep): string | null {
  if (step.kind === 'join') return step.joint;
  if (step.kind !== 'uncap') return null;
  const joint = jointOfOpening(fitPlanOf(detail).scope, step.opening);
  return joint === '' ? null : joint;
}

/** What was said of how it is done. */
function practiceOf(detail: JobDetail, step: PlanStep): readonly Caution[] {
  const at = 'joint' in step ? partsOf(detail).joints.find(({ id }) => id === step.joint) : undefined;
  const line =
    'hold' in step ? fitPlanOf(detail).scope.holds.find(({ id }) => id === step.hold)?.line : undefined;
  const cautions = judgePractice(step, at?.seal ?? null, {
    cleaner: factOf(detail, 'cleaner', detail.job.id) ?? null,
    openSpanner: at !== undefined && factOf(detail, 'openSpanner', at.id) === true,
    sealant: at !== undefined && factOf(detail, 'sealant', at.id) === true,
    bareBracket: line !== undefined && factOf(detail, 'bareBracket', line) === true,
  });
  return [
    ...(at ? cautions.map((caution) => ({ ...caution, subject: at.name })) : cautions),
    ...twisted(detail, leftLying(detail, step)),
  ];
}

/** Steps that leave a hose as it lies. */
const LEAVES: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>(['freshWashers', 'torque', 'byFeel']);

/** The new hoses that a step leaves as they lie. */
function leftLying(detail: JobDetail, step: PlanStep): readonly string[] {
  if (step.kind === 'movement') return step.lines;
  return LEAVES.has(step.kind) && 'joint' in step ? hosesAtJoint(detail, step.joint) : [];
}

function subjectOf(detail: JobDetail, step: PlanStep): string | null {
  const { joints } = partsOf(detail);
  return 'joint' in step ? (joints.find(({ id }) => id === step.joint)?.name ?? null) : null;
}
