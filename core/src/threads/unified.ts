/** Unified inch threads of class 2A and 2B, by the formulae of ASME B1.1 (from memory). Inches inside, as the standard prints them. */
import { minorDiameter_m, pitchDiameter_m } from './profile.ts';
import type { Limits, Thread, ThreadUse } from './thread.ts';

const INCH_m = 0.0254;
/** A trillionth lets 0.00135, which binary fractions only approach, round up as on paper. */
const rounded = (value: number, places: number) => Math.round(value * 10 ** places + 1e-9) / 10 ** places;

/**
 * Tolerance of the external pitch diameter, class 2A, for an engagement of nine pitches:
 * 0.0015 d^(1/3) + 0.0015 √(9P) + 0.015 P^(2/3), all in inches. 0.3 of it is the allowance; 1.3 times it is class 2B.
 */
const pitchTolerance_in = (major_in: number, pitch_in: number): number =>
  0.0015 * Math.cbrt(major_in) + 0.0015 * Math.sqrt(9 * pitch_in) + 0.015 * Math.cbrt(pitch_in) ** 2;

export function unified(
  fraction: string,
  major_in: number,
  threadsPerInch: number,
  series: 'UNF' | 'UNS',
  uses: readonly ThreadUse[],
): Thread {
  const pitch_in = 1 / threadsPerInch;
  // The standard rounds the tolerance before it takes the allowance from it.
  const tolerance_in = rounded(pitchTolerance_in(major_in, pitch_in), 4);
  const allowance_in = rounded(0.3 * tolerance_in, 4);
  const majorHigh_in = rounded(major_in - allowance_in, 4);
  const majorTolerance_in = rounded(0.06 * Math.cbrt(pitch_in) ** 2, 4);
  const pitchDiameter_in = pitchDiameter_m(major_in, pitch_in);
  const minor_in = minorDiameter_m(major_in, pitch_in);
  const minorTolerance_in = 0.25 * pitch_in - 0.4 * pitch_in ** 2;
  const limits = (low_in: number, high_in: number): Limits => ({
    low_m: low_in * INCH_m,
    high_m: high_in * INCH_m,
  });
  return {
    designation: `${fraction}-${threadsPerInch} ${series}`,
    major_m: major_in * INCH_m,
    pitch_m: pitch_in * INCH_m,
    uses,
    external: {
      major: limits(majorHigh_in - majorTolerance_in, majorHigh_in),
      pitchDiameter: limits(pitchDiameter_in - allowance_in - tolerance_in, pitchDiameter_in - allowance_in),
    },
    internal: {
      // The standard prints the bore of class 2B to three places.
      minor: limits(rounded(minor_in, 3), rounded(minor_in + minorTolerance_in, 3)),
      pitchDiameter: limits(pitchDiameter_in, pitchDiameter_in + 1.3 * tolerance_in),
    },
    source: 'asmeB11',
  };
}
