/**
 * How water lowers the boiling point of a glycol fluid, from the two figures its class names: dry, and wet at 3.7 % of water. An
 * estimate, not a specification: x·γ·p_w(T) + (1 − x)·p_g(T) = P, with the activity coefficient γ fixed by the wet point, the
 * fluid's own vapour by Trouton's rule (88 J/mol/K) and a molar mass of 200 g/mol. Good to about 4.5 °C at 1 % of water and
 * 1.4 °C at 5 % for other choices of those two; exact at the two figures.
 */
import { fraction, pressure, temperature } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const BOILS: Formula = { expression: 'x·γ·p_w(T) + (1 − x)·p_g(T) = P', source: 'boilingModel' };

const GAS_J_per_mol_K = 8.314462618;
const TROUTON_J_per_mol_K = 88;
const WATER_kg_per_mol = 0.018015268;
const GLYCOL_kg_per_mol = 0.2;
/** Water in the wet test of FMVSS 116 (from memory). */
export const WET_WATER = 0.037;
const SEA_LEVEL_Pa = 101_325;

/** Critical point and coefficients of Wagner and Pruss, J. Phys. Chem. Ref. Data 31, 2002, equation 2.5 (from memory). */
const CRITICAL_K = 647.096;
const CRITICAL_Pa = 22.064e6;
const WAGNER = [
  [-7.85951783, 1],
  [1.84408259, 1.5],
  [-11.7866497, 3],
  [22.6807411, 3.5],
  [-15.9618719, 4],
  [1.80122502, 7.5],
] as const;

/** Vapour pressure of water, pascals, from its triple to its critical point. */
export function waterVapour_Pa(temperature_K: number): Result<number> {
  const refused = firstNotPositive({ temperature_K });
  if (refused) return problem(refused);
  if (temperature_K < 273.16 || temperature_K > CRITICAL_K)
    return problem({ code: 'beyondTable', field: 'temperature_K' });
  const value_Pa = vapour_Pa(temperature_K);
  return calculated(value_Pa, [
    {
      formula: { expression: 'ln(p/p_c) = (T_c/T)·Σ aᵢ·τ^bᵢ', source: 'waterVapour' },
      inputs: [term('T', 'fluidTemperature', temperature(temperature_K))],
      result: term('p', 'vapourPressure', pressure(value_Pa)),
    },
  ]);
}

function vapour_Pa(temperature_K: number): number {
  const tau = Math.max(0, 1 - temperature_K / CRITICAL_K);
  const sum = WAGNER.reduce((total, [factor, power]) => total + factor * tau ** power, 0);
  return CRITICAL_Pa * Math.exp((CRITICAL_K / temperature_K) * sum);
}

export interface FluidPoints {
  /** Boiling points of the fresh fluid and with 3.7 % of water. */
  readonly dry_K: number;
  readonly wet_K: number;
}

export interface FluidModel {
  readonly activity: number;
  /** Share of molecules that are water at the wet point. */
  readonly wetMoleFraction: number;
  readonly vaporisation_J_per_mol: number;
}

const moleFraction = (water: number) =>
  water / WATER_kg_per_mol / (water / WATER_kg_per_mol + (1 - water) / GLYCOL_kg_per_mol);

function pointsProblem({ dry_K, wet_K }: FluidPoints): Problem | null {
  const refused = firstNotPositive({ dry_K, wet_K });
  if (refused) return refused;
  if (wet_K >= dry_K) return { code: 'rangeUpsideDown', field: 'wet_K' };
  // Between boiling water and its critical point: no brake fluid lies outside.
  if (wet_K < 373.15) return { code: 'beyondTable', field: 'wet_K' };
  return dry_K < CRITICAL_K ? null : { code: 'beyondTable', field: 'dry_K' };
}

