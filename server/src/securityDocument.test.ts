/** What docs/security.md names as shown by a test is in that file. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '../..');
const document = readFileSync(join(ROOT, 'docs/security.md'), 'utf8');
const named = [...document.matchAll(/`([\w./-]+\.(?:ts|md))` “([^”]+)”/g)].map(
  ([, file = '', words = '']) => [file, words] as const,
);

test('every test that it names is there', () => {
  expect(named.length).toBeGreaterThan(50);
  const missing = named.filter(
    ([file, words]) =>
      !existsSync(join(ROOT, file)) || !readFileSync(join(ROOT, file), 'utf8').includes(words),
  );
  expect(missing).toEqual([]);
});

test('every line of its tables says how it is shown, or that it is not', () => {
  const lines = document.split('\n').filter((line) => /^\| (?!Asked|---)/.test(line));
  const bare = lines.filter(
    (line) => !/\| (`[^`]+` “[^”]+”|by reading( `[^`]+`)?|none) \|$/.test(line.replace(/\s+\|$/, ' |')),
  );
  expect(bare).toEqual([]);
  // What no test shows and nobody can read off the code is called a gap.
  expect(lines.filter((line) => /\| none\s*\|$/.test(line) && !line.includes('**Gap'))).toEqual([]);
});
