import type { Corner } from '@zephyrcombe/core';
import { CORNER_PATTERNS, PATTERN_CORNERS, placementOf } from '@zephyrcombe/core';
import fc from 'fast-check';
import { rigSizes } from '../editor/sceneRows.ts';
import { rigSketch } from './rigSketch.ts';
import { spread } from './spread.ts';

describe('fields beside a drawing', () => {
  test('stand where they want to when there is room', () => {
    expect(spread([300, 100, 500], 50, 0, 600)).toEqual([300, 100, 500]);
  });

  test('two at the same place give way alike', () => {
    expect(spread([200, 200], 50, 0, 600)).toEqual([175, 225]);
  });

  test('three in a heap stand round their middle, and the one apart is left where it is', () => {
    expect(spread([100, 110, 120, 400], 50, 0, 600)).toEqual([60, 110, 160, 400]);
  });

  test('at an edge all give way inwards', () => {
    expect(spread([0, 5], 50, 0, 600)).toEqual([0, 50]);
    expect(spread([600, 595], 50, 0, 600)).toEqual([600, 550]);
  });

  test('never overlap, never change their order, never leave the paper while it is wide enough', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -100, max: 700, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (wanted) => {
          const places = spread(wanted, 50, 0, 600);
          const order = wanted.map((_w, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
          for (const [turn, index] of order.entries()) {
            const place = places[index] ?? NaN;
            expect(place).toBeGreaterThanOrEqual(-1e-9);
            expect(place).toBeLessThanOrEqual(600 + 1e-9);
            const before = order[turn - 1];
            if (before !== undefined) expect(place - (places[before] ?? 0)).toBeGreaterThan(50 - 1e-9);
          }
        },
      ),
      { seed: 5 },
    );
  });
});

describe.each(CORNER_PATTERNS)('the sketch of %s', (pattern) => {
  const corner: Corner = PATTERN_CORNERS[pattern];
  const [hose] = corner.hoses;
  if (!hose) throw new Error('a pattern without a hose');
  const sketch = rigSketch(corner, hose);

  test('marks where every dimension is measured', () => {
    expect(Object.keys(sketch.measuredAt).sort()).toEqual(
      rigSizes(corner)
        .map(({ key }) => key)
        .sort(),
    );
  });

  test('draws a travel as the rig moves by it', () => {
    const { rig } = corner;
    for (const [from, to] of sketch.travels) {
      if (!('travel_m' in rig)) throw new Error('a travel that the rig does not have');
      const body = rig.kind === 'fork' ? 'sliders' : rig.kind === 'strut' ? 'knuckle' : 'axle';
      const pressed = placementOf(rig, body, { across: 0, down: rig.travel_m }).point(from);
      for (const axis of [0, 1, 2] as const) expect(to[axis]).toBeCloseTo(pressed[axis], 9);
    }
  });
});
