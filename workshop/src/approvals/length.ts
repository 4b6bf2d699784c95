/** What the taking of a length covers: the readings that count, the poses seen, the slack and how the hose moves. */
import type { JobDetail, JobHose } from '@zephyrcombe/contract';
import { liveReadings, tapeSetting } from '@zephyrcombe/contract';
import { judgeMovement } from '@zephyrcombe/core';
import { factOf } from '../fitting/facts.ts';
import type { Fact, Facts } from './facts.ts';
import { changesBetween, factsOf } from './facts.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

export function lengthFacts(detail: JobDetail, hose: JobHose): Facts {
  // Which points the supplier joins is a fact of the specification.
  const { checks, movement, lift, slack_m } = tapeSetting(detail, hose);
  const readings = liveReadings(detail, hose.hoseId).map(
    ({ pose, length_m, aid, uncertainty_m, remainingTravel_m, tightBends }) => ({
      pose,
      length_m,
      aid,
      uncertainty_m,
      remainingTravel_m,
      tightBends,
    }),
  );
  const seenMoving = seenOtherwise(detail, hose.hoseId);
  return factsOf({
    length_m: hose.order_m,
    readings,
    checks,
    movement,
    lift,
    slack_m,
    // What was seen as it was expected is no news of the length.
    ...(seenMoving ? { seenMoving } : {}),
  });
}

/** Where the hose came nearer to something than its drawing has it, or touched: the length was taken by another route. */
export function seenOtherwise(
  detail: Pick<JobDetail, 'fitFacts' | 'shop'>,
  hoseId: string,
): Readonly<Record<string, number>> | null {
  const seen = factOf(detail, 'movementSeen', hoseId);
  const judged = seen ? judgeMovement({ ...seen, margin_m: detail.shop.movementMargin_m }) : null;
  if (!seen || !judged?.ok || !judged.value.reopens) return null;
  return Object.fromEntries(seen.poses.map(({ pose, seen_m }) => [pose, seen_m]));
}

/** Of a length that was taken; one that was taken before this was kept stands, unless the hose was seen to touch since. */
export function lengthStanding(detail: JobDetail, hose: JobHose): Standing {
  if (hose.order_m === null) return { state: 'none' };
  const seenMoving = hose.lengthTaken ? null : seenOtherwise(detail, hose.hoseId);
  if (seenMoving) return { state: 'passed', changes: changesBetween(factsOf({}), factsOf({ seenMoving })) };
  const now = lengthFacts(detail, hose);
  const before = hose.lengthTaken?.facts['seenMoving'];
  // It was taken in the knowledge of what was seen, and that is put right since: no reason to measure again.
  const isPutRight = before !== undefined && now['seenMoving'] === undefined;
  return standingOf(hose.lengthTaken, isPutRight ? { ...now, seenMoving: before as Fact } : now);
}

export const hasLengthPassed = (detail: JobDetail, hose: JobHose): boolean =>
  lengthStanding(detail, hose).state === 'passed';
