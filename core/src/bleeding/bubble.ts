/**
 * Whether a long bubble rises by itself in a line that stands upright: below a Bond number of 0.842 it is stuck for good, because the
 * surface holds it against the wall (F. P. Bretherton, J. Fluid Mech. 10, 1961; from memory, the limit derived again numerically).
 */
import { length, ratio } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const BOND: Formula = { expression: 'Bo = ρ·g·(d/2)²/σ', source: 'bretherton' };
const CRITICAL: Formula = { expression: 'd = 2·√(0.842·σ/(ρ·g))', source: 'bretherton' };

export const GRAVITY_m_per_s2 = 9.80665;
export const CRITICAL_BOND = 0.842;
/** Beyond this capillary number the formula near the limit says nothing. */
const MOST_CAPILLARY = 0.01;

export interface BubbleLine {
  readonly bore_m: number;
  readonly density_kg_per_m3: number;
  readonly surfaceTension_N_per_m: number;
  readonly viscosity_Pa_s: number;
}

export interface BubbleRise {
  readonly bond: number;
  readonly rises: boolean;
  /** Near the limit; null where it does not rise, or rises too fast for the formula. */
  readonly speed_m_per_s: number | null;
  readonly capillary: number | null;
  /** No long bubble rises faster than this, however thin the fluid: 0.35·√(g·d). */
  readonly ceiling_m_per_s: number;
}

export function bubbleRise(line: BubbleLine): Result<BubbleRise> {
  const refused = firstNotPositive({ ...line });
  if (refused) return problem(refused);
  const { bore_m, density_kg_per_m3, surfaceTension_N_per_m, viscosity_Pa_s } = line;
  const bond = (density_kg_per_m3 * GRAVITY_m_per_s2 * (bore_m / 2) ** 2) / surfaceTension_N_per_m;
  const rises = bond > CRITICAL_BOND;
  const capillary = rises ? capillaryOf(bond) : null;
  const isNear = capillary !== null && capillary < MOST_CAPILLARY;
  return calculated(
    {
      bond,
      rises,
      capillary,
      speed_m_per_s: isNear ? (capillary * surfaceTension_N_per_m) / viscosity_Pa_s : null,
      ceiling_m_per_s: 0.35 * Math.sqrt(GRAVITY_m_per_s2 * bore_m),
    },
    [
      {
        formula: BOND,
        inputs: [term('d', 'lineBore', length(bore_m))],
        result: term('Bo', 'bondNumber', ratio(bond)),
      },
    ],
  );
}

/** Bo − 0.842 = 1.25·Ca^(2/9) + 2.24·Ca^(1/3), by halving in the logarithm. */
export function capillaryOf(bond: number): number {
  let [low, high] = [-60, 10];
  for (let step = 0; step < 200; step += 1) {
    const middle = (low + high) / 2;
    const capillary = Math.exp(middle);
    if (1.25 * capillary ** (2 / 9) + 2.24 * capillary ** (1 / 3) < bond - CRITICAL_BOND) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

/** In a narrower bore no long bubble rises by itself, metres. */
export function criticalBore_m(density_kg_per_m3: number, surfaceTension_N_per_m: number): Result<number> {
  const refused = firstNotPositive({ density_kg_per_m3, surfaceTension_N_per_m });
  if (refused) return problem(refused);
  const bore_m =
    2 * Math.sqrt((CRITICAL_BOND * surfaceTension_N_per_m) / (density_kg_per_m3 * GRAVITY_m_per_s2));
  return calculated(bore_m, [
    { formula: CRITICAL, inputs: [], result: term('d', 'lineBore', length(bore_m)) },
  ]);
}
