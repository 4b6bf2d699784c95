/** Shapes, bounds and motions of a hose against values that were worked apart from this code; each file names how. */
import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween, unit } from '../geometry/vector.ts';
import type { PlanarEnd } from './dubins.ts';
import { planarDubins, shortestBetween, spaceArcStraightArc, turnsBound_m } from './dubins.ts';
import { bending, rodPoints, tightestBend } from './measures.ts';
import type { Placement } from './motion.ts';
import {
  armedStrut,
  forkAxis,
  liveAxle,
  steeredLower,
  steeredUpper,
  STILL,
  strut,
  swingArm,
} from './motion.ts';
import dubins from './reference/dubins.json' with { type: 'json' };
import elastica from './reference/elastica.json' with { type: 'json' };
import kinematics from './reference/kinematics.json' with { type: 'json' };
import type { RodEnds } from './rod.ts';
import { solveRod } from './rod.ts';

const mm = (value: number) => value / 1000;
const degrees = (value: number) => (value * Math.PI) / 180;
const vector = (values: readonly number[], scale = 1): Vector => [
  (values[0] ?? 0) * scale,
  (values[1] ?? 0) * scale,
  (values[2] ?? 0) * scale,
];
const heading = (angle_deg: number): Vector => [
  Math.cos(degrees(angle_deg)),
  Math.sin(degrees(angle_deg)),
  0,
];
const planarEnds = (
  a: readonly number[],
  aDeg: number,
  b: readonly number[],
  bDeg: number,
  length: number,
): RodEnds => ({
  start: { point_m: vector(a, 1e-3), tangent: heading(aDeg) },
  end: { point_m: vector(b, 1e-3), tangent: heading(bDeg) },
  length_m: mm(length),
});
const middle = (ends: RodEnds, nodes: number): Vector => {
  const shape = solveRod(ends, undefined, nodes);
  expect(shape.status).toBe('converged');
  return rodPoints(ends, shape)[nodes / 2] ?? [0, 0, 0];
};
const nearest_mm = (point: Vector, mids: readonly (readonly number[])[]) =>
  Math.min(...mids.map((mid) => distanceBetween(point, vector(mid, 1e-3)))) * 1000;

/** The S-bend leaves its plane when it may, the straight one may bow any way: see the cases in space. */
const staysPlanar = elastica.planar.filter(({ name }) => !/^P3 |^P6 /.test(name));

describe('elastic rod between clamped ends', () => {
  test.each(staysPlanar)('$name: tightest bend, energy and middle', (entry) => {
    const ends = planarEnds(entry.A, entry.dirA_deg, entry.B, entry.dirB_deg, entry.L);
    const shape = solveRod(ends);
    expect(shape.status).toBe('converged');
    expect(shape.closure_m).toBeLessThan(1e-8);
    // Half a per cent of radius, half a millimetre on the hose; a short hose packs its bend into the ferrules.
    expect(Math.abs((tightestBend(ends, shape).radius_m * 1000) / entry.min_radius - 1)).toBeLessThan(0.005);
    expect(Math.abs(bending(ends, shape) / 1000 / entry.energy - 1)).toBeLessThan(0.003);
    expect(nearest_mm(middle(ends, 64), entry.mids)).toBeLessThan(0.5);
  });

  test.each(elastica.space)('$name: tightest bend, energy and middle', (entry) => {
    const ends: RodEnds = {
      start: { point_m: vector(entry.A, 1e-3), tangent: vector(entry.tA) },
      end: { point_m: vector(entry.B, 1e-3), tangent: vector(entry.tB) },
      length_m: mm(entry.L),
    };
    const shape = solveRod(ends);
    expect(shape.status).toBe('converged');
    expect(Math.abs((tightestBend(ends, shape).radius_m * 1000) / entry.min_radius - 1)).toBeLessThan(0.005);
    expect(Math.abs(bending(ends, shape) / 1000 / entry.energy - 1)).toBeLessThan(0.003);
    // Either of two mirror shapes.
    expect(nearest_mm(middle(ends, 64), entry.mids)).toBeLessThan(0.5);
  });

  test('a nearly straight hose bows by what its slack asks for, whichever way', () => {
    const entry = elastica.planar.find(({ name }) => name.startsWith('P6'));
    if (!entry) throw new Error('no case');
    const ends = planarEnds(entry.A, entry.dirA_deg, entry.B, entry.dirB_deg, entry.L);
    const [x, y, z] = middle(ends, 64);
    // 1 % slack on 300 mm bows 19 mm.
    expect(Math.abs(Math.hypot(y, z) * 1000 - 19.13437)).toBeLessThan(0.1);
    expect(x * 1000).toBeCloseTo(150, 6);
  });

  test('more nodes come nearer, by the square of their number', () => {
    const entry = elastica.planar[0];
    if (!entry) throw new Error('no case');
    const ends = planarEnds(entry.A, entry.dirA_deg, entry.B, entry.dirB_deg, entry.L);
    const error = (nodes: number) =>
      Math.abs(bending(ends, solveRod(ends, undefined, nodes)) / 1000 / entry.energy - 1);
    expect(error(32) / error(64)).toBeGreaterThan(3.5);
    expect(error(32) / error(64)).toBeLessThan(4.5);
  });

  test.each(
    Object.entries(elastica.sensitivity).flatMap(([name, rows]) =>
      rows.map((row) => [name, row.L, row.minR] as const),
    ),
  )('%s, %d mm long: %d mm', (name, length, radius) => {
    const ends = name.startsWith('L-bend')
      ? planarEnds([0, 0], 0, [150, 150], 90, length)
      : planarEnds([0, 0], 90, [120, 0], -90, length);
    const shape = solveRod(ends, undefined, 96);
    expect(shape.status).toBe('converged');
    expect(Math.abs((tightestBend(ends, shape).radius_m * 1000) / radius - 1)).toBeLessThan(0.01);
  });

  test('a hose no longer than its chord has no shape', () => {
    for (const length of [190, 200]) {
      const shape = solveRod(planarEnds([0, 0], 0, [200, 0], 0, length));
      expect(shape).toMatchObject({ status: 'tooShort' });
    }
  });
});

