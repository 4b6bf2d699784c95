import fc from 'fast-check';
import { strokeByStrokes, volumeByStrokes } from './counted.ts';
import { refillGuard } from './strokes.ts';

const valueOf = <Value>(
  result: { readonly ok: true; readonly value: Value } | { readonly ok: false },
): Value => {
  if (!result.ok) throw new Error('no answer');
  return result.value;
};
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const masters = fc.record({
  masterBore_m: between(0.009, 0.026),
  leverStroke_m: between(0.02, 0.15),
  leverRatio: between(2, 8),
  efficiency: between(0.5, 1),
});
const strokes = fc.integer({ min: 1, max: 60 });

test('a cylinder by hand: 16 mm bore, 40 mm at the lever, ratio 5, ten strokes', () => {
  // π/4·16²·(40/5) mm³ = 1608.5 mm³ a stroke.
  const master = { masterBore_m: 0.016, leverStroke_m: 0.04, leverRatio: 5, efficiency: 1 };
  expect(valueOf(volumeByStrokes(master, 10))).toBeCloseTo(16.085e-6, 9);
});

test('what was counted is what the guard then counts', () => {
  fc.assert(
    fc.property(masters, strokes, (master, counted) => {
      const usable_m3 = valueOf(volumeByStrokes(master, counted));
      expect(valueOf(refillGuard(master, usable_m3, 0, false)).strokesBeforeMinimum).toBe(counted);
    }),
  );
});

test('stroke and volume are had from each other', () => {
  fc.assert(
    fc.property(masters, strokes, ({ leverStroke_m, ...master }, counted) => {
      const usable_m3 = valueOf(volumeByStrokes({ ...master, leverStroke_m }, counted));
      expect(valueOf(strokeByStrokes(master, usable_m3, counted))).toBeCloseTo(leverStroke_m, 12);
    }),
  );
});

test('nothing is worked out from nothing', () => {
  const master = { masterBore_m: 0.016, leverRatio: 5, efficiency: 1 };
  expect(volumeByStrokes({ ...master, leverStroke_m: 0.04 }, 0)).toMatchObject({
    ok: false,
    problem: { field: 'strokes' },
  });
  expect(strokeByStrokes({ ...master, efficiency: 1.2 }, 1e-5, 8)).toMatchObject({
    ok: false,
    problem: { code: 'tooLarge' },
  });
});
