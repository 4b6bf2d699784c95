/** What the taking of a length covers: the readings that count, the poses seen, the slack and how the hose moves. */
import type { JobDetail, JobHose } from '@zephyrcombe/contract';
import { liveReadings, tapeSetting } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
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
  return factsOf({ length_m: hose.order_m, readings, checks, movement, lift, slack_m });
}

/** Of a length that was taken; one that was taken before this was kept stands. */
export const lengthStanding = (detail: JobDetail, hose: JobHose): Standing =>
  hose.order_m === null ? { state: 'none' } : standingOf(hose.lengthTaken, lengthFacts(detail, hose));

export const hasLengthPassed = (detail: JobDetail, hose: JobHose): boolean =>
  lengthStanding(detail, hose).state === 'passed';
