/** Laws that hold of flow and pockets whatever the figures. */
import fc from 'fast-check';
import { mostAirFor, pressureAtFullStroke } from '../hydraulics/fullStroke.ts';
import { flowAt, flowPath, head_Pa, levelFall_s, splitFlow } from './flow.ts';
import { afterVacuum, drive_Pa, tiltedPocket } from './pockets.ts';
import { BRAKE_FLUID } from './simulator/system.ts';

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const line = fc.record({ bore_m: within(0.002, 0.006), length_m: within(0.1, 3) });
const nipple = fc.record({
  bore_m: within(0.001, 0.003),
  length_m: within(0.005, 0.02),
  discharge: within(0.5, 0.8),
});
const path = fc.tuple(line, nipple).map(([one, own]) => flowPath([one], own, BRAKE_FLUID));

test('a flow has just the pressure that drives it, and turns round with it', () => {
  fc.assert(
    fc.property(path, within(1, 1e6), (way, pressure_Pa) => {
      const flow = flowAt(pressure_Pa, way);
      const lost = way.resistance_Pa_s_m3 * flow + way.quadratic_Pa_s2_m6 * flow ** 2;
      expect(lost / pressure_Pa).toBeCloseTo(1, 9);
      expect(flowAt(-pressure_Pa, way)).toBe(-flow);
    }),
  );
});

test('a level that falls in two goes takes as long as in one, and never less than at its first flow', () => {
  fc.assert(
    fc.property(path, within(0.3, 1), within(0.3, 0.9), (way, from_m, share) => {
      const fall = (from: number, to: number) =>
        levelFall_s({ from_m: from, to_m: to, area_m2: 0.0015 }, way, BRAKE_FLUID);
      const [between_m, to_m] = [from_m * (1 - share / 2), from_m * (1 - share)];
      const whole = fall(from_m, to_m);
      expect((fall(from_m, between_m) + fall(between_m, to_m)) / whole).toBeCloseTo(1, 9);
      const fastest = flowAt(head_Pa(from_m, BRAKE_FLUID), way);
      expect(whole).toBeGreaterThanOrEqual((0.0015 * (from_m - to_m)) / fastest);
    }),
  );
});

test('what comes to a tee leaves it, and the easier branch takes more', () => {
  fc.assert(
    fc.property(line, path, path, within(100, 1e5), (main, one, other, supply_Pa) => {
      const own = flowPath([main], null, BRAKE_FLUID);
      const { tee_Pa, flows_m3_s } = splitFlow(supply_Pa, own, [one, other]);
      const [first, second] = flows_m3_s;
      expect((first + second) / flowAt(supply_Pa - tee_Pa, own)).toBeCloseTo(1, 6);
      expect(first > second).toBe(flowAt(tee_Pa, one) > flowAt(tee_Pa, other));
    }),
  );
});

test('the most air for a pressure gives just that pressure at full stroke', () => {
  fc.assert(
    fc.property(
      within(0.01, 0.025),
      within(0.008, 0.03),
      within(1e5, 8e6),
      (masterBore_m, pistonStroke_m, pressure_Pa) => {
        const brake = {
          masterBore_m,
          pistonStroke_m,
          freeTravel_m: 0.0008,
          compliance_m3_Pa: 5e-14,
          fluid_m3: 3e-5,
          bulkModulus_Pa: 1.8e9,
          atmosphere_Pa: 101_325,
        };
        const air_m3 = mostAirFor(brake, pressure_Pa);
        if (air_m3 > 0) expect(pressureAtFullStroke(brake, air_m3) / pressure_Pa).toBeCloseTo(1, 6);
        else expect(pressureAtFullStroke(brake, 0)).toBeLessThanOrEqual(pressure_Pa * (1 + 1e-9));
      },
    ),
  );
});

test('a level box hides nothing above a nipple on its top, and a mirror image hides as much', () => {
  fc.assert(
    fc.property(within(0.05, 0.2), within(0, 1), within(-0.6, 0.6), (length_m, share, raised_rad) => {
      const box = {
        length_m,
        height_m: 0.012,
        width_m: 0.01,
        nippleFromLeft_m: share * length_m,
        raised_rad,
      };
      expect(tiltedPocket({ ...box, raised_rad: 0 })).toBeCloseTo(0, 15);
      const mirrored = tiltedPocket({
        ...box,
        nippleFromLeft_m: length_m * (1 - share),
        raised_rad: -raised_rad,
      });
      expect(mirrored).toBeCloseTo(tiltedPocket(box), 12);
      expect(mirrored).toBeLessThanOrEqual(length_m * 0.012 * 0.01 * (1 + 1e-9));
    }),
  );
});

test('a vacuum once more takes no more, and air in falling legs never helps', () => {
  fc.assert(
    fc.property(within(0, 1e-6), within(1e-7, 1e-6), within(1e3, 1e5), (air_m3, pocket_m3, vacuum_Pa) => {
      const once = afterVacuum(air_m3, pocket_m3, vacuum_Pa, 101_325);
      expect(afterVacuum(once, pocket_m3, vacuum_Pa, 101_325)).toBe(once);
      expect(once).toBeLessThanOrEqual(air_m3);
    }),
  );
  fc.assert(
    fc.property(fc.array(within(-1, 1), { minLength: 1, maxLength: 6 }), (rises) => {
      const liquid = rises.map((rise_m) => ({ rise_m, contents: 'liquid' as const }));
      const aired = liquid.map((leg) => (leg.rise_m < 0 ? { ...leg, contents: 'air' as const } : leg));
      expect(drive_Pa(aired, 1050)).toBeLessThanOrEqual(drive_Pa(liquid, 1050));
    }),
  );
});
