/** One soft and one firm pull: what they tell apart, and what they cannot. */
import { ATMOSPHERE_Pa } from '../../hydraulics/leverTravel.ts';
import { airFromPulls } from './pulls.ts';

const MASTER = { masterBore_m: 0.014, leverRatio: 6 };
const read = (air_m3: number, pressure_Pa: number, off_m = 0) => ({
  pressure_Pa,
  lever_m:
    (6 * (2e-13 * pressure_Pa + air_m3 * (1 - ATMOSPHERE_Pa / (ATMOSPHERE_Pa + pressure_Pa)))) /
      ((Math.PI / 4) * 0.014 ** 2) +
    off_m,
});

test('a quarter of a millilitre at 1 and 6 MPa, to about two hundredths (bleeding study, feel)', () => {
  const told = airFromPulls(MASTER, read(2.5e-7, 1e6), read(2.5e-7, 6e6));
  if (!told.ok) throw new Error(told.problem.code);
  expect(told.value.air_m3).toBeCloseTo(2.5e-7, 12);
  expect(told.value.compliance_m3_per_Pa).toBeCloseTo(2e-13, 18);
  expect(told.value.error_m3).toBeGreaterThan(0.01e-6);
  expect(told.value.error_m3).toBeLessThan(0.03e-6);
});

test('nearer than one to three is asked for again, and no amount of air is no answer', () => {
  const near = airFromPulls(MASTER, read(2.5e-7, 3e6), read(2.5e-7, 6e6));
  expect(near).toMatchObject({ ok: false, problem: { code: 'readingsTooNear' } });
  // A lever without air that reads half a millimetre short stays a reading; one far below nothing does not.
  const short = airFromPulls(MASTER, read(0, 1e6, -0.0005), read(0, 6e6));
  expect(short.ok && short.value.air_m3).toBeLessThan(0);
  expect(airFromPulls(MASTER, read(0, 1e6, -0.007), read(0, 6e6))).toMatchObject({
    ok: false,
    problem: { code: 'readingsDisagree' },
  });
});
