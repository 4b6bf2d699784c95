/** The shop's torque wrenches: entered, corrected, calibrated, put out of use. Records name them for good. */
import type { Wrench } from '@zephyrcombe/contract';
import { isWritten } from '../../database/sentChange.ts';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';

type WrenchHandlers = Pick<Handlers, 'listWrenches' | 'addWrench' | 'editWrench'>;

export function wrenchHandlers({ database, clock }: Dependencies): WrenchHandlers {
  const { Wrench: Wrenches } = database.models;
  const listed = async () => ({
    items: (
      await Wrenches.findAll({
        order: [
          ['maximum_Nm', 'ASC'],
          ['id', 'ASC'],
        ],
      })
    ).map((row) => row.get({ plain: true })),
  });

  function requireSound({
    minimum_Nm,
    maximum_Nm,
    calibratedOn,
  }: Pick<Wrench, 'minimum_Nm' | 'maximum_Nm' | 'calibratedOn'>): void {
    if (minimum_Nm !== null && minimum_Nm >= maximum_Nm) throw fieldProblem('minimum_Nm', 'rangeUpsideDown');
    if (calibratedOn !== null && calibratedOn > calendarDateOf(clock()))
      throw fieldProblem('calibratedOn', 'inFuture');
  }

  return {
    listWrenches: listed,

    async addWrench({ body }) {
      requireSound(body);
      // The same wrench sent twice is one wrench.
      if ((await Wrenches.findByPk(body.id)) === null)
        try {
          await Wrenches.create({ ...body, serial: body.serial ?? null, isRetired: false, version: 0 });
        } catch (error) {
          if ((await Wrenches.findByPk(body.id)) === null) throw error;
        }
      return listed();
    },

    async editWrench({ request, params, body }) {
      const { version, ...changes } = body;
      await database.transaction(async (transaction) => {
        const row = await Wrenches.findByPk(params.wrenchId, {
          transaction,
          lock: transaction.LOCK.UPDATE,
        });
        if (row === null) throw new AppProblem('not-found');
        if (await isWritten(database.models, transaction, request, clock())) return;
        const now = row.get({ plain: true });
        requireVersion(now, version);
        // Left blank it would be trusted for ever.
        if (changes.calibratedOn === null && now.calibratedOn !== null)
          throw fieldProblem('calibratedOn', 'calibrationKnown');
        requireSound({ ...now, ...definedOnly(changes) });
        await row.update({ ...definedOnly(changes), version: version + 1 }, { transaction });
      });
      return listed();
    },
  };
}
