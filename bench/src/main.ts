/** `npm run bench`: how the computation grows with its input, as ratios. Not a test: nothing here can fail a build. */
import type { Circuit, PoseGrid, PoseReading, RodEnds, Route, Vector } from '@zephyrcombe/core';
import {
  distancesFromMaster,
  orderLength,
  parseQuantity,
  solveEnvelope,
  solveRod,
  steeredLower,
  steeredUpper,
} from '@zephyrcombe/core';
import type { Ratio } from './ratio.ts';
import { ratioOf } from './ratio.ts';

const CHECKS = { controlsFinal: true, leftLock: true, rightLock: true, fullBump: true };
const readings = (count: number): readonly PoseReading[] =>
  Array.from({ length: count }, (_none, index) => ({
    pose: index % 2 === 0 ? 'fullDroop' : 'leftLock',
    length_m: 0.7 + (index % 7) / 10_000,
    aid: 'tube',
    remainingTravel_m: 0,
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

/** A hose from lever to caliper; invented geometry. */
const RIG = { steeringPoint_m: [0, 0, 0.9] as Vector, rake_rad: 0.436 };
const FORK: Route = {
  start: { port_m: [0.06, -0.2, 1.01], outward: [0.3, 0.2, -0.93], rigid_m: 0.025 },
  end: { port_m: [0.33, -0.095, 0.33], outward: [-0.25, 0, 0.97], rigid_m: 0.025 },
};
const grid = (columns: number): PoseGrid => ({
  columns,
  installed: (columns - 1) / 2,
  poses: Array.from({ length: columns * columns }, (_none, index) => {
    const steering_rad = -0.56 + (1.12 * (index % columns)) / (columns - 1);
    const travel_m = (0.12 * Math.floor(index / columns)) / (columns - 1);
    return { start: steeredUpper(RIG, steering_rad), end: steeredLower(RIG, steering_rad, travel_m) };
  }),
});
const [coarse, fine] = [grid(3), grid(9)];
const CLAMPED: RodEnds = {
  start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
  end: { point_m: [0.3, 0.12, 0.08], tangent: [0, 1, 0] },
  length_m: 0.4,
};
const neighbour = solveRod({ ...CLAMPED, length_m: 0.402 });

const ratios: Ratio[] = [
  await ratioOf(
    'order length, 40 readings against 4',
    () => orderLength(fewReadings, CHECKS),
    () => orderLength(manyReadings, CHECKS),
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
    'a hose in 81 poses against 9',
    () => solveEnvelope(FORK, coarse, 0.83),
    () => solveEnvelope(FORK, fine, 0.83),
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
