import type { JobDetail, Joint, Person, PullRecord, TorqueRecord, Wrench } from '@zephyrcombe/contract';
import { capsAt, fittedBolt, partsOf, refitCautions, torqueOf } from '@zephyrcombe/contract';
import {
  fitPlanOf,
  fittedFacts,
  isTooFar,
  jointGate,
  retightenGate,
  tightenGate,
  withoutReason,
} from '@zephyrcombe/workshop';
import { isDeepStrictEqual } from 'node:util';
import type { Order } from 'sequelize';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { plainStep } from '@zephyrcombe/core/plan';
import { createWriter, problemText, PULL_UNITS, REFUSALS } from '@zephyrcombe/messages';
import type { Caution, PullFinding, TorqueAttempt, TorqueVerdict } from '@zephyrcombe/core';
import {
  crowfootTorque,
  eyesOn,
  isNoFigure,
  judgePull,
  judgeTorqueAttempt,
  judgeTorquePart,
  washersNeeded,
} from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers, ParsedBody } from '../../http/handlers.ts';
import { requireTyped } from '../../http/requireTyped.ts';
import { takeRecordedSteps } from '../fitting/fitSteps.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import {
  approved,
  onOpenJob,
  requireAsSeen,
  requireStopsAnswered,
  requireWay,
  told,
} from '../jobs/jobAction.ts';

export function torqueHandlers(dependencies: Dependencies): Pick<Handlers, 'recordTorque' | 'recordByFeel'> {
  return {
    recordTorque: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => recordTorque(action, body)),
    recordByFeel: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => recordByFeel(action, body)),
  };
}

interface Tightened {
  readonly id: string;
  readonly jointId: string;
  readonly freshWashers: number;
  readonly witnessMark: boolean;
  readonly seen?: string | undefined;
  readonly renewed: boolean;
  readonly pullId?: string | null;
  readonly overrides: ParsedBody<'recordTorque'>['overrides'];
}

/** Everything that stands before a wrench is put on, whatever is read on it; null where it was recorded before. */
async function atTheJoint(action: JobAction, tightened: Tightened) {
  const { detail, person } = action;
  const { id, jointId, freshWashers, witnessMark, seen } = tightened;
  if (detail.torqueRecords.some((record) => record.id === id)) return null;
  const joint = partsOf(detail).joints.find((candidate) => candidate.id === jointId);
  const state = detail.joints.find((candidate) => candidate.jointId === jointId);
  if (!joint || !state) throw fieldProblem('jointId', 'notInScope');
  if (!state.handTight) requireWay([{ code: 'notHandTight', joint: joint.name }], person);
  const planned = tighteningSteps(detail, joint.id, witnessMark);
  const [first] = planned;
  // What is tight already is tightened once more by the record alone; where there is no plan at all, nothing is.
  const gate =
    first || !fitPlanOf(detail).draft.ok
      ? tightenGate(detail, first ?? { kind: 'byFeel', joint: joint.id })
      : retightenGate(detail, joint.id);
  requireWay(gate.obstacles, person);
  const parts = fittedFacts(detail, joint.id);
  requireAsSeen(seen, parts);
  // Hand tight before, and something changed since.
  requireWay(jointGate(detail, joint.id), person);
  const isBeyond = await wasTooFar(action, joint, tightened.pullId ?? null);
  if (isBeyond && !tightened.renewed)
    requireWay([{ code: 'tightenedTooFar', joint: joint.name, seal: joint.seal }], person);
  const cautions: readonly Caution[] = [
    ...capsAt(detail, joint.id),
    ...gate.cautions,
    ...leftBare(planned, freshWashers, joint.name),
    // Another bolt chosen since it was put on; what was answered then is answered.
    ...withoutReason(refitCautions(detail, joint.id), detail.reasons),
  ];
  const settled = gate.cautions.every(({ id: caution }) => caution !== 'M99');
  // Said of a joint that never was, it would be a false record.
  return { joint, state, planned, parts, cautions, settled, renewed: isBeyond };
}
type AtTheJoint = NonNullable<Awaited<ReturnType<typeof atTheJoint>>>;

