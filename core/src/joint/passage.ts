/** What the fluid finds on its way through a banjo joint: along the bolt, through its cross-holes, round its neck in the eye. */
import { area, fraction, length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const BORE: Formula = { expression: 'A = π/4·b²', source: 'jointPassage' };
const HOLES: Formula = { expression: 'A = 2·n·π/4·x²', source: 'jointPassage' };
const ROUND: Formula = { expression: 'A = h·(d_eye − n)', source: 'jointPassage' };
const SHARE: Formula = { expression: 'share = least A ÷ (π/4·d_hose²)', source: 'jointPassage' };

export const PASSAGES = ['bore', 'crossHoles', 'roundNeck'] as const;
export type Passage = (typeof PASSAGES)[number];

export interface JointBores {
  readonly bore_m: number;
  readonly crossHole_m: number;
  /** Right through: each opens twice. */
  readonly crossHoles: number;
  readonly neck_m: number;
  readonly eyeBore_m: number;
  readonly eyeThickness_m: number;
  readonly hoseBore_m: number;
}

export interface JointPassage {
  readonly areas_m2: Readonly<Record<Passage, number>>;
  readonly narrowest: Passage;
  /** Of the hose's own bore; one or more: the joint holds nothing back. */
  readonly share: number;
}

/** Half round the neck on either side: the fluid comes in at one place and goes round both ways. */
export function jointPassage(bores: JointBores): Result<JointPassage> {
  const { bore_m, crossHole_m, crossHoles, neck_m, eyeBore_m, eyeThickness_m, hoseBore_m } = bores;
  const refused = firstNotPositive({ ...bores });
  if (refused) return problem(refused);
  if (!Number.isInteger(crossHoles))
    return problem({ code: 'notPositive', field: 'crossHoles', value: crossHoles });
  if (neck_m >= eyeBore_m) return problem({ code: 'boreOverNeck', field: 'neck_m' });
  const areas_m2 = {
    bore: (Math.PI / 4) * bore_m ** 2,
    crossHoles: 2 * crossHoles * (Math.PI / 4) * crossHole_m ** 2,
    roundNeck: eyeThickness_m * (eyeBore_m - neck_m),
  };
  const narrowest = PASSAGES.reduce((least, one) => (areas_m2[one] < areas_m2[least] ? one : least));
  const share = areas_m2[narrowest] / ((Math.PI / 4) * hoseBore_m ** 2);
  return calculated({ areas_m2, narrowest, share }, [
    {
      formula: BORE,
      inputs: [term('b', 'boltBore', length(bore_m))],
      result: term('A', 'passageBore', area(areas_m2.bore)),
    },
    {
      formula: HOLES,
      inputs: [term('x', 'crossHole', length(crossHole_m))],
      result: term('A', 'passageHoles', area(areas_m2.crossHoles)),
    },
    {
      formula: ROUND,
      inputs: [
        term('d_eye', 'eyeBore', length(eyeBore_m)),
        term('n', 'neckDiameter', length(neck_m)),
        term('h', 'eyeThickness', length(eyeThickness_m)),
      ],
      result: term('A', 'passageRound', area(areas_m2.roundNeck)),
    },
    {
      formula: SHARE,
      inputs: [term('d_hose', 'hoseBore', length(hoseBore_m))],
      result: term('share', 'passageShare', fraction(share)),
    },
  ]);
}
