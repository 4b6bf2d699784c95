/** Gates that look at the hoses of a job: opening, fitting, tightening, signing. */
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, proofCautions } from '@zephyrcombe/contract';
import { specificationStanding } from '../approvals/standing.ts';
import type { Obstacle } from './obstacle.ts';

const hosesOf = (detail: JobDetail): readonly HoseOfJob[] =>
  detail.hoses.flatMap(({ hoseId }) => hoseOfJob(detail, hoseId) ?? []);

const hosesAt = (detail: JobDetail, jointId: string): readonly HoseOfJob[] =>
  hosesOf(detail).filter(({ fitted }) => fitted.fromJointId === jointId || fitted.toJointId === jointId);

/** Measured, and specified as it is now. */
function specificationObstacles(detail: JobDetail, own: HoseOfJob): readonly Obstacle[] {
  const { name: hose } = own.fitted;
  if (own.hose.order_m === null) return [{ code: 'notMeasured', hose }];
  if (own.hose.specified) return [];
  const standing = specificationStanding(detail, own);
  return standing.state === 'passed'
    ? [{ code: 'changedSinceSpecified', hose, changes: standing.changes }]
    : [{ code: 'notSpecified', hose }];
}

/** The hose in the hand is the one that was specified: not sent back, and proved where it was made up here. */
function handObstacles({ hose, fitted }: HoseOfJob): readonly Obstacle[] {
  if (hose.kit?.decided?.verdict === 'return') return [{ code: 'boxReturned', hose: fitted.name }];
  return proofCautions(hose).length > 0 ? [{ code: 'notProved', hose: fitted.name }] : [];
}

/** Putting a joint on by hand, or tightening it: all hoses that come to it. */
export const jointGate = (detail: JobDetail, jointId: string): readonly Obstacle[] =>
  hosesAt(detail, jointId).flatMap((own) => [...specificationObstacles(detail, own), ...handObstacles(own)]);

/** Holding the new hoses against their routes: they have to be here. */
export function offerUpGate(detail: JobDetail): readonly Obstacle[] {
  const bought = hosesOf(detail).filter((own) => !buildOf(own).madeHere);
  const isOnItsWay = detail.job.supply?.confirmation && !detail.job.supply.parcel;
  return [
    ...(isOnItsWay && bought.some(({ hose }) => hose.kit === null) ? [{ code: 'boxNotCome' as const }] : []),
    ...bought.flatMap(handObstacles),
  ];
}

/** Signing a job off, as far as its hoses go. */
export const signGate = (detail: JobDetail): readonly Obstacle[] => [
  ...(detail.job.endsConfirmed ? [] : [{ code: 'endsNotConfirmed' as const }]),
  ...hosesOf(detail).flatMap((own) => [...specificationObstacles(detail, own), ...handObstacles(own)]),
];

/** What was made up here is not said to have been bought: its steps and its proof would be nobody's. */
export const boughtGate = ({ hose, fitted }: HoseOfJob): readonly Obstacle[] =>
  hose.makeUp.steps.length > 0 ? [{ code: 'madeUpAlready', hose: fitted.name }] : [];
