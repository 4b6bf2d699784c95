/**
 * The simulator of bleeding: levers are moved, nipples opened, reservoirs filled, and time passes. Deterministic: the same system and
 * the same actions give the same bits.
 */
import { demand, unphysical } from '../../calculation/physical.ts';
import { move } from './contents.ts';
import type { Work } from './pressures.ts';
import { solve, workFor } from './pressures.ts';
import { rise } from './rising.ts';
import { pushSlug } from './slugs.ts';
import type { BleedState, Layout, OutletKind } from './state.ts';
import { copied, filledState, keep, layoutOf, OUTLETS } from './state.ts';
import type { BleedSystem } from './system.ts';
import { systemProblem } from './system.ts';

/** Four steps in a frame of a screen. */
const STEP_s = 1 / 240;
/** A burst is followed so closely. */
const SHORTEST_s = STEP_s / 64;
const BURST_Pa = 1e5;

export interface Bleeding {
  readonly layout: Layout;
  readonly state: BleedState;
  readonly work: Work;
}

/** Full of fluid and at rest. Throws `NotPhysical` where the system is none. */
export function bleeding(system: BleedSystem): Bleeding {
  demand(systemProblem(system));
  const layout = layoutOf(system);
  return { layout, state: filledState(layout), work: workFor(layout) };
}

/** Goes its own way from here. */
export const branched = ({ layout, state }: Bleeding): Bleeding => ({
  layout,
  state: copied(state),
  work: workFor(layout),
});

/** The frame of one into another that was branched from it. */
export const keepFrame = (from: Bleeding, into: Bleeding): void => keep(from.state, into.state);

function partAt({ layout }: Bleeding, id: string): number {
  const at = layout.system.parts.findIndex((part) => part.id === id);
  if (at < 0) demand({ code: 'noFluidPath', field: 'part' });
  return at;
}
function nippleAt({ layout }: Bleeding, id: string): number {
  const at = layout.system.nipples.findIndex((nipple) => nipple.id === id);
  if (at < 0) demand({ code: 'noFluidPath', field: 'nipple' });
  return at;
}
function reservoirAt({ layout }: Bleeding, id: string): number {
  const at = layout.system.reservoirs.findIndex((one) => one.id === id);
  if (at < 0) demand({ code: 'noFluidPath', field: 'reservoir' });
  return at;
}

/** The piston goes to a place at a speed; a hand yields where the pressure goes over its limit. */
export function moveLever(
  bled: Bleeding,
  master: string,
  {
    to_m,
    speed_m_s,
    limit_Pa = 1e9,
  }: { readonly to_m: number; readonly speed_m_s: number; readonly limit_Pa?: number },
): void {
  demand(
    unphysical({ to_m, speed_m_s, limit_Pa }, { positive: ['speed_m_s', 'limit_Pa'], notNegative: ['to_m'] }),
  );
  const at = partAt(bled, master);
  const own = bled.layout.system.parts[at];
  bled.state.target_m[at] = Math.min(to_m, own?.kind === 'master' ? own.stroke_m : 0);
  bled.state.speed_m_s[at] = speed_m_s;
  bled.state.limit_Pa[at] = limit_Pa;
}

/** From shut, 0, to as open as its bore, 1. */
export function openNipple(bled: Bleeding, nipple: string, opening: number): void {
  demand(unphysical({ opening }, { notNegative: ['opening'] }));
  bled.state.opening[nippleAt(bled, nipple)] = Math.min(opening, 1);
}

export interface Outlet {
  readonly kind: OutletKind;
  /** Of a vacuum: below atmosphere, and the room in its pot. */
  readonly below_Pa?: number;
  readonly pot_m3?: number;
  /** Of a syringe: into the brake. */
  readonly push_m3_s?: number;
}
export function setOutlet(bled: Bleeding, nipple: string, outlet: Outlet): void {
  const { kind, below_Pa = 0, pot_m3 = 1e-4, push_m3_s = 0 } = outlet;
  demand(
    unphysical(
      { below_Pa, pot_m3, push_m3_s },
      { positive: ['pot_m3'], notNegative: ['below_Pa', 'push_m3_s'] },
    ),
  );
  const { state, layout } = bled;
  const at = nippleAt(bled, nipple);
  state.outlet[at] = OUTLETS.indexOf(kind);
  state.outlet_Pa[at] = Math.max(layout.system.atmosphere_Pa - below_Pa, 1);
  state.pot_m3[at] = pot_m3;
  state.push_m3_s[at] = kind === 'syringe' ? push_m3_s : 0;
}

