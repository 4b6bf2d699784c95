/** The history of a vehicle: who changed what, line by line. */
import { randomUUID } from 'node:crypto';
import type { VehicleChange } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

export interface VehicleChangeLine {
  readonly vehicleId: string;
  readonly at: Date;
  readonly by: string;
  readonly byId: string | null;
  readonly kind: VehicleChange['kind'];
  readonly detail: Record<string, unknown>;
}

export async function writeVehicleChange(
  models: Models,
  transaction: Transaction,
  line: VehicleChangeLine,
): Promise<void> {
  await models.VehicleChange.create({ id: randomUUID(), ...line }, { transaction });
}

/** As many as a page shows; older ones stay in the database. */
const SHOWN = 100;

/** Newest first. */
export async function listVehicleChanges(models: Models, vehicleId: string): Promise<VehicleChange[]> {
  const rows = await models.VehicleChange.findAll({
    where: { vehicleId },
    order: [['sequence', 'DESC']],
    limit: SHOWN,
  });
  return rows.map(({ id, at, by, byId, kind, detail }) => ({
    id,
    at: at.toISOString(),
    by,
    byId,
    kind,
    detail,
  }));
}
