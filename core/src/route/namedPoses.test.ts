/** Against the same scene solved in the single pose; y is to the left of the vehicle, as in every scene. */
import { leastGapsByPose } from './namedPoses.ts';
import { gridOf } from './rig.ts';
import { solveScene } from './scene.ts';
import type { Scene } from './sceneParts.ts';
import { SAMPLE_FORK } from './testScenes.ts';

const gapsOf = (scene: Scene, steps = 5) =>
  leastGapsByPose(scene.rig, solveScene(scene, gridOf(scene.rig, steps)));

test('of a fork every pose but the crossed one, and none nearer than the whole movement', () => {
  const gaps = gapsOf(SAMPLE_FORK);
  expect(Object.keys(gaps).sort()).toEqual([
    'fullBump',
    'fullDroop',
    'leftLock',
    'rightLock',
    'straightAhead',
  ]);
  const all = solveScene(SAMPLE_FORK, gridOf(SAMPLE_FORK.rig, 5)).flatMap(({ gaps: own }) =>
    own.flatMap((gap) => (gap ? [gap.gap_m] : [])),
  );
  const least_m = Math.max(0, Math.min(...all));
  for (const gap_m of Object.values(gaps)) expect(gap_m).toBeGreaterThanOrEqual(least_m);
});

test('what stands to the left of the straight hose is nearer at one lock than at the other, whichever side that is', () => {
  const { hose } = SAMPLE_FORK;
  const part = (y_m: number): Scene['keepOuts'][number] => ({
    id: 'post',
    name: 'Post',
    body: 'frame',
    nature: 'still',
    gap_m: null,
    solid: { shape: 'sphere', centre_m: [0.05, y_m, 0.9], radius_m: 0.02 },
  });
  const at = (y_m: number) => gapsOf({ ...SAMPLE_FORK, hose, keepOuts: [part(y_m)] });
  const [left, right] = [at(0.45), at(-0.45)];
  // Turned to the left the bars' right end goes forward and their left end back: a post is met at its own lock or the other one.
  expect(Math.sign((left.leftLock ?? 0) - (left.rightLock ?? 0))).not.toBe(
    Math.sign((right.leftLock ?? 0) - (right.rightLock ?? 0)),
  );
});

test('nothing drawn near it: nothing is expected', () => {
  expect(gapsOf({ ...SAMPLE_FORK, keepOuts: [] }, 3)).toEqual({});
});
