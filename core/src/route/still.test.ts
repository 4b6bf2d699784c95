/** Holds that stand still against each other, and guides near a ferrule, over the whole movement of the fork. */
import { add, distanceBetween, unit } from '../geometry/vector.ts';
import { judgeScene } from './judge.ts';
import { rodPoints } from './measures.ts';
import { proveRoute } from './prove.ts';
import { gridOf } from './rig.ts';
import { piecesOf, solveScene } from './scene.ts';
import type { Scene, SceneClip } from './sceneParts.ts';
import { SAMPLE_FORK } from './testScenes.ts';

const grid = gridOf(SAMPLE_FORK.rig, 9);
const BARE: Scene = { ...SAMPLE_FORK, keepOuts: [] };
const clipped = (clips: readonly SceneClip[]): Scene => ({ ...BARE, hose: { ...BARE.hose, clips } });

const free = solveScene(BARE, grid);
const installed = free[grid.installed];
const [span] = installed?.spans ?? [];
if (!installed || !span) throw new Error('no installed shape');
const points = rodPoints(span.ends, span.shape);

/** A hold on the free hose's own curve, at a node of it. */
function onCurve(
  id: string,
  node: number,
  body: SceneClip['body'],
  more: Partial<SceneClip> = {},
): SceneClip {
  const { tangents } = span?.shape ?? { tangents: new Float64Array(0) };
  const [x, y, z] = [tangents[3 * node] ?? 0, tangents[3 * node + 1] ?? 0, tangents[3 * node + 2] ?? 0];
  const free_m = span?.ends.length_m ?? 0;
  return {
    id,
    body,
    point_m: points[node] ?? [0, 0, 0],
    along: unit([x, y, z]),
    at_m: BARE.hose.start.rigid_m + (free_m * node) / (points.length - 1),
    ...more,
  };
}
const verdictOf = (scene: Scene) => {
  const poses = solveScene(scene, grid);
  return { poses, verdict: judgeScene(scene, poses, poses[grid.installed]) };
};
const cautionsOf = (scene: Scene) => {
  const result = proveRoute(scene, grid, solveScene(scene, grid));
  if (!result.ok) throw new Error(result.problem.code);
  return result.cautions;
};

describe('a guide near a ferrule', () => {
  test.each([
    ['start', 1],
    ['start', 2],
    ['end', 62],
    ['end', 63],
  ] as const)(
    'at the %s, on the hose’s own curve (node %i), changes nothing and does not make it jump',
    (which, node) => {
      const scene = clipped([onCurve('guide', node, BARE.hose[which].body, { slides: true })]);
      const { poses, verdict } = verdictOf(scene);
      expect(poses[grid.installed]?.radius_m).toBeCloseTo(installed.radius_m ?? 0, 3);
      expect(verdict.reason).toBe('none');
      expect(poses.filter(({ snapped }) => snapped)).toEqual([]);
      expect(poses.every(({ spans }) => spans.every(({ shape }) => shape.status === 'converged'))).toBe(true);
    },
  );
});

/** Both clips are ties on the bars, which is another matter. */
const TIED = ['M12', 'M12'];

describe('two clips on one body', () => {
  const pair = (first: number, second: number, along_m = 0) => [
    onCurve('upper', first, 'bars'),
    onCurve('lower', second, 'bars', { at_m: onCurve('lower', second, 'bars').at_m + along_m }),
  ];

  test('along a nearly straight piece of hose are not called taut', () => {
    const scene = clipped(pair(1, 4));
    const [first, second] = piecesOf(scene);
    const straight = distanceBetween(points[1] ?? [0, 0, 0], points[4] ?? [0, 0, 0]);
    expect(straight / (second?.length_m ?? 0)).toBeGreaterThan(0.97);
    expect(first?.spans[0]?.moves).toBe(false);
    expect(verdictOf(scene).verdict.reason).not.toBe('taut');
    expect(cautionsOf(scene).map(({ id }) => id)).toEqual(TIED);
  });

  test('a millimetre or two off along the hose, either way, is no pull and no bow', () => {
    for (const off_m of [-0.002, -0.001, 0.001, 0.002])
      expect(cautionsOf(clipped(pair(1, 4, off_m))).map(({ id }) => id)).toEqual(TIED);
  });

  test('with far less hose between them than they stand apart the way is told to be too short, and that nothing moves', () => {
    const [caution] = cautionsOf(clipped(pair(1, 4, -0.015)));
    if (caution?.id !== 'M11') throw new Error('no M11');
    expect(caution.evidence.from).toBe('upper');
    expect(caution.evidence.moves_m).toBeLessThan(1e-9);
    expect(caution.evidence.chord_m).toBeGreaterThan(caution.evidence.free_m);
  });

  test('and with far more the bow between them is judged by its bend', () => {
    const cautions = cautionsOf(clipped(pair(1, 4, 0.02)));
    expect(cautions.map(({ id }) => id)).toContain('M10');
  });
});

test('every part that the hose comes too near is told, the worse ones first: a still one hides no hot one', () => {
  const [leg] = SAMPLE_FORK.keepOuts.filter(({ nature }) => nature === 'still');
  if (!leg) throw new Error('no still part');
  const hot = {
    id: 'pipe',
    name: 'Pipe',
    body: 'frame',
    nature: 'hot',
    gap_m: 0.02,
    solid: { shape: 'sphere', centre_m: add(points[32] ?? [0, 0, 0], [0, 0.04, 0]), radius_m: 0.02 },
  } as const;
  const scene: Scene = { ...SAMPLE_FORK, keepOuts: [{ ...leg, gap_m: 0.4 }, hot] };
  expect(cautionsOf(scene).map(({ id }) => id)).toEqual(['M15', 'M16']);
  expect(cautionsOf({ ...scene, keepOuts: [hot, { ...leg, gap_m: 0.4 }] }).map(({ id }) => id)).toEqual([
    'M15',
    'M16',
  ]);
});
