import fc from 'fast-check';
import type { Point, Quad } from './plane.ts';
import type { Tracing } from './trace.ts';
import { angleBetweenLegs, measureTracing, POINT_px } from './trace.ts';

const at = (x: number, y: number): Point => ({ x, y });
/** Ten pixels a centimetre. */
const RULE = { kind: 'even', from: at(0, 0), to: at(100, 0), distance_m: 0.1 } as const;
const measured = (tracing: Partial<Tracing>) => {
  const result = measureTracing({ scale: RULE, line: 'straight', points: [], ...tracing });
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};
const refused = (tracing: Partial<Tracing>) => {
  const result = measureTracing({ scale: RULE, line: 'straight', points: [at(0, 0), at(9, 9)], ...tracing });
  return result.ok ? null : result.problem.code;
};
const arc = (radius_px: number, turn_rad: number, points: number) =>
  Array.from({ length: points }, (_, index) => {
    const angle = (turn_rad * index) / (points - 1);
    return at(300 + radius_px * Math.cos(angle), 300 + radius_px * Math.sin(angle));
  });

/** A camera that looks at the plane from the side: pinhole, textbook geometry, nothing of the code under test. */
const camera =
  (tilt_rad: number, away_m: number) =>
  ({ x, y }: Point): Point => {
    const depth = away_m + y * Math.sin(tilt_rad);
    return at(800 + (1000 * x) / depth, 600 + (1000 * y * Math.cos(tilt_rad)) / depth);
  };

describe('straight legs', () => {
  test('legs, turns and the angle between the ends of a bent pipe', () => {
    const value = measured({ points: [at(10, 10), at(110, 10), at(110, 60), at(60, 60)] });
    expect(value.length_m).toBeCloseTo(0.2, 12);
    expect(value.legs_m).toEqual([0.1, 0.05, 0.05].map((leg) => expect.closeTo(leg, 12) as unknown));
    expect(value.turns_rad).toEqual(
      [Math.PI / 2, Math.PI / 2].map((turn) => expect.closeTo(turn, 12) as unknown),
    );
    expect(value.betweenEnds_rad).toBeCloseTo(Math.PI, 12);
    expect(value.tightest_m).toBeNull();
  });
});

describe('a smooth line', () => {
  test.each([
    ['quarter circle, 5 points', 80, Math.PI / 2, 5],
    ['half circle, 7 points', 60, Math.PI, 7],
    ['three quarters, 9 points', 45, 1.5 * Math.PI, 9],
  ])('%s: length and radius within 1 %%', (_name, radius_px, turn_rad, points) => {
    const value = measured({ line: 'smooth', points: arc(radius_px, turn_rad, points) });
    const radius_m = radius_px / 1000;
    expect(Math.abs(value.length_m / (radius_m * turn_rad) - 1)).toBeLessThan(0.01);
    expect(value.tightest_m).toBeCloseTo(radius_m, 9);
  });

  test('two points are a straight line, and three on one do not bend', () => {
    expect(measured({ line: 'smooth', points: [at(0, 0), at(50, 0)] }).length_m).toBeCloseTo(0.05, 12);
    const straight = measured({ line: 'smooth', points: [at(0, 0), at(50, 0), at(80, 0)] });
    expect(straight.length_m).toBeCloseTo(0.08, 9);
    expect(straight.tightest_m).toBeNull();
  });
});

