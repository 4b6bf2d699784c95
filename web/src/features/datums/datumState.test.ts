import fc from 'fast-check';
import { END_FAMILIES, EXAMPLE_BENDS_deg, exampleBanjo } from '@zephyrcombe/core';
import { geometryOf, readTypedEnd, writeTypedEnd } from './datumState.ts';

test('an end goes into an address and comes back as it was', () => {
  const text = fc.constantFrom('', '22 mm', '7/8 in', '2.5 cm');
  fc.assert(
    fc.property(
      fc.record({
        family: fc.constantFrom(...END_FAMILIES),
        bend_deg: fc.constantFrom(...EXAMPLE_BENDS_deg),
        typed: fc.record({ ferruleToApex: text, apexToPoint: text, neck: text }),
      }),
      (end) => {
        expect(readTypedEnd(writeTypedEnd(end))).toEqual(end);
      },
    ),
  );
});

test('what was typed stands in the example’s place, and nonsense is told from nothing', () => {
  expect(geometryOf(readTypedEnd('banjo~20'))).toEqual(exampleBanjo(20));
  expect(geometryOf(readTypedEnd('banjo~20~1 in'))).toMatchObject({ ferruleToApex_m: 0.0254 });
  expect(geometryOf(readTypedEnd('banjo~20~short'))).toBeNull();
  expect(geometryOf(readTypedEnd('threaded~90'))).toMatchObject({ family: 'threaded' });
  expect(geometryOf(readTypedEnd('nothing~33'))).toEqual(exampleBanjo(0));
});
