import type { PullFinding, PullSample } from './pull.ts';
import { judgePull } from './pull.ts';

const STIFF_Nm_per_rad = 25;
/** A straight rise to the peak, let go at once. */
function rise(peak_Nm: number, { every_s = 0.04, from_rad = 0.5 } = {}): PullSample[] {
  const samples: PullSample[] = [{ at_s: 0, angle_rad: from_rad, torque_Nm: 0 }];
  for (let torque_Nm = 0.5; torque_Nm <= peak_Nm + 1e-9; torque_Nm += 0.5)
    samples.push({
      at_s: samples.length * every_s,
      angle_rad: from_rad + torque_Nm / STIFF_Nm_per_rad,
      torque_Nm,
    });
  return [...samples, { ...(samples.at(-1) as PullSample), at_s: samples.length * every_s, torque_Nm: 0 }];
}
function judged(samples: readonly PullSample[], set_Nm = 20) {
  const result = judgePull({ samples, set_Nm });
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
}
const findings = (samples: readonly PullSample[], set_Nm = 20): readonly PullFinding[] =>
  judged(samples, set_Nm).findings;

test('a good pull: its peak, when it came, and how far it turned from a tenth of the setting', () => {
  expect(judged(rise(20))).toEqual({
    peak_Nm: 20,
    peakAt_s: expect.closeTo(1.6, 9) as number,
    // From 2 to 20 N·m at 25 N·m/rad.
    turn_rad: expect.closeTo(18 / 25, 9) as number,
    findings: [],
  });
});

test.each([
  ['in foot-pounds (NIST SP 811: 1.3558 N·m)', rise(14.5), ['unitPoundFeet']],
  ['in inch-pounds (NIST SP 811: 0.11298 N·m)', rise(177), ['unitPoundInches']],
  ['let go too early', rise(17), ['notReached']],
  ['pulled on', rise(23), ['overshoot']],
] as const)('%s', (_what, samples, expected) => {
  expect(findings(samples)).toEqual(expected);
});

test('let go and pulled again is two pulls; a hand that slackens a little is one', () => {
  const once = rise(20);
  const later = (samples: readonly PullSample[], by_s: number) =>
    samples.map((sample) => ({ ...sample, at_s: sample.at_s + by_s }));
  expect(findings([...once, ...later(once.slice(1), 1.68)])).toEqual(['secondPull']);
  const slack = once.flatMap((sample, index) =>
    index === 39 ? [sample, { ...sample, torque_Nm: 16, at_s: sample.at_s + 0.02 }] : [sample],
  );
  expect(findings(slack)).toEqual([]);
});

test('a bolt that turns on without getting tighter yields', () => {
  const before = rise(16).slice(0, -1);
  const last = before.at(-1) as PullSample;
  const flat = Array.from({ length: 8 }, (_, index) => ({
    at_s: last.at_s + 0.04 * (index + 1),
    angle_rad: last.angle_rad + 0.1 * (index + 1),
    torque_Nm: 16 + 0.4 * (index + 1),
  }));
  expect(findings([...before, ...flat])).toEqual(['yielding']);
});

test('what was not heard is a gap, wherever it lies', () => {
  const whole = rise(20);
  expect(findings(whole.filter((_, index) => index < 10 || index > 20))).toEqual(['gap']);
});

test.each([
  ['no sample', [], 'tooFewPoints'],
  ['one sample', rise(20).slice(5, 6), 'tooFewPoints'],
  ['nothing pulled', rise(20).map((sample) => ({ ...sample, torque_Nm: 0 })), 'notPositive'],
] as const)('%s is a problem', (_what, samples, code) => {
  expect(judgePull({ samples, set_Nm: 20 })).toMatchObject({ ok: false, problem: { code } });
});
