/**
 * Against worked values made apart from this code: basic sizes in closed form (ISO 68-1, ISO 724, ISO 898-1 stress area),
 * limits of ISO 965-1 6g/6H and ASME B1.1 2A/2B (from memory, each confirmed there by the standard's formulae), and
 * identification cases with their expected answer.
 */
import { threadNamed } from './catalogue.ts';
import { findThread } from './find.ts';
import { ISO_965_ROWS } from './isoMetric.ts';
import {
  minorDiameter_m,
  pitchDiameter_m,
  rootDiameter_m,
  stressArea_m2,
  triangleHeight_m,
} from './profile.ts';
import type { ThreadReading } from './reading.ts';
import type { ThreadGender } from './thread.ts';
import reference from './reference/threads.json' with { type: 'json' };

const mm = (value: number) => value / 1000;
const named = (designation: string) => {
  const thread = threadNamed(designation);
  if (!thread) throw new Error(`no ${designation}`);
  return thread;
};

test.each(reference.metric)('$name has the basic sizes of ISO 724', ({ d, P, H, d2, d3, D1, As }) => {
  expect(triangleHeight_m(P)).toBeCloseTo(H, 12);
  expect(pitchDiameter_m(d, P)).toBeCloseTo(d2, 12);
  expect(rootDiameter_m(d, P)).toBeCloseTo(d3, 12);
  expect(minorDiameter_m(d, P)).toBeCloseTo(D1, 12);
  expect(stressArea_m2(mm(d), mm(P)) * 1e6).toBeCloseTo(As, 9);
});

test.each(reference.metric)('$name has the limits of ISO 965-1', ({ name, ext_6g_major, int_6H_minor }) => {
  const thread = named(name);
  expect(thread.external.major.low_m * 1000).toBeCloseTo(ext_6g_major[0] ?? 0, 3);
  expect(thread.external.major.high_m * 1000).toBeCloseTo(ext_6g_major[1] ?? 0, 3);
  expect(thread.internal.minor.low_m * 1000).toBeCloseTo(int_6H_minor[0] ?? 0, 3);
  expect(thread.internal.minor.high_m * 1000).toBeCloseTo(int_6H_minor[1] ?? 0, 3);
});

test.each(ISO_965_ROWS)(
  'the row for pitch $pitch_mm agrees with the formulae of ISO 965-1, rounded to R 40',
  ({ pitch_mm: P, es_um, majorTolerance_um, minorTolerance_um, pitchTolerance_um }) => {
    const within = (value: number, formula: number) => Math.abs(value / formula - 1);
    // The R 40 series steps by 6 %: rounding moves a value by 3 % at most. es is rounded to whole micrometres.
    expect(Math.abs(es_um + 15 + 11 * P)).toBeLessThanOrEqual(1);
    expect(within(majorTolerance_um, 180 * P ** (2 / 3) - 3.15 / Math.sqrt(P))).toBeLessThan(0.03);
    expect(within(minorTolerance_um, 230 * P ** 0.7)).toBeLessThan(0.03);
    // d is the geometric mean of the range of diameters; the internal tolerance is 1.32 times the external.
    for (const [range, [external, internal]] of [
      [Math.sqrt(5.6 * 11.2), pitchTolerance_um.to11_2],
      [Math.sqrt(11.2 * 22.4), pitchTolerance_um.above],
    ] as const) {
      expect(within(external, 90 * P ** 0.4 * range ** 0.1)).toBeLessThan(0.035);
      expect(within(internal, 1.32 * external)).toBeLessThan(0.035);
    }
  },
);

