/** Signing a job off: the gates, the fluid service record with its next due, and the vehicle as it is now. */
import type { JobHose, Override } from '@zephyrcombe/contract';
import { capsOfJob, lineMadeOf, lineOfJob, partsOf } from '@zephyrcombe/contract';
import { digestOf, leftOn, signatureFacts, signGate } from '@zephyrcombe/workshop';
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
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { requireTyped } from '../../http/requireTyped.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { keptEvidence } from '../evidence/keptEvidence.ts';
import { requireAnswered, requireAsSeen, requireWay, told } from './jobAction.ts';
import { refreshDue } from '../vehicles/due.ts';
import { takeCircuit } from '../vehicles/saveHydraulics.ts';

export async function finishJob(action: JobAction, body: ParsedBody<'finishJob'>): Promise<void> {
  const { detail, models, transaction, log, person, now } = action;
  const signed = signatureFacts(detail);
  requireAsSeen(body.seen, signed);
  requireWay(signGate(detail), person);
  const today = calendarDateOf(now);
  if (body.servicedOn > today) throw fieldProblem('servicedOn', 'inFuture');
  const fluids = detail.circuits.map(({ circuit }) => {
    const given = body.services.find(({ circuitId }) => circuitId === circuit.id);
    if (!given) throw fieldProblem('services', 'fluidUnsaid', circuit.name);
    if (given.bottleOpenedOn !== null && given.bottleOpenedOn > body.servicedOn)
      throw fieldProblem('bottleOpenedOn', 'openedAfterService');
    return { circuit, given };
  });
  if (body.services.length > fluids.length) throw fieldProblem('services', 'circuitNotInJob');
  if (body.signature.localeCompare(person.name, undefined, { sensitivity: 'base' }) !== 0) {
    throw fieldProblem('signature', 'notTheSigned', person.name);
  }
  // The text of a distance that is left out has to be left out as well.
  if (body.distance_m !== null)
    requireTyped(body.distanceTyped, 'distance', body.distance_m, 'distance_m', 'distanceTyped');
  else if (body.distanceTyped.trim() !== '') throw fieldProblem('distance_m', 'typedWithoutFigure');
  const { distance_m: known_m } = detail.vehicle;
  if (body.distance_m !== null && known_m !== null && body.distance_m < known_m) {
    const write = createWriter(person.units);
    throw fieldProblem('distance_m', 'lessThanRecorded', write.distance(known_m));
  }

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
    ...left,
    ...handover.cautions,
    ...capsOfJob(detail),
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

  const interval = strictestInterval(
    {
      intervalMonths: detail.shop.fluidIntervalMonths,
      intervalDistance_m: detail.shop.fluidIntervalDistance_m,
    },
    detail.vehicle.makerIntervalMonths === null
      ? null
      : {
          intervalMonths: detail.vehicle.makerIntervalMonths,
          intervalDistance_m: detail.vehicle.makerIntervalDistance_m,
        },
  );
  const due = nextDue(body.servicedOn, body.distance_m, interval);
  if (!due.ok)
    throw new AppProblem('no-answer', { detail: problemText(due.problem, createWriter(person.units)) });

  const services = fluids.map(({ given }) => ({
    ...given,
    vehicleId: detail.vehicle.id,
    jobId: detail.job.id,
    servicedOn: body.servicedOn,
    distance_m: body.distance_m,
    ...interval,
    ...due.value,
    by: person.name,
    byId: person.id,
  }));
  await models.FluidService.bulkCreate(services, { transaction });
  await updateVehicle(action, body.distance_m, today);
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
    ...interval,
    ...due.value,
    services: fluids.map(({ circuit, given }) => ({ ...given, circuit: circuit.name })),
    overrides: body.overrides,
    cautions: told(cautions),
  });
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
  const ids: Readonly<Record<string, string>> = { stopLamp: 'M95', warningLampOff: 'M94' };
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
