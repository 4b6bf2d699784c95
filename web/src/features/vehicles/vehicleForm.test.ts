import { VEHICLE_KINDS, VehicleEntrySchema } from '@zephyrcombe/contract';
import { IMPERIAL, METRIC, PATTERNS } from '@zephyrcombe/core';
import { draftOf, EMPTY_VEHICLE, PATTERNS_FOR, readVehicle } from './vehicleForm.ts';

const FULL = {
  ...EMPTY_VEHICLE,
  name: '  Post bike ',
  plate: 'SKR 1',
  distance: '12500 mi',
  intervalMonths: '24',
  intervalDistance: '30000 km',
};

test('what was typed becomes a vehicle the contract takes', () => {
  const { entry, errors } = readVehicle(FULL);
  expect(errors).toEqual({});
  expect(VehicleEntrySchema.safeParse(entry).success).toBe(true);
  expect(entry).toMatchObject({
    name: 'Post bike',
    makerIntervalMonths: 24,
    makerIntervalDistance_m: 30_000_000,
  });
  expect(readVehicle({ ...EMPTY_VEHICLE, name: 'A' }).entry).toMatchObject({ plate: null, distance_m: null });
});

test.each([
  ['no name', { name: ' ' }, 'name'],
  ['a distance without unit', { distance: '12500' }, 'distance'],
  ['a negative distance', { distance: '-5 km' }, 'distance'],
  ['months in words', { intervalMonths: 'two years' }, 'intervalMonths'],
  ['too many months', { intervalMonths: '121' }, 'intervalMonths'],
])('%s is said at its field', (_what, change, field) => {
  const { entry, errors } = readVehicle({ ...FULL, ...change });
  expect(entry).toBeNull();
  expect(Object.keys(errors)).toEqual([field]);
});

test.each([METRIC, IMPERIAL])('a stored vehicle opened and saved unchanged is the same', (units) => {
  const { entry } = readVehicle(FULL);
  if (!entry) throw new Error('no entry');
  const vehicle = { ...entry, id: 'x', version: 0, distance_m: 20_116_923 };
  const draft = draftOf(vehicle, units);
  expect(draft.distance).toMatch(/^\d+ (km|mi)$/);
  expect(readVehicle(draft, { vehicle, units }).entry).toEqual(entry && { ...entry, distance_m: 20_116_923 });
});

test('every kind of vehicle has patterns, and every pattern has a vehicle', () => {
  for (const kind of VEHICLE_KINDS) expect(PATTERNS_FOR[kind].length).toBeGreaterThan(0);
  expect(new Set(Object.values(PATTERNS_FOR).flat())).toEqual(new Set(PATTERNS));
});
