/** Signing a job off: everything that its scope needs. */
import type { JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { plainStep } from '@zephyrcombe/core/plan';
import { torqueStanding } from '../approvals/fitted.ts';
import { movesOtherwise } from '../fitting/asFitted.ts';
import { fitNames, fitPlanOf } from '../fitting/fitPlanOf.ts';
import { named } from '../fitting/namedStep.ts';
import { isDry, isNippleClear, isOpenedSince, isTorqued } from '../stages/stages.ts';
import { airWentIn } from './airWentIn.ts';
import { holdGate } from './hold.ts';
import { hosesSignGate } from './hoses.ts';
import { leftOpenGate } from './leftOpen.ts';
import { linesSignGate } from './lines.ts';
import type { Obstacle } from './obstacle.ts';

/** A joint that was tightened with other parts than it holds now. */
function torquePassed(detail: JobDetail, jointId: string, joint: string): readonly Obstacle[] {
  const last = detail.torqueRecords.filter((record) => record.jointId === jointId).at(-1);
  const standing = last && torqueStanding(detail, last);
  return standing?.state === 'passed'
    ? [{ code: 'changedSinceTorqued', joint, changes: standing.changes }]
    : [];
}

/** What nobody drives off with: a clip loose, a lead hanging, bodywork off, a unit that ran dry. */
const TO_FINISH: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'placeHold',
  'tightenHold',
  'plugLead',
  'closeCover',
  'absCycle',
]);

function stepsLeft(detail: JobDetail): readonly Obstacle[] {
  // A job of before its steps were kept has none to go by.
  if (detail.fitSteps.length === 0) return [];
  const nameOf = fitNames(detail);
  const left = fitPlanOf(detail).plan.steps.filter(({ kind }) => TO_FINISH.has(kind));
  return left.length > 0
    ? [{ code: 'fitStepsLeft', steps: left.map((step) => named(plainStep(step), nameOf)) }]
    : [];
}

export function signGate(detail: JobDetail): readonly Obstacle[] {
  const { joints } = partsOf(detail);
  const nameOf = (jointId: string) => joints.find(({ id }) => id === jointId)?.name ?? 'a joint';
  const loose = detail.joints.filter(({ jointId }) => !isTorqued(detail, jointId));
  const again = loose.filter(
    ({ jointId }) =>
      isOpenedSince(detail, jointId) && detail.torqueRecords.some((record) => record.jointId === jointId),
  );
  const wet = detail.joints.filter(({ jointId }) => !isDry(detail, jointId));
  const off = detail.items.filter(({ done }) => done === null);
  const running = nipplesOf(detail).filter(({ id }) => !isNippleClear(detail, id));
  return [
    ...(detail.job.endsConfirmed
      ? []
      : [
          {
            code: detail.joints.length > 0 ? ('endsNotConfirmed' as const) : ('notLookedOver' as const),
          },
        ]),
    ...hosesSignGate(detail),
    ...movesOtherwise(detail),
    ...linesSignGate(detail),
    ...(off.length > 0 ? [{ code: 'itemsNotOn' as const, items: off.map(({ name }) => name) }] : []),
    ...leftOpenGate(detail),
    ...stepsLeft(detail),
    ...(again.length > 0
      ? [{ code: 'openedAgain' as const, joints: again.map(({ jointId }) => nameOf(jointId)) }]
      : []),
    ...loose.flatMap(({ jointId }) => torquePassed(detail, jointId, nameOf(jointId))),
    ...(loose.length > 0
      ? [{ code: 'jointsNotTorqued' as const, joints: loose.map(({ jointId }) => nameOf(jointId)) }]
      : []),
    ...(wet.length > 0
      ? [{ code: 'jointsNotDry' as const, joints: wet.map(({ jointId }) => nameOf(jointId)) }]
      : []),
    ...holdGate(detail),
    ...(running.length > 0
      ? [{ code: 'nipplesNotClear' as const, nipples: running.map(({ name }) => name) }]
      : []),
    // Each way once, whichever nipple it is.
    ...running
      .flatMap(({ id }) => airWentIn(detail, id))
      .filter(({ code }, at, all) => all.findIndex((one) => one.code === code) === at),
  ];
}
