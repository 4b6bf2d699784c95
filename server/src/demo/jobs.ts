/** The demo's jobs: one about to start, one half fitted, one signed off; four corners half measured, an ABS machine looked over. */
import type { Circuit, LogDetail, LogKind } from '@zephyrcombe/contract';
import { torqueOf } from '@zephyrcombe/contract';
import { HANDOVER_CHECKS, nextDue, sealingDatum } from '@zephyrcombe/core';
import { writeLog } from '../features/jobs/jobAction.ts';
import { namesOf } from '../features/jobs/jobScope.ts';
import { newJobHose, newJobJoint, NOT_FITTED } from '../features/jobs/newJob.ts';
import type { SeedContext } from './context.ts';
import { demoId } from './identity.ts';

const CHECKED = {
  controlsFinal: true,
  bracketsInPlace: true,
  leftLock: true,
  rightLock: true,
  fullBump: true,
  crossedUp: true,
};
const FITTED = { offeredUp: true, settle: true, lockToLock: true, droopAndBump: true };

interface JobPlan {
  readonly key: string;
  /** Vehicle and circuit. Every hose of these circuits is replaced. */
  readonly circuitKeys: readonly string[];
  readonly title: string;
  readonly reason: string;
  readonly openedDaysAgo: number;
  readonly finishedDaysAgo?: number;
  /** Readings at full droop by hose, millimetres; the length that was taken follows from them. */
  readonly measured?: Readonly<Record<string, readonly [number, number]>>;
  /** Who looked over and did not measure yet. */
  readonly lookedOver?: boolean;
  /** Lengths were taken, and the hoses specified from them. */
  readonly specified?: boolean;
  readonly fitted?: boolean;
  /** Torques by joint, N·m. */
  readonly torques?: Readonly<Record<string, number>>;
  readonly finding: 'reRouted' | 'aged';
}

const PLANS: readonly JobPlan[] = [
  {
    key: 'wick-front',
    circuitKeys: ['wick/front'],
    title: 'Front hose round the new lamp guard',
    reason: 'The lamp guard sits where the hose ran; the hose is over its age as well.',
    openedDaysAgo: 1,
    finding: 'aged',
  },
  {
    key: 'petrelle-bars',
    circuitKeys: ['petrelle/front'],
    title: 'Raised bars, new front hoses',
    reason: 'The taller mail rack moved the bars up and back: all three front hoses are re-made.',
    openedDaysAgo: 6,
    specified: true,
    measured: { 'h-left': [728, 730], 'h-right': [802, 803], 'h-side': [1307, 1308] },
    fitted: true,
    torques: { 'j-right': 19.4 },
    finding: 'reRouted',
  },
  {
    key: 'wick-rear',
    circuitKeys: ['wick/rear'],
    title: 'Rear hose with stiffener',
    reason: 'The old hose chafed on the chain guard.',
    openedDaysAgo: 203,
    finishedDaysAgo: 202,
    specified: true,
    measured: { hose: [546, 548] },
    fitted: true,
    torques: { 'j-master': 19.2, 'j-caliper': 19.8 },
    finding: 'aged',
  },
  {
    key: 'tollan-corners',
    circuitKeys: ['tollan/diagonal-1', 'tollan/diagonal-2'],
    title: 'Four corners of the van',
    reason: 'Hoses of the maker, five years old; the rear axle is of another year, with screwed ends.',
    openedDaysAgo: 2,
    lookedOver: true,
    measured: { 'Hose, front left': [418, 419], 'Hose, rear right': [312, 314] },
    finding: 'aged',
  },
  {
    key: 'calder-segments',
    circuitKeys: ['calder/front', 'calder/rear'],
    title: 'All segments of the courier',
    reason: 'Rubber of 2020 in all six segments, front and rear through one ABS unit.',
    openedDaysAgo: 1,
    finding: 'aged',
  },
];

export async function seedJobs(context: SeedContext): Promise<void> {
  for (const plan of PLANS) {
    await seedJob(
      context,
      plan,
      plan.circuitKeys.map((key) => {
        const circuit = context.circuits.get(key);
        if (!circuit) throw new Error(`No circuit ${key}`);
        return circuit;
      }),
    );
  }
}