test.each(reference.unified)('$name has the limits of ASME B1.1', (row) => {
  const thread = named(row.name);
  expect(thread.pitch_m * 1000).toBeCloseTo(row.P_mm, 9);
  expect(thread.major_m * 1000).toBeCloseTo(row.major_mm, 9);
  expect(thread.external.major.low_m * 1000).toBeCloseTo(row.ext_2A_major[0] ?? 0, 4);
  expect(thread.external.major.high_m * 1000).toBeCloseTo(row.ext_2A_major[1] ?? 0, 4);
  expect(thread.internal.minor.low_m * 1000).toBeCloseTo(row.int_2B_minor[0] ?? 0, 4);
  expect(thread.internal.minor.high_m * 1000).toBeCloseTo(row.int_2B_minor[1] ?? 0, 4);
});

test.each([
  // ASME B1.1 table 2A majors, inches, from memory.
  ['1/4-28 UNF', 0.2425, 0.249],
  ['5/16-24 UNF', 0.3042, 0.3114],
  ['9/16-18 UNF', 0.5524, 0.5611],
])('%s has the 2A major diameter of ASME B1.1', (name, low_in, high_in) => {
  expect(named(name).external.major.low_m / 0.0254).toBeCloseTo(low_in, 4);
  expect(named(name).external.major.high_m / 0.0254).toBeCloseTo(high_in, 4);
});

test.each([
  // ISO 965-2 limits of the pitch diameter, medium quality, millimetres, from memory.
  ['M10×1.0', 9.212, 9.324, 9.35, 9.5],
  ['M10×1.25', 9.042, 9.16, 9.188, 9.348],
  ['M10×1.5', 8.862, 8.994, 9.026, 9.206],
])('%s has the pitch diameters of ISO 965-2', (name, low, high, portLow, portHigh) => {
  const { external, internal } = named(name);
  expect(Math.abs(external.pitchDiameter.low_m * 1000 - low)).toBeLessThan(0.0005);
  expect(Math.abs(external.pitchDiameter.high_m * 1000 - high)).toBeLessThan(0.0005);
  expect(Math.abs(internal.pitchDiameter.low_m * 1000 - portLow)).toBeLessThan(0.0005);
  expect(Math.abs(internal.pitchDiameter.high_m * 1000 - portHigh)).toBeLessThan(0.0005);
});

describe('identification', () => {
  const readingsOf = (entry: (typeof reference.cases)[number]): readonly ThreadReading[] => [
    { kind: 'diameter', diameter_m: mm(entry.diameter_mm), uncertainty_m: mm(entry.u_diam), jawFlat_m: 0 },
    ...(entry.span_mm === null || entry.n_pitches === null
      ? []
      : [
          {
            kind: 'span' as const,
            span_m: mm(entry.span_mm),
            pitches: entry.n_pitches,
            uncertainty_m: mm(entry.u_span),
          },
        ]),
  ];
  const find = (entry: (typeof reference.cases)[number]) => {
    const gender = entry.kind as ThreadGender;
    const result = findThread({ gender, condition: 'clean', readings: readingsOf(entry) });
    if (!result.ok) throw new Error(result.problem.code);
    return result;
  };
  const designation = (name: string) => named(name).designation;

  test.each(reference.cases)('$id, $note: the expected top and the expected rest', (entry) => {
    const { candidates } = find(entry).value;
    const possible = candidates.filter((candidate) => candidate.possible);
    expect(possible.map((candidate) => candidate.thread.designation)).toEqual(
      entry.consistent.map(designation),
    );
    expect(possible[0]?.thread.designation ?? null).toBe(entry.top === null ? null : designation(entry.top));
    for (const [name, chi2] of Object.entries(entry.scores_chi2)) {
      const scored = candidates.find((candidate) => candidate.thread.designation === designation(name));
      expect(scored?.misfit).toBeCloseTo(chi2, 3);
    }
  });

  test('a reading that nothing explains lists the nearest first', () => {
    const none = reference.cases.find((entry) => entry.nearest_if_none !== null);
    if (!none) throw new Error('no such case');
    const nearest = find(none).value.candidates.slice(0, 3);
    expect(find(none).value.verdict).toBe('none');
    expect(nearest.map((candidate) => candidate.thread.designation)).toEqual(
      none.nearest_if_none?.map(designation),
    );
  });
});
