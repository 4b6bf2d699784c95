/** Photographs that stay with their vehicles, without their bytes. */
import type { Photo } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

export async function photosOfVehicles(
  models: Pick<Models, 'Photo'>,
  vehicleIds: readonly string[],
  transaction?: Transaction,
): Promise<readonly (Photo & { readonly jobId: string; readonly vehicleId: string | null })[]> {
  const rows = await models.Photo.findAll({
    where: { vehicleId: vehicleIds },
    order: [['takenAt', 'ASC']],
    attributes: { exclude: ['bytes'] },
    ...(transaction ? { transaction } : {}),
  });
  return rows.map((row) => {
    const { bytes: _bytes, takenAt, ...photo } = row.get({ plain: true });
    return { ...photo, takenAt: takenAt.toISOString() };
  });
}
