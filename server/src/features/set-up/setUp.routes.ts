/** Opening an empty book: the shop and its lead, in one go. */
import { randomUUID } from 'node:crypto';
import type { Person } from '@zephyrcombe/contract';
import { MOST_TWIST_rad_per_m, MOVEMENT_MARGIN_m } from '@zephyrcombe/core';
import { UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { hashPassphrase } from '../sessions/passphrase.ts';
import { logEvent } from '../../http/securityLog.ts';
import { requireOwnWords } from '../sessions/weakPassphrase.ts';
import { beginSession } from '../sessions/session.routes.ts';
import { describeSession } from '../sessions/session.service.ts';

/** What a shop starts with and changes to its own liking. Common practice, no published source. */
const DEFAULTS = {
  slack_m: 0.0125,
  movementMargin_m: MOVEMENT_MARGIN_m,
  mostTwist_rad_per_m: MOST_TWIST_rad_per_m,
  fluidIntervalMonths: 24,
  fluidIntervalDistance_m: null,
  brakeWorkRule: '',
  address: '',
  phone: '',
  namesAtSignIn: true,
} as const;

export function setUpHandlers(dependencies: Dependencies): Pick<Handlers, 'setUp'> {
  const { database } = dependencies;
  const { Shop, Person: People } = database.models;
  return {
    async setUp({ request, body }) {
      if ((await Shop.count()) > 0) throw new AppProblem('already-set-up');
      const { shopName, leadName, passphrase, units } = body;
      requireOwnWords(passphrase, [leadName, shopName]);
      const passphraseHash = await hashPassphrase(passphrase);
      const lead: Person = { id: randomUUID(), name: leadName, role: 'lead', units, version: 0 };
      try {
        await database.transaction(async (transaction) => {
          // The database takes one shop only: of two who open the book at once, one is refused.
          await Shop.create({ ...DEFAULTS, id: randomUUID(), name: shopName, version: 0 }, { transaction });
          await People.create({ ...lead, passphraseHash, isRetired: false }, { transaction });
        });
      } catch (error) {
        throw error instanceof UniqueConstraintError ? new AppProblem('already-set-up') : error;
      }
      await beginSession(request, lead.id);
      logEvent(request, 'book-opened', { person: lead.id });
      return describeSession(dependencies, lead);
    },
  };
}
