/** What a solid looks like in a view: lines drawn as thick as the solid is, or a filled outline. */
import { polygonHull } from 'd3-polygon';
import type { Placement, Solid, Vector } from '@zephyrcombe/core';
import type { Projection } from './projection.ts';

export interface Outline {
  readonly path: string;
  /** Stroke width of a solid drawn as a thick line; null for one whose path is its outline. */
  readonly thick_px: number | null;
}

const AROUND = 48;

const add = (a: Vector, b: Vector, by = 1): Vector => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by];

/** Two directions across an axis and each other. */
function acrossOf(axis: Vector): readonly [Vector, Vector] {
  const size = Math.sqrt(axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2) || 1;
  const [x, y, z]: Vector = [axis[0] / size, axis[1] / size, axis[2] / size];
  const other: Vector = Math.abs(x) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const first: Vector = [
    y * other[2] - z * other[1],
    z * other[0] - x * other[2],
    x * other[1] - y * other[0],
  ];
  const length = Math.sqrt(first[0] ** 2 + first[1] ** 2 + first[2] ** 2);
  const a: Vector = [first[0] / length, first[1] / length, first[2] / length];
  return [a, [y * a[2] - z * a[1], z * a[0] - x * a[2], x * a[1] - y * a[0]]];
}

function circle(centre: Vector, axis: Vector, radius_m: number): readonly Vector[] {
  const [a, b] = acrossOf(axis);
  return Array.from({ length: AROUND }, (_none, index) => {
    const turn = (2 * Math.PI * index) / AROUND;
    return add(add(centre, a, radius_m * Math.cos(turn)), b, radius_m * Math.sin(turn));
  });
}

const closed = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('') + 'Z';

const hull = (points: readonly (readonly [number, number])[]) =>
  polygonHull(points.map(([x, y]): [number, number] => [x, y])) ?? [];

export function outlineOf(solid: Solid, { point, direction }: Placement, projection: Projection): Outline {
  const { at, perMetre_px } = projection;
  switch (solid.shape) {
    case 'sphere': {
      const [x, y] = at(point(solid.centre_m));
      const r = solid.radius_m * perMetre_px;
      return {
        path: `M${x - r} ${y}A${r} ${r} 0 1 0 ${x + r} ${y}A${r} ${r} 0 1 0 ${x - r} ${y}Z`,
        thick_px: null,
      };
    }
    case 'capsule': {
      const [a, b] = [at(point(solid.a_m)), at(point(solid.b_m))];
      return {
        path: `M${a[0]} ${a[1]}L${b[0] + 0.01} ${b[1]}`,
        thick_px: 2 * solid.radius_m * perMetre_px,
      };
    }
    case 'ring':
      return {
        path: closed(circle(point(solid.centre_m), direction(solid.axis), solid.ring_m).map(at)),
        thick_px: 2 * solid.tube_m * perMetre_px,
      };
    case 'cylinder': {
      const [a, b] = [point(solid.a_m), point(solid.b_m)];
      const along = add(b, a, -1);
      return {
        path: closed(
          hull([...circle(a, along, solid.radius_m), ...circle(b, along, solid.radius_m)].map(at)),
        ),
        thick_px: null,
      };
    }
    case 'box': {
      const [x, y] = [direction([1, 0, 0]), direction([0, 1, 0])];
      const z = direction([0, 0, 1]);
      const corners = [-1, 1].flatMap((i) =>
        [-1, 1].flatMap((j) =>
          [-1, 1].map((k) =>
            at(
              add(
                add(add(point(solid.centre_m), x, i * solid.half_m[0]), y, j * solid.half_m[1]),
                z,
                k * solid.half_m[2],
              ),
            ),
          ),
        ),
      );
      return { path: closed(hull(corners)), thick_px: null };
    }
  }
}
