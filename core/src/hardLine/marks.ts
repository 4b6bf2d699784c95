/** What is marked on the straight tube before it is bent, in the order in which it is bent. */
import type { Developed, HardLine } from './line.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { demandLine } from './line.ts';

export interface BendMark {
  /** From the cut end A of the straight tube to where the bend begins, and to where it ends. */
  readonly begins_m: number;
  readonly ends_m: number;
  readonly angle_rad: number;
  /** What the bender's own scale is set to: the bend and what the tube springs back by. */
  readonly setTo_rad: number;
  /** The plane of this bend against that of the one before, about the tube. */
  readonly roll_rad: number;
}

/**
 * Marks from end A. `springBack` is how much of a bend the tube gives back, as a share of it, from a test bend in the same
 * tube and bender: nothing until one was made.
 */
export function bendMarks(line: HardLine, made: Developed, springBack = 0): readonly BendMark[] {
  demandLine(line, made);
  demand(unphysical({ springBack }, { notNegative: ['springBack'] }));
  let at_m = line.endA.flare_m;
  return line.bends.map(({ angle_rad, roll_rad }, index) => {
    const begins_m = at_m + (made.straights_m[index] ?? 0);
    const ends_m = begins_m + (made.arcs_m[index] ?? 0);
    at_m = ends_m;
    return {
      begins_m,
      ends_m,
      angle_rad,
      setTo_rad: angle_rad * (1 + springBack),
      roll_rad: index === 0 ? 0 : roll_rad,
    };
  });
}
