import fc from 'fast-check';
import type { CornerPattern } from '@zephyrcombe/core';
import { axesOf, BODIES_OF, CORNER_PATTERNS, PATTERN_CORNERS, placementOf } from '@zephyrcombe/core';
import { handlesOf } from './handles.ts';
import { middleOf, toRest } from './placing.ts';
import { boundsOf, projection } from './projection.ts';

const share = fc.double({ min: -1, max: 1, noNaN: true });
const posed = (pattern: CornerPattern, a: number, d: number) => {
  const { across, down } = axesOf(PATTERN_CORNERS[pattern].rig);
  return { across: a * (across?.most ?? 0), down: Math.abs(d) * down.most };
};

test('what is seen in any pose is taken back to where it is measured', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CORNER_PATTERNS),
      share,
      share,
      fc.tuple(share, share, share),
      (pattern, a, d, point) => {
        const { rig } = PATTERN_CORNERS[pattern];
        for (const body of BODIES_OF[rig.kind]) {
          const placement = placementOf(rig, body, posed(pattern, a, d));
          const back = toRest(placement, placement.point(point), placement.direction([0, 0.6, 0.8]));
          for (const axis of [0, 1, 2] as const) {
            // Rounded to a tenth of a millimetre.
            expect(Math.abs(back.point_m[axis] - point[axis])).toBeLessThan(1e-4);
            expect(Math.abs(back.direction[axis] - [0, 0.6, 0.8][axis]!)).toBeLessThan(1e-4);
          }
        }
      },
    ),
  );
});

test('a handle moved by so much in any pose and view is found there afterwards', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CORNER_PATTERNS),
      share,
      share,
      fc.constantFrom('side' as const, 'front' as const, 'top' as const),
      fc.integer({ min: -40, max: 40 }),
      fc.integer({ min: -40, max: 40 }),
      (pattern, a, d, view, dx, dy) => {
        const { rig, hoses } = PATTERN_CORNERS[pattern];
        const [hose] = hoses;
        if (!hose) return;
        const pose = posed(pattern, a, d);
        const plan = projection(
          view,
          boundsOf([
            [0, 0, 0],
            [1, 1, 1],
          ]),
          500,
        );
        for (const handle of handlesOf(rig, hose, pose)) {
          if (handle.kind !== 'point') continue;
          const moved = handlesOf(rig, handle.moved(plan.back(dx, dy)), pose).find(
            ({ id }) => id === handle.id,
          );
          const [x0, y0] = plan.at(handle.at_m);
          const [x1, y1] = plan.at(moved?.at_m ?? [9, 9, 9]);
          expect(Math.abs(x1 - x0 - dx)).toBeLessThan(0.15);
          expect(Math.abs(y1 - y0 - dy)).toBeLessThan(0.15);
        }
      },
    ),
  );
});

test('a new clip lies half way along the hose', () => {
  const line = new Float32Array(Array.from({ length: 11 }, (_none, at) => [at / 10, 0, 0]).flat());
  const middle = middleOf(line, 0, 1);
  expect(middle?.at_m).toBeCloseTo(0.5, 5);
  expect(middle?.along).toEqual([expect.closeTo(1, 5), 0, 0]);
  expect(middleOf(new Float32Array(3), 0, 1)).toBeNull();
});