describe('a photograph taken from the side', () => {
  const [width_m, height_m] = [0.297, 0.21];
  const seen = (tilt_rad: number) => {
    const through = camera(tilt_rad, 0.8);
    const corners = [at(0, 0), at(width_m, 0), at(width_m, height_m), at(0, height_m)].map(
      through,
    ) as unknown as Quad;
    return { through, scale: { kind: 'perspective', corners, width_m, height_m } as const };
  };

  test('four corners of a sheet of paper put a line in its plane right, whatever the tilt', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.array(
          fc.record({
            x: fc.double({ min: -0.2, max: 0.5, noNaN: true }),
            y: fc.double({ min: -0.2, max: 0.4, noNaN: true }),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        (tilt_rad, line_m) => {
          const { through, scale } = seen(tilt_rad);
          const true_m = line_m
            .slice(1)
            .reduce(
              (sum, to, index) =>
                sum + Math.hypot(to.x - (line_m[index]?.x ?? 0), to.y - (line_m[index]?.y ?? 0)),
              0,
            );
          expect(measured({ scale, points: line_m.map(through) }).length_m).toBeCloseTo(true_m, 6);
        },
      ),
    );
  });

  test('an even scale on the same photograph would be wrong, which is why the corners are asked for', () => {
    const { through, scale } = seen(0.9);
    const line = [at(0.05, 0.02), at(0.05, 0.2)].map(through);
    const [from, to] = scale.corners;
    const even = measured({ scale: { kind: 'even', from, to, distance_m: width_m }, points: line });
    expect(Math.abs(even.length_m - 0.18)).toBeGreaterThan(0.03);
    expect(measured({ scale, points: line }).length_m).toBeCloseTo(0.18, 9);
  });

  test('corners that cross, and a point beyond the horizon, are refused', () => {
    const { scale } = seen(0.9);
    const [p0, p1, p2, p3] = scale.corners;
    expect(refused({ scale: { ...scale, corners: [p0, p2, p1, p3] } })).toBe('cornersCrossed');
    // The plane runs away downwards; far above its horizon there is nothing.
    const horizon_px = 600 - 1000 / Math.tan(-0.9);
    expect(refused({ scale, points: [p0, at(800, horizon_px + 500)] })).toBe('beyondHorizon');
  });
});

describe('what is not known', () => {
  test('covers what a hand does: 95 of 100 tracings set with that spread lie within twice the figure', () => {
    const points = [at(100, 100), at(400, 120), at(430, 380)];
    const clean = measured({ points });
    // A seeded generator (mulberry32), so that this test has no luck in it.
    let state = 7;
    const uniform = () => {
      state = (state + 0x6d2b79f5) | 0;
      let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
      mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
      return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
    };
    const spread = () =>
      1.5 * Math.sqrt(-2 * Math.log(uniform() + 1e-12)) * Math.cos(2 * Math.PI * uniform());
    const shaken = ({ x, y }: Point) => at(x + spread(), y + spread());
    const inside = Array.from({ length: 400 }, () =>
      measured({
        scale: { ...RULE, from: shaken(RULE.from), to: shaken(RULE.to) },
        points: points.map(shaken),
      }),
    ).filter(({ length_m }) => Math.abs(length_m - clean.length_m) < 2 * clean.uncertainty_m);
    expect(inside.length / 400).toBeGreaterThan(0.9);
    expect(inside.length / 400).toBeLessThan(1);
  });

  test('a longer known distance makes it less', () => {
    const points = [at(100, 100), at(400, 120)];
    const long = { ...RULE, to: at(400, 0), distance_m: 0.4 };
    expect(measured({ points, scale: long }).uncertainty_m).toBeLessThan(
      measured({ points }).uncertainty_m / 2,
    );
  });
});

test.each([
  ['no scale', { scale: null }, 'noScale'],
  ['a scale of nothing', { scale: { ...RULE, distance_m: 0 } }, 'notPositive'],
  ['scale points on top of each other', { scale: { ...RULE, to: at(3, 4) } }, 'scaleTooShort'],
  ['one point', { points: [at(1, 1)] }, 'tooFewPoints'],
] as const)('%s is refused', (_name, tracing, code) => {
  expect(refused(tracing)).toBe(code);
});

describe('the angle between two legs', () => {
  const bent = {
    scale: RULE,
    line: 'straight',
    points: [at(0, 100), at(100, 100), at(100, 200), at(200, 200), at(300, 100)],
  } as const;
  const between = (first: number, second: number) => {
    const result = angleBetweenLegs(bent, first, second);
    if (!result.ok) throw new Error(result.problem.code);
    return result.value;
  };

  test('of any two, the way the line goes', () => {
    expect(between(0, 1).angle_rad).toBeCloseTo(Math.PI / 2, 12);
    expect(between(0, 2).angle_rad).toBeCloseTo(0, 12);
    expect(between(1, 3).angle_rad).toBeCloseTo((3 * Math.PI) / 4, 12);
    expect(between(3, 1).angle_rad).toBeCloseTo((3 * Math.PI) / 4, 12);
  });

  test('its uncertainty: two legs of a hundred pixels, four points set off across them', () => {
    // Each end of a leg turns it by u over its length; two legs apart, four ends: u·√4/100 (small angles, by hand).
    expect(between(0, 2).uncertainty_rad).toBeCloseTo((2 * POINT_px) / 100, 3);
  });

  test('a leg that is not there is refused', () => {
    expect(angleBetweenLegs(bent, 0, 4)).toEqual({
      ok: false,
      problem: { code: 'tooFewPoints', field: 'legs' },
    });
  });
});
