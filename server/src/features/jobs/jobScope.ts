/** What a job works on: its circuits, the hoses that it replaces, and the joints that go with them. */
import type { Circuit, Hose, Job, Joint } from '@zephyrcombe/contract';
import { partsOf, stepOfOpening } from '@zephyrcombe/contract';
import { FIELD_FAULTS, REFUSALS } from '@zephyrcombe/messages';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { loadCircuits } from '../vehicles/circuit.repository.ts';
import type { JobAction } from './jobAction.ts';
import { newJobHose, newJobJoint, newJobLine, NOT_FITTED } from './newJob.ts';

export interface Scope {
  readonly circuits: readonly Circuit[];
  readonly hoses: readonly Hose[];
  /** Hard lines that are made anew. */
  readonly lines: readonly Hose[];
  /** Joints that are opened and tightened anew while their lines stay. */
  readonly joints: readonly Joint[];
}

/** As the log tells a scope. */
export const namesOf = ({ circuits, hoses, lines, joints }: Scope) => ({
  circuits: circuits.map(({ name }) => name),
  hoses: hoses.map(({ name }) => name),
  ...(lines.length > 0 ? { lines: lines.map(({ name }) => name) } : {}),
  ...(joints.length > 0 ? { joints: joints.map(({ name }) => name) } : {}),
});

type AskedScope = Pick<ParsedBody<'setScope'>, 'circuitIds' | 'hoseIds' | 'lineIds' | 'jointIds'>;

/** The circuits, hoses, hard lines and joints that somebody asks for. A circuit that is opened has its fluid changed: it need not be named. */
export function scopeOf(
  circuits: readonly Circuit[],
  { circuitIds, hoseIds, lineIds, jointIds = [] }: AskedScope,
): Scope {
  const all = circuits.flatMap(({ hoses }) => hoses);
  if (circuitIds.some((id) => !circuits.some((circuit) => circuit.id === id)))
    throw fieldProblem('circuitIds', 'notOnVehicle');
  const hoses = hoseIds.map((id) => {
    const line = all.find((candidate) => candidate.id === id);
    if (!line) throw fieldProblem('hoseIds', 'hoseNotOnVehicle');
    if (line.kind !== 'hose') throw fieldProblem('hoseIds', 'lineNamedAsHose');
    return line;
  });
  const lines = lineIds.map((id) => {
    const line = all.find((candidate) => candidate.id === id);
    if (line?.kind !== 'hardLine') throw fieldProblem('lineIds', 'noHardLine');
    return line;
  });
  const joints = jointIds.map((id) => {
    const joint = circuits.flatMap((circuit) => circuit.joints).find((candidate) => candidate.id === id);
    if (!joint) throw fieldProblem('jointIds', 'noJoint');
    return joint;
  });
  const worked = circuits.filter(
    ({ id }) =>
      circuitIds.includes(id) || [...hoses, ...lines, ...joints].some((part) => part.circuitId === id),
  );
  if (worked.length === 0) throw fieldProblem('hoseIds', 'nothingNamed');
  // As on the drawing, whatever order they were ticked in.
  return {
    circuits: worked,
    hoses: all.filter((line) => hoses.includes(line)),
    lines: all.filter((line) => lines.includes(line)),
    joints: circuits.flatMap((circuit) => circuit.joints).filter((joint) => joints.includes(joint)),
  };
}

export const refitIdsOf = ({ joints }: Pick<JobAction['detail'], 'joints'>): readonly string[] =>
  joints.filter(({ refit }) => refit).map(({ jointId }) => jointId);

