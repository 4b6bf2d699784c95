import type { EndGeometry } from './end.ts';
import { convertLength, sealingDatum } from './lengthDatum.ts';

/**
 * Source: closed-form worked cases L1–L4 and LI1–LI3 (take-offs are invented test input, not data of any fitting).
 * Lengths in millimetres as in the cases.
 */
const banjo = (a_mm: number, b_mm: number, angle_deg: number): EndGeometry => ({
  family: 'banjo',
  ferruleToApex_m: a_mm / 1000,
  apexToPoint_m: b_mm / 1000,
  neckAngle_rad: (angle_deg * Math.PI) / 180,
  neckLength_m: 0.025,
});
const threaded = (a_mm: number): EndGeometry => ({ ...banjo(a_mm, 0, 0), family: 'threaded' });
const FERRULES = { endA: 'ferruleFace', endB: 'ferruleFace' } as const;

describe('free hose to sealing points, worked cases', () => {
  test.each([
    ['L1 two straight banjos', banjo(32, 0, 0), banjo(32, 0, 0), 700, 764],
    ['L2 straight and 20°', banjo(32, 0, 0), banjo(22, 14, 20), 640, 708],
    ['L3 two 90°', banjo(20, 18, 90), banjo(20, 18, 90), 520, 596],
    ['L4 swivel seat and banjo', threaded(38), banjo(32, 0, 0), 430, 500],
  ])('%s', (_name, endA, endB, free_mm, sealing_mm) => {
    const there = convertLength({
      endA,
      endB,
      given: FERRULES,
      wanted: sealingDatum(endA, endB),
      length_m: free_mm / 1000,
    });
    expect(there.ok && there.value.length_m * 1000).toBeCloseTo(sealing_mm, 9);
  });
});

describe('sealing points to free hose, worked cases', () => {
  test.each([
    ['LI1', 'developed', banjo(32, 0, 0), banjo(32, 0, 0), 764, 700],
    ['LI2 banjo and thread end', 'developed', banjo(34, 0, 0), threaded(47), 900, 819],
    ['LI3 projected 45°', 'projected', banjo(22, 15, 45), banjo(32, 0, 0), 700, 635.3933982822018],
  ] as const)('%s', (_name, path, endA, endB, given_mm, free_mm) => {
    const back = convertLength({
      endA,
      endB,
      given: sealingDatum(endA, endB),
      wanted: FERRULES,
      length_m: given_mm / 1000,
      path,
    });
    expect(back.ok && back.value.freeHose_m * 1000).toBeCloseTo(free_mm, 9);
  });
});

test('a maker who counts from behind the necks gets 50 mm less where each neck is 25 mm (common practice, no published source)', () => {
  const end = banjo(32, 0, 0);
  const behind = convertLength({
    endA: end,
    endB: end,
    given: sealingDatum(end, end),
    wanted: { endA: 'behindNeck', endB: 'behindNeck' },
    length_m: 0.742,
  });
  expect(behind.ok && behind.value.length_m).toBeCloseTo(0.692, 12);
});
