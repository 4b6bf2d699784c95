/** Blocks of steps that nothing may come between, and what has to be before what, each precedence with its reason. */
import type { Reason } from './rules.ts';
import type { PlanStep } from './steps.ts';

export interface Block {
  readonly index: number;
  /** None: it only stands between many and many, so that the graph stays small. */
  readonly steps: readonly PlanStep[];
  /** The earlier of two that may both come next. */
  readonly key: readonly number[];
  /** Within the plan, for ties and explanations. */
  readonly name: string;
}
export interface Edge {
  readonly from: number;
  readonly to: number;
  readonly reason: Reason;
  /** What it is about, where it is a practice that may step aside. */
  readonly subject: string;
}

export class PlanGraph {
  readonly blocks: Block[] = [];
  readonly edges: Edge[] = [];
  private readonly known = new Map<string, number>();

  add(name: string, steps: readonly PlanStep[], key: readonly number[]): number {
    const index = this.blocks.length;
    this.blocks.push({ index, steps, key, name });
    this.known.set(name, index);
    return index;
  }

  /** Its steps are in another block from now on; what waits for it still does. */
  empty(name: string): readonly PlanStep[] {
    const index = this.known.get(name);
    const block = index === undefined ? undefined : this.blocks[index];
    if (index === undefined || !block) return [];
    this.blocks[index] = { ...block, steps: [] };
    return block.steps;
  }

  /** Another name for a block that holds several. */
  also(name: string, index: number): void {
    this.known.set(name, index);
  }

  find(name: string): number | undefined {
    return this.known.get(name);
  }

  /** Nothing where one of them is not to be done. */
  before(first: string | undefined, then: string | undefined, reason: Reason, subject = ''): void {
    const from = first === undefined ? undefined : this.known.get(first);
    const to = then === undefined ? undefined : this.known.get(then);
    if (from !== undefined && to !== undefined && from !== to) this.edges.push({ from, to, reason, subject });
  }
}

/** Earlier key first, then by name. */
export function compareBlocks(a: Block, b: Block): number {
  for (let at = 0; at < Math.max(a.key.length, b.key.length); at += 1) {
    const by = (a.key[at] ?? 0) - (b.key[at] ?? 0);
    if (by !== 0) return by;
  }
  return a.name < b.name ? -1 : a.name > b.name ? 1 : 0;
}
