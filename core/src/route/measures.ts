/** What is read off a solved shape: points, curvature, tightest bend. */
import type { Vector } from '../geometry/vector.ts';
import type { RodEnds, RodShape } from './rod.ts';

/** Points along the hose, metres, from end to end: the trapezium rule over the tangents. */
export function rodPoints(ends: RodEnds, { tangents }: RodShape): readonly Vector[] {
  const nodes = tangents.length / 3 - 1;
  const half_m = ends.length_m / nodes / 2;
  const points: Vector[] = [ends.start.point_m];
  const at: [number, number, number] = [...ends.start.point_m];
  for (let node = 1; node <= nodes; node += 1) {
    for (let axis = 0; axis < 3; axis += 1)
      at[axis] =
        (at[axis] ?? 0) + half_m * ((tangents[3 * node - 3 + axis] ?? 0) + (tangents[3 * node + axis] ?? 0));
    points.push([at[0], at[1], at[2]]);
  }
  return points;
}

/**
 * Curvature at every node, both clamped ends included, 1/m. From the first integral ½K² = H + λ·t, with H taken from the
 * turns between the nodes: raw angles would miss what happens at the ferrules.
 */
export function curvatures(ends: RodEnds, { tangents, force }: RodShape): Float64Array {
  const nodes = tangents.length / 3 - 1;
  const pull = (node: number) =>
    force[0] * (tangents[3 * node] ?? 0) +
    force[1] * (tangents[3 * node + 1] ?? 0) +
    force[2] * (tangents[3 * node + 2] ?? 0);
  let sum = 0;
  for (let node = 0; node < nodes; node += 1) {
    // The angle between neighbours, not their chord: it is the turn itself.
    let square = 0;
    for (let axis = 0; axis < 3; axis += 1)
      square += ((tangents[3 * node + 3 + axis] ?? 0) - (tangents[3 * node + axis] ?? 0)) ** 2;
    const turn = 2 * Math.asin(Math.min(1, Math.sqrt(square) / 2)) * nodes;
    sum += (turn * turn) / 2 - (pull(node) + pull(node + 1)) / 2;
  }
  const level = sum / nodes;
  return Float64Array.from(
    { length: nodes + 1 },
    (_none, node) => Math.sqrt(Math.max(0, 2 * (level + pull(node)))) / ends.length_m,
  );
}

export interface TightestBend {
  /** Infinite for a straight hose. */
  readonly radius_m: number;
  /** Along the hose from its start, metres. */
  readonly at_m: number;
}

/** The tightest bend, between the nodes as well: a parabola through the largest and its neighbours. */
export function tightestBend(ends: RodEnds, shape: RodShape): TightestBend {
  const values = curvatures(ends, shape);
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
