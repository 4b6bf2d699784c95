/** Starting a job: on any circuits of a vehicle, with hoses to replace or to change the fluid alone. */
import type { JobDetail, Person } from '@zephyrcombe/contract';
import { UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { fieldProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { loadCircuits } from '../vehicles/circuit.repository.ts';
import { writeLog } from './jobAction.ts';
import type { JobRow } from './job.model.ts';
import { loadJobDetail } from './job.repository.ts';
import { namesOf, scopeOf, writeScope } from './jobScope.ts';
import { NOT_FITTED } from './newJob.ts';

export async function startJob(
  { database, clock }: Dependencies,
  person: Person,
  body: ParsedBody<'startJob'>,
): Promise<JobDetail> {
  const { models } = database;
  const now = clock();
  const vehicle = await models.Vehicle.findByPk(body.vehicleId);
  if (vehicle === null) throw fieldProblem('vehicleId', 'noVehicleHere');
  /** What was started before under the id that somebody starts a job with. */
  const sameJob = (known: JobRow) => {
    if (known.vehicleId !== vehicle.id) throw fieldProblem('id', 'jobElsewhere');
    return loadJobDetail(database, known.id);
  };
  const scope = scopeOf(await loadCircuits(database, { vehicleId: vehicle.id }), body);
  const jobId = body.id;
  // The same job sent twice is one job: the first reply was lost, or the button was pressed twice.
  const known = await models.Job.findByPk(jobId);
  if (known !== null) return sameJob(known);
  const create = database.transaction(async (transaction) => {
    await models.Job.create(
      {
        id: jobId,
        vehicleId: vehicle.id,
        title: body.title,
        reason: body.reason,
        status: 'open',
        openedOn: calendarDateOf(now),
        openedBy: person.name,
        openedById: person.id,
        finishedOn: null,
        signedBy: null,
        signedById: null,
        abandoned: null,
        endsConfirmed: false,
        supply: null,
        orderTerms: null,
        fitChecks: NOT_FITTED,
        handoverChecks: {},
        version: 0,
      },
      { transaction },
    );
    await writeScope(models, transaction, jobId, scope);
    await writeLog(models, transaction, {
      jobId,
      kind: 'opened',
      by: person.name,
      byId: person.id,
      at: now,
      detail: { title: body.title, reason: body.reason, ...namesOf(scope) },
    });
  });
  try {
    await create;
  } catch (error) {
    // Both were on their way at once.
    if (!(error instanceof UniqueConstraintError)) throw error;
    return sameJob(await models.Job.findByPk(jobId, { rejectOnEmpty: true }));
  }
  return loadJobDetail(database, jobId);
}
