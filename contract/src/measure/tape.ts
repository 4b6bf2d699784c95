/** What the tape of a job is judged by: the same on the screen and on the server. */
import type { Body, Caution, HoseMovement, TapeSetting } from '@zephyrcombe/core';
import {
  convertLength,
  judgeTakeOffs,
  movementOf,
  parseQuantity,
  sealingDatum,
  sealingPointOf,
  wrapAllowance,
} from '@zephyrcombe/core';
import type { JobDetail, JobHose, Reading } from '../entities/job.ts';
import { partsOf } from '../specify/partsOfJob.ts';

/** Readings that count: struck ones stay in the log. */
export const liveReadings = (detail: JobDetail, hoseId: string): readonly Reading[] =>
  detail.readings.filter((reading) => reading.hoseId === hoseId && reading.struckBecause === null);

/** How the parts at the two ends of a hose of this job move. */
export function movementOfHose(detail: Pick<JobDetail, 'circuits'>, hoseId: string): HoseMovement {
  const circuit = partsOf(detail);
  const hose = circuit.hoses.find(({ id }) => id === hoseId);
  const bodyAt = (jointId: string | undefined): Body => {
    const joint = circuit.joints.find(({ id }) => id === jointId);
    return circuit.components.find(({ id }) => id === joint?.componentId)?.body ?? 'frame';
  };
  return movementOf(bodyAt(hose?.fromJointId), bodyAt(hose?.toJointId));
}

/**
 * M102 where a length would be taken from readings between other points than the seals, and than those it is ordered between:
 * it rests on the dimensions of an end then. A reading that was made with other dimensions than are entered now rests on those
 * of then, whoever vouches for the ones of now.
 */
export function readingCautions(
  detail: JobDetail,
  hose: Pick<JobHose, 'hoseId' | 'endA' | 'endB' | 'orderDatum'>,
): readonly Caution[] {
  const readings = liveReadings(detail, hose.hoseId);
  const wanted = hose.orderDatum ?? sealingDatum(hose.endA, hose.endB);
  return (['endA', 'endB'] as const).flatMap((end) => {
    const [caution] = readings.flatMap((reading) => {
      if (reading.datum[end] === sealingPointOf(hose[end])) return [];
      const isOdd = reading.datum[end] !== wanted[end];
      const judged = isOdd ? judgeTakeOffs(hose[end], reading.datum[end]) : [];
      return judged.length > 0 || isReadWith(reading, hose) ? judged : ENDS_OF_THEN;
    });
    return caution ? [{ ...caution, subject: end === 'endA' ? 'End A' : 'End B' }] : [];
  });
}

const ENDS_OF_THEN: readonly Caution[] = [
  { id: 'M102', evidence: { facts: ['takeOff'], from: ['changedSince'] } },
];
/** A micrometre: a reading is kept as it was worked out. */
const SAME_m = 1e-6;

/** Whether a reading is what was typed, by the ends as they are entered now. */
function isReadWith(
  { typed, length_m, datum, wrap }: Reading,
  { endA, endB }: Pick<JobHose, 'endA' | 'endB'>,
): boolean {
  const read = parseQuantity(typed, 'length');
  if (!read.ok) return true;
  const along_m = read.value_SI - (wrap ? wrapAllowance(wrap).allowance_m : 0);
  const wanted = sealingDatum(endA, endB);
  const now = convertLength({ length_m: along_m, given: datum, wanted, endA, endB });
  return now.ok && Math.abs(now.value.length_m - length_m) <= SAME_m;
}

export const tapeSetting = (
  detail: JobDetail,
  hose: Pick<JobHose, 'hoseId' | 'poseChecks' | 'lift' | 'orderDatum'>,
  routeShort_m: number | null = null,
): TapeSetting => ({
  checks: hose.poseChecks,
  movement: movementOfHose(detail, hose.hoseId),
  lift: hose.lift,
  datumKnown: hose.orderDatum !== null,
  slack_m: detail.shop.slack_m,
  routeShort_m,
});
