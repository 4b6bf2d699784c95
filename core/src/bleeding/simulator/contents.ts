/**
 * Contents go where the flows take them, slug by slug from the giver's end: liquid at the giver's pressure, gas at the receiver's. What
 * leaves one part enters another to the last bit; an error of the pressures is taken up by the next step.
 */
import type { Side } from './slugs.ts';
import { endPlace, pushSlug, takeSlug } from './slugs.ts';
import type { BleedState, Layout } from './state.ts';
import { OUTLETS } from './state.ts';
import type { Work } from './pressures.ts';

/** Less than this is nothing: a billionth of a drop. */
const NOTHING_m3 = 1e-19;

type Put = (isGas: 0 | 1, amount: number) => void;

interface Wanted {
  readonly wanted_m3: number;
  /** Of liquid at atmosphere, at the giver's pressure. */
  readonly liquidShare: number;
  /** The receiver's. */
  readonly gas_Pa: number;
}

/**
 * A pool gives what stands at the opening: gas until the level has risen to it, then liquid. Of the gas that was there each opening
 * gets its share of the flow, whichever is asked first.
 */
function fromPool(
  layout: Layout,
  state: BleedState,
  work: Work,
  part: number,
  height: number,
  { wanted_m3, liquidShare, gas_Pa }: Wanted,
  turn: number,
  put: Put,
): void {
  // What stands above the opening stays, at the pressure of the pool; what goes counts at the receiver's.
  const above_J = (1 - height) * (layout.volume_m3[part] ?? 0) * (state.pressure_Pa[part] ?? gas_Pa);
  let left = wanted_m3;
  const gas_J = Math.min(((work.gasThen[part] ?? 0) - above_J) * turn, state.gas_J[part] ?? 0, left * gas_Pa);
  if (gas_J > 0) {
    state.gas_J[part] = (state.gas_J[part] ?? 0) - gas_J;
    put(1, gas_J);
    left -= gas_J / gas_Pa;
  }
  const liquid_m3 = Math.min(left / liquidShare, state.liquid_m3[part] ?? 0);
  if (liquid_m3 <= NOTHING_m3) return;
  state.liquid_m3[part] = (state.liquid_m3[part] ?? 0) - liquid_m3;
  put(0, liquid_m3);
}

function fromLine(
  state: BleedState,
  line: number,
  side: Side,
  { wanted_m3, liquidShare, gas_Pa }: Wanted,
  put: Put,
): void {
  let left = wanted_m3;
  while (left > NOTHING_m3) {
    const end = endPlace(state, line, side);
    if (end < 0) return;
    const has = state.amount[end] ?? 0;
    const isGas = state.isGas[end] === 1;
    const per = isGas ? gas_Pa : 1 / liquidShare;
    const amount = Math.min(has, left * per);
    takeSlug(state, line, side, amount);
    if (isGas) state.gas_J[line] = Math.max(0, (state.gas_J[line] ?? 0) - amount);
    else state.liquid_m3[line] = Math.max(0, (state.liquid_m3[line] ?? 0) - amount);
    put(isGas ? 1 : 0, amount);
    left -= amount / per;
  }
}

function into(layout: Layout, state: BleedState, part: number, side: Side): Put {
  const isLine = layout.isLine[part] === 1;
  // Shorter than the bore.
  const least_m3 = isLine
    ? (layout.area_m2[part] ?? 0) * Math.sqrt((layout.area_m2[part] ?? 0) * (4 / Math.PI))
    : 0;
  return (isGas, amount) => {
    if (amount <= 0) return;
    if (isGas === 1) state.gas_J[part] = (state.gas_J[part] ?? 0) + amount;
    else state.liquid_m3[part] = (state.liquid_m3[part] ?? 0) + amount;
    if (isLine) pushSlug(state, part, side, isGas, amount, least_m3);
  };
}

const shareAt = ({ system: { fluid, atmosphere_Pa } }: Layout, pressure_Pa: number): number =>
  1 - (pressure_Pa - atmosphere_Pa) / fluid.bulkModulus_Pa;

/** What leaves each part in a second, m³, and the gas that was there before anything moved. */
function tally({ parent, masters, nippleOn }: Layout, state: BleedState, work: Work): void {
  work.gasThen.set(state.gas_J);
  const leaving = work.leaving.fill(0);
  const add = (part: number, flow: number) => (leaving[part] = (leaving[part] ?? 0) + Math.max(0, flow));
  for (let part = 0; part < parent.length; part += 1) {
    const from = parent[part] ?? -1;
    if (from < 0) continue;
    const flow = work.inflow[part] ?? 0;
    add(flow > 0 ? from : part, Math.abs(flow));
  }
  for (const part of masters) add(part, -(work.port[part] ?? 0));
  for (let at = 0; at < nippleOn.length; at += 1) add(nippleOn[at] ?? 0, work.outflow[at] ?? 0);
}

/** Of what leaves a part, the share of one flow. */
const turnOf = (work: Work, part: number, flow: number): number =>
  Math.min(1, flow / Math.max(work.leaving[part] ?? 0, Number.MIN_VALUE));

