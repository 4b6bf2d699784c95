import fc from 'fast-check';
import type { Lift, PoseReading, TapeSetting } from './orderLength.ts';
import { DEFAULT_SLACK_m, orderLength } from './orderLength.ts';
import { movementOf } from './movement.ts';
import { POSES } from './pose.ts';

const CHECKED = {
  controlsFinal: true,
  bracketsInPlace: true,
  leftLock: true,
  rightLock: true,
  fullBump: true,
  crossedUp: true,
};
const FORK: TapeSetting = {
  checks: CHECKED,
  movement: movementOf('handlebar', 'forkLower'),
  lift: null,
  datumKnown: true,
  slack_m: DEFAULT_SLACK_m,
  routeShort_m: null,
};
const reading = (length_mm: number, over: Partial<PoseReading> = {}): PoseReading => ({
  pose: 'fullDroop',
  length_m: length_mm / 1000,
  aid: 'tube',
  uncertainty_m: null,
  remainingTravel_m: 0,
  tightBends: null,
  ...over,
});
const order = (readings: readonly PoseReading[], over: Partial<TapeSetting> = {}) => {
  const result = orderLength(readings, { ...FORK, ...over });
  if (!result.ok) throw new Error(result.problem.code);
  return result;
};
const cautionIds = (readings: readonly PoseReading[], over: Partial<TapeSetting> = {}) =>
  order(readings, over).cautions.map((caution) => caution.id);
const unchecked = (check: keyof typeof CHECKED) => ({ checks: { ...CHECKED, [check]: false } });
const CLEAN = [reading(728), reading(730)];

