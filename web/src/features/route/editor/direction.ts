/** A direction as a person at the vehicle can say it: by eye, or by two points that a tape can reach. */
import type { Vector } from '@zephyrcombe/core';

/** x forward, y left, z up. */
const WORDS = [
  ['forward', 'backward'],
  ['left', 'right'],
  ['up', 'down'],
] as const;

export interface ByEye {
  readonly name: string;
  readonly direction: Vector;
}

const sign = [-1, 0, 1] as const;

/** The six plain ways and the twelve half-way between two of them. */
export const BY_EYE: readonly ByEye[] = sign
  .flatMap((x) => sign.flatMap((y) => sign.map((z): Vector => [x, y, z])))
  .map((direction) => ({ direction, parts: direction.filter((part) => part !== 0).length }))
  .filter(({ parts }) => parts === 1 || parts === 2)
  .sort((a, b) => a.parts - b.parts)
  .map(({ direction }) => ({ direction, name: wordsOf(direction) }));

function wordsOf(direction: Vector): string {
  // "up and forward" is how people say it.
  return [2, 0, 1]
    .flatMap((axis) => {
      const part = direction[axis] ?? 0;
      return part === 0 ? [] : [WORDS[axis]?.[part > 0 ? 0 : 1] ?? ''];
    })
    .join(' and ');
}

const length = ([x, y, z]: Vector) => Math.hypot(x, y, z);

export function angleBetween_rad(a: Vector, b: Vector): number {
  const cosine = (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / (length(a) * length(b));
  return Math.acos(Math.max(-1, Math.min(1, cosine)));
}

/** A hand's breadth at arm's length: nearer than this nobody tells two directions apart by eye. */
const SAME_rad = (0.5 * Math.PI) / 180;

/** The way by eye that this direction is; null for one that was measured. */
export const eyeOf = (direction: Vector): ByEye | null =>
  length(direction) === 0
    ? null
    : (BY_EYE.find((one) => angleBetween_rad(one.direction, direction) < SAME_rad) ?? null);

/** From a place to a second one farther along; null where they are one place. */
export function towards(from_m: Vector, to_m: Vector): Vector | null {
  const way: Vector = [to_m[0] - from_m[0], to_m[1] - from_m[1], to_m[2] - from_m[2]];
  const far_m = length(way);
  return far_m < 1e-3 ? null : [way[0] / far_m, way[1] / far_m, way[2] / far_m];
}

/** As far along as a hand's breadth: where the second point is shown to begin with. */
export const secondPoint_m = (from_m: Vector, direction: Vector, far_m = 0.1): Vector => {
  const whole = length(direction) || 1;
  return [0, 1, 2].map(
    (axis) => (from_m[axis] ?? 0) + (far_m * (direction[axis] ?? 0)) / whole,
  ) as unknown as Vector;
};
