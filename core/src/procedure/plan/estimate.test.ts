/** Worked cases of reference/plan.json (closed forms; the total cross-checked there by 400,000 random draws). */
import cases from './reference/plan.json';
import { learntTime, totalTime } from './estimate.ts';

interface Case {
  readonly id: string;
  readonly durations_s?: readonly number[];
  readonly default_s?: number;
  readonly medians_s?: readonly number[];
  readonly spreads?: readonly number[];
  readonly jobFactor?: number;
  readonly expect: Readonly<Record<string, number>>;
  readonly relTol: number;
}
const CASES = (cases as unknown as { readonly estimates: readonly Case[] }).estimates;

function found(one: Case): Readonly<Record<string, number | undefined>> {
  if (one.medians_s)
    return {
      ...totalTime(
        one.medians_s.map((median_s, at) => ({ median_s, spread: one.spreads?.[at] ?? 0 })),
        one.jobFactor,
      ),
    };
  const { median_s, spread, logged } = learntTime(one.durations_s ?? [], one.default_s ?? 0);
  return {
    median_s: logged?.median_s,
    spread: logged?.spread,
    shrunkMedian_s: median_s,
    shrunkSpread: spread,
  };
}

test.each(CASES.map((one) => [one.id, one] as const))('%s', (_id, one) => {
  const is = found(one);
  for (const [key, wanted] of Object.entries(one.expect))
    expect([
      key,
      Math.abs((is[key] ?? NaN) - wanted) <= one.relTol * Math.max(Math.abs(wanted), 1e-12),
    ]).toEqual([key, true]);
});

test('nothing left takes no time; one step more takes longer; more logs say more', () => {
  expect(totalTime([]).total_s).toBe(0);
  const step = { median_s: 60, spread: 0.4 };
  expect(totalTime([step, step]).total_s).toBeGreaterThan(totalTime([step]).total_s);
  const few = learntTime([100], 60);
  const many = learntTime(
    Array.from({ length: 50 }, () => 100),
    60,
  );
  expect(few.median_s).toBeLessThan(many.median_s);
  expect(many.median_s).toBeLessThan(100);
});