/** What comes into the job comes as it is on the vehicle; what was already worked on does not leave it unsaid. */
export async function setScope(action: JobAction, body: ParsedBody<'setScope'>): Promise<void> {
  const { job, detail, models, transaction, log } = action;
  const circuits = await loadCircuits({ models }, { vehicleId: detail.vehicle.id }, transaction);
  const scope = scopeOf(circuits, { ...body, jointIds: body.jointIds ?? [...refitIdsOf(detail)] });
  const leaving = detail.hoses.filter(({ hoseId }) => !scope.hoses.some(({ id }) => id === hoseId));
  const leavingLines = detail.lines.filter(({ lineId }) => !scope.lines.some(({ id }) => id === lineId));
  const busy = [
    ...leaving.map(({ hoseId }) => hoseId).filter((id) => hasWork(action, id)),
    ...leavingLines
      .filter(({ lineId, made }) => made !== null || hasWork(action, lineId))
      .map(({ lineId }) => lineId),
  ];
  const busyJoints = refitIdsOf(detail).filter(
    (id) => !scope.joints.some((joint) => joint.id === id) && isJointWorked(detail, id),
  );
  const leavingCircuits = detail.circuits.filter(
    ({ circuit }) => !scope.circuits.some(({ id }) => id === circuit.id),
  );
  const pumped = leavingCircuits.filter(
    ({ circuit, before }) =>
      before !== null ||
      circuit.components.some(({ id }) =>
        detail.bleedRuns.some(({ nippleId, events }) => nippleId === id && events.length > 0),
      ),
  );
  if (busy.length + busyJoints.length + pumped.length > 0) {
    throw new AppProblem('in-use', {
      detail: REFUSALS.workOnLeaving,
      errors: [
        ...busy.map((id) => ({ field: 'hoseIds', message: FIELD_FAULTS.hasWork(nameOf(detail, id)) })),
        ...busyJoints.map((id) => ({
          field: 'jointIds',
          message: FIELD_FAULTS.hasWork(partsOf(detail).joints.find((joint) => joint.id === id)?.name ?? ''),
        })),
        ...pumped.map(({ circuit, before }) => ({
          field: 'circuitIds',
          message:
            before === null ? FIELD_FAULTS.wasBled(circuit.name) : FIELD_FAULTS.wasLaidOut(circuit.name),
        })),
      ],
    });
  }
  await writeScope(models, transaction, detail.job.id, scope);
  await job.update({ ...openedByEntering(detail, scope), version: job.version + 1 }, { transaction });
  await log('hosesChosen', namesOf(scope));
}

/**
 * What was looked over and offered up was what the job then held: it is said anew when something comes in. One tick for the
 * fluid is no word about the ends of a hose.
 */
export function openedByEntering(
  { circuits, hoses, lines, joints }: JobAction['detail'],
  scope: Scope,
): Partial<Pick<Job, 'endsConfirmed' | 'fitChecks'>> {
  const isNewHose =
    scope.hoses.some(({ id }) => !hoses.some(({ hoseId }) => hoseId === id)) ||
    scope.lines.some(({ id }) => !lines.some(({ lineId }) => lineId === id));
  const isNewCircuit = scope.circuits.some(({ id }) => !circuits.some(({ circuit }) => circuit.id === id));
  const isNewJoint = scope.joints.some(({ id }) => !joints.some(({ jointId }) => jointId === id));
  return {
    ...(isNewHose || isNewCircuit || isNewJoint ? { endsConfirmed: false } : {}),
    ...(isNewHose ? { fitChecks: NOT_FITTED } : {}),
  };
}

const nameOf = (detail: JobAction['detail'], hoseId: string) =>
  partsOf(detail).hoses.find((hose) => hose.id === hoseId)?.name ?? '';

/** Put on, tightened or looked at when it was tight. */
export const isJointWorked = (
  { joints, torqueRecords, fitSteps }: JobAction['detail'],
  id: string,
): boolean =>
  fitSteps.some(({ step }) => 'joint' in step && step.joint === id && stepOfOpening(step)) ||
  joints.some(({ jointId, handTight, leakChecked }) => jointId === id && (handTight || leakChecked)) ||
  torqueRecords.some(({ jointId }) => jointId === id);

/** Whether something was measured or made on a hose, its box opened, or one of its joints put on or torqued. */
export function hasWork({ detail }: Pick<JobAction, 'detail'>, hoseId: string): boolean {
  const line = partsOf(detail).hoses.find((candidate) => candidate.id === hoseId);
  const own = detail.hoses.find((candidate) => candidate.hoseId === hoseId);
  return (
    [line?.fromJointId, line?.toJointId].some((id) => id !== undefined && isJointWorked(detail, id)) ||
    detail.readings.some((reading) => reading.hoseId === hoseId && reading.struckBecause === null) ||
    (own !== undefined && (own.kit !== null || own.makeUp.steps.length + own.makeUp.proofs.length > 0))
  );
}

