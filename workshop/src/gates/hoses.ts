/** Gates that look at the hoses of a job: opening, fitting, tightening, signing. */
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, jointOfJob, kitOrderOf, proofCautions } from '@zephyrcombe/contract';
import { boltReuse, judgeKit, KIT_VERDICTS, unseenOfJoint } from '@zephyrcombe/core';
import { boxStanding } from '../approvals/box.ts';
import { lengthStanding } from '../approvals/length.ts';
import { proofStanding } from '../approvals/proof.ts';
import { specificationStanding } from '../approvals/standing.ts';
import { factOf } from '../fitting/facts.ts';
import { linesAtGate } from './lines.ts';
import type { Obstacle } from './obstacle.ts';

const hosesOf = (detail: JobDetail): readonly HoseOfJob[] =>
  detail.hoses.flatMap(({ hoseId }) => hoseOfJob(detail, hoseId) ?? []);

/** The new hoses that come to a joint; where the old one goes on again, nothing of the new one is joined. */
const hosesAt = (detail: JobDetail, jointId: string): readonly HoseOfJob[] =>
  hosesOf(detail).filter(
    ({ fitted }) =>
      (fitted.fromJointId === jointId || fitted.toJointId === jointId) &&
      factOf(detail, 'backOut', fitted.id) !== true,
  );

/** Measured, and specified as it is now. */
function specificationObstacles(detail: JobDetail, own: HoseOfJob): readonly Obstacle[] {
  const { name: hose } = own.fitted;
  if (own.hose.order_m === null) return [{ code: 'notMeasured', hose }];
  const length = lengthStanding(detail, own.hose);
  if (length.state === 'passed') return [{ code: 'changedSinceMeasured', hose, changes: length.changes }];
  if (own.hose.specified) return [];
  const standing = specificationStanding(detail, own);
  return standing.state === 'passed'
    ? [{ code: 'changedSinceSpecified', hose, changes: standing.changes }]
    : [{ code: 'notSpecified', hose }];
}

/**
 * What was decided about a box holds for what was ordered then. Of a box that was decided before that was kept, the findings are
 * judged against the order of now: where they are worse, a reason that was given before the hose was specified anew is none.
 */
function boxObstacles(detail: JobDetail, own: HoseOfJob): readonly Obstacle[] {
  const { hose, fitted } = own;
  const { kit, specification } = hose;
  if (kit === null) return [];
  if (kit.decided === null) return [{ code: 'boxUndecided', hose: fitted.name }];
  if (kit.decided.verdict === 'return') return [{ code: 'boxReturned', hose: fitted.name }];
  const standing = boxStanding(detail, own);
  if (standing.state === 'stands') return [];
  if (standing.state === 'passed')
    return [{ code: 'changedSinceBox', hose: fitted.name, changes: standing.changes }];
  const order = kitOrderOf(detail, own);
  const verdict = order && judgeKit(order, kit.found).verdict;
  if (verdict === null || KIT_VERDICTS.indexOf(verdict) <= KIT_VERDICTS.indexOf(kit.decided.verdict))
    return [];
  const wasReasoned = kit.decided.because.trim() !== '' && kit.at >= (specification?.at ?? '');
  return wasReasoned ? [] : [{ code: 'boxNotAsOrdered', hose: fitted.name }];
}

/** What was ordered of a supplier is here, and somebody has looked into the box. */
function deliveryObstacles({ job }: JobDetail, { hose, fitted }: HoseOfJob): readonly Obstacle[] {
  if (!job.supply?.confirmation || hose.kit !== null) return [];
  return job.supply.parcel ? [{ code: 'boxNotOpened', hose: fitted.name }] : [{ code: 'boxNotCome' }];
}

/** The hose in the hand is the one that was specified: accepted where it was bought, proved where it was made up here. */
function handObstacles(detail: JobDetail, own: HoseOfJob): readonly Obstacle[] {
  const { hose, fitted } = own;
  if (!buildOf(own).madeHere) return [...deliveryObstacles(detail, own), ...boxObstacles(detail, own)];
  if (proofCautions(hose).length > 0) return [{ code: 'notProved', hose: fitted.name }];
  const standing = proofStanding(own);
  return standing.state === 'passed'
    ? [{ code: 'changedSinceProved', hose: fitted.name, changes: standing.changes }]
    : [];
}

/** Putting a joint on by hand, or tightening it: all hoses and hard lines that come to it. */
export const jointGate = (detail: JobDetail, jointId: string): readonly Obstacle[] => [
  ...portObstacles(detail, jointId),
  ...boltObstacles(detail, jointId),
  ...hosesAt(detail, jointId).flatMap((own) => [
    ...specificationObstacles(detail, own),
    ...handObstacles(detail, own),
  ]),
  ...linesAtGate(detail, jointId),
];

/** The hoses that end at these joints are measured, and specified as they are now. */
export const specifiedGate = (detail: JobDetail, jointIds: readonly string[]): readonly Obstacle[] =>
  hosesOf(detail)
    .filter(({ fitted }) => jointIds.includes(fitted.fromJointId) || jointIds.includes(fitted.toJointId))
    .flatMap((own) => specificationObstacles(detail, own));

/** Whoever joins two parts has both in front of them: what was assumed of a port is seen by then. */
function portObstacles(detail: JobDetail, jointId: string): readonly Obstacle[] {
  const at = jointOfJob(detail, jointId);
  const facts = at ? unseenOfJoint(at.joint, at.port) : [];
  return at && facts.length > 0 ? [{ code: 'portNotSeen', joint: at.joint.name, facts }] : [];
}

function boltObstacles(detail: JobDetail, jointId: string): readonly Obstacle[] {
  const at = jointOfJob(detail, jointId);
  const bolt = at?.joint.seal === 'banjo' ? at.chosen.bolt : null;
  return at && bolt && boltReuse(bolt.material, at.chosen.boltState) === 'scrap'
    ? [{ code: 'boltUsedUp', joint: at.joint.name }]
    : [];
}

/** Holding these new hoses against their routes, or all: they have to be here. */
export function offerUpGate(
  detail: JobDetail,
  hoseIds: readonly string[] = detail.hoses.map(({ hoseId }) => hoseId),
): readonly Obstacle[] {
  const bought = hosesOf(detail).filter((own) => !buildOf(own).madeHere && hoseIds.includes(own.hose.hoseId));
  const missing = bought.flatMap((own) => deliveryObstacles(detail, own));
  const [notCome] = missing.filter(({ code }) => code === 'boxNotCome');
  return [...(notCome ? [notCome] : missing), ...bought.flatMap((own) => boxObstacles(detail, own))];
}

/** Signing a job off, as far as its hoses go. */
export const hosesSignGate = (detail: JobDetail): readonly Obstacle[] => [
  ...hosesOf(detail).flatMap((own) => [
    ...specificationObstacles(detail, own),
    ...handObstacles(detail, own),
  ]),
];

/** What was made up here is not said to have been bought: its steps and its proof would be nobody's. */
export const boughtGate = ({ hose, fitted }: HoseOfJob): readonly Obstacle[] =>
  hose.makeUp.steps.length > 0 ? [{ code: 'madeUpAlready', hose: fitted.name }] : [];
