import fc from 'fast-check';
import { fitted } from './photoFile.ts';

test('a picture keeps its shape and is never made larger', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20_000 }), fc.integer({ min: 1, max: 20_000 }), (width, height) => {
      const [w, h] = fitted(width, height);
      expect(Math.max(w, h)).toBeLessThanOrEqual(1600);
      expect(w).toBeLessThanOrEqual(width);
      expect(h).toBeLessThanOrEqual(height);
      expect(Math.min(w, h)).toBeGreaterThanOrEqual(1);
      // Half a pixel of rounding on the shorter side.
      if (Math.min(w, h) > 20) expect(Math.abs(w / h / (width / height) - 1)).toBeLessThan(0.03);
    }),
  );
  expect(fitted(4000, 3000)).toEqual([1600, 1200]);
  expect(fitted(800, 600)).toEqual([800, 600]);
});
