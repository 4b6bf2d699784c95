/**
 * What a lever should travel at a pressure when there is no air: hoses by the limit of their class, fluid, pads that come up, the port that
 * closes. A range, because a class is a limit and pads are as they are; what is over it wants an answer.
 */
import { firstNotPositive } from '../calculation/problem.ts';
import { unphysical } from '../calculation/physical.ts';
import { length, pressure, ratio, volume } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { BRAKE_FLUID } from '../bleeding/simulator/system.ts';
import type { TravelMaster } from './leverTravel.ts';
import { hoseSwellLimit } from './swell.ts';
import type { SwellClass } from './swell.ts';

const EXPECTED: Formula = {
  expression: 's = i·[x₀ + (ΔV_hoses + V·p/K + ΔV_pads) / (π/4·d²)]',
  source: 'hydrostatics',
};

/** Of the limit of its class: the least that a good hose swells. Ours, no published source. */
export const LEAST_SWELL_SHARE = 0.15;
/** Of the piston until its port is closed. Ours. */
export const FREE_TRAVEL_m = [0.0003, 0.0015] as const;
/** Of each caliper: pads that come up and bodies that spread. Ours. */
export const TAKE_UP_m3 = [5e-8, 5e-7] as const;
/** Two pulls are at the same force when their pressures differ by less than this. Ours. */
export const SAME_PULL = 0.1;

export interface FeelHose {
  readonly length_m: number;
  readonly bore_m: number;
  readonly swells: SwellClass;
}
export interface FeelBrake extends TravelMaster {
  readonly hoses: readonly FeelHose[];
  /** Under pressure, hard lines and calipers included. */
  readonly fluid_m3: number;
  readonly calipers: number;
}
export interface ExpectedTravel {
  readonly least_m: number;
  readonly most_m: number;
  /** Of the greatest: what the hoses take. */
  readonly hoses_m: number;
}

/** At the lever, from where it rests. Problem: a pressure beyond the hoses' table, a figure without meaning. */
export function expectedTravel(brake: FeelBrake, pressure_Pa: number): Result<ExpectedTravel> {
  const { masterBore_m, leverRatio, hoses, fluid_m3, calipers } = brake;
  const refused =
    firstNotPositive({ masterBore_m, leverRatio, pressure_Pa }) ??
    unphysical({ fluid_m3, calipers }, { notNegative: ['fluid_m3', 'calipers'] });
  if (refused) return problem(refused);
  let swell_m3 = 0;
  for (const { length_m, bore_m, swells } of hoses) {
    const limit = hoseSwellLimit(length_m, bore_m, pressure_Pa, swells);
    if (!limit.ok) return limit;
    swell_m3 += limit.value;
  }
  const perArea = leverRatio / ((Math.PI / 4) * masterBore_m ** 2);
  const fluidGives_m3 = (fluid_m3 * pressure_Pa) / BRAKE_FLUID.bulkModulus_Pa;
  const at = (side: 0 | 1, share: number): number =>
    leverRatio * FREE_TRAVEL_m[side] +
    perArea * (swell_m3 * share + fluidGives_m3 + calipers * TAKE_UP_m3[side]);
  const value = { least_m: at(0, LEAST_SWELL_SHARE), most_m: at(1, 1), hoses_m: perArea * swell_m3 };
  return calculated(value, [
    {
      formula: EXPECTED,
      inputs: [
        term('i', 'leverRatio', ratio(leverRatio)),
        term('d', 'masterBore', length(masterBore_m)),
        term('p', 'linePressure', pressure(pressure_Pa)),
        term('ΔV', 'hoseSwell', volume(swell_m3)),
        term('V', 'fluidVolume', volume(fluid_m3)),
        term('ΔV', 'volumeMoved', volume(calipers * TAKE_UP_m3[1])),
      ],
      result: term('s', 'leverTravel', length(value.most_m)),
    },
  ]);
}

/** Whether two pulls may be compared. */
export const isSamePull = (one_Pa: number, other_Pa: number): boolean =>
  Math.abs(one_Pa - other_Pa) <= SAME_PULL * Math.max(one_Pa, other_Pa);
