/** Crush washers of a banjo joint: one on both sides of every eye, all new. */
import { unphysical } from '../calculation/physical.ts';
import { count } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';

const STACK: Formula = { expression: 'w = N + 1', source: 'washerStack' };

export const JOINT_MATERIALS = ['aluminium', 'copper', 'steel', 'stainless'] as const;
export type JointMaterial = (typeof JOINT_MATERIALS)[number];

/** A slip of the pen: no bolt carries nearly as many. */
const MOST_EYES = 1000;

/**
 * How many fresh washers a joint of `eyes` eyes takes. Zero where the joint seals by a cone or flare (no eyes).
 * `confirmed` is what the technician says is fitted; leave it out before fitting.
 */
export function washersNeeded(eyes: number, confirmed?: number): Result<number> {
  if (!Number.isInteger(eyes) || eyes < 1)
    return problem({ code: 'notPositive', field: 'eyes', value: eyes });
  if (eyes > MOST_EYES) return problem({ code: 'tooLarge', field: 'eyes' });
  const refused =
    confirmed === undefined ? null : unphysical({ washers: confirmed }, { notNegative: ['washers'] });
  if (refused) return problem(refused);
  const needed = eyes + 1;
  const cautions: Caution[] =
    confirmed !== undefined && confirmed !== needed ? [{ id: 'M57', evidence: { needed, confirmed } }] : [];
  return calculated(
    needed,
    [
      {
        formula: STACK,
        inputs: [term('N', 'eyes', count(eyes))],
        result: term('w', 'washers', count(needed)),
      },
    ],
    cautions,
  );
}

/** Aluminium eyes and bolts take aluminium washers: copper does not yield against them and sets up a galvanic pair. */
export function judgeWasherMaterial(bolt: JointMaterial, washer: JointMaterial): readonly Caution[] {
  return bolt === 'aluminium' && washer !== 'aluminium'
    ? [{ id: 'M58', evidence: { boltMaterial: bolt, washerMaterial: washer } }]
    : [];
}
