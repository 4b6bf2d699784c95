/** The lead enters, renames and retires people, gives roles and new passphrases. */
import type { PersonRecord } from '@zephyrcombe/contract';
import { isWritten } from '../../database/sentChange.ts';
import { METRIC } from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import { UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { hashPassphrase } from '../sessions/passphrase.ts';
import { logEvent } from '../../http/securityLog.ts';
import { shopName } from '../sessions/session.service.ts';
import { requireOwnWords } from '../sessions/weakPassphrase.ts';
import type { PersonRow } from '../shop/shop.model.ts';

type PersonHandlers = Pick<Handlers, 'listPeople' | 'addPerson' | 'editPerson' | 'resetPassphrase'>;

const toRecord = ({ id, name, role, units, isRetired, version }: PersonRow): PersonRecord => ({
  id,
  name,
  role,
  units,
  isRetired,
  version,
});

/** The database compares names as people do, without regard to capitals. */
const nameTaken = (error: unknown): unknown =>
  error instanceof UniqueConstraintError ? fieldProblem('name', 'nameTaken') : error;

export function personHandlers({ database, clock }: Dependencies): PersonHandlers {
  const { Person, Session } = database.models;
  const listed = async () => ({
    items: (await Person.findAll({ order: [['name', 'ASC']] })).map(toRecord),
  });
  const found = async (id: string, transaction: Transaction) => {
    const row = await Person.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (row === null) throw new AppProblem('not-found');
    return row;
  };

  /** Somebody has to be able to enter people and give passphrases. */
  async function requireLeadLeft(row: PersonRow, transaction: Transaction): Promise<void> {
    if (row.role === 'lead' && !row.isRetired) return;
    const leads = await Person.count({ where: { role: 'lead', isRetired: false }, transaction });
    if (leads === 0) throw fieldProblem('role', 'lastLead');
  }

  return {
    listPeople: listed,

    async addPerson({ request, body }) {
      const { id, name, role, passphrase } = body;
      // The same person sent twice is one person: the first reply was lost.
      if ((await Person.findByPk(id)) !== null) return listed();
      requireOwnWords(passphrase, [name, await shopName(database)]);
      const passphraseHash = await hashPassphrase(passphrase);
      try {
        await Person.create({ id, name, role, units: METRIC, passphraseHash, isRetired: false, version: 0 });
        logEvent(request, 'person-entered', { person: id, role });
      } catch (error) {
        if ((await Person.findByPk(id)) === null) throw nameTaken(error);
      }
      return listed();
    },

    async editPerson({ request, params, body }) {
      const { version, ...changes } = body;
      try {
        await database.transaction(async (transaction) => {
          // All leads in a line: two of them cannot retire each other at once.
          await Person.findAll({ where: { role: 'lead' }, transaction, lock: transaction.LOCK.UPDATE });
          const row = await found(params.personId, transaction);
          if (await isWritten(database.models, transaction, request, clock())) return;
          requireVersion(toRecord(row), version);
          await row.update({ ...definedOnly(changes), version: version + 1 }, { transaction });
          await requireLeadLeft(row, transaction);
          logEvent(request, 'person-changed', { person: row.id, role: row.role, isRetired: row.isRetired });
          if (row.isRetired) await Session.destroy({ where: { personId: row.id }, transaction });
        });
      } catch (error) {
        throw nameTaken(error);
      }
      return listed();
    },

    async resetPassphrase({ request, params, body }) {
      const { name } = (await Person.findByPk(params.personId)) ?? {};
      if (name === undefined) throw new AppProblem('not-found');
      requireOwnWords(body.passphrase, [name, await shopName(database)]);
      const passphraseHash = await hashPassphrase(body.passphrase);
      await database.transaction(async (transaction) => {
        const row = await found(params.personId, transaction);
        // Whoever signed in with it since stays signed in.
        if (await isWritten(database.models, transaction, request, clock())) return;
        await row.update({ passphraseHash }, { transaction });
        logEvent(request, 'passphrase-reset', { person: row.id });
        await Session.destroy({ where: { personId: row.id }, transaction });
      });
      return listed();
    },
  };
}
