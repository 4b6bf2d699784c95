import type { Caution, CautionId, ParseFailure, Problem } from '@zephyrcombe/core';
import { CAUTION_IDS, IMPERIAL, MEANINGS, METRIC, VEHICLE_CAUTIONS } from '@zephyrcombe/core';
import { cautionText } from './cautions.ts';
import { VEHICLE_CAUTION_TEXTS } from './names.ts';
import { MEANING_NAMES } from './meanings.ts';
import { parseFailureText, problemText } from './problems.ts';
import { createWriter } from './writer.ts';

/** One example of every caution; a new id fails to compile until it has one. */
const EXAMPLES: { readonly [Id in CautionId]: Extract<Caution, { id: Id }>['evidence'] } = {
  M01: { pose: 'fullDroop', remainingTravel_m: 0.012 },
  M02: { open: ['controls', 'brackets'] },
  M03: { length_m: 0.742 },
  M04: {
    number: 8.5,
    unit: null,
    couldBe: [
      { unit: 'cm', length_m: 0.085 },
      { unit: 'in', length_m: 0.2159 },
    ],
  },
  M05: { spare_m: 0.132, loop: null },
  M06: { missing: ['rightLock'] },
  M07: {},
  M08: { bends: 2, least_m: 0.04, added_m: 0.079 },
  M09: { pose: 'fullDroop', readings: 3, spread_m: 0.022, odd_m: 0.75 },
  M10: { radius_m: 0.031, least_m: 0.04 },
  M11: { from: 'start', to: 'yoke', moves_m: 0.12, chord_m: 0.398, free_m: 0.4 },
  M12: { clip: 'bar tie', travel_m: 0.19 },
  M13: { short_m: 0.02, eaten: 'pose', uncertainty_m: 0.003 },
  M14: {},
  M15: { part: 'Exhaust pipe', nature: 'hot', gap_m: 0.018, wanted_m: 0.025 },
  M16: { part: 'Frame tube', gap_m: 0.001 },
  M17: { lift_m: 0.076 },
  M18: { part: 'Pad pin', turn_rad: 0.35 },
  M19: {},
  M101: {},
  M102: { facts: ['thread', 'depth_m'], from: ['pattern', 'oldPart'] },
  M104: {},
  M20: { portThread: 'M10×1.0', boltThread: 'M10×1.25' },
  M21: { certain: true, other: 'M10×1.0' },
  M22: { crests: 5, thread: 'M10×1.0', typed: null },
  M23: { bore_m: 0.009, thread: 'M10×1.0' },
  M24: { bore_m: 0.00893, threads: ['M10×1.0', 'M10×1.25'] },
  M25: { eye_m: 0.0122, bolt_m: 0.01 },
  M26: { portSeat: 'bubbleFlare', seal: 'banjo' },
  M27: { end: 'A' },
  M28: { builtOn: '2019-04-11', from: '2019-03-01', to: '2019-06-30' },
  M29: { engaged_m: 0.001, wanted_m: 0.008 },
  M30: { bottomGap_m: -0.004 },
  M31: {},
  M32: { end: 'B' },
  M33: { clip_m: 0.01, held_m: 0.0075, grommet: false },
  M34: { hexagon_m: 0.0174625, wrench_m: 0.018, verdict: 'rounds' },
  M35: { put: 2, out: 1 },
  M36: {},
  M37: {},
  M38: { step: 'oliveB', first: 'nutB' },
  M39: { end: 'A' },
  M40: { end: 'A', short_m: 0.002 },
  M41: { end: 'B', pair: 'stainless', used: 'none', wanted: 'ptfeGrease' },
  M42: { end: 'A', gap_m: 0, wanted_m: 0.001, turned: 'tooFar' },
  M43: { end: 'A' },
  M44: { cut_m: 0.4, needed_m: 0.4127 },
  M45: { nuts: 1 },
  M46: { end: 'A', form: 'singleFlare' },
  M47: {},
  M48: { bend: 0 },
  M49: { end: 'B', looks: 'cracked' },
  M50: { strokesLeft: 1, abs: true },
  M57: { needed: 4, confirmed: 3 },
  M58: { part: 'eye', partMaterial: 'aluminium', washerMaterial: 'copper' },
  M52: { cleaner: 'chlorinated' },
  M53: {},
  M56: { turned_rad: 0.3, twist_rad_per_m: 0.4, most_rad_per_m: 0.17 },
  M59: { needed: 2 },
  M62: {},
  M63: { before: 'soak' },
  M64: { before: 'clean' },
  M65: {},
  M67: { out_m: 0.032, in_m: 0.036 },
  M68: { isSeen: true, isDrawnLow: false },
  M66: { side: 'left', was: 'right' },
  M85: { before: 'coverPaint' },
  M92: { before: 'leakCheck' },
  M70: { part: 'kit', minimum_Nm: 18, maximum_Nm: 21, usedFor: 'joint', bolt: 'aluminium', forBolt: 'steel' },
  M71: { reading_Nm: 21.7, maximum_Nm: 21 },
  M69: {},
  M72: { lowest_Nm: 22, highest_Nm: 110, isInRange: false, calibratedOn: '2025-06-02' },
  M73: { setLow_Nm: 14, setHigh_Nm: 18, minimum_Nm: 16, maximum_Nm: 20 },
  M74: {},
  M75: { asked: 'DOT 4', offered: 'DOT 3' },
  M76: {},
  M77: { asked: 'mineral oil', offered: 'DOT 4' },
  M78: { openedOn: '2026-04-20', months: 7 },
  M79: {},
  M80: {},
  M81: {},
  M82: { order: ['Rear left nipple', 'Rear right nipple'], maker: false },
  M83: { pressure_Pa: 2e5, most_Pa: 137_895 },
  M84: {},
  M86: { cleaned: true },
  M89: { by: 'count', cycled: false },
  M90: { was: 'off', asked: 'on' },
  M93: {},
  M110: { forced: true },
  M94: { abs: true },
  M87: { travel_m: 0.051, most_m: 0.034, pressure_Pa: 4e6, against: 'expected' },
  M88: { pumped_m3: 9e-5, holds_m3: 2.7e-5 },
  M91: { read: 'none' },
  M95: {},
  M96: { missing: ['batch', 'quantity'] },
  M97: { name: 'Rear hose', condition: 'cracked' },
  M99: {},
};

