import { exampleBanjo } from '../fittings/exampleEnds.ts';
import { exampleThreaded } from '../fittings/exampleThreaded.ts';
import { MISTAKES, severityOf, stopsAmong } from '../mistakes/catalogue.ts';
import { vehicleCautions } from '../layout/vehicleCautions.ts';
import { HANDOVER_CHECKS, judgeHandover, judgeRecord } from './handOver.ts';
import { judgeBoltThread, judgeClocking } from './specification.ts';
import { judgeTorqueAttempt } from './torqueGate.ts';

describe('specification checks', () => {
  test('M10×1.25 in an M10×1.0 port is M20, whatever way it is written', () => {
    expect(judgeBoltThread('M10×1.0', 'M10×1.25')).toMatchObject([{ id: 'M20' }]);
    expect(judgeBoltThread('M10×1.0', 'm10 x 1')).toEqual([]);
    expect(judgeBoltThread('M10×1.0', 'M10×10')).toMatchObject([{ id: 'M20' }]);
    expect(judgeBoltThread('M10×1.0', '3/8-24')).toMatchObject([{ id: 'M20' }]);
  });

  test('two bent ends without clocking are M19; one bent end is not', () => {
    const bent = exampleBanjo(20);
    expect(judgeClocking(bent, bent, null)).toMatchObject([{ id: 'M19' }]);
    expect(judgeClocking(bent, bent, 0)).toEqual([]);
  });

  test('M101: two eyes are held by their bolts, a straight neck too; an end that turns is free', () => {
    const [bent, straight] = [exampleBanjo(20), exampleBanjo(0)];
    expect(judgeClocking(bent, straight, null)).toMatchObject([{ id: 'M101' }]);
    expect(judgeClocking(straight, straight, null)).toMatchObject([{ id: 'M101' }]);
    expect(judgeClocking(straight, straight, 1.2)).toEqual([]);
    expect(judgeClocking(straight, exampleThreaded(0), null)).toEqual([]);
    // A bent threaded end points somewhere.
    expect(judgeClocking(straight, exampleThreaded(45), null)).toMatchObject([{ id: 'M101' }]);
    expect(judgeClocking(bent, exampleThreaded(45), null)).toMatchObject([{ id: 'M19' }]);
  });
});

describe('torque gate', () => {
  const GOOD = {
    seal: 'banjo' as const,
    eyes: 3,
    freshWashers: 4,
    reading_Nm: 19.6,
    range: { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' as const },
    wrenchMaximum_Nm: 25,
  };

  test('a clean joint raises nothing', () => {
    expect(judgeTorqueAttempt(GOOD)).toMatchObject({ ok: true, cautions: [] });
  });

  test('three washers on three eyes are M57', () => {
    expect(judgeTorqueAttempt({ ...GOOD, freshWashers: 3 })).toMatchObject({ cautions: [{ id: 'M57' }] });
  });

  test('a flare seals without washers', () => {
    expect(judgeTorqueAttempt({ ...GOOD, seal: 'flare', eyes: 1, freshWashers: 0 })).toMatchObject({
      cautions: [],
    });
  });
});

describe('hand over', () => {
  test('an untested stop lamp and a lit warning lamp stop the handover', () => {
    const nothing = judgeHandover({});
    expect(nothing.open).toEqual(HANDOVER_CHECKS);
    expect(stopsAmong(nothing.cautions).map((caution) => caution.id)).toEqual(['M95', 'M94']);
    expect(nothing.cautions.map((caution) => caution.id)).toEqual(['M95', 'M94', 'M79', 'M93']);
    expect(nothing.cautions.map(severityOf)).toEqual(['stop', 'stop', 'warn', 'warn']);
  });

  test('a clean job raises nothing', () => {
    const everything = Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true]));
    expect(judgeHandover(everything)).toEqual({ open: [], cautions: [] });
    expect(judgeRecord({ grade: 'DOT 4', batch: 'B-1' })).toEqual([]);
  });

  test('a blank batch is M96', () => {
    expect(judgeRecord({ grade: 'DOT 4', batch: '' })).toEqual([
      { id: 'M96', evidence: { missing: ['batch'] } },
    ]);
  });
});

describe('vehicle cautions', () => {
  const FACTS = {
    abs: false,
    linkedBrakes: false,
    electricBooster: false,
    use: 'road',
    kind: 'motorcycle',
  } as const;

  test('come from what is known of the vehicle', () => {
    expect(vehicleCautions(FACTS)).toEqual(['licensedPractice', 'roadMarkedHose', 'fluidAttacksPaint']);
    expect(vehicleCautions({ ...FACTS, abs: true, electricBooster: true, kind: 'van' })).toEqual([
      'licensedPractice',
      'absMustNotRunDry',
      'electricBooster',
      'roadMarkedHose',
      'fluidAttacksPaint',
    ]);
  });
});

test('every catalogue entry has a known severity', () => {
  for (const entry of Object.values(MISTAKES)) expect(['stop', 'warn', 'note']).toContain(entry.severity);
});
