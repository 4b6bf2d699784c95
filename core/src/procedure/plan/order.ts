/** An order of the blocks that keeps every precedence; practices that cannot be kept step aside. */
import type { Block, Edge, PlanGraph } from './graph.ts';
import { compareBlocks } from './graph.ts';
import { isPractice } from './rules.ts';

export interface Ordered {
  readonly order: readonly Block[];
  readonly kept: readonly Edge[];
  readonly setAside: readonly Edge[];
}

/** Earlier first, by key and name. */
class Queue {
  private readonly heap: Block[] = [];

  push(block: Block): void {
    const { heap } = this;
    heap.push(block);
    let at = heap.length - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (compareBlocks(heap[at] as Block, heap[up] as Block) >= 0) break;
      [heap[at], heap[up]] = [heap[up] as Block, heap[at] as Block];
      at = up;
    }
  }

  pop(): Block | undefined {
    const { heap } = this;
    const [top] = heap;
    const last = heap.pop();
    if (top === undefined || last === undefined || heap.length === 0) return top;
    heap[0] = last;
    for (let at = 0; ;) {
      let least = at;
      for (const down of [2 * at + 1, 2 * at + 2])
        if (down < heap.length && compareBlocks(heap[down] as Block, heap[least] as Block) < 0) least = down;
      if (least === at) return top;
      [heap[at], heap[least]] = [heap[least] as Block, heap[at] as Block];
      at = least;
    }
  }
}

/** Kahn's algorithm; shorter than the graph where there is a cycle. */
export function sorted(blocks: readonly Block[], edges: readonly Edge[]): readonly Block[] {
  const waits = new Int32Array(blocks.length);
  const out = outgoing(blocks.length, edges);
  for (const { to } of edges) waits[to] = (waits[to] ?? 0) + 1;
  const queue = new Queue();
  for (const block of blocks) if (waits[block.index] === 0) queue.push(block);
  const order: Block[] = [];
  for (let next = queue.pop(); next; next = queue.pop()) {
    order.push(next);
    for (const { to } of out[next.index] ?? []) {
      waits[to] = (waits[to] ?? 0) - 1;
      const block = blocks[to];
      if (waits[to] === 0 && block) queue.push(block);
    }
  }
  return order;
}

export function outgoing(count: number, edges: readonly Edge[]): readonly Edge[][] {
  const out: Edge[][] = Array.from({ length: count }, () => []);
  for (const edge of edges) out[edge.from]?.push(edge);
  return out;
}

/** Null where geometry, stops and demands alone go in a circle. */
export function orderOf({ blocks, edges }: PlanGraph): Ordered | null {
  const firm = edges.filter(({ reason }) => !isPractice(reason));
  const base = sorted(blocks, firm);
  if (base.length < blocks.length) return null;
  const places = new Places(blocks.length, firm, base);
  const setAside = edges.filter((edge) => isPractice(edge.reason) && !places.keep(edge));
  const kept = edges.filter((edge) => !setAside.includes(edge));
  return { order: sorted(blocks, kept), kept, setAside };
}

/**
 * A topological order that takes edges one by one: only what lies between the two ends of an edge is looked at (Pearce and Kelly,
 * A Dynamic Topological Sort Algorithm for Directed Acyclic Graphs, 2006).
 */
class Places {
  private readonly place: Int32Array;
  private readonly out: number[][];
  private readonly into: number[][];

  constructor(count: number, edges: readonly Edge[], order: readonly Block[]) {
    this.place = new Int32Array(count);
    this.out = Array.from({ length: count }, () => []);
    this.into = Array.from({ length: count }, () => []);
    for (const [place, { index }] of order.entries()) {
      this.place[index] = place;
    }
    for (const { from, to } of edges) this.link(from, to);
  }

  private link(from: number, to: number): void {
    this.out[from]?.push(to);
    this.into[to]?.push(from);
  }

  private placeOf(index: number): number {
    return this.place[index] ?? 0;
  }

  /** False where it would close a circle: then it is left out. */
  keep({ from, to }: Edge): boolean {
    const [low, high] = [this.placeOf(to), this.placeOf(from)];
    if (low < high) {
      const ahead = this.reached(to, this.out, (place) => place <= high);
      if (ahead.has(from)) return false;
      const behind = this.reached(from, this.into, (place) => place >= low);
      this.reorder([...behind], [...ahead]);
    }
    this.link(from, to);
    return true;
  }

  private reached(
    start: number,
    along: readonly number[][],
    isNear: (place: number) => boolean,
  ): Set<number> {
    const seen = new Set([start]);
    const stack = [start];
    for (let now = stack.pop(); now !== undefined; now = stack.pop())
      for (const next of along[now] ?? [])
        if (!seen.has(next) && isNear(this.placeOf(next))) {
          seen.add(next);
          stack.push(next);
        }
    return seen;
  }

  /** What leads to the edge takes the first of the places, what follows it the others. */
  private reorder(behind: number[], ahead: number[]): void {
    const byPlace = (a: number, b: number) => this.placeOf(a) - this.placeOf(b);
    const moved = [...behind.sort(byPlace), ...ahead.sort(byPlace)];
    const places = moved.map((index) => this.placeOf(index)).sort((a, b) => a - b);
    for (const [rank, index] of moved.entries()) {
      const place = places[rank] ?? 0;
      this.place[index] = place;
    }
  }
}
