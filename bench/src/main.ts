/** `npm run bench`: how the computation grows with its input, as ratios. Not a test: nothing here can fail a build. */
import type { Circuit, PoseReading } from '@zephyrcombe/core';
import { distancesFromMaster, orderLength, parseQuantity } from '@zephyrcombe/core';
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
