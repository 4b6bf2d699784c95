/** What is foretold of drawn brakes: it must follow the volumes, and the drawing. */
import type { Hydraulics } from '../../layout/hydraulics.ts';
import { nippleOrder } from '../nippleOrder.ts';
import { lineVolume_m3 } from '../washout.ts';
import { startPattern } from '../../layout/patterns.ts';
import { countingIds } from '../../layout/testCircuits.ts';
import { drawnBrake, missingForBleeding } from './fromCircuit.ts';
import { predictBleeding } from './predict.ts';

const [drawn] = startPattern('twinTee', {
  newId: countingIds(),
  drive: 'left',
  abs: false,
  rearEnd: 'banjo',
});
if (!drawn) throw new Error('no circuit');
/** A pattern knows no master. */
const circuit: Hydraulics = {
  ...drawn,
  components: drawn.components.map((part) =>
    part.kind === 'master' ? { ...part, masterBore_m: 0.016, leverStroke_m: 0.07, leverRatio: 6 } : part,
  ),
};
const brake = drawnBrake(circuit);
if (!brake) throw new Error('no brake');
const order = nippleOrder(circuit);
const nipples = order.ok ? order.value.map(({ nippleId }) => nippleId) : [];

test('a brake that is full takes as many strokes as show it', () => {
  const full = predictBleeding(brake, { nipples, dryLines: [] });
  expect(full.nipples.map(({ strokes, isClear }) => [strokes, isClear])).toEqual(
    nipples.map(() => [3, true]),
  );
  expect(full.left).toEqual([]);
});

test('a new hose is filled from the master on: its air comes out, and the strokes are at least its volume', () => {
  const [hose] = circuit.hoses;
  if (!hose) throw new Error('no hose');
  const wet = predictBleeding(brake, { nipples, dryLines: [hose.id] });
  const master = brake.system.parts[0];
  if (master?.kind !== 'master') throw new Error('no master');
  const volume = lineVolume_m3([hose]);
  const out_m3 = wet.nipples.reduce((sum, { air_m3 }) => sum + air_m3, 0);
  const left_m3 = wet.left.reduce((sum, { air_m3 }) => sum + air_m3, 0);
  expect(volume.ok && (out_m3 + left_m3) / volume.value).toBeCloseTo(1, 2);
  expect(left_m3).toBeLessThan(1e-8);
  const perStroke_m3 = (Math.PI / 4) * master.bore_m ** 2 * master.stroke_m;
  const made = wet.nipples.reduce((sum, { first, strokes }) => sum + first + strokes, 0);
  expect(made).toBeGreaterThan(volume.ok ? volume.value / perStroke_m3 : Infinity);
  expect(wet.fluid_m3).toBeGreaterThan(brake.system.reservoirs[0]?.usable_m3 ?? 0);
});

test('a nipple that is not on top leaves air in its caliper, and runs clear all the same', () => {
  const [nipple = ''] = nipples;
  const low = drawnBrake(circuit, { lowNipples: [nipple], topNipples: nipples.slice(1) });
  if (!low) throw new Error('no brake');
  const host = low.hosts.get(nipple) ?? '';
  const plan = { nipples, dryLines: circuit.hoses.map(({ id }) => id), dryParts: { [host]: 1 } };
  const [right, wrong] = [predictBleeding(brake, plan), predictBleeding(low, plan)];
  expect(right.left.find(({ id }) => id === host)?.air_m3 ?? 0).toBeLessThan(1e-8);
  expect(brake.assumed).toContain('nipples');
  expect(low.assumed).not.toContain('nipples');
  expect(wrong.nipples.every(({ isClear }) => isClear)).toBe(true);
  expect(wrong.left.find(({ id }) => id === host)?.air_m3).toBeGreaterThan(2e-6);
});

test('what is missing is named, and nothing is made up for it', () => {
  const without = (change: object) => ({
    ...circuit,
    components: circuit.components.map((part) => (part.kind === 'master' ? { ...part, ...change } : part)),
  });
  expect(missingForBleeding(circuit)).toEqual([]);
  expect(missingForBleeding(without({ masterBore_m: null }))).toEqual(['masterBore']);
  expect(drawnBrake(without({ leverRatio: null }))).toBeNull();
  expect(missingForBleeding({ ...circuit, components: [] })).toEqual(['master']);
  const noNipples = {
    ...circuit,
    components: circuit.components.filter(({ kind }) => kind !== 'bleedNipple'),
  };
  expect(missingForBleeding(noNipples)).toEqual(['nipple']);
});
