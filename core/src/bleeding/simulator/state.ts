/**
 * Where fluid and air are, in flat arrays: copied in one go, and the same bits on every machine. A line holds a row of slugs, each of
 * liquid (its volume at atmosphere) or of gas (its pressure times its volume); every other part holds a pool of both. Pressure is
 * no part of it: contents and geometry give it.
 */
import { GRAVITY_m_per_s2 } from '../bubble.ts';
import type { BleedLine, BleedSystem } from './system.ts';
import { boreRise } from './boreRise.ts';

/** Slugs of one line: the fullest seen in 100 strokes held 72. */
export const MOST_SLUGS = 128;

/** Where the tube of a nipple ends. */
export const OUTLETS = ['bottle', 'air', 'vacuum', 'oneWay', 'syringe'] as const;
export type OutletKind = (typeof OUTLETS)[number];

/** What never changes while it runs. */
export interface Layout {
  readonly system: BleedSystem;
  /** Of every part, in the order of the system; −1 for a master. */
  readonly parent: Int32Array;
  readonly isLine: Uint8Array;
  readonly isMaster: Uint8Array;
  /** Empty of pressure: volume and swelling. */
  readonly volume_m3: Float64Array;
  readonly swelling_m3_Pa: Float64Array;
  /** Of lines: cross-section, length, rise along it, resistance of a metre of liquid, speed at which a long bubble rises. */
  readonly area_m2: Float64Array;
  readonly length_m: Float64Array;
  readonly slope: Float64Array;
  readonly perMetre: Float64Array;
  readonly rise_m_s: Float64Array;
  /** Height of the end away from the master. */
  readonly end_m: Float64Array;
  /** Of what feeds a part, at which height it leaves; and where it enters the part: shares of a pool. */
  readonly outletOf: Float64Array;
  readonly inlet: Float64Array;
  readonly masters: readonly number[];
  /** Of each part that is a master: its reservoir. */
  readonly reservoirOf: Int32Array;
  readonly nippleOn: Int32Array;
}

/** What changes. */
export interface BleedState {
  time_s: number;
  readonly pressure_Pa: Float64Array;
  /** In a part altogether. */
  readonly liquid_m3: Float64Array;
  readonly gas_J: Float64Array;
  /** Of lines, a ring of MOST_SLUGS each, from the end towards the master on. */
  readonly amount: Float64Array;
  readonly isGas: Uint8Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  /** Of masters, by part. */
  readonly piston_m: Float64Array;
  readonly target_m: Float64Array;
  readonly speed_m_s: Float64Array;
  readonly limit_Pa: Float64Array;
  /** Of nipples. */
  readonly opening: Float64Array;
  readonly outlet: Uint8Array;
  /** Of the outlet: absolute pressure in a pot, and what is left of it for liquid; flow that a syringe pushes in. */
  readonly outlet_Pa: Float64Array;
  readonly pot_m3: Float64Array;
  readonly push_m3_s: Float64Array;
  readonly passed_m3: Float64Array;
  readonly airOut_J: Float64Array;
  readonly airIn_J: Float64Array;
  readonly liquidIn_m3: Float64Array;
  /** Of reservoirs. */
  readonly left_m3: Float64Array;
  readonly over_Pa: Float64Array;
  readonly airDrawn_J: Float64Array;
  readonly airGivenBack_J: Float64Array;
}

type Listed = Exclude<keyof BleedState, 'time_s'>;
const LISTS: readonly Listed[] = [
  'pressure_Pa',
  'liquid_m3',
  'gas_J',
  'amount',
  'isGas',
  'first',
  'count',
  'piston_m',
  'target_m',
  'speed_m_s',
  'limit_Pa',
  'opening',
  'outlet',
  'outlet_Pa',
  'pot_m3',
  'push_m3_s',
  'passed_m3',
  'airOut_J',
  'airIn_J',
  'liquidIn_m3',
  'left_m3',
  'over_Pa',
  'airDrawn_J',
  'airGivenBack_J',
];

