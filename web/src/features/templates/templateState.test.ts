import { EXAMPLE_BUILD } from '@zephyrcombe/core';
import { BUILD_FIELDS, buildOf, readTypedBuild, writeTypedBuild } from './templateState.ts';

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