/** Fluid goes in, or comes out by syringe; `over_Pa` from a pressure bottle. What does not go in is told. */
export function fillReservoir(
  bled: Bleeding,
  reservoir: string,
  { add_m3 = 0, over_Pa }: { readonly add_m3?: number; readonly over_Pa?: number },
): { readonly spilt_m3: number } {
  demand(unphysical({ add_m3, over_Pa: over_Pa ?? 0 }, { notNegative: ['over_Pa'] }));
  const at = reservoirAt(bled, reservoir);
  const { usable_m3 = 0 } = bled.layout.system.reservoirs[at] ?? {};
  const wanted = Math.max(0, (bled.state.left_m3[at] ?? 0) + add_m3);
  bled.state.left_m3[at] = Math.min(wanted, usable_m3);
  if (over_Pa !== undefined) bled.state.over_Pa[at] = over_Pa;
  return { spilt_m3: Math.max(0, wanted - usable_m3) };
}

/** Instead of as much fluid there is air, at atmosphere: in a pool, or in a line so far from its end towards the master. */
export function putAir(
  bled: Bleeding,
  part: string,
  air_m3: number,
  { from_m = 0 }: { readonly from_m?: number } = {},
): void {
  demand(unphysical({ air_m3, from_m }, { notNegative: ['air_m3', 'from_m'] }));
  const { layout, state } = bled;
  const at = partAt(bled, part);
  const room = layout.isLine[at] === 1 ? (layout.volume_m3[at] ?? 0) : (state.liquid_m3[at] ?? 0);
  const air = Math.min(air_m3, room);
  const gas = air * layout.system.atmosphere_Pa;
  if (layout.isLine[at] !== 1) {
    state.liquid_m3[at] = (state.liquid_m3[at] ?? 0) - air;
    state.gas_J[at] = (state.gas_J[at] ?? 0) + gas;
    return;
  }
  const before = Math.min(from_m * (layout.area_m2[at] ?? 0), room - air);
  state.count[at] = 0;
  state.first[at] = 0;
  state.liquid_m3[at] = room - air;
  state.gas_J[at] = gas;
  if (before > 0) pushSlug(state, at, 1, 0, before, 0);
  if (gas > 0) pushSlug(state, at, 1, 1, gas, 0);
  if (room - air - before > 0) pushSlug(state, at, 1, 0, room - air - before, 0);
}

/**
 * Lets so many seconds pass. Longer steps are quicker and a little less exact: edges are met all the same, a burst is not followed through
 * them.
 */
export function advance(bled: Bleeding, seconds: number, longest_s = STEP_s): void {
  demand(unphysical({ seconds, longest_s }, { positive: ['longest_s'], notNegative: ['seconds'] }));
  const shortest_s = longest_s > STEP_s ? longest_s : SHORTEST_s;
  let left = seconds;
  while (left > 1e-12) left -= step(bled, Math.min(left, longest_s), shortest_s);
}

/** Up to the next edge: a piston that arrives, a port that closes or opens. */
function untilEdge({ layout, state }: Bleeding, most_s: number): number {
  let step_s = most_s;
  for (const part of layout.masters) {
    const master = layout.system.parts[part];
    if (master?.kind !== 'master') continue;
    const [at, to, speed] = [
      state.piston_m[part] ?? 0,
      state.target_m[part] ?? 0,
      state.speed_m_s[part] ?? 0,
    ];
    if (at === to || speed <= 0) continue;
    const port = master.freeTravel_m;
    const edge = (at < port && to > port) || (at > port && to < port) ? port : to;
    step_s = Math.min(step_s, Math.max(Math.abs(edge - at) / speed, 1e-9));
  }
  return step_s;
}

