/**
 * Long bubbles in wide lines rise by themselves: gas and liquid change places, along a line, out of it at the top, and into it at its
 * foot where gas stands there. Nothing is made or lost by it.
 */
import type { Side } from './slugs.ts';
import { endPlace, placeOf, pushSlug, takeSlug } from './slugs.ts';
import type { BleedState, Layout } from './state.ts';

export function rise(layout: Layout, state: BleedState, step_s: number): void {
  for (let line = 0; line < layout.parent.length; line += 1) {
    const speed = layout.rise_m_s[line] ?? 0;
    if (speed === 0 || layout.isLine[line] !== 1) continue;
    const most_m3 = speed * step_s * (layout.area_m2[line] ?? 0);
    const top: Side = (layout.slope[line] ?? 0) > 0 ? 1 : 0;
    if ((state.gas_J[line] ?? 0) > 0) {
      out(layout, state, line, top, most_m3);
      within(state, line, top, most_m3);
    }
    enter(layout, state, line, top === 1 ? 0 : 1, most_m3);
  }
}

/** What lies beyond an end of a line; −1 where nothing does. */
function beyond({ parent }: Layout, line: number, side: Side): number {
  if (side === 0) return parent[line] ?? -1;
  for (let part = line + 1; part < parent.length; part += 1) if (parent[part] === line) return part;
  return -1;
}

/** Liquid from above each gas slug goes below it. */
function within(state: BleedState, line: number, top: Side, most_m3: number): void {
  const count = state.count[line] ?? 0;
  // From the highest on: what came down past one is above the next.
  for (let turn = 1; turn < count; turn += 1) {
    const nth = top === 1 ? count - 1 - turn : turn;
    const own = placeOf(state, line, nth);
    if (state.isGas[own] !== 1) continue;
    const [above, below] = top === 1 ? [nth + 1, nth - 1] : [nth - 1, nth + 1];
    const from = placeOf(state, line, above);
    const some = Math.min(most_m3, state.amount[from] ?? 0);
    if (below >= 0 && below < count) {
      const to = placeOf(state, line, below);
      state.amount[to] = (state.amount[to] ?? 0) + some;
      state.amount[from] = (state.amount[from] ?? 0) - some;
    } else if (some > 0) {
      // At the foot there is nothing below it yet.
      state.amount[from] = (state.amount[from] ?? 0) - some;
      pushSlug(state, line, top === 1 ? 0 : 1, 0, some, 0);
      return;
    }
  }
}

const gasStandsAt = (
  { volume_m3, inlet, outletOf, parent }: Layout,
  state: BleedState,
  pool: number,
  line: number,
) => {
  const height = parent[line] === pool ? (outletOf[line] ?? 1) : (inlet[pool] ?? 1);
  const above_m3 = (1 - height) * (volume_m3[pool] ?? 0);
  return (state.gas_J[pool] ?? 0) > above_m3 * (state.pressure_Pa[pool] ?? 0) + 1e-9;
};

/** Gas at the top of a line goes on, and as much liquid comes down to below it. */
function out(layout: Layout, state: BleedState, line: number, top: Side, most_m3: number): void {
  const end = endPlace(state, line, top);
  const next = beyond(layout, line, top);
  if (end < 0 || next < 0 || state.isGas[end] !== 1) return;
  const pressure = state.pressure_Pa[line] ?? 1;
  const foot: Side = top === 1 ? 0 : 1;
  const facing: Side = top === 1 ? 0 : 1;
  const isLine = layout.isLine[next] === 1;
  const entry = isLine ? endPlace(state, next, facing) : -1;
  const liquid = !isLine
    ? (state.liquid_m3[next] ?? 0)
    : entry >= 0 && state.isGas[entry] === 0
      ? (state.amount[entry] ?? 0)
      : 0;
  const some = Math.min(most_m3, liquid, (state.amount[end] ?? 0) / pressure);
  if (some <= 0) return;
  const gas = Math.min(some * pressure, state.amount[end] ?? 0);
  if (isLine) takeSlug(state, next, facing, some);
  state.liquid_m3[next] = (state.liquid_m3[next] ?? 0) - some;
  state.gas_J[next] = (state.gas_J[next] ?? 0) + gas;
  if (isLine) pushSlug(state, next, facing, 1, gas, 0);
  takeSlug(state, line, top, gas);
  state.gas_J[line] = Math.max(0, (state.gas_J[line] ?? 0) - gas);
  state.liquid_m3[line] = (state.liquid_m3[line] ?? 0) + some;
  putBelowGas(state, line, top, foot, some);
}

/** Below the gas at the top; where all of the line is gas, at its foot. */
function putBelowGas(state: BleedState, line: number, top: Side, foot: Side, some_m3: number): void {
  const count = state.count[line] ?? 0;
  for (let turn = 0; turn < count; turn += 1) {
    const place = placeOf(state, line, top === 1 ? count - 1 - turn : turn);
    if (state.isGas[place] === 1) continue;
    state.amount[place] = (state.amount[place] ?? 0) + some_m3;
    return;
  }
  pushSlug(state, line, foot, 0, some_m3, 0);
}

/** Gas that stands in a pool at the foot of a line goes up into it, and as much liquid comes down. */
function enter(layout: Layout, state: BleedState, line: number, foot: Side, most_m3: number): void {
  const pool = beyond(layout, line, foot);
  if (pool < 0 || layout.isLine[pool] === 1 || !gasStandsAt(layout, state, pool, line)) return;
  const end = endPlace(state, line, foot);
  if (end < 0) return;
  const count = state.count[line] ?? 0;
  const isGas = state.isGas[end] === 1;
  // Gas that stands in the foot already: what is above it comes down through it.
  const source = isGas ? (count > 1 ? placeOf(state, line, foot === 0 ? 1 : count - 2) : -1) : end;
  if (source < 0) return;
  const pressure = state.pressure_Pa[pool] ?? 1;
  const some = Math.min(most_m3, state.amount[source] ?? 0, (state.gas_J[pool] ?? 0) / pressure);
  if (some <= 0) return;
  const gas = Math.min(some * pressure, state.gas_J[pool] ?? 0);
  if (isGas) state.amount[source] = (state.amount[source] ?? 0) - some;
  else takeSlug(state, line, foot, some);
  state.liquid_m3[line] = Math.max(0, (state.liquid_m3[line] ?? 0) - some);
  state.liquid_m3[pool] = (state.liquid_m3[pool] ?? 0) + some;
  state.gas_J[pool] = (state.gas_J[pool] ?? 0) - gas;
  state.gas_J[line] = (state.gas_J[line] ?? 0) + gas;
  pushSlug(state, line, foot, 1, gas, 0);
}
