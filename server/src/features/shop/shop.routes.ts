import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { requirePersonId } from '../../http/session.ts';
import { requirePerson } from '../sessions/session.service.ts';

/** What the shop has settled for itself; only a lead changes it. */
export function shopHandlers(dependencies: Dependencies): Pick<Handlers, 'getShop' | 'editShop'> {
  const { database, clock } = dependencies;
  const { Shop } = database.models;
  const current = async () => (await Shop.findOne({ rejectOnEmpty: true })).get({ plain: true });
  return {
    async getShop({ request }) {
      requirePersonId(request, clock());
      return current();
    },
    async editShop({ request, body }) {
      const person = await requirePerson(dependencies, requirePersonId(request, clock()));
      if (person.role !== 'lead') throw new AppProblem('lead-only');
      const { id } = await current();
      const [changed] = await Shop.update(
        { brakeWorkRule: body.brakeWorkRule, version: body.version + 1 },
        { where: { id, version: body.version } },
      );
      if (changed === 0) throw new AppProblem('stale-write', { current: await current() });
      return current();
    },
  };
}
