import fc from 'fast-check';
import { angleBetween_rad, BY_EYE, eyeOf, secondPoint_m, towards } from './direction.ts';

test('eighteen ways by eye, each with its own words and its own place in the list', () => {
  expect(BY_EYE).toHaveLength(18);
  expect(new Set(BY_EYE.map(({ name }) => name)).size).toBe(18);
  expect(BY_EYE.find(({ name }) => name === 'up and forward')?.direction).toEqual([1, 0, 1]);
  for (const way of BY_EYE) expect(eyeOf(way.direction)).toBe(way);
  expect(eyeOf([0.7, -0.7, 1])).toBeNull();
  expect(eyeOf([0, 0, 0])).toBeNull();
});

test('two points give back the direction that they were laid along', () => {
  const within = fc.double({ min: -2, max: 2, noNaN: true });
  fc.assert(
    fc.property(within, within, within, within, within, within, (x, y, z, dx, dy, dz) => {
      fc.pre(Math.hypot(dx, dy, dz) > 0.01);
      const found = towards([x, y, z], secondPoint_m([x, y, z], [dx, dy, dz]));
      expect(found && angleBetween_rad(found, [dx, dy, dz])).toBeLessThan(1e-5);
    }),
  );
  expect(towards([1, 1, 1], [1, 1, 1])).toBeNull();
});
