import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween } from '../geometry/vector.ts';
import { planarDubins } from './dubins.ts';
import type { Pose, PoseGrid, Route } from './envelope.ts';
import { freeHose, judgeEnvelope, lengthWindow, solveEnvelope, TAUT_RATIO } from './envelope.ts';
import { rodPoints } from './measures.ts';
import { steeredLower, steeredUpper, STILL } from './motion.ts';

const degrees = (value: number) => (value * Math.PI) / 180;
const RIG = { steeringPoint_m: [0, 0, 0.9] as Vector, rake_rad: degrees(25) };
/** Lever to caliper: down past the yoke. Invented geometry, no vehicle's. */
const FORK: Route = {
  start: { port_m: [0.06, -0.2, 1.01], outward: [0.3, 0.2, -0.93], rigid_m: 0.025 },
  end: { port_m: [0.33, -0.095, 0.33], outward: [-0.25, 0, 0.97], rigid_m: 0.025 },
};

/** Steering across, travel down, from full droop to full bump; installed straight ahead at droop. */
function forkGrid(columns: number, rows: number, barMounted: boolean): PoseGrid {
  const poses = Array.from({ length: rows * columns }, (_none, index): Pose => {
    const steering = degrees(-32 + (64 * (index % columns)) / (columns - 1));
    const travel_m = (0.12 * Math.floor(index / columns)) / Math.max(1, rows - 1);
    return {
      start: barMounted ? steeredUpper(RIG, steering) : STILL,
      end: steeredLower(RIG, steering, travel_m),
    };
  });
  return { columns, poses, installed: (columns - 1) / 2 };
}

const chordOf = (route: Route, pose: Pose) =>
  distanceBetween(pose.start.point(route.start.port_m), pose.end.point(route.end.port_m));

describe('envelope of a fork hose', () => {
  const grid = forkGrid(5, 5, true);
  const droop = chordOf(FORK, grid.poses[grid.installed] ?? { start: STILL, end: STILL });

  test('every pose is solved, closes, and hangs between its own ends', () => {
    const poses = solveEnvelope(FORK, grid, droop * 1.08);
    expect(poses).toHaveLength(25);
    for (const { ends, shape } of poses) {
      expect(shape.status).toBe('converged');
      const points = rodPoints(ends, shape);
      expect(distanceBetween(points[0] ?? [0, 0, 0], ends.start.point_m)).toBeLessThan(1e-12);
      expect(distanceBetween(points.at(-1) ?? [0, 0, 0], ends.end.point_m)).toBeLessThan(1e-8);
    }
  });

  test('lever and caliper steer together: steering changes nothing that the hose feels', () => {
    const poses = solveEnvelope(FORK, grid, droop * 1.08);
    for (let row = 0; row < 5; row += 1) {
      const radii = poses.slice(5 * row, 5 * row + 5).map((pose) => pose.radius_m ?? 0);
      for (const radius of radii) expect(radius / (radii[2] ?? 1)).toBeCloseTo(1, 4);
    }
  });

  test('from a block on the frame it does, and left is not right', () => {
    const poses = solveEnvelope(FORK, forkGrid(5, 3, false), 1);
    const [left, right] = [poses[0]?.chordRatio ?? 0, poses[4]?.chordRatio ?? 0];
    expect(Math.abs(left - right)).toBeGreaterThan(0.002);
  });

  test('a hose that droop pulls straight is taut there, and said to be so at that pose', () => {
    const poses = solveEnvelope(FORK, grid, droop * 1.005);
    const verdict = judgeEnvelope(poses, 0.04);
    expect(verdict).toMatchObject({ holds: false, reason: 'taut', radius_m: null });
    expect(Math.floor(verdict.worst / 5)).toBe(0);
    expect(verdict.chordRatio).toBeGreaterThan(TAUT_RATIO);
  });

  test('a least radius that no pose holds is named as bend, with its pose', () => {
    const poses = solveEnvelope(FORK, grid, droop * 1.08);
    const held = judgeEnvelope(poses, 0.01);
    expect(held.holds).toBe(true);
    const refused = judgeEnvelope(poses, (held.radius_m ?? 0) * 1.01);
    expect(refused).toMatchObject({ holds: false, reason: 'bend', worst: held.worst });
  });

  test('the window holds at both its edges and not half a millimetre beyond', () => {
    const scan = { from_m: droop, to_m: droop * 1.5, nominal_m: droop * 1.1, leastRadius_m: 0.03 };
    const window = lengthWindow(FORK, forkGrid(3, 3, true), scan);
    if (!window) throw new Error('no window');
    const holds = (length_m: number) =>
      judgeEnvelope(solveEnvelope(FORK, forkGrid(3, 3, true), length_m), 0.03).holds;
    expect(window.shortest_m).toBeGreaterThan(droop);
    expect(holds(window.shortest_m)).toBe(true);
    expect(holds(window.shortest_m - 0.0006)).toBe(false);
    expect(window.shortReason).toBe('taut');
    expect(holds(window.longest_m)).toBe(true);
    if (window.longReason !== 'none') expect(holds(window.longest_m + 0.0006)).toBe(false);
  });

  test('a nominal length that does not hold has no window', () => {
    const scan = { from_m: droop, to_m: droop * 1.4, nominal_m: droop * 1.001, leastRadius_m: 0.03 };
    expect(lengthWindow(FORK, forkGrid(3, 3, true), scan)).toBeNull();
  });
});

test('the window of a flat route is never below the Dubins bound of its least radius (Dubins 1957)', () => {
  const still: PoseGrid = { columns: 1, poses: [{ start: STILL, end: STILL }], installed: 0 };
  const within = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
  let windows = 0;
  fc.assert(
    fc.property(
      within(0.15, 0.4),
      within(-0.15, 0.15),
      within(-1.2, 1.2),
      within(-1.2, 1.2),
      (x, y, a, b) => {
        const leastRadius_m = 0.04;
        const route: Route = {
          start: { port_m: [0, 0, 0], outward: [Math.cos(a), Math.sin(a), 0], rigid_m: 0 },
          end: { port_m: [x, y, 0], outward: [-Math.cos(b), -Math.sin(b), 0], rigid_m: 0 },
        };
        const chord = Math.hypot(x, y);
        const scan = { from_m: chord, to_m: chord * 1.6, nominal_m: chord * 1.2, leastRadius_m };
        const window = lengthWindow(route, still, scan);
        if (!window) return;
        const ends = freeHose(route, { start: STILL, end: STILL }, window.shortest_m);
        const [shape] = solveEnvelope(route, still, window.shortest_m);
        const isFlat = shape && rodPoints(ends, shape.shape).every((point) => Math.abs(point[2]) < 1e-6);
        if (!isFlat) return;
        windows += 1;
        const [shortest] = planarDubins(
          { x_m: 0, y_m: 0, heading_rad: a },
          { x_m: x, y_m: y, heading_rad: b },
          leastRadius_m * 0.99,
        );
        expect(window.shortest_m).toBeGreaterThanOrEqual((shortest?.length_m ?? 0) - 1e-6);
      },
    ),
    { numRuns: 24, seed: 20_261_125 },
  );
  expect(windows).toBeGreaterThan(5);
});
