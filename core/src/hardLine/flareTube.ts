/** How much tube a 45° flare takes, from its own geometry: the rule of the trade is coarser (`USUAL_FLARE_m`). */
import { length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import { term } from '../calculation/working.ts';

export interface FlareTube {
  /** Along the cone from the tube to its rim. */
  readonly slant_m: number;
  /** Of a double flare, which is folded back on itself. */
  readonly folded_m: number;
  readonly height_m: number;
  /** Tube beyond the finished end. */
  readonly consumed_m: number;
}

/** Tube and flare by their outside diameters. Problem: a flare no wider than its tube. */
export function flareTube(tube_m: number, flare_m: number): Result<FlareTube> {
  const refused = firstNotPositive({ tube_m, flare_m });
  if (refused) return problem(refused);
  if (flare_m <= tube_m) return problem({ code: 'boreOverNeck', field: 'flare_m' });
  const height_m = (flare_m - tube_m) / 2;
  const slant_m = height_m * Math.SQRT2;
  return calculated({ slant_m, folded_m: 2 * slant_m, height_m, consumed_m: 2 * slant_m - height_m }, [
    {
      formula: { expression: 'f = (D − d)·(√2 − ½), cone of 45° folded back', source: 'flareForms' },
      inputs: [term('d', 'lineOutside', length(tube_m)), term('D', 'flareOutside', length(flare_m))],
      result: term('f', 'flareAllowance', length(2 * slant_m - height_m)),
    },
  ]);
}
