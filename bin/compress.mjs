/** Writes the brotli and gzip form of every built file beside it, where that is smaller: the server sends what the browser takes. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const dist = new URL('../web/dist/', import.meta.url).pathname;
/** Pictures and fonts are compressed in their own way. */
const TEXTS = new Set(['.js', '.css', '.html', '.svg', '.json', '.webmanifest']);

let [files, before, after] = [0, 0, 0];
for (const entry of readdirSync(dist, { recursive: true, withFileTypes: true })) {
  const path = join(entry.parentPath, entry.name);
  if (!entry.isFile() || !TEXTS.has(extname(entry.name))) continue;
  const plain = readFileSync(path);
  const brotli = brotliCompressSync(plain, {
    params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: plain.length },
  });
  const gzip = gzipSync(plain, { level: 9 });
  if (brotli.length < plain.length) writeFileSync(`${path}.br`, brotli);
  if (gzip.length < plain.length) writeFileSync(`${path}.gz`, gzip);
  files += 1;
  before += plain.length;
  after += Math.min(brotli.length, plain.length);
}
console.log(`Compressed ${files} files: ${Math.round(before / 1000)} kB to ${Math.round(after / 1000)} kB`);
