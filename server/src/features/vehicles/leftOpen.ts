/** What abandoned jobs left open on a vehicle. */
import type { LeftOpen } from '@zephyrcombe/contract';
import { FIELD_FAULTS, REFUSALS } from '@zephyrcombe/messages';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';

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

/** A joint that a job left open is closed by another one, and not drawn away. */
export function requireLeftOpenStays(
  leftOpen: readonly LeftOpen[],
  circuitId: string,
  { joints }: { readonly joints: readonly { readonly id: string }[] },
): void {
  const gone = leftOpen.flatMap(({ jobTitle, joints: left }) =>
    left
      .filter((one) => one.circuitId === circuitId && !joints.some(({ id }) => id === one.id))
      .map(({ name }) => ({ field: name, message: FIELD_FAULTS.leftOpenBy(jobTitle) })),
  );
  if (gone.length > 0) throw new AppProblem('in-use', { detail: REFUSALS.leftOpenOnDrawing, errors: gone });
}
