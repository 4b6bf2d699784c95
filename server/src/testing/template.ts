/**
 * A new database for a test is copied in a fifth of the time in which it is made. The first one of a run is made by the
 * migrations and the seed, and kept as a dump beside the run's database; the others are loaded from it.
 */
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { rename } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { DatabaseConfig } from '../config.ts';
import { dump, load } from '../keeping/dump.ts';

/** Fills an empty database from the template of this name, or by `make`, which becomes the template. */
export async function fillLike(
  template: string,
  config: DatabaseConfig,
  make: () => Promise<void>,
): Promise<void> {
  const folder = process.env.ZEPHYRCOMBE_TEST_DATABASE_FOLDER;
  if (folder === undefined) {
    await make();
    return;
  }
  const kept = join(folder, `${template}.sql`);
  if (existsSync(kept)) {
    await load(config, createReadStream(kept));
    return;
  }
  await make();
  // Two workers may make the first one at a time: each writes a file of its own, and the names change whole.
  const own = join(folder, `${template}-${config.name}.sql`);
  await pipeline(Readable.from(dump(config)), createWriteStream(own));
  await rename(own, kept);
}
