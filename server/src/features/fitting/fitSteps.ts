/** Steps of fitting that are taken and taken back: each judged against the plan as it stands when its turn comes. */
import type { FitStep, JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { stepKey } from '@zephyrcombe/core/plan';
import {
  cautionDigest,
  fitNames,
  fitStepGate,
  isOfferedUp,
  isRecordedElsewhere,
  named,
  offeredFacts,
  withoutReason,
} from '@zephyrcombe/workshop';
import { randomUUID } from 'node:crypto';
import { AppProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { evidenceCautions, keptEvidence } from '../evidence/keptEvidence.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { approved, requireStopsAnswered, requireWay, told } from '../jobs/jobAction.ts';
import { writeCaps, writeEffects } from './stepEffects.ts';

type Taken = Pick<FitStep, 'id' | 'step'>;

export async function takeFitSteps(action: JobAction, body: ParsedBody<'takeFitSteps'>): Promise<void> {
  const { models, transaction, person } = action;
  let detail = action.detail;
  const taken: Taken[] = [];
  const stood: Caution[] = [];
  for (const { id, step } of body.steps) {
    if (await isTaken(action, id, step)) continue;
    const gate = fitStepGate(detail, step);
    // What no reason opens comes first: nobody gives one for nothing.
    requireWay(gate.obstacles, person);
    const cautions = [
      ...gate.cautions,
      ...(step.kind === 'join' ? await donorCautions(action, step.joint) : []),
    ];
    // Over the whole request: one reason does not answer the same mistake at two joints.
    const fresh = withoutReason(cautions, action.detail.reasons).filter(
      (caution) => !stood.some((one) => cautionDigest(one) === cautionDigest(caution)),
    );
    stood.push(...fresh);
    requireStopsAnswered(stood, body.overrides, person);
    if (step.kind === 'offerUp') detail = await offered(action, detail, step.line);
    detail = await written(action, detail, { id, step }, cautions, gate.passedOver, {
      fresh,
      overrides: body.overrides,
    });
    taken.push({ id, step });
  }
  if (taken.length === 0) return;
  await writeRows(action, taken);
  await writeCaps({ job: action.job, detail: action.detail, models, transaction }, taken);
  await writeEffects(action, detail);
}

/** A step that is part of a record: of a torque, that it is tight. Judged by who records it. */
export async function takeRecordedSteps(action: JobAction, steps: readonly PlanStep[]): Promise<void> {
  let { detail } = action;
  const taken = steps.map((step) => ({ id: randomUUID(), step }));
  for (const one of taken) detail = withStep(action, detail, one);
  if (taken.length > 0) await writeRows(action, taken);
  await writeEffects(action, detail);
}

async function isTaken(
  { models, detail, transaction }: JobAction,
  id: string,
  step: PlanStep,
): Promise<boolean> {
  const known = await models.FitStep.findOne({ where: { id }, transaction });
  if (known === null) return false;
  if (known.jobId !== detail.job.id || known.step === null || stepKey(known.step) !== stepKey(step))
    throw new AppProblem('id-taken');
  return true;
}

/** The job with a step more in it. */
const withStep = ({ now, person }: JobAction, detail: JobDetail, taken: Taken): JobDetail => ({
  ...detail,
  fitSteps: [...detail.fitSteps, { ...taken, at: now.toISOString(), by: person.name }],
});

/** In the order in which they were taken: the database numbers them. */
async function writeRows(action: JobAction, taken: readonly Taken[]): Promise<void> {
  const { models, transaction, person, now, detail } = action;
  await models.FitStep.bulkCreate(
    taken.map((one) => ({
      ...one,
      jobId: detail.job.id,
      undoesId: null,
      at: now,
      receivedAt: now,
      by: person.name,
      byId: person.id,
    })),
    { transaction },
  );
}

/** What was not asked before it, and the reasons that came with the request. */
interface Answered {
  readonly fresh: readonly Caution[];
  readonly overrides: ParsedBody<'takeFitSteps'>['overrides'];
}

async function written(
  action: JobAction,
  detail: JobDetail,
  taken: Taken,
  cautions: readonly Caution[],
  passedOver: readonly string[],
  { fresh, overrides }: Answered,
): Promise<JobDetail> {
  const after = withStep(action, detail, taken);
  const asked = new Set(fresh.map(({ id }) => id));
  const own = overrides.filter(({ caution }) => asked.has(caution));
  await action.log('fitStepTaken', {
    step: { ...taken.step },
    ...aboutOf(taken.step),
    ...(passedOver.length > 0 ? { passedOver } : {}),
    ...(cautions.length > 0 ? { cautions: told(cautions), overrides: own } : {}),
  });
  return after;
}

/** By which the log is asked for what was done to a joint or a hose. */
const aboutOf = (step: PlanStep): Readonly<Record<string, string>> => ({
  ...('joint' in step ? { jointId: step.joint } : {}),
  ...('line' in step ? { hoseId: step.line } : {}),
  ...('nipple' in step ? { nippleId: step.nipple } : {}),
});

/** This very hose was held against its route; another box, proof or length is another hose. */
async function offered(action: JobAction, detail: JobDetail, hoseId: string): Promise<JobDetail> {
  const { models, transaction, person, now } = action;
  const own = hoseOfJob(detail, hoseId);
  if (own === null) return detail;
  const offeredUp = approved({ person, now }, offeredFacts(own));
  await models.JobHose.update(
    { offeredUp, version: own.hose.version + 1 },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
  return withOffered(detail, hoseId, offeredUp);
}

function withOffered(
  detail: JobDetail,
  hoseId: string,
  offeredUp: JobDetail['hoses'][number]['offeredUp'],
): JobDetail {
  const hoses = detail.hoses.map((hose) => (hose.hoseId === hoseId ? { ...hose, offeredUp } : hose));
  const after = { ...detail, hoses };
  const isAll = hoses.every((hose) => {
    const one = hoseOfJob(after, hose.hoseId);
    return one !== null && isOfferedUp(one);
  });
  return { ...after, job: { ...detail.job, fitChecks: { ...detail.job.fitChecks, offeredUp: isAll } } };
}

/** The last step that was taken by itself. A joint that is tight is not slackened by a tick: it is cracked, and that is a step. */
export async function undoFitStep(action: JobAction, stepId: string): Promise<void> {
  const { detail, models, transaction, person, now, log } = action;
  const last = detail.fitSteps.at(-1);
  const asked = detail.fitSteps.find(({ id }) => id === stepId);
  if (asked === undefined || last === undefined) throw new AppProblem('not-found');
  if (asked.id !== last.id || isRecordedElsewhere(asked.step))
    requireWay([{ code: 'fitNotLast', step: named(asked.step, fitNames(detail)) }], person);
  await models.FitStep.create(
    {
      id: randomUUID(),
      jobId: detail.job.id,
      step: null,
      undoesId: stepId,
      at: now,
      receivedAt: now,
      by: person.name,
      byId: person.id,
    },
    { transaction },
  );
  let after: JobDetail = { ...detail, fitSteps: detail.fitSteps.slice(0, -1) };
  const { step } = asked;
  if (step.kind === 'offerUp') {
    await models.JobHose.update(
      {
        offeredUp: null,
        version: (detail.hoses.find(({ hoseId }) => hoseId === step.line)?.version ?? 0) + 1,
      },
      { where: { jobId: detail.job.id, hoseId: step.line }, transaction },
    );
    after = withOffered(after, step.line, null);
  }
  await log('fitStepTaken', { step: { ...step }, ...aboutOf(step), undo: true });
  await writeCaps(action, [asked], true);
  await writeEffects(action, after);
}

/** What stands against a donor hose that is to go on this joint: one that came in a box, or was made here, takes its place. */
async function donorCautions(
  { detail, models, transaction }: JobAction,
  jointId: string,
): Promise<Caution[]> {
  const donors = await keptEvidence(models, detail.job.id, transaction);
  return detail.hoses.flatMap((own) => {
    const hose = hoseOfJob(detail, own.hoseId)?.fitted;
    const ends = hose ? [hose.fromJointId, hose.toJointId] : [];
    if (!hose || !ends.includes(jointId) || own.kit !== null || own.build?.madeHere === true) return [];
    return evidenceCautions(donors, 'donorChecked', hose.id).map((caution) => ({
      ...caution,
      subject: hose.name,
    }));
  });
}
