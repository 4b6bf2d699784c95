/** The rigid piece at an end of a hose: fitting, neck and ferrule, from its port to where the hose begins to bend. */
import type { Vector } from '../geometry/vector.ts';
import { add, dot, norm, scaled, subtract, turned, unit } from '../geometry/vector.ts';
import type { SceneEnd } from './sceneParts.ts';

/** Its corners: port, the bend of its neck where it has one, and where the hose begins to bend. */
export function cornersOf({ port_m, outward, rigid_m, neck }: SceneEnd): readonly Vector[] {
  if (!neck || neck.length_m === 0) return [port_m, add(port_m, scaled(unit(outward), rigid_m))];
  const bend = add(port_m, scaled(unit(neck.along), neck.length_m));
  return [port_m, bend, add(bend, scaled(unit(outward), rigid_m - neck.length_m))];
}

/** Where the hose begins to bend. */
export const behindOf = (end: SceneEnd): Vector => cornersOf(end).at(-1) ?? end.port_m;

/** The way a neck leaves its port: of an eye in its own plane, towards where the hose goes; of a threaded end as it is. */
export function neckAlong({ outward, eyeAxis, neck }: SceneEnd): Vector {
  const wanted = unit(outward);
  if (!eyeAxis) return neck?.along ?? wanted;
  const axis = unit(eyeAxis);
  const flat = subtract(wanted, scaled(axis, dot(axis, wanted)));
  // Straight up from its bolt the direction has no side: the neck stays where it was.
  return norm(flat) > 1e-6 ? unit(flat) : (neck?.along ?? wanted);
}

/** The same end pointed another way, its neck with it. */
export function pointedEnd(end: SceneEnd, outward: Vector): SceneEnd {
  const pointed = { ...end, outward };
  return end.neck ? { ...pointed, neck: { ...end.neck, along: neckAlong(pointed) } } : pointed;
}

/** The same end turned round an axis through its port, bend and neck as they are. */
export const turnedEnd = (end: SceneEnd, axis: Vector, turn_rad: number): SceneEnd => ({
  ...end,
  outward: turned(unit(end.outward), axis, turn_rad),
  ...(end.neck ? { neck: { ...end.neck, along: turned(end.neck.along, axis, turn_rad) } } : {}),
});
