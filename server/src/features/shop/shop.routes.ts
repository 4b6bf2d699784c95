import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { requirePersonId } from '../../http/session.ts';
import { requirePerson } from '../sessions/session.service.ts';
import { listStock } from './stock.ts';

/** What the shop has settled for itself; only a lead changes it. */
export function shopHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'getShop' | 'editShop' | 'getStock' | 'countStock'> {
  const { database, clock } = dependencies;
  const { Shop, StockItem } = database.models;
  const current = async () => (await Shop.findOne({ rejectOnEmpty: true })).get({ plain: true });
  const stock = async () => {
    const { id: shopId } = await current();
    return { items: [...(await listStock(database, shopId))] };
  };
  return {
    async getStock({ request }) {
      requirePersonId(request, clock());
      return stock();
    },
    async countStock({ request, body }) {
      await requirePerson(dependencies, requirePersonId(request, clock()));
      const { id: shopId } = await current();
      const { key, onHand, version } = body;
      await database.transaction(async (transaction) => {
        const row = await StockItem.findOne({
          where: { shopId, key },
          transaction,
          lock: transaction.LOCK.UPDATE,
        });
        if (row === null) {
          await StockItem.create({ shopId, key, onHand, version: 0 }, { transaction });
          return;
        }
        if (row.version !== version)
          throw new AppProblem('stale-write', {
            current: { key: row.key, onHand: row.onHand, version: row.version },
          });
        await row.update({ onHand, version: row.version + 1 }, { transaction });
      });
      return stock();
    },
    async getShop({ request }) {
      requirePersonId(request, clock());
      return current();
    },
    async editShop({ request, body }) {
      const person = await requirePerson(dependencies, requirePersonId(request, clock()));
      if (person.role !== 'lead') throw new AppProblem('lead-only');
      const { id } = await current();
      const { version, ...changes } = body;
      const [changed] = await Shop.update(
        { ...definedOnly(changes), version: version + 1 },
        { where: { id, version } },
      );
      if (changed === 0) throw new AppProblem('stale-write', { current: await current() });
      return current();
    },
  };
}
