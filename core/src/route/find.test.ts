import fc from 'fast-check';
import { distanceBetween, dot, norm, unit } from '../geometry/vector.ts';
import type { Vector } from '../geometry/vector.ts';
import { EXAMPLE_BENDS_deg } from '../fittings/exampleEnds.ts';
import { sceneOf } from './corner.ts';
import { cornersOf, pointedEnd, turnedEnd } from './endPiece.ts';
import type { FindProgress, FittingOffer } from './find.ts';
import { findFittings } from './find.ts';
import { fittedEnd } from './fittedEnd.ts';
import { judgeAt } from './judge.ts';
import { PATTERN_CORNERS } from './patternCorners.ts';
import { gridOf } from './rig.ts';
import type { Scene, SceneEnd } from './sceneParts.ts';

const SWING = sceneOf(PATTERN_CORNERS.swingArm, 'rear');
if (!SWING) throw new Error('no hose on the swing-arm');
const find = (scene: Scene, offer: FittingOffer): readonly FindProgress[] => [...findFittings(scene, offer)];
const deg = (rad: number) => (rad * 180) / Math.PI;

describe('an end made with a bend and turned', () => {
  const END: SceneEnd = {
    body: 'frame',
    port_m: [0, 0, 0],
    outward: [0.6, 0.1, 0.7],
    rigid_m: 0.025,
    eyeAxis: [0, 0, 1],
  };

  test('leaves square to its bolt without a bend, along it with 90°, and between as it is bent', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (bend_deg, turn_rad) => {
          const { outward } = fittedEnd(END, { bend_deg, turn_rad });
          expect(norm(outward)).toBeCloseTo(1, 9);
          expect(deg(Math.asin(Math.max(-1, Math.min(1, dot(outward, [0, 0, 1])))))).toBeCloseTo(bend_deg, 4);
        },
      ),
    );
  });

  test('turning it once round changes nothing, and a bolt entered the other way round is the same bolt', () => {
    const one = fittedEnd(END, { bend_deg: 30, turn_rad: 0.4 }).outward;
    const round = fittedEnd(END, { bend_deg: 30, turn_rad: 0.4 + 2 * Math.PI }).outward;
    const other = fittedEnd({ ...END, eyeAxis: [0, 0, -1] }, { bend_deg: 30, turn_rad: 0.4 }).outward;
    for (const index of [0, 1, 2] as const) {
      expect(round[index]).toBeCloseTo(one[index], 9);
      expect(other[index]).toBeCloseTo(one[index], 9);
    }
  });

  test('a threaded end starts along its port', () => {
    const port: Vector = unit(END.outward);
    const { outward } = fittedEnd({ ...END, eyeAxis: null }, { bend_deg: 45, turn_rad: 1 });
    expect(deg(Math.acos(dot(outward, port)))).toBeCloseTo(45, 6);
  });

  test('a bent one runs in the plane of its eye first: its corners as worked out by hand', () => {
    // Of a 90° example end 18 mm lie before the bend and 20 mm after it; here 38 mm are rigid.
    const flat: SceneEnd = { ...END, outward: [1, 0, 0], rigid_m: 0.038 };
    const bent = fittedEnd(flat, { bend_deg: 90, turn_rad: 0 });
    const [port, bend, behind] = cornersOf(bent);
    for (const [corner, wanted] of [
      [port, [0, 0, 0]],
      [bend, [0.018, 0, 0]],
      [behind, [0.018, 0, 0.02]],
    ] as const)
      expect(distanceBetween(corner ?? [9, 9, 9], wanted)).toBeLessThan(1e-9);
    // Straight, it is one piece, whatever it was before.
    expect(cornersOf(fittedEnd(bent, { bend_deg: 0, turn_rad: 0 }))).toHaveLength(2);
  });

  test('as long along its middle as it was, bent by as much as was asked, and bent anew from its own port', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<SceneEnd['eyeAxis']>(null, [0, 0, 1]),
        fc.constantFrom(...EXAMPLE_BENDS_deg),
        fc.constantFrom(...EXAMPLE_BENDS_deg),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (eyeAxis, before_deg, bend_deg, turn_rad) => {
          const end = fittedEnd({ ...END, eyeAxis }, { bend_deg: before_deg, turn_rad });
          const again = fittedEnd(end, { bend_deg, turn_rad: 0 });
          const corners = cornersOf(again);
          const along_m = corners
            .slice(1)
            .reduce((sum, corner, index) => sum + distanceBetween(corner, corners[index] ?? corner), 0);
          expect(along_m).toBeCloseTo(END.rigid_m, 12);
          const bent = again.neck ? Math.acos(Math.min(1, dot(unit(again.neck.along), again.outward))) : 0;
          expect(deg(bent)).toBeCloseTo(bend_deg, 4);
          if (again.neck && eyeAxis) expect(dot(again.neck.along, eyeAxis)).toBeCloseTo(0, 9);
        },
      ),
    );
  });

  test('pointed another way, an eye takes its neck along and a port keeps looking where it did; turned, both turn', () => {
    const bent = fittedEnd({ ...END, outward: [1, 0, 0] }, { bend_deg: 45, turn_rad: 0 });
    const eye = pointedEnd(bent, [0, 3, 3]);
    expect(distanceBetween(eye.neck?.along ?? [0, 0, 0], [0, 1, 0])).toBeLessThan(1e-9);
    const port = pointedEnd({ ...bent, eyeAxis: null }, [0, 3, 3]);
    expect(port.neck?.along).toEqual(bent.neck?.along);
    // Straight up from the bolt the eye has no side to be pointed to.
    expect(pointedEnd(bent, [0, 0, 1]).neck?.along).toEqual(bent.neck?.along);
    const turned = turnedEnd(bent, [0, 0, 1], Math.PI / 2);
    expect(distanceBetween(turned.neck?.along ?? [0, 0, 0], [0, 1, 0])).toBeLessThan(1e-9);
    expect(distanceBetween(turned.outward, unit([0, 1, 1]))).toBeLessThan(1e-9);
  });
});

