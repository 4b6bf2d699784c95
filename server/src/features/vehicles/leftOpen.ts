/** What abandoned jobs left open on a vehicle. */
import type { LeftOpen } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

/** Two jobs may be closed at the same time: each changes what the other left. */
export async function changeLeftOpen(
  models: Models,
  transaction: Transaction,
  vehicleId: string,
  change: (before: readonly LeftOpen[]) => readonly LeftOpen[],
): Promise<void> {
  const row = await models.Vehicle.findByPk(vehicleId, {
    transaction,
    lock: transaction.LOCK.UPDATE,
    rejectOnEmpty: true,
  });
  const before = row.leftOpen ?? [];
  const after = change(before);
  if (after.length === before.length && after.every((left, at) => left === before[at])) return;
  await row.update(
    { leftOpen: after.length === 0 ? null : [...after], version: row.version + 1 },
    { transaction },
  );
}
