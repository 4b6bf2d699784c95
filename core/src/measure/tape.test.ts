import fc from 'fast-check';
import { BODIES } from '../layout/body.ts';
import { judgeOfferUp } from '../procedure/offerUp.ts';
import { checksFor, movementOf, posesFor } from './movement.ts';
import { judgeUnit, LONGEST_HOSE_m, SHORTEST_HOSE_m } from './unitDoubt.ts';
import { USUAL_WIRE_m, wrapAllowance } from './wire.ts';

describe('what has to be looked at on this vehicle', () => {
  // Common practice, no published source: domain facts of this project, section 3.
  test.each([
    [
      'handlebar',
      'forkLower',
      ['controlsFinal', 'bracketsInPlace', 'leftLock', 'rightLock', 'fullBump'],
      ['fullDroop', 'straightAhead', 'leftLock', 'rightLock', 'fullBump'],
    ],
    ['frame', 'swingarm', ['bracketsInPlace', 'fullBump'], ['fullDroop', 'straightAhead', 'fullBump']],
    [
      'frame',
      'axle',
      ['bracketsInPlace', 'fullBump', 'crossedUp'],
      ['fullDroop', 'straightAhead', 'fullBump', 'crossedUp'],
    ],
    // A rear wheel of an independent suspension rises by itself: nothing crosses up.
    ['frame', 'hubCarrier', ['bracketsInPlace', 'fullBump'], ['fullDroop', 'straightAhead', 'fullBump']],
    // A tee at the lower yoke turns with the steering and does not move on the suspension.
    [
      'frame',
      'lowerYoke',
      ['bracketsInPlace', 'leftLock', 'rightLock'],
      ['straightAhead', 'leftLock', 'rightLock'],
    ],
    [
      'lowerYoke',
      'forkLower',
      ['bracketsInPlace', 'leftLock', 'rightLock', 'fullBump'],
      ['fullDroop', 'straightAhead', 'leftLock', 'rightLock', 'fullBump'],
    ],
    ['frame', 'frame', ['bracketsInPlace'], ['straightAhead']],
    [
      'handlebar',
      'frame',
      ['controlsFinal', 'bracketsInPlace', 'leftLock', 'rightLock'],
      ['straightAhead', 'leftLock', 'rightLock'],
    ],
  ] as const)('%s to %s', (from, to, checks, poses) => {
    expect(checksFor(movementOf(from, to))).toEqual(checks);
    expect(posesFor(movementOf(from, to))).toEqual(poses);
  });

  test('it does not matter which end is called A', () => {
    fc.assert(
      fc.property(fc.constantFrom(...BODIES), fc.constantFrom(...BODIES), (from, to) => {
        expect(movementOf(from, to)).toEqual(movementOf(to, from));
      }),
    );
  });
});

describe('wire round the bolt', () => {
  test('one turn round an M10 shank takes π·(10 + 1.6) mm', () => {
    const wrap = { turnsA: 1, turnsB: 0, boltA_m: 0.01, boltB_m: 0.01, wire_m: USUAL_WIRE_m };
    expect(wrapAllowance(wrap).allowance_m).toBeCloseTo(0.03644, 5);
    expect(wrapAllowance({ ...wrap, turnsB: 0.5 }).allowance_m).toBeCloseTo(1.5 * 0.03644, 5);
  });

  test('a hook that is not there takes nothing', () => {
    const none = { turnsA: 0, turnsB: 0, boltA_m: 0.01, boltB_m: 0.01, wire_m: USUAL_WIRE_m };
    expect(wrapAllowance(none).allowance_m).toBe(0);
  });
});

describe('a length and its unit', () => {
  test('8.5 of what? M04 says what it could be', () => {
    const [caution] = judgeUnit(8.5, null);
    expect(caution).toMatchObject({
      id: 'M04',
      evidence: {
        unit: null,
        couldBe: [
          { unit: 'cm', length_m: expect.closeTo(0.085, 9) as unknown },
          { unit: 'in', length_m: expect.closeTo(0.2159, 9) as unknown },
          { unit: 'ft', length_m: expect.closeTo(2.5908, 9) as unknown },
        ],
      },
    });
  });

  test.each([
    [742, 'in', ['mm']],
    [8.5, 'mm', ['cm', 'in', 'ft']],
    [30, 'cm', []],
    [29.25, 'in', []],
  ] as const)('%d %s', (number, unit, couldBe) => {
    const cautions = judgeUnit(number, unit);
    const offered = cautions.flatMap((caution) =>
      caution.id === 'M04' ? caution.evidence.couldBe.map((one) => one.unit) : [],
    );
    expect(cautions.map(({ id }) => id)).toEqual(couldBe.length > 0 ? ['M04'] : []);
    for (const one of couldBe) expect(offered).toContain(one);
  });

  test('whatever it offers is a length that a hose can have', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e5, noNaN: true }), (number) => {
        for (const caution of judgeUnit(number, null))
          if (caution.id === 'M04')
            for (const { length_m } of caution.evidence.couldBe) {
              expect(length_m).toBeGreaterThanOrEqual(SHORTEST_HOSE_m);
              expect(length_m).toBeLessThanOrEqual(LONGEST_HOSE_m);
            }
      }),
    );
  });
});

test('hoses nobody offered up are M14 before anything is opened', () => {
  expect(judgeOfferUp(false).map(({ id }) => id)).toEqual(['M14']);
  expect(judgeOfferUp(true)).toEqual([]);
});