/**
 * Whether the joint was pulled over its limit, or turned on without getting tighter, and nobody has said since that its bolt is
 * new: by its last record, and by what the wrench told of a pull that nobody recorded; in this job or in one that was given up.
 */
async function wasTooFar(
  { models, transaction }: JobAction,
  joint: Joint,
  /** The one that is being recorded. */
  ownPullId: string | null,
): Promise<boolean> {
  const where = { jointId: joint.id };
  const order: Order = [
    ['at', 'ASC'],
    ['sequence', 'ASC'],
  ];
  const records = (await models.TorqueRecord.findAll({ where, order, transaction })).map((row) =>
    row.get({ plain: true }),
  );
  const last = records.at(-1);
  if (last && isTooFar(last)) return true;
  const renewedAt = records.findLast(({ renewed }) => renewed === true)?.at;
  const pulls = await models.TorquePull.findAll({ where, transaction });
  return pulls
    .map((row) => row.get({ plain: true }))
    .filter(
      ({ id, at }) =>
        id !== ownPullId &&
        !records.some(({ pullId }) => pullId === id) &&
        (renewedAt === undefined || at.getTime() > new Date(renewedAt).getTime()),
    )
    .some((pull) => {
      const judged = judgePull(pull);
      if (!judged.ok || judged.value.findings.some(isNoFigure)) return false;
      return (
        judged.value.findings.includes('yielding') ||
        jointPeak_Nm(pull) > torqueOf(joint).governing.maximum_Nm * (1 + 1e-9)
      );
    });
}

function jointPeak_Nm({
  adapter,
  peak_Nm,
}: Pick<PullRecord, 'adapter'> & { readonly peak_Nm: number }): number {
  const reached = adapter ? crowfootTorque({ ...adapter, read_Nm: peak_Nm }) : null;
  return reached?.ok ? reached.value : peak_Nm;
}

type Reading = Pick<
  TorqueRecord,
  'wrenchId' | 'wrenchName' | 'torque_Nm' | 'typed' | 'adapter' | 'pullId' | 'verdict' | 'because' | 'threads'
>;

async function written(
  action: JobAction,
  { joint, state, planned, parts, settled, renewed }: AtTheJoint,
  { id, freshWashers, witnessMark }: Tightened,
  reading: Reading,
): Promise<object> {
  const { detail, models, transaction, person, now } = action;
  const columns = { id, jointId: joint.id, freshWashers, witnessMark, settled, renewed, ...reading };
  await models.TorqueRecord.create(
    {
      ...columns,
      jobId: detail.job.id,
      fitted: approved({ person, now }, parts),
      by: person.name,
      byId: person.id,
      at: now,
    },
    { transaction },
  );
  // Whoever saw it dry before saw it before it was tightened so.
  await models.JobJoint.update(
    { leakChecked: false, version: state.version + 1 },
    { where: { jobId: detail.job.id, jointId: joint.id, leakChecked: true }, transaction },
  );
  // One that was pulled too far is to be done anew.
  if (!isTooFar(reading)) await takeRecordedSteps(action, planned);
  return columns;
}

