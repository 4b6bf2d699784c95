import fc from 'fast-check';
import type { StripCircuit } from './layout.ts';
import { curveLength, layoutStrip } from './layout.ts';

const part = (id: string, kind: 'master' | 'caliper') => ({ id, kind, name: id, attachedTo: null });
const star = (lengths_m: readonly number[]): StripCircuit => ({
  components: [part('m', 'master'), ...lengths_m.map((_length, index) => part(`c${index}`, 'caliper'))],
  joints: [
    { id: 'jm', componentId: 'm', seal: 'banjo' },
    ...lengths_m.map((_length, index) => ({
      id: `j${index}`,
      componentId: `c${index}`,
      seal: 'banjo' as const,
    })),
  ],
  hoses: lengths_m.map((length_m, index) => ({
    id: `h${index}`,
    fromJointId: 'jm',
    toJointId: `j${index}`,
    length_m,
  })),
});

/** Length of a drawn path of one S and one straight, read back from its text. */
function drawnLength(path: string): number {
  const numbers = path.match(/-?\d+(\.\d+)?(e-?\d+)?/g)?.map(Number) ?? [];
  if (!path.includes('C')) return (numbers[2] ?? 0) - (numbers[0] ?? 0);
  const [x = 0, y = 0, , , , , curveX = 0, curveY = 0, endX = 0] = numbers;
  return curveLength(curveX - x, curveY - y) + endX - curveX;
}

describe('circuit strip', () => {
  test('hoses are drawn to one scale, curves included', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 2.5, noNaN: true }), { minLength: 1, maxLength: 4 }),
        (lengths_m) => {
          const layout = layoutStrip(star(lengths_m), 1212);
          for (const [index, length_m] of lengths_m.entries()) {
            const hose = layout.hoses.find((candidate) => candidate.id === `h${index}`);
            expect(drawnLength(hose?.path ?? '')).toBeCloseTo(length_m * layout.scale_px_per_m, 3);
          }
        },
      ),
    );
  });

  test('everything lies within the strip, and no two parts on each other', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 2.5, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 560, max: 1600 }),
        (lengths_m, width) => {
          const layout = layoutStrip(star(lengths_m), width);
          expect(layout.parts).toHaveLength(lengths_m.length);
          for (const placed of layout.parts) {
            expect(placed.x).toBeGreaterThan(0);
            expect(placed.x + 34).toBeLessThanOrEqual(width);
            expect(placed.y).toBeLessThan(layout.height);
          }
          expect(new Set(layout.parts.map((placed) => placed.y)).size).toBe(lengths_m.length);
        },
      ),
    );
  });

  test('the shortest hose is on top, and mirrored input gives the same picture', () => {
    const layout = layoutStrip(star([1.32, 0.742, 0.815]), 1212);
    expect(layout.hoses.map((hose) => hose.id)).toEqual(['h1', 'h2', 'h0']);
    const turned = star([1.32, 0.742, 0.815]);
    const mirrored = {
      ...turned,
      hoses: turned.hoses.map((hose) => ({
        ...hose,
        fromJointId: hose.toJointId,
        toJointId: hose.fromJointId,
      })),
    };
    expect(layoutStrip(mirrored, 1212)).toEqual(layout);
  });

  test('a crossover goes on from the caliper it leaves, and a ring ends', () => {
    const circuit = star([0.7]);
    const crossed: StripCircuit = {
      components: [...circuit.components, part('c9', 'caliper')],
      joints: [...circuit.joints, { id: 'j9', componentId: 'c9', seal: 'banjo' }],
      hoses: [...circuit.hoses, { id: 'x', fromJointId: 'j0', toJointId: 'j9', length_m: 0.4 }],
    };
    const layout = layoutStrip(crossed, 1212);
    const [first, second] = layout.parts;
    expect(second?.x).toBeGreaterThan(first?.x ?? 0);
    const ring = {
      ...crossed,
      hoses: [...crossed.hoses, { id: 'r', fromJointId: 'j9', toJointId: 'jm', length_m: 0.9 }],
    };
    expect(layoutStrip(ring, 1212).hoses).toHaveLength(3);
  });

  test('a line through a unit comes out at joints of its own, each drawn once with a stub to its part', () => {
    const through: StripCircuit = {
      components: [
        part('m', 'master'),
        { ...part('u', 'caliper'), kind: 'absUnit' },
        part('l', 'caliper'),
        part('r', 'caliper'),
      ],
      joints: ['m', 'u', 'u-left', 'u-right', 'l', 'r'].map((id) => ({
        id: `j-${id}`,
        componentId: id.split('-')[0] ?? '',
        seal: 'banjo',
      })),
      hoses: [
        ['m', 'u', 0.9],
        ['u-left', 'l', 0.4],
        ['u-right', 'r', 0.5],
      ].map(([from, to, length_m], index) => ({
        id: `h${index}`,
        fromJointId: `j-${from}`,
        toJointId: `j-${to}`,
        length_m: Number(length_m),
      })),
    };
    const layout = layoutStrip(through, 1212);
    expect(layout.joints.map((joint) => joint.id).sort()).toEqual(
      through.joints.map((joint) => joint.id).sort(),
    );
    expect(layout.stubs).toHaveLength(2);
    const x = (id: string) => layout.joints.find((joint) => joint.id === id)?.x ?? 0;
    const unit = layout.parts.find((placed) => placed.id === 'u')?.x ?? 0;
    expect(x('j-u')).toBeLessThan(unit);
    expect(x('j-u-left')).toBeGreaterThan(unit);
    // To scale, as everything on a strip.
    const right = layout.hoses.find((hose) => hose.id === 'h2');
    expect(drawnLength(right?.path ?? '')).toBeCloseTo(0.5 * layout.scale_px_per_m, 3);
    expect(layoutStrip(through, 1212, 100).scale_px_per_m).toBe(100);
  });

  test('a circuit without a master is an empty strip, not a fault', () => {
    expect(layoutStrip({ components: [], joints: [], hoses: [] }, 800)).toMatchObject({
      hoses: [],
      joints: [],
      master: null,
    });
  });
});
