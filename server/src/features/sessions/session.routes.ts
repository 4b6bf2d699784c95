/** Signing in and out, one's own units and passphrase, and the devices somebody is signed in on. */
import type { SignIn } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { Op } from 'sequelize';
import type { Config } from '../../config.ts';
import type { Dependencies } from '../../dependencies.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { personOf } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { logEvent } from '../../http/securityLog.ts';
import type { PersonRow } from '../shop/shop.model.ts';
import { hashPassphrase, isPassphraseOf, limitTries } from './passphrase.ts';
import { requireOwnWords } from './weakPassphrase.ts';
import { describeSession, shopName, toPerson } from './session.service.ts';
import { dropSent, isWritten } from '../../database/sentChange.ts';
import { dropEnded, limitsOf, sessionKey } from './sessionStore.ts';

/** Behind TLS the name binds the cookie to this very host. */
export const sessionCookie = ({ secureCookie }: Config): string =>
  secureCookie ? '__Host-zephyrcombe_session' : 'zephyrcombe_session';
const LONGEST_DEVICE = 300;
const LONGEST_ADDRESS = 60;

/** A new session for this person: the id from before they were known is not used on. */
export async function beginSession(request: FastifyRequest, personId: string): Promise<void> {
  await request.session.regenerate();
  request.session.personId = personId;
  request.session.address = request.ip.slice(0, LONGEST_ADDRESS);
  request.session.device = (request.headers['user-agent'] ?? '').slice(0, LONGEST_DEVICE);
}

async function endSession(request: FastifyRequest, reply: FastifyReply, config: Config): Promise<void> {
  await request.session.destroy();
  void reply.clearCookie(sessionCookie(config), { path: '/', secure: config.secureCookie });
}

type SessionHandlers = Pick<
  Handlers,
  'getSession' | 'signIn' | 'signOut' | 'setUnits' | 'changePassphrase' | 'listSignIns' | 'endSignIn'
>;

export function sessionHandlers(dependencies: Dependencies): SessionHandlers {
  const { database, config, clock } = dependencies;
  const limits = limitsOf(config);
  const { Person, Session } = database.models;
  const tries = limitTries(config.signInTries);

  /** The row of the person whose name and passphrase these are; wrong tries are counted whoever they are at. */
  async function proved(name: string, passphrase: string, request: FastifyRequest): Promise<PersonRow> {
    await tries.begin(name, request.ip);
    const row = await Person.findOne({ where: { name, isRetired: false } });
    if (!(await isPassphraseOf(row, passphrase)) || row === null) throw new AppProblem('wrong-passphrase');
    await tries.succeed(name, request.ip);
    return row;
  }

  async function signIns(request: FastifyRequest): Promise<{ items: SignIn[] }> {
    const me = personOf(request);
    await dropEnded(database.models, clock(), limits);
    const people = await Person.findAll({ attributes: ['id', 'name'] });
    const rows = await Session.findAll({
      where: may(me, 'keepPeople') ? {} : { personId: me.id },
      order: [['lastSeenAt', 'DESC']],
    });
    const own = sessionKey(request.session.sessionId);
    return {
      items: rows.map(({ id, personId, startedAt, lastSeenAt, address, device }) => ({
        id,
        personId,
        name: people.find((person) => person.id === personId)?.name ?? '',
        since: startedAt.toISOString(),
        lastSeenAt: lastSeenAt.toISOString(),
        address,
        device,
        isThisOne: id === own,
      })),
    };
  }

  return {
    getSession: ({ request }) => describeSession(dependencies, request.person),

    async signIn({ request, body }) {
      const row = await proved(body.name, body.passphrase, request);
      await dropEnded(database.models, clock(), limits);
      await dropSent(database.models, clock());
      await beginSession(request, row.id);
      logEvent(request, 'signed-in', { person: row.id });
      return describeSession(dependencies, toPerson(row));
    },

    async signOut({ request, reply }) {
      logEvent(request, 'signed-out');
      await endSession(request, reply, config);
      return describeSession(dependencies, null);
    },

    async setUnits({ request, body }) {
      const { id } = personOf(request);
      return database.transaction(async (transaction) => {
        const row = await Person.findByPk(id, {
          transaction,
          lock: transaction.LOCK.UPDATE,
          rejectOnEmpty: true,
        });
        if (await isWritten(database.models, transaction, request, clock())) return toPerson(row);
        requireVersion(toPerson(row), body.version);
        return toPerson(await row.update({ units: body.units, version: body.version + 1 }, { transaction }));
      });
    },

    async changePassphrase({ request, body }) {
      const me = personOf(request);
      await tries.begin(me.name, request.ip);
      const row = await Person.findByPk(me.id, { rejectOnEmpty: true });
      if (!(await isPassphraseOf(row, body.current))) throw fieldProblem('current', 'notYourPassphrase');
      await tries.succeed(me.name, request.ip);
      requireOwnWords(body.passphrase, [me.name, await shopName(database)]);
      await row.update({ passphraseHash: await hashPassphrase(body.passphrase) });
      await Session.destroy({ where: { personId: me.id } });
      await beginSession(request, me.id);
      logEvent(request, 'passphrase-changed');
      return describeSession(dependencies, me);
    },

    listSignIns: ({ request }) => signIns(request),

    async endSignIn({ request, params }) {
      const me = personOf(request);
      const theirs = may(me, 'keepPeople') ? {} : { personId: me.id };
      await Session.destroy({
        where: { [Op.and]: [{ id: params.signInId }, theirs] },
      });
      logEvent(request, 'sign-in-ended');
      return signIns(request);
    },
  };
}
