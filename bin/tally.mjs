/** Adds up checks, Jest and Playwright; prints "N passed, N failed" and fails when anything did, or nothing ran. */
import { existsSync, readFileSync } from 'node:fs';

const results = new URL('../test-results/', import.meta.url);
const read = (name) =>
  existsSync(new URL(name, results)) ? readFileSync(new URL(name, results), 'utf8') : null;

let passed = 0;
let failed = 0;
for (const line of (read('checks') ?? '').split('\n')) {
  if (line.startsWith('pass ')) passed += 1;
  if (line.startsWith('fail ')) {
    failed += 1;
    console.log(`failed: ${line.slice(5)}`);
  }
}

const jest = read('jest.json');
if (jest === null) failed += 1;
else {
  const report = JSON.parse(jest);
  passed += report.numPassedTests;
  // A suite that could not even run has no tests to fail.
  failed += report.numFailedTests + report.numRuntimeErrorTestSuites;
}

const journeys = read('e2e.json');
if (journeys === null) failed += 1;
else {
  const { stats, errors } = JSON.parse(journeys);
  passed += stats.expected;
  failed += stats.unexpected + stats.flaky + errors.length;
}

/** The ten slowest of all, in seconds: where a run that grows too long is to be looked at first. */
const slowest = [
  ...(jest === null
    ? []
    : JSON.parse(jest).testResults.flatMap(({ assertionResults }) =>
        assertionResults.map(({ fullName, duration }) => [(duration ?? 0) / 1000, fullName]),
      )),
  ...(journeys === null ? [] : journeysOf(JSON.parse(journeys).suites)),
]
  .sort(([a], [b]) => b - a)
  .slice(0, 10);
console.log('\nThe ten slowest:');
for (const [seconds, name] of slowest) console.log(`${seconds.toFixed(1).padStart(7)} s  ${name}`);

function journeysOf(suites) {
  return suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.map(({ title, tests }) => [
      tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration / 1000, 0),
      title,
    ]),
    ...journeysOf(inner),
  ]);
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