export function layoutOf(system: BleedSystem): Layout {
  const { parts, fluid, nipples, reservoirs } = system;
  const n = parts.length;
  const at = new Map(parts.map(({ id }, index) => [id, index]));
  const numbers = (of: (index: number) => number) =>
    Float64Array.from({ length: n }, (_, index) => of(index));
  const parent = Int32Array.from(parts, (part) => (part.kind === 'master' ? -1 : (at.get(part.from) ?? -1)));
  const lineOf = (index: number): BleedLine | null => {
    const part = parts[index];
    return part?.kind === 'line' ? part : null;
  };
  const area = (bore_m: number) => (Math.PI / 4) * bore_m ** 2;
  const end_m = new Float64Array(n);
  for (const [index, part] of parts.entries())
    end_m[index] =
      part.kind === 'master'
        ? part.height_m
        : (end_m[parent[index] ?? 0] ?? 0) + (part.kind === 'line' ? part.rise_m : 0);
  return {
    system,
    parent,
    isLine: Uint8Array.from(parts, ({ kind }) => (kind === 'line' ? 1 : 0)),
    isMaster: Uint8Array.from(parts, ({ kind }) => (kind === 'master' ? 1 : 0)),
    volume_m3: numbers((index) => {
      const part = parts[index];
      if (part?.kind === 'line') return area(part.bore_m) * part.length_m;
      return part?.kind === 'cavity' ? part.volume_m3 : (part?.dead_m3 ?? 0);
    }),
    swelling_m3_Pa: numbers((index) => {
      const part = parts[index];
      return part && part.kind !== 'master' ? part.compliance_m3_Pa : 0;
    }),
    area_m2: numbers((index) => {
      const part = parts[index];
      return part && part.kind !== 'cavity' ? area(part.bore_m) : 0;
    }),
    length_m: numbers((index) => lineOf(index)?.length_m ?? 0),
    slope: numbers((index) => {
      const line = lineOf(index);
      return line ? line.rise_m / line.length_m : 0;
    }),
    perMetre: numbers((index) => {
      const line = lineOf(index);
      return line ? (128 * fluid.viscosity_Pa_s) / (Math.PI * line.bore_m ** 4) : 0;
    }),
    rise_m_s: numbers((index) => {
      const line = lineOf(index);
      return line ? boreRise(line, fluid) : 0;
    }),
    end_m,
    outletOf: numbers((index) => {
      const feeding = parts[parent[index] ?? -1];
      const own = parts[index];
      return feeding?.kind === 'cavity' && own ? (feeding.outlets[own.id] ?? 1) : 1;
    }),
    inlet: numbers((index) => {
      const part = parts[index];
      return part?.kind === 'cavity' ? part.inlet : 1;
    }),
    masters: parts.flatMap(({ kind }, index) => (kind === 'master' ? [index] : [])),
    reservoirOf: Int32Array.from(parts, (part) =>
      part.kind === 'master' ? reservoirs.findIndex(({ id }) => id === part.reservoir) : -1,
    ),
    nippleOn: Int32Array.from(nipples, ({ on }) => at.get(on) ?? -1),
  };
}

/** Heights above the reservoir's fluid are drops of pressure. */
export const weight_Pa = ({ system: { fluid } }: Layout, drop_m: number): number =>
  fluid.density_kg_m3 * GRAVITY_m_per_s2 * drop_m;

/** Full of liquid, at rest, everything shut. */
export function filledState({ system, volume_m3, isLine, area_m2 }: Layout): BleedState {
  const { parts, nipples, reservoirs, atmosphere_Pa } = system;
  const n = parts.length;
  const state: BleedState = {
    time_s: 0,
    pressure_Pa: new Float64Array(n).fill(atmosphere_Pa),
    liquid_m3: Float64Array.from(parts, (part, index) =>
      part.kind === 'master' ? part.dead_m3 + part.stroke_m * (area_m2[index] ?? 0) : (volume_m3[index] ?? 0),
    ),
    gas_J: new Float64Array(n),
    amount: new Float64Array(n * MOST_SLUGS),
    isGas: new Uint8Array(n * MOST_SLUGS),
    first: new Int32Array(n),
    count: new Int32Array(n),
    piston_m: new Float64Array(n),
    target_m: new Float64Array(n),
    speed_m_s: new Float64Array(n),
    limit_Pa: new Float64Array(n).fill(1e9),
    opening: new Float64Array(nipples.length),
    outlet: new Uint8Array(nipples.length),
    outlet_Pa: new Float64Array(nipples.length).fill(atmosphere_Pa),
    pot_m3: new Float64Array(nipples.length),
    push_m3_s: new Float64Array(nipples.length),
    passed_m3: new Float64Array(nipples.length),
    airOut_J: new Float64Array(nipples.length),
    airIn_J: new Float64Array(nipples.length),
    liquidIn_m3: new Float64Array(nipples.length),
    left_m3: Float64Array.from(reservoirs, ({ filled_m3 }) => filled_m3),
    over_Pa: new Float64Array(reservoirs.length),
    airDrawn_J: new Float64Array(reservoirs.length),
    airGivenBack_J: new Float64Array(reservoirs.length),
  };
  for (let index = 0; index < n; index += 1) {
    if (isLine[index] !== 1) continue;
    state.count[index] = 1;
    state.amount[index * MOST_SLUGS] = volume_m3[index] ?? 0;
  }
  return state;
}

/** The contents of one into another of the same layout: nothing is made for it. */
export function keep(from: BleedState, into: BleedState): void {
  into.time_s = from.time_s;
  for (const name of LISTS) (into[name] as Float64Array).set(from[name]);
}

/** Another one with the same contents: what one does to it does not show in the first. */
export function copied(state: BleedState): BleedState {
  const copy: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(state))
    copy[key] = ArrayBuffer.isView(value) ? (value as Float64Array).slice() : value;
  return copy as unknown as BleedState;
}
