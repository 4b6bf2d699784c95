/** Which piece is cut from which length of bulk hose, so that least is thrown away. */
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import { count, length } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Assignment, Packing } from './pack.ts';
import { packBest } from './pack.ts';
import { unphysical } from '../calculation/physical.ts';

export interface Piece {
  readonly id: string;
  /** Hose to cut, both insertions included. */
  readonly length_m: number;
}

/** A reel, or what is left of one. */
export interface Stock {
  readonly id: string;
  readonly length_m: number;
}

export interface CutRules {
  /** Lost at each cut: the blade and squaring up. */
  readonly kerf_m: number;
  /** A rest at least this long goes back on the shelf; a shorter one is thrown away. */
  readonly worthKeeping_m: number;
}

export interface StockPlan {
  readonly stock: Stock;
  /** In the order of cutting: longest first, so that a slip leaves most to mend it with. */
  readonly pieces: readonly Piece[];
  readonly rest_m: number;
  readonly isKept: boolean;
}

export interface CutPlan {
  /** Only the lengths that are cut into. */
  readonly stocks: readonly StockPlan[];
  readonly waste_m: number;
  /** No plan at all wastes less than this. */
  readonly leastWaste_m: number;
  /** Every way was looked at, or left out because it could be no better. */
  readonly isExact: boolean;
}

const USED: Formula = { expression: 'u = Σ (piece + kerf)', source: 'cutListRule' };
const REST: Formula = { expression: 'r = stock − u', source: 'cutListRule' };
const WASTE: Formula = {
  expression: 'waste = Σ r, where r is less than is worth keeping',
  source: 'cutListRule',
};

/** A rest shorter than this is not counted as thrown away when plans are compared: no cut is that exact. Our estimate. */
const NOTHING_m = 0.01;
/** Exact arithmetic: tenths of a millimetre. */
const UNIT_m = 0.0001;
const units = (value_m: number) => Math.round(value_m / UNIT_m);

/**
 * Least waste first, then the least length of stock cut into, so that rests from the shelf come before a reel. Problems: a
 * length that is not positive; nothing to cut; pieces that the stock cannot give, or not found to in the time there is.
 */
export function cutList(
  pieces: readonly Piece[],
  stocks: readonly Stock[],
  rules: CutRules,
): Result<CutPlan> {
  const refused = cutProblem(pieces, stocks, rules);
  if (refused) return problem(refused);
  const packing: Packing = {
    pieces: pieces.map(({ length_m }) => units(length_m)),
    stocks: stocks.map(({ length_m }) => units(length_m)),
    kerf: units(rules.kerf_m),
    keep: units(rules.worthKeeping_m),
    nothing: units(Math.min(NOTHING_m, rules.worthKeeping_m)),
  };
  const best = packBest(packing);
  if (best === null) {
    const whole_m = pieces.reduce((sum, piece) => sum + piece.length_m + rules.kerf_m, 0);
    const have_m = stocks.reduce((sum, stock) => sum + stock.length_m, 0);
    return problem({ code: 'notEnoughStock', field: 'stocks', needed_m: whole_m, have_m });
  }
  const plan = planOf(pieces, stocks, rules, packing, best.assignment);
  const leastWaste_m = best.bound * UNIT_m;
  const waste_m = plan.reduce((sum, { rest_m, isKept }) => sum + (isKept ? 0 : rest_m), 0);
  const used = (of: StockPlan) => of.pieces.reduce((sum, piece) => sum + piece.length_m + rules.kerf_m, 0);
  return calculated({ stocks: plan, waste_m, leastWaste_m, isExact: best.isExact }, [
    ...plan.map((of) => ({
      formula: USED,
      inputs: [
        term('n', 'cutPieces', count(of.pieces.length)),
        term('kerf', 'cutKerf', length(rules.kerf_m)),
      ],
      result: term('u', 'cutUsed', length(used(of))),
    })),
    ...plan.map((of) => ({
      formula: REST,
      inputs: [
        term('stock', 'stockLength', length(of.stock.length_m)),
        term('u', 'cutUsed', length(used(of))),
      ],
      result: term('r', 'cutRest', length(of.rest_m)),
    })),
    {
      formula: WASTE,
      inputs: [term('r_min', 'worthKeeping', length(rules.worthKeeping_m))],
      result: term('waste', 'cutWaste', length(waste_m)),
    },
  ]);
}

function planOf(
  pieces: readonly Piece[],
  stocks: readonly Stock[],
  { worthKeeping_m }: CutRules,
  { kerf }: Packing,
  assignment: Assignment,
): readonly StockPlan[] {
  return stocks.flatMap((stock, index): readonly StockPlan[] => {
    const own = pieces
      .filter((_piece, at) => assignment[at] === index)
      .sort((a, b) => b.length_m - a.length_m || a.id.localeCompare(b.id));
    if (own.length === 0) return [];
    const used = own.reduce((sum, piece) => sum + units(piece.length_m) + kerf, 0);
    // The last cut may fall on the very end: then it takes nothing.
    const rest_m = Math.max(0, units(stock.length_m) - used) * UNIT_m;
    return [{ stock, pieces: own, rest_m, isKept: rest_m >= worthKeeping_m }];
  });
}

function cutProblem(pieces: readonly Piece[], stocks: readonly Stock[], rules: CutRules): Problem | null {
  if (pieces.length === 0) return { code: 'nothingToCut', field: 'pieces' };
  const named = (kind: string, all: readonly { readonly length_m: number }[]) =>
    firstNotPositive(Object.fromEntries(all.map(({ length_m }, index) => [`${kind}.${index}`, length_m])));
  return (
    named('pieces', pieces) ??
    named('stocks', stocks) ??
    unphysical({ kerf_m: rules.kerf_m }, { notNegative: ['kerf_m'] }) ??
    firstNotPositive({ worthKeeping_m: rules.worthKeeping_m }) ??
    longest(pieces, stocks)
  );
}

/** Reels are no longer: what is counted in tenths of a millimetre stays countable. */
const LONGEST_m = 10_000;

function longest(...all: readonly (readonly { readonly length_m: number }[])[]): Problem | null {
  for (const [index, list] of all.entries())
    for (const [at, { length_m }] of list.entries())
      if (length_m > LONGEST_m)
        return { code: 'tooLarge', field: `${index === 0 ? 'pieces' : 'stocks'}.${at}` };
  return null;
}
