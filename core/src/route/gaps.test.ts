import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween } from '../geometry/vector.ts';
import { leastGap_m, measured, sleeveLines } from './gaps.ts';
import { judgeAt } from './judge.ts';
import { rodPoints } from './measures.ts';
import { AS_MEASURED_ONLY, gridOf, placementOf } from './rig.ts';
import type { KeepOut, Scene, SceneClip, SceneSleeve } from './sceneParts.ts';
import { followScene, solveScene } from './scene.ts';
import { SAMPLE_FORK } from './testScenes.ts';

const { hose } = SAMPLE_FORK;
const sleeve = (from_m: number, length_m: number, outside_m = hose.outside_m + 0.003): SceneSleeve => ({
  id: '1',
  from_m,
  length_m,
  outside_m,
});
const sleevedWith = (scene: Scene, ...sleeves: readonly SceneSleeve[]): Scene => ({
  ...scene,
  hose: { ...scene.hose, sleeves },
});
const HELD: SceneClip = {
  id: 'yoke',
  body: 'bars',
  point_m: [0.12, -0.12, 0.8],
  along: [0.3, 0.1, -0.95],
  at_m: 0.28,
};
const CLIPPED: Scene = { ...SAMPLE_FORK, hose: { ...hose, length_m: 0.9, clips: [HELD] } };

const lengthOf = (line: Float64Array): number => {
  let sum_m = 0;
  for (let at = 3; at < line.length; at += 3)
    sum_m += distanceBetween(
      [line[at - 3] ?? 0, line[at - 2] ?? 0, line[at - 1] ?? 0],
      [line[at] ?? 0, line[at + 1] ?? 0, line[at + 2] ?? 0],
    );
  return sum_m;
};

/** A ball beside the hose at a share of its free length, as installed: where that place is, and how far along. */
function ballBeside(scene: Scene, share: number): { readonly part: KeepOut; readonly along_m: number } {
  const along_m = share * scene.hose.length_m;
  const [pose] = solveScene({ ...scene, keepOuts: [] }, AS_MEASURED_ONLY);
  const [marked] = sleeveLines({ ...scene.hose, sleeves: [sleeve(along_m, 0.001)] }, pose?.spans ?? []);
  const [line] = marked?.lines ?? [];
  if (!line) throw new Error('no such place on the hose');
  const centre_m: Vector = [(line[0] ?? 0) + 0.02, line[1] ?? 0, line[2] ?? 0];
  return {
    along_m,
    part: {
      id: 'ball',
      name: 'Ball',
      body: 'sliders',
      nature: 'still',
      gap_m: null,
      solid: { shape: 'sphere', centre_m, radius_m: 0.012 },
    },
  };
}

const gapsAt = (scene: Scene) => solveScene(scene, gridOf(scene.rig, 3)).map(({ gaps }) => gaps);

test('a sleeve over the whole hose takes half its wall from every gap, and may lie against what stands still', () => {
  const bare = gapsAt(SAMPLE_FORK);
  const covered = gapsAt(sleevedWith(SAMPLE_FORK, sleeve(0, 2)));
  for (const [pose, gaps] of covered.entries())
    for (const [index, gap] of gaps.entries()) {
      const part = SAMPLE_FORK.keepOuts[index];
      if (!part) throw new Error('a gap to no part');
      // The line is cut anew, so that the places between its nodes are others: to a tenth of a millimetre.
      expect(gap?.gap_m).toBeCloseTo((bare[pose]?.[index]?.gap_m ?? 0) - 0.0015, 4);
      expect(gap?.wanted_m).toBe(part.nature === 'still' ? 0 : leastGap_m(part));
    }
});

test('only where the sleeve lies: a part that the hose chafes on is answered by a sleeve there and by none elsewhere', () => {
  const { part, along_m } = ballBeside(SAMPLE_FORK, 0.5);
  const scene: Scene = { ...SAMPLE_FORK, keepOuts: [part] };
  const judged = (...sleeves: readonly SceneSleeve[]) =>
    judgeAt(sleevedWith(scene, ...sleeves), AS_MEASURED_ONLY, hose.length_m);
  const bare = judged();
  expect(bare.reason).toBe('close');
  expect(bare.room?.gap_m).toBeGreaterThan(0.001);
  expect(judged(sleeve(0.03, 0.1)).room).toEqual(bare.room);
  expect(judged(sleeve(along_m - 0.05, 0.1))).toMatchObject({ holds: true, reason: 'none' });
  // Too thick a sleeve is pressed into the part, and heat goes through it.
  expect(judged(sleeve(along_m - 0.05, 0.1, hose.outside_m + 0.03)).reason).toBe('close');
  const hot: Scene = { ...scene, keepOuts: [{ ...part, nature: 'hot' }] };
  expect(judgeAt(sleevedWith(hot, sleeve(0, 2)), AS_MEASURED_ONLY, hose.length_m).reason).toBe('close');
});

