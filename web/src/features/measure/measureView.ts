/** What the Measure stage derives: the order length, and the same length as others count it. */
import type { JobDetail, JobHose } from '@zephyrcombe/contract';
import { liveReadings, tapeSetting } from '@zephyrcombe/contract';
import type { LengthDatum, OrderLength, Result } from '@zephyrcombe/core';
import { convertLength, judgeTakeOffs, orderLength, sealingDatum } from '@zephyrcombe/core';

export const orderOf = (
  detail: JobDetail,
  hose: JobHose,
  routeShort_m: number | null = null,
): Result<OrderLength> =>
  orderLength(liveReadings(detail, hose.hoseId), tapeSetting(detail, hose, routeShort_m));

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

/** Whether a length between these points rests on dimensions of an end that nobody vouches for. */
export const restsOnAssumed = ({ endA, endB }: Pick<JobHose, 'endA' | 'endB'>, datum: LengthDatum): boolean =>
  [...judgeTakeOffs(endA, datum.endA), ...judgeTakeOffs(endB, datum.endB)].length > 0;

export const sameDatum = (left: LengthDatum, right: LengthDatum): boolean =>
  left.endA === right.endA && left.endB === right.endB;

/** Where the last reading of the job was read from, among the datums of this hose; null before the first. */
export function lastDatum(detail: JobDetail, hose: JobHose): number | null {
  const [last] = detail.readings
    .filter(({ struckBecause }) => struckBecause === null)
    .toSorted((a, b) => b.takenAt.localeCompare(a.takenAt));
  if (!last) return null;
  const index = datumsFor(hose).findIndex((datum) => sameDatum(datum, last.datum));
  return index < 0 ? null : index;
}
