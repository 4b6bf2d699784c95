/** What was seen of hoses and joints as they are on now. It counts whenever it was seen: who tightens, tightens anew or signs meets it. */
import type { JobDetail } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { judgeStripe } from '@zephyrcombe/core';
import { seenOtherwise } from '../approvals/length.ts';
import { withoutReason } from '../approvals/reasons.ts';
import type { Obstacle } from '../gates/obstacle.ts';
import { factOf } from './facts.ts';

interface NewHose {
  readonly id: string;
  readonly name: string;
  readonly order_m: number | null;
  readonly joints: readonly string[];
}

/** The new hoses of a job; where the old one goes on again, nothing was seen of the new one that counts. */
function newHoses(detail: JobDetail): readonly NewHose[] {
  const { hoses } = partsOf(detail);
  return detail.hoses.flatMap(({ hoseId, order_m }) => {
    const own = hoses.find(({ id }) => id === hoseId);
    return own && factOf(detail, 'backOut', hoseId) !== true
      ? [{ id: hoseId, name: own.name, order_m, joints: [own.fromJointId, own.toJointId] }]
      : [];
  });
}

export const hosesAtJoint = (detail: JobDetail, jointId: string): readonly string[] =>
  newHoses(detail).flatMap(({ id, joints }) => (joints.includes(jointId) ? [id] : []));

/** A hose that touches, or comes nearer than drawn, until it is looked at again and does not. Left out: of all hoses. */
export const movesOtherwise = (detail: JobDetail, hoseIds?: readonly string[]): readonly Obstacle[] =>
  newHoses(detail)
    .filter(({ id }) => (hoseIds?.includes(id) ?? true) && seenOtherwise(detail, id) !== null)
    .map(({ name }) => ({ code: 'movesOtherwise', hose: name }));

/** M56, by the stripe. */
export const twisted = (detail: JobDetail, hoseIds?: readonly string[]): readonly Caution[] =>
  newHoses(detail).flatMap(({ id, name, order_m }) => {
    const turned_rad = factOf(detail, 'stripeTurned', id);
    if (turned_rad === undefined || order_m === null || !(hoseIds?.includes(id) ?? true)) return [];
    const judged = judgeStripe({
      turned_rad,
      free_m: order_m,
      most_rad_per_m: detail.shop.mostTwist_rad_per_m,
    });
    return judged.ok ? judged.cautions.map((caution) => ({ ...caution, subject: name })) : [];
  });

/** M62 of every joint that somebody found sealed with tape or paste. */
const sealed = (detail: JobDetail): readonly Caution[] =>
  detail.joints.flatMap(({ jointId }): readonly Caution[] => {
    const own = partsOf(detail).joints.find(({ id }) => id === jointId);
    return own && factOf(detail, 'sealant', jointId) === true
      ? [{ id: 'M62', evidence: {}, subject: own.name }]
      : [];
  });

/** What stands against the hoses and joints as they are on, and nobody has given a reason for. */
export const asFittedCautions = (detail: JobDetail): readonly Caution[] =>
  withoutReason([...twisted(detail), ...sealed(detail)], detail.reasons);
