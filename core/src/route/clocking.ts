/** The angle between the axes of the two ends of a hose that is not twisted, in the shape it hangs in. */
import { demand, unphysical } from '../calculation/physical.ts';
import type { Problem } from '../calculation/problem.ts';
import type { Vector } from '../geometry/vector.ts';
import { add, cross, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';
import type { RodShape } from './rod.ts';

/**
 * Carries a direction along the hose without turning it about the hose (parallel transport): from each tangent to the
 * next by the least turn. The direction lies across the hose's start. A plain angle between two planes is wrong for a curve in space.
 */
export function carried(direction: Vector, { tangents }: RodShape): Vector {
  let [x, y, z] = direction;
  for (let at = 0; at + 3 < tangents.length; at += 3) {
    const [ax, ay, az] = [tangents[at] ?? 0, tangents[at + 1] ?? 0, tangents[at + 2] ?? 0];
    const [bx, by, bz] = [tangents[at + 3] ?? 0, tangents[at + 4] ?? 0, tangents[at + 5] ?? 0];
    // The least turn from a to b, without its angle: v − (b·v)/(1 + a·b)·(a + b) for a v across a.
    const cosine = ax * bx + ay * by + az * bz;
    const share = (bx * x + by * y + bz * z) / (1 + cosine);
    x -= share * (ax + bx);
    y -= share * (ay + by);
    z -= share * (az + bz);
  }
  return [x, y, z];
}

/** What of a direction lies across a tangent, of length one; null when nothing does. */
function across(direction: Vector, tangent: Vector): Vector | null {
  const rest = subtract(direction, scaled(tangent, dot(direction, tangent)));
  return norm(rest) > 1e-6 ? unit(rest) : null;
}

/**
 * From the start's axis, carried to the far end, to the end's axis, about the hose; clockwise seen from the start
 * looking along the hose is positive, −π to π. The shapes follow one another: a guide between two of them lets the twist
 * through. Null when an axis lies along the hose and clocks nothing.
 */
export function clocking_rad(shapes: readonly RodShape[], startAxis: Vector, endAxis: Vector): number | null {
  const [head, tail] = [shapes[0]?.tangents ?? [], shapes.at(-1)?.tangents ?? []];
  const last = tail.length - 3;
  const t0: Vector = [head[0] ?? 0, head[1] ?? 0, head[2] ?? 0];
  const t1: Vector = [tail[last] ?? 0, tail[last + 1] ?? 0, tail[last + 2] ?? 0];
  const first = across(startAxis, t0);
  const wanted = across(endAxis, t1);
  if (!first || !wanted) return null;
  const arrived = shapes.reduce(carried, first);
  return Math.atan2(dot(cross(arrived, wanted), t1), dot(arrived, wanted));
}

/** The turn from one clocking to another the short way round. */
export function twistBetween_rad(before_rad: number, after_rad: number): number {
  demand(unphysical({ before_rad, after_rad }));
  const by = after_rad - before_rad;
  return Math.atan2(Math.sin(by), Math.cos(by));
}

/** A banjo's neck bent out of the plane across its bolt points this way: `bend_rad` away from the mount. */
export function neckDirection(inPlane: Vector, boltAway: Vector, bend_rad: number): Vector {
  demand(directionProblem({ inPlane, boltAway }) ?? unphysical({ bend_rad }));
  return unit(add(scaled(unit(inPlane), Math.cos(bend_rad)), scaled(unit(boltAway), Math.sin(bend_rad))));
}

/** The first of the named directions that is not finite or points nowhere. */
export function directionProblem(directions: Readonly<Record<string, Vector>>): Problem | null {
  for (const [field, direction] of Object.entries(directions)) {
    const refused = unphysical({ [field]: direction });
    if (refused) return refused;
    if (!(norm(direction) > 1e-9)) return { code: 'noDirection', field };
  }
  return null;
}

/** The bend a banjo end needs to leave in a wanted direction: asin of how far that direction points away from the mount. */
export function banjoBendNeeded_rad(departure: Vector, boltAway: Vector): number {
  demand(directionProblem({ departure, boltAway }));
  return Math.asin(Math.max(-1, Math.min(1, dot(unit(departure), unit(boltAway)))));
}

/** The bend a screwed-in end needs: the angle between the port's axis and the wanted direction. */
export function screwedBendNeeded_rad(departure: Vector, portAxis: Vector): number {
  demand(directionProblem({ departure, portAxis }));
  return Math.acos(Math.max(-1, Math.min(1, dot(unit(departure), unit(portAxis)))));
}
