/** A change carries a key of its own; sent again under the same key, it is known to be written already. */
import { Id } from '@zephyrcombe/contract';
import { REFUSALS } from '@zephyrcombe/messages';
import { createHash } from 'node:crypto';
import type { FastifyRequest } from 'fastify';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import { AppProblem } from '../http/appProblem.ts';
import type { Models } from './database.ts';

/** Nobody sends a change again after so long. */
const KEPT_ms = 2 * 24 * 60 * 60_000;

const digestOf = ({ method, url, body }: FastifyRequest): string =>
  createHash('sha256')
    .update(JSON.stringify([method, url, body]))
    .digest('hex');

/**
 * Whether this change is written already; if not, it counts as written from the commit of `transaction` on. Asked while the
 * row that is changed is locked, so that two of the same come one after the other. A change without a key is always new.
 *
 * @throws AppProblem `bad-request` where the key is none, `key-taken` where it came with another change.
 */
export async function isWritten(
  models: Models,
  transaction: Transaction,
  request: FastifyRequest,
  now: Date,
): Promise<boolean> {
  const key = request.headers['idempotency-key'];
  if (key === undefined) return false;
  const id = Id.safeParse(key);
  if (!id.success) throw new AppProblem('bad-request', { detail: REFUSALS.keyIsNone });
  const personId = request.person?.id ?? '';
  const known = await models.SentChange.findOne({ where: { personId, id: id.data }, transaction });
  const digest = digestOf(request);
  // Something else under this key would be answered as if it were written.
  if (known !== null && known.digest !== digest) throw new AppProblem('key-taken');
  if (known !== null) return true;
  await models.SentChange.create({ personId, id: id.data, digest, at: now }, { transaction });
  return false;
}

/** Of the request, where it carries one. */
export function sentIdOf({ headers }: Pick<FastifyRequest, 'headers'>): string | null {
  const id = Id.safeParse(headers['idempotency-key']);
  return id.success ? id.data : null;
}

/** Whether a change that asks somebody outside first is written already. The write itself asks `isWritten` again. */
export async function wasWritten({ SentChange }: Models, request: FastifyRequest): Promise<boolean> {
  const id = Id.safeParse(request.headers['idempotency-key']);
  if (!id.success) return false;
  const known = await SentChange.findOne({ where: { personId: request.person?.id ?? '', id: id.data } });
  return known?.digest === digestOf(request);
}

/** Forgets keys that nobody sends again. */
export async function dropSent({ SentChange }: Models, now: Date): Promise<void> {
  await SentChange.destroy({ where: { at: { [Op.lt]: new Date(now.getTime() - KEPT_ms) } } });
}
