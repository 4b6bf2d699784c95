import { EXAMPLE_BENDS_deg, EXAMPLE_BUILD, EXAMPLE_THREADED, exampleBanjo } from '@zephyrcombe/core';
import { geometryOf, readTypedEnd } from '../datums/datumState.ts';
import { BUILD_FIELDS, buildOf, readTypedBuild, templateAddress, writeTypedBuild } from './templateState.ts';

test('what stays empty is our example’s, what is typed takes its place, and nonsense draws nothing', () => {
  expect(buildOf(readTypedBuild(''))).toEqual(EXAMPLE_BUILD);
  expect(buildOf({ ...readTypedBuild(''), neck_m: '8 mm' })).toEqual({ ...EXAMPLE_BUILD, neck_m: 0.008 });
  expect(buildOf({ ...readTypedBuild(''), neck_m: 'wide' })).toBeNull();
  expect(buildOf({ ...readTypedBuild(''), bore_m: '0 mm' })).toBeNull();
});

test.each(BUILD_FIELDS)('%s is written and read back', (field) => {
  const typed = { ...readTypedBuild(''), [field]: '11.5 mm' };
  expect(readTypedBuild(writeTypedBuild(typed))).toEqual(typed);
});

test.each(EXAMPLE_BENDS_deg)('the ends of a hose travel in the address, %d° and threaded', (bend_deg) => {
  const query = new URL(
    templateAddress('Front hose', exampleBanjo(bend_deg), EXAMPLE_THREADED, 'mm'),
    'http://shop',
  ).searchParams;
  expect(query.get('title')).toBe('Front hose');
  for (const [name, end] of [
    ['a', exampleBanjo(bend_deg)],
    ['b', EXAMPLE_THREADED],
  ] as const) {
    const read = geometryOf(readTypedEnd(query.get(name) ?? ''));
    expect(read?.family).toBe(end.family);
    for (const field of ['neckAngle_rad', 'ferruleToApex_m', 'apexToPoint_m', 'neckLength_m'] as const)
      expect(read?.[field]).toBeCloseTo(end[field], 9);
  }
});
