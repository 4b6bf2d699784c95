import { exampleBanjo } from '@zephyrcombe/core';
import { EMPTY_READING } from './readingDraft.ts';
import { readReading } from './typedReading.ts';

const EYES = { endA: 'eyeCentre', endB: 'eyeCentre' } as const;
const SITUATION = {
  datum: EYES,
  hangs: true,
  endA: exampleBanjo(20),
  endB: exampleBanjo(0),
  boltA_m: 0.01,
  boltB_m: 0.01,
};
const draft = (over: Partial<typeof EMPTY_READING> = {}) => ({
  ...EMPTY_READING,
  text: '728 mm',
  hangsFree: true,
  ...over,
});

test('a tube read twice, wheel hanging free', () => {
  expect(readReading(draft(), SITUATION)).toMatchObject({
    cautions: [],
    missing: null,
    reading: { typed: '728 mm', remainingTravel_m: 0, uncertainty_m: null, wrap: null, tightBends: null },
  });
});

test.each([
  ['no datum', draft(), { datum: null }, 'which points'],
  ['wheel not looked at', draft({ hangsFree: false }), {}, 'hangs free'],
  ['an uncertainty that is no length', draft({ uncertainty: 'about' }), {}, 'How sure'],
  ['sure to half a metre', draft({ uncertainty: '500 mm' }), {}, 'Sure to no better'],
  [
    'turns that are no number',
    draft({ aid: 'wire', wire: { ...EMPTY_READING.wire, turnsA: 'once' } }),
    {},
    'Turns of the wire',
  ],
  ['half a bend', draft({ aid: 'wire', wire: { ...EMPTY_READING.wire, bends: '1.5' } }), {}, 'bends'],
])('%s keeps it from being recorded, and says so', (_name, typed, over, words) => {
  const read = readReading(typed, { ...SITUATION, ...over });
  expect(read.reading).toBeNull();
  expect(read.missing).toContain(words);
});

test('travel that is left is taken where the wheel does not hang free, and not asked in other poses', () => {
  const left = draft({ hangsFree: false, travel: '12 mm' });
  expect(readReading(left, SITUATION).reading?.remainingTravel_m).toBeCloseTo(0.012, 12);
  expect(readReading(left, { ...SITUATION, hangs: false }).reading?.remainingTravel_m).toBe(0);
});

test('a bare number and a unit no hose has are M04', () => {
  expect(readReading(draft({ text: '742' }), SITUATION).cautions.map(({ id }) => id)).toEqual(['M04']);
  expect(readReading(draft({ text: '742 in' }), SITUATION).cautions.map(({ id }) => id)).toEqual(['M04']);
});

test('a wire hooked once round an M10 bolt is shorter by π·11.6 mm', () => {
  const wire = { ...EMPTY_READING.wire, turnsA: '1', bends: '2' };
  const { reading } = readReading(draft({ aid: 'wire', wire }), SITUATION);
  expect(reading?.converted.ok && reading.converted.value.length_m).toBeCloseTo(0.728 - 0.03644, 5);
  expect(reading?.tightBends).toEqual({ quarters: 2, radius_m: 0.015 });
  // From behind the necks no bolt is in the way, whatever stands in the field.
  const behind = readReading(draft({ aid: 'wire', wire }), {
    ...SITUATION,
    datum: { endA: 'behindNeck', endB: 'behindNeck' },
  });
  expect(behind.reading?.wrap).toBeNull();
});
