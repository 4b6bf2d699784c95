/** What is read off a solved shape: points, curvature, tightest bend. */
import type { Vector } from '../geometry/vector.ts';
import type { RodEnds, RodShape } from './rod.ts';

/**
 * Points along the hose, metres, from end to end: the trapezium rule over the tangents. Three numbers each. `into` takes
 * them where thousands of lines are read once and forgotten: every array of that size costs a call outside the heap.
 */
export function rodLine(ends: RodEnds, { tangents }: RodShape, into?: Float64Array): Float64Array {
  const half_m = ends.length_m / (tangents.length / 3 - 1) / 2;
  const line = into?.length === tangents.length ? into : new Float64Array(tangents.length);
  const [x, y, z] = ends.start.point_m;
  line[0] = x;
  line[1] = y;
  line[2] = z;
  for (let at = 3; at < line.length; at += 1)
    line[at] = (line[at - 3] ?? 0) + half_m * ((tangents[at - 3] ?? 0) + (tangents[at] ?? 0));
  return line;
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

/**
 * Curvature at every node, both clamped ends included, 1/m. From the first integral ½K² = H + λ·t, with H taken from the
 * turns between the nodes: raw angles would miss what happens at the ferrules.
 */
export function curvatures(ends: RodEnds, { tangents, force }: RodShape, into?: Float64Array): Float64Array {
  const nodes = tangents.length / 3 - 1;
  const [fx, fy, fz] = force;
  // λ·t at every node first, then the curvature in its place.
  const values = into?.length === nodes + 1 ? into : new Float64Array(nodes + 1);
  let sum = 0;
  for (let node = 0; node <= nodes; node += 1) {
    const at = 3 * node;
    const x = tangents[at] ?? 0;
    const y = tangents[at + 1] ?? 0;
    const z = tangents[at + 2] ?? 0;
    const pull = fx * x + fy * y + fz * z;
    values[node] = pull;
    sum -= node === 0 || node === nodes ? pull / 2 : pull;
    if (node === nodes) break;
    const dx = (tangents[at + 3] ?? 0) - x;
    const dy = (tangents[at + 4] ?? 0) - y;
    const dz = (tangents[at + 5] ?? 0) - z;
    // The angle between neighbours, not their chord: it is the turn itself.
    const turn = 2 * Math.asin(Math.min(1, Math.sqrt(dx * dx + dy * dy + dz * dz) / 2)) * nodes;
    sum += (turn * turn) / 2;
  }
  const level = sum / nodes;
  for (let node = 0; node <= nodes; node += 1)
    values[node] = Math.sqrt(Math.max(0, 2 * (level + (values[node] ?? 0)))) / ends.length_m;
  return values;
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
  let best = 0;
  for (let node = 1; node < values.length; node += 1)
    if ((values[node] ?? 0) > (values[best] ?? 0)) best = node;
  const [before, peak, after] = [values[best - 1], values[best] ?? 0, values[best + 1]];
  const step_m = ends.length_m / (values.length - 1);
  if (before === undefined || after === undefined) return { radius_m: 1 / peak, at_m: best * step_m };
  const bend = before - 2 * peak + after;
  const offset = bend < 0 ? (before - after) / (2 * bend) : 0;
  return {
    radius_m: 1 / (peak - ((before - after) * offset) / 4),
    at_m: (best + offset) * step_m,
  };
}

/** ∫κ² ds, 1/m: twice the bending energy over the stiffness. */
export function bending(ends: RodEnds, { tangents }: RodShape): number {
  const nodes = tangents.length / 3 - 1;
  let sum = 0;
  for (let at = 0; at + 3 < tangents.length; at += 1)
    sum += ((tangents[at + 3] ?? 0) - (tangents[at] ?? 0)) ** 2;
  return (sum * nodes) / ends.length_m;
}