describe('shortest way of bounded curvature: Dubins 1957', () => {
  const end = ([x = 0, y = 0, angle_deg = 0]: readonly number[]): PlanarEnd => ({
    x_m: mm(x),
    y_m: mm(y),
    heading_rad: degrees(angle_deg),
  });
  test.each(dubins.planar)('$id: length and every word', (entry) => {
    const paths = planarDubins(end(entry.start), end(entry.end), mm(entry.R));
    expect((paths[0]?.length_m ?? 0) * 1000).toBeCloseTo(entry.length, 6);
    for (const [word, length] of Object.entries(entry.all_words)) {
      const path = paths.find((candidate) => candidate.word === word);
      if (typeof length === 'number') expect((path?.length_m ?? 0) * 1000).toBeCloseTo(length, 3);
    }
  });
  test.each(dubins.space)('$id in space: arc, straight, arc', (entry) => {
    const path = spaceArcStraightArc(
      { point_m: vector(entry.p0, 1e-3), tangent: vector(entry.t0) },
      { point_m: vector(entry.p1, 1e-3), tangent: vector(entry.t1) },
      mm(entry.R),
    );
    expect((path?.length_m ?? 0) * 1000).toBeCloseTo(entry.length, 6);
    expect(path?.firstArc_rad).toBeCloseTo(degrees(entry.arc1_deg), 6);
    expect(path?.lastArc_rad).toBeCloseTo(degrees(entry.arc2_deg), 6);
    expect((path?.straight_m ?? 0) * 1000).toBeCloseTo(entry.straight, 6);
    expect(distanceBetween(path?.along ?? [0, 0, 0], vector(entry.u))).toBeLessThan(1e-7);
  });
});

