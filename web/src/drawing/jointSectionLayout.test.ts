import fc from 'fast-check';
import { sectionLayout } from './jointSectionLayout.ts';

const PARTS = {
  eyes: 3,
  eyeThickness_mm: 8,
  washerThickness_mm: 1,
  boltLength_mm: 38,
  boltDiameter_mm: 10,
  portDepth_mm: 14,
};

describe('section of a banjo joint', () => {
  test('three eyes lie between four washers, and 38 mm of bolt leave 10 mm of thread', () => {
    const layout = sectionLayout(PARTS);
    expect(layout.eyes).toHaveLength(3);
    expect(layout.washers).toHaveLength(4);
    expect(layout.engaged).toEqual({ top: layout.portFace, bottom: layout.portFace + 10 });
  });

  test('parts follow each other without gap or overlap', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.double({ min: 4, max: 12, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (eyes, eyeThickness_mm, washerThickness_mm) => {
          const layout = sectionLayout({ ...PARTS, eyes, eyeThickness_mm, washerThickness_mm });
          const stack = [...layout.washers, ...layout.eyes].sort((a, b) => a.top - b.top);
          expect(stack[0]?.top).toBe(layout.head.bottom);
          for (let index = 1; index < stack.length; index += 1)
            expect(stack[index]?.top).toBe(stack[index - 1]?.bottom);
          expect(stack.at(-1)?.bottom).toBe(layout.portFace);
        },
      ),
    );
  });

  test('a port that nobody measured has no bottom: it is open below the bolt', () => {
    for (const boltLength_mm of [20, 38, 60]) {
      const layout = sectionLayout({ ...PARTS, boltLength_mm, portDepth_mm: null });
      expect(layout.portBottom).toBeGreaterThan(Math.max(layout.boltTip, layout.portFace));
      expect(layout.height).toBe(layout.portBottom);
    }
  });

  test('a bolt that is too short engages nothing; one that is too long shows past the bottom', () => {
    expect(sectionLayout({ ...PARTS, boltLength_mm: 20 }).engaged).toBeNull();
    const long = sectionLayout({ ...PARTS, boltLength_mm: 60 });
    expect(long.boltTip).toBeGreaterThan(long.portBottom);
    expect(long.engaged?.bottom).toBe(long.portBottom);
  });
});
