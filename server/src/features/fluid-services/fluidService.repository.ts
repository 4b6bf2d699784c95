import type { FluidService } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/database.ts';

/** Fluid services, newest first. */
export async function listFluidServices(
  { models }: Database,
  where: { vehicleId?: string; jobId?: string },
  transaction?: Transaction,
): Promise<readonly FluidService[]> {
  const inside = transaction ? { transaction } : {};
  const rows = await models.FluidService.findAll({
    where,
    order: [
      ['servicedOn', 'DESC'],
      ['id', 'DESC'],
    ],
    ...inside,
  });
  const circuits = await models.Circuit.findAll({
    where: { id: rows.map((row) => row.circuitId) },
    ...inside,
  });
  const nameOf = new Map(circuits.map((circuit) => [circuit.id, circuit.name]));
  return rows.map((row) => {
    const { vehicleId: _vehicleId, ...service } = row.get({ plain: true });
    return { ...service, circuitName: nameOf.get(row.circuitId) ?? '' };
  });
}