describe('rigs', () => {
  type Case = (typeof kinematics.cases)[number] & Readonly<Record<string, unknown>>;
  type Pose = Readonly<Record<string, number | readonly number[]>>;
  const at = (entry: Case, key: string, scale = 1e-3) => vector(entry[key] as readonly number[], scale);
  const number = (pose: Pose, key: string) => Number(pose[key] ?? 0);

  /** Where the hose's far end sits, and where its near end. */
  function placements(entry: Case, pose: Pose): readonly [Placement, Placement] {
    const steering = degrees(number(pose, 'steer_deg'));
    switch (entry.id.charAt(0)) {
      case 'F': {
        const rig = { steeringPoint_m: at(entry, 'S'), rake_rad: degrees(Number(entry.rake_deg)) };
        const lower = steeredLower(rig, steering, mm(number(pose, 'travel')));
        return [lower, entry.M_mount === 'bar' ? steeredUpper(rig, steering) : STILL];
      }
      case 'R':
        return [swingArm({ pivot_m: at(entry, 'pivot') }, degrees(number(pose, 'angle_deg'))), STILL];
      case 'A':
        return [
          liveAxle(
            { centre_m: at(entry, 'C') },
            mm(number(pose, 'heave')),
            degrees(number(pose, 'roll_deg')),
            degrees(number(pose, 'windup_deg')),
          ),
          STILL,
        ];
      default:
        return entry.id === 'C1'
          ? [
              strut(
                { top_m: at(entry, 'top'), lowerJoint_m: at(entry, 'lower_joint') },
                steering,
                mm(number(pose, 'bump')),
              ),
              STILL,
            ]
          : [
              armedStrut(
                {
                  top_m: at(entry, 'top'),
                  lowerJoint_m: at(entry, 'lower_joint0'),
                  armPivot_m: at(entry, 'arm_pivot'),
                  armAxis: at(entry, 'arm_axis', 1),
                },
                steering,
                degrees(number(pose, 'arm_angle_deg')),
              ),
              STILL,
            ];
    }
  }

  test.each(kinematics.cases)('$id $type: every pose', (given) => {
    const entry = given as Case;
    for (const pose of entry.poses as readonly Pose[]) {
      const [far, near] = placements(entry, pose);
      const p = far.point(at(entry, 'P0'));
      const m = near.point(at(entry, entry.id.startsWith('F') ? 'M0' : 'M'));
      expect(distanceBetween(p, vector(pose.P as readonly number[], 1e-3)) * 1000).toBeLessThan(1e-3);
      expect(distanceBetween(p, m) * 1000).toBeCloseTo(number(pose, 'distance'), 3);
      if (pose.tP !== undefined && entry.tP0 !== undefined)
        expect(
          distanceBetween(far.direction(at(entry, 'tP0', 1)), vector(pose.tP as readonly number[])),
        ).toBeLessThan(1e-6);
    }
  });

  test('bars and sliders steer together: the steering does not change what lies between them', () => {
    const rig = { steeringPoint_m: [0, 0, 0.9] as Vector, rake_rad: degrees(25) };
    const caliper: Vector = [0.33, -0.095, 0.33];
    const lever: Vector = [0.06, -0.33, 1.01];
    const chord = (steering: number) =>
      distanceBetween(
        steeredLower(rig, steering, 0.04).point(caliper),
        steeredUpper(rig, steering).point(lever),
      );
    expect(chord(degrees(32))).toBeCloseTo(chord(degrees(-32)), 12);
    expect(distanceBetween(unit(forkAxis(rig.rake_rad)), forkAxis(rig.rake_rad))).toBeLessThan(1e-15);
  });
});

describe('a lower bound of length exists between any two ends', () => {
  const planar = (heading_deg: number, other_deg: number, chord_m: number) => {
    const [a, b] = [degrees(heading_deg), degrees(other_deg)];
    const start = { point_m: [0, 0, 0] as Vector, tangent: [Math.cos(a), Math.sin(a), 0] as Vector };
    const last = { point_m: [chord_m, 0, 0] as Vector, tangent: [Math.cos(b), Math.sin(b), 0] as Vector };
    const [flat] = planarDubins(
      { x_m: 0, y_m: 0, heading_rad: a },
      { x_m: chord_m, y_m: 0, heading_rad: b },
      0.04,
    );
    return { start, last, flat_m: flat?.length_m ?? 0 };
  };

  test('an end that looks back is reached: R 40 mm, chord 400 mm, 15° and 180° (found to have no way)', () => {
    const { start, last, flat_m } = planar(15, 180, 0.4);
    expect(spaceArcStraightArc(start, last, 0.04)?.length_m).toBeCloseTo(flat_m, 9);
  });

  test('flat ends 300 mm apart at any headings: never longer than the flat way, and the turns alone never more', () => {
    for (let heading = 0; heading < 360; heading += 24)
      for (let other = 0; other < 360; other += 24) {
        const { start, last, flat_m } = planar(heading, other, 0.3);
        // Out of its plane a hose may find a shorter way.
        expect(spaceArcStraightArc(start, last, 0.04)?.length_m).toBeLessThan(flat_m + 1e-7);
        expect(turnsBound_m(start, last, 0.04)).toBeLessThan(flat_m + 1e-9);
      }
  });

  test('random directions at two to ten radii have a way, and its length is no less than the turns alone take', () => {
    const direction = fc
      .tuple(...Array.from({ length: 3 }, () => fc.double({ min: -1, max: 1, noNaN: true })))
      .filter((v) => v.reduce((sum, x) => sum + x * x, 0) > 0.05);
    fc.assert(
      fc.property(
        direction,
        direction,
        fc.double({ min: 2, max: 10, noNaN: true }),
        (first, second, radii) => {
          const start = { point_m: [0, 0, 0] as Vector, tangent: vector(first) };
          const last = { point_m: [0.04 * radii, 0, 0] as Vector, tangent: vector(second) };
          const path = spaceArcStraightArc(start, last, 0.04);
          expect(path).not.toBeNull();
          expect(path?.length_m).toBeGreaterThan(turnsBound_m(start, last, 0.04) - 1e-9);
          const bound = shortestBetween(start, last, 0.04);
          expect(bound.by).toBe(radii >= 4 ? 'arcStraightArc' : 'turns');
          expect(bound.length_m).toBeGreaterThan(0.04 * radii - 1e-9);
        },
      ),
      { numRuns: 300, seed: 3 },
    );
  });
});
