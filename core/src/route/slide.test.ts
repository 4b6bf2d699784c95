import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { cross, distanceBetween, norm, subtract, unit } from '../geometry/vector.ts';
import { layoutOf } from './layout.ts';
import { bending, pushes, rodLine, rodPoints, tightestBend } from './measures.ts';
import type { RodEnds } from './rod.ts';
import { solveRod } from './rod.ts';
import type { Sliding } from './slide.ts';
import { slid } from './slide.ts';

const within = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });

const CLAMPED: RodEnds = {
  start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
  end: { point_m: [0.3, 0.12, 0.08], tangent: [0, 1, 0] },
  length_m: 0.45,
};

describe('what a hose gives and takes at its ends', () => {
  test('the push is how fast the bending energy falls with the length (differences of the energy itself)', () => {
    const by_m = 1e-4;
    const energy = (length_m: number) => {
      const ends = { ...CLAMPED, length_m };
      return bending(ends, solveRod(ends)) / 2;
    };
    const fall = (energy(0.45 - by_m) - energy(0.45 + by_m)) / (2 * by_m);
    const { start_per_m2, end_per_m2 } = pushes(CLAMPED, solveRod(CLAMPED));
    expect(start_per_m2).toBe(end_per_m2);
    expect(start_per_m2 / fall).toBeCloseTo(1, 2);
  });
});

/** Two grips and a guide between, symmetrical about the guide. */
const EVEN: Sliding = {
  holds: [
    { point_m: [-0.2, 0, 0], tangent: unit([1, 0, 1]) },
    { point_m: [0, 0, 0], tangent: [1, 0, 0] },
    { point_m: [0.2, 0, 0], tangent: unit([1, 0, -1]) },
  ],
  length_m: 0.5,
  guidesAt_m: [0.21],
  stiffs: [[], []],
};

const guideAt = (sliding: Sliding) => slid(sliding)[0]?.ends.length_m ?? 0;

