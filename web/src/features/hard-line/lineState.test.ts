import { IMPERIAL, METRIC, developed } from '@zephyrcombe/core';
import fc from 'fast-check';
import {
  checksOf,
  lineAddress,
  readLine,
  requestOf,
  textsOf,
  withBend,
  withoutBend,
  writeBentBack,
  writeLegs,
} from './lineState.ts';

const from = (query: Readonly<Record<string, string>>) => readLine((name) => query[name] ?? '');

test('an empty address is one bend to be typed, and asks for nothing yet', () => {
  const typed = from({});
  expect(typed.legs).toEqual(['', '']);
  expect(typed.bends).toEqual([{ angle: '', roll: '' }]);
  expect(requestOf(typed, 'A4')).toBeNull();
});

test('what is usual may stay empty; every leg and bend is read with its unit', () => {
  const request = requestOf(from({ legs: '120 mm;8 in', bends: '90°' }), 'letter');
  expect(request).toMatchObject({
    name: 'Hard line',
    paper: 'letter',
    outside_m: 0.00475,
    springBack: 0,
    line: { radius_m: 0.015, endA: { flare_m: 0.00635 }, unionGap_m: 0 },
    build: { material: 'copperNickel', formA: 'doubleFlare' },
  });
  expect(request?.line.legs_m[1]).toBeCloseTo(0.2032, 9);
  expect(request?.line.bends[0]?.angle_rad).toBeCloseTo(Math.PI / 2, 12);
});

test('what was left empty is assumed, before it is kept and after', () => {
  const query = { legs: '120 mm;200 mm', bends: '90°', of: 'coatedSteel', od: ' ', la: '5 mm' };
  const request = requestOf(from(query), 'A4');
  expect(request?.assumed).toEqual(['outside_m', 'formA', 'formB', 'radius_m', 'flareB_m']);
  expect(request?.build.material).toBe('coatedSteel');
  const again = from(textsOf(request, checksOf(from(query)), METRIC));
  expect(requestOf(again, 'A4')).toEqual(request);
  // Flares for the seats of its ports are no more said than any other.
  const bubbled = readLine((name) => ({ legs: '1 m' })[name] ?? '', {
    formA: 'bubbleFlare',
    formB: 'doubleFlare',
  });
  expect([bubbled.formA, bubbled.assumed.includes('formA')]).toEqual(['bubbleFlare', true]);
});

test.each([
  ['a leg without a unit', { legs: '120;200 mm', bends: '90°' }],
  ['a leg left empty', { legs: '120 mm;', bends: '90°' }],
  ['a bend that is no angle', { legs: '120 mm;200 mm', bends: 'square' }],
  ['a radius that is no length', { legs: '120 mm;200 mm', bends: '90°', r: 'tight' }],
  ['a gap below nothing', { legs: '120 mm;200 mm', bends: '90°', gap: '-4 mm' }],
])('%s asks for nothing', (_name, query) => {
  expect(requestOf(from(query), 'A4')).toBeNull();
});

test('a bend put in and taken out leaves the others as they were', () => {
  const before = from({ legs: '1 mm;2 mm;3 mm', bends: '10°;20°', rolls: ';180°' });
  const more = from(withBend(before));
  expect(more.legs).toEqual(['1 mm', '2 mm', '3 mm', '']);
  expect(more.bends).toHaveLength(3);
  const back = from(withoutBend(more, 2));
  expect(back.legs).toEqual(before.legs);
  expect(back.bends).toEqual(before.bends);
  expect(from(withoutBend(before, 0)).legs).toEqual(['1 mm', '3 mm']);
  // The last bend taken out, one leg is left, and no bend with it.
  const straight = from(withoutBend(from({ legs: '1 mm;2 mm', bends: '10°' }), 0));
  expect(straight.legs).toEqual(['1 mm']);
  expect(straight.bends).toEqual([]);
});

