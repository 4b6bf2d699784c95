/**
 * Clamp of an M10×1 bolt at 20 N·m: worked cases J1–J6 (VDI 2230 with its rounded coefficients), whose bolt and washers are the
 * proportions that are assumed here. The rest are laws: everything is proportional to the torque.
 */
import fc from 'fast-check';
import { boltLoad } from './boltLoad.ts';
import { FRICTIONS_OF, THREAD_STATES } from './boltMaterials.ts';
import { boltUnderTorque, usualBoltAndWasher } from './boltUnderTorque.ts';

const M10 = usualBoltAndWasher({ diameter_m: 0.01, pitch_m: 0.001, yield_Pa: 640e6 });
const at = (torque_Nm: number, threads: (typeof THREAD_STATES)[number], loadFactor = 0) => {
  const result = boltUnderTorque({ ...M10, torque_Nm, threads, pressure_Pa: 10e6, loadFactor });
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};

test('an M10 bolt at 20 N·m: from 8.1 kN dry to 18.6 kN slick, and 13.0 kN between them', () => {
  const { loads, leastClamp_N, mostClamp_N } = at(20, 'unsaid');
  expect(mostClamp_N).toBe(loads[0]?.load.value.clamp_N);
  expect(loads.map(({ load }) => Math.round(load.value.clamp_N / 100) / 10)).toEqual([18.6, 13, 8.1]);
  expect(leastClamp_N).toBe(loads.at(-1)?.load.value.clamp_N);
});

test('where it may give, its worse section stands at the yield of its metal with the least friction, and not before', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...THREAD_STATES),
      fc.double({ min: 4, max: 60, noNaN: true }),
      fc.double({ min: 0.006, max: 0.016, noNaN: true }),
      (threads, torque_Nm, diameter_m) => {
        const parts = usualBoltAndWasher({ diameter_m, pitch_m: 0.001, yield_Pa: 640e6 });
        const result = boltUnderTorque({ ...parts, torque_Nm, threads, pressure_Pa: 10e6 });
        if (!result.ok) throw new Error(result.problem.code);
        const { mayGive_Nm, surelyGives_Nm, leastUsed, mostUsed } = result.value;
        expect(mayGive_Nm).toBeLessThanOrEqual(surelyGives_Nm);
        expect(leastUsed).toBeLessThanOrEqual(mostUsed);
        const frictions = FRICTIONS_OF[threads];
        const used = (friction = 0, torque = 0) => {
          const load = boltLoad({
            ...parts,
            torque_Nm: torque,
            threadFriction: friction,
            headFriction: friction,
            pressure_Pa: 0,
          });
          return load.ok ? load.value.used : NaN;
        };
        expect(used(frictions[0], mayGive_Nm)).toBeCloseTo(1, 9);
        expect(used(frictions.at(-1), surelyGives_Nm)).toBeCloseTo(1, 9);
        for (const friction of frictions) expect(used(friction, mayGive_Nm)).toBeLessThanOrEqual(1 + 1e-9);
      },
    ),
  );
});

test('oil makes of the same torque more clamp and less to spare; the bolt’s share of the pressure leaves more on the seat', () => {
  const [dry, oiled, greased] = [at(20, 'dry'), at(20, 'oiled'), at(20, 'greased')];
  expect(oiled.mostClamp_N).toBeGreaterThan(dry.mostClamp_N);
  expect(greased.mayGive_Nm).toBeLessThan(oiled.mayGive_Nm);
  expect(oiled.mayGive_Nm).toBeLessThan(dry.mayGive_Nm);
  expect(at(20, 'dry', 0.3).leastLeft_N).toBeGreaterThan(dry.leastLeft_N);
  expect(at(20, 'dry', 1).leastLeft_N).toBe(dry.leastClamp_N);
});

test('a figure without meaning is refused, not worked out', () => {
  const refused = boltUnderTorque({ ...M10, torque_Nm: 0, threads: 'dry', pressure_Pa: 0 });
  expect(refused).toMatchObject({ ok: false, problem: { code: 'notPositive', field: 'torque_Nm' } });
});
