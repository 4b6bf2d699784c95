/** What a lever should travel, and that it is over what each cause takes. */
import { expectedTravel, isSamePull, LEAST_SWELL_SHARE } from './feel.ts';
import { hoseSwellLimit } from './swell.ts';

const BRAKE = {
  masterBore_m: 0.014,
  leverRatio: 6,
  hoses: [{ length_m: 0.9, bore_m: 0.0032, swells: 'low' as const }],
  fluid_m3: 3e-5,
  calipers: 1,
};
const AREA_m2 = (Math.PI / 4) * 0.014 ** 2;

test('by hand: free travel, hoses at the limit of their class, fluid and pads', () => {
  const told = expectedTravel(BRAKE, 4e6);
  const limit = hoseSwellLimit(0.9, 0.0032, 4e6, 'low');
  if (!told.ok || !limit.ok) throw new Error('refused');
  const fluid_m3 = (3e-5 * 4e6) / 1.8e9;
  expect(told.value.most_m).toBeCloseTo(6 * (0.0015 + (limit.value + fluid_m3 + 5e-7) / AREA_m2), 12);
  expect(told.value.least_m).toBeCloseTo(
    6 * (0.0003 + (limit.value * LEAST_SWELL_SHARE + fluid_m3 + 5e-8) / AREA_m2),
    12,
  );
});

test('rubber lets a lever travel further than braid, and more pressure further than less', () => {
  const most = (swells: 'low' | 'regular', pressure_Pa: number) => {
    const told = expectedTravel(
      { ...BRAKE, hoses: [{ length_m: 0.9, bore_m: 0.0032, swells }] },
      pressure_Pa,
    );
    return told.ok ? told.value.most_m : NaN;
  };
  expect(most('regular', 4e6)).toBeGreaterThan(most('low', 4e6));
  expect(most('low', 6e6)).toBeGreaterThan(most('low', 4e6));
  expect(expectedTravel(BRAKE, 9e7).ok).toBe(false);
  expect(isSamePull(4e6, 4.3e6)).toBe(true);
  expect(isSamePull(4e6, 4.6e6)).toBe(false);
});
