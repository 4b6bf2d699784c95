import type { Hydraulics } from '@zephyrcombe/core';
import { addComponent, connect, insertJunction, PATTERNS, startPattern } from '@zephyrcombe/core';
import fc from 'fast-check';
import { inReadingOrder, layoutDiagram, nearestInDirection, PART_HEIGHT, PART_WIDTH } from './layout.ts';

let next = 0;
const newId = () => `n${(next += 1)}`;
const circuits = (pattern: (typeof PATTERNS)[number]) =>
  startPattern(pattern, { newId, drive: 'left', abs: true, rearEnd: 'screwed' });

/** A pattern with junctions cut in and lines led about. */
const graph = fc
  .tuple(fc.constantFrom(...PATTERNS), fc.array(fc.tuple(fc.nat(), fc.nat(), fc.nat()), { maxLength: 12 }))
  .map(([pattern, steps]) => {
    const [started] = circuits(pattern);
    if (!started) throw new Error(pattern);
    return steps.reduce((circuit: Hydraulics, [what, a, b]) => {
      const part = (pick: number) => circuit.components[pick % circuit.components.length]?.id ?? '';
      switch (what % 3) {
        case 0:
          return insertJunction(
            circuit,
            newId,
            circuit.hoses[a % Math.max(1, circuit.hoses.length)]?.id ?? '',
          ).circuit;
        case 1:
          return addComponent(circuit, newId, 'caliper', 'C', 'axle').circuit;
        default:
          return connect(circuit, newId, part(a), part(b)).circuit;
      }
    }, started);
  });

describe('drawing of a circuit', () => {
  test('everything has a place inside the drawing, and no part lies on another', () => {
    fc.assert(
      fc.property(graph, (circuit) => {
        const diagram = layoutDiagram(circuit);
        expect(diagram.parts).toHaveLength(
          circuit.components.filter((part) => part.attachedTo === null).length,
        );
        expect(diagram.joints.map((joint) => joint.id).sort()).toEqual(
          circuit.joints.map((joint) => joint.id).sort(),
        );
        for (const place of [...diagram.parts, ...diagram.joints]) {
          expect(place.x).toBeGreaterThan(0);
          expect(place.x).toBeLessThan(diagram.width);
          expect(place.y).toBeGreaterThan(0);
          expect(place.y).toBeLessThan(diagram.height);
        }
        for (const [index, one] of diagram.parts.entries())
          for (const other of diagram.parts.slice(index + 1))
            expect(Math.abs(one.x - other.x) >= PART_WIDTH || Math.abs(one.y - other.y) >= PART_HEIGHT).toBe(
              true,
            );
        for (const line of diagram.lines) expect(line.path).toMatch(/^M[-\d., CLHVe]+$/);
      }),
      { numRuns: 60 },
    );
  });

  test('fluid runs from left to right, whichever way round a line was entered', () => {
    const [circuit] = circuits('twinTee');
    if (!circuit) throw new Error('no pattern');
    const turned = {
      ...circuit,
      hoses: circuit.hoses.map((hose) => ({
        ...hose,
        fromJointId: hose.toJointId,
        toJointId: hose.fromJointId,
      })),
    };
    for (const each of [circuit, turned]) {
      const { parts } = layoutDiagram(each);
      const x = (kind: string) =>
        parts
          .filter((part) => each.components.find(({ id }) => id === part.id)?.kind === kind)
          .map((part) => part.x);
      expect(Math.max(...x('master'))).toBeLessThan(Math.min(...x('junction')));
      expect(Math.max(...x('junction'))).toBeLessThan(Math.min(...x('caliper')));
    }
  });

  test('pipe and hose meet inside their bracket', () => {
    const [circuit] = circuits('carDiagonal');
    if (!circuit) throw new Error('no pattern');
    const { parts, joints } = layoutDiagram(circuit);
    const bracket = circuit.components.find((part) => part.kind === 'bracket');
    const joint = circuit.joints.find((candidate) => candidate.componentId === bracket?.id);
    const part = parts.find(({ id }) => id === bracket?.id);
    expect(joints.find(({ id }) => id === joint?.id)).toMatchObject({ x: part?.x, y: part?.y });
  });

  test('an empty circuit is an empty sheet', () => {
    const empty = {
      name: 'E',
      fluidGrade: 'DOT 4' as const,
      components: [],
      ports: [],
      joints: [],
      hoses: [],
    };
    expect(layoutDiagram(empty)).toMatchObject({ parts: [], joints: [], lines: [] });
  });
});

describe('walking with the arrows', () => {
  const places = [
    { id: 'a', x: 0, y: 0 },
    { id: 'b', x: 100, y: 10 },
    { id: 'c', x: 60, y: 90 },
  ];
  const from = (id: string) => places.find((place) => place.id === id) ?? { x: 0, y: 0 };
  test.each([
    ['a', 'right', 'b'],
    ['b', 'left', 'a'],
    ['a', 'down', 'c'],
    ['c', 'up', 'b'],
    ['a', 'left', null],
    ['b', 'right', null],
  ] as const)('from %s %s is %s', (id, direction, expected) => {
    expect(nearestInDirection(from(id), places, direction)).toEqual(
      expected === null ? null : from(expected),
    );
  });
  test('the way in reading order leaves nothing out, and goes from the master to the wheels', () => {
    const [circuit] = circuits('carDiagonal');
    if (!circuit) throw new Error('no pattern');
    const { parts } = layoutDiagram(circuit);
    const walked = inReadingOrder(parts);
    expect(walked.map((part) => part.id).sort()).toEqual(parts.map((part) => part.id).sort());
    const kinds = walked.map((part) => circuit.components.find(({ id }) => id === part.id)?.kind);
    expect(kinds).toEqual(['master', 'absUnit', 'bracket', 'bracket', 'caliper', 'caliper']);
  });
});
