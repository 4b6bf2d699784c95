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

/** What a washer lies against besides the bolt's head; null: not known. */
export interface WasherNeighbours {
  readonly eyes: readonly (JointMaterial | null)[];
  readonly seat: JointMaterial | null;
}

/**
 * M58: aluminium against any other washer. Copper does not yield against it and sets up a galvanic pair, whichever part is the
 * aluminium one: an aluminium eye on a steel bolt with copper washers is the usual case. Once, for the first such part.
 */
export function judgeWasherMaterial(
  bolt: JointMaterial,
  washer: JointMaterial,
  { eyes, seat }: WasherNeighbours = { eyes: [], seat: null },
): readonly Caution[] {
  if (washer === 'aluminium') return [];
  const part = eyes.includes('aluminium')
    ? 'eye'
    : seat === 'aluminium'
      ? 'seat'
      : bolt === 'aluminium'
        ? 'bolt'
        : null;
  return part === null
    ? []
    : [{ id: 'M58', evidence: { part, partMaterial: 'aluminium', washerMaterial: washer } }];
}
