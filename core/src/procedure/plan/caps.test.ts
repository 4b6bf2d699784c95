import { capsBySize, jointOfOpening } from './caps.ts';
import { randomScope } from './testing/randomScope.ts';
import { planOf } from './plan.ts';

test('all sizes as one are the peak of the plan; no size alone is over it, and together they are not under it', () => {
  for (let seed = 1; seed <= 60; seed += 1) {
    const scope = randomScope(seed);
    const plan = planOf(scope);
    if (!('steps' in plan)) continue;
    const peak = plan.totals.capsPeak;
    expect(capsBySize(scope, plan.steps, () => 'any').get('any') ?? 0).toBe(peak);
    const sizes = [...capsBySize(scope, plan.steps, (opening) => jointOfOpening(scope, opening)).values()];
    for (const most of sizes) expect(most).toBeLessThanOrEqual(peak);
    expect(sizes.reduce((sum, most) => sum + most, 0)).toBeGreaterThanOrEqual(peak);
  }
});

test('those that are on already count when the rest is planned anew', () => {
  for (let seed = 1; seed <= 60; seed += 1) {
    const scope = randomScope(seed);
    const plan = planOf(scope);
    if (!('steps' in plan)) continue;
    const all = capsBySize(scope, plan.steps, () => 'any').get('any') ?? 0;
    // Wherever somebody stops, what is still to come is never less than what is on, and the two halves have the whole peak.
    const at = Math.floor(plan.steps.length / 2);
    const [done, left] = [plan.steps.slice(0, at), plan.steps.slice(at)];
    const first = capsBySize(scope, done, () => 'any').get('any') ?? 0;
    const rest = capsBySize({ ...scope, done }, left, () => 'any').get('any') ?? 0;
    expect(Math.max(first, rest)).toBe(all);
  }
});
