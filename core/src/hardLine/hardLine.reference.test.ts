/**
 * Source: closed-form worked cases HL1–HL5 (checked there by integrating the filleted polyline). Millimetres as in the cases.
 * The flare allowances in them are a rule of the trade (6.35 mm), without a published source.
 */
import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { add, distanceBetween, norm, scaled, subtract, turned, cross, unit } from '../geometry/vector.ts';
import { patternFrom } from './fromPoints.ts';
import type { HardLine, LegDatum } from './line.ts';
import { developed } from './line.ts';
import { bendMarks } from './marks.ts';
import { isFlat, linePieces, linePoints } from './shape.ts';

const rad = (deg: number) => (deg * Math.PI) / 180;

function lineOf(
  legs_mm: readonly number[],
  bends_deg: readonly number[],
  radius_mm: number,
  legDatum: LegDatum,
  flare_mm: number,
  gap_mm = 0,
): HardLine {
  return {
    legs_m: legs_mm.map((leg) => leg / 1000),
    legDatum,
    bends: bends_deg.map((bend) => ({ angle_rad: rad(bend), roll_rad: 0 })),
    radius_m: radius_mm / 1000,
    endA: { flare_m: flare_mm / 1000 },
    endB: { flare_m: flare_mm / 1000 },
    unionGap_m: gap_mm / 1000,
  };
}

describe('worked cases', () => {
  test.each<[string, HardLine, readonly number[], number, number]>([
    [
      'HL1',
      lineOf([120, 200, 80], [90, 90], 15, 'apex', 6.35),
      [105, 170, 65],
      387.1238898038469,
      399.8238898038469,
    ],
    [
      'HL2',
      lineOf([150, 60, 240], [45, 45], 20, 'apex', 6.35),
      [141.7157287525381, 43.431457505076196, 231.7157287525381],
      448.27884154605033,
      460.9788415460503,
    ],
    [
      'HL3',
      lineOf([90, 110, 70], [90, 30], 15, 'straight', 5),
      [90, 110, 70],
      301.415926535898,
      311.415926535898,
    ],
    [
      'HL4 with a union',
      lineOf([300, 400], [90], 25, 'apex', 6.35, 4),
      [275, 375],
      689.269908169872,
      697.969908169872,
    ],
  ])('%s', (_name, line, straights_mm, centreline_mm, cut_mm) => {
    const made = developed(line);
    if (!made.ok) throw new Error(made.problem.code);
    expect(made.value.straights_m.map((part_m) => part_m * 1000)).toEqual(
      straights_mm.map((part) => expect.closeTo(part, 9) as unknown),
    );
    expect(made.value.centreline_m * 1000).toBeCloseTo(centreline_mm, 9);
    expect(made.value.cut_m * 1000).toBeCloseTo(cut_mm, 9);
  });

  test('HL5: a leg between two bends that is shorter than their setbacks is refused, with what it takes', () => {
    const made = developed(lineOf([20, 25, 60], [90, 90], 15, 'apex', 0));
    expect(made).toMatchObject({ ok: false, problem: { code: 'legTooShort', field: 'legs.1' } });
    if (!made.ok && made.problem.code === 'legTooShort') expect(made.problem.least_m).toBeCloseTo(0.03, 12);
  });
});

test.each<[string, Partial<HardLine>, string, string]>([
  ['no radius', { radius_m: 0 }, 'notPositive', 'radius_m'],
  ['a leg of nothing', { legs_m: [0.1, 0, 0.1] }, 'notPositive', 'legs.1'],
  ['a leg too many', { legs_m: [0.1, 0.1, 0.1, 0.1] }, 'legsAndBends', 'legs'],
  [
    'half a turn',
    {
      bends: [
        { angle_rad: Math.PI, roll_rad: 0 },
        { angle_rad: 1, roll_rad: 0 },
      ],
    },
    'noSuchBend',
    'bends.0',
  ],
  ['a flare that gives tube back', { endB: { flare_m: -0.001 } }, 'notPositive', 'flareB_m'],
])('%s is refused by its field', (_name, change, code, field) => {
  const line = { ...lineOf([120, 200, 80], [90, 90], 15, 'apex', 6.35), ...change };
  expect(developed(line)).toMatchObject({ ok: false, problem: { code, field } });
});

const leg = fc.double({ min: 0.08, max: 0.4, noNaN: true });
const bend = fc.record({
  angle_rad: fc.double({ min: 0.1, max: 2, noNaN: true }),
  roll_rad: fc.double({ min: -3, max: 3, noNaN: true }),
});
const anyLine: fc.Arbitrary<HardLine> = fc
  .array(bend, { minLength: 0, maxLength: 5 })
  .chain((bends) =>
    fc.record({
      legs_m: fc.array(leg, { minLength: bends.length + 1, maxLength: bends.length + 1 }),
      bends: fc.constant(bends),
      radius_m: fc.double({ min: 0.01, max: 0.02, noNaN: true }),
    }),
  )
  .map(({ legs_m, bends, radius_m }) => ({
    legs_m,
    bends,
    radius_m,
    legDatum: 'apex' as const,
    endA: { flare_m: 0.006 },
    endB: { flare_m: 0.004 },
    unionGap_m: 0,
  }));

