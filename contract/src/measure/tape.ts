/** What the tape of a job is judged by: the same on the screen and on the server. */
import type { Body, HoseMovement, TapeSetting } from '@zephyrcombe/core';
import { movementOf } from '@zephyrcombe/core';
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
