import type { Vector } from '../geometry/vector.ts';
import { cross, dot, scaled, subtract, unit } from '../geometry/vector.ts';
import {
  banjoBendNeeded_rad,
  carried,
  clocking_rad,
  neckDirection,
  screwedBendNeeded_rad,
  twistBetween_rad,
} from './clocking.ts';
import type { RodShape } from './rod.ts';

const shapeOf = (tangents: readonly Vector[]): RodShape => ({
  status: 'converged',
  tangents: Float64Array.from(tangents.flat()),
  layout: null,
  length_m: 1,
  force: [0, 0, 0],
  bendAlong: 0,
  iterations: 0,
  shifted: false,
  closure_m: 0,
});
/** One turn of a helix of this pitch angle, in many small steps. */
const HELIX_STEPS = 4096;
const helix = (pitch_rad: number): readonly Vector[] =>
  Array.from({ length: HELIX_STEPS + 1 }, (_none, index): Vector => {
    const angle = (2 * Math.PI * index) / HELIX_STEPS;
    const flat = Math.cos(pitch_rad);
    return [-flat * Math.sin(angle), flat * Math.cos(angle), Math.sin(pitch_rad)];
  });

describe('clocking by parallel transport', () => {
  test.each([0.1, 0.4, 1, 1.4])(
    'one turn of a helix of pitch %d rad turns the frame by 2π·sin(pitch) (Gauss–Bonnet; torsion times length)',
    (pitch) => {
      const tangents = helix(pitch);
      const start = tangents[0] ?? [0, 0, 1];
      // The principal normal comes back to itself after a turn; the carried direction lags by the total torsion.
      const normal: Vector = [-1, 0, 0];
      expect(Math.abs(dot(normal, start))).toBeLessThan(1e-12);
      const arrived = carried(normal, shapeOf(tangents));
      const binormal = cross(start, normal);
      const lag = Math.atan2(dot(arrived, binormal), dot(arrived, normal));
      expect(Math.abs(twistBetween_rad(lag, -2 * Math.PI * Math.sin(pitch)))).toBeLessThan(1e-5);
    },
  );

  test('a flat hose carries what stands across its plane unturned', () => {
    const tangents = Array.from({ length: 65 }, (_none, index): Vector => {
      const angle = index / 20;
      return [Math.cos(angle), Math.sin(angle), 0];
    });
    expect(carried([0, 0, 1], shapeOf(tangents))).toEqual([0, 0, 1]);
    const clock = (axis: Vector) => clocking_rad([shapeOf(tangents)], [0, 0, 1], axis);
    expect(clock([0, 0, 1])).toBeCloseTo(0, 12);
    // Seen along the hose, clockwise from up: up is z, right of travel is towards the side the tangent's left is not on.
    const last = tangents.at(-1) ?? [1, 0, 0];
    const right = cross(last, [0, 0, 1]);
    expect(clock(right)).toBeCloseTo(Math.PI / 2, 12);
    expect(clock(scaled(right, -1))).toBeCloseTo(-Math.PI / 2, 12);
    expect(clock(last)).toBeNull();
  });

  test('the turn between two clockings goes the short way round', () => {
    expect(twistBetween_rad(3, -3)).toBeCloseTo(2 * Math.PI - 6, 12);
    expect(twistBetween_rad(-3, 3)).toBeCloseTo(6 - 2 * Math.PI, 12);
  });
});

test('the bend an end needs and the direction that bend gives are each other’s inverse (route.md, fitting choice)', () => {
  const [away, inPlane]: [Vector, Vector] = [unit([0.2, 0.9, 0.1]), [1, 0, 0]];
  const flat = unit(subtract(inPlane, scaled(away, dot(inPlane, away))));
  for (const degrees of [0, 20, 45, 90]) {
    const bend = (degrees * Math.PI) / 180;
    expect(banjoBendNeeded_rad(neckDirection(flat, away, bend), away)).toBeCloseTo(bend, 7);
  }
  expect(screwedBendNeeded_rad([1, 1, 0], [1, 0, 0])).toBeCloseTo(Math.PI / 4, 12);
});
