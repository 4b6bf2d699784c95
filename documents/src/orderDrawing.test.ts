import type { Mark } from '@zephyrcombe/core';
import { exampleBanjo, exampleThreaded, METRIC } from '@zephyrcombe/core';
import type { OrderHose } from '@zephyrcombe/contract';
import { createWriter } from '@zephyrcombe/messages';
import { orderDrawing } from './orderDrawing.ts';

const write = createWriter(METRIC, 'UTC');
const FITTING = {
  material: 'stainless',
  bendPlane: 'acrossEye',
  direction_rad: null,
  eyeBore_m: 0.0102,
  turnable: null,
  tab: false,
  bracket: false,
  knurled: false,
  supportWasher: false,
  thread: 'M10×1.0',
  at: 'Master',
  seat: 'flatWasherFace',
  hexagon_m: null,
} as const;
const endOf = (geometry: ReturnType<typeof exampleBanjo>): OrderHose['endA'] => ({
  ...FITTING,
  family: geometry.family,
  neckAngle_rad: geometry.neckAngle_rad,
  gender: geometry.family === 'banjo' ? null : 'female',
  kind: geometry.family === 'banjo' ? 'banjo' : 'femaleSwivel',
  takeOff_m: geometry.ferruleToApex_m + geometry.apexToPoint_m,
  beyondBend_m: geometry.apexToPoint_m,
});
const hose = (endA: OrderHose['endA'], endB: OrderHose['endB']): OrderHose => ({
  id: '0b9f0c7e-8d5a-4f4e-9c57-3f8f3e1a2b10',
  name: 'Front hose',
  length_m: 0.742,
  datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
  sealingLength_m: 0.742,
  freeLength_m: 0.674,
  tolerance_m: 0.003,
  bore_m: 0.0032,
  outside_m: 0.0075,
  liner: 'ptfe',
  braid: 'stainless',
  cover: 'clear',
  fixing: 'crimped',
  endA,
  endB,
  clocking_rad: null,
  clocking: 'notGiven',
  along: [],
});
const WIDTH_m = 0.174;
const marksOf = (a: OrderHose['endA'], b: OrderHose['endB']) =>
  orderDrawing(hose(a, b), [0.018, 0.26], WIDTH_m, write);
const circles = (marks: readonly Mark[]) =>
  marks.flatMap((mark) => (mark.kind === 'arc' && mark.pen === 'outline' ? [mark] : []));

describe('a hose on its order', () => {
  test('no line runs into an eye', () => {
    const marks = marksOf(endOf(exampleBanjo(0)), endOf(exampleBanjo(0)));
    const eyes = circles(marks);
    expect(eyes).toHaveLength(4);
    for (const { centre_m, radius_m } of eyes)
      for (const mark of marks)
        if (mark.kind === 'path' && !mark.closed)
          for (const [x, y] of mark.points_m)
            expect(Math.hypot(x - centre_m[0], y - centre_m[1])).toBeGreaterThan(radius_m * 0.99);
  });

  test.each([20, 45, 90] as const)('a neck of %d° is drawn at that angle', (bend) => {
    const marks = marksOf(endOf(exampleBanjo(bend)), endOf(exampleBanjo(0)));
    const angles = marks.flatMap((mark) => {
      if (mark.kind !== 'path') return [];
      return mark.points_m.slice(1).flatMap(([x, y], index) => {
        const [ax, ay] = mark.points_m[index] ?? [0, 0];
        const length = Math.hypot(x - ax, y - ay);
        return length > 0.002 ? [(Math.atan2(y - ay, ax - x) * 180) / Math.PI] : [];
      });
    });
    expect(angles.some((angle) => Math.abs(angle - bend) < 0.5)).toBe(true);
  });

  test('every kind of pair stays inside the room that it is given', () => {
    const kinds = [0, 20, 45, 90].flatMap((bend) => [
      endOf(exampleBanjo(bend as 0)),
      endOf(exampleThreaded(bend as 0)),
    ]);
    for (const a of kinds)
      for (const b of kinds)
        for (const mark of marksOf(a, b))
          if (mark.kind === 'path')
            for (const [x, y] of mark.points_m) {
              expect(x).toBeGreaterThan(0.018 - 0.003);
              expect(x).toBeLessThan(0.018 + WIDTH_m + 0.003);
              expect(y).toBeLessThan(0.26 + 1e-9);
            }
  });
});
