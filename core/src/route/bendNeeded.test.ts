import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { bendNeeded } from './bendNeeded.ts';

const bend = (family: 'banjo' | 'threaded', direction: Vector, axis: Vector) => {
  const result = bendNeeded(family, direction, axis);
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};
const deg = (rad: number) => (rad * 180) / Math.PI;

// Geometry of the two families, `design/route.md` of this project: asin(d·a) and acos(d·port axis).
test.each([
  ['banjo', [1, 0, 0], [0, 0, 1], 0, 0],
  ['banjo', [0, 0, 1], [0, 0, 1], 90, 90],
  ['banjo', [1, 0, 1], [0, 0, 2], 45, 45],
  ['banjo', [1, 0, -1], [0, 0, 1], -45, 0],
  ['threaded', [0, 0, 5], [0, 0, 1], 0, 0],
  ['threaded', [1, 0, 0], [0, 0, 1], 90, 90],
  ['threaded', [1, 0, 1], [0, 0, 1], 45, 45],
] as const)('%s leaving %j on %j: %d°, offer %d°', (family, direction, axis, needed, nearest) => {
  const value = bend(family, direction, axis);
  expect(deg(value.needed_rad)).toBeCloseTo(needed, 9);
  expect(value.nearest_deg).toBe(nearest);
});

test('what the hose makes up is the distance to the bend that is sold', () => {
  // 52° out of the eye's plane: 45° is sold, 7° are left to the hose.
  const rise = Math.sin((52 * Math.PI) / 180);
  const value = bend('banjo', [Math.sqrt(1 - rise * rise), 0, rise], [0, 0, 1]);
  expect(value.nearest_deg).toBe(45);
  expect(deg(value.short_rad)).toBeCloseTo(7, 9);
});

test('only directions count, not lengths, and a mirrored vehicle asks for the same bend', () => {
  const axis = fc.double({ min: -1, max: 1, noNaN: true });
  const vector = fc.tuple(axis, axis, axis).filter(([x, y, z]) => Math.hypot(x, y, z) > 0.01);
  fc.assert(
    fc.property(vector, vector, fc.double({ min: 0.1, max: 50, noNaN: true }), (d, a, scale) => {
      const value = bend('banjo', d, a);
      const longer = bend('banjo', [d[0] * scale, d[1] * scale, d[2] * scale], a);
      const mirrored = bend('banjo', [d[0], -d[1], d[2]], [a[0], -a[1], a[2]]);
      expect(longer.needed_rad).toBeCloseTo(value.needed_rad, 6);
      expect(mirrored.needed_rad).toBeCloseTo(value.needed_rad, 9);
      // What is not between the directions is out of the plane, and the other way round.
      expect(value.needed_rad + value.between_rad).toBeCloseTo(Math.PI / 2, 6);
    }),
  );
});

test('a direction of nothing is refused by name', () => {
  expect(bendNeeded('banjo', [0, 0, 0], [0, 0, 1])).toMatchObject({ problem: { field: 'direction' } });
  expect(bendNeeded('banjo', [0, 0, 1], [0, 0, 0])).toMatchObject({ problem: { field: 'axis' } });
});