const writers = [
  ['metric', createWriter(METRIC)],
  ['imperial', createWriter(IMPERIAL)],
] as const;

describe.each(writers)('every sentence, %s', (_name, write) => {
  test.each(CAUTION_IDS)('%s has a title and a way out', (id) => {
    const text = cautionText({ id, evidence: EXAMPLES[id] } as Caution, write);
    expect(text.title.length).toBeGreaterThan(8);
    expect(text.advice.length).toBeGreaterThan(20);
    expect(text.advice).toMatch(/[.]$/);
    expect(`${text.title} ${text.advice}`).not.toMatch(/undefined|NaN|null|\[object/);
  });

  test.each<Problem>([
    { code: 'notPositive', field: 'length_m', value: -1 },
    { code: 'notPositive', field: 'bolt.crossHole_m', value: 0 },
    { code: 'tooLarge', field: 'keepOuts.0.solid.radius_m' },
    { code: 'notFinite', field: 'reading_Nm' },
    { code: 'noEyeOnThisEnd', field: 'given.endA' },
    { code: 'noThreadOnThisEnd', field: 'wanted.endB' },
    { code: 'shorterThanItsFittings', field: 'length_m', takeOffs_m: 0.064 },
    { code: 'noDroopReading', field: 'readings' },
    { code: 'noReading', field: 'readings' },
    { code: 'noScale', field: 'scale' },
    { code: 'scaleTooShort', field: 'scale' },
    { code: 'cornersCrossed', field: 'scale.corners' },
    { code: 'tooFewPoints', field: 'points' },
    { code: 'beyondHorizon', field: 'points' },
    { code: 'rangeUpsideDown', field: 'minimum_Nm' },
    { code: 'torqueImplausible', field: 'reading_Nm', reading_Nm: 300, maximum_Nm: 21 },
    { code: 'noFluidPath', field: 'Sidecar caliper' },
    { code: 'endsCannotBothGoFirst', field: 'hose' },
    { code: 'noThreadReading', field: 'readings' },
    { code: 'handStartNeedsPort', field: 'handStart' },
    { code: 'unknownThread', field: 'bolt' },
    { code: 'jawWiderThanBore', field: 'jawFlat_m' },
    { code: 'beyondTable', field: 'pressure_Pa' },
    { code: 'madeInFuture', field: 'madeOn' },
    { code: 'noDirection', field: 'start.outward' },
    { code: 'readingsTooNear', field: 'high.pressure_Pa', times: 3 },
    { code: 'readingsDisagree', field: 'low.lever_m' },
    { code: 'clipsOutOfOrder', field: 'clips.1.at_m' },
    { code: 'stiffenerOutOfPlace', field: 'stiffeners.0.from_m' },
    { code: 'boreOverNeck', field: 'bore_m' },
    { code: 'legTooShort', field: 'legs.1', least_m: 0.03 },
    { code: 'legsAndBends', field: 'legs', legs: 3 },
    { code: 'noSuchBend', field: 'bends.0' },
    { code: 'nothingToCut', field: 'pieces' },
    { code: 'notEnoughStock', field: 'stocks', needed_m: 2, have_m: 1 },
    { code: 'notEnoughStock', field: 'stocks', needed_m: 1, have_m: 2 },
    { code: 'neckTooLong', field: 'start.neck', rigid_m: 0.025 },
  ])('$code says what is wrong and what to do', (problem) => {
    const text = problemText(problem, write);
    expect(text).toMatch(/^[A-Z0-9].{20,}[.]$/s);
    expect(text).not.toMatch(/undefined|NaN|_m\b|_Nm\b/);
  });
});

test.each<ParseFailure>([
  { reason: 'empty' },
  { reason: 'notANumber' },
  { reason: 'ambiguousComma' },
  { reason: 'zeroDenominator' },
  { reason: 'belowAbsoluteZero', unit: 'degC' },
  { reason: 'unknownUnit', typedUnit: 'furlongs' },
  { reason: 'unitMissing', number: 8.5, couldBe: ['mm', 'in'] },
])('$reason is said in a sentence', (failure) => {
  expect(parseFailureText(failure, 'length')).toMatch(/[.]$/);
});

test('the way out of a caution follows its evidence', () => {
  const [, write] = writers[0];
  const title = (caution: Caution) => cautionText(caution, write).title;
  expect(title({ id: 'M06', evidence: { missing: ['leftLock', 'rightLock'] } })).toBe('Neither lock checked');
  expect(title({ id: 'M06', evidence: { missing: ['leftLock'] } })).toBe('Left lock not checked');
  expect(title({ id: 'M09', evidence: { pose: 'fullDroop', readings: 1, spread_m: 0, odd_m: null } })).toBe(
    'One reading only',
  );
  expect(title({ id: 'M30', evidence: { bottomGap_m: 0.0005 } })).toBe(
    'Bolt ends 0.5\u2009mm from the bottom',
  );
  expect(title({ id: 'M50', evidence: { strokesLeft: 2, abs: false } })).toBe('About 2 strokes left: top up');
  expect(title({ id: 'M50', evidence: { strokesLeft: 0, abs: false } })).toBe(
    'Reservoir at its minimum: top up now',
  );
  const dry = (abs: boolean) => cautionText({ id: 'M50', evidence: { strokesLeft: 1, abs } }, write).advice;
  expect(dry(true)).toContain('ABS unit');
  expect(dry(false)).not.toContain('ABS');
});

test('every symbol of a working and every caution of a vehicle has its words', () => {
  for (const meaning of MEANINGS) expect(MEANING_NAMES[meaning].length).toBeGreaterThan(3);
  for (const caution of VEHICLE_CAUTIONS) expect(VEHICLE_CAUTION_TEXTS[caution].advice).toMatch(/[.]$/);
});

test('a quantity of every kind is written with its unit', () => {
  const [, write] = writers[0];
  expect(write.quantity({ kind: 'count', count: 4 })).toBe('4');
  expect(write.quantity({ kind: 'ratio', ratio: 5.5 })).toBe('5.5');
  expect(write.quantity({ kind: 'months', months: 1 })).toBe('1 month');
  expect(write.quantity({ kind: 'date', date: '2028-02-29' })).toBe('29 February 2028');
  expect(write.quantity({ kind: 'volume', value_SI: 1.539e-6 })).toBe('1.54\u2009mL');
  expect(write.quantity({ kind: 'temperature', value_SI: 503.15 })).toBe('230\u2009°C');
  expect(write.quantity({ kind: 'pressure', value_SI: 1e5 })).toBe('1.0\u2009bar');
  expect(write.quantity({ kind: 'angle', value_SI: Math.PI / 9 })).toBe('20°');
  expect(write.quantity({ kind: 'fraction', value_SI: 0.04 })).toBe('4.0\u2009%');
});
