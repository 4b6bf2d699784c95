import fc from 'fast-check';
import { namePlaces } from './namePlaces.ts';

test('a name stands at its part, beyond most of the width to its left; one by itself is not moved', () => {
  const [left, right] = namePlaces(
    [
      { text: 'Headlamp', x: 40, y: 60 },
      { text: 'Fork tube', x: 180, y: 120 },
    ],
    200,
    200,
  );
  expect(left).toMatchObject({ x: 40, y: 60, anchor: 'start' });
  expect(right).toMatchObject({ x: 180, y: 120, anchor: 'end' });
});

test('two at one place stand one under the other; where there is no room, the later one is left out', () => {
  const at = { x: 20, y: 40 };
  const names = ['Drive shaft', 'Left front tyre', 'Strut tube', 'Hub'].map((text) => ({ ...at, text }));
  const places = namePlaces(names, 200, 200);
  expect(places.map((place) => place?.y ?? null)).toEqual([40, 55, 25, null]);
  // Nor over what the view itself is called, nor past its edge.
  expect(namePlaces([{ text: 'Hub', x: 20, y: 190 }], 200, 200)).toEqual([
    { text: 'Hub', x: 20, y: 175, anchor: 'start' },
  ]);
  expect(namePlaces([{ text: 'A very long name of a part', x: 60, y: 40 }], 120, 200)).toEqual([null]);
  // To the left where there is room for it only there.
  expect(namePlaces([{ text: 'Right fork tube', x: 196, y: 250 }], 287, 460)).toMatchObject([
    { anchor: 'end' },
  ]);
  expect(namePlaces([null], 100, 100)).toEqual([null]);
});

test('whatever the parts are called and wherever they are, no two names lie over each other', () => {
  const named = fc.record({
    text: fc.string({ minLength: 1, maxLength: 16 }),
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 300 }),
  });
  fc.assert(
    fc.property(fc.array(named, { maxLength: 12 }), (names) => {
      const placed = namePlaces(names, 300, 300).flatMap((place) => place ?? []);
      for (const [index, a] of placed.entries())
        for (const b of placed.slice(index + 1)) {
          const spanOf = ({ text, x, anchor }: typeof a) => {
            const wide = text.length * 6.4;
            return anchor === 'end' ? [x - wide, x] : [x, x + wide];
          };
          const [[aLeft = 0, aRight = 0], [bLeft = 0, bRight = 0]] = [spanOf(a), spanOf(b)];
          expect(aRight < bLeft || aLeft > bRight || Math.abs(a.y - b.y) >= 15).toBe(true);
        }
    }),
  );
});
