import type { Circuit } from '../layout/circuit.ts';
import { distancesFromMaster, eyesOn } from '../layout/circuit.ts';
import { nippleOrder } from './nippleOrder.ts';
import { refillGuard, strokeVolume } from './strokes.ts';

/** Source: closed-form worked cases S1–S3 (swept volume of a piston). */
describe('strokes before the reservoir reaches its minimum', () => {
  test.each([
    ['S1', 14, 6, 60, 1.5393804002589986, 25, 16],
    ['S2', 16, 5.5, 50, 1.8278357257249707, 20, 10],
    ['S3', 20.64, 4, 100, 8.36467893574204, 150, 17],
  ])('%s', (_name, bore_mm, leverRatio, stroke_mm, cc, usable_cc, strokes) => {
    const master = {
      masterBore_m: bore_mm / 1000,
      leverStroke_m: stroke_mm / 1000,
      leverRatio,
      efficiency: 1,
    };
    const volume = strokeVolume(master);
    expect(volume.ok && volume.value * 1e6).toBeCloseTo(cc, 9);
    expect(refillGuard(master, usable_cc * 1e-6, 0, false)).toMatchObject({
      value: { strokesBeforeMinimum: strokes, strokesLeft: strokes },
    });
  });

  const master = { masterBore_m: 0.014, leverStroke_m: 0.06, leverRatio: 6, efficiency: 1 };

  test('warns with two strokes in hand, not after the air is in: M50', () => {
    expect(refillGuard(master, 25e-6, 13, true)).toMatchObject({ value: { strokesLeft: 3 }, cautions: [] });
    expect(refillGuard(master, 25e-6, 14, true)).toMatchObject({
      cautions: [{ id: 'M50', evidence: { strokesLeft: 2, abs: true } }],
    });
  });

  test('a bore, a stroke or a reservoir of nothing is refused by name', () => {
    expect(strokeVolume({ ...master, masterBore_m: 0 })).toMatchObject({
      problem: { field: 'masterBore_m' },
    });
    expect(refillGuard({ ...master, leverRatio: -1 }, 25e-6, 0, false)).toMatchObject({
      problem: { field: 'leverRatio' },
    });
    expect(refillGuard(master, 0, 0, false)).toMatchObject({ problem: { field: 'usable_m3' } });
    expect(refillGuard(master, 25e-6, -1, false)).toMatchObject({ problem: { field: 'strokesSinceTopUp' } });
  });
});

describe('nipple order (common practice, no published source)', () => {
  const OUTFIT: Circuit = {
    components: [
      { id: 'master', kind: 'master', name: 'Master', attachedTo: null },
      { id: 'left', kind: 'caliper', name: 'Left', attachedTo: null },
      { id: 'right', kind: 'caliper', name: 'Right', attachedTo: null },
      { id: 'side', kind: 'caliper', name: 'Sidecar', attachedTo: null },
      { id: 'n-master', kind: 'bleedNipple', name: 'Master nipple', attachedTo: 'master' },
      { id: 'n-left', kind: 'bleedNipple', name: 'Left nipple', attachedTo: 'left' },
      { id: 'n-right', kind: 'bleedNipple', name: 'Right nipple', attachedTo: 'right' },
      { id: 'n-side', kind: 'bleedNipple', name: 'Sidecar nipple', attachedTo: 'side' },
    ],
    joints: [
      { id: 'j-master', componentId: 'master' },
      { id: 'j-left', componentId: 'left' },
      { id: 'j-right', componentId: 'right' },
      { id: 'j-side', componentId: 'side' },
    ],
    hoses: [
      { id: 'h-left', fromJointId: 'j-master', toJointId: 'j-left', length_m: 0.742 },
      { id: 'h-right', fromJointId: 'j-right', toJointId: 'j-master', length_m: 0.815 },
      { id: 'h-side', fromJointId: 'j-master', toJointId: 'j-side', length_m: 1.32 },
    ],
  };

  test('farthest first, the master itself last', () => {
    const order = nippleOrder(OUTFIT);
    expect(order.ok && order.value.map((turn) => turn.nippleId)).toEqual([
      'n-side',
      'n-right',
      'n-left',
      'n-master',
    ]);
  });

  test('three hoses on one bolt are three eyes', () => {
    expect(eyesOn(OUTFIT, 'j-master')).toBe(3);
    expect(eyesOn(OUTFIT, 'j-left')).toBe(1);
    expect(eyesOn(OUTFIT, 'nowhere')).toBe(0);
  });

  test('a crossover adds its length', () => {
    const crossover: Circuit = {
      ...OUTFIT,
      hoses: [
        ...OUTFIT.hoses.slice(0, 1),
        { id: 'x', fromJointId: 'j-left', toJointId: 'j-right', length_m: 0.5 },
        ...OUTFIT.hoses.slice(2),
      ],
    };
    expect(distancesFromMaster(crossover).get('right')).toBeCloseTo(1.242, 12);
  });

  test('a nipple that no fluid reaches is named', () => {
    const cut: Circuit = { ...OUTFIT, hoses: OUTFIT.hoses.slice(0, 2) };
    expect(nippleOrder(cut)).toMatchObject({
      ok: false,
      problem: { code: 'noFluidPath', field: 'Sidecar nipple' },
    });
  });

  test('a ring of hoses ends', () => {
    const ring: Circuit = {
      ...OUTFIT,
      hoses: [...OUTFIT.hoses, { id: 'x', fromJointId: 'j-left', toJointId: 'j-right', length_m: 0.4 }],
    };
    expect(distancesFromMaster(ring).get('right')).toBeCloseTo(0.815, 12);
  });
});
