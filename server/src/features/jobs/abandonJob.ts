/** Giving a job up: what was recorded stays, and a brake that was opened is said to be open. */
import { hydraulicsOf, may, openingOf, refuseAbandon } from '@zephyrcombe/contract';
import { ABANDON_REFUSALS, FIELD_FAULTS } from '@zephyrcombe/messages';
import { layoutOf } from '@zephyrcombe/core';
import { leftOpenBy } from '@zephyrcombe/workshop';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { changeLeftOpen } from '../vehicles/leftOpen.ts';
import { saveHydraulics } from '../vehicles/saveHydraulics.ts';
import { writeVehicleChange } from '../vehicles/vehicleChange.ts';
import type { JobAction } from './jobAction.ts';
import { signCircuits } from './finishJob.ts';
import { requireScopesStay } from './jobScope.ts';

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
      errors: refusal === 'notYours' ? [] : [{ field: 'brakeLeftOpen', message: FIELD_FAULTS.toBeSaid }],
    });
  const brakeLeftOpen = opening !== 'untouched' && body.brakeLeftOpen;
  const why = { because: body.because, brakeLeftOpen };
  const abandoned = { on: calendarDateOf(now), by: person.name, byId: person.id, ...why };
  await job.update({ status: 'abandoned', abandoned, version: body.version + 1 }, { transaction });
  await signCircuits(action);
  if (brakeLeftOpen)
    await changeLeftOpen(models, transaction, detail.vehicle.id, (before) => [
      ...before,
      {
        jobId: detail.job.id,
        jobTitle: detail.job.title,
        at: now.toISOString(),
        by: person.name,
        ...leftOpenBy(detail),
      },
    ]);
  for (const { circuit, before: found } of detail.circuits) {
    if (found === null || brakeLeftOpen) continue;
    await requireScopesStay(models, transaction, circuit.id, found, detail.job.id);
    await saveHydraulics(models, transaction, circuit, found);
    await writeVehicleChange(models, transaction, {
      vehicleId: detail.vehicle.id,
      at: now,
      by: person.name,
      byId: person.id,
      kind: 'layoutChosen',
      detail: {
        circuit: circuit.name,
        from: layoutOf(hydraulicsOf(circuit)),
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