describe('orderLength', () => {
  test('two agreeing droop readings and every check give an order length and no caution', () => {
    const result = order(CLEAN);
    expect(result).toMatchObject({
      cautions: [],
      value: { decidingPose: 'fullDroop', uncertainty_m: 0.003 },
    });
    // 729 + 12.5 is 741.5: rounded up, never down.
    expect(result.value.order_m).toBeCloseTo(0.742, 12);
  });

  test('a lock that is longer than droop decides', () => {
    const locks = [reading(744, { pose: 'rightLock' }), reading(744, { pose: 'rightLock' })];
    expect(order([...CLEAN, ...locks]).value.decidingPose).toBe('rightLock');
  });

  test('every pose is told with its spread', () => {
    expect(order([...CLEAN, reading(700, { pose: 'leftLock' })]).value.poses).toMatchObject([
      { pose: 'fullDroop', readings: 2 },
      { pose: 'leftLock', readings: 1, spread_m: 0 },
    ]);
  });

  test('travel that was left is added and said: M01', () => {
    const loaded = CLEAN.map((taken) => ({ ...taken, remainingTravel_m: 0.012 }));
    expect(order(loaded).value.longest_m).toBeCloseTo(0.741, 12);
    expect(cautionIds(loaded)).toEqual(['M01']);
  });

  test('a single reading, or two that disagree, is M09', () => {
    expect(cautionIds([reading(728)])).toEqual(['M09']);
    expect(cautionIds([reading(728), reading(735)])).toEqual(['M09']);
    expect(cautionIds([reading(728), reading(733)])).toEqual([]);
  });

  test('of three readings the one that slipped is named', () => {
    const odd = (readings: readonly PoseReading[]) => order(readings).cautions[0]?.evidence;
    expect(odd([...CLEAN, reading(750)])).toMatchObject({ odd_m: 0.75 });
    // 728, 732 and 736: without either end the others agree, so neither is known to be wrong.
    expect(odd([reading(728), reading(732), reading(736)])).toMatchObject({ odd_m: null });
    expect(odd([reading(728), reading(750)])).toMatchObject({ odd_m: null });
  });

  test('an uncertainty that was entered replaces what is usual for the aid', () => {
    const careful = CLEAN.map((taken) => ({ ...taken, uncertainty_m: 0.002 }));
    expect(order(careful).value.uncertainty_m).toBe(0.002);
    const rough = CLEAN.map((taken) => ({ ...taken, uncertainty_m: 0.02 }));
    // Slack is never less than what is not known: 729 + 20.
    expect(order(rough).value.order_m).toBeCloseTo(0.749, 12);
  });

  test('unchecked controls, brackets, locks and bump are M02, M06 and M05', () => {
    expect(order(CLEAN, unchecked('controlsFinal')).cautions).toEqual([
      { id: 'M02', evidence: { open: ['controls'] } },
    ]);
    expect(order(CLEAN, unchecked('bracketsInPlace')).cautions).toEqual([
      { id: 'M02', evidence: { open: ['brackets'] } },
    ]);
    expect(cautionIds(CLEAN, unchecked('leftLock'))).toEqual(['M06']);
    expect(cautionIds(CLEAN, unchecked('fullBump'))).toEqual(['M05']);
  });

  test('a supplier’s datum that nobody asked for is M03', () => {
    expect(order(CLEAN, { datumKnown: false }).cautions).toEqual([
      { id: 'M03', evidence: { length_m: order(CLEAN).value.order_m } },
    ]);
  });

  test('a solid axle is crossed up, by tick or by tape: M07', () => {
    const axle = { movement: movementOf('frame', 'axle') };
    expect(cautionIds(CLEAN, { ...axle, ...unchecked('crossedUp') })).toEqual(['M07']);
    const crossed = [reading(760, { pose: 'crossedUp' }), reading(761, { pose: 'crossedUp' })];
    expect(cautionIds([...CLEAN, ...crossed], { ...axle, ...unchecked('crossedUp') })).toEqual([]);
    expect(order([...CLEAN, ...crossed], axle).value.decidingPose).toBe('crossedUp');
  });

  test('wire whose bends nobody counted is M08; counted bends are added', () => {
    const wire = (tightBends: PoseReading['tightBends']) =>
      CLEAN.map((taken) => ({ ...taken, aid: 'wire' as const, tightBends }));
    expect(order(wire(null)).cautions).toMatchObject([{ id: 'M08', evidence: { bends: null } }]);
    expect(cautionIds(wire({ quarters: 0, radius_m: 0 }))).toEqual([]);
    const bent = order(wire({ quarters: 2, radius_m: 0.015 }));
    // Two quarter turns, 40 instead of 15 mm: ½π·2·25 mm.
    expect(bent.value.longest_m).toBeCloseTo(0.729 + Math.PI * 0.025, 12);
    expect(bent.cautions).toMatchObject([{ id: 'M08', evidence: { bends: 2 } }]);
  });

  test('a tube along the same route outweighs the wire', () => {
    const wire = reading(727, { aid: 'wire' });
    expect(cautionIds([...CLEAN, wire])).toEqual([]);
  });

  test('a lift without a droop is added and said: M17; a measured droop replaces it', () => {
    const lift = (over: Partial<Lift> = {}) => ({ lift: { height_m: 0.076, droop_m: null, ...over } });
    expect(cautionIds(CLEAN, lift())).toEqual(['M17']);
    // 3 in of lift, 76 mm of hose: common practice, no published source.
    expect(order(CLEAN, lift()).value.longest_m).toBeCloseTo(0.805, 12);
    expect(cautionIds(CLEAN, lift({ droop_m: 0.05 }))).toEqual([]);
    expect(order(CLEAN, lift({ droop_m: 0.05 })).value.longest_m).toBeCloseTo(0.779, 12);
  });

  test('a lock that was read needs no tick', () => {
    const read = [...CLEAN, reading(700, { pose: 'leftLock' }), reading(701, { pose: 'leftLock' })];
    expect(cautionIds(read, unchecked('leftLock'))).toEqual([]);
  });

  test('the order is never below what holds by the kept route', () => {
    expect(order(CLEAN, { routeShort_m: 0.7453 }).value).toMatchObject({
      order_m: expect.closeTo(0.746, 9) as unknown,
    });
    expect(order(CLEAN, { routeShort_m: 0.7 }).value.order_m).toBe(order(CLEAN).value.order_m);
  });

  test('the spare at full bump is the order length less the reading there', () => {
    const bump = [reading(610, { pose: 'fullBump' }), reading(612, { pose: 'fullBump' })];
    const caution = order([...CLEAN, ...bump], unchecked('fullBump')).cautions[0];
    expect(caution?.id === 'M05' && caution.evidence.spare_m).toBeCloseTo(0.132, 12);
  });

  test('nothing is ordered without full droop where the suspension moves the hose', () => {
    const ahead = [reading(700, { pose: 'straightAhead' }), reading(701, { pose: 'straightAhead' })];
    expect(orderLength(ahead, FORK)).toMatchObject({ ok: false, problem: { code: 'noDroopReading' } });
    expect(orderLength([], FORK)).toMatchObject({ ok: false, problem: { code: 'noDroopReading' } });
    const onFrame = { movement: movementOf('frame', 'frame') };
    expect(orderLength([], { ...FORK, ...onFrame })).toMatchObject({ problem: { code: 'noReading' } });
    expect(order(ahead, onFrame)).toMatchObject({ cautions: [], value: { decidingPose: 'straightAhead' } });
  });

  test('a negative length, travel, lift or uncertainty is refused by name', () => {
    const refused = (readings: readonly PoseReading[], over: Partial<TapeSetting> = {}) => {
      const result = orderLength(readings, { ...FORK, ...over });
      return result.ok ? null : result.problem.field;
    };
    expect(refused([reading(-728)])).toBe('length_m');
    expect(refused([reading(728, { remainingTravel_m: -0.01 })])).toBe('remainingTravel_m');
    expect(refused([reading(728, { uncertainty_m: 0 })])).toBe('uncertainty_m');
    expect(refused(CLEAN, { lift: { height_m: -0.1, droop_m: null } })).toBe('height_m');
  });

  test('is never shorter than any reading with its travel and the slack', () => {
    const anyReading = fc.record({
      pose: fc.constantFrom(...POSES),
      length_m: fc.double({ min: 0.2, max: 2, noNaN: true }),
      aid: fc.constantFrom('tube', 'wire', 'string' as const),
      uncertainty_m: fc.constant(null),
      remainingTravel_m: fc.double({ min: 0, max: 0.1, noNaN: true }),
      tightBends: fc.option(
        fc.record({ quarters: fc.nat(4), radius_m: fc.double({ min: 0, max: 0.1, noNaN: true }) }),
      ),
    });
    fc.assert(
      fc.property(fc.array(anyReading, { minLength: 0, maxLength: 5 }), anyReading, (others, droop) => {
        // One reading a pose, so that a mean cannot hide one.
        const readings = [
          ...new Map(
            [...others, { ...droop, pose: 'fullDroop' as const }].map((taken) => [taken.pose, taken]),
          ).values(),
        ];
        for (const taken of readings) {
          expect(order(readings).value.order_m).toBeGreaterThanOrEqual(
            taken.length_m + taken.remainingTravel_m + DEFAULT_SLACK_m - 2e-6,
          );
        }
      }),
    );
  });
});
