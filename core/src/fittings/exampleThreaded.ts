/** A straight threaded end to start from; its dimensions are examples of ours, the maker's sheet replaces them. */
import type { EndGeometry } from './end.ts';

export const EXAMPLE_THREADED: EndGeometry = {
  family: 'threaded',
  neckAngle_rad: 0,
  ferruleToApex_m: 0.034,
  apexToPoint_m: 0,
  neckLength_m: 0.01,
};

/** A hard line has no fitting to subtract: its length runs to the flare. */
export const PLAIN_FLARE: EndGeometry = {
  family: 'threaded',
  neckAngle_rad: 0,
  ferruleToApex_m: 0,
  apexToPoint_m: 0,
  neckLength_m: 0,
};
