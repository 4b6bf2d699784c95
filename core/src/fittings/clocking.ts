/**
 * How the two ends of a hose lie to each other. One convention everywhere: the angle from the axis of end A to the axis of end B,
 * clockwise, seen along the hose from end A. The axis of an eye is that of its bolt; of a bent threaded end the way its thread points.
 */
import type { EndGeometry } from './end.ts';

export type Lying = Pick<EndGeometry, 'family' | 'neckAngle_rad'>;

/** Whether it matters how an end is turned about the hose: an eye is held by its bolt, a bent end points somewhere, a straight thread turns. */
export const clocks = ({ family, neckAngle_rad }: Lying): boolean =>
  family === 'banjo' || neckAngle_rad !== 0;

/** Whether a hose needs its clocking said: only where both ends lie one way. */
export const needsClocking = (endA: Lying, endB: Lying): boolean => clocks(endA) && clocks(endB);
