/** A book is kept by its copies: taken while it is written on, read back at once, put into an empty database. */
import { existsSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { QueryTypes } from 'sequelize';
import type { DatabaseConfig } from '../config.ts';
import { openDatabase } from '../database/database.ts';
import type { BackupHeader, RowCounts } from './backupFile.ts';
import { completeBackup, NotABackup, readBackup, sqlOf, writeBackup } from './backupFile.ts';
import { dump, load } from './dump.ts';
import { withPrivateDatabase } from './privateDatabase.ts';
import type { Soundness } from './soundness.ts';
import { judgeBook } from './soundness.ts';

/** What stands in the way, in a sentence for whoever keeps the book. */
export class CannotKeep extends Error {
  override readonly name = 'CannotKeep';
}

export interface Kept {
  readonly header: BackupHeader;
  readonly book: Soundness;
}

function requireSound({ faults }: Soundness, what: string): void {
  if (faults.length > 0) throw new CannotKeep([`${what}:`, ...faults].join('\n  '));
}

const differing = (told: RowCounts, found: RowCounts): readonly string[] =>
  [...new Set([...Object.keys(told), ...Object.keys(found)])]
    .filter((table) => told[table] !== found[table])
    .map((table) => `${table}: ${found[table] ?? 'no'} rows, ${told[table] ?? 'none'} when it was taken`);

/**
 * Copies the book into `path` while it is in use, and reads the copy back into a database of its own before it counts. Nothing
 * is left behind when it fails; what is at `path` is never written over.
 *
 * @throws CannotKeep
 */
export async function backUp(
  config: DatabaseConfig,
  path: string,
  { control, clock }: { readonly control: string; readonly clock: () => Date },
): Promise<Kept> {
  if (existsSync(path)) throw new CannotKeep(`${path} is there already; name a file that is not.`);
  const half = `${path}.unread`;
  await rm(half, { force: true });
  try {
    const header: BackupHeader = { format: 1, takenAt: clock().toISOString() };
    await writeBackup(half, header, dump(config));
    const book = await withPrivateDatabase(control, async (scratch) => {
      await load(scratch, sqlOf(half));
      return judgeBook(scratch, scratch);
    });
    requireSound(book, 'The copy was read back and is not whole');
    await completeBackup(half, book.rows);
    await readBackup(half);
    await rename(half, path);
    return { header, book };
  } catch (error) {
    await rm(half, { force: true });
    throw error;
  }
}

async function isEmpty(config: DatabaseConfig): Promise<boolean> {
  const { sequelize, close } = openDatabase(config);
  try {
    const tables = await sequelize.query(
      'SELECT 1 FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() LIMIT 1',
      { type: QueryTypes.SELECT },
    );
    return tables.length === 0;
  } finally {
    await close();
  }
}

async function emptied(config: DatabaseConfig): Promise<void> {
  const { sequelize, close } = openDatabase(config);
  try {
    await sequelize.getQueryInterface().dropAllTables();
  } finally {
    await close();
  }
}

/**
 * Puts a backup into an empty database and judges it there. A database that holds anything is not touched; one that the
 * backup did not fit into is empty again.
 *
 * @throws CannotKeep, NotABackup
 */
export async function restore(config: DatabaseConfig, path: string, control: string): Promise<Kept> {
  const { rows, ...header } = await read(path);
  if (!(await isEmpty(config)))
    throw new CannotKeep(
      `The database ${config.name} is not empty. A backup goes into an empty one: nothing was changed.`,
    );
  try {
    await load(config, sqlOf(path));
    const book = await withPrivateDatabase(control, (scratch) => judgeBook(config, scratch));
    requireSound(
      { ...book, faults: [...book.faults, ...differing(rows, book.rows)] },
      'The book was put back and is not whole; the database is empty again',
    );
    return { header, book };
  } catch (error) {
    await emptied(config);
    throw error;
  }
}

/** Reads a backup into a database of its own and judges it, the shop's book left alone. */
export async function verifyBackup(path: string, control: string): Promise<Kept> {
  const { rows, ...header } = await read(path);
  const book = await withPrivateDatabase(control, async (scratch) => {
    await load(scratch, sqlOf(path));
    return judgeBook(scratch, scratch);
  });
  return { header, book: { ...book, faults: [...book.faults, ...differing(rows, book.rows)] } };
}

/** Judges the book in use. */
export const verifyBook = (config: DatabaseConfig, control: string): Promise<Soundness> =>
  withPrivateDatabase(control, (scratch) => judgeBook(config, scratch));

async function read(path: string) {
  if (!existsSync(path)) throw new NotABackup(`There is no file ${path}.`);
  return readBackup(path);
}
