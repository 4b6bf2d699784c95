/**
 * What is bled, as the simulator takes it: masters on reservoirs, lines from part to part, cavities where they meet, nipples. A tree for
 * each master: every part names the one that it is fed from, and stands after it.
 */
import type { Problem } from '../../calculation/problem.ts';
import { unphysical } from '../../calculation/physical.ts';

export interface BleedFluid {
  readonly density_kg_m3: number;
  readonly viscosity_Pa_s: number;
  readonly bulkModulus_Pa: number;
  readonly surfaceTension_N_m: number;
}

/** Brake fluid at 20 °C, from memory; surface tension and viscosity without a sure source. */
export const BRAKE_FLUID: BleedFluid = {
  density_kg_m3: 1050,
  viscosity_Pa_s: 0.0157,
  bulkModulus_Pa: 1.8e9,
  surfaceTension_N_m: 0.0355,
};

export interface BleedReservoir {
  readonly id: string;
  /** Down to the port: below that the master draws air. */
  readonly usable_m3: number;
  /** What is in it. */
  readonly filled_m3: number;
  /** Of its fluid, above whatever all heights are counted from. */
  readonly height_m: number;
}

interface Part {
  readonly id: string;
}

export interface BleedMaster extends Part {
  readonly kind: 'master';
  readonly reservoir: string;
  readonly bore_m: number;
  readonly stroke_m: number;
  /** Of the piston until the port is closed. */
  readonly freeTravel_m: number;
  /** Left in front of the piston at full stroke. */
  readonly dead_m3: number;
  readonly height_m: number;
  readonly portResistance_Pa_s_m3: number;
  /** The seal lets fluid past from the reservoir when the pressure before it is so much lower. */
  readonly sealOpening_Pa: number;
  readonly sealResistance_Pa_s_m3: number;
}

/** Its height at the end towards the master is that of what feeds it. */
export interface BleedLine extends Part {
  readonly kind: 'line';
  readonly from: string;
  readonly bore_m: number;
  readonly length_m: number;
  /** From the end towards the master to the other; never more than the line is long. */
  readonly rise_m: number;
  readonly compliance_m3_Pa: number;
}

/** A caliper, a pocket of an ABS unit, a junction. */
export interface BleedCavity extends Part {
  readonly kind: 'cavity';
  readonly from: string;
  readonly volume_m3: number;
  readonly compliance_m3_Pa: number;
  /** How high each opening stands, as the share of the cavity that lies below it: air above it does not leave through it. */
  readonly inlet: number;
  /** Of what is fed from it, by id; 1 where nothing is said. */
  readonly outlets: Readonly<Record<string, number>>;
}
export type BleedPart = BleedMaster | BleedLine | BleedCavity;

export interface BleedNipple {
  readonly id: string;
  /** A cavity, or the far end of a line. */
  readonly on: string;
  /** The share of its cavity that lies below it. */
  readonly height: number;
  readonly bore_m: number;
  readonly length_m: number;
  readonly discharge: number;
  /** Of the end of the tube, or of the fluid that it stands in. */
  readonly outlet_m: number;
}

export interface BleedSystem {
  readonly fluid: BleedFluid;
  readonly atmosphere_Pa: number;
  readonly reservoirs: readonly BleedReservoir[];
  readonly parts: readonly BleedPart[];
  readonly nipples: readonly BleedNipple[];
}

const POSITIVE = [
  'density_kg_m3',
  'viscosity_Pa_s',
  'bulkModulus_Pa',
  'surfaceTension_N_m',
  'atmosphere_Pa',
  'usable_m3',
  'bore_m',
  'stroke_m',
  'dead_m3',
  'portResistance_Pa_s_m3',
  'sealResistance_Pa_s_m3',
  'length_m',
  'volume_m3',
  'discharge',
];
const NOT_NEGATIVE = ['filled_m3', 'freeTravel_m', 'sealOpening_Pa', 'compliance_m3_Pa', 'inlet', 'height'];

/** The first thing that no such system has; null where it can be simulated. */
export function systemProblem(system: BleedSystem): Problem | null {
  const refused = unphysical(system, { positive: POSITIVE, notNegative: NOT_NEGATIVE });
  if (refused) return refused;
  const before = new Set<string>();
  for (const [at, part] of system.parts.entries()) {
    const field = `parts.${at}`;
    if (part.kind === 'master') {
      if (!system.reservoirs.some(({ id }) => id === part.reservoir))
        return { code: 'noFluidPath', field: `${field}.reservoir` };
      if (part.freeTravel_m >= part.stroke_m) return { code: 'beyondTable', field: `${field}.freeTravel_m` };
    } else if (!before.has(part.from)) return { code: 'noFluidPath', field: `${field}.from` };
    if (part.kind === 'line' && Math.abs(part.rise_m) > part.length_m * (1 + 1e-9))
      return { code: 'beyondTable', field: `${field}.rise_m` };
    if (part.kind === 'cavity' && Math.max(part.inlet, ...Object.values(part.outlets)) > 1)
      return { code: 'beyondTable', field: `${field}.inlet` };
    before.add(part.id);
  }
  for (const [at, { on, height }] of system.nipples.entries())
    if (!before.has(on) || height > 1) return { code: 'noFluidPath', field: `nipples.${at}.on` };
  return null;
}
