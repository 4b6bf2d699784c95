/** What the tape of a job is judged by: the same on the screen and on the server. */
import type { Body, Caution, HoseMovement, TapeSetting } from '@zephyrcombe/core';
import { judgeTakeOffs, movementOf, sealingDatum } from '@zephyrcombe/core';
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
 * it rests on the dimensions of an end then.
 */
export function readingCautions(
  detail: JobDetail,
  hose: Pick<JobHose, 'hoseId' | 'endA' | 'endB' | 'orderDatum'>,
): readonly Caution[] {
  const readings = liveReadings(detail, hose.hoseId);
  const wanted = hose.orderDatum ?? sealingDatum(hose.endA, hose.endB);
  return (['endA', 'endB'] as const).flatMap((end) => {
    const odd = readings.find(({ datum }) => datum[end] !== wanted[end]);
    return odd
      ? judgeTakeOffs(hose[end], odd.datum[end]).map((caution) => ({
          ...caution,
          subject: end === 'endA' ? 'End A' : 'End B',
        }))
      : [];
  });
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
