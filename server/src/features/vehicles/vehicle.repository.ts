import type { Vehicle, VehicleDetail } from '@zephyrcombe/contract';
import type { Database } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { pageOfServices } from '../fluid-services/fluidService.repository.ts';
import { pageOfJobs } from '../jobs/jobList.ts';
import { findingsLeftOn } from '../findings/leftOn.ts';
import { loadCircuits } from './circuit.repository.ts';
import type { VehicleRow } from './vehicle.model.ts';
import { listVehicleChanges } from './vehicleChange.ts';

export function toVehicle(row: VehicleRow): Vehicle {
  return row.get({ plain: true });
}

/** So many services and jobs come with the vehicle; the older ones are asked for. */
const NEWEST = 10;

/** One vehicle with everything a page shows of it. */
export async function loadVehicleDetail(database: Database, vehicleId: string): Promise<VehicleDetail> {
  const { models } = database;
  const row = await models.Vehicle.findByPk(vehicleId);
  if (row === null) throw new AppProblem('not-found');
  const jobs = await pageOfJobs(database, { vehicleId, limit: NEWEST });
  const services = await pageOfServices(database, vehicleId, { limit: NEWEST });
  return {
    vehicle: toVehicle(row),
    circuits: [...(await loadCircuits(database, { vehicleId }))],
    services: services.items,
    nextServices: services.next,
    jobs: jobs.items,
    nextJobs: jobs.next,
    changes: await listVehicleChanges(models, vehicleId),
    leftOn: await findingsLeftOn(database, vehicleId),
  };
}
