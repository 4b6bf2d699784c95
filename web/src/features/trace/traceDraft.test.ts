import fc from 'fast-check';
import type { Tracing } from '@zephyrcombe/core';
import {
  draftOf,
  EMPTY_TRACE,
  movedPoint,
  nextTarget,
  tracingOf,
  withoutPoint,
  withPoint,
} from './traceDraft.ts';

const at = (x: number, y: number) => ({ x, y });

test('the scale is asked for first, and takes no third point', () => {
  let draft = EMPTY_TRACE;
  expect(nextTarget(draft)).toBe('scale');
  for (const x of [0, 100, 200]) draft = withPoint(draft, 'scale', at(x, 0));
  expect(draft.even).toHaveLength(2);
  expect(nextTarget(draft)).toBe('line');
  expect(tracingOf(draft).scale).toBeNull();
  expect(tracingOf({ ...draft, distance: '10 cm' }).scale).toEqual({
    kind: 'even',
    from: at(0, 0),
    to: at(100, 0),
    distance_m: 0.1,
  });
});

test('a rectangle wants all four corners and both sizes', () => {
  let draft: typeof EMPTY_TRACE = { ...EMPTY_TRACE, scaleKind: 'perspective' };
  for (const [x, y] of [
    [0, 0],
    [9, 0],
    [9, 9],
  ] as const)
    draft = withPoint(draft, 'scale', at(x, y));
  expect(tracingOf(draft).scale).toBeNull();
  draft = withPoint(draft, 'scale', at(0, 9));
  expect(tracingOf(draft).scale).toMatchObject({ kind: 'perspective', width_m: 0.297, height_m: 0.21 });
  expect(tracingOf({ ...draft, height: 'A4' }).scale).toBeNull();
});

test('points are moved and taken out where they stand', () => {
  const draft = { ...EMPTY_TRACE, points: [at(0, 0), at(1, 1), at(2, 2)] };
  expect(movedPoint(draft, 'line', 1, at(5, 5)).points).toEqual([at(0, 0), at(5, 5), at(2, 2)]);
  expect(withoutPoint(draft, 'line', 0).points).toEqual([at(1, 1), at(2, 2)]);
});

test('what was kept comes back as it was', () => {
  const px = fc.integer({ min: 0, max: 4000 });
  const point = fc.record({ x: px, y: px });
  const size_m = fc.integer({ min: 1, max: 4000 }).map((mm) => mm / 1000);
  const tracing = fc.record({
    scale: fc.oneof(
      fc.constant(null),
      fc.record({ kind: fc.constant('even' as const), from: point, to: point, distance_m: size_m }),
      fc.record({
        kind: fc.constant('perspective' as const),
        corners: fc.tuple(point, point, point, point),
        width_m: size_m,
        height_m: size_m,
      }),
    ),
    line: fc.constantFrom('straight' as const, 'smooth' as const),
    points: fc.array(point, { maxLength: 8 }),
  });
  fc.assert(
    fc.property(tracing, (kept: Tracing) => {
      const back = tracingOf(draftOf(kept, 'mm'));
      expect({ ...back, scale: null }).toEqual({ ...kept, scale: null });
      const numbers = (scale: Tracing['scale']) =>
        scale === null ? [] : scale.kind === 'even' ? [scale.distance_m] : [scale.width_m, scale.height_m];
      expect(back.scale?.kind).toBe(kept.scale?.kind);
      for (const [index, value] of numbers(kept.scale).entries())
        expect(numbers(back.scale)[index]).toBeCloseTo(value, 9);
    }),
  );
});
