import fc from 'fast-check';
import { arrange, boundsOf, projection } from './projection.ts';

const bounds = boundsOf([
  [-0.4, -0.3, 0.2],
  [0.5, 0.3, 1.1],
]);

test('a place that has no width yet, or is about to go, has views all the same', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -50, max: 2000, noNaN: true }),
      fc.double({ min: -50, max: 900, noNaN: true }),
      (width_px, height_px) => {
        const { perMetre_px } = arrange(bounds, width_px, height_px);
        for (const view of ['side', 'front', 'top'] as const) {
          const drawn = projection(view, bounds, perMetre_px);
          expect(drawn.width_px).toBeGreaterThan(0);
          expect(drawn.height_px).toBeGreaterThan(0);
        }
      },
    ),
  );
});

test('in a wide place the views stand in a row, in a narrow one they do not, and they fit', () => {
  const wide = arrange(bounds, 1200, 480);
  expect(wide.inRow).toBe(true);
  const narrow = arrange(bounds, 350, 480);
  expect(narrow.inRow).toBe(false);
  const [side, front] = (['side', 'front'] as const).map((view) =>
    projection(view, bounds, narrow.perMetre_px),
  );
  expect((side?.width_px ?? 0) + (front?.width_px ?? 0)).toBeLessThanOrEqual(351);
});
