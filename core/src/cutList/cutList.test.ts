import fc from 'fast-check';
import type { CutRules, Piece, Stock } from './cutList.ts';
import { cutList } from './cutList.ts';
import type { Cost, Packing } from './pack.ts';
import { costOf, packBest } from './pack.ts';

const RULES: CutRules = { kerf_m: 0.002, worthKeeping_m: 0.25 };
const pieces = (...lengths_mm: readonly number[]): readonly Piece[] =>
  lengths_mm.map((length, index) => ({ id: `p${index}`, length_m: length / 1000 }));
const stocks = (...lengths_mm: readonly number[]): readonly Stock[] =>
  lengths_mm.map((length, index) => ({ id: `s${index}`, length_m: length / 1000 }));

/** Every way there is: each piece from each stock. Source: its own definition; an independent, slow count. */
function bruteForce(packing: Packing): Cost | null {
  let best: Cost | null = null;
  const ways = packing.stocks.length ** packing.pieces.length;
  for (let way = 0; way < ways; way += 1) {
    const assignment = packing.pieces.map(
      (_piece, at) => Math.floor(way / packing.stocks.length ** at) % packing.stocks.length,
    );
    const fits = packing.stocks.every((stock, index) => {
      const own = packing.pieces.filter((_piece, at) => assignment[at] === index);
      return own.reduce((sum, piece) => sum + piece, 0) + packing.kerf * Math.max(0, own.length - 1) <= stock;
    });
    if (!fits) continue;
    const cost = costOf(packing, assignment);
    if (!best || cost.waste < best.waste || (cost.waste === best.waste && cost.opened < best.opened))
      best = cost;
  }
  return best;
}

const small: fc.Arbitrary<Packing> = fc.record({
  pieces: fc.array(fc.integer({ min: 40, max: 400 }), { minLength: 1, maxLength: 6 }),
  stocks: fc.array(fc.integer({ min: 200, max: 1200 }), { minLength: 1, maxLength: 4 }),
  kerf: fc.integer({ min: 0, max: 6 }),
  keep: fc.integer({ min: 30, max: 300 }),
  nothing: fc.constantFrom(0, 10, 30),
});

test('500 seeded small jobs: never worse than every way tried, and said to be exact', () => {
  let possible = 0;
  fc.assert(
    fc.property(small, (packing) => {
      const best = bruteForce(packing);
      const packed = packBest(packing);
      if (best === null) {
        expect(packed).toBeNull();
        return;
      }
      possible += 1;
      if (!packed) throw new Error('no plan where there is one');
      expect(packed.isExact).toBe(true);
      expect(costOf(packing, packed.assignment)).toEqual(best);
      expect(packed.bound).toBe(best.waste);
    }),
    { numRuns: 500, seed: 11 },
  );
  expect(possible).toBeGreaterThan(150);
});

const large: fc.Arbitrary<Packing> = fc.record({
  pieces: fc.array(fc.integer({ min: 3000, max: 15000 }), { minLength: 40, maxLength: 60 }),
  stocks: fc.array(fc.integer({ min: 20_000, max: 100_000 }), { minLength: 10, maxLength: 14 }),
  kerf: fc.constant(20),
  keep: fc.constant(2500),
  nothing: fc.constant(100),
});

test('large jobs: a plan that can be cut, never under its bound', () => {
  fc.assert(
    fc.property(large, (packing) => {
      const packed = packBest(packing);
      if (!packed) return;
      for (const [index, stock] of packing.stocks.entries()) {
        const own = packing.pieces.filter((_piece, at) => packed.assignment[at] === index);
        const used = own.reduce((sum, piece) => sum + piece, 0) + packing.kerf * Math.max(0, own.length - 1);
        expect(used).toBeLessThanOrEqual(stock);
      }
      expect(costOf(packing, packed.assignment).waste).toBeGreaterThanOrEqual(packed.bound);
    }),
    { numRuns: 12, seed: 3 },
  );
});

describe('the plan as it is cut', () => {
  test('rests from the shelf come before the reel when nothing more is wasted by it', () => {
    const plan = cutList(pieces(700, 640), stocks(25_000, 1345), RULES);
    if (!plan.ok) throw new Error(plan.problem.code);
    expect(plan.value.stocks).toMatchObject([{ stock: { id: 's1' }, pieces: [{ id: 'p0' }, { id: 'p1' }] }]);
    expect(plan.value.waste_m).toBeCloseTo(0.001, 9);
    expect(plan.value.isExact).toBe(true);
  });

  test('a rest that would be thrown away is left whole, and the reel is cut', () => {
    const plan = cutList(pieces(700), stocks(25_000, 800), RULES);
    if (!plan.ok) throw new Error(plan.problem.code);
    expect(plan.value.stocks).toMatchObject([{ stock: { id: 's0' }, isKept: true }]);
    expect(plan.value.stocks[0]?.rest_m).toBeCloseTo(24.298, 9);
    expect(plan.value.waste_m).toBe(0);
  });

  test('the last piece may end where the stock ends, without a cut', () => {
    const plan = cutList(pieces(500, 498), stocks(1000), RULES);
    expect(plan).toMatchObject({ ok: true, value: { waste_m: 0, stocks: [{ rest_m: 0, isKept: false }] } });
    expect(cutList(pieces(500, 499), stocks(1000), RULES)).toMatchObject({
      ok: false,
      problem: { code: 'notEnoughStock' },
    });
  });

  test.each<[string, readonly Piece[], readonly Stock[], CutRules, string, string]>([
    ['nothing to cut', [], stocks(1000), RULES, 'nothingToCut', 'pieces'],
    ['a piece of nothing', pieces(500, 0), stocks(1000), RULES, 'notPositive', 'pieces.1'],
    ['a stock that is no number', pieces(500), [{ id: 's', length_m: NaN }], RULES, 'notFinite', 'stocks.0'],
    [
      'a blade that adds hose',
      pieces(500),
      stocks(1000),
      { ...RULES, kerf_m: -0.001 },
      'notPositive',
      'kerf_m',
    ],
  ])('%s is refused by its field', (_name, wanted, have, rules, code, field) => {
    expect(cutList(wanted, have, rules)).toMatchObject({ ok: false, problem: { code, field } });
  });
});
