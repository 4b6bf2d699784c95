/** An end made with another bend and turned another way. */
import { anyAcross, dot, norm, scaled, subtract, turned, unit } from '../geometry/vector.ts';
import { neckDirection } from './clocking.ts';
import type { SceneEnd } from './scene.ts';

/** How one end is made and turned. */
export interface FittedEnd {
  readonly bend_deg: number;
  /** Round the bolt or the port, from the way it points now; right-hand about the axis away from the part. */
  readonly turn_rad: number;
}

/**
 * The way the hose leaves an end with this bend, turned round its bolt (an eye) or its port (a threaded end). Where the
 * neck bends is not looked at: the rigid piece runs straight from the port the way the hose leaves.
 */
export function fittedEnd(end: SceneEnd, { bend_deg, turn_rad }: FittedEnd): SceneEnd {
  const bend_rad = (bend_deg * Math.PI) / 180;
  const outward = unit(end.outward);
  if (end.eyeAxis === null) {
    const sideways = turned(anyAcross(outward), outward, turn_rad);
    // About its port as an eye's neck about its bolt: straight on without a bend.
    return { ...end, outward: neckDirection(sideways, outward, Math.PI / 2 - bend_rad) };
  }
  // Away from the part: the side to which the hose leaves now.
  const axis = unit(scaled(end.eyeAxis, dot(end.eyeAxis, outward) < 0 ? -1 : 1));
  const flat = subtract(outward, scaled(axis, dot(axis, outward)));
  const plane = norm(flat) > 1e-6 ? unit(flat) : anyAcross(axis);
  return { ...end, outward: neckDirection(turned(plane, axis, turn_rad), axis, bend_rad) };
}
