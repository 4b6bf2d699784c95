/** `npm run bench`: how the computation grows with its input, as ratios. Not a test: nothing here can fail a build. */
import type { Circuit, PoseReading, RodEnds, Scene, TapeSetting } from '@zephyrcombe/core';
import {
  coarserPoses,
  cutList,
  distancesFromMaster,
  followScene,
  gridOf,
  movementOf,
  orderLength,
  parseQuantity,
  PATTERN_CORNERS,
  sceneOf,
  scanLengths,
  sceneWindow,
  solveRod,
  solveScene,
  piecesOf,
} from '@zephyrcombe/core';
import { planOf } from '@zephyrcombe/core/plan';
import { bleedingSpeed } from './bleed.ts';
import { corners, IMPOSSIBLE } from './fitScopes.ts';
import { cannonRope, MOST_STEPS, rapierRope, readyEngines, timeEngine } from './engines.ts';
import type { Ratio } from './ratio.ts';
import { ratioOf } from './ratio.ts';

/** Four corners of a van, and as many as five vans have. */
const VAN = corners(4);
const FLEET = corners(20);
const STUCK = corners(20, IMPOSSIBLE);

const TAPE: TapeSetting = {
  checks: {
    controlsFinal: true,
    bracketsInPlace: true,
    leftLock: true,
    rightLock: true,
    fullBump: true,
    crossedUp: true,
  },
  movement: movementOf('handlebar', 'forkLower'),
  lift: null,
  datumKnown: true,
  slack_m: 0.0125,
  routeShort_m: null,
};
const readings = (count: number): readonly PoseReading[] =>
  Array.from({ length: count }, (_none, index) => ({
    pose: index % 2 === 0 ? 'fullDroop' : 'leftLock',
    length_m: 0.7 + (index % 7) / 10_000,
    aid: 'tube',
    uncertainty_m: null,
    remainingTravel_m: 0,
    tightBends: null,
  }));

/** A chain of junctions from the master, its hoses listed far end first: the worst order for a relaxation. */
function chain(parts: number): Circuit {
  const ids = Array.from({ length: parts }, (_none, index) => `c${index}`);
  return {
    components: ids.map((id, index) => ({
      id,
      kind: index === 0 ? 'master' : 'junction',
      name: id,
      attachedTo: null,
    })),
    joints: ids.map((id) => ({ id: `j${id}`, componentId: id })),
    hoses: ids
      .slice(1)
      .map((id, index) => ({ id: `h${id}`, fromJointId: `jc${index}`, toJointId: `j${id}`, length_m: 0.5 }))
      .reverse(),
  };
}

const [fewReadings, manyReadings] = [readings(4), readings(40)];
const [smallCircuit, largeCircuit] = [chain(6), chain(60)];

/** Pieces of 300 to 1500 mm and stock of 2 to 10 m, the same in every run. */
const spread = (count: number, least_m: number, most_m: number) =>
  Array.from({ length: count }, (_none, index) => ({
    id: `${index}`,
    length_m: least_m + (((index * 7919) % 1000) / 1000) * (most_m - least_m),
  }));
const RULES = { kerf_m: 0.003, worthKeeping_m: 0.25 };

const SCENE = sceneOf(PATTERN_CORNERS.fork, 'front');
if (!SCENE) throw new Error('The fork pattern has no hose');
const BARE = { ...SCENE, keepOuts: [] };
const [coarse, fine] = [gridOf(SCENE.rig, 3), gridOf(SCENE.rig, 9)];
const before = solveScene(BARE, fine);
const DRAGGED = { ...BARE, hose: { ...BARE.hose, length_m: BARE.hose.length_m + 0.001 } };
const coarse81 = coarserPoses(before);
const HELD = { id: 'yoke', body: 'bars', point_m: [0.12, -0.12, 0.8], along: [0.3, 0.1, -0.95] } as const;
const CLIPPED = { ...BARE, hose: { ...BARE.hose, length_m: 0.9, clips: [{ ...HELD, at_m: 0.28 }] } };
const GUIDED = {
  ...CLIPPED,
  hose: { ...CLIPPED.hose, clips: [{ ...HELD, at_m: 0.28, slides: true }] },
};
const lengthened = (scene: Scene): Scene => ({
  ...scene,
  hose: { ...scene.hose, length_m: scene.hose.length_m + 0.001 },
});
const [clippedBefore, guidedBefore] = [solveScene(CLIPPED, fine), solveScene(GUIDED, fine)];
const [piece] = piecesOf(BARE);
const span = piece?.spans[0];
const warmEnds =
  piece && span ? fine.poses.map((pose) => ({ ...span.heldAt(pose), length_m: piece.length_m })) : [];
