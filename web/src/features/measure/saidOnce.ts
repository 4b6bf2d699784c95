/** What is one thing for the whole job is asked once, and said of each hose that asks for it. */
import type { JobDetail, JobHose } from '@zephyrcombe/contract';
import { movementOfHose } from '@zephyrcombe/contract';
import type { PoseCheck } from '@zephyrcombe/core';
import { checksFor } from '@zephyrcombe/core';
import type { RequestOf } from '../../api/client.ts';

export type SaidOfHose = Pick<NonNullable<RequestOf<'editJobHose'>['body']>, 'orderDatum' | 'poseChecks'>;

/** Where lever, bars, brackets and clips are is one fact of the vehicle; what a hose does in a pose is that hose's own. */
const OF_THE_VEHICLE: readonly PoseCheck[] = ['controlsFinal', 'bracketsInPlace'];

/**
 * The other hoses that are asked the same and say something else. A tick is not put to a hose whose length was taken without it:
 * that length would have to be taken again. One that is taken away is taken from all.
 */
export const othersAsked = (
  detail: JobDetail,
  { hoseId }: Pick<JobHose, 'hoseId'>,
  check: PoseCheck,
  selected: boolean,
): readonly JobHose[] =>
  OF_THE_VEHICLE.includes(check)
    ? detail.hoses.filter(
        (other) =>
          other.hoseId !== hoseId &&
          other.poseChecks[check] !== selected &&
          (!selected || other.order_m === null) &&
          checksFor(movementOfHose(detail, other.hoseId)).includes(check),
      )
    : [];

/** One supplier counts from the same points at ends of the same kind: hoses of which nobody has said it yet. */
export const unaskedLike = (
  detail: JobDetail,
  { hoseId, endA, endB }: Pick<JobHose, 'hoseId' | 'endA' | 'endB'>,
): readonly JobHose[] =>
  detail.hoses.filter(
    (other) =>
      other.hoseId !== hoseId &&
      other.orderDatum === null &&
      other.endA.family === endA.family &&
      other.endB.family === endB.family,
  );
