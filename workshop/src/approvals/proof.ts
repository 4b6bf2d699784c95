/** What a proof under pressure covers: the hose as it was made up, with its ends. What only lies on it (labels, clips) does not count. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { buildOf } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

export function proofFacts(own: HoseOfJob): Facts {
  const { order_m, endA, endB, clocking_rad } = own.hose;
  const { bore_m, liner, braid, fixing, endA: fittingA, endB: fittingB } = buildOf(own);
  const shape = ({ takeOffsFrom: _from, ...end }: typeof endA) => end;
  return factsOf({
    length_m: order_m,
    endA: { ...shape(endA), fitting: fittingA },
    endB: { ...shape(endB), fitting: fittingB },
    clocking_rad,
    build: { bore_m, liner, braid, fixing },
  });
}

/** Whether the hose that was last proved is the one that is specified; a proof of before that was kept stands. */
export const proofStanding = (own: HoseOfJob): Standing =>
  standingOf(own.hose.makeUp.proofs.at(-1)?.of, proofFacts(own));
