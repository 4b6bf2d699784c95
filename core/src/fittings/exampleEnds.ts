/**
 * Banjo ends to start from, by bend angle. Their dimensions are examples of ours, not those of any fitting: the
 * hose maker's sheet for the part in the hand replaces them.
 */
import type { EndGeometry } from './end.ts';

/** The bends that are sold: the trade's list, common practice, no published source. */
export const EXAMPLE_BENDS_deg = [0, 20, 30, 45, 60, 75, 90] as const;
export type ExampleBend_deg = (typeof EXAMPLE_BENDS_deg)[number];

/** Ferrule to apex and apex to eye, millimetres. */
const DIMENSIONS_mm: Readonly<Record<ExampleBend_deg, readonly [number, number]>> = {
  0: [32, 0],
  20: [22, 14],
  30: [22, 14.5],
  45: [22, 15],
  60: [21, 16.5],
  75: [20.5, 17.2],
  90: [20, 18],
};
const NECK_mm = 25;

/** A whole end: another bend has other take-offs, never only another angle. */
export function exampleBanjo(bend_deg: ExampleBend_deg): EndGeometry {
  const [a_mm, b_mm] = DIMENSIONS_mm[bend_deg];
  return {
    family: 'banjo',
    neckAngle_rad: (bend_deg * Math.PI) / 180,
    ferruleToApex_m: a_mm / 1000,
    apexToPoint_m: b_mm / 1000,
    neckLength_m: NECK_mm / 1000,
    takeOffsFrom: 'example',
  };
}