function movedPiston(at: number, to: number, by: number): number {
  const next = at < to ? Math.min(at + by, to) : Math.max(at - by, to);
  return Math.abs(next - to) < 1e-12 ? to : next;
}

const before_m = new Float64Array(64);

function step(bled: Bleeding, most_s: number, shortest_s: number): number {
  const { layout, state, work } = bled;
  let step_s = untilEdge(bled, most_s);
  for (const part of layout.masters) before_m[part % 64] = state.piston_m[part] ?? 0;
  for (;;) {
    for (const part of layout.masters) {
      const master = layout.system.parts[part];
      const at = before_m[part % 64] ?? 0;
      const next = movedPiston(at, state.target_m[part] ?? 0, (state.speed_m_s[part] ?? 0) * step_s);
      state.piston_m[part] = snapped(next, master?.kind === 'master' ? master.freeTravel_m : 0);
      work.isPortOpen[part] =
        master?.kind === 'master' && (at + (state.piston_m[part] ?? 0)) / 2 < master.freeTravel_m ? 1 : 0;
    }
    solve(layout, state, work, step_s);
    if (step_s <= shortest_s || !bursts(layout, state, work)) break;
    step_s /= 2;
  }
  state.pressure_Pa.set(work.pressure_Pa);
  move(layout, state, work, step_s);
  rise(layout, state, step_s);
  state.time_s += step_s;
  return step_s;
}

/** A piston that has come to the edge of its port stands there. */
const snapped = (at: number, edge: number): number => (Math.abs(at - edge) < 1e-12 ? edge : at);

/** Somewhere a high pressure has fallen by half. */
function bursts({ parent, system }: Layout, state: BleedState, { pressure_Pa }: Work): boolean {
  for (let part = 0; part < parent.length; part += 1) {
    const before = (state.pressure_Pa[part] ?? 0) - system.atmosphere_Pa;
    if (before > BURST_Pa && (pressure_Pa[part] ?? 0) - system.atmosphere_Pa < before / 2) return true;
  }
  return false;
}

/** Gauge. */
export const pressureAt = (bled: Bleeding, part: string): number =>
  (bled.state.pressure_Pa[partAt(bled, part)] ?? 0) - bled.layout.system.atmosphere_Pa;

/** At atmosphere. */
export const airIn = (bled: Bleeding, part: string): number =>
  (bled.state.gas_J[partAt(bled, part)] ?? 0) / bled.layout.system.atmosphere_Pa;

/** In all parts, at atmosphere. */
export function airLeft({ layout, state }: Bleeding): number {
  let sum = 0;
  for (const gas of state.gas_J) sum += gas;
  return sum / layout.system.atmosphere_Pa;
}

/** Where the piston really stands: a hand that yields lags behind. */
export function pistonAt(bled: Bleeding, master: string): number {
  const at = partAt(bled, master);
  const { state, layout } = bled;
  const over = (state.pressure_Pa[at] ?? 0) - layout.system.atmosphere_Pa - (state.limit_Pa[at] ?? 0);
  return Math.max(0, (state.piston_m[at] ?? 0) - (over > 0 ? (over * 1e-9) / (layout.area_m2[at] ?? 1) : 0));
}

/** What came out of a nipple, liquid, and air at atmosphere; and what went in. */
export function passedAt(bled: Bleeding, nipple: string) {
  const at = nippleAt(bled, nipple);
  const { state, layout } = bled;
  const perAir = layout.system.atmosphere_Pa;
  return {
    liquid_m3: state.passed_m3[at] ?? 0,
    air_m3: (state.airOut_J[at] ?? 0) / perAir,
    liquidBack_m3: state.liquidIn_m3[at] ?? 0,
    airBack_m3: (state.airIn_J[at] ?? 0) / perAir,
  };
}

export const reservoirLeft = (bled: Bleeding, reservoir: string): number =>
  bled.state.left_m3[reservoirAt(bled, reservoir)] ?? 0;
