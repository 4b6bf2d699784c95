/**
 * Where the travel of a lever goes: hoses that swell, fluid that gives, air that shrinks, pads that come up. And back: how much air
 * a longer travel is, and how two readings far apart part air from swelling, because air has given nearly all at the first
 * bar and a hose goes on.
 */
import { length, pressure, ratio, volume } from '../calculation/quantity.ts';
import { unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, Working } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const FLUID: Formula = { expression: 'ΔV = V·p/K', source: 'bulkModulus' };
const AIR: Formula = { expression: 'ΔV = V₀·(1 − (p₀/(p₀ + p))^(1/n))', source: 'gasLaw' };
const TRAVEL: Formula = { expression: 's = i·ΣΔV / (π/4·d²)', source: 'hydrostatics' };
const BACK: Formula = { expression: 'V₀ = Δs·(π/4·d²)/i ÷ (1 − (p₀/(p₀ + p))^(1/n))', source: 'gasLaw' };
const APART: Formula = {
  expression: 's·(π/4·d²)/i = c·p + V₀·p/(p₀ + p), at two pressures',
  source: 'gasLaw',
};

/** A slow pull lets the air keep its temperature; a stab does not (n = 1.4). */
export const GAS_EXPONENT = { isothermal: 1, adiabatic: 1.4 } as const;
export type GasChange = keyof typeof GAS_EXPONENT;

export const ATMOSPHERE_Pa = 101_325;

/** What of its volume at atmospheric pressure a bubble gives up at a gauge pressure, 0…1. */
export function airSqueezed(
  pressure_Pa: number,
  gas: GasChange,
  atmosphere_Pa = ATMOSPHERE_Pa,
): Result<number> {
  const refused =
    firstNotPositive({ atmosphere_Pa }) ?? unphysical({ pressure_Pa }, { notNegative: ['pressure_Pa'] });
  if (refused) return problem(refused);
  return calculated(1 - (atmosphere_Pa / (atmosphere_Pa + pressure_Pa)) ** (1 / GAS_EXPONENT[gas]), [
    {
      formula: AIR,
      inputs: [
        term('p', 'linePressure', pressure(pressure_Pa)),
        term('p₀', 'atmosphere', pressure(atmosphere_Pa)),
        term('n', 'gasExponent', ratio(GAS_EXPONENT[gas])),
      ],
      result: term('ΔV/V₀', 'airSqueezed', ratio(squeezed(pressure_Pa, gas, atmosphere_Pa))),
    },
  ]);
}

const squeezed = (pressure_Pa: number, gas: GasChange, atmosphere_Pa: number) =>
  1 - (atmosphere_Pa / (atmosphere_Pa + pressure_Pa)) ** (1 / GAS_EXPONENT[gas]);

export interface TravelMaster {
  readonly masterBore_m: number;
  readonly leverRatio: number;
}

export interface TravelParts extends TravelMaster {
  readonly pressure_Pa: number;
  /** What the hoses swell at that pressure. */
  readonly hoseSwell_m3: number;
  /** All fluid under pressure, and how stiff it is. */
  readonly fluid_m3: number;
  readonly bulkModulus_Pa: number;
  /** At atmospheric pressure. */
  readonly air_m3: number;
  readonly gas: GasChange;
  readonly padTakeUp_m3: number;
}

export interface LeverTravel {
  readonly fluidGives_m3: number;
  readonly airGives_m3: number;
  readonly total_m3: number;
  readonly piston_m: number;
  readonly lever_m: number;
}

const pistonArea_m2 = (bore_m: number) => (Math.PI / 4) * bore_m ** 2;

export function leverTravel(parts: TravelParts): Result<LeverTravel> {
  const {
    masterBore_m,
    leverRatio,
    pressure_Pa,
    hoseSwell_m3,
    fluid_m3,
    bulkModulus_Pa,
    air_m3,
    gas,
    padTakeUp_m3,
  } = parts;
  const refused =
    firstNotPositive({ masterBore_m, leverRatio, pressure_Pa, bulkModulus_Pa }) ??
    unphysical(
      { hoseSwell_m3, fluid_m3, air_m3, padTakeUp_m3 },
      { notNegative: ['hoseSwell_m3', 'fluid_m3', 'air_m3', 'padTakeUp_m3'] },
    );
  if (refused) return problem(refused);
  const fluidGives_m3 = (fluid_m3 * pressure_Pa) / bulkModulus_Pa;
  const airGives_m3 = air_m3 * squeezed(pressure_Pa, gas, ATMOSPHERE_Pa);
  const total_m3 = hoseSwell_m3 + fluidGives_m3 + airGives_m3 + padTakeUp_m3;
  const piston_m = total_m3 / pistonArea_m2(masterBore_m);
  const lever_m = leverRatio * piston_m;
  const p = term('p', 'linePressure', pressure(pressure_Pa));
  return calculated({ fluidGives_m3, airGives_m3, total_m3, piston_m, lever_m }, [
    {
      formula: FLUID,
      inputs: [
        term('V', 'fluidVolume', volume(fluid_m3)),
        p,
        term('K', 'bulkModulus', { kind: 'stress', value_SI: bulkModulus_Pa }),
      ],
      result: term('ΔV', 'fluidGives', volume(fluidGives_m3)),
    },
    {
      formula: AIR,
      inputs: [
        term('V₀', 'airVolume', volume(air_m3)),
        p,
        term('n', 'gasExponent', ratio(GAS_EXPONENT[gas])),
      ],
      result: term('ΔV', 'airGives', volume(airGives_m3)),
    },
    {
      formula: TRAVEL,
      inputs: [
        term('ΣΔV', 'volumeMoved', volume(total_m3)),
        term('d', 'masterBore', length(masterBore_m)),
        term('i', 'leverRatio', ratio(leverRatio)),
      ],
      result: term('s', 'leverTravel', length(lever_m)),
    },
  ]);
}

