/** Corners of a vehicle with the routes of their hoses: entered, saved on the version they were read at, taken out. */
import type { SavedCorner } from '@zephyrcombe/contract';
import { isWritten } from '../../database/sentChange.ts';
import type { FastifyRequest } from 'fastify';
import type { Transaction } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { personOf } from '../../http/access.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import type { CornerColumns } from './corner.model.ts';
import { writeVehicleChange } from '../vehicles/vehicleChange.ts';

type CornerHandlers = Pick<Handlers, 'listCorners' | 'addCorner' | 'saveCorner' | 'removeCorner'>;

/** More corners than any vehicle has. */
const MOST_CORNERS = 24;

const toSaved = ({ id, corner, version }: CornerColumns): SavedCorner => ({
  id,
  corner: corner as SavedCorner['corner'],
  version,
});

export function cornerHandlers(dependencies: Dependencies): CornerHandlers {
  const { database, clock } = dependencies;
  const { models } = database;

  async function listed(vehicleId: string): Promise<{ items: SavedCorner[] }> {
    const rows = await models.Corner.findAll({ where: { vehicleId }, order: [['position', 'ASC']] });
    return { items: rows.map(toSaved) };
  }

  /** With the vehicle's row locked: two people cannot fill its last place, or take out what is being saved. */
  async function change(
    request: FastifyRequest,
    vehicleId: string,
    kind: 'routeSaved' | 'routeRemoved',
    /** The corner's name, or null where nothing was left to do. */
    act: (transaction: Transaction) => Promise<string | null>,
  ): Promise<{ items: SavedCorner[] }> {
    const now = clock();
    const person = personOf(request);
    await database.transaction(async (transaction) => {
      const vehicle = await models.Vehicle.findByPk(vehicleId, {
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      if (vehicle === null) throw new AppProblem('not-found');
      if (await isWritten(models, transaction, request, now)) return;
      const name = await act(transaction);
      if (name === null) return;
      await writeVehicleChange(models, transaction, {
        vehicleId,
        at: now,
        by: person.name,
        byId: person.id,
        kind,
        detail: { corner: name },
      });
    });
    return listed(vehicleId);
  }

  async function stored(vehicleId: string, cornerId: string, transaction: Transaction) {
    const row = await models.Corner.findOne({ where: { id: cornerId, vehicleId }, transaction });
    if (row === null) throw new AppProblem('not-found');
    return row;
  }

  return {
    async listCorners({ params }) {
      if ((await models.Vehicle.findByPk(params.vehicleId)) === null) throw new AppProblem('not-found');
      return listed(params.vehicleId);
    },

    addCorner: ({ request, params, body }) =>
      change(request, params.vehicleId, 'routeSaved', async (transaction) => {
        const { vehicleId } = params;
        const before = await models.Corner.findByPk(body.id, { transaction });
        // Sent twice after a lost reply: the same corner is not entered again.
        if (before) {
          if (before.vehicleId !== vehicleId) throw new AppProblem('not-found');
          return null;
        }
        const there = await models.Corner.findAll({ where: { vehicleId }, transaction });
        if (there.length >= MOST_CORNERS) throw fieldProblem('corner', 'tooMany', MOST_CORNERS, 'corners');
        const position = Math.max(-1, ...there.map((row) => row.position)) + 1;
        await models.Corner.create(
          { id: body.id, vehicleId, position, corner: body.corner, version: 0 },
          { transaction },
        );
        return body.corner.name;
      }),

    saveCorner: ({ request, params, body }) =>
      change(request, params.vehicleId, 'routeSaved', async (transaction) => {
        const row = await stored(params.vehicleId, params.cornerId, transaction);
        requireVersion(toSaved(row), body.version);
        await row.update({ corner: body.corner, version: body.version + 1 }, { transaction });
        return body.corner.name;
      }),

    removeCorner: ({ request, params }) =>
      change(request, params.vehicleId, 'routeRemoved', async (transaction) => {
        const row = await stored(params.vehicleId, params.cornerId, transaction);
        const { name } = row.corner;
        await row.destroy({ transaction });
        return name;
      }),
  };
}