async function recordTorque(action: JobAction, body: ParsedBody<'recordTorque'>): Promise<void> {
  const { detail, person, log } = action;
  const wrench = detail.wrenches.find((candidate) => candidate.id === body.wrenchId);
  const at = await atTheJoint(action, body);
  if (at === null) return;
  if (!wrench) throw fieldProblem('wrenchId', 'noWrenchHere');
  requireTyped(body.typed, 'torque', body.torque_Nm, 'torque_Nm');
  const pull = body.pullId === null ? null : await pulled(action, body, body.pullId, wrench);
  const torques = torqueOf(at.joint);
  const calibration = await calibrationOf(action, wrench);
  const judged = attempted(detail, at.joint, { ...wrench, calibration }, body, person);
  const cautions = [
    ...judgeTorquePart(torques, fittedBolt(at.joint, at.state.bolt), judged.joint_Nm),
    ...judged.cautions,
    ...at.cautions,
  ];
  requireStopsAnswered(cautions, body.overrides, person);
  const { wrenchId, typed, adapter, pullId, threads, overrides } = body;
  const { name: wrenchName } = wrench;
  const { joint_Nm: torque_Nm } = judged;
  const gave = judged.verdict === 'within' && pull?.findings.includes('yielding') === true;
  const verdict: TorqueRecord['verdict'] = gave ? 'yielded' : judged.verdict;
  const reading = { wrenchId, wrenchName, torque_Nm, typed, adapter, pullId, verdict, threads };
  const columns = await written(action, at, body, reading);
  await log('torqued', {
    ...columns,
    jointId: at.joint.id,
    torque_Nm,
    typed,
    wrenchName,
    verdict,
    ...(pull ? { pull: { ...pull } } : {}),
    freshWashers: body.freshWashers,
    witnessMark: body.witnessMark,
    threads: threads ?? null,
    renewed: at.renewed,
    range: { ...torques.governing },
    overrides,
    cautions: told(cautions),
  });
}

/** No figure is known: who tightened it, and why without one. Where there is a figure with its source, it is tightened to that. */
async function recordByFeel(action: JobAction, body: ParsedBody<'recordByFeel'>): Promise<void> {
  const { detail, person, log } = action;
  const at = await atTheJoint(action, body);
  if (at === null) return;
  if (torqueOf(at.joint).governing.source !== null) throw fieldProblem('jointId', 'figureKnown');
  const { joint } = at;
  const washers =
    joint.seal === 'banjo' ? washersNeeded(eyesOn(partsOf(detail), joint.id), body.freshWashers) : null;
  const cautions = [...(washers?.ok ? washers.cautions : []), ...at.cautions];
  requireStopsAnswered(cautions, body.overrides, person);
  const { because, freshWashers, witnessMark, overrides } = body;
  const reading = {
    wrenchId: null,
    wrenchName: null,
    torque_Nm: null,
    typed: '',
    adapter: null,
    pullId: null,
    verdict: 'byFeel',
    because,
  } as const;
  const columns = await written(action, at, body, reading);
  await log('torqued', {
    ...columns,
    jointId: joint.id,
    torque_Nm: null,
    typed: '',
    wrenchName: null,
    verdict: 'byFeel',
    because,
    freshWashers,
    witnessMark,
    overrides,
    cautions: told(cautions),
  });
}

/**
 * The steps that a torque stands for: new washers, tight, marked. A joint that is tight is tightened once more by the record alone.
 */
function tighteningSteps(detail: JobDetail, jointId: string, isMarked: boolean): readonly PlanStep[] {
  return fitPlanOf(detail).plan.steps.flatMap((step): PlanStep[] => {
    if (!('joint' in step) || step.joint !== jointId) return [];
    const isOne =
      ['freshWashers', 'torque', 'byFeel'].includes(step.kind) || (step.kind === 'mark' && isMarked);
    return isOne ? [plainStep(step)] : [];
  });
}

/** As the wrench told it last in this job, also where its figure is typed; as the shop has it where it never told. */
async function calibrationOf(
  { detail, models, transaction, now }: JobAction,
  { serial, calibratedOn }: Wrench,
): Promise<NonNullable<TorqueAttempt['calibration']>> {
  const today = calendarDateOf(now);
  const last =
    serial === null
      ? null
      : await models.TorquePull.findOne({
          where: { jobId: detail.job.id, serial },
          order: [['at', 'DESC']],
          transaction,
        });
  const toldOn = last?.calibratedOn ?? null;
  // A clock that is wrong tells a day that is still to come.
  return { calibratedOn: toldOn !== null && toldOn <= today ? toldOn : calibratedOn, today };
}

