/** What wire does that a hose does not: it is hooked round the bolt, and it turns tighter. */
import { count, length } from '../calculation/quantity.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { demand, unphysical } from '../calculation/physical.ts';

const WRAP: Formula = { expression: 'w = n·π·(d + d_w)', source: 'wireWrap' };
const BENDS: Formula = { expression: 'b = n·½π·(R_min − r)', source: 'wireBends' };

/** A wire hooked round the shank of a banjo bolt in the eye's stead. */
export interface WireWrap {
  /** Round the bolt at end A and at end B; 0 where the wire only reaches the centre. */
  readonly turnsA: number;
  readonly turnsB: number;
  readonly boltA_m: number;
  readonly boltB_m: number;
  readonly wire_m: number;
}

/** Quarter bends of the wire that are tighter than the hose can make. */
export interface TightBends {
  readonly quarters: number;
  readonly radius_m: number;
}

/** What a braided brake hose of 3 mm bore stands; our estimate where its maker says nothing. */
export const USUAL_LEAST_RADIUS_m = 0.04;
/** 16 gauge; an editable start. */
export const USUAL_WIRE_m = 0.0016;

/**
 * Wire that lies round the bolts and not along the route, metres: the axis of the wire runs round the shank at half
 * its own thickness from it.
 */
export function wrapAllowance(wrap: WireWrap): { readonly allowance_m: number; readonly step: WorkingStep } {
  demand(unphysical(wrap, { notNegative: ['turnsA', 'turnsB', 'boltA_m', 'boltB_m', 'wire_m'] }));
  const at = (turns: number, bolt_m: number) => turns * Math.PI * (bolt_m + wrap.wire_m);
  const allowance_m = at(wrap.turnsA, wrap.boltA_m) + at(wrap.turnsB, wrap.boltB_m);
  return {
    allowance_m,
    step: {
      formula: WRAP,
      inputs: [
        term('n_A', 'wireTurns', count(wrap.turnsA)),
        term('d_A', 'nominalDiameter', length(wrap.boltA_m)),
        term('n_B', 'wireTurns', count(wrap.turnsB)),
        term('d_B', 'nominalDiameter', length(wrap.boltB_m)),
        term('d_w', 'wireThickness', length(wrap.wire_m)),
      ],
      result: term('w', 'wireWrap', length(allowance_m)),
    },
  };
}

/** What the hose needs beyond the wire where it takes those bends on the outside, about the same centre; metres. */
export function bendAllowance(
  bends: TightBends,
  leastRadius_m: number,
): { readonly allowance_m: number; readonly step: WorkingStep } {
  const allowance_m = bends.quarters * (Math.PI / 2) * Math.max(0, leastRadius_m - bends.radius_m);
  return {
    allowance_m,
    step: {
      formula: BENDS,
      inputs: [
        term('n', 'tightBends', count(bends.quarters)),
        term('R_min', 'leastRadius', length(leastRadius_m)),
        term('r', 'wireRadius', length(bends.radius_m)),
      ],
      result: term('b', 'bendAllowance', length(allowance_m)),
    },
  };
}