describe('a hose through a guide', () => {
  test('alike on both sides it halves itself, wherever it was first seen', () => {
    for (const at_m of [0.21, 0.22, 0.235]) {
      const [first, second] = slid({ ...EVEN, length_m: 0.45, guidesAt_m: [at_m] });
      expect(first?.ends.length_m).toBeCloseTo(0.225, 4);
      expect(second?.ends.length_m).toBeCloseTo(0.225, 4);
    }
  });

  test('with more slack the halves are a ridge: it slides off to one side, to less energy', () => {
    const energyOf = (spans: ReturnType<typeof slid>) =>
      spans.reduce((sum, { ends, shape }) => sum + bending(ends, shape), 0);
    const halves = EVEN.holds.slice(1).map((end, index) => {
      const ends = { start: EVEN.holds[index] ?? end, end, length_m: 0.25 };
      return { ends, shape: solveRod(ends) };
    });
    const least = halves.reduce((sum, { ends, shape }) => sum + bending(ends, shape), 0);
    for (const at_m of [0.21, 0.245, 0.28])
      expect(energyOf(slid({ ...EVEN, guidesAt_m: [at_m] }))).toBeLessThan(least - 1);
  });

  test('it rests where the energy of both sides together is least (every half millimetre tried)', () => {
    const sliding: Sliding = {
      ...EVEN,
      holds: [
        { point_m: [-0.15, 0.05, 0.02], tangent: [0, 0, 1] },
        { point_m: [0, 0, 0], tangent: [1, 0, 0] },
        { point_m: [0.25, -0.03, 0.1], tangent: unit([1, 0, -1]) },
      ],
      length_m: 0.56,
      guidesAt_m: [0.22],
    };
    const energyWith = (at_m: number) => {
      const [a, b, c] = sliding.holds;
      if (!a || !b || !c) throw new Error('three holds');
      const before = { start: a, end: b, length_m: at_m };
      const after = { start: b, end: c, length_m: sliding.length_m - at_m };
      return bending(before, solveRod(before)) + bending(after, solveRod(after));
    };
    let best_m = 0;
    let least = Infinity;
    for (let at_m = 0.17; at_m < 0.28; at_m += 0.0005) {
      const energy = energyWith(at_m);
      if (energy < least) [best_m, least] = [at_m, energy];
    }
    expect(Math.abs(guideAt(sliding) - best_m)).toBeLessThan(0.0005);
    const [first, second] = slid(sliding);
    if (!first || !second) throw new Error('two spans');
    expect(pushes(first.ends, first.shape).end_per_m2).toBeCloseTo(
      pushes(second.ends, second.shape).start_per_m2,
      1,
    );
  });

  test('moving the far end draws hose through the guide, and bringing it back gives it back', () => {
    const far = (by_m: number): Sliding => ({
      ...EVEN,
      length_m: 0.45,
      holds: EVEN.holds.map((hold, index) => (index === 2 ? { ...hold, point_m: [0.2 + by_m, 0, 0] } : hold)),
    });
    const before = slid(far(0));
    const pulled = slid(
      far(0.03),
      before.map(({ shape }) => shape),
    );
    expect(pulled[1]?.ends.length_m).toBeGreaterThan(0.228);
    const back = slid(
      far(0),
      pulled.map(({ shape }) => shape),
    );
    expect(back[0]?.ends.length_m).toBeCloseTo(before[0]?.ends.length_m ?? 0, 4);
    expect(before[0]?.ends.length_m).toBeCloseTo(0.225, 4);
  });

  test('through two guides every push is the same', () => {
    const spans = slid({
      holds: [
        { point_m: [0, 0, 0], tangent: [0, 0, 1] },
        { point_m: [0.1, 0.05, 0.1], tangent: [1, 0, 0] },
        { point_m: [0.3, 0, 0.05], tangent: unit([1, 0, -1]) },
        { point_m: [0.4, 0.02, -0.15], tangent: [0, 0, -1] },
      ],
      length_m: 0.66,
      guidesAt_m: [0.19, 0.42],
      stiffs: [[], [], []],
    });
    const at = spans.map(({ ends, shape }) => pushes(ends, shape));
    expect(spans.every(({ shape }) => shape.status === 'converged')).toBe(true);
    expect(spans.reduce((sum, { ends }) => sum + ends.length_m, 0)).toBeCloseTo(0.66, 9);
    for (const index of [0, 1])
      expect(Math.abs((at[index]?.end_per_m2 ?? NaN) - (at[index + 1]?.start_per_m2 ?? NaN))).toBeLessThan(
        0.5,
      );
  });

  test('a straight way to a guide is straight and not called taut: the other side has the slack', () => {
    const spans = slid({
      ...EVEN,
      holds: [
        { point_m: [-0.2, 0, 0], tangent: [1, 0, 0] },
        { point_m: [0, 0, 0], tangent: [1, 0, 0] },
        { point_m: [0.2, 0, 0.1], tangent: [0, 0, 1] },
      ],
      length_m: 0.46,
      guidesAt_m: [0.21],
    });
    expect(spans[0]?.ends.length_m).toBeCloseTo(0.2, 3);
    expect(spans[0]?.chordRatio).toBeLessThan(0.97);
    expect(spans[0]?.radius_m).toBeGreaterThan(0.3);
    expect(spans[1]?.radius_m).toBeGreaterThan(0.02);
  });

  test('just slack enough and from nothing, every pose that is not taut has a bend to show (a start at a straight span had none)', () => {
    const holds = [
      { point_m: [0.05, -0.25, 1.02] as Vector, tangent: unit([0.5, 0.1, -0.8]) },
      { point_m: [0.105, -0.273, 0.676] as Vector, tangent: unit([-0.09, 0.32, -0.94]) },
      { point_m: [0.2, -0.1, 0.46] as Vector, tangent: unit([0.6, 0.3, -0.75]) },
    ];
    const chords_m = holds
      .slice(1)
      .reduce(
        (sum, { point_m }, index) => sum + distanceBetween(point_m, holds[index]?.point_m ?? point_m),
        0,
      );
    for (const ratio of [0.965, 0.95, 0.9])
      // First seen far too near the far end.
      for (const share of [0.2, 0.5, 0.95]) {
        const length_m = chords_m / ratio;
        const stiffs = [[{ from_m: 0.14, to_m: 0.19 }], []];
        const spans = slid({ holds, length_m, guidesAt_m: [share * length_m], stiffs });
        for (const { radius_m, shape } of spans) {
          expect(shape.status).toBe('converged');
          expect(radius_m).toBeGreaterThan(0.005);
        }
      }
  });

  test('too short for its guide, it is pulled, and no bend is shown', () => {
    const spans = slid({ ...EVEN, length_m: 0.39 });
    for (const { chordRatio, radius_m } of spans) {
      expect(chordRatio).toBeGreaterThan(1);
      expect(radius_m).toBeNull();
    }
  });

  test('mirrored holds give a mirrored hose, with the guide at the same place', () => {
    fc.assert(
      fc.property(
        within(0.05, 0.2),
        within(-0.1, 0.1),
        within(-0.1, 0.1),
        within(1.1, 1.4),
        (x, y, z, more) => {
          const holds = [
            { point_m: [-0.15, 0, -0.05] as Vector, tangent: unit([1, 0.2, 1]) },
            { point_m: [0, 0, 0] as Vector, tangent: unit([1, 0.1, 0]) },
            { point_m: [x, y, z] as Vector, tangent: unit([0.5, -0.3, 1]) },
          ];
          const over = ([a, b, c]: Vector): Vector => [a, -b, c];
          const chords = distanceBetween(holds[0]?.point_m ?? [0, 0, 0], [0, 0, 0]) + norm([x, y, z]);
          const sliding: Sliding = {
            holds,
            length_m: chords * more,
            guidesAt_m: [0.16 * more],
            stiffs: [[], []],
          };
          const twin: Sliding = {
            ...sliding,
            holds: holds.map(({ point_m, tangent }) => ({ point_m: over(point_m), tangent: over(tangent) })),
          };
          expect(guideAt(twin)).toBeCloseTo(guideAt(sliding), 4);
        },
      ),
      { numRuns: 25, seed: 9 },
    );
  });
});

