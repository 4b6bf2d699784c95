/** Every reference case that the project holds, through the same adapter as `npm run validate`; each file names its source. */
import { OWN_CASES } from './ownCases.ts';
import { adapterFor, hasFunction, runCase, summarise } from './validate.ts';

const results = OWN_CASES.map(runCase);

test('every case has a function, but for the kinds that are named here', () => {
  const without = results.flatMap((result) => (hasFunction(result) ? [] : [result.tags.join(' ')]));
  // A tip load on a clamped rod is no hose between two ends.
  expect([...new Set(without)]).toEqual(['6_elastica cantilever']);
  expect(results.filter(hasFunction).length).toBeGreaterThan(90);
});

test.each(summarise(results.filter(hasFunction)))(
  '$group, $kind: $cases cases',
  ({ values, misses, worst }) => {
    expect(misses).toEqual([]);
    expect(values).toBeGreaterThan(0);
    expect(worst?.share).toBeLessThanOrEqual(1);
  },
);

test('a case is known by its inputs, also where its file says less', () => {
  const [crowfoot] = OWN_CASES.filter((one) => adapterFor(one)?.kind === 'crowfoot');
  expect(adapterFor({ id: 'x', tags: ['joint'], inputs: crowfoot?.inputs ?? {}, expected: {} })?.kind).toBe(
    'crowfoot',
  );
  expect(
    adapterFor({ id: 'x', tags: ['crowfoot'], inputs: crowfoot?.inputs ?? {}, expected: {} })?.kind,
  ).toBe('crowfoot');
  expect(adapterFor({ id: 'x', tags: ['plan'], inputs: { scope: 1 }, expected: {} })).toBeNull();
});
