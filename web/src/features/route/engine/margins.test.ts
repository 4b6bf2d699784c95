import { createWriter } from '@zephyrcombe/messages';
import { METRIC } from '@zephyrcombe/core';
import type { PoseFigures } from './compute.ts';
import { figureText, marginOf, shadesOf } from './margins.ts';

const pose = (figures: Partial<PoseFigures>): PoseFigures => ({
  pose: { across: 0, down: 0 },
  radius_m: 0.08,
  chordRatio: 0.85,
  spare_m: 0.02,
  snapped: false,
  ...figures,
});

test('at its limit a pose has no margin, past it less than none, whichever figure is looked at', () => {
  expect(marginOf('radius', pose({ radius_m: 0.04 }), 0.04)).toBeCloseTo(0, 12);
  expect(marginOf('radius', pose({ radius_m: 0.03 }), 0.04)).toBeLessThan(0);
  expect(marginOf('room', pose({ spare_m: 0 }), 0.04)).toBe(0);
  expect(marginOf('room', pose({ spare_m: -0.001 }), 0.04)).toBeLessThan(0);
  // The hose is taut at 97 per cent (route.md): no radius is shown beyond.
  expect(marginOf('slack', pose({ chordRatio: 0.97 }), 0.04)).toBeCloseTo(0, 12);
  expect(marginOf('radius', pose({ radius_m: null }), 0.04)).toBeLessThan(0);
});

test('poses that differ by rounding are one shade, and none of them is ringed', () => {
  const shades = shadesOf([0.3, 0.3 + 4e-10, 0.3 - 7e-9]);
  expect(shades).toEqual(Array.from({ length: 3 }, () => ({ share: 0, isOver: false, isWorst: false })));
});

test('the nearer its limit, the darker; all of the worst are ringed, and those over it are told apart', () => {
  const shades = shadesOf([1, 0.5, 0.2, 0.2 + 1e-9]);
  expect(shades.map(({ share }) => share)).toEqual([0, 0.625, 1, expect.closeTo(1, 6) as unknown]);
  expect(shades.map(({ isWorst }) => isWorst)).toEqual([false, false, true, true]);
  const [easy, held, over] = shadesOf([1, 0.5, -0.4]);
  expect(easy).toMatchObject({ share: 0, isOver: false });
  // What is over its limit does not make the others look easier than they are.
  expect(held).toMatchObject({ share: 0.5, isOver: false });
  expect(over).toMatchObject({ share: 1, isOver: true, isWorst: true });
});

test('a figure in a field is short, and a pose without one has a dash', () => {
  const write = createWriter(METRIC);
  expect(figureText('radius', pose({ radius_m: 0.1117 }), write)).toBe('112');
  expect(figureText('slack', pose({ chordRatio: 0.863 }), write)).toBe('14%');
  expect(figureText('room', pose({ spare_m: null }), write)).toBe('–');
});
