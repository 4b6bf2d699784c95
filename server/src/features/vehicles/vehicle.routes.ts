import type { DueItem, Vehicle } from '@zephyrcombe/contract';
import { judgeDue } from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { requirePersonId } from '../../http/session.ts';
import { listFluidServices } from '../fluid-services/fluidService.repository.ts';
import { summariseJobs } from '../jobs/job.repository.ts';
import { loadCircuits } from './circuit.repository.ts';
import type { VehicleRow } from './vehicle.model.ts';

function toVehicle(row: VehicleRow): Vehicle {
  const { shopId: _shopId, ...vehicle } = row.get({ plain: true });
  return vehicle;
}

const URGENCY: readonly DueItem['state'][] = ['overdue', 'soon', 'unknown', 'later'];

export function vehicleHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'listVehicles' | 'getVehicle' | 'listDue'> {
  const { database, clock } = dependencies;
  const { Vehicle, Circuit, Job } = database.models;
  return {
    async listVehicles({ request }) {
      requirePersonId(request, clock());
      const rows = await Vehicle.findAll({ order: [['name', 'ASC']] });
      return { items: rows.map(toVehicle) };
    },

    async getVehicle({ request, params }) {
      requirePersonId(request, clock());
      const row = await Vehicle.findByPk(params.vehicleId);
      if (row === null) throw new AppProblem('not-found');
      const jobs = await Job.findAll({
        where: { vehicleId: row.id },
        order: [
          ['openedOn', 'DESC'],
          ['id', 'DESC'],
        ],
      });
      return {
        vehicle: toVehicle(row),
        circuits: [...(await loadCircuits(database, { vehicleId: row.id }))],
        services: [...(await listFluidServices(database, { vehicleId: row.id }))],
        jobs: [...(await summariseJobs(database, jobs))],
      };
    },

    async listDue({ request }) {
      requirePersonId(request, clock());
      const today = calendarDateOf(clock());
      const vehicles = await Vehicle.findAll();
      const circuits = await Circuit.findAll({ order: [['position', 'ASC']] });
      const services = await listFluidServices(database, {});
      const items = circuits.flatMap((circuit): DueItem[] => {
        const vehicle = vehicles.find((candidate) => candidate.id === circuit.vehicleId);
        if (!vehicle) return [];
        // Newest first, so the first one is the one that counts.
        const last = services.find((service) => service.circuitId === circuit.id);
        return [
          {
            vehicleId: vehicle.id,
            vehicleName: vehicle.name,
            circuitName: circuit.name,
            state: last ? judgeDue(last, today, vehicle.distance_m, last.intervalDistance_m) : 'unknown',
            dueOn: last?.dueOn ?? null,
            dueDistance_m: last?.dueDistance_m ?? null,
            lastServicedOn: last?.servicedOn ?? null,
          },
        ];
      });
      items.sort(
        (left, right) =>
          URGENCY.indexOf(left.state) - URGENCY.indexOf(right.state) ||
          (left.dueOn ?? '').localeCompare(right.dueOn ?? ''),
      );
      return { items };
    },
  };
}
