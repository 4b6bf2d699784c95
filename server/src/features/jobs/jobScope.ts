/** Which hoses a job replaces, and the joints that go with them. */
import { isDeepStrictEqual } from 'node:util';
import type { Circuit } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { JobAction } from './jobAction.ts';
import { newJobHose, newJobJoint } from './newJob.ts';

/** Hoses come into the job as they are on the vehicle; one that was already measured does not leave it unsaid. */
export async function setJobHoses(action: JobAction, hoseIds: readonly string[]): Promise<void> {
  const { job, detail, models, transaction, log } = action;
  const wanted = detail.circuit.hoses.filter((hose) => hoseIds.includes(hose.id));
  if (wanted.length !== new Set(hoseIds).size)
    throw fieldProblem('hoseIds', 'names a hose that is not on this circuit');
  if (wanted.some((hose) => hose.kind !== 'hose'))
    throw fieldProblem('hoseIds', 'names a hard line: replace it by a hose on the drawing first');
  const leaving = detail.hoses.filter((hose) => !hoseIds.includes(hose.hoseId));
  const busy = leaving.filter((hose) => hasWork(action, hose.hoseId));
  if (busy.length > 0) {
    throw new AppProblem('in-use', {
      detail: 'Work is recorded on a hose that would leave the job. Strike it out first.',
      errors: busy.map(({ hoseId }) => ({
        field: 'hoseIds',
        message: `${nameOf(detail.circuit, hoseId)} has readings or torque records`,
      })),
    });
  }
  await writeScope(
    models,
    transaction,
    detail.job.id,
    detail.circuit,
    wanted.map((hose) => hose.id),
  );
  await job.update({ version: job.version + 1 }, { transaction });
  await log('hosesChosen', { hoses: wanted.map((hose) => hose.name) });
}

const nameOf = (circuit: Circuit, hoseId: string) =>
  circuit.hoses.find((hose) => hose.id === hoseId)?.name ?? '';

/** Whether something was measured on a hose or torqued on one of its joints. */
export function hasWork({ detail }: Pick<JobAction, 'detail'>, hoseId: string): boolean {
  const hose = detail.circuit.hoses.find((candidate) => candidate.id === hoseId);
  return (
    detail.readings.some((reading) => reading.hoseId === hoseId && reading.struckBecause === null) ||
    detail.torqueRecords.some(
      (record) => record.jointId === hose?.fromJointId || record.jointId === hose?.toJointId,
    )
  );
}

/** Brings the hoses of a job to these, and its joints to theirs. What stays keeps what was entered on it. */
export async function writeScope(
  models: Models,
  transaction: Transaction,
  jobId: string,
  circuit: Circuit,
  hoseIds: readonly string[],
): Promise<void> {
  const now = await models.JobHose.findAll({ where: { jobId }, transaction });
  const leaving = now.map((row) => row.hoseId).filter((id) => !hoseIds.includes(id));
  if (leaving.length > 0) await models.JobHose.destroy({ where: { jobId, hoseId: leaving }, transaction });
  const entering = circuit.hoses.filter(
    (hose) => hoseIds.includes(hose.id) && !now.some((row) => row.hoseId === hose.id),
  );
  await models.JobHose.bulkCreate(
    entering.map((hose, index) => newJobHose(jobId, hose, now.length + index)),
    { transaction },
  );
  await syncJoints(models, transaction, jobId, circuit);
}

/** The joints of a job are those its hoses end on. A joint with a torque record stays: it is evidence. */
async function syncJoints(
  models: Models,
  transaction: Transaction,
  jobId: string,
  circuit: Circuit,
): Promise<void> {
  const hoses = await models.JobHose.findAll({ where: { jobId }, transaction });
  const joints = await models.JobJoint.findAll({ where: { jobId }, transaction });
  const records = await models.TorqueRecord.findAll({ where: { jobId }, transaction });
  const scope = circuit.hoses.filter((hose) => hoses.some((row) => row.hoseId === hose.id));
  const wanted = new Set(scope.flatMap((hose) => [hose.fromJointId, hose.toJointId]));
  const idle = joints
    .map((row) => row.jointId)
    .filter((id) => !wanted.has(id) && !records.some((record) => record.jointId === id));
  if (idle.length > 0) await models.JobJoint.destroy({ where: { jobId, jointId: idle }, transaction });
  await models.JobJoint.bulkCreate(
    circuit.joints
      .filter((joint) => wanted.has(joint.id) && !joints.some((row) => row.jointId === joint.id))
      .map((joint, index) => newJobJoint(jobId, joint, joints.length + index)),
    { transaction },
  );
}

/**
 * Takes a change of the drawing into an open job: its joints, and what a job holds of bolts, washers and ends as long as
 * nobody chose another there.
 */
export async function followCircuit(
  models: Models,
  transaction: Transaction,
  jobId: string,
  before: Circuit,
  after: Circuit,
): Promise<void> {
  await syncJoints(models, transaction, jobId, after);
  for (const row of await models.JobJoint.findAll({ where: { jobId }, transaction })) {
    const was = before.joints.find((joint) => joint.id === row.jointId);
    const now = after.joints.find((joint) => joint.id === row.jointId);
    if (!was || !now || isDeepStrictEqual([was.bolt, was.washer], [now.bolt, now.washer])) continue;
    if (!isDeepStrictEqual([row.bolt, row.washer], [was.bolt, was.washer])) continue;
    await row.update({ bolt: now.bolt, washer: now.washer, version: row.version + 1 }, { transaction });
  }
  for (const row of await models.JobHose.findAll({
    where: { jobId, specified: false, order_m: null },
    transaction,
  })) {
    const was = before.hoses.find((hose) => hose.id === row.hoseId);
    const now = after.hoses.find((hose) => hose.id === row.hoseId);
    if (!was || !now || isDeepStrictEqual([was.endA, was.endB], [now.endA, now.endB])) continue;
    if (!isDeepStrictEqual([row.endA, row.endB], [was.endA, was.endB])) continue;
    const { endA, endB } = now;
    await row.update({ endA, endB, orderDatum: null, version: row.version + 1 }, { transaction });
  }
}
