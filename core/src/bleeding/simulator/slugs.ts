/** The row of slugs in a line, from the end towards the master on: what comes in at one end pushes out at the other. */
import type { BleedState } from './state.ts';
import { MOST_SLUGS } from './state.ts';

/** The end of a line towards the master, or the other. */
export type Side = 0 | 1;

const MASK = MOST_SLUGS - 1;

/** Where the slug is kept that lies so many from the end towards the master. */
export const placeOf = (state: BleedState, line: number, nth: number): number =>
  line * MOST_SLUGS + (((state.first[line] ?? 0) + nth) & MASK);

/** The slug at an end; −1 in an empty line. */
export function endPlace(state: BleedState, line: number, side: Side): number {
  const count = state.count[line] ?? 0;
  return count === 0 ? -1 : placeOf(state, line, side === 0 ? 0 : count - 1);
}

/** Puts liquid or gas in at an end: it joins what is like it there. `least_m3`: a slug between two others that is shorter joins the next. */
export function pushSlug(
  state: BleedState,
  line: number,
  side: Side,
  isGas: 0 | 1,
  amount: number,
  least_m3: number,
): void {
  const end = endPlace(state, line, side);
  if (end >= 0 && state.isGas[end] === isGas) {
    state.amount[end] = (state.amount[end] ?? 0) + amount;
    return;
  }
  if (state.count[line] === MOST_SLUGS) mergeSmallest(state, line);
  if (side === 0) state.first[line] = ((state.first[line] ?? 0) - 1) & MASK;
  state.count[line] = (state.count[line] ?? 0) + 1;
  const at = placeOf(state, line, side === 0 ? 0 : (state.count[line] ?? 1) - 1);
  state.amount[at] = amount;
  state.isGas[at] = isGas;
  // What was the end until now is an end no more: too short to part its neighbours, it does not.
  mergeSliver(state, line, side === 0 ? 1 : (state.count[line] ?? 1) - 2, least_m3);
}

/** Takes some of the slug at an end; one that is used up is gone. */
export function takeSlug(state: BleedState, line: number, side: Side, amount: number): void {
  const end = endPlace(state, line, side);
  const left = (state.amount[end] ?? 0) - amount;
  if (left > 0) {
    state.amount[end] = left;
    return;
  }
  state.amount[end] = 0;
  if (side === 0) state.first[line] = ((state.first[line] ?? 0) + 1) & MASK;
  state.count[line] = (state.count[line] ?? 1) - 1;
}

const volumeAt = (state: BleedState, line: number, place: number): number =>
  state.isGas[place] === 1
    ? (state.amount[place] ?? 0) / (state.pressure_Pa[line] ?? 1)
    : (state.amount[place] ?? 0);

/** A slug inside that is too short gives itself to the next but one of its kind, and its neighbours become one. */
function mergeSliver(state: BleedState, line: number, nth: number, least_m3: number): void {
  if (nth < 1 || nth > (state.count[line] ?? 0) - 2) return;
  if (volumeAt(state, line, placeOf(state, line, nth)) < least_m3) merge(state, line, nth);
}

function mergeSmallest(state: BleedState, line: number): void {
  let [smallest, least_m3] = [1, Infinity];
  for (let nth = 1; nth < (state.count[line] ?? 0) - 1; nth += 1) {
    const own_m3 = volumeAt(state, line, placeOf(state, line, nth));
    if (own_m3 < least_m3) [smallest, least_m3] = [nth, own_m3];
  }
  merge(state, line, smallest);
}

/** Slug `nth` goes to the next of its kind away from the master, or towards it at the end; those on both sides of it become one. */
function merge(state: BleedState, line: number, nth: number): void {
  const count = state.count[line] ?? 0;
  const own = placeOf(state, line, nth);
  const before = placeOf(state, line, nth - 1);
  const after = placeOf(state, line, nth + 1);
  const heir =
    nth + 2 < count ? placeOf(state, line, nth + 2) : nth >= 2 ? placeOf(state, line, nth - 2) : -1;
  state.amount[before] = (state.amount[before] ?? 0) + (state.amount[after] ?? 0);
  if (heir < 0) {
    // Only three of them: it goes behind the others.
    const [amount, kind] = [state.amount[own] ?? 0, state.isGas[own] ?? 0];
    state.amount[own] = amount;
    state.isGas[own] = kind;
    state.amount[after] = 0;
    state.count[line] = count - 1;
    return;
  }
  state.amount[heir] = (state.amount[heir] ?? 0) + (state.amount[own] ?? 0);
  for (let at = nth; at + 2 < count; at += 1) {
    const [to, from] = [placeOf(state, line, at), placeOf(state, line, at + 2)];
    state.amount[to] = state.amount[from] ?? 0;
    state.isGas[to] = state.isGas[from] ?? 0;
  }
  state.count[line] = count - 2;
}
