/** Take-offs that were read from a maker's sheet or measured, kept for the next order of the same end. */
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { KnownEnd, Person } from '@zephyrcombe/contract';
import type { EndGeometry } from '@zephyrcombe/core';
import { isVouched } from '@zephyrcombe/core';
import { Op } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

/** Bends are sold in steps of many degrees: within half of one they are the same end. */
const SAME_BEND_rad = Math.PI / 360;

const sameKind = ({ family, neckAngle_rad }: EndGeometry) => ({
  family,
  neckAngle_rad: { [Op.between]: [neckAngle_rad - SAME_BEND_rad, neckAngle_rad + SAME_BEND_rad] },
});

/** Keeps the ends that somebody vouches for. An example of ours is nobody's word. */
export async function keepEnds(
  models: Models,
  transaction: Transaction,
  ends: readonly (EndGeometry | undefined)[],
  { name, id: byId }: Person,
  at: Date,
): Promise<void> {
  for (const end of ends) {
    if (!end || !isVouched(end.takeOffsFrom)) continue;
    const newest = await models.EndSheet.findOne({
      where: sameKind(end),
      order: [['at', 'DESC']],
      transaction,
    });
    if (newest && isDeepStrictEqual(newest.end, end)) continue;
    const { family, neckAngle_rad } = end;
    await models.EndSheet.create(
      { id: randomUUID(), family, neckAngle_rad, end, at, by: name, byId },
      { transaction },
    );
  }
}

/** The newest of each kind: a shop has a few dozen. */
export async function knownEnds(models: Models): Promise<KnownEnd[]> {
  const rows = await models.EndSheet.findAll({ order: [['at', 'DESC']], limit: MOST });
  const newest: KnownEnd[] = [];
  for (const { end, at, by } of rows) {
    const isKnown = newest.some(
      ({ end: other }) =>
        other.family === end.family && Math.abs(other.neckAngle_rad - end.neckAngle_rad) <= SAME_BEND_rad,
    );
    if (!isKnown) newest.push({ end, at: at.toISOString(), by });
  }
  return newest;
}

const MOST = 2000;