test('a stiffener that nearly fills the hose to its guide leaves the rest what there is, and it still reaches', () => {
  const spans = slid({
    holds: [
      { point_m: [0, 0, 0], tangent: [1, 0, 0] },
      { point_m: [0.06, 0, 0], tangent: [1, 0, 0] },
      { point_m: [0.1, 0.02, 0], tangent: [1, 0, 0] },
    ],
    length_m: 0.113,
    guidesAt_m: [0.068],
    stiffs: [[{ from_m: 0.0055, to_m: 0.0625 }], []],
  });
  for (const { shape, radius_m } of spans) {
    expect(shape.status).toBe('converged');
    expect(radius_m).not.toBeNull();
  }
  expect(spans.reduce((sum, { ends }) => sum + ends.length_m, 0)).toBeCloseTo(0.113, 9);
});

describe('a hose with a stiffener', () => {
  const stiffened: RodEnds = { ...CLAMPED, stiffs: [{ from_m: 0.15, to_m: 0.23 }] };

  test('places of nodes: pieces of their own, the stiffener one node; the shares add up to the whole', () => {
    const { at, weight, stiff, inverse } = layoutOf(0.45, [{ from_m: 0.15, to_m: 0.23 }], 64);
    expect(weight.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(at[64]).toBeCloseTo(1, 12);
    expect(stiff).toHaveLength(1);
    const [{ node, share } = { node: 0, share: 0 }] = stiff;
    expect(share).toBeCloseTo(0.08 / 0.45, 12);
    expect((at[node] ?? 0) * 0.45).toBeCloseTo(0.15, 12);
    expect(inverse.reduce((sum, value) => sum + 1 / value, 0) + share).toBeCloseTo(1, 12);
  });

  test('reaches from end to end, and is straight where it is stiff', () => {
    const shape = solveRod(stiffened);
    expect(shape.status).toBe('converged');
    const points = rodPoints(stiffened, shape);
    expect(distanceBetween(points.at(-1) ?? [0, 0, 0], CLAMPED.end.point_m)).toBeLessThan(1e-9);
    let at_m = 0;
    const onIt: Vector[] = [];
    for (const [index, point] of points.entries()) {
      at_m += index === 0 ? 0 : distanceBetween(point, points[index - 1] ?? point);
      if (at_m > 0.151 && at_m < 0.229) onIt.push(point);
    }
    const [first, ...rest] = onIt;
    const last = rest.at(-1);
    if (!first || !last) throw new Error('nothing on the stiffener');
    for (const point of rest)
      expect(norm(cross(subtract(point, first), unit(subtract(last, first))))).toBeLessThan(1e-9);
  });

  test('is the limit of a hose that is made stiffer there: a stiffener of no length changes nothing', () => {
    const bare = solveRod(CLAMPED);
    const thin = { ...CLAMPED, stiffs: [{ from_m: 0.2, to_m: 0.2 + 1e-7 }] };
    const shape = solveRod(thin);
    expect(bending(thin, shape) / bending(CLAMPED, bare)).toBeCloseTo(1, 3);
    expect(tightestBend(thin, shape).radius_m / tightestBend(CLAMPED, bare).radius_m).toBeCloseTo(1, 2);
  });

  test('a quarter turn with its stiffener in the middle: two arcs about the same straight piece (symmetry)', () => {
    const ends: RodEnds = {
      start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
      end: { point_m: [0.2, 0.2, 0], tangent: [0, 1, 0] },
      length_m: 0.32,
      stiffs: [{ from_m: 0.13, to_m: 0.19 }],
    };
    const shape = solveRod(ends);
    const line = rodLine(ends, shape);
    // Mirrored in the diagonal it is itself.
    for (let at = 0; at < line.length; at += 3) {
      const other = line.length - 3 - at;
      expect((line[at] ?? 0) + (line[other + 1] ?? 0)).toBeCloseTo(0.2, 6);
    }
    // Straight in the middle, it has to turn harder beside it.
    const { stiffs: _none, ...bare } = ends;
    expect(tightestBend(ends, shape).radius_m).toBeLessThan(tightestBend(bare, solveRod(bare)).radius_m);
  });

  test('two circular arcs and a straight between them that close exactly need no more than their own turn', () => {
    // Arc of 30°, 60 mm straight, arc of 30°: with no force on it an elastic hose lies in arcs (Love, chapter XIX).
    const [radius_m, straight_m, turn] = [0.15, 0.06, Math.PI / 6];
    const [sine, cosine] = [Math.sin(turn), Math.cos(turn)];
    const first: Vector = [radius_m * sine, radius_m * (1 - cosine), 0];
    const second: Vector = [first[0] + straight_m * cosine, first[1] + straight_m * sine, 0];
    const end: Vector = [
      second[0] + radius_m * (Math.sin(2 * turn) - sine),
      second[1] + radius_m * (cosine - Math.cos(2 * turn)),
      0,
    ];
    const arc_m = radius_m * turn;
    const ends: RodEnds = {
      start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
      end: { point_m: end, tangent: [Math.cos(2 * turn), Math.sin(2 * turn), 0] },
      length_m: 2 * arc_m + straight_m,
      stiffs: [{ from_m: arc_m, to_m: arc_m + straight_m }],
    };
    const shape = solveRod(ends);
    expect(norm(shape.force)).toBeLessThan(0.05);
    expect(tightestBend(ends, shape).radius_m / radius_m).toBeCloseTo(1, 2);
    expect(bending(ends, shape)).toBeCloseTo((2 * turn) / radius_m, 2);
  });

  test('seeded random stiffened hoses are solved, and close', () => {
    fc.assert(
      fc.property(
        within(0.1, 0.4),
        within(-0.2, 0.2),
        within(-0.2, 0.2),
        within(1.08, 1.5),
        within(0.15, 0.7),
        (x, y, z, more, place) => {
          const length_m = Math.max(norm([x, y, z]) * more, 0.15);
          const from_m = place * length_m;
          const ends: RodEnds = {
            start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
            end: { point_m: [x, y, z], tangent: unit([0.2, 1, 0.3]) },
            length_m,
            stiffs: [{ from_m, to_m: from_m + 0.1 * length_m }],
          };
          const shape = solveRod(ends);
          expect(shape.status).toBe('converged');
          expect(distanceBetween(rodPoints(ends, shape).at(-1) ?? [9, 9, 9], ends.end.point_m)).toBeLessThan(
            1e-6,
          );
        },
      ),
      { numRuns: 300, seed: 4 },
    );
  });
});
