/** How the ends of a hose lie to each other, in words: one convention for route, specification, order, build sheet and kit. */
import type { Lying } from '@zephyrcombe/core';
import { clocks, needsClocking } from '@zephyrcombe/core';
import type { Writer } from './writer.ts';

const axisOf = ({ family }: Lying, end: 'A' | 'B') =>
  family === 'banjo' ? `eye axis of ${end}` : `thread of ${end}`;

/** What the angle is counted from and to. */
export const clockingConvention = (endA: Lying, endB: Lying): string =>
  `from the ${axisOf(endA, 'A')} to the ${axisOf(endB, 'B')}, clockwise, seen along the hose from end A`;

/** The label of a field for it. */
export const clockingLabel = (endA: Lying, endB: Lying): string =>
  `Clocking ${clockingConvention(endA, endB)}`;

/** The whole sentence for an order or a box. "Free" only where an end turns. */
export function clockingText(
  {
    endA,
    endB,
    clocking_rad,
  }: { readonly endA: Lying; readonly endB: Lying; readonly clocking_rad: number | null },
  write: Writer,
): string {
  if (!needsClocking(endA, endB)) return `free: end ${clocks(endA) ? 'B' : 'A'} turns`;
  return clocking_rad === null
    ? 'not given yet'
    : `${write.angle(clocking_rad)} ${clockingConvention(endA, endB)}`;
}
