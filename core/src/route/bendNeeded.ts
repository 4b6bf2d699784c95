/** The bend of a fitting that lets its hose leave in a wanted direction. */
import { angle } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { EndFamily } from '../fittings/end.ts';
import { EXAMPLE_BENDS_deg } from '../fittings/exampleEnds.ts';
import type { Vector } from '../geometry/vector.ts';
import { norm } from '../geometry/vector.ts';
import { banjoBendNeeded_rad, screwedBendNeeded_rad } from './clocking.ts';
import { unphysical } from '../calculation/physical.ts';

const BANJO: Formula = { expression: 'bend = asin(d·a)', source: 'bendDirection' };
const THREADED: Formula = { expression: 'bend = acos(d·p)', source: 'bendDirection' };
const BETWEEN: Formula = { expression: 'angle = acos(d·a)', source: 'bendDirection' };

export interface BendNeeded {
  /** Between the two directions, 0 to π. */
  readonly between_rad: number;
  /** Of the fitting's neck. Below nothing on a banjo: the hose would have to dive towards the part it is bolted to. */
  readonly needed_rad: number;
  /** The nearest bend on offer, and by how much the hose has to make up. */
  readonly nearest_deg: number;
  readonly short_rad: number;
}

/**
 * A banjo's hose leaves square to its bolt when the neck is straight: the bend is what the wanted direction `d` rises out of
 * the eye's plane, `a` being the bolt's axis away from the part. A threaded end starts along its port's axis.
 * Problem: a direction without length.
 */
export function bendNeeded(family: EndFamily, direction: Vector, axis: Vector): Result<BendNeeded> {
  const refused = unphysical({ direction, axis });
  if (refused) return problem(refused);
  if (!(norm(direction) > 1e-9)) return problem({ code: 'noDirection', field: 'direction' });
  if (!(norm(axis) > 1e-9)) return problem({ code: 'noDirection', field: 'axis' });
  const between_rad = screwedBendNeeded_rad(direction, axis);
  const needed_rad = family === 'banjo' ? banjoBendNeeded_rad(direction, axis) : between_rad;
  const needed_deg = (needed_rad * 180) / Math.PI;
  const nearest_deg = [...EXAMPLE_BENDS_deg].sort(
    (a, b) => Math.abs(a - needed_deg) - Math.abs(b - needed_deg),
  )[0];
  const between = term('angle', 'betweenDirections', angle(between_rad));
  return calculated(
    {
      between_rad,
      needed_rad,
      nearest_deg: nearest_deg ?? 0,
      short_rad: Math.abs(needed_rad - ((nearest_deg ?? 0) * Math.PI) / 180),
    },
    [
      { formula: BETWEEN, inputs: [], result: between },
      {
        formula: family === 'banjo' ? BANJO : THREADED,
        inputs: [between],
        result: term('bend', 'bendNeeded', angle(needed_rad)),
      },
    ],
  );
}
