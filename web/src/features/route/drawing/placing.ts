/** Where a new clip or part goes: on the hose as it is seen, taken back to the pose in which everything is measured. */
import type { Placement, Vector } from '@zephyrcombe/core';
import { distanceBetween, dot, subtract, unit } from '@zephyrcombe/core';

/** To a tenth of a millimetre, so that what was dragged or placed reads well in the tables. */
export const tidy = ([x, y, z]: Vector): Vector => [
  Number(x.toFixed(4)),
  Number(y.toFixed(4)),
  Number(z.toFixed(4)),
];

/** One coordinate changed. */
export const replaced = (vector: Vector, axis: number, value: number): Vector => [
  axis === 0 ? value : vector[0],
  axis === 1 ? value : vector[1],
  axis === 2 ? value : vector[2],
];

/** A direction seen in a pose, as one of the body in the pose in which everything is measured. */
export const turnedBack = ({ direction }: Placement, seen: Vector): Vector => [
  dot(direction([1, 0, 0]), seen),
  dot(direction([0, 1, 0]), seen),
  dot(direction([0, 0, 1]), seen),
];

/** What a body's placement did, undone for a point and a direction. */
export const toRest = (
  placement: Placement,
  point_m: Vector,
  along: Vector,
): { readonly point_m: Vector; readonly direction: Vector } => ({
  point_m: tidy(turnedBack(placement, subtract(point_m, placement.point([0, 0, 0])))),
  direction: tidy(turnedBack(placement, along)),
});

/** Half way between a place along the hose and its end: point, direction and distance along it. */
export function middleOf(
  line: Float32Array,
  from_m: number,
  length_m: number,
): { readonly point_m: Vector; readonly along: Vector; readonly at_m: number } | null {
  const points = line.length / 3;
  if (points < 3) return null;
  const at = (node: number): Vector => [
    line[3 * node] ?? 0,
    line[3 * node + 1] ?? 0,
    line[3 * node + 2] ?? 0,
  ];
  const wanted_m = (from_m + length_m) / 2;
  let along_m = 0;
  for (let node = 1; node < points - 1; node += 1) {
    const step_m = distanceBetween(at(node - 1), at(node));
    along_m += step_m;
    if (along_m < wanted_m) continue;
    const [before, here, after] = [at(node - 1), at(node), at(node + 1)];
    return { point_m: here, along: unit(subtract(after, before)), at_m: Number(along_m.toFixed(4)) };
  }
  return null;
}
