import type { BillPart } from './bill.ts';
import { billOf, keyOf } from './bill.ts';

const BOLT: BillPart = {
  kind: 'bolt',
  eyes: 1,
  thread: 'M10×1.0',
  length_m: 0.02,
  material: 'stainless',
  carries: ['lockWire', 'bleeder'],
};
const WASHER: BillPart = { kind: 'washer', hole_m: 0.0102, thickness_m: 0.001, material: 'copper' };

test('parts that are alike are counted together, to a tenth of a millimetre', () => {
  const lines = billOf(
    [
      { part: BOLT, count: 1 },
      { part: { ...BOLT, length_m: 0.02003, carries: ['bleeder', 'lockWire'] }, count: 1 },
      { part: { ...BOLT, length_m: 0.03 }, count: 1 },
      // As long, but with two rows of holes.
      { part: { ...BOLT, eyes: 2 }, count: 1 },
      { part: WASHER, count: 0 },
    ],
    new Map(),
  );
  expect(lines.map(({ needed, spare }) => [needed, spare])).toEqual([
    [2, 0],
    [1, 0],
    [1, 0],
  ]);
});

test('four washers used, six in the box (common practice, no published source), less what lies on the shelf', () => {
  const wanted = [{ part: WASHER, count: 4 }];
  expect(billOf(wanted, new Map())[0]).toMatchObject({ needed: 4, spare: 2, onHand: null, toOrder: 6 });
  expect(billOf(wanted, new Map([[keyOf(WASHER), 0]]))[0]).toMatchObject({ onHand: 0, toOrder: 6 });
  expect(billOf(wanted, new Map([[keyOf(WASHER), 5]]))[0]).toMatchObject({ onHand: 5, toOrder: 1 });
  expect(billOf(wanted, new Map([[keyOf(WASHER), 50]]))[0]).toMatchObject({ toOrder: 0 });
});
