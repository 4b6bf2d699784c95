/** Prints how much JavaScript the first page loads, gzipped, and fails over the budget. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const BUDGET_kB = 250;
const dist = new URL('../web/dist/', import.meta.url);
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', dist), 'utf8'));
const files = new Set();

function take(key) {
  const chunk = manifest[key];
  if (!chunk || files.has(chunk.file)) return;
  files.add(chunk.file);
  for (const imported of chunk.imports ?? []) take(imported);
}

take('index.html');
take('src/features/jobs/JobsPage.tsx');
const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(new URL(file, dist))).length, 0);
const size_kB = bytes / 1000;
console.log(
  `First route: ${files.size} files, ${size_kB.toFixed(1)} kB gzip of JavaScript (budget ${BUDGET_kB} kB)`,
);
process.exit(files.size > 1 && size_kB < BUDGET_kB ? 0 : 1);
