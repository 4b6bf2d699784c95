/** Threaded ends to start from, by bend angle; their dimensions are examples of ours, the maker's sheet replaces them. */
import type { EndFamily, EndGeometry } from './end.ts';
import type { ExampleBend_deg } from './exampleEnds.ts';
import { exampleBanjo } from './exampleEnds.ts';

/** Ferrule to apex and apex to the end of the thread, millimetres: longer than those of eyes, for a nut has to turn. */
const DIMENSIONS_mm: Readonly<Record<ExampleBend_deg, readonly [number, number]>> = {
  0: [34, 0],
  20: [24, 21],
  30: [24, 21.5],
  45: [24, 22.5],
  60: [23, 24],
  75: [22.5, 25],
  90: [22, 26],
};
const NECK_mm = 10;

/** A whole end: another bend has other take-offs. */
export function exampleThreaded(bend_deg: ExampleBend_deg): EndGeometry {
  const [a_mm, b_mm] = DIMENSIONS_mm[bend_deg];
  return {
    family: 'threaded',
    neckAngle_rad: (bend_deg * Math.PI) / 180,
    ferruleToApex_m: a_mm / 1000,
    apexToPoint_m: b_mm / 1000,
    neckLength_m: NECK_mm / 1000,
    takeOffsFrom: 'example',
  };
}

/** An end of either family with this bend. */
export const exampleEnd = (family: EndFamily, bend_deg: ExampleBend_deg): EndGeometry =>
  family === 'banjo' ? exampleBanjo(bend_deg) : exampleThreaded(bend_deg);

export const EXAMPLE_THREADED: EndGeometry = exampleThreaded(0);

/** A hard line has no fitting to subtract: its length runs to the flare. */
export const PLAIN_FLARE: EndGeometry = {
  family: 'threaded',
  neckAngle_rad: 0,
  ferruleToApex_m: 0,
  apexToPoint_m: 0,
  neckLength_m: 0,
};
