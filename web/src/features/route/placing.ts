/** Where a new clip or part goes: on the hose as it is seen, taken back to the pose in which everything is measured. */
import type { Placement, Vector } from '@zephyrcombe/core';

const tidy = ([x, y, z]: Vector, digits: number): Vector => [
  Number(x.toFixed(digits)),
  Number(y.toFixed(digits)),
  Number(z.toFixed(digits)),
];

/** What a body's placement did, undone: its turning is read off the three axes. */
export function toRest(
  { point, direction }: Placement,
  point_m: Vector,
  along: Vector,
): { readonly point_m: Vector; readonly direction: Vector } {
  const axes = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).map(direction);
  const turnedBack = (vector: Vector): Vector => {
    const [x, y, z] = axes.map((axis) => axis[0] * vector[0] + axis[1] * vector[1] + axis[2] * vector[2]);
    return [x ?? 0, y ?? 0, z ?? 0];
  };
  const origin = point([0, 0, 0]);
  return {
    point_m: tidy(turnedBack([point_m[0] - origin[0], point_m[1] - origin[1], point_m[2] - origin[2]]), 4),
    direction: tidy(turnedBack(along), 4),
  };
}

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
  const distance = (a: Vector, b: Vector) =>
    Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
  const wanted_m = (from_m + length_m) / 2;
  let along_m = 0;
  for (let node = 1; node < points - 1; node += 1) {
    const step_m = distance(at(node - 1), at(node));
    along_m += step_m;
    if (along_m < wanted_m) continue;
    const [before, here, after] = [at(node - 1), at(node), at(node + 1)];
    const span = distance(before, after) || 1;
    return {
      point_m: here,
      along: [(after[0] - before[0]) / span, (after[1] - before[1]) / span, (after[2] - before[2]) / span],
      at_m: Number(along_m.toFixed(4)),
    };
  }
  return null;
}
