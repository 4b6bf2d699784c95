import { createHash } from 'node:crypto';
import fc from 'fast-check';
import type { Facts } from './facts.ts';
import { changesBetween, digestOf, factsOf } from './facts.ts';

const figure = fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e3, max: 1e3 });
const anyFacts = fc.dictionary(
  fc.stringMatching(/^[a-z][A-Za-z]{0,8}$/),
  fc.oneof(
    figure,
    fc.boolean(),
    fc.string({ maxLength: 8 }),
    fc.array(figure, { maxLength: 3 }),
    fc.dictionary(fc.stringMatching(/^[a-z]{1,4}$/), figure, { maxKeys: 3 }),
  ),
  { maxKeys: 6 },
) as fc.Arbitrary<Facts>;

const shuffled = (facts: Facts): Facts => Object.fromEntries([...Object.entries(facts)].reverse());

test('the digest is that of Node’s own SHA-256 over the canonical text', () => {
  const facts = factsOf({ b: 2, a: 'Łódź' });
  expect(digestOf(facts)).toBe(createHash('sha256').update('{"a":"Łódź","b":2}').digest('hex'));
});

test('the order of keys, blanks, and what a store rounds say nothing', () => {
  fc.assert(
    fc.property(anyFacts, (facts) => {
      const stored = JSON.parse(JSON.stringify(factsOf(facts))) as Facts;
      expect(digestOf(stored)).toBe(digestOf(factsOf(facts)));
      expect(digestOf(shuffled(facts))).toBe(digestOf(facts));
      expect(digestOf(factsOf({ ...facts, nothing: null, leftOut: undefined }))).toBe(digestOf(facts));
      expect(changesBetween(factsOf(facts), stored)).toEqual([]);
    }),
  );
  expect(digestOf(factsOf({ length_m: 0.1 + 0.2, angle: -0 }))).toBe(
    digestOf(factsOf({ length_m: 0.3, angle: 0 })),
  );
});

test('what a person reads as another figure has another digest, and is told by its place', () => {
  fc.assert(
    fc.property(anyFacts, fc.stringMatching(/^[a-z]{9}Z$/), figure, figure, (facts, key, before, after) => {
      fc.pre(Math.abs(before - after) > 1e-6);
      const [was, is] = [factsOf({ ...facts, [key]: before }), factsOf({ ...facts, [key]: after })];
      expect(digestOf(was)).not.toBe(digestOf(is));
      expect(changesBetween(was, is).map(({ path }) => path)).toEqual([[key]]);
      expect(changesBetween(is, was).map(({ before: from, after: to }) => [to, from])).toEqual(
        changesBetween(was, is).map(({ before: from, after: to }) => [from, to]),
      );
    }),
  );
});

test('what is there only once is told from nothing or to nothing', () => {
  expect(
    changesBetween(
      factsOf({ bolt: { thread: 'M10×1.0' } }),
      factsOf({ bolt: { thread: 'M10×1.25', length_m: 0.02 } }),
    ),
  ).toEqual([
    { path: ['bolt', 'length_m'], before: null, after: 0.02 },
    { path: ['bolt', 'thread'], before: 'M10×1.0', after: 'M10×1.25' },
  ]);
});
