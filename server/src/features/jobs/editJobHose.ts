/** Changes to one hose of a job: what was checked, taken as its length, and specified. */
import type { JobDetail } from '@zephyrcombe/contract';
import { createWriter, liveReadings, problemText, tapeSetting } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import {
  boltEngagement,
  eyesOn,
  judgeBoltThread,
  judgeClocking,
  judgeWasherMaterial,
  orderLength,
} from '@zephyrcombe/core';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { requireStopsAnswered, requireVersion } from './jobAction.ts';

/** A taken length may be rounded to the maker's step, but not away from the readings. */
const TAKEN_TOLERANCE_m = 0.0005;

export async function editJobHose(
  action: JobAction,
  hoseId: string,
  body: ParsedBody<'editJobHose'>,
): Promise<void> {
  const { detail, models, transaction, log, person } = action;
  const current = detail.hoses.find((hose) => hose.hoseId === hoseId);
  if (!current) throw new AppProblem('not-found');
  requireVersion(current, body.version);
  const { version, overrides, poseChecks, ...rest } = body;
  const changes = {
    ...rest,
    ...(poseChecks ? { poseChecks: { ...current.poseChecks, ...definedOnly(poseChecks) } } : {}),
    // A length taken before this lift was entered was made without it.
    ...(rest.lift === undefined || rest.order_m !== undefined ? {} : { order_m: null, specified: false }),
  };
  const next = { ...current, ...definedOnly(changes) };

  if (typeof changes.order_m === 'number') {
    const result = orderLength(liveReadings(detail, hoseId), tapeSetting(detail, next));
    if (!result.ok)
      throw new AppProblem('no-answer', { detail: problemText(result.problem, createWriter(person.units)) });
    if (changes.order_m < result.value.order_m - TAKEN_TOLERANCE_m) {
      throw fieldProblem('order_m', 'is shorter than the readings and the slack ask for');
    }
    requireStopsAnswered(result.cautions, overrides, person);
    await log('lengthTaken', { hoseId, order_m: changes.order_m, overrides });
  }
  if (changes.specified === true) {
    if (next.order_m === null)
      throw new AppProblem('stage-not-ready', {
        detail: 'Measure this hose first: it has no order length yet.',
      });
    requireStopsAnswered(specificationCautions(detail, hoseId, next), overrides, person);
    await log('specified', {
      hoseId,
      endA: next.endA,
      endB: next.endB,
      clocking_rad: next.clocking_rad,
      overrides,
    });
  }
  if (changes.lift !== undefined) await log('liftEntered', { hoseId, lift: changes.lift });
  if (changes.poseChecks !== undefined) await log('poseChecked', { hoseId, ...changes.poseChecks });

  await models.JobHose.update(
    { ...definedOnly(changes), version: version + 1 },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
}

/** What stands against specifying this hose: its clocking, and the stacks of its two joints. */
function specificationCautions(
  detail: JobDetail,
  hoseId: string,
  spec: Pick<JobDetail['hoses'][number], 'endA' | 'endB' | 'clocking_rad'>,
): readonly Caution[] {
  const hose = detail.circuit.hoses.find((candidate) => candidate.id === hoseId);
  const cautions: Caution[] = [
    ...judgeClocking(spec.endA.neckAngle_rad, spec.endB.neckAngle_rad, spec.clocking_rad),
  ];
  for (const jointId of hose ? [hose.fromJointId, hose.toJointId] : []) {
    const joint = detail.circuit.joints.find((candidate) => candidate.id === jointId);
    const chosen = detail.joints.find((candidate) => candidate.jointId === jointId);
    const port = detail.circuit.ports.find((candidate) => candidate.id === joint?.portId);
    if (!joint || !port || !chosen?.bolt || !chosen.washer || joint.eyeThickness_m === null) continue;
    cautions.push(
      ...judgeBoltThread(port.thread, chosen.bolt.thread),
      ...judgeWasherMaterial(chosen.bolt.material, chosen.washer.material),
    );
    if (port.depth_m === null) continue;
    const stack = boltEngagement({
      eyes: eyesOn(detail.circuit, jointId),
      eyeThickness_m: joint.eyeThickness_m,
      washerThickness_m: chosen.washer.thickness_m,
      boltLength_m: chosen.bolt.length_m,
      boltDiameter_m: chosen.bolt.diameter_m,
      portDepth_m: port.depth_m,
    });
    if (stack.ok) cautions.push(...stack.cautions);
  }
  return cautions;
}
