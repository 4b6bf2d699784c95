import type { Dimension } from './checkChord.ts';
import { checkChords, withChange } from './checkChord.ts';
import { axesOf } from './rig.ts';
import type { Scene } from './sceneParts.ts';
import { portChord_m } from './scene.ts';
import { patternScene, SAMPLE_FORK } from './testScenes.ts';

/** Poses in which the vehicle is easily put: as measured, at one lock, pressed in, and both. */
const poses = ({ rig }: Scene) => {
  const { across, down } = axesOf(rig);
  const lock = across?.most ?? 0;
  return [
    { across: 0, down: 0 },
    { across: lock, down: 0 },
    { across: 0, down: down.most },
    { across: -lock, down: down.most },
  ];
};
/** What a tape reads on a vehicle of which this is the truth. */
const taped = (truth: Scene) => poses(truth).map((pose) => ({ pose, chord_m: portChord_m(truth, pose) }));
const check = (scene: Scene, truth: Scene) => {
  const result = checkChords(scene, taped(truth));
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};

test('a model that is right is off by nothing and suspects nothing', () => {
  expect(check(SAMPLE_FORK, SAMPLE_FORK)).toMatchObject({ worst_m: 0, suspect: null });
});

test('what a tape cannot tell is no disagreement', () => {
  const truth = withChange(SAMPLE_FORK, { of: 'end', field: 'port_m', axis: 2 }, 0.004);
  expect(check(SAMPLE_FORK, truth).suspect).toBeNull();
});

// A figure is put wrong on purpose and has to be found, with about the change that puts it right again.
test.each([
  ['fork', { of: 'start', field: 'port_m', axis: 0 }, 0.03],
  ['fork', { of: 'end', field: 'port_m', axis: 2 }, 0.025],
  ['strut', { of: 'end', field: 'port_m', axis: 0 }, 0.02],
  ['swingArm', { of: 'end', field: 'port_m', axis: 0 }, -0.03],
] as const)('%s: %j misread by %d m', (pattern, dimension: Dimension, by) => {
  const scene = patternScene(pattern);
  const { suspect, worst_m } = check(scene, withChange(scene, dimension, by));
  expect(worst_m).toBeGreaterThan(0.006);
  if (!suspect) throw new Error('nothing suspected');
  // Whatever it names, putting that right leaves what a tape cannot tell.
  const mended = withChange(scene, suspect.dimension, suspect.change);
  expect(check(mended, withChange(scene, dimension, by)).worst_m).toBeLessThan(worst_m / 3);
  // Two ports that steer together stand apart by the same whichever of them is moved; elsewhere it is the very end.
  if (pattern !== 'fork') expect(suspect.dimension.of).toBe(dimension.of);
});

test('no measurement, or one of nothing, is refused', () => {
  expect(checkChords(SAMPLE_FORK, [])).toMatchObject({ problem: { code: 'noReading' } });
  expect(checkChords(SAMPLE_FORK, [{ pose: { across: 0, down: 0 }, chord_m: 0 }])).toMatchObject({
    problem: { code: 'notPositive' },
  });
});
