/** What lies on the shelf, by part. */
import type { JobDetail, StockItem } from '@zephyrcombe/contract';
import { billOfJob } from '@zephyrcombe/contract';
import type { WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { pageOf, readPlace } from '../../http/paging.ts';
import type { StockItemRow } from './shop.model.ts';

const plain = ({ key, onHand, version }: StockItemRow): StockItem => ({ key, onHand, version });

/** What lies there of the parts that a job takes. */
export async function stockForJob({ models }: Database, detail: JobDetail): Promise<readonly StockItem[]> {
  const keys = billOfJob(detail, []).map(({ key }) => key);
  return (await models.StockItem.findAll({ where: { key: keys } })).map(plain);
}

interface Wanted {
  readonly key?: string | readonly string[] | undefined;
  readonly after?: string | undefined;
  readonly limit: number;
}

export async function pageOfStock(
  { models }: Database,
  { key, after, limit }: Wanted,
): Promise<{ items: StockItem[]; next: string | null }> {
  const conditions: WhereOptions[] = [];
  if (key !== undefined) conditions.push({ key });
  if (after !== undefined) conditions.push({ key: { [Op.gt]: readPlace(after, ['text'])[0] ?? '' } });
  const rows = await models.StockItem.findAll({
    where: { [Op.and]: conditions },
    order: [['key', 'ASC']],
    limit: limit + 1,
  });
  const { shown, next } = pageOf(rows, limit, (row) => [row.key]);
  return { items: shown.map(plain), next };
}