/** A hose that another open job replaces, or a joint that it works on, is not taken off the drawing behind its back. */
export async function requireScopesStay(
  models: Models,
  transaction: Transaction,
  circuitId: string,
  next: {
    readonly hoses: readonly { readonly id: string; readonly kind: Hose['kind'] }[];
    readonly joints: readonly { readonly id: string }[];
  },
  exceptJobId?: string,
): Promise<void> {
  const open = (await openJobsOn(models, transaction, circuitId)).filter(({ id }) => id !== exceptJobId);
  await requireJointsStay(models, transaction, circuitId, next.joints, open);
  const rows = await models.JobHose.findAll({ where: { jobId: open.map((job) => job.id) }, transaction });
  const lines = await models.JobLine.findAll({ where: { jobId: open.map((job) => job.id) }, transaction });
  const leaving = [
    ...rows.map((row) => ({ jobId: row.jobId, hoseId: row.hoseId, kind: 'hose' })),
    ...lines.map((row) => ({ jobId: row.jobId, hoseId: row.lineId, kind: 'hardLine' })),
  ].filter((row) => !next.hoses.some((hose) => hose.id === row.hoseId && hose.kind === row.kind));
  // Hoses of another circuit are not on this drawing to begin with.
  const gone = await models.Hose.findAll({
    where: { id: leaving.map((row) => row.hoseId), circuitId },
    transaction,
  });
  if (gone.length === 0) return;
  throw new AppProblem('in-use', {
    detail: REFUSALS.lineInOpenJob,
    errors: leaving.flatMap((row) => {
      const hose = gone.find(({ id }) => id === row.hoseId);
      const title = open.find((job) => job.id === row.jobId)?.title ?? '';
      return hose ? [{ field: hose.name, message: FIELD_FAULTS.inJob(title) }] : [];
    }),
  });
}

async function requireJointsStay(
  models: Models,
  transaction: Transaction,
  circuitId: string,
  next: readonly { readonly id: string }[],
  open: readonly { readonly id: string; readonly title: string }[],
): Promise<void> {
  const refits = await models.JobJoint.findAll({
    where: { jobId: open.map(({ id }) => id), refit: true },
    transaction,
  });
  const leaving = refits.filter(({ jointId }) => !next.some(({ id }) => id === jointId));
  // Joints of another circuit are not on this drawing to begin with.
  const gone = await models.Joint.findAll({
    where: { id: leaving.map(({ jointId }) => jointId), circuitId },
    transaction,
  });
  if (gone.length === 0) return;
  throw new AppProblem('in-use', {
    detail: REFUSALS.lineInOpenJob,
    errors: leaving.flatMap(({ jobId, jointId }) => {
      const joint = gone.find(({ id }) => id === jointId);
      const title = open.find(({ id }) => id === jobId)?.title ?? '';
      return joint ? [{ field: joint.name, message: FIELD_FAULTS.inJob(title) }] : [];
    }),
  });
}

/** The open jobs that work on a circuit. */
export async function openJobsOn(
  models: Models,
  transaction: Transaction,
  circuitId: string,
): Promise<readonly { readonly id: string; readonly title: string }[]> {
  const named = await models.JobCircuit.findAll({ where: { circuitId }, attributes: ['jobId'], transaction });
  return models.Job.findAll({
    where: { id: named.map(({ jobId }) => jobId), status: 'open' },
    attributes: ['id', 'title'],
    transaction,
  });
}

