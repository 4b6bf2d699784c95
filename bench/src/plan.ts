/**
 * `npm run plan -- CASES.json PLANS.json`: reads `{ "cases": [{ "id", "scope" }] }` and writes `{ "plans": { "<id>": plan } }`, each
 * as docs/formats/fit-plan.md describes it.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { PlanScopeSchema } from '@zephyrcombe/contract';
import { planOf } from '@zephyrcombe/core/plan';
import { z } from 'zod';

const complain = (line: string): never => {
  process.stderr.write(`${line}\n`);
  process.exit(2);
};

/** The folder that npm was called in: paths are given from there. */
const called = process.env.INIT_CWD ?? process.cwd();
const [from, to] = process.argv.slice(2);
if (from === undefined || to === undefined)
  complain('Say where the cases are and where the plans go: npm run plan -- CASES.json PLANS.json');

const Cases = z.object({ cases: z.array(z.object({ id: z.string().min(1), scope: z.unknown() })) });

function read(path: string): z.infer<typeof Cases>['cases'] {
  try {
    return Cases.parse(JSON.parse(readFileSync(resolve(called, path), 'utf8'))).cases;
  } catch (error) {
    const what = error instanceof z.ZodError ? z.prettifyError(error) : String(error);
    return complain(`${path} cannot be read as cases: ${what}`);
  }
}

const cases = read(from ?? '');
const plans = Object.fromEntries(
  cases.map(({ id, scope }) => {
    const read = PlanScopeSchema.safeParse(scope);
    if (!read.success) return complain(`Case ${id}: ${z.prettifyError(read.error)}`);
    return [id, planOf(read.data)] as const;
  }),
);
writeFileSync(resolve(called, to ?? ''), `${JSON.stringify({ plans }, null, 1)}\n`);
process.stdout.write(`${cases.length} plans written: ${to}\n`);
