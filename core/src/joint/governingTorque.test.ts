import fc from 'fast-check';
import type { PartTorque } from './governingTorque.ts';
import { governingTorque, judgeTorquePart } from './governingTorque.ts';
import { TORQUE_PARTS } from './torquePart.ts';

const figure = (
  part: PartTorque['part'],
  low: number,
  high: number,
  over: Partial<PartTorque> = {},
): PartTorque => ({
  part,
  minimum_Nm: low,
  maximum_Nm: high,
  source: part === 'joint' ? 'vehicleMaker' : 'hoseMaker',
  forBolt: part === 'joint' ? 'steel' : null,
  isFitted: true,
  ...over,
});
const STEEL = { metal: 'steel' } as const;
const ALUMINIUM = { metal: 'aluminium' } as const;
const NOT_SAID = { metal: null } as const;
const JOINT = figure('joint', 26, 32);
const KIT = figure('kit', 18, 21);

describe('the weakest part that is really fitted governs', () => {
  test('the kit’s aluminium bolt, not the vehicle’s steel one (mistake catalogue, M70)', () => {
    expect(governingTorque([JOINT, KIT]).governing).toBe(KIT);
    expect(governingTorque([JOINT, { ...KIT, isFitted: false }]).governing).toBe(JOINT);
  });

  test('a default that nobody gives a source for never overrules a figure with one', () => {
    const nobody = figure('joint', 10, 12, { source: null });
    expect(governingTorque([nobody, KIT]).governing).toBe(KIT);
    expect(governingTorque([nobody]).governing.source).toBeNull();
  });

  test('for any figures the limit is that of a fitted part, and no fitted part with a source has a lower one', () => {
    const any = fc.record({
      part: fc.constantFrom(...TORQUE_PARTS),
      minimum_Nm: fc.integer({ min: 1, max: 20 }),
      maximum_Nm: fc.integer({ min: 20, max: 60 }),
      source: fc.constantFrom('vehicleMaker' as const, 'hoseMaker' as const, null),
      forBolt: fc.constantFrom('steel' as const, 'aluminium' as const, null),
      isFitted: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 5 }), (figures) => {
        const { governing, others } = governingTorque(figures);
        expect(others).toHaveLength(figures.length - 1);
        const fitted = figures.filter(({ isFitted }) => isFitted);
        expect(governing.isFitted).toBe(fitted.length > 0);
        for (const other of fitted.filter(({ source }) => source !== null))
          expect(governing.maximum_Nm).toBeLessThanOrEqual(other.maximum_Nm);
      }),
    );
  });
});

describe('M70', () => {
  test('the vehicle’s figure with another bolt in the joint; none with its own bolt, or with the kit’s figure', () => {
    expect(judgeTorquePart(governingTorque([JOINT]), ALUMINIUM)).toMatchObject([{ id: 'M70' }]);
    expect(judgeTorquePart(governingTorque([JOINT]), STEEL)).toEqual([]);
    expect(judgeTorquePart(governingTorque([JOINT, KIT]), ALUMINIUM)).toEqual([]);
  });

  test('a figure that does not say for which bolt, or a bolt that nobody has named, proves nothing', () => {
    const unnamed = governingTorque([{ ...JOINT, forBolt: null }]);
    expect(judgeTorquePart(unnamed, STEEL)).toMatchObject([{ id: 'M70', evidence: { forBolt: null } }]);
    expect(judgeTorquePart(unnamed, NOT_SAID)).toMatchObject([{ id: 'M70' }]);
    expect(judgeTorquePart(governingTorque([JOINT]), NOT_SAID)).toMatchObject([{ id: 'M70' }]);
    expect(judgeTorquePart(unnamed, 'noBolt')).toEqual([]);
  });

  test('a reading over the fitted part that would do for the other; none within, none over both', () => {
    const both = governingTorque([JOINT, KIT]);
    expect(judgeTorquePart(both, ALUMINIUM, 28)).toMatchObject([
      { id: 'M70', evidence: { part: 'kit', maximum_Nm: 21, usedFor: 'joint' } },
    ]);
    expect(judgeTorquePart(both, ALUMINIUM, 19.6)).toEqual([]);
    expect(judgeTorquePart(both, ALUMINIUM, 40)).toEqual([]);
  });
});
