import { VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import type { WhereOptions } from 'sequelize';
import { IndexHints, Op } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { rowsWith } from '../../database/searchGrams.ts';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import type { Handlers } from '../../http/handlers.ts';
import { anywhere, behind, inOrder, pageOf, readPlace } from '../../http/paging.ts';
import { pageOfServices } from '../fluid-services/fluidService.repository.ts';
import { dueOfVehicles, listDue } from './due.ts';
import { loadVehicleDetail, toVehicle } from './vehicle.repository.ts';

const BY_NAME = ['name', 'id'] as const;

/** In the name, the plate or the word for the kind. */
async function found({ sequelize }: Database, search: string): Promise<WhereOptions> {
  const kinds = Object.entries(VEHICLE_KIND_NAMES)
    .filter(([, words]) => words.toLowerCase().includes(search.toLowerCase()))
    .map(([kind]) => kind);
  const like = { [Op.like]: anywhere(search) };
  const named = { [Op.or]: [{ name: like }, { plate: like }] };
  if (kinds.length > 0) return { [Op.or]: [named, { kind: kinds }] };
  const ids = await rowsWith(sequelize, 'vehicle', search);
  return ids === null ? named : { id: ids, ...named };
}

export function vehicleHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'listVehicles' | 'getVehicle' | 'listDue' | 'listServices'> {
  const { database, clock } = dependencies;
  const { models } = database;
  const today = () => calendarDateOf(clock());
  return {
    async listVehicles({ query: { search, after, limit } }) {
      const page = { order: inOrder(BY_NAME, 'ASC'), limit: limit + 1 };
      // The key of the list has all that is asked: rows are read of what is shown.
      const places = await models.Vehicle.findAll({
        where: {
          [Op.and]: [
            ...(search ? [await found(database, search)] : []),
            ...(after === undefined ? [] : [behind(BY_NAME, 'ASC', readPlace(after, ['text', 'text']))]),
          ],
        },
        ...page,
        attributes: ['id'],
        indexHints: [{ type: IndexHints.FORCE, values: ['vehicle_search'] }],
        raw: true,
      });
      const rows = await models.Vehicle.findAll({ where: { id: places.map(({ id }) => id) }, ...page });
      const { shown, next } = pageOf(rows, limit, ({ name, id }) => [name, id]);
      const due = await dueOfVehicles(
        models,
        shown.map(({ id }) => id),
        today(),
      );
      return { items: shown.map((row) => ({ ...toVehicle(row), due: due.get(row.id) ?? null })), next };
    },

    getVehicle: ({ params }) => loadVehicleDetail(database, params.vehicleId),

    listServices: ({ params, query }) => pageOfServices(database, params.vehicleId, query),

    async listDue({ query }) {
      const { items, next } = await listDue(database, today(), query);
      return { items: [...items], next };
    },
  };
}
