/** Signing a job off: the gates, the fluid service record with its next due, and the vehicle as it is now. */
import type { Circuit, JobDetail, JobHose, Override } from '@zephyrcombe/contract';
import { lineMadeOf, lineOfJob, partsOf } from '@zephyrcombe/contract';
import type { Obstacle } from '@zephyrcombe/workshop';
import {
  digestOf,
  leftOn,
  leftOpenAfter,
  openElsewhere,
  signatureFacts,
  signCautions,
  signGate,
} from '@zephyrcombe/workshop';
import { createWriter, FIELD_FAULTS, problemText, REFUSALS } from '@zephyrcombe/messages';
import {
  judgeBottle,
  judgeGrade,
  judgeHandover,
  readDateCode,
  stopsAmong,
  judgeRecord,
  nextDue,
  strictestInterval,
} from '@zephyrcombe/core';
import type { Caution } from '@zephyrcombe/core';
import { Op } from 'sequelize';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { requireTyped } from '../../http/requireTyped.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { loadDetails } from './job.repository.ts';
import { keptEvidence } from '../evidence/keptEvidence.ts';
import { requireAnswered, requireAsSeen, requireWay, told } from './jobAction.ts';
import { changeLeftOpen } from '../vehicles/leftOpen.ts';
import { refreshDue } from '../vehicles/due.ts';
import { takeCircuit } from '../vehicles/saveHydraulics.ts';

type Body = ParsedBody<'finishJob'>;
interface GivenFluid {
  readonly circuit: Circuit;
  readonly given: Body['services'][number];
}

export async function finishJob(action: JobAction, body: Body): Promise<void> {
  const { detail, models, transaction, log, person, now } = action;
  const signed = signatureFacts(detail);
  requireAsSeen(body.seen, signed);
  requireWay([...signGate(detail), ...(await openInOthers(action))], person);
  const today = calendarDateOf(now);
  if (body.servicedOn > today) throw fieldProblem('servicedOn', 'inFuture');
  const fluids = fluidsOf(detail, body);
  if (body.signature.localeCompare(person.name, undefined, { sensitivity: 'base' }) !== 0)
    throw fieldProblem('signature', 'notTheSigned', person.name);
  requireDistance(action, body);
  const cautions = await answeredCautions(action, body, fluids);
  const next = nextService(action, body);
  await models.FluidService.bulkCreate(
    fluids.map(({ given }) => ({
      ...given,
      vehicleId: detail.vehicle.id,
      jobId: detail.job.id,
      servicedOn: body.servicedOn,
      distance_m: body.distance_m,
      ...next,
      by: person.name,
      byId: person.id,
    })),
    { transaction },
  );
  await updateVehicle(action, body.distance_m, today);
  await changeLeftOpen(models, transaction, detail.vehicle.id, (before) => leftOpenAfter(before, detail));
  await refreshDue(models, transaction, detail.vehicle.id);
  await models.Job.update(
    {
      status: 'finished',
      finishedOn: today,
      signedBy: person.name,
      signedById: person.id,
      version: body.version + 1,
    },
    { where: { id: detail.job.id }, transaction },
  );
  await signCircuits(action);
  await log('finished', {
    digest: digestOf(signed),
    servicedOn: body.servicedOn,
    distance_m: body.distance_m,
    distanceTyped: body.distanceTyped,
    ...next,
    services: fluids.map(({ circuit, given }) => ({ ...given, circuit: circuit.name })),
    overrides: body.overrides,
    cautions: told(cautions),
  });
}

/** What other jobs of the vehicle that are under way have open on the circuits of this one. */
async function openInOthers({
  detail,
  models,
  transaction,
  database,
}: JobAction): Promise<readonly Obstacle[]> {
  const rows = await models.Job.findAll({
    where: { vehicleId: detail.vehicle.id, status: 'open', id: { [Op.ne]: detail.job.id } },
    transaction,
  });
  const others = await loadDetails(database, rows, transaction);
  return others.flatMap((other) => openElsewhere(detail, other));
}

/** Each circuit of the job with the fluid that went into it. */
function fluidsOf({ circuits }: JobDetail, body: Body): readonly GivenFluid[] {
  const fluids = circuits.map(({ circuit }) => {
    const given = body.services.find(({ circuitId }) => circuitId === circuit.id);
    if (!given) throw fieldProblem('services', 'fluidUnsaid', circuit.name);
    if (given.bottleOpenedOn !== null && given.bottleOpenedOn > body.servicedOn)
      throw fieldProblem('bottleOpenedOn', 'openedAfterService');
    return { circuit, given };
  });
  if (body.services.length > fluids.length) throw fieldProblem('services', 'circuitNotInJob');
  return fluids;
}

/** A clock does not run backwards, and the text of a distance that is left out has to be left out as well. */
function requireDistance({ detail, person }: JobAction, { distance_m, distanceTyped }: Body): void {
  if (distance_m === null) {
    if (distanceTyped.trim() !== '') throw fieldProblem('distance_m', 'typedWithoutFigure');
    return;
  }
  requireTyped(distanceTyped, 'distance', distance_m, 'distance_m', 'distanceTyped');
  const known_m = detail.vehicle.distance_m;
  if (known_m !== null && distance_m < known_m)
    throw fieldProblem('distance_m', 'lessThanRecorded', createWriter(person.units).distance(known_m));
}

