/** Common practice, no published source; lengths and heights are examples of ours. */
import { judgeAbsLeftOut, judgeBleedScrew, judgeNippleHeight } from './asBuilt.ts';

const ids = (cautions: readonly { readonly id: string }[]) => cautions.map(({ id }) => id);

test.each([
  [true, true, false, ['M65']],
  [true, true, true, []],
  [true, false, false, []],
  [false, true, false, []],
])('M65: on the road %p, had a unit %p, has one %p: %j', (isOnRoad, hadUnit, hasUnit, expected) => {
  expect(ids(judgeAbsLeftOut({ isOnRoad, hadUnit, hasUnit }))).toEqual(expected);
});

test.each([
  [0.032, 0.032, true, []],
  [0.032, 0.0324, false, []],
  [0.032, 0.036, false, ['M67']],
  [0.036, 0.032, true, ['M67']],
  [null, null, false, []],
  [null, null, true, ['M67']],
  [0.032, null, true, ['M67']],
])('M67: %p came out, %p goes in, may be another %p: %j', (out_m, in_m, mayBeAnother, expected) => {
  expect(ids(judgeBleedScrew({ out_m, in_m, mayBeAnother }))).toEqual(expected);
});

const HIGH = { isTop: null, cameOff: false, nipple_m: null, caliper_m: null };
test.each([
  ['nobody has touched it', {}, []],
  ['seen below', { isTop: false }, ['M68']],
  ['the caliper was off, and nobody has looked', { cameOff: true }, ['M68']],
  ['the caliper was off, and it is the top', { cameOff: true, isTop: true }, []],
  ['measured lower than its caliper', { nipple_m: 0.3, caliper_m: 0.35 }, ['M68']],
  ['measured higher', { nipple_m: 0.4, caliper_m: 0.35 }, []],
  [
    'measured lower, and seen to be the top of a caliper that leans',
    { nipple_m: 0.3, caliper_m: 0.35, isTop: true },
    [],
  ],
])('M68: %s', (_name, over, expected) => {
  expect(ids(judgeNippleHeight({ ...HIGH, ...over }))).toEqual(expected);
});

test('a figure without meaning is refused by its name', () => {
  expect(() => judgeBleedScrew({ out_m: -1, in_m: 0.03, mayBeAnother: false })).toThrow('out_m');
  expect(() => judgeNippleHeight({ ...HIGH, nipple_m: Number.NaN })).toThrow('nipple_m');
});
