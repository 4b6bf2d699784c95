import { judgeHold } from './hold.ts';

const MASTER = { masterBore_m: 0.014, leverRatio: 6 };
const readings = (...list: readonly (readonly [number, number])[]) =>
  list.map(([at_s, travel_mm]) => ({ at_s, travel_m: travel_mm / 1000 }));

test.each([
  ['nothing read', readings(), 'unread'],
  ['read once', readings([90, 30]), 'unread'],
  ['read while it settles', readings([5, 29], [40, 30]), 'tooShort'],
  ['read twice in half a minute', readings([60, 30], [90, 30]), 'tooShort'],
  ['the same after three minutes', readings([60, 30], [240, 30.5]), 'stands'],
  ['what settles in the first minute does not count', readings([2, 24], [60, 30], [240, 30.5]), 'stands'],
  ['it comes back a little: warmer fluid', readings([60, 30], [240, 28]), 'stands'],
  ['it sinks', readings([60, 30], [240, 34]), 'creeps'],
  ['it sinks on', readings([60, 30], [120, 32], [240, 34]), 'creeps'],
  ['it sinks, and stands at last', readings([60, 30], [120, 32], [240, 32.3]), 'fades'],
])('%s: %j is %s', (_what, list, verdict) => {
  const result = judgeHold(list, MASTER);
  expect(result.ok && result.value.verdict).toBe(verdict);
});

test('four millimetres at the lever are a tenth of a millilitre of a small master; without a master nothing is made up', () => {
  const list = readings([60, 30], [240, 34]);
  const known = judgeHold(list, MASTER);
  // 4 mm ÷ 6 × π/4 · 14²
  expect(known.ok && known.value.leak_m3).toBeCloseTo((0.004 / 6) * (Math.PI / 4) * 0.014 ** 2, 15);
  const unknown = judgeHold(list, null);
  expect(unknown.ok && unknown.value.leak_m3).toBeNull();
});

test('readings out of order, and figures without a meaning, are named', () => {
  const field = (list: ReturnType<typeof readings>) => {
    const result = judgeHold(list, MASTER);
    return result.ok ? null : result.problem.field;
  };
  expect(field(readings([240, 34], [60, 30]))).toBe('readings.1.at_s');
  expect(field(readings([60, -1], [240, 34]))).toBe('readings.0.travel_m');
});
