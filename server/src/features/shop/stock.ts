/** What lies on the shelf, by part. */
import type { StockItem } from '@zephyrcombe/contract';
import type { Database } from '../../database/database.ts';

export async function listStock({ models }: Database): Promise<readonly StockItem[]> {
  const rows = await models.StockItem.findAll({ order: [['key', 'ASC']] });
  return rows.map(({ key, onHand, version }) => ({ key, onHand, version }));
}
