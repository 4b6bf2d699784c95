/**
 * All pressures at once, backward Euler: what is in a part at its pressure fills its volume and its swelling. The parts are trees, so
 * that each round of Newton's method is solved from the leaves to the root and back.
 */
import { placeOf } from './slugs.ts';
import type { BleedState, Layout } from './state.ts';
import { OUTLETS, weight_Pa } from './state.ts';

/** So little gas is everywhere: it keeps a pressure above nothing. */
const NUCLEUS_J = 1e-11;
/** Below this a brake fluid boils: our guess; and how much room its vapour makes for each pascal below. */
const VAPOUR_Pa = 100;
const VAPOUR_m3_Pa = 1e-6;
/** Of a way without anything in it. */
const LEAST_RESISTANCE = 1e5;
/** A hand yields by a stroke within some thousand pascals. */
const HAND_m3_Pa = 1e-9;
const ROUNDS = 80;
/** An opening that passes air out and fluid in has a kink: from then on half of each correction, or it goes to and fro. */
const STRAIGHT_ROUNDS = 8;
const CLOSE_ENOUGH_Pa = 1e-3;
/** Air against fluid in an orifice. */
const AIR_SHARE = 1.2 / 1050;

export interface Solved {
  /** Into each part from what feeds it, and out of each nipple, m³/s at the pressures found. */
  readonly inflow: Float64Array;
  readonly outflow: Float64Array;
  /** Into each master from its reservoir: through the port, and past the seal. */
  readonly port: Float64Array;
  readonly seal: Float64Array;
  readonly pressure_Pa: Float64Array;
  rounds: number;
}

export interface Work extends Solved {
  readonly resistance: Float64Array;
  readonly head_Pa: Float64Array;
  readonly inner: Float64Array;
  readonly outer: Float64Array;
  readonly residual: Float64Array;
  readonly slope: Float64Array;
  readonly conductance: Float64Array;
  /** Of masters, in this step. */
  readonly isPortOpen: Uint8Array;
  /** While contents move: what leaves each part in a second, and the gas that was in it. */
  readonly leaving: Float64Array;
  readonly gasThen: Float64Array;
}

export function workFor({ parent, nippleOn }: Layout): Work {
  const [n, m] = [parent.length, nippleOn.length];
  return {
    inflow: new Float64Array(n),
    outflow: new Float64Array(m),
    port: new Float64Array(n),
    seal: new Float64Array(n),
    pressure_Pa: new Float64Array(n),
    rounds: 0,
    resistance: new Float64Array(n),
    head_Pa: new Float64Array(n),
    inner: new Float64Array(n),
    outer: new Float64Array(n),
    residual: new Float64Array(n),
    slope: new Float64Array(n),
    conductance: new Float64Array(n),
    isPortOpen: new Uint8Array(n),
    leaving: new Float64Array(n),
    gasThen: new Float64Array(n),
  };
}

/** Of Δp = R·Q + k·Q·|Q|, without a root at nothing. */
const flow = (dp: number, r: number, k: number): number =>
  (2 * dp) / (r + Math.sqrt(r * r + 4 * k * Math.abs(dp)));
const conductanceOf = (dp: number, r: number, k: number): number =>
  1 / Math.sqrt(r * r + 4 * k * Math.abs(dp));

/** Metres of liquid in the half towards the master, and in the other. */
function liquidHalves(layout: Layout, state: BleedState, work: Work, line: number): void {
  const pressure = state.pressure_Pa[line] ?? 1;
  const count = state.count[line] ?? 0;
  let whole = 0;
  for (let nth = 0; nth < count; nth += 1) {
    const at = placeOf(state, line, nth);
    whole += state.isGas[at] === 1 ? (state.amount[at] ?? 0) / pressure : (state.amount[at] ?? 0);
  }
  const length = layout.length_m[line] ?? 0;
  const scale = whole > 0 ? length / whole : 0;
  let [from, inner, outer] = [0, 0, 0];
  for (let nth = 0; nth < count; nth += 1) {
    const at = placeOf(state, line, nth);
    const isGas = state.isGas[at] === 1;
    const own = (isGas ? (state.amount[at] ?? 0) / pressure : (state.amount[at] ?? 0)) * scale;
    if (!isGas) {
      const before = Math.min(Math.max(length / 2 - from, 0), own);
      inner += before;
      outer += own - before;
    }
    from += own;
  }
  work.inner[line] = inner;
  work.outer[line] = outer;
}

