/**
 * Pieces into stock lengths, in whole units: a search that tries every way as long as it can be better than the best so far
 * and there is time, begun from the best of a few quick plans. Deterministic: the same job gives the same plan.
 */
export interface Packing {
  readonly pieces: readonly number[];
  readonly stocks: readonly number[];
  readonly kerf: number;
  /** A rest from here on is kept. */
  readonly keep: number;
  /** A rest below this is nothing: no cut is that exact. */
  readonly nothing: number;
}

const wasted = (rest: number, { keep, nothing }: Packing): number =>
  rest < keep && rest >= nothing ? rest : 0;

/** Of each piece the stock it is cut from. */
export type Assignment = readonly number[];

export interface Cost {
  readonly waste: number;
  /** Lengths of the stocks that are cut into, together. */
  readonly opened: number;
}

export interface Packed {
  readonly assignment: Assignment;
  readonly isExact: boolean;
  /** No plan wastes less. */
  readonly bound: number;
}

/** Steps of the search: about a tenth of a second with 60 pieces (measured by the benchmark). */
const MOST_STEPS = 12_000;

export function costOf(packing: Packing, assignment: Assignment): Cost {
  const { pieces, stocks, kerf } = packing;
  let waste = 0;
  let opened = 0;
  for (const [index, stock] of stocks.entries()) {
    let used = 0;
    for (const [at, piece] of pieces.entries()) if (assignment[at] === index) used += piece + kerf;
    if (used === 0) continue;
    const rest = Math.max(0, stock - used);
    opened += stock;
    waste += wasted(rest, packing);
  }
  return { waste, opened };
}

const isBetter = (a: Cost, b: Cost) => a.waste < b.waste || (a.waste === b.waste && a.opened < b.opened);

/** The best plan found; null where the pieces do not go into the stocks. */
export function packBest(packing: Packing): Packed | null {
  const bound = leastWaste(packing);
  const search = new Search(packing, bound);
  const { best, isExact } = search.run();
  return best && { assignment: best, isExact, bound: isExact ? costOf(packing, best).waste : bound };
}

/**
 * What is left of all lengths cut into, together, is their sum less what is used. Where even all stock together leaves less
 * than is worth keeping, every rest is waste, and the least is what the best fitting choice of stocks leaves.
 */
function leastWaste({ pieces, stocks, kerf, keep, nothing }: Packing): number {
  const used = pieces.reduce((sum, piece) => sum + piece + kerf, 0);
  const have = stocks.reduce((sum, stock) => sum + stock, 0);
  if (have - used >= keep) return 0;
  // Each stock may give its last cut for nothing.
  const needed = Math.max(0, used - stocks.length * kerf);
  let sums = new Set([0]);
  for (const stock of stocks) {
    const next = new Set(sums);
    for (const sum of sums) next.add(sum + stock);
    sums = next;
    if (sums.size > 20_000) return 0;
  }
  let least = Infinity;
  for (const sum of sums) if (sum >= needed) least = Math.min(least, sum - used);
  // Of every one of them a little may be too little to count.
  return Math.max(0, least - stocks.length * nothing);
}

class Search {
  /** Pieces from the longest to the shortest: where they stand in the order given. */
  private readonly order: readonly number[];
  private readonly left: number[];
  /** What the pieces from a depth on take, without their cuts. */
  private readonly toCome: readonly number[];
  private readonly placed: number[];
  private best: Assignment | null = null;
  private bestCost: Cost = { waste: Infinity, opened: Infinity };
  private steps = 0;

  constructor(
    private readonly packing: Packing,
    private readonly bound: number,
  ) {
    const { pieces, stocks } = packing;
    this.order = pieces.map((_piece, at) => at).sort((a, b) => (pieces[b] ?? 0) - (pieces[a] ?? 0) || a - b);
    this.left = [...stocks];
    const toCome = [0];
    for (const at of [...this.order].reverse()) toCome.unshift((toCome[0] ?? 0) + (pieces[at] ?? 0));
    this.toCome = toCome;
    this.placed = pieces.map(() => -1);
  }

  run(): { readonly best: Assignment | null; readonly isExact: boolean } {
    for (const plan of this.quickPlans()) this.offer(plan);
    this.place(0, 0);
    return { best: this.best, isExact: this.steps < MOST_STEPS || this.isLeast() };
  }

  private offer(plan: Assignment | null): void {
    if (!plan) return;
    const cost = costOf(this.packing, plan);
    if (!isBetter(cost, this.bestCost)) return;
    this.best = [...plan];
    this.bestCost = cost;
  }

  /** Nothing wastes less than the bound, and nothing opens less than what the pieces take. */
  private isLeast(): boolean {
    const { pieces, kerf, stocks } = this.packing;
    const used = pieces.reduce((sum, piece) => sum + piece + kerf, 0) - stocks.length * kerf;
    return this.bestCost.waste <= this.bound && this.bestCost.opened <= used;
  }

  /** Rest when the last cut may fall on the very end. */
  private readonly fits = (left: number, piece: number) => piece <= left;