describe('the search', () => {
  test('looks at every pair on offer, tells how far it is, and ends with the best first', () => {
    const steps = find(SWING, { bends_deg: [0, 60], startTurns: false, endTurns: false });
    const shares = steps.map(({ done }) => done);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const found = steps.at(-1)?.found ?? [];
    expect(found).toHaveLength(4);
    const margins = found.map(({ margin }) => margin);
    expect(margins).toEqual([...margins].sort((a, b) => b - a));
  });

  test('what it says of a candidate is what the whole movement says of that hose', () => {
    const [best] = find(SWING, { bends_deg: [0, 30], startTurns: true, endTurns: false }).at(-1)?.found ?? [];
    if (!best) throw new Error('nothing found');
    const scene = { ...SWING, hose: best.hose };
    const verdict = judgeAt(scene, gridOf(scene.rig, 9), best.hose.length_m);
    expect(verdict.holds).toBe(best.holds);
    expect(verdict.radius_m).toBeCloseTo(best.radius_m ?? 0, 4);
    expect(best.short_m).toBeLessThanOrEqual(best.hose.length_m);
    expect(best.long_m).toBeGreaterThanOrEqual(best.hose.length_m);
  });

  test('turns an eye that points into the tyre away from it', () => {
    const into: Scene = {
      ...SWING,
      hose: { ...SWING.hose, end: { ...SWING.hose.end, outward: [-0.8, 0.6, -0.2] } },
    };
    const grid = gridOf(into.rig, 9);
    expect(judgeAt(into, grid, into.hose.length_m).holds).toBe(false);
    const free = find(into, { bends_deg: [0, 45], startTurns: false, endTurns: true }).at(-1)?.found[0];
    const stuck = find(into, { bends_deg: [0, 45], startTurns: false, endTurns: false }).at(-1)?.found[0];
    expect(free?.holds).toBe(true);
    expect(free?.margin ?? -9).toBeGreaterThan(stuck?.margin ?? 9);
  });
});
