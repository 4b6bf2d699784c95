/** Keeps the session library's sessions in the database, so that they can be listed and ended from elsewhere. */
import { createHash } from 'node:crypto';
import type { FastifySessionOptions } from '@fastify/session';
import { Op } from 'sequelize';
import type { Config } from '../../config.ts';
import type { Models } from '../../database/database.ts';
import type { SessionRow } from './session.model.ts';

const MINUTE_ms = 60_000;
const HOUR_ms = 60 * MINUTE_ms;

/** How long a sign-in holds: without a sign of life, and at all. */
export interface SessionLimits {
  readonly idle_ms: number;
  readonly absolute_ms: number;
}

/** What a sign-in is known by outside the cookie. */
export const sessionKey = (sessionId: string): string => createHash('sha256').update(sessionId).digest('hex');

const hasEnded = (row: SessionRow, now: number, { idle_ms, absolute_ms }: SessionLimits): boolean =>
  now - row.lastSeenAt.getTime() > idle_ms || now - row.startedAt.getTime() > absolute_ms;

export const limitsOf = ({
  idleHours,
  signInDays,
}: Pick<Config, 'idleHours' | 'signInDays'>): SessionLimits => ({
  idle_ms: idleHours * HOUR_ms,
  absolute_ms: signInDays * 24 * HOUR_ms,
});

/** Takes away what has run out: it lets nobody in, and is not listed as if it did. */
export async function dropEnded(
  { Session }: Pick<Models, 'Session'>,
  now: Date,
  { idle_ms, absolute_ms }: SessionLimits,
): Promise<void> {
  const before = (ms: number) => new Date(now.getTime() - ms);
  await Session.destroy({
    where: {
      [Op.or]: [
        { lastSeenAt: { [Op.lt]: before(idle_ms) } },
        { startedAt: { [Op.lt]: before(absolute_ms) } },
      ],
    },
  });
}

type Store = NonNullable<FastifySessionOptions['store']>;

export function sessionStore(
  { Session }: Pick<Models, 'Session'>,
  clock: () => Date,
  limits: SessionLimits,
): Store {
  const settle = (work: Promise<unknown>, done: (error?: unknown) => void): void => {
    work.then(
      () => done(),
      (error: unknown) => done(error),
    );
  };
  return {
    set(sessionId, { personId, address, device, cookie }, done) {
      // Only who signed in is worth a row.
      if (personId === undefined) return done();
      const now = clock();
      const row = {
        id: sessionKey(sessionId),
        personId,
        startedAt: now,
        lastSeenAt: now,
        address: address ?? '',
        device: device ?? '',
        data: { cookie },
      };
      settle(Session.create(row), done);
    },
    get(sessionId, done) {
      const find = async () => {
        const row = await Session.findByPk(sessionKey(sessionId));
        if (row === null) return null;
        const now = clock();
        if (hasEnded(row, now.getTime(), limits)) return null;
        // A sign of life once a minute is enough.
        if (now.getTime() - row.lastSeenAt.getTime() > MINUTE_ms)
          await Session.update({ lastSeenAt: now }, { where: { id: row.id } });
        return row;
      };
      find().then(
        (row) => done(null, row && { ...(row.data as { cookie: never }), personId: row.personId }),
        (error: unknown) => done(error),
      );
    },
    destroy(sessionId, done) {
      settle(Session.destroy({ where: { id: sessionKey(sessionId) } }), done);
    },
  };
}