test('a sleeve is as long as it was said to be, in the pieces that clips leave it in, wherever it lies', () => {
  const solved = solveScene(CLIPPED, gridOf(CLIPPED.rig, 3));
  fc.assert(
    fc.property(
      fc.constantFrom(...solved),
      fc.double({ min: 0.03, max: 0.6, noNaN: true }),
      fc.double({ min: 0.01, max: 0.25, noNaN: true }),
      ({ spans }, from_m, length_m) => {
        const [drawn] = sleeveLines({ ...CLIPPED.hose, sleeves: [sleeve(from_m, length_m)] }, spans);
        if (!drawn) throw new Error('no sleeve');
        const isSplit = from_m < HELD.at_m - 1e-6 && from_m + length_m > HELD.at_m + 1e-6;
        expect(drawn.lines).toHaveLength(isSplit ? 2 : 1);
        const whole_m = drawn.lines.reduce((sum, line) => sum + lengthOf(line), 0);
        // Chords of the pieces between its nodes: a little shorter than the hose.
        expect(whole_m).toBeLessThan(length_m + 1e-4);
        expect(whole_m).toBeGreaterThan(length_m * 0.995 - 1e-4);
      },
    ),
    // A sum that rounds to a hair past the clip, and a sleeve of which less lies before it than the chords fall short by.
    {
      examples: solved.flatMap((pose) => [
        [pose, 0.030000000000000044, 0.25],
        [pose, 0.27997292143532954, 0.01],
      ]),
    },
  );
});

test('two sleeves end to end are one, and one over another is the thicker', () => {
  const { part, along_m } = ballBeside(CLIPPED, 0.6);
  const scene: Scene = { ...CLIPPED, keepOuts: [part] };
  const gap_m = (...sleeves: readonly SceneSleeve[]) =>
    gapsAt(sleevedWith(scene, ...sleeves)).map(([gap]) => gap?.gap_m ?? NaN);
  const one = gap_m(sleeve(along_m - 0.1, 0.2));
  const two = gap_m(sleeve(along_m - 0.1, 0.1), { ...sleeve(along_m, 0.1), id: '2' });
  for (const [pose, value] of two.entries()) expect(value).toBeCloseTo(one[pose] ?? NaN, 4);
  const all = gap_m(sleeve(0, 2));
  const over = gap_m(sleeve(0, 2), { ...sleeve(0, 2, hose.outside_m + 0.006), id: '2' });
  for (const [pose, value] of over.entries()) expect(value).toBeCloseTo((all[pose] ?? NaN) - 0.0015, 9);
});

test('what a drag did not touch is not measured again, and every gap is the one that measuring all anew gives', () => {
  const grid = gridOf(CLIPPED.rig, 3);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 1, maxLength: 6 }), (steps_mm) => {
      let scene = CLIPPED;
      let poses = solveScene(scene, grid);
      for (const step_mm of steps_mm) {
        scene = { ...scene, hose: { ...scene.hose, length_m: scene.hose.length_m + step_mm / 1000 } };
        poses = followScene(scene, grid, poses);
      }
      for (const { pose, spans, gaps } of poses) expect(gaps).toEqual(measured(scene, pose, spans).gaps);
    }),
    { numRuns: 25 },
  );
  const before = solveScene(CLIPPED, grid);
  const after = followScene({ ...CLIPPED, hose: { ...CLIPPED.hose, length_m: 0.91 } }, grid, before);
  for (const [at, { measured: now }] of after.entries()) {
    // The span up to the clip is as it was; the one beyond it is not.
    expect(now?.near[0]).toBe(before[at]?.measured?.near[0]);
    expect(now?.near[1]).not.toBe(before[at]?.measured?.near[1]);
  }
});

test('the gap is the least of all places on the hose: no place that is looked at finely comes nearer', () => {
  const grid = gridOf(SAMPLE_FORK.rig, 3);
  fc.assert(
    fc.property(
      fc.tuple(
        fc.double({ min: -0.3, max: 0.5, noNaN: true }),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        fc.double({ min: 0.2, max: 1.1, noNaN: true }),
      ),
      fc.double({ min: 0.005, max: 0.08, noNaN: true }),
      (centre_m, radius_m) => {
        const { part } = ballBeside(SAMPLE_FORK, 0.5);
        const ball: KeepOut = { ...part, solid: { shape: 'sphere', centre_m, radius_m } };
        const scene: Scene = { ...SAMPLE_FORK, keepOuts: [ball] };
        for (const { pose, spans, gaps } of solveScene(scene, grid)) {
          const centre = placementOf(scene.rig, ball.body, pose).point(centre_m);
          let least_m = Infinity;
          for (const { ends, shape } of spans)
            for (const point of rodPoints(ends, shape))
              least_m = Math.min(least_m, distanceBetween(point, centre) - radius_m - hose.outside_m / 2);
          const gap_m = gaps[0]?.gap_m ?? NaN;
          expect(gap_m).toBeLessThanOrEqual(least_m + 1e-12);
          // Between two points, at most half a piece nearer than at either.
          expect(gap_m).toBeGreaterThan(least_m - hose.length_m / 64);
        }
      },
    ),
    { numRuns: 40 },
  );
});
