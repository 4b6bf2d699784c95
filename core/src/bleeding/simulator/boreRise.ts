/**
 * How fast a long bubble rises in a line: not at all up to the critical bore, above it the lower of the law near that bore
 * (F. P. Bretherton 1961) and the general one (G. B. Wallis 1969), both from memory; good to a third.
 */
import { capillaryOf, CRITICAL_BOND, GRAVITY_m_per_s2 } from '../bubble.ts';
import type { BleedFluid, BleedLine } from './system.ts';

/** Upright, still fluid, metres a second. */
export function uprightRise(
  bore_m: number,
  { density_kg_m3, viscosity_Pa_s, surfaceTension_N_m }: BleedFluid,
): number {
  const bond = (density_kg_m3 * GRAVITY_m_per_s2 * (bore_m / 2) ** 2) / surfaceTension_N_m;
  if (bond <= CRITICAL_BOND) return 0;
  return Math.min(
    capillaryOf(bond) * (surfaceTension_N_m / viscosity_Pa_s),
    general(bore_m, 4 * bond, density_kg_m3 / viscosity_Pa_s),
  );
}

function general(bore_m: number, eotvos: number, perViscosity: number): number {
  const inverse = Math.sqrt(GRAVITY_m_per_s2 * bore_m ** 3) * perViscosity;
  const m = inverse > 250 ? 10 : inverse < 18 ? 25 : 69 * inverse ** -0.35;
  const viscous = 1 - Math.exp((-0.01 * inverse) / 0.345);
  const surface = 1 - Math.exp((3.37 - eotvos) / m);
  return Math.max(0, 0.345 * viscous * surface * Math.sqrt(GRAVITY_m_per_s2 * bore_m));
}

/** In a line as it lies: × √sinθ·(1 + cosθ)^1.2, indicative. Towards its higher end. */
export function boreRise({ bore_m, length_m, rise_m }: BleedLine, fluid: BleedFluid): number {
  const sine = Math.min(1, Math.abs(rise_m) / length_m);
  return uprightRise(bore_m, fluid) * Math.sqrt(sine) * (1 + Math.sqrt(1 - sine ** 2)) ** 1.2;
}
