/** What was said for fitting some jobs: in them, or about their vehicles before. */
import type { FitFact } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Models } from '../../database/database.ts';

export async function fitFactsOf(
  { FitFact: Facts }: Models,
  jobs: readonly { readonly id: string; readonly vehicleId: string }[],
  transaction?: Transaction,
): Promise<readonly (FitFact & { readonly jobId: string; readonly vehicleId: string | null })[]> {
  const rows = await Facts.findAll({
    where: {
      [Op.or]: [{ jobId: jobs.map(({ id }) => id) }, { vehicleId: jobs.map(({ vehicleId }) => vehicleId) }],
    },
    order: [['sequence', 'ASC']],
    ...(transaction ? { transaction } : {}),
  });
  return rows.map(({ id, jobId, vehicleId, said, by, at }) => ({
    id,
    jobId,
    vehicleId,
    said,
    by,
    at: at.toISOString(),
  }));
}
