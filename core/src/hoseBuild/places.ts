/** Where parts may sit along a hose: between its two ferrules, and not in one another. */
import type { EndGeometry } from '../fittings/end.ts';
import type { AlongPart } from './build.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { endProblem } from '../fittings/lengthDatum.ts';

export interface FreeHose {
  readonly from_m: number;
  readonly to_m: number;
}

/** What is left between the fittings, from the sealing point of end A. */
export const freeHose = (length_m: number, endA: EndGeometry, endB: EndGeometry): FreeHose => {
  demand(firstNotPositive({ length_m }) ?? endProblem(endA, 'endA') ?? endProblem(endB, 'endB'));
  return {
    from_m: endA.ferruleToApex_m + endA.apexToPoint_m,
    to_m: length_m - endB.ferruleToApex_m - endB.apexToPoint_m,
  };
};

export type PlaceFault =
  | { readonly id: string; readonly reason: 'beyond' }
  | { readonly id: string; readonly reason: 'meets'; readonly other: string };

/** Rounding of what was typed. */
const NOISE_m = 1e-6;

/** A clip may hold a stiffener or a sleeve, a label may lie on a sleeve; two pieces of one kind may not lie on one another. */
const STAYS_APART = {
  clip: ['clip'],
  stiffener: ['stiffener', 'sheath', 'label'],
  sleeve: ['sleeve', 'sheath'],
  sheath: ['stiffener', 'sleeve', 'sheath', 'label'],
  label: ['stiffener', 'sheath', 'label'],
} as const satisfies Record<AlongPart['kind'], readonly AlongPart['kind'][]>;

/** What of the parts cannot be where it is said to be. */
export function placeFaults(along: readonly AlongPart[], free: FreeHose): readonly PlaceFault[] {
  demand(unphysical({ along, free }, { notNegative: ['length_m'], positive: ['outside_m', 'clip_m'] }));
  return along.flatMap((part, index): readonly PlaceFault[] => {
    const { id, from_m, length_m } = part;
    const to_m = from_m + length_m;
    if (from_m < free.from_m - NOISE_m || to_m > free.to_m + NOISE_m) return [{ id, reason: 'beyond' }];
    const apart: readonly AlongPart['kind'][] = STAYS_APART[part.kind];
    const met = along
      .slice(0, index)
      .find(
        (other) =>
          apart.includes(other.kind) &&
          other.from_m < to_m + (length_m === 0 ? NOISE_m : -NOISE_m) &&
          from_m < other.from_m + other.length_m + (other.length_m === 0 ? NOISE_m : -NOISE_m),
      );
    return met ? [{ id, reason: 'meets', other: met.id }] : [];
  });
}

/** The same parts, in the order in which they come. */
export const inOrder = (along: readonly AlongPart[]): readonly AlongPart[] =>
  along.toSorted((a, b) => a.from_m - b.from_m);

/** As near to a place as the hose lets the part be. */
export function kept(from_m: number, length_m: number, { from_m: first, to_m: last }: FreeHose): number {
  demand(unphysical({ from_m, length_m, first, last }, { notNegative: ['length_m'] }));
  return Math.min(Math.max(from_m, first), Math.max(first, last - length_m));
}
