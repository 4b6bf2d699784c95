/**
 * Prints how many bytes the first page's JavaScript takes on the wire, as the server really sends it to a browser that takes brotli,
 * and to one that takes gzip only; fails over the budget or when anything comes uncompressed.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastify from 'fastify';
import { registerWebFiles } from './http/webFiles.ts';

const BUDGET_kB = 250;
const folder = join(import.meta.dirname, '../../web/dist');

interface Chunk {
  readonly file: string;
  readonly imports?: readonly string[];
}
const manifest = JSON.parse(readFileSync(join(folder, '.vite/manifest.json'), 'utf8')) as Readonly<
  Record<string, Chunk>
>;

function filesFrom(key: string, files: Set<string> = new Set()): Set<string> {
  const chunk = manifest[key];
  if (!chunk || files.has(chunk.file)) return files;
  files.add(chunk.file);
  for (const imported of chunk.imports ?? []) filesFrom(imported, files);
  return files;
}

const files = filesFrom('src/features/jobs/JobsPage.tsx', filesFrom('index.html'));
const app = fastify();
await registerWebFiles(app, folder);

let isFine = files.size > 1;
for (const encoding of ['br', 'gzip']) {
  let bytes = 0;
  for (const file of files) {
    const reply = await app.inject({ url: `/${file}`, headers: { 'accept-encoding': encoding } });
    if (reply.headers['content-encoding'] !== encoding) {
      isFine = false;
      process.stdout.write(
        `${file} comes as ${String(reply.headers['content-encoding'] ?? 'it is')}, not ${encoding}\n`,
      );
    }
    bytes += reply.rawPayload.length;
  }
  const size_kB = bytes / 1000;
  process.stdout.write(
    `First route: ${files.size} files, ${size_kB.toFixed(1)} kB of JavaScript sent as ${encoding} (budget ${BUDGET_kB} kB)\n`,
  );
  isFine &&= size_kB < BUDGET_kB;
}
await app.close();
process.exitCode = isFine ? 0 : 1;