export interface ExtraTravel extends TravelMaster {
  /** More than the same lever travelled without air, at the same pressure. */
  readonly extra_m: number;
  readonly pressure_Pa: number;
  readonly gas: GasChange;
}

/** Air at atmospheric pressure that a longer travel stands for, cubic metres, if nothing else has changed. */
export function airFromTravel(
  input: ExtraTravel,
): Result<{ readonly moved_m3: number; readonly air_m3: number }> {
  const { masterBore_m, leverRatio, extra_m, pressure_Pa, gas } = input;
  const refused = firstNotPositive({ masterBore_m, leverRatio, extra_m, pressure_Pa });
  if (refused) return problem(refused);
  const moved_m3 = (extra_m / leverRatio) * pistonArea_m2(masterBore_m);
  const air_m3 = moved_m3 / squeezed(pressure_Pa, gas, ATMOSPHERE_Pa);
  return calculated({ moved_m3, air_m3 }, [
    {
      formula: BACK,
      inputs: [
        term('Δs', 'leverTravel', length(extra_m)),
        term('d', 'masterBore', length(masterBore_m)),
        term('i', 'leverRatio', ratio(leverRatio)),
        term('p', 'linePressure', pressure(pressure_Pa)),
      ],
      result: term('V₀', 'airVolume', volume(air_m3)),
    },
  ]);
}

export interface TravelReading {
  readonly pressure_Pa: number;
  /** From where the lever first meets pressure. */
  readonly lever_m: number;
}

/** Readings nearer than this say nothing apart: a millimetre of travel would be any amount of air. Our estimate. */
export const LEAST_PRESSURE_RATIO = 2;

/** Of the air that two pulls tell apart from swelling. */
export const apartWorking = (low: TravelReading, high: TravelReading, air_m3: number): Working => [
  {
    formula: APART,
    inputs: [
      term('p₁', 'linePressure', pressure(low.pressure_Pa)),
      term('s₁', 'leverTravel', length(low.lever_m)),
      term('p₂', 'linePressure', pressure(high.pressure_Pa)),
      term('s₂', 'leverTravel', length(high.lever_m)),
    ],
    result: term('V₀', 'airVolume', volume(air_m3)),
  },
];

/** The same without a look at whether it can be: readings with errors make a little less than no air. */
export function solvedApart(
  master: TravelMaster,
  low: TravelReading,
  high: TravelReading,
): { readonly air_m3: number; readonly compliance_m3_per_Pa: number } {
  const volumeOf = ({ lever_m }: TravelReading) =>
    (lever_m / master.leverRatio) * pistonArea_m2(master.masterBore_m);
  const [v1, v2] = [volumeOf(low), volumeOf(high)];
  const [p1, p2] = [low.pressure_Pa, high.pressure_Pa];
  const q1 = squeezed(p1, 'isothermal', ATMOSPHERE_Pa);
  const q2 = squeezed(p2, 'isothermal', ATMOSPHERE_Pa);
  const air_m3 = (v1 * p2 - v2 * p1) / (q1 * p2 - q2 * p1);
  return { air_m3, compliance_m3_per_Pa: (v1 - air_m3 * q1) / p1 };
}

/**
 * Air at atmospheric pressure (isothermal) and what everything else swells per pascal, from travel at two pressures. Problem:
 * pressures too near each other, or readings that only a negative amount would explain.
 */
export function separateAir(
  master: TravelMaster,
  low: TravelReading,
  high: TravelReading,
): Result<{ readonly air_m3: number; readonly compliance_m3_per_Pa: number }> {
  const refused =
    firstNotPositive({ masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }) ??
    unphysical({ low, high }, { positive: ['pressure_Pa', 'lever_m'] });
  if (refused) return problem(refused);
  if (high.pressure_Pa < LEAST_PRESSURE_RATIO * low.pressure_Pa)
    return problem({ code: 'readingsTooNear', field: 'high.pressure_Pa', times: LEAST_PRESSURE_RATIO });
  const { air_m3, compliance_m3_per_Pa } = solvedApart(master, low, high);
  if (air_m3 < 0 || compliance_m3_per_Pa < 0)
    return problem({ code: 'readingsDisagree', field: air_m3 < 0 ? 'low.lever_m' : 'high.lever_m' });
  return calculated({ air_m3, compliance_m3_per_Pa }, apartWorking(low, high, air_m3));
}