/** The sharp polyline, built on its own: leg after leg, turned at each apex. */
function sharpEnd({ legs_m, bends }: HardLine): Vector {
  let [at, along, inward]: [Vector, Vector, Vector] = [
    [0, 0, 0],
    [1, 0, 0],
    [0, 1, 0],
  ];
  for (const [index, leg_m] of legs_m.entries()) {
    at = add(at, scaled(along, leg_m));
    const turn = bends[index];
    if (!turn) break;
    if (index > 0) inward = turned(inward, along, turn.roll_rad);
    const axis = unit(cross(along, inward));
    along = turned(along, axis, turn.angle_rad);
    inward = turned(inward, axis, turn.angle_rad);
  }
  return at;
}

describe('whatever the line', () => {
  test('the bent tube ends where its sharp pattern ends, and is as long as was worked out', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const made = developed(line);
        if (!made.ok) return;
        const pieces = linePieces(line, made.value);
        expect(distanceBetween(pieces.at(-1)?.to_m ?? [9, 9, 9], sharpEnd(line))).toBeLessThan(1e-9);
        const points = linePoints(pieces, 0.001);
        const walked = points
          .slice(1)
          .reduce((sum, to, index) => sum + distanceBetween(points[index] ?? to, to), 0);
        expect(walked).toBeCloseTo(made.value.centreline_m, 6);
        expect(made.value.cut_m).toBeCloseTo(made.value.centreline_m + 0.01, 12);
        // One piece leaves the way the next begins: no kinks.
        for (const [index, piece] of pieces.entries())
          expect(distanceBetween(piece.from_m, pieces[index - 1]?.to_m ?? [0, 0, 0])).toBeLessThan(1e-12);
      }),
    );
  });

  test('marks lie in order on the straight tube, an arc apart, and leave the last straight and its flare after them', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const made = developed(line);
        if (!made.ok) return;
        const marks = bendMarks(line, made.value, 0.03);
        let before_m = line.endA.flare_m;
        for (const [index, mark] of marks.entries()) {
          expect(mark.begins_m).toBeCloseTo(before_m + (made.value.straights_m[index] ?? 0), 12);
          expect(mark.ends_m - mark.begins_m).toBeCloseTo(line.radius_m * mark.angle_rad, 12);
          expect(mark.setTo_rad).toBeCloseTo(1.03 * mark.angle_rad, 12);
          before_m = mark.ends_m;
        }
        const rest_m = made.value.cut_m - before_m;
        expect(rest_m).toBeCloseTo((made.value.straights_m.at(-1) ?? 0) + line.endB.flare_m, 12);
      }),
    );
  });

  test('read back from its corners it is the same line', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const corners: Vector[] = [[0, 0, 0]];
        for (let count = 1; count <= line.legs_m.length; count += 1)
          corners.push(sharpEnd({ ...line, legs_m: line.legs_m.slice(0, count) }));
        const read = patternFrom(corners);
        expect(read?.legs_m).toEqual(line.legs_m.map((leg_m) => expect.closeTo(leg_m, 9) as unknown));
        for (const [index, own] of (read?.bends ?? []).entries()) {
          const wanted = line.bends[index];
          expect(own.angle_rad).toBeCloseTo(wanted?.angle_rad ?? NaN, 7);
          if (index > 0) expect(Math.cos(own.roll_rad - (wanted?.roll_rad ?? NaN))).toBeCloseTo(1, 7);
        }
      }),
    );
  });
});

test('corners where nothing turns are no bends, and one point is no line', () => {
  expect(patternFrom([[0, 0, 0]])).toBeNull();
  expect(
    patternFrom([
      [0, 0, 0],
      [0, 0, 0],
    ]),
  ).toBeNull();
  const straight = patternFrom([
    [0, 0, 0],
    [0.1, 0, 0],
    [0.1, 0, 0],
    [0.3, 0.001, 0],
  ]);
  expect(straight?.bends).toEqual([]);
  expect(straight && norm(subtract([straight.legs_m[0] ?? 0, 0, 0], [0.3, 0, 0]))).toBeLessThan(1e-5);
});

test('flat is what bends in one plane, to either side', () => {
  const flat = lineOf([120, 200, 80], [90, 90], 15, 'apex', 6.35);
  expect(isFlat(flat)).toBe(true);
  const roll = (roll_rad: number): HardLine => ({
    ...flat,
    bends: flat.bends.map((own) => ({ ...own, roll_rad })),
  });
  expect(isFlat(roll(Math.PI))).toBe(true);
  expect(isFlat(roll(0.3))).toBe(false);
});
