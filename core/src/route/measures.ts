/** What is read off a solved shape: points, curvature, tightest bend. */
import type { Vector } from '../geometry/vector.ts';
import type { RodLayout } from './layout.ts';
import { evenLayout } from './layout.ts';
import type { RodEnds, RodShape } from './rod.ts';
import { energyOf } from './rod.ts';

const layoutIn = ({ tangents, layout }: RodShape): RodLayout =>
  layout ?? evenLayout(Math.max(1, tangents.length / 3 - 1));

/** Steps along a stiffener: as many in every pose, however the hose slides. */
const STIFF_STEPS = 8;

/**
 * Points along the hose, metres, from end to end: the trapezium rule over the tangents. Three numbers each. `into` takes
 * them where thousands of lines are read once and forgotten: every array of that size costs a call outside the heap.
 */
export function rodLine(ends: RodEnds, shape: RodShape, into?: Float64Array): Float64Array {
  const { tangents } = shape;
  const size = tangents.length + 3 * STIFF_STEPS * (shape.layout?.stiff.length ?? 0);
  const line = into?.length === size ? into : new Float64Array(size);
  const [x, y, z] = ends.start.point_m;
  line[0] = x;
  line[1] = y;
  line[2] = z;
  const { inverse, stiff } = layoutIn(shape);
  const nodes = inverse.length;
  let next = 0;
  let to = 3;
  for (let node = 0; node < nodes; node += 1) {
    const at = 3 * node;
    const straight = stiff[next];
    if (straight?.node === node) {
      const by_m = (ends.length_m * straight.share) / STIFF_STEPS;
      for (let point = 0; point < STIFF_STEPS; point += 1)
        for (let axis = 0; axis < 3; axis += 1) {
          line[to] = (line[to - 3] ?? 0) + by_m * (tangents[at + axis] ?? 0);
          to += 1;
        }
      next += 1;
    }
    const half_m = ends.length_m / (inverse[node] ?? 1) / 2;
    for (let axis = 0; axis < 3; axis += 1) {
      line[to] = (line[to - 3] ?? 0) + half_m * ((tangents[at + axis] ?? 0) + (tangents[at + 3 + axis] ?? 0));
      to += 1;
    }
  }
  return line;
}

/** No two points of the line are further apart along the hose, metres. */
export function longestStep_m(ends: RodEnds, { layout, tangents }: RodShape): number {
  if (!layout) return ends.length_m / (tangents.length / 3 - 1);
  let longest = 0;
  for (const inverse of layout.inverse) longest = Math.max(longest, 1 / inverse);
  for (const { share } of layout.stiff) longest = Math.max(longest, share / STIFF_STEPS);
  return ends.length_m * longest;
}

/** Where the stiffeners of a span begin and end. */
export function stiffEnds(ends: RodEnds, shape: RodShape): readonly (readonly [Vector, Vector])[] {
  const points = rodPoints(ends, shape);
  return (shape.layout?.stiff ?? []).flatMap(({ node }, index) => {
    const first = node + STIFF_STEPS * index;
    const [from, to] = [points[first], points[first + STIFF_STEPS]];
    return from && to ? [[from, to] as const] : [];
  });
}

/** The same as points. */
export function rodPoints(ends: RodEnds, shape: RodShape): readonly Vector[] {
  const line = rodLine(ends, shape);
  return Array.from({ length: line.length / 3 }, (_none, node): Vector => [
    line[3 * node] ?? 0,
    line[3 * node + 1] ?? 0,
    line[3 * node + 2] ?? 0,
  ]);
}

