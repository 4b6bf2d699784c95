/** Giving a job up: what was recorded stays, and a brake that was opened is said to be open. */
import { ABANDON_REFUSALS, hydraulicsOf, may, openingOf, refuseAbandon } from '@zephyrcombe/contract';
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
  const opening = openingOf(detail);
  const refusal = refuseAbandon(opening, body, may(person, 'abandonOpened'));
  if (refusal !== null)
    throw new AppProblem('stage-not-ready', {
      detail: ABANDON_REFUSALS[refusal],
      errors: refusal === 'notYours' ? [] : [{ field: 'brakeLeftOpen', message: 'has to be said' }],
    });
  const brakeLeftOpen = opening !== 'untouched' && body.brakeLeftOpen;
  const why = { because: body.because, brakeLeftOpen };
  const abandoned = { on: calendarDateOf(now), by: person.name, byId: person.id, ...why };
  const found = job.circuitBefore;
  await job.update(
    { status: 'abandoned', abandoned, circuitSigned: detail.circuit, version: body.version + 1 },
    { transaction },
  );
  if (found !== null && !brakeLeftOpen) {
    await saveHydraulics(models, transaction, detail.circuit, found);
    await writeVehicleChange(models, transaction, {
      vehicleId: detail.vehicle.id,
      at: now,
      by: person.name,
      byId: person.id,
      kind: 'layoutChosen',
      detail: {
        circuit: detail.circuit.name,
        from: layoutOf(hydraulicsOf(detail.circuit)),
        to: layoutOf(found),
      },
    });
  }
  await log('abandoned', opening === 'takenBack' ? { ...why, tickedByMistake: !brakeLeftOpen } : why);
  await writeVehicleChange(models, transaction, {
    vehicleId: detail.vehicle.id,
    at: now,
    by: person.name,
    byId: person.id,
    kind: 'jobAbandoned',
    detail: { title: detail.job.title, ...why },
  });
}
