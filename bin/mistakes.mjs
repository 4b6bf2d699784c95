/** Plays every mistake of the catalogue that is claimed, one line a row, and tells how many were caught. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-mistakes-'));
const report = join(folder, 'jest.json');
const { status } = spawnSync(
  'npm',
  ['run', '--silent', 'unit', '--', '--verbose', '--json', `--outputFile=${report}`, 'server/src/mistakes/'],
  { stdio: ['ignore', 'ignore', 'inherit'] },
);
const ROW = /^(\S+) \((?:block|reason|inform)\) is met by each of its (\d+) paths/;
const rows = JSON.parse(readFileSync(report, 'utf8')).testResults.flatMap(({ assertionResults }) =>
  assertionResults.flatMap(({ title, status: said }) => {
    const row = ROW.exec(title);
    return row ? [{ isCaught: said === 'passed', paths: Number(row[2]) }] : [];
  }),
);
rmSync(folder, { recursive: true });
const caught = rows.filter(({ isCaught }) => isCaught);
const paths = caught.reduce((sum, row) => sum + row.paths, 0);
process.stdout.write(
  `mistakes: ${caught.length} entries of ${rows.length} caught, by ${paths} paths, each with a clean twin\n`,
);
process.exitCode = status ?? 1;
