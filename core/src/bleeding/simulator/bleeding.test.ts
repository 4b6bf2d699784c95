/** What the simulator shows of a brake, against the closed forms of `flow.ts` and what must be so by symmetry. */
import { burst, flowAt, flowPath, head_Pa, splitFlow } from '../flow.ts';
import type { Bleeding } from './bleeding.ts';
import {
  advance,
  airIn,
  airLeft,
  bleeding,
  fillReservoir,
  moveLever,
  openNipple,
  passedAt,
  pistonAt,
  pressureAt,
  putAir,
  reservoirLeft,
  setOutlet,
} from './bleeding.ts';
import { uprightRise } from './boreRise.ts';
import type { BleedPart } from './system.ts';
import { BRAKE_FLUID } from './system.ts';
import { testBrake, testMaster, testNipple } from './testing/abuse.ts';

const line = (id: string, from: string, over: object = {}): BleedPart => ({
  kind: 'line',
  id,
  from,
  bore_m: 0.0032,
  length_m: 0.9,
  rise_m: 0,
  compliance_m3_Pa: 0,
  ...over,
});
const cavity = (id: string, from: string, over: object = {}): BleedPart => ({
  kind: 'cavity',
  id,
  from,
  volume_m3: 1e-7,
  compliance_m3_Pa: 0,
  inlet: 1,
  outlets: {},
  ...over,
});
const NIPPLE = { bore_m: 0.0015, length_m: 0.012, discharge: 0.62 };
const openPort = (over: object = {}) => testMaster({ portResistance_Pa_s_m3: 1e5, ...over });

/** m³/s out of a nipple, once it runs evenly. */
function steady(bled: Bleeding, nipple = 'n'): number {
  advance(bled, 1);
  const before = passedAt(bled, nipple).liquid_m3;
  advance(bled, 1);
  return passedAt(bled, nipple).liquid_m3 - before;
}
function stroke(bled: Bleeding, { seconds = 1, closesFirst = true, nipple = 'n' } = {}): void {
  openNipple(bled, nipple, 1);
  moveLever(bled, 'm', { to_m: 0.012, speed_m_s: 0.012 / seconds });
  advance(bled, seconds + 0.1);
  if (closesFirst) openNipple(bled, nipple, 0);
  moveLever(bled, 'm', { to_m: 0, speed_m_s: 0.048 });
  advance(bled, 1);
  openNipple(bled, nipple, 0);
}

