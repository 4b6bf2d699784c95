import fc from 'fast-check';
import { circuitFaults } from './faults.ts';
import type { Hydraulics } from './hydraulics.ts';
import { layoutFigures } from './layoutFigures.ts';
import { startPattern } from './patterns.ts';
import { countingIds } from './testCircuits.ts';
import { canBeLaidOut, layOut, LAYOUTS, layoutOf } from './twinLayouts.ts';

const options = { newId: countingIds(), drive: 'left', abs: false, rearEnd: 'banjo' } as const;
const first = (pattern: Parameters<typeof startPattern>[0]): Hydraulics => {
  const circuit = startPattern(pattern, options)[0];
  if (!circuit) throw new Error(pattern);
  return circuit;
};
const figures = (circuit: Hydraulics) => {
  const result = layoutFigures(circuit);
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};
const TWINS = { longHoses: 'twinLongHoses', tee: 'twinTee', crossover: 'twinCrossover' } as const;

describe('the same brake laid out another way', () => {
  test.each(LAYOUTS)('%s is recognised', (layout) => {
    expect(layoutOf(first(TWINS[layout]))).toBe(layout);
  });
  test.each(LAYOUTS.flatMap((from) => LAYOUTS.map((to) => [from, to] as const)))(
    'from %s to %s works',
    (from, to) => {
      const before = first(TWINS[from]);
      const circuit = layOut(before, to, countingIds('new'));
      if (!circuit) throw new Error('no layout');
      expect(layoutOf(circuit)).toBe(to);
      expect(circuitFaults(circuit).filter((fault) => fault.severity === 'stop')).toEqual([]);
      // The parts that stay on the vehicle stay in the data.
      const staying = (of: Hydraulics) => of.components.filter((part) => part.kind !== 'junction');
      expect(staying(circuit)).toEqual(staying(before));
      expect(circuit.hoses.every((hose) => hose.length_m > 0)).toBe(true);
    },
  );
  test('laid out as it is, nothing changes', () => {
    for (const layout of LAYOUTS) {
      const circuit = first(TWINS[layout]);
      const again = layOut(circuit, layout, countingIds('new'));
      if (layout !== 'tee') expect(again?.hoses).toEqual(circuit.hoses);
      expect(again?.hoses).toHaveLength(circuit.hoses.length);
    }
  });
  test('three calipers on one master can be laid out, an ABS bike and a car cannot', () => {
    expect(canBeLaidOut(first('threeOnOneMaster'))).toBe(true);
    expect(canBeLaidOut(first('motorcycleAbs'))).toBe(false);
    expect(canBeLaidOut(first('carDiagonal'))).toBe(false);
    expect(layOut(first('singleFront'), 'tee', countingIds())).toBeNull();
  });
});

describe('figures of a layout', () => {
  test('two long hoses: one double bolt with three washers, two single with two each; common practice', () => {
    expect(figures(first('twinLongHoses'))).toMatchObject({
      joints: 3,
      washers: 7,
      sealingFaces: 7,
      bolts: 3,
      hoses: 2,
      highPoints: 0,
    });
  });
  test('tee: six single bolts, twelve washers', () => {
    expect(figures(first('twinTee'))).toMatchObject({
      joints: 6,
      washers: 12,
      bolts: 6,
      hoses: 3,
      highPoints: 0,
    });
  });
  test('crossover: seven washers, one high point', () => {
    expect(figures(first('twinCrossover'))).toMatchObject({
      joints: 3,
      washers: 7,
      bolts: 3,
      hoses: 2,
      highPoints: 1,
    });
  });
  test('the fluid in a metre of 3.2 mm bore is 8.04 cm³: π/4·d²·L', () => {
    const circuit = first('singleFront');
    const one = { ...circuit, hoses: circuit.hoses.map((hose) => ({ ...hose, length_m: 1 })) };
    expect(figures(one).fill_m3 * 1e6).toBeCloseTo(8.0425, 4);
  });
  test('strokes to flush wait for the master’s figures: 5 × 7.24 cm³ by 1.539 cm³ a stroke is 24', () => {
    const circuit = first('singleFront');
    expect(figures(circuit).flushStrokes).toBeNull();
    const known = {
      ...circuit,
      components: circuit.components.map((part) =>
        part.kind === 'master' ? { ...part, masterBore_m: 0.014, leverStroke_m: 0.06, leverRatio: 6 } : part,
      ),
    };
    expect(figures(known).flushStrokes).toBe(24);
  });
  test('longer hoses never weigh, swell or hold less', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 3, noNaN: true }), (factor) => {
        const circuit = first('twinLongHoses');
        const longer = {
          ...circuit,
          hoses: circuit.hoses.map((hose) => ({ ...hose, length_m: hose.length_m * factor })),
        };
        const [before, after] = [figures(circuit), figures(longer)];
        expect(after.mass_kg).toBeGreaterThanOrEqual(before.mass_kg);
        expect(after.swell_m3).toBeGreaterThanOrEqual(before.swell_m3);
        expect(after.fill_m3).toBeGreaterThanOrEqual(before.fill_m3);
        expect(after.washers).toBe(before.washers);
      }),
    );
  });
  test('a line of no length has no figures', () => {
    const circuit = first('singleFront');
    const result = layoutFigures({
      ...circuit,
      hoses: circuit.hoses.map((hose) => ({ ...hose, length_m: 0 })),
    });
    expect(result.ok ? null : result.problem.code).toBe('notPositive');
  });
});
