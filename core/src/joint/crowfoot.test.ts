import fc from 'fast-check';
import { judgeTorqueAttempt } from '../procedure/torqueGate.ts';
import { crowfootSetting, crowfootTorque } from './crowfoot.ts';

const range = { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' } as const;
const attempt = (reading_Nm: number, extension_m: number | null, angle_rad = 0) => {
  const judged = judgeTorqueAttempt({
    seal: 'flare',
    eyes: 0,
    freshWashers: 0,
    reading_Nm,
    range,
    wrenchMaximum_Nm: 60,
    adapter: extension_m === null ? null : { wrench_m: 0.3, extension_m, angle_rad },
  });
  if (!judged.ok) throw new Error(judged.problem.code);
  return judged;
};

test('what the joint has and what is set are each other’s inverse', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 200, noNaN: true }),
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      fc.double({ min: -0.8, max: 0.8, noNaN: true }),
      fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
      (target_Nm, wrench_m, share, angle_rad) => {
        // It does not reach back to the grip.
        const extension_m = share * wrench_m;
        const set = crowfootSetting({ target_Nm, wrench_m, extension_m, angle_rad });
        if (!set.ok) throw new Error(set.problem.code);
        const reached = crowfootTorque({ read_Nm: set.value, wrench_m, extension_m, angle_rad });
        expect(reached.ok && Math.abs(reached.value - target_Nm)).toBeLessThan(1e-9 * target_Nm);
      },
    ),
  );
});

test('in line it gives more than is read, square to the wrench the same, backwards less (statics)', () => {
  const at = (angle_rad: number) => {
    const reached = crowfootTorque({ read_Nm: 20, wrench_m: 0.3, extension_m: 0.06, angle_rad });
    return reached.ok ? reached.value : NaN;
  };
  expect(at(0)).toBeCloseTo(24, 12);
  expect(at(Math.PI / 2)).toBeCloseTo(20, 12);
  expect(at(Math.PI)).toBeCloseTo(16, 12);
});

describe('a crowfoot that nobody allowed for (M73)', () => {
  test('the figure of the joint on the wrench: over its limit, and told what to set', () => {
    const judged = attempt(19.6, 0.06);
    expect(judged.value).toMatchObject({ verdict: 'above', joint_Nm: expect.closeTo(23.52, 9) as number });
    expect(judged.cautions).toMatchObject([
      { id: 'M73', evidence: { setLow_Nm: 15, setHigh_Nm: 17.5, minimum_Nm: 18, maximum_Nm: 21 } },
      { id: 'M71' },
    ]);
  });
  test('one that points back: not tight, and told the same', () => {
    const judged = attempt(19.6, -0.06);
    expect(judged.value.verdict).toBe('below');
    expect(judged.cautions.map(({ id }) => id)).toEqual(['M73']);
  });
  test.each([
    ['allowed for', 16.3, 0.06, 0],
    ['square to the wrench', 19.6, 0.06, Math.PI / 2],
    ['none', 19.6, null, 0],
  ])('%s: nothing', (_what, reading_Nm, extension_m, angle_rad) => {
    expect(attempt(reading_Nm, extension_m, angle_rad)).toMatchObject({
      value: { verdict: 'within' },
      cautions: [],
    });
  });
  test('too much by hand, not by the lever, is M71 alone', () => {
    expect(attempt(24, 0.06).cautions.map(({ id }) => id)).toEqual(['M71']);
  });
  test('the wrench is trusted by what it shows, not by what the joint has', () => {
    const judged = judgeTorqueAttempt({
      seal: 'flare',
      eyes: 0,
      freshWashers: 0,
      reading_Nm: 10,
      range,
      wrenchMaximum_Nm: 55,
      adapter: { wrench_m: 0.1, extension_m: 0.1, angle_rad: 0 },
    });
    expect(judged).toMatchObject({
      value: { joint_Nm: 20, wrenchTrusted: false },
      cautions: [{ id: 'M72' }],
    });
  });
});
