/** What a hose has to keep away from: simple bodies, and how far a point is from their surface. */
import type { Vector } from '../geometry/vector.ts';
import { add, cross, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';
import type { Placement } from './motion.ts';

/** All points and directions are of the body it sits on, in the pose in which everything was measured. */
export type Solid =
  | { readonly shape: 'sphere'; readonly centre_m: Vector; readonly radius_m: number }
  /** A bar with round ends: a fork tube, a damper, a pipe. */
  | { readonly shape: 'capsule'; readonly a_m: Vector; readonly b_m: Vector; readonly radius_m: number }
  /** A bar with flat ends: a disc, a hub, a silencer. */
  | { readonly shape: 'cylinder'; readonly a_m: Vector; readonly b_m: Vector; readonly radius_m: number }
  /** A tyre: a ring about an axis. */
  | {
      readonly shape: 'ring';
      readonly centre_m: Vector;
      readonly axis: Vector;
      readonly ring_m: number;
      readonly tube_m: number;
    }
  /** Edges along the frame of the vehicle in the measured pose. */
  | { readonly shape: 'box'; readonly centre_m: Vector; readonly half_m: Vector };

/**
 * A solid where its body is, its figures in a row: thousands of points are asked about, and one function that knows
 * every shape is several times faster than one for each.
 */
export interface PlacedSolid {
  readonly shape: Solid['shape'];
  readonly figures: Float64Array;
}

export function placed(solid: Solid, { point, direction }: Placement): PlacedSolid {
  const row = (...figures: readonly number[]): PlacedSolid => ({
    shape: solid.shape,
    figures: new Float64Array(figures),
  });
  switch (solid.shape) {
    case 'sphere':
      return row(...point(solid.centre_m), solid.radius_m);
    case 'capsule': {
      const a = point(solid.a_m);
      const along = subtract(point(solid.b_m), a);
      const square = dot(along, along);
      return row(...a, ...scaled(along, square === 0 ? 0 : 1 / square), ...along, solid.radius_m);
    }
    case 'cylinder': {
      const [a, b] = [point(solid.a_m), point(solid.b_m)];
      const along = subtract(b, a);
      return row(...scaled(add(a, b), 0.5), ...unit(along), norm(along) / 2, solid.radius_m);
    }
    case 'ring':
      return row(...point(solid.centre_m), ...unit(direction(solid.axis)), solid.ring_m, solid.tube_m);
    case 'box': {
      const [ahead, left] = [direction([1, 0, 0]), direction([0, 1, 0])];
      return row(...point(solid.centre_m), ...ahead, ...left, ...cross(ahead, left), ...solid.half_m);
    }
  }
}

/** From a point to the surface, metres; below zero inside. */
export function distanceTo({ shape, figures: f }: PlacedSolid, x: number, y: number, z: number): number {
  const px = x - (f[0] ?? 0);
  const py = y - (f[1] ?? 0);
  const pz = z - (f[2] ?? 0);
  switch (shape) {
    case 'sphere':
      return Math.sqrt(px * px + py * py + pz * pz) - (f[3] ?? 0);
    case 'capsule': {
      const along = px * (f[3] ?? 0) + py * (f[4] ?? 0) + pz * (f[5] ?? 0);
      const s = along < 0 ? 0 : along > 1 ? 1 : along;
      const dx = px - s * (f[6] ?? 0);
      const dy = py - s * (f[7] ?? 0);
      const dz = pz - s * (f[8] ?? 0);
      return Math.sqrt(dx * dx + dy * dy + dz * dz) - (f[9] ?? 0);
    }
    case 'cylinder': {
      const s = px * (f[3] ?? 0) + py * (f[4] ?? 0) + pz * (f[5] ?? 0);
      const across = Math.sqrt(Math.max(0, px * px + py * py + pz * pz - s * s));
      return outsideOf(across - (f[7] ?? 0), Math.abs(s) - (f[6] ?? 0), -Infinity);
    }
    case 'ring': {
      const s = px * (f[3] ?? 0) + py * (f[4] ?? 0) + pz * (f[5] ?? 0);
      const across = Math.sqrt(Math.max(0, px * px + py * py + pz * pz - s * s)) - (f[6] ?? 0);
      return Math.sqrt(across * across + s * s) - (f[7] ?? 0);
    }
    case 'box':
      return outsideOf(
        Math.abs(px * (f[3] ?? 0) + py * (f[4] ?? 0) + pz * (f[5] ?? 0)) - (f[12] ?? 0),
        Math.abs(px * (f[6] ?? 0) + py * (f[7] ?? 0) + pz * (f[8] ?? 0)) - (f[13] ?? 0),
        Math.abs(px * (f[9] ?? 0) + py * (f[10] ?? 0) + pz * (f[11] ?? 0)) - (f[14] ?? 0),
      );
  }
}

/** From how far a point is beyond each pair of faces to how far it is from the corner, the edge or the face. */
function outsideOf(first: number, second: number, third: number): number {
  const inside = Math.max(first, second, third);
  if (inside <= 0) return inside;
  const a = Math.max(0, first);
  const b = Math.max(0, second);
  const c = Math.max(0, third);
  return Math.sqrt(a * a + b * b + c * c);
}
