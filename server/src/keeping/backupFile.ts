/**
 * A backup is one gzip file of SQL. Its first line says what it is and when it was taken; its last, written only when it was
 * read back, how many rows each table holds. Without the last line it is not whole.
 */
import { createReadStream, createWriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip, gzipSync } from 'node:zlib';
import { z } from 'zod';

const FIRST = '-- Zephyrcombe backup ';
const LAST = '-- Zephyrcombe backup complete ';
const NO_BACKUP = 'It is not a backup of Zephyrcombe.';
/** No first or last line is longer. */
const LONGEST = 64 * 1024;

const HeaderSchema = z.object({
  format: z.literal(1),
  /** Everything that was answered as written before this instant is in the backup. */
  takenAt: z.iso.datetime(),
});
const TrailerSchema = z.object({ rows: z.record(z.string(), z.number().int()) });

export type BackupHeader = z.infer<typeof HeaderSchema>;
export type RowCounts = Readonly<Record<string, number>>;

/** What is wrong with a file that was to be a backup. */
export class NotABackup extends Error {
  override readonly name = 'NotABackup';
}

const parsed = <Value>(schema: z.ZodType<Value>, text: string, otherwise: string): Value => {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    throw new NotABackup(otherwise);
  }
  const result = schema.safeParse(read);
  if (!result.success) throw new NotABackup(otherwise);
  return result.data;
};

/** Writes all but the last line. The file must not exist; only its owner may read it. */
export async function writeBackup(
  path: string,
  header: BackupHeader,
  sql: AsyncIterable<Buffer>,
): Promise<void> {
  async function* lines(): AsyncGenerator<Buffer> {
    yield Buffer.from(`${FIRST}${JSON.stringify(header)}\n`);
    yield* sql;
  }
  await pipeline(lines, createGzip(), createWriteStream(path, { flags: 'wx', mode: 0o600, flush: true }));
}

/** Writes the last line, which makes the file a whole backup. */
export async function completeBackup(path: string, rows: RowCounts): Promise<void> {
  const file = await open(path, 'a');
  try {
    await file.write(gzipSync(`\n${LAST}${JSON.stringify({ rows })}\n`));
    await file.sync();
  } finally {
    await file.close();
  }
}

/** The SQL of a file, unpacked. Throws NotABackup where it is cut off, damaged or something else. */
async function* unpacked(path: string): AsyncGenerator<Buffer> {
  const packed = createReadStream(path);
  const text = createGunzip();
  packed.on('error', (error) => text.destroy(error));
  let isGzip = false;
  try {
    for await (const chunk of packed.pipe(text)) {
      isGzip = true;
      yield chunk as Buffer;
    }
  } catch (error) {
    if (!((error as NodeJS.ErrnoException).code ?? '').startsWith('Z_')) throw error;
    throw new NotABackup(isGzip ? 'It is cut off or damaged: it cannot be unpacked to its end.' : NO_BACKUP);
  }
}

/** The SQL of a backup, as a client takes it. */
export const sqlOf = (path: string): Readable => Readable.from(unpacked(path), { objectMode: false });

/** Reads a backup through: what its first and last lines say. Throws NotABackup where it is none, or not whole. */
export async function readBackup(path: string): Promise<BackupHeader & { readonly rows: RowCounts }> {
  let head = '';
  let tail = Buffer.alloc(0);
  for await (const chunk of unpacked(path)) {
    if (head.length < LONGEST) head += chunk.subarray(0, LONGEST).toString('utf8');
    if (!head.startsWith(FIRST)) throw new NotABackup(NO_BACKUP);
    tail = Buffer.concat([tail, chunk]).subarray(-LONGEST);
  }
  const header = parsed(
    HeaderSchema,
    head.slice(FIRST.length, head.indexOf('\n')),
    'It is a backup of another version of Zephyrcombe.',
  );
  const last = tail.toString('utf8').trimEnd().split('\n').at(-1) ?? '';
  if (!last.startsWith(LAST))
    throw new NotABackup('It is not whole: its last line is missing, so it was never read back.');
  return { ...header, ...parsed(TrailerSchema, last.slice(LAST.length), 'Its last line cannot be read.') };
}
