/** Whatever is done to a brake, nothing is made or lost, no figure is none, and the same deeds give the same bits. */
import type { Bleeding } from './bleeding.ts';
import {
  advance,
  airLeft,
  bleeding,
  branched,
  fillReservoir,
  keepFrame,
  moveLever,
  openNipple,
  putAir,
  setOutlet,
} from './bleeding.ts';
import { OUTLETS } from './state.ts';
import { abuse, randomBrake } from './testing/abuse.ts';

const sum = (list: Float64Array): number => list.reduce((all, one) => all + one, 0);

/** All there is, and what left it less what came in. */
function accounts({ state }: Bleeding) {
  return {
    liquid_m3: sum(state.liquid_m3) + sum(state.left_m3) + sum(state.passed_m3) - sum(state.liquidIn_m3),
    gas_J:
      sum(state.gas_J) +
      sum(state.airOut_J) +
      sum(state.airGivenBack_J) -
      sum(state.airIn_J) -
      sum(state.airDrawn_J),
  };
}

test('300 random brakes under random hands: nothing is made or lost, and every pressure is one', () => {
  let [liquid, gas, fullest, lowest_Pa] = [0, 0, 0, Infinity];
  for (let seed = 1; seed <= 300; seed += 1) {
    const { bled, random } = randomBrake(seed);
    const before = accounts(bled);
    let added_m3 = 0;
    for (let deed = 0; deed < 60; deed += 1) {
      added_m3 += abuse(bled, random);
      advance(bled, random() * 0.15);
      for (const pressure of bled.state.pressure_Pa) {
        if (!(pressure > 0 && pressure < 1e9)) throw new Error(`seed ${seed}, deed ${deed}: ${pressure} Pa`);
        lowest_Pa = Math.min(lowest_Pa, pressure);
      }
      fullest = Math.max(fullest, ...bled.state.count);
    }
    const after = accounts(bled);
    liquid = Math.max(liquid, Math.abs(after.liquid_m3 - added_m3 - before.liquid_m3) / before.liquid_m3);
    gas = Math.max(gas, Math.abs(after.gas_J - before.gas_J) / Math.max(before.gas_J, 0.01));
  }
  expect(liquid).toBeLessThan(1e-9);
  expect(gas).toBeLessThan(1e-6);
  // Where a vacuum would be, the fluid boils.
  expect(lowest_Pa).toBeGreaterThan(10);
  expect(fullest).toBeLessThanOrEqual(128);
});

test('the same deeds give the same bits, and a branch goes its own way', () => {
  const run = () => {
    const { bled, random } = randomBrake(41);
    for (let deed = 0; deed < 80; deed += 1) {
      abuse(bled, random);
      advance(bled, random() * 0.2);
    }
    return bled;
  };
  const [one, other] = [run(), run()];
  expect(one.state).toEqual(other.state);
  const kept = branched(randomBrake(41).bled);
  keepFrame(one, kept);
  expect(kept.state).toEqual(one.state);
  const branch = branched(one);
  advance(branch, 1);
  expect(one.state).toEqual(other.state);
  expect(branch.state.time_s).toBeGreaterThan(one.state.time_s);
});

test('what is no brake is refused by the name of the field', () => {
  const { bled } = randomBrake(3);
  const { system } = bled.layout;
  const [master, line] = system.parts;
  if (master?.kind !== 'master' || line?.kind !== 'line') throw new Error('no brake');
  const refused = (change: object) => () => bleeding({ ...system, ...change });
  expect(refused({ parts: [{ ...master, bore_m: 0 }] })).toThrow('parts.0.bore_m');
  expect(refused({ parts: [line, master] })).toThrow('parts.0.from');
  expect(refused({ parts: [master, { ...line, rise_m: 2 * line.length_m }] })).toThrow('parts.1.rise_m');
  expect(refused({ reservoirs: [] })).toThrow('parts.0.reservoir');
  expect(() => openNipple(bled, 'nobody', 1)).toThrow('nipple');
  expect(() => moveLever(bled, 'nobody', { to_m: 0, speed_m_s: 1 })).toThrow('part');
  expect(() => fillReservoir(bled, 'nobody', {})).toThrow('reservoir');
  expect(() => advance(bled, Number.NaN)).toThrow('seconds');
  expect(() => setOutlet(bled, system.nipples[0]?.id ?? '', { kind: OUTLETS[2], pot_m3: 0 })).toThrow(
    'pot_m3',
  );
  expect(() => putAir(bled, master.id, -1)).toThrow('air_m3');
  expect(airLeft(bled)).toBeGreaterThanOrEqual(0);
});