describe('flow', () => {
  test('by gravity, as line and nipple in a row let it', () => {
    const bled = bleeding(
      testBrake([openPort({ height_m: 0.6 }), line('l', 'm', { rise_m: -0.6 })], [testNipple({ on: 'l' })], {
        height_m: 0.6,
      }),
    );
    openNipple(bled, 'n', 1);
    const path = flowPath([{ bore_m: 0.0032, length_m: 0.9 }], NIPPLE, BRAKE_FLUID);
    expect(steady(bled) / flowAt(head_Pa(0.6, BRAKE_FLUID), path)).toBeCloseTo(1, 3);
  });

  test('a tee shares it by resistance', () => {
    const bled = bleeding(
      testBrake(
        [
          openPort({ height_m: 0.6 }),
          line('main', 'm', { length_m: 0.55, rise_m: -0.55 }),
          cavity('tee', 'main'),
          line('near', 'tee', { length_m: 0.35, rise_m: -0.05 }),
          line('far', 'tee', { length_m: 0.75, rise_m: -0.05 }),
        ],
        [testNipple({ id: 'a', on: 'near' }), testNipple({ id: 'b', on: 'far' })],
        { height_m: 0.6 },
      ),
    );
    openNipple(bled, 'a', 1);
    openNipple(bled, 'b', 1);
    const of = (length_m: number, nipple: typeof NIPPLE | null = NIPPLE) =>
      flowPath([{ bore_m: 0.0032, length_m }], nipple, BRAKE_FLUID);
    const { flows_m3_s } = splitFlow(head_Pa(0.6, BRAKE_FLUID), of(0.55, null), [of(0.35), of(0.75)]);
    advance(bled, 1);
    const before = ['a', 'b'].map((id) => passedAt(bled, id).liquid_m3);
    advance(bled, 1);
    const flows = ['a', 'b'].map((id, at) => passedAt(bled, id).liquid_m3 - (before[at] ?? 0));
    expect(flows.map((flow, at) => flow / (flows_m3_s[at] ?? 1))).toEqual([
      expect.closeTo(1, 3),
      expect.closeTo(1, 3),
    ]);
  });

  test('a nipple opened on a held lever gives what hose and air had taken up', () => {
    const held = { pressure_Pa: 3e6, compliance_m3_Pa: 2e-13, air_m3: 2e-7, atmosphere_Pa: 101_325 };
    const bled = bleeding(
      testBrake(
        [
          testMaster({ stroke_m: 0.03, freeTravel_m: 0, dead_m3: 1e-9 }),
          line('short', 'm', { bore_m: 0.01, length_m: 1e-3 }),
          // The fluid's own give is part of the compliance that is named.
          cavity('c', 'short', {
            volume_m3: 3e-5,
            compliance_m3_Pa: held.compliance_m3_Pa - 3e-5 / 1.8e9,
            inlet: 0,
            outlets: { l: 0 },
          }),
          line('l', 'c'),
        ],
        [testNipple({ on: 'l' })],
      ),
    );
    putAir(bled, 'c', held.air_m3);
    moveLever(bled, 'm', { to_m: 0.03, speed_m_s: 0.002, limit_Pa: held.pressure_Pa });
    advance(bled, 16);
    moveLever(bled, 'm', { to_m: pistonAt(bled, 'm'), speed_m_s: 10 });
    advance(bled, 0.5);
    openNipple(bled, 'n', 1);
    advance(bled, 3);
    const path = flowPath([{ bore_m: 0.0032, length_m: 0.9 }], NIPPLE, BRAKE_FLUID);
    const { out_m3 } = burst(held, 20_000, path);
    // The line and the master give some as well, a fiftieth.
    expect(passedAt(bled, 'n').liquid_m3 / out_m3).toBeGreaterThan(1);
    expect(passedAt(bled, 'n').liquid_m3 / out_m3).toBeLessThan(1.04);
    expect(Math.abs(pressureAt(bled, 'c'))).toBeLessThan(100);
  });
});