/** ½K² − λ·t of the bending piece that begins at a node, scaled: the mean over its steps, and where it ends. */
function levelFrom(
  first: number,
  { tangents, force }: RodShape,
  { inverse, stiff }: RodLayout,
): { readonly level: number; readonly last: number } {
  const [fx, fy, fz] = force;
  let last = inverse.length;
  for (const { node } of stiff) if (node > first && node < last) last = node;
  let sum = 0;
  let before = 0;
  for (let node = first; node <= last; node += 1) {
    const at = 3 * node;
    const x = tangents[at] ?? 0;
    const y = tangents[at + 1] ?? 0;
    const z = tangents[at + 2] ?? 0;
    const pull = fx * x + fy * y + fz * z;
    if (node > first) sum -= (before + pull) / 2;
    before = pull;
    if (node === last) break;
    const dx = (tangents[at + 3] ?? 0) - x;
    const dy = (tangents[at + 4] ?? 0) - y;
    const dz = (tangents[at + 5] ?? 0) - z;
    // The angle between neighbours, not their chord: it is the turn itself.
    const turn =
      2 * Math.asin(Math.min(1, Math.sqrt(dx * dx + dy * dy + dz * dz) / 2)) * (inverse[node] ?? 0);
    sum += (turn * turn) / 2;
  }
  return { level: sum / (last - first), last };
}

/**
 * Curvature at every node, both clamped ends included, 1/m. From the first integral ½K² = H + λ·t, with H taken from the
 * turns between the nodes of each bending piece: raw angles would miss what happens at the ferrules. At a stiffener the
 * larger of its two ends.
 */
export function curvatures(ends: RodEnds, shape: RodShape, into?: Float64Array): Float64Array {
  const { tangents, force } = shape;
  const layout = layoutIn(shape);
  const nodes = tangents.length / 3 - 1;
  const [fx, fy, fz] = force;
  const values = into?.length === nodes + 1 ? into : new Float64Array(nodes + 1);
  values.fill(0);
  for (let first = 0; first < nodes;) {
    const { level, last } = levelFrom(first, shape, layout);
    for (let node = first; node <= last; node += 1) {
      const at = 3 * node;
      const pull = fx * (tangents[at] ?? 0) + fy * (tangents[at + 1] ?? 0) + fz * (tangents[at + 2] ?? 0);
      const value = Math.sqrt(Math.max(0, 2 * (level + pull))) / ends.length_m;
      if (value > (values[node] ?? 0)) values[node] = value;
    }
    first = last;
  }
  return values;
}

/**
 * How much a hose wants to slide out of each end of a span, 1/m²: H over the length squared (½κ² less the pull along the
 * hose, over the stiffness) of its first and of its last bending piece. What a guide lets through until both sides are alike.
 */
export function pushes(
  ends: RodEnds,
  shape: RodShape,
): { readonly start_per_m2: number; readonly end_per_m2: number } {
  const layout = layoutIn(shape);
  const square = ends.length_m ** 2;
  const start = levelFrom(0, shape, layout).level / square;
  const last = layout.stiff.at(-1)?.node ?? 0;
  return {
    start_per_m2: start,
    end_per_m2: last === 0 ? start : levelFrom(last, shape, layout).level / square,
  };
}

export interface TightestBend {
  /** Infinite for a straight hose. */
  readonly radius_m: number;
  /** Along the hose from its start, metres. */
  readonly at_m: number;
}

/** Of the last hose that was looked at, to be written over by the next. */
let bends: Float64Array = new Float64Array(0);

/** The tightest bend, between the nodes as well: a parabola through the largest and its neighbours. */
export function tightestBend(ends: RodEnds, shape: RodShape): TightestBend {
  const values = (bends = curvatures(ends, shape, bends));
  const { at, stiff } = layoutIn(shape);
  let best = 0;
  for (let node = 1; node < values.length; node += 1)
    if ((values[node] ?? 0) > (values[best] ?? 0)) best = node;
  const [before, peak, after] = [values[best - 1], values[best] ?? 0, values[best + 1]];
  const at_m = (at[best] ?? 0) * ends.length_m;
  // At a clamped end, or beside a stiffener, the curve has no other side.
  if (before === undefined || after === undefined || stiff.some(({ node }) => node === best))
    return { radius_m: 1 / peak, at_m };
  const step_m = ((at[best + 1] ?? 0) - (at[best] ?? 0)) * ends.length_m;
  const bend = before - 2 * peak + after;
  const offset = bend < 0 ? (before - after) / (2 * bend) : 0;
  return {
    radius_m: 1 / (peak - ((before - after) * offset) / 4),
    at_m: at_m + offset * step_m,
  };
}

/** ∫κ² ds, 1/m: twice the bending energy over the stiffness. */
export const bending = (ends: RodEnds, shape: RodShape): number => energyOf(shape) / ends.length_m;
