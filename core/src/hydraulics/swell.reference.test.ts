/** Against worked values of a reference made apart from this code, which recalls the FMVSS 106 table. */
import { hoseSwellLimit } from './swell.ts';

const swell_cc = (length_m: number, bore_mm: number, pressure_MPa: number, kind: 'low' | 'regular') => {
  const result = hoseSwellLimit(length_m, bore_mm / 1000, pressure_MPa * 1e6, kind);
  if (!result.ok) throw new Error(result.problem.code);
  return result.value * 1e6;
};

test.each([
  // Cases V1, V4 and V5 of the reference: hose part of the displaced volume.
  [0.9, 3, 7, 'low', 0.982522],
  [0.9, 3, 7, 'regular', 1.960537],
  [1.4, 4, 10.34214, 'regular', 4.685039],
] as const)(
  '%d m of %d mm bore at %d MPa, %s expansion',
  (length_m, bore_mm, pressure_MPa, kind, expected_cc) => {
    expect(swell_cc(length_m, bore_mm, pressure_MPa, kind)).toBeCloseTo(expected_cc, 5);
  },
);

test('3.2 mm is the trade’s 1/8 in and stands in its row', () => {
  expect(swell_cc(1, 3.2, 7, 'low')).toBeCloseTo(swell_cc(1, 3, 7, 'low'), 12);
});

test('beyond the table nothing is guessed', () => {
  const result = hoseSwellLimit(1, 0.0032, 25e6, 'low');
  expect(result.ok ? null : result.problem.code).toBe('beyondTable');
  expect(hoseSwellLimit(1, 0.0032, -1, 'low').ok).toBe(false);
});
