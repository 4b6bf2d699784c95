/** Where a solve without a neighbour begins: a cubic between the ends whose length is right, as tangents at its nodes. */
import type { Vector } from '../geometry/vector.ts';
import { add, anyAcross, cross, dot, norm, scaled, unit } from '../geometry/vector.ts';

const FINE = 160;
/** Even; the speed of a cubic has a root in it and few wiggles. */
const SIMPSON = 48;
/** Out of the plane by this much: exactly planar or coaxial data otherwise stand on a saddle. */
const SEED = 0.02;

/** Ends that point along the chord, by the mean of their cosines. */
const ALONG = 0.8;
const MOST = 64;

/** To which side of its plane a first shape bows: two shapes that lie close in energy are found from either. */
export type Side = 1 | -1;

/** `target` is the chord over the length: shorter than one. `places`: where the nodes lie, from 0 to 1. */
export function firstShape(
  t0: Vector,
  t1: Vector,
  target: Vector,
  places: Float64Array,
  side: Side = 1,
): Float64Array {
  const normal = scaled(planeNormal(t0, t1, target), side);
  const chord = unit(target);
  // Ends that look along the chord have their slack beside it: pulled harder they would only run past and back.
  const most = (dot(t0, chord) + dot(t1, chord)) / 2 > ALONG ? 1 : MOST;
  const pull = growTo((by) => lengthOf(t0, t1, target, normal, by, SEED), most);
  const bow = growTo((by) => lengthOf(t0, t1, target, normal, pull, Math.max(SEED, by)), MOST);
  return resampled(curve(t0, t1, target, normal, pull, Math.max(SEED, bow)), places, t0, t1);
}

/** The amount that makes the curve one long, or the most there may be. */
function growTo(length: (by: number) => number, most: number): number {
  let low = 0;
  let high = Math.min(1, most);
  while (length(high) < 1 && high < most) high *= 2;
  if (length(high) < 1) return high;
  for (let step = 0; step < 24; step += 1) {
    const middle = (low + high) / 2;
    if (length(middle) < 1) low = middle;
    else high = middle;
  }
  return high;
}

/** Across the plane that the data lie in, or most nearly lie in. */
function planeNormal(t0: Vector, t1: Vector, target: Vector): Vector {
  const across = add(cross(t0, target), cross(target, t1));
  return norm(across) > 1e-6 ? unit(across) : anyAcross(norm(target) > 1e-9 ? unit(target) : t0);
}

/** Points of a cubic Hermite curve from the origin to `target`, bowed a little along `normal`: three numbers each. */
function curve(
  t0: Vector,
  t1: Vector,
  target: Vector,
  normal: Vector,
  pull: number,
  side: number,
): Float64Array {
  const points = new Float64Array(3 * (FINE + 1));
  for (let index = 0; index <= FINE; index += 1) {
    const s = index / FINE;
    const r = 1 - s;
    const q = s * s;
    const first = pull * s * r * r;
    const middle = q * (3 - 2 * s);
    const last = -pull * q * r;
    const bow = side * 16 * q * r * r;
    points[3 * index] = first * t0[0] + middle * target[0] + last * t1[0] + bow * normal[0];
    points[3 * index + 1] = first * t0[1] + middle * target[1] + last * t1[1] + bow * normal[1];
    points[3 * index + 2] = first * t0[2] + middle * target[2] + last * t1[2] + bow * normal[2];
  }
  return points;
}

/** Its length, by Simpson's rule over the speed. */
function lengthOf(
  t0: Vector,
  t1: Vector,
  target: Vector,
  normal: Vector,
  pull: number,
  side: number,
): number {
  let sum = 0;
  for (let index = 0; index <= SIMPSON; index += 1) {
    const s = index / SIMPSON;
    const r = 1 - s;
    const first = pull * r * (r - 2 * s);
    const middle = 6 * s * r;
    const last = pull * s * (s - 2 * r);
    const bow = 32 * side * s * r * (r - s);
    const x = first * t0[0] + middle * target[0] + last * t1[0] + bow * normal[0];
    const y = first * t0[1] + middle * target[1] + last * t1[1] + bow * normal[1];
    const z = first * t0[2] + middle * target[2] + last * t1[2] + bow * normal[2];
    const weight = index === 0 || index === SIMPSON ? 1 : index % 2 === 1 ? 4 : 2;
    sum += weight * Math.sqrt(x * x + y * y + z * z);
  }
  return sum / (3 * SIMPSON);
}

/** Unit tangents at the places along it; where the curve stands still, the direction of the end. */
function resampled(points: Float64Array, places: Float64Array, t0: Vector, t1: Vector): Float64Array {
  const pieces = points.length / 3 - 1;
  const along = (piece: number): Vector => [
    (points[3 * piece + 3] ?? 0) - (points[3 * piece] ?? 0),
    (points[3 * piece + 4] ?? 0) - (points[3 * piece + 1] ?? 0),
    (points[3 * piece + 5] ?? 0) - (points[3 * piece + 2] ?? 0),
  ];
  const ends = new Float64Array(pieces);
  let total = 0;
  for (let piece = 0; piece < pieces; piece += 1) ends[piece] = total += norm(along(piece));
  const tangents = new Float64Array(3 * places.length);
  let piece = 0;
  for (const [node, place] of places.entries()) {
    const s = total * place;
    while (piece < pieces - 1 && (ends[piece] ?? 0) < s) piece += 1;
    const direction = unit(along(piece));
    tangents.set(norm(direction) > 0 ? direction : dot(t0, t1) > 0 ? t0 : t1, 3 * node);
  }
  tangents.set(t0, 0);
  tangents.set(t1, 3 * (places.length - 1));
  return tangents;
}
