/** What the Measure stage derives: the order length, and the same length as others count it. */
import type { JobDetail, JobHose, Reading } from '@zephyrcombe/contract';
import type { LengthDatum, OrderLength, Result } from '@zephyrcombe/core';
import { convertLength, orderLength, sealingDatum } from '@zephyrcombe/core';

/** Readings that count: struck ones stay in the log. */
export const liveReadings = (detail: JobDetail, hoseId: string): readonly Reading[] =>
  detail.readings.filter((reading) => reading.hoseId === hoseId && reading.struckBecause === null);

export const orderOf = (detail: JobDetail, hose: JobHose): Result<OrderLength> =>
  orderLength(liveReadings(detail, hose.hoseId), hose.poseChecks, detail.shop.slack_m);

export const BEHIND_NECKS: LengthDatum = { endA: 'behindNeck', endB: 'behindNeck' };
export const FERRULES: LengthDatum = { endA: 'ferruleFace', endB: 'ferruleFace' };

/** A sealing-point length in another datum. */
export const inDatum = (hose: Pick<JobHose, 'endA' | 'endB'>, length_m: number, wanted: LengthDatum) =>
  convertLength({
    length_m,
    given: sealingDatum(hose.endA, hose.endB),
    wanted,
    endA: hose.endA,
    endB: hose.endB,
  });

/** The datums a length can be ordered in, the sealing points first. */
export const datumsFor = (hose: Pick<JobHose, 'endA' | 'endB'>): readonly LengthDatum[] => [
  sealingDatum(hose.endA, hose.endB),
  BEHIND_NECKS,
  FERRULES,
];

export const sameDatum = (left: LengthDatum, right: LengthDatum): boolean =>
  left.endA === right.endA && left.endB === right.endB;