/** Moves what flowed in one step. The pressures of the state are those that were found. */
export function move(layout: Layout, state: BleedState, work: Work, step_s: number): void {
  const { parent, isLine, outletOf, inlet, masters, nippleOn } = layout;
  const { pressure_Pa } = state;
  tally(layout, state, work);
  for (let part = 0; part < parent.length; part += 1) {
    const from = parent[part] ?? -1;
    const flow = work.inflow[part] ?? 0;
    if (from < 0 || flow === 0) continue;
    const isOn = flow > 0;
    const [giver, receiver] = isOn ? [from, part] : [part, from];
    const put = into(layout, state, receiver, isOn ? 0 : 1);
    const wanted = {
      wanted_m3: Math.abs(flow) * step_s,
      liquidShare: shareAt(layout, pressure_Pa[giver] ?? 0),
      gas_Pa: pressure_Pa[receiver] ?? 0,
    };
    const height = isOn ? (outletOf[part] ?? 1) : (inlet[part] ?? 1);
    if (isLine[giver] === 1) fromLine(state, giver, isOn ? 1 : 0, wanted, put);
    else fromPool(layout, state, work, giver, height, wanted, turnOf(work, giver, Math.abs(flow)), put);
  }
  for (const part of masters)
    for (const flow of [work.port[part] ?? 0, work.seal[part] ?? 0])
      throughReservoir(layout, state, work, part, flow, step_s);
  for (let at = 0; at < nippleOn.length; at += 1)
    throughNipple(layout, state, work, at, work.outflow[at] ?? 0, step_s);
}

/** Into a master, or back: a reservoir that is empty gives air, and air that comes up leaves through its lid. */
function throughReservoir(
  layout: Layout,
  state: BleedState,
  work: Work,
  part: number,
  flow: number,
  step_s: number,
): void {
  const volume_m3 = flow * step_s;
  const which = layout.reservoirOf[part] ?? 0;
  const { atmosphere_Pa } = layout.system;
  const supply_Pa = atmosphere_Pa + (state.over_Pa[which] ?? 0);
  if (volume_m3 > 0) {
    const put = into(layout, state, part, 0);
    const liquid = Math.min(volume_m3, state.left_m3[which] ?? 0);
    if (liquid > 0) {
      state.left_m3[which] = (state.left_m3[which] ?? 0) - liquid;
      put(0, liquid);
    }
    const air = (volume_m3 - liquid) * supply_Pa;
    if (air > 0) {
      state.airDrawn_J[which] = (state.airDrawn_J[which] ?? 0) + air;
      put(1, air);
    }
    return;
  }
  if (volume_m3 === 0) return;
  const wanted = {
    wanted_m3: -volume_m3,
    liquidShare: shareAt(layout, state.pressure_Pa[part] ?? 0),
    gas_Pa: supply_Pa,
  };
  fromPool(layout, state, work, part, 1, wanted, turnOf(work, part, -flow), (isGas, amount) => {
    if (isGas === 1) state.airGivenBack_J[which] = (state.airGivenBack_J[which] ?? 0) + amount;
    else state.left_m3[which] = (state.left_m3[which] ?? 0) + amount;
  });
}

function throughNipple(
  layout: Layout,
  state: BleedState,
  work: Work,
  at: number,
  flow: number,
  step_s: number,
): void {
  const volume_m3 = flow * step_s;
  const part = layout.nippleOn[at] ?? -1;
  if (part < 0 || volume_m3 === 0) return;
  const kind = OUTLETS[state.outlet[at] ?? 0];
  const outlet_Pa = state.outlet_Pa[at] ?? layout.system.atmosphere_Pa;
  if (volume_m3 < 0) {
    const put = into(layout, state, part, 1);
    if (kind === 'air' || kind === 'vacuum') {
      const air = -volume_m3 * outlet_Pa;
      state.airIn_J[at] = (state.airIn_J[at] ?? 0) + air;
      put(1, air);
    } else {
      state.liquidIn_m3[at] = (state.liquidIn_m3[at] ?? 0) - volume_m3;
      put(0, -volume_m3);
    }
    return;
  }
  const wanted = {
    wanted_m3: volume_m3,
    liquidShare: shareAt(layout, state.pressure_Pa[part] ?? 0),
    gas_Pa: outlet_Pa,
  };
  const height = layout.system.nipples[at]?.height ?? 1;
  const out: Put = (isGas, amount) => {
    if (isGas === 1) state.airOut_J[at] = (state.airOut_J[at] ?? 0) + amount;
    else state.passed_m3[at] = (state.passed_m3[at] ?? 0) + amount;
  };
  const before = state.passed_m3[at] ?? 0;
  if (layout.isLine[part] === 1) fromLine(state, part, 1, wanted, out);
  else fromPool(layout, state, work, part, height, wanted, turnOf(work, part, flow), out);
  if (kind !== 'vacuum') return;
  // The pot fills, and its air is squeezed.
  const pot = state.pot_m3[at] ?? 0;
  const left = Math.max(pot - ((state.passed_m3[at] ?? 0) - before), pot * 1e-6);
  state.outlet_Pa[at] = (outlet_Pa * pot) / left;
  state.pot_m3[at] = left;
}