/** Brings a job to these circuits, hoses and hard lines, and its joints to theirs. What stays keeps what was entered on it. */
export async function writeScope(
  models: Models,
  transaction: Transaction,
  jobId: string,
  { circuits, hoses, lines, joints }: Scope,
): Promise<void> {
  const where = { jobId };
  const there = await models.JobCircuit.findAll({ where, transaction });
  const gone = there
    .map((row) => row.circuitId)
    .filter((id) => !circuits.some((circuit) => circuit.id === id));
  if (gone.length > 0) await models.JobCircuit.destroy({ where: { jobId, circuitId: gone }, transaction });
  const placed = 1 + Math.max(-1, ...there.map(({ position }) => position));
  await models.JobCircuit.bulkCreate(
    circuits
      .filter(({ id }) => !there.some((row) => row.circuitId === id))
      .map(({ id }, index) => ({
        jobId,
        circuitId: id,
        found: null,
        signed: null,
        position: placed + index,
      })),
    { transaction },
  );
  const now = await models.JobHose.findAll({ where, transaction });
  const leaving = now.map((row) => row.hoseId).filter((id) => !hoses.some((hose) => hose.id === id));
  if (leaving.length > 0) await models.JobHose.destroy({ where: { jobId, hoseId: leaving }, transaction });
  const entering = hoses.filter((hose) => !now.some((row) => row.hoseId === hose.id));
  const last = 1 + Math.max(-1, ...now.map(({ position }) => position));
  await models.JobHose.bulkCreate(
    entering.map((hose, index) => newJobHose(jobId, hose, last + index)),
    { transaction },
  );
  await writeLines(models, transaction, jobId, lines);
  const refit = joints.map(({ id }) => id);
  for (const row of await models.JobJoint.findAll({ where, transaction }))
    if (row.refit !== refit.includes(row.jointId))
      await row.update({ refit: !row.refit, version: row.version + 1 }, { transaction });
  await syncJoints(models, transaction, jobId, refit);
}

async function writeLines(
  models: Models,
  transaction: Transaction,
  jobId: string,
  lines: readonly Hose[],
): Promise<void> {
  const where = { jobId };
  const there = await models.JobLine.findAll({ where, transaction });
  const leaving = there.map(({ lineId }) => lineId).filter((id) => !lines.some((line) => line.id === id));
  if (leaving.length > 0) await models.JobLine.destroy({ where: { jobId, lineId: leaving }, transaction });
  const entering = lines.filter(({ id }) => !there.some(({ lineId }) => lineId === id));
  if (entering.length === 0) return;
  const next = 1 + Math.max(-1, ...there.map(({ position }) => position));
  await models.JobLine.bulkCreate(
    entering.map(({ id }, index) => newJobLine(jobId, id, next + index)),
    { transaction },
  );
}

/**
 * The joints of a job are those its hoses and hard lines end on, and those that it refits. A joint with a torque record stays: it
 * is evidence.
 */
async function syncJoints(
  models: Models,
  transaction: Transaction,
  jobId: string,
  refit?: readonly string[],
): Promise<void> {
  const where = { jobId };
  const hoses = await models.JobHose.findAll({ where, attributes: ['hoseId'], transaction });
  const made = await models.JobLine.findAll({ where, attributes: ['lineId'], transaction });
  const joints = await models.JobJoint.findAll({ where, transaction });
  const records = await models.TorqueRecord.findAll({ where, attributes: ['jointId'], transaction });
  const lines = await models.Hose.findAll({
    where: {
      id: [...hoses.map(({ hoseId }) => hoseId), ...made.map(({ lineId }) => lineId)],
      retired: false,
    },
    attributes: ['fromJointId', 'toJointId'],
    transaction,
  });
  const refits = refit ?? joints.filter((row) => row.refit).map((row) => row.jointId);
  const wanted = new Set([...lines.flatMap((line) => [line.fromJointId, line.toJointId]), ...refits]);
  const idle = joints
    .map((row) => row.jointId)
    .filter((id) => !wanted.has(id) && !records.some((record) => record.jointId === id));
  if (idle.length > 0) await models.JobJoint.destroy({ where: { jobId, jointId: idle }, transaction });
  const entering = await models.Joint.findAll({
    where: { id: [...wanted].filter((id) => !joints.some((row) => row.jointId === id)) },
    order: [['position', 'ASC']],
    transaction,
  });
  const last = 1 + Math.max(-1, ...joints.map(({ position }) => position));
  await models.JobJoint.bulkCreate(
    entering.map((joint, index) =>
      newJobJoint(jobId, joint.get({ plain: true }), last + index, refits.includes(joint.id)),
    ),
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
  await syncJoints(models, transaction, jobId);
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
