/**
 * Steady flow through lines and an open nipple: laminar in the lines (Hagen 1839, Poiseuille 1840), an orifice at the nipple. All in
 * SI; throws `NotPhysical` for figures without a meaning.
 */
import { demand, unphysical } from '../calculation/physical.ts';
import { GRAVITY_m_per_s2 } from './bubble.ts';

export interface FlowFluid {
  readonly density_kg_m3: number;
  readonly viscosity_Pa_s: number;
}
export interface FlowLine {
  readonly bore_m: number;
  readonly length_m: number;
}
export interface FlowNipple extends FlowLine {
  readonly discharge: number;
}
/** Δp = R·Q + k·Q². */
export interface FlowPath {
  readonly resistance_Pa_s_m3: number;
  readonly quadratic_Pa_s2_m6: number;
}

const POSITIVE = ['density_kg_m3', 'viscosity_Pa_s', 'bore_m', 'length_m', 'discharge', 'pot_m3', 'area_m2'];

export function lineResistance(lines: readonly FlowLine[], fluid: FlowFluid): number {
  demand(unphysical({ lines, fluid }, { positive: POSITIVE }));
  return lines.reduce(
    (sum, { bore_m, length_m }) => sum + (128 * fluid.viscosity_Pa_s * length_m) / (Math.PI * bore_m ** 4),
    0,
  );
}

/** Lines one after the other, and a nipple at their end. */
export function flowPath(lines: readonly FlowLine[], nipple: FlowNipple | null, fluid: FlowFluid): FlowPath {
  const throat_m2 = nipple ? nipple.discharge * (Math.PI / 4) * nipple.bore_m ** 2 : Infinity;
  return {
    resistance_Pa_s_m3: lineResistance(nipple ? [...lines, nipple] : lines, fluid),
    quadratic_Pa_s2_m6: fluid.density_kg_m3 / 2 / throat_m2 ** 2,
  };
}

/** m³/s, with the sign of the pressure. */
export function flowAt(
  pressure_Pa: number,
  { resistance_Pa_s_m3: r, quadratic_Pa_s2_m6: k }: FlowPath,
): number {
  demand(unphysical({ pressure_Pa, r }, { positive: ['r'] }));
  return (2 * pressure_Pa) / (r + Math.sqrt(r * r + 4 * k * Math.abs(pressure_Pa)));
}

export const head_Pa = (height_m: number, { density_kg_m3 }: Pick<FlowFluid, 'density_kg_m3'>): number =>
  density_kg_m3 * GRAVITY_m_per_s2 * height_m;

export const reynolds = (flow_m3_s: number, bore_m: number, fluid: FlowFluid): number =>
  (4 * fluid.density_kg_m3 * Math.abs(flow_m3_s)) / (Math.PI * bore_m * fluid.viscosity_Pa_s);

/** Seconds in which the level in a reservoir of so much area falls from one height over the outlet to another. */
export function levelFall_s(
  { from_m, to_m, area_m2 }: { readonly from_m: number; readonly to_m: number; readonly area_m2: number },
  path: FlowPath,
  fluid: FlowFluid,
): number {
  demand(unphysical({ from_m, to_m, area_m2 }, { positive: ['from_m', 'to_m', 'area_m2'] }));
  const [first, last] = [flowAt(head_Pa(from_m, fluid), path), flowAt(head_Pa(to_m, fluid), path)];
  const { resistance_Pa_s_m3: r, quadratic_Pa_s2_m6: k } = path;
  return (area_m2 / head_Pa(1, fluid)) * (r * Math.log(first / last) + 2 * k * (first - last));
}

/** Integral of an even function by Simpson's rule. */
function integral(of: (at: number) => number, from: number, to: number, parts = 2000): number {
  const width = (to - from) / parts;
  let sum = of(from) + of(to);
  for (let at = 1; at < parts; at += 1) sum += of(from + at * width) * (at % 2 === 1 ? 4 : 2);
  return (sum * width) / 3;
}