const warmFrom = solveScene(BARE, fine, SCENE.hose.length_m + 0.001).map(({ spans }) => spans[0]?.shape);
const SCAN = { from_m: 0.6, to_m: 1, nominal_m: SCENE.hose.length_m };
const CLAMPED: RodEnds = {
  start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
  end: { point_m: [0.3, 0.12, 0.08], tangent: [0, 1, 0] },
  length_m: 0.4,
};
const neighbour = solveRod({ ...CLAMPED, length_m: 0.402 });

const ratios: Ratio[] = [
  // First, as in a worker that has just been started: it has solved no other kind of hose before.
  await ratioOf(
    'scan of 60 lengths × 81 poses against one envelope of 81',
    () => solveScene(SCENE, fine),
    () => scanLengths(SCENE, fine, SCAN, 60),
  ),
  await ratioOf(
    'length window over 9 poses against one envelope of 81',
    () => solveScene(SCENE, fine),
    () => sceneWindow(SCENE, coarse, SCAN),
  ),
  await ratioOf(
    'order length, 40 readings against 4',
    () => orderLength(fewReadings, TAPE),
    () => orderLength(manyReadings, TAPE),
  ),
  await ratioOf(
    'distances from the master, 60 components against 6',
    () => distancesFromMaster(smallCircuit),
    () => distancesFromMaster(largeCircuit),
  ),
  await ratioOf(
    'a free hose from nothing against from its neighbour',
    () => solveRod(CLAMPED, neighbour),
    () => solveRod(CLAMPED),
  ),
  await ratioOf(
    '81 poses re-solved on a drag of the length against 81 solves from where each pose was',
    () => warmEnds.map((ends, index) => solveRod(ends, warmFrom[index])),
    () => followScene(DRAGGED, fine, before),
  ),
  await ratioOf(
    '81 poses followed on a drag with half the nodes against with all',
    () => followScene(DRAGGED, fine, before),
    () => followScene(DRAGGED, fine, coarse81),
  ),
  await ratioOf(
    '81 poses followed through a guide against with a clip there',
    () => followScene(lengthened(CLIPPED), fine, clippedBefore),
    () => followScene(lengthened(GUIDED), fine, guidedBefore),
  ),
  await ratioOf(
    'a hose in 81 poses from nothing against 9',
    () => solveScene(SCENE, coarse),
    () => solveScene(SCENE, fine),
  ),
  await ratioOf(
    '81 poses with four parts to keep away from and clocking against without',
    () => followScene(DRAGGED, fine, before),
    () => followScene({ ...DRAGGED, keepOuts: SCENE.keepOuts }, fine, before),
  ),
  await ratioOf(
    'cut list of 60 pieces from 14 lengths against 6 from 3',
    () => cutList(spread(6, 0.3, 1.5), spread(3, 2, 10), RULES),
    () => cutList(spread(60, 0.3, 1.5), spread(14, 2, 10), RULES),
  ),
  await ratioOf(
    'plan of fitting, 60 joints against 12',
    () => planOf(VAN),
    () => planOf(FLEET),
  ),
  await ratioOf(
    'plan of fitting, 240 joints against 60',
    () => planOf(FLEET),
    () => planOf(corners(80)),
  ),
  await ratioOf(
    'why 60 joints have no plan against their plan',
    () => planOf(FLEET),
    () => planOf(STUCK),
  ),
  await ratioOf(
    'parse of "8 1/2 in" against Number("8.5")',
    () => Number('8.5'),
    () => parseQuantity('8 1/2 in', 'length'),
  ),
];

for (const { name, ratio, median_ms } of ratios) {
  process.stdout.write(
    `${ratio.toFixed(1).padStart(8)} ×  ${name} (median ${median_ms.toPrecision(2)} ms here)\n`,
  );
}

const bled = bleedingSpeed();
process.stdout.write(
  `${Math.round(bled.warm).toString().padStart(8)} ×  bleeding six lines against real time, a copy of it each frame (${Math.round(bled.cold)} in the first five strokes)\n`,
);

await readyEngines();
const colds = await ratioOf(
  'cold',
  () => null,
  () => solveRod(CLAMPED),
);
const warms = await ratioOf(
  'warm',
  () => null,
  () => solveRod(CLAMPED, neighbour),
);
for (const engine of [
  timeEngine('rapier', rapierRope, CLAMPED),
  timeEngine('cannon-es', cannonRope, CLAMPED),
]) {
  const say = (name: string, ratio: number) =>
    process.stdout.write(
      `${Math.round(ratio).toString().padStart(8)} ×  a rope of 24 capsules in ${engine.name} against a hose, ${name}${engine.rested ? '' : ` (at least: it had not come to rest after ${MOST_STEPS} steps)`}\n`,
    );
  say('from nothing', engine.cold_ms / colds.median_ms);
  say('from its neighbour', engine.warm_ms / warms.median_ms);
}
