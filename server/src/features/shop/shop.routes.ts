import { UniqueConstraintError } from 'sequelize';
import { knownEnds } from '../ends/endSheets.ts';
import { isWritten, wasWritten } from '../../database/sentChange.ts';
import type { Dependencies } from '../../dependencies.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { pageOfStock } from './stock.ts';

/** What the shop has settled for itself, and what lies on its shelf. */
export function shopHandlers({
  database,
  clock,
}: Dependencies): Pick<Handlers, 'getShop' | 'editShop' | 'getKnownEnds' | 'getStock' | 'countStock'> {
  const { Shop, StockItem } = database.models;
  const current = async () => (await Shop.findOne({ rejectOnEmpty: true })).get({ plain: true });
  return {
    getKnownEnds: async () => ({ items: await knownEnds(database.models) }),
    getStock: ({ query }) => pageOfStock(database, query),
    async countStock({ request, body }) {
      const { key, onHand, version } = body;
      const count = () =>
        database.transaction(async (transaction) => {
          const row = await StockItem.findOne({ where: { key }, transaction, lock: transaction.LOCK.UPDATE });
          const known = await isWritten(database.models, transaction, request, clock());
          if (row !== null && known) return row;
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
        // It was counted for the first time just now: by this very request, sent twice, or by somebody else.
        const row = await StockItem.findOne({ where: { key }, rejectOnEmpty: true });
        if (await wasWritten(database.models, request)) return row.get({ plain: true });
        throw new AppProblem('stale-write', { current: row.get({ plain: true }) });
      }
    },
    getShop: current,
    async editShop({ request, body }) {
      const { version, ...changes } = body;
      await database.transaction(async (transaction) => {
        const row = await Shop.findOne({ transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
        if (await isWritten(database.models, transaction, request, clock())) return;
        requireVersion(row.get({ plain: true }), version);
        await row.update({ ...definedOnly(changes), version: version + 1 }, { transaction });
      });
      return current();
    },
  };
}
