import type { Vehicle, VehicleDetail } from '@zephyrcombe/contract';
import type { Database } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { listFluidServices } from '../fluid-services/fluidService.repository.ts';
import { summariseJobs } from '../jobs/job.repository.ts';
import { loadCircuits } from './circuit.repository.ts';
import type { VehicleRow } from './vehicle.model.ts';
import { listVehicleChanges } from './vehicleChange.ts';

export function toVehicle(row: VehicleRow): Vehicle {
  return row.get({ plain: true });
}

/** One vehicle with everything a page shows of it. */
export async function loadVehicleDetail(database: Database, vehicleId: string): Promise<VehicleDetail> {
  const { models } = database;
  const row = await models.Vehicle.findByPk(vehicleId);
  if (row === null) throw new AppProblem('not-found');
  const jobs = await models.Job.findAll({
    where: { vehicleId },
    order: [
      ['openedOn', 'DESC'],
      ['id', 'DESC'],
    ],
  });
  return {
    vehicle: toVehicle(row),
    circuits: [...(await loadCircuits(database, { vehicleId }))],
    services: [...(await listFluidServices(database, { vehicleId }))],
    jobs: [...(await summariseJobs(database, jobs))],
    changes: await listVehicleChanges(models, vehicleId),
  };
}
