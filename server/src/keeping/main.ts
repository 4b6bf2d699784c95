/* oxlint-disable no-console -- talks to the terminal */
/** `backup FILE`, `restore FILE`, `verify [FILE]`: run by the commands of the same names in `bin`. */
import { join, resolve } from 'node:path';
import { readConfig } from '../config.ts';
import { NotABackup } from './backupFile.ts';
import { ToolFailed } from './dump.ts';
import { backUp, CannotKeep, restore, verifyBackup, verifyBook } from './keeping.ts';
import type { Soundness } from './soundness.ts';

const CONTROL = join(import.meta.dirname, '../../../bin/database');
const [command, given] = process.argv.slice(2);
// None of these signs a cookie.
const { database } = readConfig({ ...process.env, ZEPHYRCOMBE_SECRET: '-'.repeat(32) });

function tell({ schema, rows, triggers, faults }: Soundness): void {
  const width = Math.max(...Object.keys(rows).map((table) => table.length));
  for (const [table, many] of Object.entries(rows)) console.log(`  ${table.padEnd(width)}  ${many}`);
  const total = Object.values(rows).reduce((sum, many) => sum + many, 0);
  console.log(
    `${Object.keys(rows).length} tables, ${total} rows, ${triggers} triggers, schema ${schema ?? 'none'}`,
  );
  for (const fault of faults) console.error(`✗ ${fault}`);
}

async function run(): Promise<void> {
  const path = given === undefined ? null : resolve(process.env.ZEPHYRCOMBE_FROM ?? '.', given);
  if (command === 'backup' && path !== null) {
    const { header, book } = await backUp(database, path, { control: CONTROL, clock: () => new Date() });
    tell(book);
    console.log(`Read back and whole. Everything written before ${header.takenAt} is in ${path}`);
  } else if (command === 'restore' && path !== null) {
    const { header, book } = await restore(database, path, CONTROL);
    tell(book);
    console.log(`Put back whole, as the book was at ${header.takenAt}. Everybody signs in anew.`);
  } else if (command === 'verify') {
    const book =
      path === null ? await verifyBook(database, CONTROL) : (await verifyBackup(path, CONTROL)).book;
    tell(book);
    if (book.faults.length > 0) process.exitCode = 1;
    else console.log('Whole: schema, references, photographs and triggers are as they ought to be.');
  } else throw new CannotKeep('usage: bin/backup FILE, bin/restore FILE, bin/verify [FILE]');
}

try {
  await run();
} catch (error) {
  const isKnown = error instanceof CannotKeep || error instanceof NotABackup || error instanceof ToolFailed;
  console.error(`✗ ${isKnown ? error.message : String(error)}`);
  process.exitCode = 1;
}
