import fc from 'fast-check';
import { boltEngagement } from './engagement.ts';
import type { JointMaterial } from './washers.ts';
import { judgeWasherMaterial, washersNeeded } from './washers.ts';

const ids = (result: { ok: boolean; cautions?: readonly { id: string }[] }) =>
  (result.cautions ?? []).map((caution) => caution.id);

describe('banjo stack', () => {
  // Common practice, no published source.
  test.each([
    [1, 2],
    [2, 3],
    [3, 4],
  ])('%i eyes take %i washers', (eyes, washers) => {
    expect(washersNeeded(eyes)).toMatchObject({ ok: true, value: washers, cautions: [] });
  });

  test('every eye lies between two washers, however many eyes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), (eyes) =>
        expect(washersNeeded(eyes)).toMatchObject({ value: eyes + 1 }),
      ),
    );
  });

  test('a washer short, or one too many, is caught', () => {
    expect(ids(washersNeeded(3, 3))).toEqual(['M57']);
    expect(ids(washersNeeded(3, 5))).toEqual(['M57']);
    expect(ids(washersNeeded(3, 4))).toEqual([]);
  });

  test('half an eye is no joint', () => {
    expect(washersNeeded(0).ok).toBe(false);
    expect(washersNeeded(1.5).ok).toBe(false);
  });

  test('an aluminium bolt refuses copper washers; steel takes either', () => {
    expect(judgeWasherMaterial('aluminium', 'copper')).toMatchObject([{ id: 'M58' }]);
    expect(judgeWasherMaterial('aluminium', 'aluminium')).toEqual([]);
    expect(judgeWasherMaterial('steel', 'copper')).toEqual([]);
  });
});

describe('bolt engagement', () => {
  /** Invented test geometry: 8 mm eyes, 1 mm washers, M10 bolts of 20, 30 and 40 mm, 14 mm deep port. */
  const stack = (eyes: number, boltLength_mm: number, portDepth_mm = 14) =>
    boltEngagement({
      eyes,
      eyeThickness_m: 0.008,
      washerThickness_m: 0.001,
      boltLength_m: boltLength_mm / 1000,
      boltDiameter_m: 0.01,
      portDepth_m: portDepth_mm / 1000,
    });

  test('one eye on a single bolt is clean: 20 − 8 − 2 leaves 10 mm', () => {
    const result = stack(1, 20);
    expect(result.ok && result.value.engaged_m).toBeCloseTo(0.01, 12);
    expect(ids(result)).toEqual([]);
  });

  test('two eyes on a single bolt leave a millimetre: M29', () => {
    expect(ids(stack(2, 20))).toEqual(['M29']);
  });

  test('exactly 0.8 d is enough (common practice, no published source)', () => {
    expect(ids(stack(1, 18))).toEqual([]);
    expect(ids(stack(1, 17.9))).toEqual(['M29']);
  });

  test('a double bolt on one eye meets the bottom: M30', () => {
    expect(ids(stack(1, 30))).toEqual(['M30']);
    expect(ids(stack(1, 23))).toEqual([]);
  });

  test('a length of nothing is a problem that names its field', () => {
    expect(stack(1, 0)).toMatchObject({ ok: false, problem: { code: 'notPositive', field: 'boltLength_m' } });
    expect(stack(0, 20)).toMatchObject({ ok: false, problem: { field: 'eyes' } });
  });
});

describe('aluminium and copper', () => {
  test('M58: an aluminium eye on a steel bolt with copper washers is the very case; eye, seat and bolt are judged', () => {
    const copper = (
      eyes: readonly JointMaterial[],
      seat: JointMaterial | null,
      bolt: JointMaterial = 'steel',
    ) => judgeWasherMaterial(bolt, 'copper', { eyes, seat }).map(({ evidence }) => evidence);
    expect(copper(['aluminium'], null)).toEqual([
      { part: 'eye', partMaterial: 'aluminium', washerMaterial: 'copper' },
    ]);
    expect(copper(['steel', 'aluminium'], 'steel')).toMatchObject([{ part: 'eye' }]);
    expect(copper(['steel'], 'aluminium')).toMatchObject([{ part: 'seat' }]);
    expect(copper([], null, 'aluminium')).toMatchObject([{ part: 'bolt' }]);
    expect(copper(['steel', 'stainless'], 'steel')).toEqual([]);
    expect(judgeWasherMaterial('aluminium', 'aluminium', { eyes: ['aluminium'], seat: 'aluminium' })).toEqual(
      [],
    );
  });
});

test('M29 needs no port depth; without one M30 is not checked, and nothing says that it was', () => {
  const stack = {
    eyes: 2,
    eyeThickness_m: 0.0075,
    washerThickness_m: 0.0015,
    boltLength_m: 0.02,
    boltDiameter_m: 0.01,
    portDepth_m: null,
  };
  const result = boltEngagement(stack);
  if (!result.ok) throw new Error(result.problem.code);
  expect(result.value.bottomGap_m).toBeNull();
  expect(result.cautions.map(({ id }) => id)).toEqual(['M29']);
  expect(result.working.some(({ result: { meaning } }) => meaning === 'bottomGap')).toBe(false);
  const deep = boltEngagement({ ...stack, eyes: 1, boltLength_m: 0.04, portDepth_m: 0.02 });
  expect(deep.ok && deep.cautions.map(({ id }) => id)).toEqual(['M30']);
});
