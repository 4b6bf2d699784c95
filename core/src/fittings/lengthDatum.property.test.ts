import fc from 'fast-check';
import type { EndGeometry, LengthPoint } from './end.ts';
import { sealingPointOf } from './end.ts';
import { EXAMPLE_BENDS_deg, exampleBanjo } from './exampleEnds.ts';
import { convertLength } from './lengthDatum.ts';

const anyEnd: fc.Arbitrary<EndGeometry> = fc.record({
  family: fc.constantFrom('banjo', 'threaded'),
  ferruleToApex_m: fc.double({ min: 0.005, max: 0.05, noNaN: true }),
  apexToPoint_m: fc.double({ min: 0, max: 0.03, noNaN: true }),
  neckAngle_rad: fc.double({ min: 0, max: Math.PI / 2, noNaN: true }),
  neckLength_m: fc.double({ min: 0.001, max: 0.005, noNaN: true }),
});
const pointOf = (end: EndGeometry) =>
  fc.constantFrom<LengthPoint>(sealingPointOf(end), 'behindNeck', 'ferruleFace');

const anyConversion = fc.tuple(anyEnd, anyEnd).chain(([endA, endB]) =>
  fc.record({
    endA: fc.constant(endA),
    endB: fc.constant(endB),
    given: fc.record({ endA: pointOf(endA), endB: pointOf(endB) }),
    wanted: fc.record({ endA: pointOf(endA), endB: pointOf(endB) }),
    length_m: fc.double({ min: 0.2, max: 3, noNaN: true }),
  }),
);

describe('length datums', () => {
  test('there and back is the same length', () => {
    fc.assert(
      fc.property(anyConversion, (conversion) => {
        const there = convertLength(conversion);
        if (!there.ok) throw new Error(there.problem.code);
        const back = convertLength({
          ...conversion,
          length_m: there.value.length_m,
          given: conversion.wanted,
          wanted: conversion.given,
        });
        expect(back.ok && back.value.length_m).toBeCloseTo(conversion.length_m, 12);
      }),
    );
  });

  test('a hose turned end for end has the same length', () => {
    fc.assert(
      fc.property(anyConversion, (conversion) => {
        const { endA, endB, given, wanted, length_m } = conversion;
        const straight = convertLength(conversion);
        const turned = convertLength({
          endA: endB,
          endB: endA,
          given: { endA: given.endB, endB: given.endA },
          wanted: { endA: wanted.endB, endB: wanted.endA },
          length_m,
        });
        expect(
          straight.ok && turned.ok && Math.abs(straight.value.length_m - turned.value.length_m),
        ).toBeLessThan(1e-12);
      }),
    );
  });
});

describe('lengths that are none', () => {
  const end: EndGeometry = {
    family: 'banjo',
    ferruleToApex_m: 0.032,
    apexToPoint_m: 0,
    neckAngle_rad: 0,
    neckLength_m: 0.025,
  };
  const eyes = { endA: 'eyeCentre', endB: 'eyeCentre' } as const;
  const convert = (length_m: number) =>
    convertLength({ endA: end, endB: end, given: eyes, wanted: eyes, length_m });

  test('a negative length is refused by name', () => {
    expect(convert(-0.742)).toMatchObject({ ok: false, problem: { code: 'notPositive', field: 'length_m' } });
    expect(convert(NaN)).toMatchObject({ ok: false, problem: { code: 'notFinite', field: 'length_m' } });
  });

  test('a hose shorter than its own fittings is refused', () => {
    expect(convert(0.06)).toMatchObject({
      ok: false,
      problem: { code: 'shorterThanItsFittings', takeOffs_m: 0.064 },
    });
  });

  test('an eye is not counted from on an end that has none', () => {
    const thread: EndGeometry = { ...end, family: 'threaded' };
    const asked = convertLength({ endA: thread, endB: end, given: eyes, wanted: eyes, length_m: 0.5 });
    expect(asked).toMatchObject({ ok: false, problem: { code: 'noEyeOnThisEnd', field: 'given.endA' } });
    const threads = { endA: 'threadEnd', endB: 'threadEnd' } as const;
    expect(
      convertLength({ endA: end, endB: end, given: eyes, wanted: threads, length_m: 0.5 }),
    ).toMatchObject({
      ok: false,
      problem: { code: 'noThreadOnThisEnd' },
    });
  });
});

test('another bend is another fitting: every example end has take-offs of its own', () => {
  const takeOffs = EXAMPLE_BENDS_deg.map((bend_deg) => {
    const end = exampleBanjo(bend_deg);
    const eyes = { endA: 'eyeCentre', endB: 'eyeCentre' } as const;
    const free = convertLength({ endA: end, endB: end, given: eyes, wanted: eyes, length_m: 0.742 });
    return free.ok ? Math.round((0.742 - free.value.freeHose_m) * 1e6) : null;
  });
  expect(takeOffs).toEqual([64_000, 72_000, 73_000, 74_000, 75_000, 75_400, 76_000]);
});