async function seedJob(context: SeedContext, plan: JobPlan, circuits: readonly Circuit[]): Promise<void> {
  const { models, transaction, daysAgo, instantAgo } = context;
  const jobId = demoId(`job/${plan.key}`);
  const finished = plan.finishedDaysAgo !== undefined;
  const lastDay = plan.finishedDaysAgo ?? plan.openedDaysAgo - 1;
  const [circuit] = circuits;
  if (!circuit) throw new Error(`${plan.key} has no circuit`);
  /** By its key in the plan of its circuit, or by its name where it came from a pattern. */
  const isPart = (part: { readonly id: string; readonly name: string }, key: string) =>
    part.name === key || plan.circuitKeys.some((at) => demoId(`${at}/${key}`) === part.id);
  const hoses = circuits.flatMap((one) => one.hoses).filter((line) => line.kind === 'hose');
  const touched = new Set(hoses.flatMap((hose) => [hose.fromJointId, hose.toJointId]));
  const joints = circuits.flatMap((one) => one.joints).filter((joint) => touched.has(joint.id));
  const log = <Kind extends LogKind>(kind: Kind, days: number, hour: number, detail: LogDetail<Kind>) =>
    writeLog(models, transaction, {
      jobId,
      kind,
      by: 'Brannoc Hale',
      byId: demoId('brannoc'),
      at: instantAgo(days, hour),
      detail,
    });

  await models.Job.create(
    {
      id: jobId,
      vehicleId: circuit.vehicleId,
      title: plan.title,
      reason: plan.reason,
      status: finished ? 'finished' : 'open',
      openedOn: daysAgo(plan.openedDaysAgo),
      openedBy: 'Brannoc Hale',
      openedById: demoId('brannoc'),
      finishedOn: finished ? daysAgo(lastDay) : null,
      signedBy: finished ? 'Brannoc Hale' : null,
      signedById: finished ? demoId('brannoc') : null,
      abandoned: null,
      endsConfirmed: plan.lookedOver ?? plan.specified ?? false,
      supply: null,
      orderTerms: null,
      fitChecks: plan.fitted ? FITTED : NOT_FITTED,
      handoverChecks: finished ? Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])) : {},
      version: 0,
    },
    { transaction },
  );
  await models.JobCircuit.bulkCreate(
    circuits.map((one, position) => ({
      jobId,
      circuitId: one.id,
      found: null,
      signed: finished ? one : null,
      position,
    })),
    { transaction },
  );
  await log('opened', plan.openedDaysAgo, 9, {
    title: plan.title,
    reason: plan.reason,
    ...namesOf({ circuits, hoses, lines: [], joints: [] }),
  });

  for (const [position, hose] of hoses.entries()) {
    const [key, marks] = Object.entries(plan.measured ?? {}).find(([name]) => isPart(hose, name)) ?? [];
    const order_m = marks && plan.specified ? Math.ceil((marks[0] + marks[1]) / 2 + 12.5) / 1000 : null;
    await models.JobHose.create(
      {
        ...newJobHose(jobId, hose, position),
        ...(marks ? { poseChecks: CHECKED, orderDatum: sealingDatum(hose.endA, hose.endB) } : {}),
        order_m,
        specified: order_m !== null,
      },
      { transaction },
    );
    const finding = {
      id: demoId(`${jobId}/${hose.id}/finding`),
      subject: 'hose' as const,
      subjectId: hose.id,
      condition: plan.finding,
      degree: 'marked' as const,
      note: '',
    };
    const foundAt = instantAgo(plan.openedDaysAgo, 9);
    await models.Finding.create(
      {
        ...finding,
        jobId,
        foundBy: 'Brannoc Hale',
        foundById: demoId('brannoc'),
        foundAt,
        struckBecause: null,
      },
      { transaction },
    );
    await log('findingRecorded', plan.openedDaysAgo, 9, { ...finding, name: hose.name });
    for (const [index, mark] of (marks ?? []).entries()) {
      const reading = {
        id: demoId(`${jobId}/${key}/reading ${index}`),
        hoseId: hose.id,
        pose: 'fullDroop' as const,
        length_m: mark / 1000,
        typed: `${mark} mm`,
        datum: sealingDatum(hose.endA, hose.endB),
        aid: 'tube' as const,
        uncertainty_m: null,
        remainingTravel_m: 0,
        wrap: null,
        tightBends: null,
      };
      const takenAt = instantAgo(plan.openedDaysAgo, 10 + index);
      await models.Reading.create(
        {
          ...reading,
          jobId,
          takenBy: 'Brannoc Hale',
          takenById: demoId('brannoc'),
          takenAt,
          struckBecause: null,
        },
        { transaction },
      );
      await log('readingTaken', plan.openedDaysAgo, 10 + index, reading);
    }
    if (order_m !== null)
      await log('lengthTaken', plan.openedDaysAgo, 12, { hoseId: hose.id, order_m, overrides: [] });
  }

  for (const [position, joint] of joints.entries()) {
    const torque_Nm = Object.entries(plan.torques ?? {}).find(([name]) => isPart(joint, name))?.[1];
    await models.JobJoint.create(
      {
        ...newJobJoint(jobId, joint, position, false),
        handTight: plan.fitted ?? false,
        leakChecked: finished,
      },
      { transaction },
    );
    if (torque_Nm === undefined) continue;
    const record = {
      id: demoId(`${jobId}/${joint.id}/torque`),
      jointId: joint.id,
      wrenchId: demoId('bench-25'),
      wrenchName: 'Bench 25',
      torque_Nm,
      typed: `${torque_Nm} N·m`,
      freshWashers: 2,
      settled: true,
      witnessMark: true,
      verdict: 'within' as const,
    };
    const at = instantAgo(Math.max(lastDay, 0), 14);
    await models.TorqueRecord.create(
      { ...record, jobId, by: 'Brannoc Hale', byId: demoId('brannoc'), at },
      { transaction },
    );
    await log('torqued', Math.max(lastDay, 0), 14, { ...record, range: { ...torqueOf(joint).governing } });
  }
  if (finished) await finishDemoJob(context, jobId, circuit, plan, daysAgo(lastDay));
}

