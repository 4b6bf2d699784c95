import type { DueItem } from '@zephyrcombe/contract';
import { judgeDue } from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import type { Handlers } from '../../http/handlers.ts';
import { listFluidServices } from '../fluid-services/fluidService.repository.ts';
import { loadVehicleDetail, toVehicle } from './vehicle.repository.ts';

const URGENCY: readonly DueItem['state'][] = ['overdue', 'soon', 'unknown', 'later'];

export function vehicleHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'listVehicles' | 'getVehicle' | 'listDue'> {
  const { database, clock } = dependencies;
  const { Vehicle, Circuit } = database.models;
  return {
    async listVehicles() {
      const rows = await Vehicle.findAll({ order: [['name', 'ASC']] });
      return { items: rows.map(toVehicle) };
    },

    getVehicle: ({ params }) => loadVehicleDetail(database, params.vehicleId),

    async listDue() {
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
