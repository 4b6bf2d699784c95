/** What a solid looks like in a view: lines drawn as thick as the solid is, or a filled outline. */
import { polygonHull } from 'd3-polygon';
import type { Placement, Solid, Vector } from '@zephyrcombe/core';
import { add, anyAcross, cross, scaled, subtract, unit } from '@zephyrcombe/core';
import type { Projection } from './projection.ts';

export interface Outline {
  readonly path: string;
  /** Stroke width of a solid drawn as a thick line; null for one whose path is its outline. */
  readonly thick_px: number | null;
}

const AROUND = 48;

function circle(centre: Vector, axis: Vector, radius_m: number): readonly Vector[] {
  const first = anyAcross(unit(axis));
  const second = cross(unit(axis), first);
  return Array.from({ length: AROUND }, (_none, index) => {
    const turn = (2 * Math.PI * index) / AROUND;
    return add(
      centre,
      add(scaled(first, radius_m * Math.cos(turn)), scaled(second, radius_m * Math.sin(turn))),
    );
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
      const along = subtract(b, a);
      return {
        path: closed(
          hull([...circle(a, along, solid.radius_m), ...circle(b, along, solid.radius_m)].map(at)),
        ),
        thick_px: null,
      };
    }
    case 'box': {
      const [x, y, z] = solid.half_m;
      const corners = [-1, 1].flatMap((i) =>
        [-1, 1].flatMap((j) => [-1, 1].map((k) => at(point(add(solid.centre_m, [i * x, j * y, k * z]))))),
      );
      return { path: closed(hull(corners)), thick_px: null };
    }
  }
}
