/** The corners of some vehicles, in the order of each. */
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import type { CornerColumns } from './corner.model.ts';

export async function keptCorners(
  { Corner }: Models,
  vehicleIds: readonly string[],
  transaction?: Transaction,
): Promise<readonly CornerColumns[]> {
  const rows = await Corner.findAll({
    where: { vehicleId: [...vehicleIds] },
    order: [
      ['position', 'ASC'],
      ['id', 'ASC'],
    ],
    ...(transaction ? { transaction } : {}),
  });
  return rows.map((row) => row.get({ plain: true }));
}
