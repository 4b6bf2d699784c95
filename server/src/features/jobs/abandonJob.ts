/** Giving a job up: what was recorded stays, and a brake that was opened is said to be open. */
import { hydraulicsOf, wasOpened } from '@zephyrcombe/contract';
import { layoutOf } from '@zephyrcombe/core';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { saveHydraulics } from '../vehicles/saveHydraulics.ts';
import { writeVehicleChange } from '../vehicles/vehicleChange.ts';
import type { JobAction } from './jobAction.ts';

/**
 * A brake that was opened is either put together and signed off, or the vehicle does not run; an apprentice does not decide
 * that. Where nothing was opened, the vehicle's drawing goes back to what was found.
 */
export async function abandonJob(action: JobAction, body: ParsedBody<'abandonJob'>): Promise<void> {
  const { job, detail, models, transaction, log, person, now } = action;
  const opened = wasOpened(detail);
  if (opened && person.role === 'apprentice')
    throw new AppProblem('stage-not-ready', {
      detail: 'The brake has been opened: a technician or your lead decides what becomes of this job.',
    });
  if (opened && !body.brakeLeftOpen)
    throw new AppProblem('stage-not-ready', {
      detail:
        'The brake has been opened. Put it together, torque and bleed it and sign the job off; or say that it stays open and that the vehicle does not run.',
      errors: [{ field: 'brakeLeftOpen', message: 'has to be said' }],
    });
  const abandoned = {
    on: calendarDateOf(now),
    by: person.name,
    because: body.because,
    brakeLeftOpen: opened,
  };
  const found = job.circuitBefore;
  await job.update(
    { status: 'abandoned', abandoned, circuitSigned: detail.circuit, version: body.version + 1 },
    { transaction },
  );
  if (found !== null && !opened) {
    await saveHydraulics(models, transaction, detail.circuit, found);
    await writeVehicleChange(models, transaction, {
      vehicleId: detail.vehicle.id,
      at: now,
      by: person.name,
      kind: 'layoutChosen',
      detail: {
        circuit: detail.circuit.name,
        from: layoutOf(hydraulicsOf(detail.circuit)),
        to: layoutOf(found),
      },
    });
  }
  await log('abandoned', { because: body.because, brakeLeftOpen: opened });
  await writeVehicleChange(models, transaction, {
    vehicleId: detail.vehicle.id,
    at: now,
    by: person.name,
    kind: 'jobAbandoned',
    detail: { title: detail.job.title, because: body.because, brakeLeftOpen: opened },
  });
}
