/** What can hurt in each way of bleeding. Common practice, no published source; 20 lbf/in² is 137.9 kPa by NIST SP 811. */
import { caughtSinceTopUp, isClear } from './tally.ts';
import { refillGuard } from './strokes.ts';
import type { BleedWay } from './way.ts';
import {
  judgeBleedWay,
  judgeIgnition,
  judgeSeizedNipple,
  judgeWetPads,
  MOST_BLEEDER_PRESSURE_Pa,
} from './way.ts';

const WAY: BleedWay = { method: 'pump', pressure_Pa: null, releases: null, lid: null };
const idsOf = (way: Partial<BleedWay>) => judgeBleedWay({ ...WAY, ...way }).map(({ id }) => id);

test('the limit of a pressure bleeder is 20 lbf/in²', () => {
  expect(MOST_BLEEDER_PRESSURE_Pa).toBeCloseTo(20 * 6894.757, 0);
});

test.each([
  ['one bar', { method: 'pressure', pressure_Pa: 1e5 }, []],
  ['15 lbf/in²', { method: 'pressure', pressure_Pa: 15 * 6894.757 }, []],
  ['25 lbf/in²', { method: 'pressure', pressure_Pa: 25 * 6894.757 }, ['M83']],
  ['a pressure that nobody has said', { method: 'pressure' }, []],
  ['a figure left over from another way', { method: 'vacuum', pressure_Pa: 3e5 }, []],
  ['quick releases, lid off', { releases: 'quick', lid: 'off' }, ['M84']],
  ['quick releases, lid laid on', { releases: 'quick', lid: 'loose' }, []],
  ['slow, lid off', { releases: 'slow', lid: 'off' }, []],
  ['no lever in it', { method: 'gravity', releases: 'quick', lid: 'off' }, []],
] as const)('%s', (_what, way, ids) => {
  expect(idsOf(way)).toEqual(ids);
});

test('ignition is right only where it is said and is as the maker asks', () => {
  expect(judgeIgnition('on', 'on')).toEqual([]);
  for (const [was, asked] of [
    ['on', 'off'],
    [null, 'on'],
    ['off', null],
    [null, null],
  ] as const)
    expect(judgeIgnition(was, asked)).toMatchObject([{ id: 'M90', evidence: { was, asked } }]);
});

test('pads that met fluid are replaced, whatever was done between', () => {
  for (const said of [[], [null], ['renewed'], ['wet', 'renewed'], ['wet', 'cleaned', 'renewed']] as const)
    expect(judgeWetPads(said)).toEqual([]);
  for (const said of [['wet'], ['wet', 'cleaned'], ['wet', null], ['wet', 'renewed', 'wet']] as const)
    expect(judgeWetPads(said)).toMatchObject([{ id: 'M86' }]);
});

test('a seized nipple is freed by patience, and somebody says so', () => {
  expect(judgeSeizedNipple('soaked')).toEqual([]);
  expect(judgeSeizedNipple('forced')).toMatchObject([{ evidence: { forced: true } }]);
  expect(judgeSeizedNipple(null)).toMatchObject([{ evidence: { forced: false } }]);
});

describe('what was caught without strokes', () => {
  const at = '2026-11-23T10:00:00.000Z';
  const caught = (volume_m3: number) => ({ kind: 'volume' as const, at, volume_m3 });
  const [topUp, clear] = [
    { kind: 'topUp' as const, at },
    { kind: 'clear' as const, at },
  ];

  test('counts since the last top-up', () => {
    expect(caughtSinceTopUp([caught(1e-5), topUp, caught(2e-5), caught(1e-5)])).toBeCloseTo(3e-5, 12);
  });

  test('takes the strokes that would have moved it from the reservoir', () => {
    // π/4·(12 mm)²·(60 mm/6) = 1.131 mL a stroke; 25 mL are 22 strokes, 10 mL are 9 of them.
    const master = { masterBore_m: 0.012, leverStroke_m: 0.06, leverRatio: 6, efficiency: 1 };
    expect(refillGuard(master, 25e-6, 3, false, 1e-5)).toMatchObject({
      ok: true,
      value: { strokesBeforeMinimum: 22, strokesLeft: 22 - 3 - 9 },
    });
    expect(refillGuard(master, 25e-6, 0, false, -1e-6)).toMatchObject({ problem: { field: 'caught_m3' } });
  });

  test.each(['stroke', 'drewBack', 'ranDry'] as const)('%s after clear: not clear any more', (kind) => {
    expect(isClear([clear])).toBe(true);
    expect(isClear([clear, { kind, at }])).toBe(false);
    expect(isClear([clear, caught(1e-6)])).toBe(false);
    expect(isClear([clear, { kind, at }, clear])).toBe(true);
    expect(isClear([clear, topUp])).toBe(true);
  });
});