describe('air', () => {
  const one = (over: object = {}) =>
    bleeding(
      testBrake(
        [testMaster(), line('l', 'm'), cavity('c', 'l', { volume_m3: 1.2e-5, inlet: 0.1 })],
        [testNipple({ on: 'c', ...over })],
      ),
    );

  test('in a caliper leaves by a nipple that is its highest point, and stays above one that is not', () => {
    for (const [height, left_m3] of [
      [1, 0],
      [0.92, 0.08 * 1.2e-5],
    ] as const) {
      const bled = one({ height });
      putAir(bled, 'c', 8e-6);
      for (let made = 0; made < 30; made += 1) stroke(bled);
      expect(airIn(bled, 'c')).toBeCloseTo(left_m3, 9);
    }
  });

  test('makes the lever long: what it gives up is travel, and a whole stroke may not be enough', () => {
    const reach = (air_m3: number) => {
      const bled = one();
      putAir(bled, 'c', air_m3);
      moveLever(bled, 'm', { to_m: 0.012, speed_m_s: 0.01, limit_Pa: 3e6 });
      advance(bled, 3);
      return [pistonAt(bled, 'm'), pressureAt(bled, 'c')] as const;
    };
    const [[firm_m], [soft_m], [bar_m, bar_Pa]] = [reach(0), reach(5e-7), reach(3e-6)];
    expect(firm_m).toBeLessThan(0.0012);
    expect((soft_m - firm_m) * (Math.PI / 4) * 0.014 ** 2).toBeCloseTo(5e-7 * (1 - 101_325 / 3_101_325), 8);
    expect(bar_m).toBeCloseTo(0.012, 6);
    expect(bar_Pa).toBeLessThan(3e5);
  });

  test('comes in where the lever is let go before the nipple is shut and the hose is off', () => {
    const [shut, early] = [one(), one()];
    for (const bled of [shut, early]) setOutlet(bled, 'n', { kind: 'air' });
    for (let made = 0; made < 5; made += 1) {
      stroke(shut);
      stroke(early, { closesFirst: false });
    }
    expect(airLeft(shut)).toBeLessThan(1e-12);
    expect(airLeft(early)).toBeGreaterThan(5e-7);
  });

  test('comes in where the reservoir runs dry', () => {
    const bled = bleeding(
      testBrake([testMaster(), line('l', 'm')], [testNipple({ on: 'l' })], {
        usable_m3: 2.5e-5,
        filled_m3: 1e-5,
      }),
    );
    for (let made = 0; made < 5; made += 1) stroke(bled);
    expect(airLeft(bled)).toBe(0);
    for (let made = 0; made < 3; made += 1) stroke(bled);
    expect(reservoirLeft(bled, 'r')).toBeLessThan(1e-9);
    expect(airLeft(bled)).toBeGreaterThan(2e-6);
    expect(fillReservoir(bled, 'r', { add_m3: 3e-5 }).spilt_m3).toBeCloseTo(5e-6, 9);
  });

  test('in a wide line rises against a small flow and is carried by a large one; in a narrow one it stays', () => {
    // Down through an upright line, by the pressure of the reservoir.
    const drift = (bore_m: number, over_Pa: number) => {
      const bled = bleeding(
        testBrake(
          [
            openPort({ height_m: 0.6 }),
            line('l', 'm', { bore_m, length_m: 0.6, rise_m: -0.6 }),
            cavity('c', 'l', { volume_m3: 1e-5 }),
            line('on', 'c', { bore_m: 0.0024, length_m: 2, rise_m: 0.6 }),
          ],
          [testNipple({ on: 'on', outlet_m: 0.6 })],
          { height_m: 0.6 },
        ),
      );
      putAir(bled, 'l', 1e-6, { from_m: 0.3 });
      fillReservoir(bled, 'r', { over_Pa });
      openNipple(bled, 'n', 1);
      advance(bled, 60);
      return { above: airIn(bled, 'm'), below: airIn(bled, 'c') + passedAt(bled, 'n').air_m3 };
    };
    const still = drift(0.006, 0);
    expect(still.below).toBeLessThan(1e-9);
    // It came up to the master and out through the open port.
    expect(still.above).toBeLessThan(1e-6);
    const carried = drift(0.006, 60_000);
    expect(carried.below).toBeGreaterThan(5e-7);
    expect(uprightRise(0.0032, BRAKE_FLUID)).toBe(0);
  });
});

test('a brake and its mirror image do the same', () => {
  const brake = (first: 'left' | 'right') => {
    const sides = first === 'left' ? (['left', 'right'] as const) : (['right', 'left'] as const);
    const bled = bleeding(
      testBrake(
        [
          testMaster({ height_m: 0.8 }),
          line('main', 'm', { rise_m: -0.1 }),
          cavity('tee', 'main'),
          ...sides.map((side) => line(side, 'tee', { length_m: 0.6, rise_m: -0.4 })),
          ...sides.map((side) => cavity(`${side} caliper`, side, { volume_m3: 3e-5, inlet: 0.3 })),
        ],
        sides.map((side) => testNipple({ id: side, on: `${side} caliper`, height: 0.97 })),
        { height_m: 0.85 },
      ),
    );
    for (const side of sides) putAir(bled, `${side} caliper`, 5e-6);
    putAir(bled, 'main', 2e-6);
    for (let made = 0; made < 6; made += 1)
      stroke(bled, { nipple: made % 2 === 0 ? 'left' : 'right', seconds: 0.7 });
    return ['left', 'right'].map((side) => [passedAt(bled, side).liquid_m3, airIn(bled, `${side} caliper`)]);
  };
  const [one, other] = [brake('left'), brake('right')];
  for (const [at, side] of one.entries())
    for (const [which, figure] of side.entries()) expect(figure).toBeCloseTo(other[at]?.[which] ?? NaN, 9);
});