/** What stands between each part and the one that feeds it. */
function links(layout: Layout, state: BleedState, work: Work): void {
  const { parent, isLine, perMetre, slope } = layout;
  const n = parent.length;
  const metre_Pa = weight_Pa(layout, 1);
  for (let part = 0; part < n; part += 1) if (isLine[part] === 1) liquidHalves(layout, state, work, part);
  for (let part = 0; part < n; part += 1) {
    const from = parent[part] ?? -1;
    if (from < 0) continue;
    let [resistance, head] = [0, 0];
    if (isLine[part] === 1) {
      resistance += (work.inner[part] ?? 0) * (perMetre[part] ?? 0);
      head -= (work.inner[part] ?? 0) * (slope[part] ?? 0) * metre_Pa;
    }
    if (isLine[from] === 1) {
      resistance += (work.outer[from] ?? 0) * (perMetre[from] ?? 0);
      head -= (work.outer[from] ?? 0) * (slope[from] ?? 0) * metre_Pa;
    }
    work.resistance[part] = Math.max(resistance, LEAST_RESISTANCE);
    work.head_Pa[part] = head;
  }
}

const isGasAtEnd = (state: BleedState, layout: Layout, part: number, height: number): boolean => {
  if (layout.isLine[part] === 1) {
    const count = state.count[part] ?? 0;
    return count > 0 && state.isGas[placeOf(state, part, count - 1)] === 1;
  }
  const gas = (state.gas_J[part] ?? 0) / (state.pressure_Pa[part] ?? 1);
  return gas > (1 - height) * (layout.volume_m3[part] ?? 0) + 1e-13;
};