/** A turn of the wrench as it was read; refused where nothing can be said of it, or where it is under its range. */
function attempted(
  detail: JobDetail,
  joint: Joint,
  wrench: Wrench & { readonly calibration: NonNullable<TorqueAttempt['calibration']> },
  body: ParsedBody<'recordTorque'>,
  person: Person,
): {
  readonly verdict: Exclude<TorqueVerdict, 'below'>;
  readonly joint_Nm: number;
  readonly cautions: readonly Caution[];
} {
  const write = createWriter(person.units);
  const { governing } = torqueOf(joint);
  const judged = judgeTorqueAttempt({
    seal: joint.seal,
    eyes: eyesOn(partsOf(detail), joint.id),
    freshWashers: body.freshWashers,
    reading_Nm: body.torque_Nm,
    range: governing,
    wrenchMaximum_Nm: wrench.maximum_Nm,
    wrenchMinimum_Nm: wrench.minimum_Nm,
    adapter: body.adapter,
    calibration: wrench.calibration,
  });
  if (!judged.ok) {
    const sentence = problemText(judged.problem, write);
    throw new AppProblem('no-answer', {
      detail: sentence,
      errors: [{ field: 'torque_Nm', message: sentence }],
    });
  }
  if (judged.value.verdict === 'below') {
    const lever = judged.cautions.find(({ id }) => id === 'M73');
    // Not to be answered: the joint is not tight, and the wrench has to be set to another figure.
    if (lever) requireStopsAnswered([lever], [], person);
    throw new AppProblem('torque-below-range', {
      detail: REFUSALS.underRange(
        write.torque(judged.value.joint_Nm),
        write.torqueRange(governing.minimum_Nm, governing.maximum_Nm),
      ),
    });
  }
  return { verdict: judged.value.verdict, joint_Nm: judged.value.joint_Nm, cautions: judged.cautions };
}

/** Joined for the trial without new washers, and none is put in now. */
const leftBare = (planned: readonly PlanStep[], freshWashers: number, subject: string): readonly Caution[] =>
  planned.flatMap((step): Caution[] =>
    step.kind === 'freshWashers' && freshWashers === 0
      ? [{ id: 'M59', evidence: { needed: step.washers }, subject }]
      : [],
  );

interface ToldPull {
  readonly serial: string;
  readonly isSimulated: boolean;
  readonly turn_rad: number;
  readonly findings: readonly PullFinding[];
  readonly dropOuts: number;
}

/** What was read from a wrench is what it told, at this joint as it is now, and stands in one record. */
async function pulled(
  { detail, models, transaction }: JobAction,
  { jointId, torque_Nm, adapter }: ParsedBody<'recordTorque'>,
  pullId: string,
  wrench: Wrench,
): Promise<ToldPull> {
  const row = await models.TorquePull.findOne({ where: { id: pullId, jobId: detail.job.id }, transaction });
  const pull = row?.get({ plain: true });
  const joined = detail.fitSteps.findLast(
    ({ step }) => 'joint' in step && step.joint === jointId && step.kind === 'join',
  );
  const isOfNow = !joined || (pull?.at.getTime() ?? 0) >= Date.parse(joined.at);
  const isUsed = detail.torqueRecords.some((record) => record.pullId === pullId);
  if (!pull || pull.jointId !== jointId || pull.serial !== wrench.serial || !isOfNow || isUsed)
    throw fieldProblem('pullId', 'notThatPull');
  if (pull.peak_Nm !== torque_Nm || !isDeepStrictEqual(adapter, pull.adapter))
    throw fieldProblem('torque_Nm', 'notAsPulled');
  const judged = judgePull({ samples: pull.samples, set_Nm: pull.set_Nm });
  if (!judged.ok) throw fieldProblem('pullId', 'notThatPull');
  const { findings, turn_rad } = judged.value;
  const other = findings.find(isNoFigure);
  if (other)
    throw new AppProblem('no-answer', {
      detail: REFUSALS.pullOtherUnit(pull.serial, PULL_UNITS[other] ?? ''),
    });
  const { serial, isSimulated, dropOuts } = pull;
  return { serial, isSimulated, turn_rad, findings, dropOuts };
}
