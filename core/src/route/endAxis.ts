/** How an end of a route lies about its hose, by the one convention of clocking. */
import { demand } from '../calculation/physical.ts';
import type { Lying } from '../fittings/clocking.ts';
import type { Vector } from '../geometry/vector.ts';
import { cross, dot, norm, scaled, unit } from '../geometry/vector.ts';
import { directionProblem } from './clocking.ts';
import type { SceneEnd } from './sceneParts.ts';

type Pointing = Pick<SceneEnd, 'outward' | 'neck' | 'eyeAxis'>;

/** A bend of less than this is straight. */
const STRAIGHT_rad = 1e-3;

const angleBetween_rad = (a: Vector, b: Vector): number =>
  Math.atan2(norm(cross(unit(a), unit(b))), dot(unit(a), unit(b)));

/** What kind of end it is and how far it bends, as clocking asks for it. */
export function lyingOf({ outward, neck, eyeAxis }: Pointing): Lying {
  demand(directionProblem({ outward, ...(neck ? { neck: neck.along } : {}) }));
  const bend_rad = neck ? angleBetween_rad(neck.along, outward) : 0;
  return {
    family: eyeAxis === null ? 'threaded' : 'banjo',
    neckAngle_rad: bend_rad < STRAIGHT_rad ? 0 : bend_rad,
  };
}

/**
 * The axis of an end. Of an eye that of its bolt, pointing to the side that a bent neck rises to, away from the part; of a bent
 * threaded end the way its thread points, into its port; null for a straight thread, which turns.
 */
export function endAxis(end: Pointing): Vector | null {
  if (end.eyeAxis !== null)
    return scaled(end.eyeAxis, dot(end.eyeAxis, unit(end.outward)) < -STRAIGHT_rad ? -1 : 1);
  return end.neck && lyingOf(end).neckAngle_rad > 0 ? scaled(end.neck.along, -1) : null;
}
