/**
 * `npm run validate`: the reference cases that the project holds, through the core's own functions; prints what was found and writes
 * docs/validation.md. `npm run validate -- --cases FILE.json --out RESULTS.json` does the same for other cases in the same form.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import type { CaseResult, GroupSummary, NoFunction, ReferenceCase } from '@zephyrcombe/core/validation';
import {
  casesOf,
  hasFunction,
  OWN_CASES,
  PROVENANCE,
  runCase,
  summarise,
} from '@zephyrcombe/core/validation';

const say = (line: string) => void process.stdout.write(`${line}\n`);
const complain = (line: string) => void process.stderr.write(`${line}\n`);

/** The folder that npm was called in: paths are given from there. */
const called = process.env.INIT_CWD ?? process.cwd();
const { values } = parseArgs({ options: { cases: { type: 'string' }, out: { type: 'string' } } });

function read(path: string): readonly ReferenceCase[] {
  const file = resolve(called, path);
  try {
    return casesOf(JSON.parse(readFileSync(file, 'utf8')));
  } catch (error) {
    complain(`${path} cannot be read as cases: ${error instanceof Error ? error.message : String(error)}`);
    process.exit(2);
  }
}

/** By id what the core answers; cases of one id in several lists are told apart by their kind. */
function answersOf(
  all: readonly (CaseResult | NoFunction)[],
  of: readonly ReferenceCase[],
): Readonly<Record<string, unknown>> {
  const ids = of.map(({ id }) => id);
  return Object.fromEntries(
    all.map((result) => {
      const isOnly = ids.filter((id) => id === result.id).length === 1;
      const key = isOnly
        ? result.id
        : `${hasFunction(result) ? result.kind : result.tags.join(' ')} ${result.id}`;
      if (!hasFunction(result)) return [key, { noFunction: result.tags.join(' ') || 'unknown kind' }];
      return [key, result.refused === null ? result.answers : { refused: result.refused }];
    }),
  );
}

function byKind(all: readonly NoFunction[]): readonly (readonly [string, readonly string[]])[] {
  const kinds = new Map<string, string[]>();
  for (const { id, tags } of all) {
    const key = tags.join(' ') || 'unknown kind';
    kinds.set(key, [...(kinds.get(key) ?? []), id]);
  }
  return [...kinds];
}

const percent = (share: number) => (share < 0.0005 ? 'under 0.1' : (share * 100).toFixed(1));

function worstOf({ worst }: GroupSummary): string {
  return worst ? `${percent(worst.share)} % (${worst.id}, ${worst.quantity})` : 'nothing to compare';
}

function lineOf(group: GroupSummary): string {
  const { kind, group: name, cases: count, values: figures, source } = group;
  return `${name}, ${kind}: ${count} cases, ${figures} figures, worst ${worstOf(group)} of its tolerance; ${source}`;
}

/** The page that a reader sees what the numbers stand on by. */
function pageOf(all: readonly GroupSummary[], rest: readonly NoFunction[]): string {
  const cell = (text: string) => text.replaceAll('|', '\\|');
  return `# What the numbers stand on

Written by \`npm run validate\`; do not edit. It takes every reference case that the project holds (\`core/src/validation/cases\`)
through the core's own functions. The cases were worked apart from this code; each file says how. Standards' figures in them are
from memory where it is said. "Worst" is the largest error as a share of what it may be: closed forms agree to eight digits; a rod's radius
may be off by 0.5 %, its energy by 0.3 %, a point on it by 0.5 mm; boiling points by 0.001 °C of the same model. How near the model of a
boiling point is to a real fluid is another question: about 4.5 °C at 1 % of water.

Other cases of the same kinds: \`npm run validate -- --cases FILE.json --out RESULTS.json\`.

| Group | Kind | Cases | Figures | Worst, % of tolerance | Misses | Stands on |
| --- | --- | --- | --- | --- | --- | --- |
${all.map((group) => `| ${group.group} | ${group.kind} | ${group.cases} | ${group.values} | ${cell(worstOf(group))} | ${group.misses.length} | ${cell(group.source)} |`).join('\n')}

## Without a function

${byKind(rest)
  .map(
    ([kind, ids]) =>
      `- ${kind}: ${ids.length} cases. ${NO_FUNCTION[kind] ?? 'The core has no such function.'}`,
  )
  .join('\n')}

## How the figures were found

${Object.entries(PROVENANCE)
  .map(([name, provenance]) => `- **${name}**: ${provenance}`)
  .join('\n')}
`;
}

const NO_FUNCTION: Readonly<Record<string, string>> = {
  '6_elastica cantilever': 'A rod clamped at one end with a load at its tip is no hose between two ends.',
};

function main(): void {
  const cases = values.cases === undefined ? OWN_CASES : read(values.cases);
  const results = cases.map(runCase);
  const run = results.filter(hasFunction);
  const without = results.filter((result): result is NoFunction => !hasFunction(result));
  const groups = summarise(run);

  for (const group of groups) say(lineOf(group));
  for (const group of groups) for (const miss of group.misses) say(`  miss: ${group.kind} ${miss}`);
  for (const [kind, ids] of byKind(without)) say(`no function for ${kind}: ${ids.join(', ')}`);
  const missed = groups.reduce((sum, { misses }) => sum + misses.length, 0);
  say(
    `${run.length} cases, ${missed === 0 ? 'no miss' : `${missed} misses`}, ${without.length} cases without a function`,
  );

  if (values.out !== undefined) {
    writeFileSync(resolve(called, values.out), `${JSON.stringify(answersOf(results, cases), null, 1)}\n`);
    say(`Written: ${values.out}`);
  }
  if (values.cases === undefined) {
    const file = join(import.meta.dirname, '../../docs/validation.md');
    writeFileSync(file, pageOf(groups, without));
    say('Written: docs/validation.md');
  }
  process.exitCode = missed > 0 && values.cases === undefined ? 1 : 0;
}

main();
