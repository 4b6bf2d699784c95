/** Why there is no plan: the fewest rules and demands that go in a circle. Take one of them away and that circle is gone. */
import type { Edge, PlanGraph } from './graph.ts';
import { outgoing, sorted } from './order.ts';
import type { Reason, RuleId } from './rules.ts';
import { isNamed, isPractice, RULES } from './rules.ts';

export interface Conflict {
  readonly rules: readonly RuleId[];
  readonly demands: readonly string[];
  /** Names of the blocks on the circle. */
  readonly blocks: readonly string[];
}

/** More rules than these in one circle are told as one that was found. */
const MOST_RULES = 3;

export function conflictIn(graph: PlanGraph): Conflict | null {
  const firm = inCircles(
    graph,
    graph.edges.filter(({ reason }) => !isPractice(reason)),
  );
  if (firm.length === 0) return null;
  const named = [...new Set(firm.map(({ reason }) => reason).filter(isNamed))].sort();
  const own = firm.filter(({ reason }) => !isNamed(reason));
  for (let size = 0; size <= MOST_RULES; size += 1)
    for (const some of subsets(named, size)) {
      const edges = inCircles(graph, [...own, ...firm.filter(({ reason }) => some.includes(reason))]);
      if (edges.length > 0) return told(graph, some, edges);
    }
  return told(graph, named, firm);
}

function told(graph: PlanGraph, reasons: readonly Reason[], edges: readonly Edge[]): Conflict {
  return {
    rules: reasons.filter((reason): reason is RuleId => reason in RULES),
    demands: reasons.flatMap((reason) => (reason.startsWith('demand ') ? [reason.slice(7)] : [])),
    blocks: circleOf(graph, edges).map((index) => graph.blocks[index]?.name ?? ''),
  };
}

/** Of these edges, those that are on a circle: what can be put in order, from either side, is on none. */
function inCircles({ blocks }: PlanGraph, edges: readonly Edge[]): readonly Edge[] {
  const forth = new Set(sorted(blocks, edges).map(({ index }) => index));
  const left = edges.filter(({ from, to }) => !forth.has(from) && !forth.has(to));
  const back = new Set(
    sorted(
      blocks,
      left.map((edge) => ({ ...edge, from: edge.to, to: edge.from })),
    ).map(({ index }) => index),
  );
  return left.filter(({ from, to }) => !back.has(from) && !back.has(to));
}

/** The shortest circle through the first edge that has one. */
function circleOf({ blocks }: PlanGraph, edges: readonly Edge[]): readonly number[] {
  const out = outgoing(blocks.length, edges);
  let shortest: readonly number[] = [];
  for (const start of new Set(edges.map(({ from }) => from))) {
    const from = new Map<number, number>();
    const queue = [start];
    for (let next = queue.shift(); next !== undefined; next = queue.shift())
      for (const { to } of out[next] ?? []) {
        if (to === start) {
          const circle = [start];
          for (let at: number | undefined = next; at !== undefined && at !== start; at = from.get(at))
            circle.push(at);
          if (shortest.length === 0 || circle.length < shortest.length) shortest = circle;
          queue.length = 0;
          break;
        }
        if (!from.has(to)) {
          from.set(to, next);
          queue.push(to);
        }
      }
  }
  return shortest;
}

function* subsets<Item>(items: readonly Item[], size: number, from = 0): Generator<readonly Item[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let at = from; at <= items.length - size; at += 1)
    for (const rest of subsets(items, size - 1, at + 1)) yield [items[at] as Item, ...rest];
}