/** What stands against signing; refused where it is not answered, or where a check is neither done nor answered. */
async function answeredCautions(
  { detail, models, transaction, person }: JobAction,
  body: Body,
  fluids: readonly GivenFluid[],
): Promise<readonly Caution[]> {
  const handover = judgeHandover(detail.job.handoverChecks, {
    abs: detail.vehicle.abs,
    hasJoints: detail.joints.length > 0,
  });
  const lines = (await keptEvidence(models, detail.job.id, transaction)).filter(
    ({ kind }) => kind === 'lineJudged',
  );
  const left = leftOn(detail);
  const cautions: readonly Caution[] = [
    ...lines.flatMap(({ subject, cautions: said }) => said.map((caution) => ({ ...caution, subject }))),
    ...signCautions(detail),
    ...handover.cautions,
    ...fluids.flatMap(({ circuit, given }) =>
      [
        ...judgeGrade(circuit.fluidGrade, given.grade),
        ...(given.bottleOpenedOn === null ? [] : judgeBottle(given.bottleOpenedOn, body.servicedOn)),
        ...judgeRecord({ batch: given.batch, distance: body.distance_m, quantity: given.quantity_m3 }),
      ].map((caution) => (fluids.length > 1 ? { ...caution, subject: circuit.name } : caution)),
    ),
  ];
  // What is left on the vehicle though it was found to be bad goes with a reason, or not at all.
  requireAnswered([...stopsAmong(cautions), ...left], body.overrides, person);
  const unanswered = handover.open.filter((check) => !cautionOf(check, body.overrides));
  if (unanswered.length > 0) {
    throw new AppProblem('stage-not-ready', {
      detail: REFUSALS.checksOpen,
      errors: unanswered.map((check) => ({ field: check, message: FIELD_FAULTS.notTicked })),
    });
  }
  return cautions;
}

/** When the fluid is due again: by the shop's interval or the vehicle maker's, whichever is stricter. */
function nextService({ detail, person }: JobAction, body: Body) {
  const { vehicle, shop } = detail;
  const interval = strictestInterval(
    { intervalMonths: shop.fluidIntervalMonths, intervalDistance_m: shop.fluidIntervalDistance_m },
    vehicle.makerIntervalMonths === null
      ? null
      : { intervalMonths: vehicle.makerIntervalMonths, intervalDistance_m: vehicle.makerIntervalDistance_m },
  );
  const due = nextDue(body.servicedOn, body.distance_m, interval);
  if (!due.ok)
    throw new AppProblem('no-answer', { detail: problemText(due.problem, createWriter(person.units)) });
  return { ...interval, ...due.value };
}

/** Each circuit of the job as it stands: a closed record does not change with the vehicle. */
export async function signCircuits({ detail, models, transaction }: JobAction): Promise<void> {
  for (const { circuit } of detail.circuits)
    await models.JobCircuit.update(
      { signed: circuit },
      { where: { jobId: detail.job.id, circuitId: circuit.id }, transaction },
    );
}

/** Only the checks that have a caution of their own can be answered with a reason; the others are done or not. */
function cautionOf(check: string, overrides: readonly Override[]): boolean {
  const ids: Readonly<Record<string, string>> = {
    stopLamp: 'M95',
    warningLampOff: 'M94',
  };
  return overrides.some((override) => override.caution === ids[check]);
}

/** Made up here: the day it was measured. Bought: its date code, where that reads one way only. */
function madeOnOf({ makeUp, kit }: JobHose, today: string): string | null {
  const measured = makeUp.steps.find(({ step }) => step === 'measure')?.at;
  if (measured !== undefined) return calendarDateOf(new Date(measured));
  const [reading, ...others] = readDateCode(kit?.found.dateCode ?? '', today);
  return reading && others.length === 0 ? reading.from : null;
}

/** The vehicle's record shows what is on it now: the new hoses, bolts and washers, and the distance. */
async function updateVehicle(
  { detail, models, transaction }: JobAction,
  distance_m: number | null,
  today: string,
): Promise<void> {
  if (distance_m !== null) {
    await models.Vehicle.update(
      { distance_m, version: detail.vehicle.version + 1 },
      { where: { id: detail.vehicle.id }, transaction },
    );
  }
  const parts = partsOf(detail);
  for (const hose of detail.hoses) {
    if (hose.order_m === null) continue;
    const before = parts.hoses.find((candidate) => candidate.id === hose.hoseId);
    await models.Hose.update(
      {
        length_m: hose.order_m,
        endA: hose.endA,
        endB: hose.endB,
        clocking_rad: hose.clocking_rad,
        madeOn: madeOnOf(hose, today),
        marking: hose.kit?.found.marking || null,
        ...(hose.build ? { bore_m: hose.build.bore_m, construction: 'braided' as const } : {}),
        version: (before?.version ?? 0) + 1,
      },
      { where: { id: hose.hoseId }, transaction },
    );
  }
  for (const { lineId } of detail.lines) {
    const own = lineOfJob(detail, lineId);
    if (!own?.developed) continue;
    await models.Hose.update(
      {
        length_m: own.developed.centreline_m,
        estimated: false,
        lineMade: lineMadeOf(own.line),
        madeOn: own.line.made === null ? null : calendarDateOf(new Date(own.line.made.at)),
        version: own.fitted.version + 1,
      },
      { where: { id: lineId }, transaction },
    );
  }
  for (const joint of detail.joints) {
    const before = parts.joints.find((candidate) => candidate.id === joint.jointId);
    await models.Joint.update(
      { bolt: joint.bolt, washer: joint.washer, version: (before?.version ?? 0) + 1 },
      { where: { id: joint.jointId }, transaction },
    );
  }
  // A drawing that was opened before this does not put the old parts back.
  for (const { circuit } of detail.circuits) await takeCircuit(models, transaction, circuit);
}