async function finishDemoJob(
  { models, transaction, instantAgo }: SeedContext,
  jobId: string,
  circuit: Circuit,
  plan: JobPlan,
  servicedOn: string,
): Promise<void> {
  const days = plan.finishedDaysAgo ?? 0;
  for (const nipple of circuit.components.filter((component) => component.kind === 'bleedNipple')) {
    const event = (kind: 'stroke' | 'topUp' | 'outflow' | 'clear', minute: number) => {
      const at = new Date(instantAgo(days, 15).getTime() + minute * 60_000);
      return {
        id: demoId(`${nipple.id}/${kind}/${minute}`),
        jobId,
        kind,
        subjectId: nipple.id,
        payload: null,
        undoesId: null,
        at,
        receivedAt: at,
        by: 'Brannoc Hale',
        byId: demoId('brannoc'),
      };
    };
    await models.JobEvent.bulkCreate(
      [
        ...Array.from({ length: 9 }, (_unused, index) => event('stroke', index)),
        event('topUp', 10),
        ...Array.from({ length: 6 }, (_unused, index) => event('stroke', 11 + index)),
        { ...event('outflow', 18), payload: { outflow: 'straw' as const } },
        event('clear', 19),
      ],
      { transaction },
    );
  }
  const interval = { intervalMonths: 24, intervalDistance_m: 48_000_000 };
  const distance_m = 15_720_000;
  const due = nextDue(servicedOn, distance_m, interval);
  if (!due.ok) throw new Error(due.problem.code);
  const service = {
    id: demoId(`${jobId}/service`),
    vehicleId: circuit.vehicleId,
    circuitId: circuit.id,
    jobId,
    servicedOn,
    distance_m,
    grade: 'DOT 4' as const,
    batch: 'SK-2405',
    bottleOpenedOn: servicedOn,
    quantity_m3: 3.5e-4,
    oldColour: 'tea' as const,
    oldWaterFraction: 0.03,
    ...interval,
    ...due.value,
    by: 'Brannoc Hale',
    byId: demoId('brannoc'),
  };
  await models.FluidService.create(service, { transaction });
  await writeLog(models, transaction, {
    jobId,
    kind: 'finished',
    by: 'Brannoc Hale',
    byId: demoId('brannoc'),
    at: instantAgo(days, 16),
    detail: service,
  });
}
