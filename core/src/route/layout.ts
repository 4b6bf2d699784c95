/**
 * Where the nodes of a hose lie. Without a stiffener they are even. A stiffener is one node: its tangent carries the hose on
 * straight for the stiffener's length, and the bending pieces before and after it have even steps of their own.
 */

/** A straight, rigid piece between two places along a free span, metres from its start. */
export interface Stiff {
  readonly from_m: number;
  readonly to_m: number;
}

/** All lengths as shares of the span. */
export interface RodLayout {
  /** One over the step from each node to the next. */
  readonly inverse: Float64Array;
  /** How far each node's tangent carries the hose; they add up to one. */
  readonly weight: Float64Array;
  /** How far from the start each node lies; a stiffener's node at the stiffener's first end. */
  readonly at: Float64Array;
  /** The nodes that are stiffeners, and how long those are. */
  readonly stiff: readonly { readonly node: number; readonly share: number }[];
}

/** Steps of a bending piece, however short. */
const LEAST_STEPS = 4;

const even = new Map<number, RodLayout>();

/** Even steps: the same arrays for every hose of so many nodes. */
export function evenLayout(nodes: number): RodLayout {
  const known = even.get(nodes);
  if (known) return known;
  const layout = inPieces([1], [], nodes);
  even.set(nodes, layout);
  return layout;
}

/**
 * For a span with stiffeners, in order along it, none touching another or an end. More pieces than there are steps for is
 * the caller's mistake.
 */
export function layoutOf(length_m: number, stiffs: readonly Stiff[], nodes: number): RodLayout {
  if (stiffs.length === 0) return evenLayout(nodes);
  const edges = [0, ...stiffs.flatMap(({ from_m, to_m }) => [from_m, to_m]), length_m];
  const shares = edges.slice(1).map((edge_m, index) => (edge_m - (edges[index] ?? 0)) / length_m);
  return inPieces(
    shares.filter((_share, index) => index % 2 === 0),
    shares.filter((_share, index) => index % 2 === 1),
    nodes,
  );
}

function inPieces(soft: readonly number[], rigid: readonly number[], nodes: number): RodLayout {
  const steps = stepsOf(soft, nodes);
  const layout = {
    inverse: new Float64Array(nodes),
    weight: new Float64Array(nodes + 1),
    at: new Float64Array(nodes + 1),
    stiff: [] as { readonly node: number; readonly share: number }[],
  };
  const { inverse, weight, at } = layout;
  let node = 0;
  let place = 0;
  for (const [piece, share] of soft.entries()) {
    const count = steps[piece] ?? 1;
    const step = share / count;
    for (let index = 0; index < count; index += 1) {
      inverse[node] = 1 / step;
      weight[node] = (weight[node] ?? 0) + step / 2;
      node += 1;
      weight[node] = (weight[node] ?? 0) + step / 2;
      at[node] = place + share * ((index + 1) / count);
    }
    place += share;
    const straight = rigid[piece];
    if (straight === undefined) continue;
    weight[node] = (weight[node] ?? 0) + straight;
    layout.stiff.push({ node, share: straight });
    place += straight;
  }
  return layout;
}

/** So many steps shared out by length, and none of the pieces left without. */
function stepsOf(soft: readonly number[], nodes: number): readonly number[] {
  const whole = soft.reduce((sum, share) => sum + share, 0);
  const steps = soft.map((share) => Math.max(LEAST_STEPS, Math.round((nodes * share) / whole)));
  const longest = soft.indexOf(Math.max(...soft));
  const spare = nodes - steps.reduce((sum, count) => sum + count, 0);
  return steps.map((count, piece) => (piece === longest ? count + spare : count));
}
