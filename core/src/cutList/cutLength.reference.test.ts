/** Source: closed-form worked cases L3, L4 and LI1–LI3 (take-offs and insertions are invented test input). Millimetres. */
import type { EndGeometry } from '../fittings/end.ts';
import { cutLength } from './cutLength.ts';

const end = (family: EndGeometry['family'], a_mm: number, b_mm = 0, angle_deg = 0): EndGeometry => ({
  family,
  ferruleToApex_m: a_mm / 1000,
  apexToPoint_m: b_mm / 1000,
  neckAngle_rad: (angle_deg * Math.PI) / 180,
  neckLength_m: 0.025,
});
const seal = (geometry: EndGeometry) => (geometry.family === 'banjo' ? 'eyeCentre' : 'threadEnd');

test.each<[string, EndGeometry, EndGeometry, number, 'developed' | 'projected', number, number]>([
  ['L3', end('banjo', 20, 18, 90), end('banjo', 20, 18, 90), 596, 'developed', 13, 546],
  ['L4', end('threaded', 38), end('banjo', 32), 500, 'developed', 13, 456],
  ['LI1', end('banjo', 32), end('banjo', 32), 764, 'developed', 13, 726],
  ['LI2', end('banjo', 34), end('threaded', 47), 900, 'developed', 13, 845],
  ['LI3', end('banjo', 22, 15, 45), end('banjo', 32), 700, 'projected', 0, 635.393398],
])('%s', (_name, endA, endB, given_mm, path, insertion_mm, cut_mm) => {
  const cut = cutLength({
    length_m: given_mm / 1000,
    given: { endA: seal(endA), endB: seal(endB) },
    endA,
    endB,
    path,
    insertionA_m: insertion_mm / 1000,
    insertionB_m: insertion_mm / 1000,
  });
  if (!cut.ok) throw new Error(cut.problem.code);
  expect(cut.value.cut_m * 1000).toBeCloseTo(cut_mm, 5);
  expect(cut.value.cut_m - cut.value.free_m).toBeCloseTo((2 * insertion_mm) / 1000, 12);
});

test('a hose shorter than its fittings, and an insertion below nothing, are refused', () => {
  const input = {
    given: { endA: 'eyeCentre', endB: 'eyeCentre' },
    endA: end('banjo', 32),
    endB: end('banjo', 32),
    insertionA_m: 0.013,
    insertionB_m: 0.013,
  } as const;
  expect(cutLength({ ...input, length_m: 0.05 })).toMatchObject({
    ok: false,
    problem: { code: 'shorterThanItsFittings' },
  });
  expect(cutLength({ ...input, length_m: 0.7, insertionB_m: -0.001 })).toMatchObject({
    ok: false,
    problem: { code: 'notPositive', field: 'insertionB_m' },
  });
});