export interface VacuumPot {
  readonly pot_m3: number;
  readonly below_Pa: number;
  readonly atmosphere_Pa: number;
  /** Of the reservoir over the outlet. */
  readonly above_m: number;
}
/** One charge of a collecting pot: what it draws until its air is squeezed to where nothing flows, and how fast. */
export function vacuumPull(pot: VacuumPot, path: FlowPath, fluid: FlowFluid) {
  demand(unphysical(pot, { positive: ['pot_m3', 'below_Pa', 'atmosphere_Pa'], notNegative: ['above_m'] }));
  const start_Pa = pot.atmosphere_Pa - pot.below_Pa;
  const supply_Pa = pot.atmosphere_Pa + head_Pa(pot.above_m, fluid);
  const drawn_m3 = pot.pot_m3 * (1 - start_Pa / supply_Pa);
  const flow = (in_m3: number) => flowAt(supply_Pa - (start_Pa * pot.pot_m3) / (pot.pot_m3 - in_m3), path);
  return {
    initial_m3_s: flow(0),
    drawn_m3,
    nineTenths_s: integral((in_m3) => 1 / flow(in_m3), 0, 0.9 * drawn_m3),
  };
}

/** Strokes of a hand pump until the pot is so far below atmosphere. */
export function pumpPulls(
  { pot_m3, below_Pa, atmosphere_Pa }: Omit<VacuumPot, 'above_m'>,
  swept_m3: number,
): number {
  demand(
    unphysical(
      { pot_m3, below_Pa, atmosphere_Pa, swept_m3 },
      { positive: ['pot_m3', 'swept_m3', 'atmosphere_Pa'] },
    ),
  );
  const each = pot_m3 / (pot_m3 + swept_m3);
  return Math.ceil(Math.log((atmosphere_Pa - below_Pa) / atmosphere_Pa) / Math.log(each) - 1e-9);
}

/** Two branches from a tee, each with its nipple open: the pressure at the tee over the outlets, and the two flows. */
export function splitFlow(supply_Pa: number, main: FlowPath, branches: readonly [FlowPath, FlowPath]) {
  let [low, high] = [0, supply_Pa];
  for (let round = 0; round < 200; round += 1) {
    const tee_Pa = (low + high) / 2;
    const out = flowAt(tee_Pa, branches[0]) + flowAt(tee_Pa, branches[1]);
    if (flowAt(supply_Pa - tee_Pa, main) > out) low = tee_Pa;
    else high = tee_Pa;
  }
  const tee_Pa = (low + high) / 2;
  return { tee_Pa, flows_m3_s: [flowAt(tee_Pa, branches[0]), flowAt(tee_Pa, branches[1])] as const };
}

export interface HeldBrake {
  readonly pressure_Pa: number;
  readonly compliance_m3_Pa: number;
  readonly air_m3: number;
  readonly atmosphere_Pa: number;
}
/** A nipple is opened while the lever is held where it is: what comes in the end, and the time down to a pressure. */
export function burst(held: HeldBrake, down_Pa: number, path: FlowPath) {
  demand(
    unphysical(
      { ...held, down_Pa },
      { positive: ['pressure_Pa', 'atmosphere_Pa', 'down_Pa'], notNegative: ['air_m3'] },
    ),
  );
  const { pressure_Pa, compliance_m3_Pa: c, air_m3, atmosphere_Pa } = held;
  const gives = (p: number) => c + (air_m3 * atmosphere_Pa) / (atmosphere_Pa + p) ** 2;
  return {
    out_m3: c * pressure_Pa + air_m3 * (1 - atmosphere_Pa / (atmosphere_Pa + pressure_Pa)),
    initial_m3_s: flowAt(pressure_Pa, path),
    // By the root of the pressure: fast at first, slow at the end.
    time_s: integral(
      (root) => (2 * root * gives(root * root)) / flowAt(root * root, path),
      Math.sqrt(down_Pa),
      Math.sqrt(pressure_Pa),
    ),
  };
}
