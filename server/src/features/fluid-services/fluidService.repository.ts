import type { FluidService } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';
import { behind, inOrder, pageOf, readPlace } from '../../http/paging.ts';
import type { FluidServiceRow } from './fluidService.model.ts';

const NEWEST = ['servicedOn', 'id'] as const;

/** The fluid services that a job ended with, one for each of its circuits. */
export async function servicesOfJob(
  { models }: Database,
  jobId: string,
  transaction?: Transaction,
): Promise<readonly FluidService[]> {
  const rows = await models.FluidService.findAll({
    where: { jobId },
    ...(transaction ? { transaction } : {}),
  });
  return rows.length === 0 ? [] : named(models, rows, transaction);
}

/** A vehicle's fluid services, newest first. */
export async function pageOfServices(
  { models }: Database,
  vehicleId: string,
  { after, limit }: { readonly after?: string | undefined; readonly limit: number },
): Promise<{ items: FluidService[]; next: string | null }> {
  const rows = await models.FluidService.findAll({
    where: {
      [Op.and]: [
        { vehicleId },
        ...(after === undefined ? [] : [behind(NEWEST, 'DESC', readPlace(after, ['day', 'text']))]),
      ],
    },
    order: inOrder(NEWEST, 'DESC'),
    limit: limit + 1,
  });
  const { shown, next } = pageOf(rows, limit, ({ servicedOn, id }) => [servicedOn, id]);
  return { items: [...(await named(models, shown))], next };
}

async function named(
  models: Models,
  rows: readonly FluidServiceRow[],
  transaction?: Transaction,
): Promise<readonly FluidService[]> {
  const inside = transaction ? { transaction } : {};
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
