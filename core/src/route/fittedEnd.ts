/** An end made with another bend and turned another way. */
import { EXAMPLE_BENDS_deg } from '../fittings/exampleEnds.ts';
import { exampleEnd } from '../fittings/exampleThreaded.ts';
import type { Vector } from '../geometry/vector.ts';
import { anyAcross, dot, norm, scaled, subtract, turned, unit } from '../geometry/vector.ts';
import { neckDirection } from './clocking.ts';
import type { SceneEnd } from './sceneParts.ts';

/** How one end is made and turned. */
export interface FittedEnd {
  readonly bend_deg: number;
  /** Round the bolt or the port, from the way it points now; right-hand about the axis away from the part. */
  readonly turn_rad: number;
}

/**
 * The end with this bend, turned round its bolt (an eye) or its port (a threaded end). Its rigid piece is as long as before;
 * of a bent one the share before the bend is that of our example ends, an estimate until the hose maker's sheet is at hand.
 */
export function fittedEnd(end: SceneEnd, { bend_deg, turn_rad }: FittedEnd): SceneEnd {
  const bend_rad = (bend_deg * Math.PI) / 180;
  const outward = unit(end.outward);
  if (end.eyeAxis === null) {
    const axis = unit(end.neck?.along ?? outward);
    const sideways = turned(anyAcross(axis), axis, turn_rad);
    // About its port as an eye's neck about its bolt: straight on without a bend.
    return made(end, neckDirection(sideways, axis, Math.PI / 2 - bend_rad), axis, bend_deg);
  }
  // Away from the part: the side to which the hose leaves now.
  const axis = unit(scaled(end.eyeAxis, dot(end.eyeAxis, outward) < 0 ? -1 : 1));
  const flat = flatOf(outward, axis) ?? (end.neck && flatOf(end.neck.along, axis)) ?? anyAcross(axis);
  const along = turned(flat, axis, turn_rad);
  return made(end, neckDirection(along, axis, bend_rad), along, bend_deg);
}

function flatOf(direction: Vector, axis: Vector): Vector | null {
  const flat = subtract(direction, scaled(axis, dot(axis, direction)));
  return norm(flat) > 1e-6 ? unit(flat) : null;
}

function made(
  { neck: _before, ...end }: SceneEnd,
  outward: Vector,
  along: Vector,
  bend_deg: number,
): SceneEnd {
  const nearest = EXAMPLE_BENDS_deg.reduce((best, known) =>
    Math.abs(known - bend_deg) < Math.abs(best - bend_deg) ? known : best,
  );
  const family = end.eyeAxis === null ? 'threaded' : 'banjo';
  const { apexToPoint_m, ferruleToApex_m } = exampleEnd(family, nearest);
  const length_m = (end.rigid_m * apexToPoint_m) / (apexToPoint_m + ferruleToApex_m);
  return { ...end, outward, ...(length_m > 0 ? { neck: { along, length_m } } : {}) };
}
