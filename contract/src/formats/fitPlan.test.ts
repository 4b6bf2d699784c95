import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planOf } from '@zephyrcombe/core/plan';
import { z } from 'zod';
import { FitPlanDocumentSchema, PlanScopeSchema } from './fitPlan.ts';

const root = join(__dirname, '../../..');
const { cases } = JSON.parse(
  readFileSync(join(root, 'core/src/procedure/plan/reference/plan.json'), 'utf8'),
) as { readonly cases: readonly { readonly id: string; readonly scope: Record<string, unknown> }[] };

test('the schema in docs/formats is what the code writes (npm run formats writes it)', () => {
  const file = join(root, 'docs/formats/fit-plan-1.schema.json');
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(FitPlanDocumentSchema))),
  );
});

test('worked scopes are read, and their plans are what the schema says', () => {
  for (const { id, scope } of cases) {
    const plan: unknown = JSON.parse(JSON.stringify(planOf(PlanScopeSchema.parse(scope))));
    expect([id, FitPlanDocumentSchema.safeParse(plan).error?.issues ?? []]).toEqual([id, []]);
  }
});

test.each([
  ['a line to a joint that is not there', { lines: 0, A: { joint: 'nowhere', end: 'banjo' } }, 'lines.0.A'],
  ['a joint on no circuit', { joints: 0, circuit: 'nowhere' }, 'joints.0.circuit'],
  ['a hold of no line', { holds: 0, line: 'nowhere' }, 'holds.0.line'],
  ['an end of no kind', { lines: 0, B: { joint: 'jc', end: 'welded' } }, 'lines.0.B.end'],
  ['an id with a space', { reservoirs: 0, id: 'the reservoir' }, 'reservoirs.0.id'],
] as const)('%s is refused at its field', (_what, { ...change }, field) => {
  const scope = structuredClone(cases[0]?.scope ?? {}) as Record<string, Record<string, unknown>[]>;
  const [list = '', ...keys] = Object.keys(change);
  const item = scope[list]?.[0];
  for (const key of keys) if (item) item[key] = (change as Record<string, unknown>)[key];
  const { error } = PlanScopeSchema.safeParse(scope);
  expect(error?.issues.map(({ path }) => path.join('.'))).toContain(field);
});
