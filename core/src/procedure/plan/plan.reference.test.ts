/** Worked cases with the properties that any plan of theirs must have (reference/plan.json; invented scopes, cross-checked by simulation). */
import cases from './reference/plan.json';
import type { FitPlanDocument } from './plan.ts';
import { planOf } from './plan.ts';
import type { PlanScope } from './scope.ts';
import type { StepPattern } from './steps.ts';
import { matches } from './steps.ts';
import { Lift } from './testing/simulator.ts';

interface Expected {
  readonly before?: readonly (readonly [StepPattern, StepPattern])[];
  readonly must?: readonly StepPattern[];
  readonly mustNot?: readonly StepPattern[];
  readonly count?: readonly { readonly step: StepPattern; readonly n: number }[];
  readonly choices?: Readonly<Record<string, unknown>>;
  readonly totals?: Readonly<Record<string, number>>;
  readonly setAside?: FitPlanDocument['setAside'];
  readonly infeasible?: {
    readonly anyOf: readonly (readonly string[])[];
    readonly subjects?: readonly string[];
  };
}
interface Case {
  readonly id: string;
  readonly title: string;
  readonly scope: PlanScope;
  readonly expect: Expected;
}
const CASES = cases.cases as unknown as readonly Case[];

test.each(CASES.map((one) => [`${one.id} ${one.title}`, one] as const))(
  '%s',
  (_name, { scope, expect: wanted }) => {
    const plan = planOf(scope);
    const at = (pattern: StepPattern) => plan.steps.findIndex((step) => matches(step, pattern));
    if (wanted.infeasible) {
      const set = [...(plan.infeasible?.rules ?? []), ...(plan.infeasible?.demands ?? [])].sort();
      expect(wanted.infeasible.anyOf.map((one) => [...one].sort())).toContainEqual(set);
      expect(plan.infeasible?.subjects).toEqual(
        expect.arrayContaining([...(wanted.infeasible.subjects ?? [])]),
      );
      expect(plan.steps).toEqual([]);
      return;
    }
    expect(plan.infeasible).toBeUndefined();
    for (const [first, then] of wanted.before ?? []) {
      expect([first, at(first) >= 0]).toEqual([first, true]);
      expect([first, then, at(first) < at(then)]).toEqual([first, then, true]);
    }
    for (const pattern of wanted.must ?? []) expect([pattern, at(pattern) >= 0]).toEqual([pattern, true]);
    for (const pattern of wanted.mustNot ?? []) expect([pattern, at(pattern)]).toEqual([pattern, -1]);
    for (const { step, n } of wanted.count ?? [])
      expect([step, plan.steps.filter((one) => matches(one, step)).length]).toEqual([step, n]);
    expect(plan.choices).toMatchObject(wanted.choices ?? {});
    expect(plan.totals).toMatchObject(wanted.totals ?? {});
    expect(plan.setAside).toEqual(wanted.setAside ?? []);
    expect(new Lift(scope, plan).run()).toEqual([]);
  },
);
