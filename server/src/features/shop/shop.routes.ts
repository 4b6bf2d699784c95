import { UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { pageOfStock } from './stock.ts';

/** What the shop has settled for itself, and what lies on its shelf. */
export function shopHandlers({
  database,
}: Dependencies): Pick<Handlers, 'getShop' | 'editShop' | 'getStock' | 'countStock'> {
  const { Shop, StockItem } = database.models;
  const current = async () => (await Shop.findOne({ rejectOnEmpty: true })).get({ plain: true });
  return {
    getStock: ({ query }) => pageOfStock(database, query),
    async countStock({ body }) {
      const { key, onHand, version } = body;
      const count = () =>
        database.transaction(async (transaction) => {
          const row = await StockItem.findOne({ where: { key }, transaction, lock: transaction.LOCK.UPDATE });
          if (row === null) return StockItem.create({ key, onHand, version: 0 }, { transaction });
          if (row.version !== version)
            throw new AppProblem('stale-write', {
              current: { key: row.key, onHand: row.onHand, version: row.version },
            });
          return row.update({ onHand, version: row.version + 1 }, { transaction });
        });
      try {
        return (await count()).get({ plain: true });
      } catch (error) {
        if (!(error instanceof UniqueConstraintError)) throw error;
        // Somebody else counted it for the first time just now.
        const row = await StockItem.findOne({ where: { key }, rejectOnEmpty: true });
        throw new AppProblem('stale-write', { current: row.get({ plain: true }) });
      }
    },
    getShop: current,
    async editShop({ body }) {
      const { version, ...changes } = body;
      const { id } = await current();
      const [changed] = await Shop.update(
        { ...definedOnly(changes), version: version + 1 },
        { where: { id, version } },
      );
      if (changed === 0) throw new AppProblem('stale-write', { current: await current() });
      return current();
    },
  };
}
