/** Shapes with half their nodes, for what is followed, read by eye or only looked for, and back to all of them. */
import type { RodShape } from './rod.ts';
import { NODES, nodesOf } from './rod.ts';

/**
 * Every other node of a shape: half the work for whatever is solved from it, and a bend that is at most two thousandths off
 * (tested). Shapes with stiffeners, whose nodes are their own, stay as they are.
 */
export function coarser(shape: RodShape): RodShape {
  const nodes = nodesOf(shape);
  if (shape.status !== 'converged' || shape.layout !== null || nodes !== NODES) return shape;
  const tangents = new Float64Array(3 * (nodes / 2 + 1));
  for (let at = 0; at < tangents.length; at += 3)
    for (let axis = 0; axis < 3; axis += 1) tangents[at + axis] = shape.tangents[2 * at + axis] ?? 0;
  return { ...shape, tangents };
}

/** Of a shape with half the nodes a start for one with all: the new ones half-way between. Others stay as they are. */
export function finer(shape: RodShape): RodShape {
  if (shape.status !== 'converged' || shape.layout !== null || nodesOf(shape) !== NODES / 2) return shape;
  const { tangents: few } = shape;
  const tangents = new Float64Array(3 * (NODES + 1));
  for (let node = 0; node <= NODES; node += 1) {
    const [before, after] = [3 * Math.floor(node / 2), 3 * Math.ceil(node / 2)];
    const x = (few[before] ?? 0) + (few[after] ?? 0);
    const y = (few[before + 1] ?? 0) + (few[after + 1] ?? 0);
    const z = (few[before + 2] ?? 0) + (few[after + 2] ?? 0);
    const size = Math.sqrt(x * x + y * y + z * z);
    tangents[3 * node] = x / size;
    tangents[3 * node + 1] = y / size;
    tangents[3 * node + 2] = z / size;
  }
  return { ...shape, tangents };
}