/** Pressures after `step_s`, and the flows that lead to them; the contents are as they were. */
export function solve(layout: Layout, state: BleedState, work: Work, step_s: number): Solved {
  const { parent, isMaster, masters, volume_m3, swelling_m3_Pa, area_m2, system, nippleOn } = layout;
  const { atmosphere_Pa, fluid, nipples, reservoirs, parts } = system;
  const n = parent.length;
  const metre_Pa = weight_Pa(layout, 1);
  const { pressure_Pa, residual, slope, conductance, resistance, head_Pa, inflow, outflow, port, seal } =
    work;
  links(layout, state, work);
  pressure_Pa.set(state.pressure_Pa);
  for (work.rounds = 0; work.rounds < ROUNDS; work.rounds += 1) {
    for (let part = 0; part < n; part += 1) {
      const p = pressure_Pa[part] ?? atmosphere_Pa;
      const [liquid, gas] = [state.liquid_m3[part] ?? 0, (state.gas_J[part] ?? 0) + NUCLEUS_J];
      const swelling = swelling_m3_Pa[part] ?? 0;
      let room = (volume_m3[part] ?? 0) + swelling * (p - atmosphere_Pa);
      let gives = swelling + liquid / fluid.bulkModulus_Pa + gas / (p * p);
      if (isMaster[part] === 1) {
        const master = parts[part];
        if (master?.kind === 'master')
          room += (master.stroke_m - (state.piston_m[part] ?? 0)) * (area_m2[part] ?? 0);
        const over = p - atmosphere_Pa - (state.limit_Pa[part] ?? 0);
        if (over > 0) {
          room += HAND_m3_Pa * over;
          gives += HAND_m3_Pa;
        }
      }
      let rest = room - liquid * (1 - (p - atmosphere_Pa) / fluid.bulkModulus_Pa) - gas / p;
      if (p < VAPOUR_Pa) {
        rest -= VAPOUR_m3_Pa * (VAPOUR_Pa - p);
        gives += VAPOUR_m3_Pa;
      }
      residual[part] = rest;
      slope[part] = gives;
    }
    for (let part = 0; part < n; part += 1) {
      const from = parent[part] ?? -1;
      if (from < 0) continue;
      const dp = (pressure_Pa[from] ?? 0) - (pressure_Pa[part] ?? 0) + (head_Pa[part] ?? 0);
      const r = resistance[part] ?? LEAST_RESISTANCE;
      const q = dp / r;
      inflow[part] = q;
      conductance[part] = step_s / r;
      residual[part] = (residual[part] ?? 0) - q * step_s;
      residual[from] = (residual[from] ?? 0) + q * step_s;
      slope[part] = (slope[part] ?? 0) + step_s / r;
      slope[from] = (slope[from] ?? 0) + step_s / r;
    }
    for (const part of masters) {
      const master = parts[part];
      if (master?.kind !== 'master') continue;
      const which = layout.reservoirOf[part] ?? 0;
      const above_m = (reservoirs[which]?.height_m ?? 0) - master.height_m;
      const supply = atmosphere_Pa + (state.over_Pa[which] ?? 0) + above_m * metre_Pa;
      const dp = supply - (pressure_Pa[part] ?? 0);
      const isPortOpen = work.isPortOpen[part] === 1;
      port[part] = isPortOpen ? dp / master.portResistance_Pa_s_m3 : 0;
      const past = dp - master.sealOpening_Pa;
      seal[part] = past > 0 ? past / master.sealResistance_Pa_s_m3 : 0;
      const g =
        (isPortOpen ? 1 / master.portResistance_Pa_s_m3 : 0) +
        (past > 0 ? 1 / master.sealResistance_Pa_s_m3 : 0);
      residual[part] = (residual[part] ?? 0) - ((port[part] ?? 0) + (seal[part] ?? 0)) * step_s;
      slope[part] = (slope[part] ?? 0) + g * step_s;
    }
    for (let at = 0; at < nipples.length; at += 1) {
      const nipple = nipples[at];
      const part = nippleOn[at] ?? -1;
      const open = state.opening[at] ?? 0;
      outflow[at] = 0;
      if (!nipple || part < 0) continue;
      const kind = OUTLETS[state.outlet[at] ?? 0];
      if (kind === 'syringe' && open > 0) {
        outflow[at] = -(state.push_m3_s[at] ?? 0);
        residual[part] = (residual[part] ?? 0) - (state.push_m3_s[at] ?? 0) * step_s;
        continue;
      }
      if (open <= 0) continue;
      const isOfLine = layout.isLine[part] === 1;
      const along = isOfLine ? (work.outer[part] ?? 0) : 0;
      const head =
        (isOfLine ? -along * (layout.slope[part] ?? 0) : 0) + (layout.end_m[part] ?? 0) - nipple.outlet_m;
      const dp = (pressure_Pa[part] ?? 0) + head * metre_Pa - (state.outlet_Pa[at] ?? atmosphere_Pa);
      if (dp < 0 && kind === 'oneWay') continue;
      const line = along * (layout.perMetre[part] ?? 0);
      const isAir =
        dp < 0 ? kind === 'air' || kind === 'vacuum' : isGasAtEnd(state, layout, part, nipple.height);
      const bore = (128 * fluid.viscosity_Pa_s * nipple.length_m) / (Math.PI * nipple.bore_m ** 4);
      const throat = nipple.discharge * (Math.PI / 4) * nipple.bore_m ** 2;
      const share = (isAir ? AIR_SHARE : 1) / (open * open);
      const r = Math.max(line + bore * share, LEAST_RESISTANCE);
      const k = (fluid.density_kg_m3 / 2 / (throat * throat)) * share;
      const q = flow(dp, r, k);
      outflow[at] = q;
      residual[part] = (residual[part] ?? 0) + q * step_s;
      slope[part] = (slope[part] ?? 0) + conductanceOf(dp, r, k) * step_s;
    }
    if (newton(layout, work, work.rounds < STRAIGHT_ROUNDS ? 1 : 0.5) < CLOSE_ENOUGH_Pa) break;
  }
  return work;
}

/** One round: the pressures are corrected, by a share of what it asks for; returns the largest correction. */
function newton(
  { parent }: Layout,
  { residual, slope, conductance, pressure_Pa }: Work,
  share: number,
): number {
  const n = parent.length;
  for (let part = n - 1; part >= 0; part -= 1) {
    const from = parent[part] ?? -1;
    if (from < 0) continue;
    const passed = (conductance[part] ?? 0) / (slope[part] ?? 1);
    slope[from] = (slope[from] ?? 0) - (conductance[part] ?? 0) * passed;
    residual[from] = (residual[from] ?? 0) + (residual[part] ?? 0) * passed;
  }
  let largest = 0;
  for (let part = 0; part < n; part += 1) {
    const from = parent[part] ?? -1;
    const fed = from < 0 ? 0 : (conductance[part] ?? 0) * (residual[from] ?? 0);
    // From here on the residual of a part is its correction.
    const wanted = (-(residual[part] ?? 0) + fed) / (slope[part] ?? 1);
    const before = pressure_Pa[part] ?? 1;
    const after = Math.max(before + share * wanted, before / 5);
    residual[part] = wanted;
    pressure_Pa[part] = after;
    largest = Math.max(largest, Math.abs(after - before));
  }
  return largest;
}