test('checks are read, and nonsense among them is not', () => {
  expect(checksOf(from({ cut: '400 mm', nuts: '1', sa: 'cracked', sb: 'pretty', unbent: '0;x;2' }))).toEqual({
    cutAs_m: 0.4,
    nuts: 1,
    looksA: 'cracked',
    looksB: null,
    bentBack: [0, 2],
  });
  expect(checksOf(from({ nuts: '7' })).nuts).toBeNull();
  expect(writeBentBack([0, 2])).toBe('0;2');
});

test('the address made of a traced pattern is read back as that pattern', () => {
  const length = fc.double({ min: 0.05, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          angle_rad: fc.double({ min: 0.1, max: 2, noNaN: true }),
          roll_rad: fc.constantFrom(0, Math.PI),
        }),
        {
          minLength: 1,
          maxLength: 4,
        },
      ),
      fc.array(length, { minLength: 5, maxLength: 5 }),
      (bends, lengths) => {
        const legs_m = lengths.slice(0, bends.length + 1);
        const query = new URL(lineAddress(legs_m, bends, METRIC), 'http://shop').searchParams;
        const request = requestOf(
          readLine((name) => query.get(name) ?? ''),
          'A4',
        );
        expect(request?.line.legs_m).toEqual(legs_m.map((leg_m) => expect.closeTo(leg_m, 5) as unknown));
        for (const [index, bend] of (request?.line.bends ?? []).entries()) {
          expect(bend.angle_rad).toBeCloseTo(bends[index]?.angle_rad ?? NaN, 4);
          expect(bend.roll_rad).toBeCloseTo(bends[index]?.roll_rad ?? NaN, 4);
        }
        expect(request && developed(request.line)).toBeTruthy();
      },
    ),
  );
});

test('lists are written with as many places as there are bends', () => {
  expect(
    writeLegs(
      ['a', 'b', 'c'],
      [
        { angle: '1', roll: '' },
        { angle: '2', roll: '3' },
      ],
    ),
  ).toEqual({
    legs: 'a;b;c',
    bends: '1;2',
    rolls: ';3',
  });
});

test('a pattern that is kept is typed again as it was, whatever units somebody reads in', () => {
  const bend = fc.record({
    angle: fc.integer({ min: 1, max: 170 }).map((angle_deg) => `${angle_deg}°`),
    roll: fc.integer({ min: 0, max: 359 }).map((roll_deg) => `${roll_deg}°`),
  });
  fc.assert(
    fc.property(
      fc.array(bend, { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 60, max: 900 }),
      fc.constantFrom('copperNickel', 'coatedSteel', 'stainless'),
      (bends, leg_mm, of) => {
        const legs = Array.from({ length: bends.length + 1 }, () => `${leg_mm} mm`);
        const typed = from({
          ...writeLegs(legs, bends),
          of,
          back: '3 %',
          cut: '400 mm',
          nuts: '2',
          sa: 'cracked',
        });
        const kept = requestOf(typed, 'A4');
        if (kept === null) throw new Error('no pattern');
        for (const units of [METRIC, IMPERIAL]) {
          const again = from(textsOf(kept, checksOf(typed), units));
          const read = requestOf(again, 'A4');
          expect(read).toMatchObject({ name: kept.name, build: kept.build });
          read?.line.legs_m.forEach((leg_m, index) => {
            expect(leg_m).toBeCloseTo(kept.line.legs_m[index] ?? 0, 3);
          });
          read?.line.bends.forEach(({ angle_rad, roll_rad }, index) => {
            expect(angle_rad).toBeCloseTo(kept.line.bends[index]?.angle_rad ?? 0, 4);
            expect(roll_rad).toBeCloseTo(kept.line.bends[index]?.roll_rad ?? 0, 4);
          });
          expect(checksOf(again)).toMatchObject({ nuts: 2, looksA: 'cracked', looksB: null });
        }
      },
    ),
  );
});