function modelOf({ dry_K, wet_K }: FluidPoints): FluidModel {
  const vaporisation_J_per_mol = TROUTON_J_per_mol_K * dry_K;
  const x = moleFraction(WET_WATER);
  const activity =
    (SEA_LEVEL_Pa - (1 - x) * own_Pa(wet_K, dry_K, vaporisation_J_per_mol)) / (x * vapour_Pa(wet_K));
  return { activity, wetMoleFraction: x, vaporisation_J_per_mol };
}

const own_Pa = (temperature_K: number, dry_K: number, vaporisation_J_per_mol: number) =>
  SEA_LEVEL_Pa * Math.exp((-vaporisation_J_per_mol / GAS_J_per_mol_K) * (1 / temperature_K - 1 / dry_K));

/** What the two points of a class make of the model. */
export function fluidModel(points: FluidPoints): Result<FluidModel> {
  const refused = pointsProblem(points);
  return refused ? problem(refused) : calculated(modelOf(points), []);
}

/** Boiling point with so much water (mass fraction, 0 to 0.2) at an air pressure, kelvin. */
export function boilingPoint_K(
  points: FluidPoints,
  waterMassFraction: number,
  pressure_Pa = SEA_LEVEL_Pa,
): Result<number> {
  const refused = pointsProblem(points) ?? firstNotPositive({ pressure_Pa });
  if (refused) return problem(refused);
  if (!(waterMassFraction >= 0 && waterMassFraction <= MOST_WATER))
    return problem({ code: 'beyondTable', field: 'waterMassFraction' });
  if (pressure_Pa < LEAST_PRESSURE_Pa || pressure_Pa > MOST_PRESSURE_Pa)
    return problem({ code: 'beyondTable', field: 'pressure_Pa' });
  const model = modelOf(points);
  const x = moleFraction(waterMassFraction);
  const excess = (temperature_K: number) =>
    x * model.activity * vapour_Pa(temperature_K) +
    (1 - x) * own_Pa(temperature_K, points.dry_K, model.vaporisation_J_per_mol) -
    pressure_Pa;
  const found_K = bisected(excess, 273.16, CRITICAL_K);
  return calculated(found_K, [
    {
      formula: BOILS,
      inputs: [
        term('T_dry', 'dryBoilingPoint', temperature(points.dry_K)),
        term('T_wet', 'wetBoilingPoint', temperature(points.wet_K)),
        term('w', 'waterShare', fraction(waterMassFraction)),
        term('P', 'atmosphere', pressure(pressure_Pa)),
      ],
      result: term('T', 'fluidTemperature', temperature(found_K)),
    },
  ]);
}

/** No fluid in a brake takes up more. */
const MOST_WATER = 0.2;
/** From the highest road to under pressure in the line, where the model has nothing to say. */
const LEAST_PRESSURE_Pa = 30e3;
const MOST_PRESSURE_Pa = 2e5;

/** Water (mass fraction) in a fluid that boils there at sea level. Problem: a temperature that is not between its dry point and the model's end. */
export function waterForBoiling(points: FluidPoints, temperature_K: number): Result<number> {
  const refused = pointsProblem(points) ?? firstNotPositive({ temperature_K });
  if (refused) return problem(refused);
  const boils = (water: number) => {
    const found = boilingPoint_K(points, water);
    return found.ok ? found.value : 0;
  };
  if (temperature_K > points.dry_K + 1e-9 || temperature_K < boils(MOST_WATER))
    return problem({ code: 'beyondTable', field: 'temperature_K' });
  const water = bisected((share) => temperature_K - boils(share), 0, MOST_WATER);
  return calculated(water, [
    {
      formula: BOILS,
      inputs: [term('T', 'fluidTemperature', temperature(temperature_K))],
      result: term('w', 'waterShare', fraction(water)),
    },
  ]);
}

/** Where a function that rises from below nothing to above it passes nothing. */
function bisected(rises: (at: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let step = 0; step < 100 && high - low > 1e-12 * Math.abs(high); step += 1) {
    const middle = (low + high) / 2;
    if (rises(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
