import { toSI } from '../units/convert.ts';
import type { TorqueRange } from './torque.ts';
import { judgeTorque, wrenchRange } from './torque.ts';

/** Source: ISO 6789, usable range and permissible deviation (from memory; the clause is to be checked on the page). */
describe('wrench range', () => {
  test.each([
    [100, 20, 100, 20, true, 0.04],
    [110, 22, 110, 20, false, 0.04],
    [25, 5, 25, 20, true, 0.04],
    [10, 2, 10, 8, true, 0.06],
    [60, 12, 60, 6, false, 0.04],
  ])(
    'a %p N·m wrench is trusted from %p to %p',
    (maximum_Nm, lowest_Nm, highest_Nm, target_Nm, inRange, deviation) => {
      const range = wrenchRange(maximum_Nm);
      if (!range.ok) throw new Error(range.problem.code);
      expect(range.value.lowest_Nm).toBeCloseTo(lowest_Nm, 12);
      expect(range.value.highest_Nm).toBe(highest_Nm);
      expect(range.value.deviation).toBe(deviation);
      const around: TorqueRange = {
        minimum_Nm: target_Nm * 0.9,
        maximum_Nm: target_Nm * 1.1,
        source: 'hoseMaker',
      };
      const judged = judgeTorque(target_Nm, around, maximum_Nm);
      expect(judged.ok && judged.value.wrenchTrusted).toBe(inRange);
      expect(judged.ok && judged.cautions.some((caution) => caution.id === 'M72')).toBe(!inRange);
    },
  );
});

/** 18–21 N·m: a kit figure for aluminium banjo bolts (common practice, no published source). */
describe('torque against 18–21 N·m', () => {
  const KIT: TorqueRange = { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' };
  const judge = (reading_Nm: number, range = KIT) => judgeTorque(reading_Nm, range, 25);

  test.each([
    [17.9, 'below'],
    [18, 'within'],
    [19.6, 'within'],
    [21, 'within'],
    [21.1, 'above'],
  ])('%p N·m is %s', (reading_Nm, verdict) => {
    expect(judge(reading_Nm)).toMatchObject({ ok: true, value: { verdict } });
  });

  test('16 lbf·ft, often printed beside 21 N·m, is over it: M71', () => {
    expect(judge(toSI(16, 'lbf_ft'))).toMatchObject({
      value: { verdict: 'above' },
      cautions: [{ id: 'M71' }],
    });
  });

  test('300 N·m on a banjo is a slip, not a torque', () => {
    expect(judge(300)).toMatchObject({ ok: false, problem: { code: 'torqueImplausible', maximum_Nm: 21 } });
  });

  test('a good reading raises nothing and says how far off it may be', () => {
    const judged = judge(19.6);
    expect(judged).toMatchObject({ ok: true, cautions: [] });
    expect(judged.ok && judged.value.likelyLow_Nm).toBeCloseTo(18.816, 9);
    expect(judged.ok && judged.value.likelyHigh_Nm).toBeCloseTo(20.384, 9);
  });

  test('a range that nobody vouches for is M74 and cites no maker', () => {
    const judged = judge(19.6, { ...KIT, source: null });
    expect(judged).toMatchObject({ ok: true, cautions: [{ id: 'M74' }] });
    expect(judged.ok && judged.sources).toEqual(['iso6789']);
  });

  test.each([
    [0, 'reading_Nm'],
    [-5, 'reading_Nm'],
    [Infinity, 'reading_Nm'],
  ])('%p N·m is refused by name', (reading_Nm, field) => {
    expect(judge(reading_Nm)).toMatchObject({ ok: false, problem: { field } });
  });

  test('limits the wrong way round are refused', () => {
    expect(judge(19, { minimum_Nm: 21, maximum_Nm: 18, source: null })).toMatchObject({
      ok: false,
      problem: { code: 'rangeUpsideDown' },
    });
    expect(judgeTorque(19, KIT, 0)).toMatchObject({ ok: false, problem: { field: 'maximum_Nm' } });
  });
});