  private place(depth: number, opened: number): void {
    if (this.steps >= MOST_STEPS) return;
    this.steps += 1;
    const at = this.order[depth];
    if (at === undefined) {
      this.offer(this.placed);
      return;
    }
    const { pieces, stocks, kerf } = this.packing;
    const piece = pieces[at] ?? 0;
    const tried = new Set<string>();
    // An equal piece goes no further back than its twin did: exchanging the two is the same plan.
    const twin = this.order[depth - 1];
    const from = twin !== undefined && pieces[twin] === piece ? (this.placed[twin] ?? 0) : 0;
    for (const stock of this.inTurn(piece, from)) {
      const left = this.left[stock] ?? 0;
      const length = stocks[stock] ?? 0;
      // Two lengths alike, and as much left of both: one of them will do.
      const key = `${length}/${left}`;
      if (tried.has(key)) continue;
      tried.add(key);
      const isNew = left === length;
      this.left[stock] = left - piece - kerf;
      this.placed[at] = stock;
      const cost = { waste: this.wasteSoFar(depth + 1), opened: opened + (isNew ? length : 0) };
      // What does not go into the lengths already open has to open more.
      const more = Math.max(0, (this.toCome[depth + 1] ?? 0) - this.room());
      if (isBetter({ ...cost, opened: cost.opened + more }, this.bestCost))
        this.place(depth + 1, cost.opened);
      this.left[stock] = left;
      this.placed[at] = -1;
    }
  }

  /** Left of the lengths that are open. */
  private room(): number {
    let room = 0;
    for (const [stock, left] of this.left.entries())
      if (left !== this.packing.stocks[stock]) room += Math.max(0, left);
    return room;
  }

  /** Where it leaves least first: a good plan is found early, and much need not be looked at. */
  private inTurn(piece: number, from: number): readonly number[] {
    return this.left
      .map((left, stock) => ({ left, stock }))
      .filter(({ left, stock }) => stock >= from && this.fits(left, piece))
      .sort((a, b) => a.left - b.left || a.stock - b.stock)
      .map(({ stock }) => stock);
  }

  /** What is thrown away of lengths that nothing more goes into, whatever comes. */
  private wasteSoFar(depth: number): number {
    const { pieces, stocks } = this.packing;
    const shortest = this.order.length > depth ? (pieces[this.order.at(-1) ?? 0] ?? 0) : Infinity;
    let waste = 0;
    for (const [stock, left] of this.left.entries()) {
      if (left === stocks[stock] || left >= shortest) continue;
      const rest = Math.max(0, left);
      waste += wasted(rest, this.packing);
    }
    return waste;
  }

  private quickPlans(): readonly (Assignment | null)[] {
    const byLength = this.packing.stocks
      .map((_stock, index) => index)
      .sort((a, b) => (this.packing.stocks[a] ?? 0) - (this.packing.stocks[b] ?? 0) || a - b);
    return [
      this.fitted(byLength),
      this.fitted([...byLength].reverse()),
      this.filled(byLength),
      this.filled([...byLength].reverse()),
    ];
  }

  /** Longest piece first, each where it leaves least. */
  private fitted(stocks: readonly number[]): Assignment | null {
    const { pieces, kerf } = this.packing;
    const left = [...this.packing.stocks];
    const plan = pieces.map(() => -1);
    for (const at of this.order) {
      const piece = pieces[at] ?? 0;
      let best = -1;
      for (const stock of stocks)
        if (this.fits(left[stock] ?? 0, piece) && (best < 0 || (left[stock] ?? 0) < (left[best] ?? 0)))
          best = stock;
      if (best < 0) return null;
      plan[at] = best;
      left[best] = (left[best] ?? 0) - piece - kerf;
    }
    return plan;
  }

  /** One length after another, each filled as full as the pieces that are left can fill it. */
  private filled(stocks: readonly number[]): Assignment | null {
    const { pieces, kerf } = this.packing;
    const plan = pieces.map(() => -1);
    let open = [...this.order];
    for (const stock of stocks) {
      const chosen = fullest(
        open.map((at) => (pieces[at] ?? 0) + kerf),
        (this.packing.stocks[stock] ?? 0) + kerf,
      );
      for (const index of chosen) plan[open[index] ?? 0] = stock;
      open = open.filter((at) => plan[at] === -1);
    }
    return open.length === 0 ? plan : null;
  }
}

/** Fills are told apart to this many units, lengths rounded up: a little is given away, and the time stays bounded. */
const GRAIN = 10;

/** Which of these together come nearest to a length without going over it. */
function fullest(lengths: readonly number[], room: number): readonly number[] {
  const grains = lengths.map((length) => Math.ceil(length / GRAIN));
  /** Of each fill that can be reached the piece put in last; the ones before it reach what it was put upon. */
  const reached = new Int32Array(Math.floor(room / GRAIN) + 1).fill(-2);
  reached[0] = -1;
  for (const [index, grain] of grains.entries())
    for (let fill = reached.length - 1; fill >= grain; fill -= 1)
      if (reached[fill] === -2 && reached[fill - grain] !== -2) reached[fill] = index;
  let fill = reached.length - 1;
  while (reached[fill] === -2) fill -= 1;
  const chosen: number[] = [];
  for (let last = reached[fill] ?? -1; last >= 0; last = reached[fill] ?? -1) {
    chosen.push(last);
    fill -= grains[last] ?? 0;
  }
  return chosen;
}
