/** Points and directions in space. The vehicle's frame: x forward, y left, z up; right-hand rotations. */
export type Vector = readonly [number, number, number];

export const add = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scaled = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
// Not Math.hypot: it guards against overflow that metres do not reach, and is many times slower.
export const norm = (a: Vector): number => Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
export function distanceBetween(a: Vector, b: Vector): number {
  const [x, y, z] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(x * x + y * y + z * z);
}

/** Of length one. A vector without length has no direction: the zero vector comes back. */
export function unit(a: Vector): Vector {
  const length = norm(a);
  return length === 0 ? a : scaled(a, 1 / length);
}

/** Turned about an axis through the origin (Rodrigues). `axis` has length one. */
export function turned(a: Vector, axis: Vector, angle_rad: number): Vector {
  const cos = Math.cos(angle_rad);
  return add(
    add(scaled(a, cos), scaled(cross(axis, a), Math.sin(angle_rad))),
    scaled(axis, dot(axis, a) * (1 - cos)),
  );
}

/** Some direction at right angles to this one: across its smallest component, so that it is never near zero. */
export function anyAcross(a: Vector): Vector {
  const [x, y, z] = a.map(Math.abs) as unknown as Vector;
  const least: Vector = x <= y && x <= z ? [1, 0, 0] : y <= z ? [0, 1, 0] : [0, 0, 1];
  return unit(cross(a, least));
}
