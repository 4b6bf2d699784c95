import fc from 'fast-check';
import type { PoseChecks, PoseReading } from './orderLength.ts';
import { DEFAULT_SLACK_m, orderLength } from './orderLength.ts';
import { POSES } from './pose.ts';

const CHECKED: PoseChecks = { controlsFinal: true, leftLock: true, rightLock: true, fullBump: true };
const reading = (length_mm: number, over: Partial<PoseReading> = {}): PoseReading => ({
  pose: 'fullDroop',
  length_m: length_mm / 1000,
  aid: 'tube',
  remainingTravel_m: 0,
  ...over,
});
const cautionIds = (readings: PoseReading[], checks = CHECKED) => {
  const result = orderLength(readings, checks);
  return result.ok ? result.cautions.map((caution) => caution.id) : [];
};
const CLEAN = [reading(728), reading(730)];

describe('orderLength', () => {
  test('two agreeing droop readings and every check give an order length and no caution', () => {
    const result = orderLength(CLEAN, CHECKED);
    expect(result).toMatchObject({
      ok: true,
      cautions: [],
      value: { decidingPose: 'fullDroop', uncertainty_m: 0.003 },
    });
    // 729 + 12.5 is 741.5: rounded up, never down.
    expect(result.ok && result.value.order_m).toBeCloseTo(0.742, 12);
  });

  test('a lock that is longer than droop decides', () => {
    const result = orderLength(
      [...CLEAN, reading(744, { pose: 'rightLock' }), reading(744, { pose: 'rightLock' })],
      CHECKED,
    );
    expect(result).toMatchObject({ value: { decidingPose: 'rightLock' } });
  });

  test('travel that was left is added and said: M01', () => {
    const loaded = CLEAN.map((taken) => ({ ...taken, remainingTravel_m: 0.012 }));
    const result = orderLength(loaded, CHECKED);
    expect(result.ok && result.value.longest_m).toBeCloseTo(0.741, 12);
    expect(cautionIds(loaded)).toEqual(['M01']);
  });

  test('a single reading, or two that disagree, is M09', () => {
    expect(cautionIds([reading(728)])).toEqual(['M09']);
    expect(cautionIds([reading(728), reading(735)])).toEqual(['M09']);
    expect(cautionIds([reading(728), reading(733)])).toEqual([]);
  });

  test('unchecked controls, locks and bump are M02, M06 and M05', () => {
    expect(cautionIds(CLEAN, { ...CHECKED, controlsFinal: false })).toEqual(['M02']);
    expect(cautionIds(CLEAN, { ...CHECKED, leftLock: false })).toEqual(['M06']);
    expect(cautionIds(CLEAN, { ...CHECKED, fullBump: false })).toEqual(['M05']);
  });

  test('a lock that was read needs no tick', () => {
    const read = [...CLEAN, reading(700, { pose: 'leftLock' }), reading(701, { pose: 'leftLock' })];
    expect(cautionIds(read, { ...CHECKED, leftLock: false })).toEqual([]);
  });

  test('the spare at full bump is the order length less the reading there', () => {
    const bump = [reading(610, { pose: 'fullBump' }), reading(612, { pose: 'fullBump' })];
    const result = orderLength([...CLEAN, ...bump], { ...CHECKED, fullBump: false });
    const caution = result.ok ? result.cautions.find((candidate) => candidate.id === 'M05') : undefined;
    expect(caution?.id === 'M05' && caution.evidence.spare_m).toBeCloseTo(0.132, 12);
  });

  test('nothing is ordered without full droop', () => {
    expect(orderLength([reading(700, { pose: 'straightAhead' })], CHECKED)).toMatchObject({
      ok: false,
      problem: { code: 'noDroopReading' },
    });
    expect(orderLength([], CHECKED)).toMatchObject({ ok: false });
  });

  test('a negative length or travel is refused by name', () => {
    expect(orderLength([reading(-728)], CHECKED)).toMatchObject({
      ok: false,
      problem: { code: 'notPositive', field: 'length_m' },
    });
    expect(orderLength([reading(728, { remainingTravel_m: -0.01 })], CHECKED)).toMatchObject({
      problem: { field: 'remainingTravel_m' },
    });
  });

  test('is never shorter than any reading with its travel and the slack', () => {
    const anyReading = fc.record({
      pose: fc.constantFrom(...POSES),
      length_m: fc.double({ min: 0.2, max: 2, noNaN: true }),
      aid: fc.constantFrom('tube', 'wire', 'string' as const),
      remainingTravel_m: fc.double({ min: 0, max: 0.1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(anyReading, { minLength: 0, maxLength: 5 }), anyReading, (others, droop) => {
        // One reading a pose, so that a mean cannot hide one.
        const readings = [
          ...new Map(
            [...others, { ...droop, pose: 'fullDroop' as const }].map((taken) => [taken.pose, taken]),
          ).values(),
        ];
        const result = orderLength(readings, CHECKED);
        if (!result.ok) throw new Error(result.problem.code);
        for (const taken of readings) {
          expect(result.value.order_m).toBeGreaterThanOrEqual(
            taken.length_m + taken.remainingTravel_m + DEFAULT_SLACK_m - 2e-6,
          );
        }
      }),
    );
  });
});
