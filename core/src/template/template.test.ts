import fc from 'fast-check';
import { EXAMPLE_BENDS_deg, exampleBanjo } from '../fittings/exampleEnds.ts';
import type { EndGeometry } from '../fittings/end.ts';
import type { Mark, Place } from '../flat/drawing.ts';
import { arc, circle, dimension, extentOf, moved, path, words } from '../flat/drawing.ts';
import { bendGauge } from './bendGauge.ts';
import { BARS_m, calibrationBars } from './calibration.ts';
import { endTemplate, EXAMPLE_BUILD, eyeFromAbove } from './endTemplate.ts';

const write = {
  length: (value_m: number) => `${(value_m * 1000).toFixed(1)} mm`,
  angle: (value_rad: number) => `${Math.round((value_rad * 180) / Math.PI)}°`,
};
const away = (a: Place, b: Place) => Math.hypot(a[0] - b[0], a[1] - b[1]);
const textsOf = (marks: readonly Mark[]) =>
  marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []));

describe('an end at true size', () => {
  test.each(EXAMPLE_BENDS_deg)('%d°: take-offs and bend are those of its dimensions', (bend_deg) => {
    const end = exampleBanjo(bend_deg);
    const { face_m, apex_m, seal_m, marks } = endTemplate(end, EXAMPLE_BUILD, write);
    expect(away(face_m, apex_m)).toBeCloseTo(end.ferruleToApex_m, 12);
    expect(away(apex_m, seal_m)).toBeCloseTo(end.apexToPoint_m, 12);
    // Source: L1–L4 of the worked cases: straight-line figures of an end follow from a, b and φ by the law of cosines.
    const { ferruleToApex_m: a, apexToPoint_m: b, neckAngle_rad: bend } = end;
    expect(away(face_m, seal_m)).toBeCloseTo(Math.sqrt(a * a + b * b + 2 * a * b * Math.cos(bend)), 12);
    expect(textsOf(marks)).toContain(write.length(a));
    if (bend_deg > 0)
      expect(textsOf(marks)).toEqual(expect.arrayContaining([`${bend_deg}°`, write.length(b)]));
  });

  test('the edges of a bent neck run on without a step, half its thickness from the middle on either side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 1.6, noNaN: true }),
        fc.double({ min: 0.02, max: 0.04, noNaN: true }),
        fc.double({ min: 0.013, max: 0.04, noNaN: true }),
        (neckAngle_rad, ferruleToApex_m, apexToPoint_m) => {
          const end: EndGeometry = {
            family: 'banjo',
            neckAngle_rad,
            ferruleToApex_m,
            apexToPoint_m,
            neckLength_m: 0.025,
          };
          const { marks } = endTemplate(end, EXAMPLE_BUILD, write);
          const arcs = marks.flatMap((mark) => (mark.kind === 'arc' && mark.pen === 'outline' ? [mark] : []));
          const edges = marks.flatMap((mark) =>
            mark.kind === 'path' && mark.pen === 'outline' && !mark.closed ? mark.points_m : [],
          );
          for (const { centre_m, radius_m, from_rad, to_rad } of arcs) {
            expect(to_rad - from_rad).toBeCloseTo(neckAngle_rad, 12);
            for (const angle of [from_rad, to_rad]) {
              const tip: Place = [
                centre_m[0] + radius_m * Math.cos(angle),
                centre_m[1] + radius_m * Math.sin(angle),
              ];
              expect(Math.min(...edges.map((point) => away(point, tip)))).toBeLessThan(1e-9);
            }
          }
          const [inner, outer] = [...arcs].sort((a, b) => a.radius_m - b.radius_m);
          if (inner && outer) expect(outer.radius_m - inner.radius_m).toBeCloseTo(EXAMPLE_BUILD.neck_m, 12);
        },
      ),
    );
  });

  test('a threaded end has a thread and no eye', () => {
    const threaded: EndGeometry = { ...exampleBanjo(0), family: 'threaded' };
    const banjo = endTemplate(exampleBanjo(0), EXAMPLE_BUILD, write).marks;
    const screwed = endTemplate(threaded, EXAMPLE_BUILD, write).marks;
    const hidden = (marks: readonly Mark[]) =>
      marks.filter((mark) => mark.kind !== 'text' && mark.pen === 'hidden').length;
    expect(hidden(banjo)).toBe(2);
    expect(hidden(screwed)).toBe(0);
  });

  test('seen along its bolt the eye is round, its bore in the middle', () => {
    const circles = eyeFromAbove(EXAMPLE_BUILD, 0.02).flatMap((mark) => (mark.kind === 'arc' ? [mark] : []));
    expect(circles.map(({ radius_m }) => 2 * radius_m)).toEqual([
      EXAMPLE_BUILD.eyeOutside_m,
      EXAMPLE_BUILD.bore_m,
    ]);
    expect(circles.map(({ centre_m }) => centre_m)).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });
});

test('each ray of the gauge leaves the face at its bend, and says which', () => {
  const bends = EXAMPLE_BENDS_deg.map((deg) => (deg * Math.PI) / 180);
  const { tips_m, radius_m, marks } = bendGauge(bends, write.angle);
  for (const [index, [x, y]] of tips_m.entries()) {
    expect(Math.atan2(y, x)).toBeCloseTo(bends[index] ?? NaN, 12);
    expect(Math.hypot(x, y)).toBeCloseTo(radius_m, 12);
  }
  expect(textsOf(marks)).toEqual(EXAMPLE_BENDS_deg.map((deg) => `${deg}°`));
});

test('both bars are as long as they say', () => {
  const { left_m, right_m, bottom_m, top_m } = extentOf(calibrationBars([0.02, 0.03], 'measure'));
  expect([left_m, bottom_m]).toEqual([0.02, 0.03]);
  expect(right_m - left_m).toBeCloseTo(BARS_m.along, 12);
  expect(top_m - bottom_m).toBeCloseTo(BARS_m.up, 12);
});

describe('marks', () => {
  test('moved, every place keeps its distance from every other', () => {
    const marks = [
      path('outline', [0, 0], [0.1, 0.02]),
      circle('outline', [0.03, 0.04], 0.01),
      words([0.05, 0.01], 'here'),
    ];
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (turn, by) => {
          const places = (all: readonly Mark[]) =>
            all.flatMap((mark): readonly Place[] =>
              mark.kind === 'path' ? mark.points_m : mark.kind === 'arc' ? [mark.centre_m] : [mark.at_m],
            );
          const before = places(marks);
          const after = places(marks.map((mark) => moved(mark, [by, -by], turn)));
          for (const [i, a] of before.entries())
            for (const [j, b] of before.entries())
              expect(away(after[i] ?? [9, 9], after[j] ?? [9, 9])).toBeCloseTo(away(a, b), 9);
        },
      ),
    );
    expect(moved(arc('cut', [0, 0], 1, 0, 1), [0, 0], 0.5)).toMatchObject({ from_rad: 0.5, to_rad: 1.5 });
  });

  test('the text of a dimension is never upside down, whichever way it runs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        fc.constantFrom(-0.01, 0.01),
        (toward, offset) => {
          const marks = dimension(
            [0, 0],
            [0.05 * Math.cos(toward), 0.05 * Math.sin(toward)],
            offset,
            '50 mm',
          );
          const text = marks.find((mark) => mark.kind === 'text');
          if (text?.kind !== 'text') throw new Error('no text');
          expect(Math.cos(text.turn_rad)).toBeGreaterThan(-1e-9);
        },
      ),
    );
  });
});
