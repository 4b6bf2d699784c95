/* oxlint-disable no-console -- a command for the terminal */
/**
 * `npm run drill:backups`: ten backups while four people write; each is put back into an empty database, and all that was
 * answered as written before its stamp is looked for there. Ends with 1 when anything is missing, doubled or torn.
 */
import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { ROOT } from '../server/ownServer.ts';
import { judgeBook } from './judge.ts';
import { openShop } from './shop.ts';
import { startWriters } from './writers.ts';

const BACKUPS = Number(process.env.DRILL_BACKUPS ?? 10);
const PEOPLE = 4;
const run = promisify(execFile);

const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-backups-'));
const shop = await openShop();
const on = (name: string) => ({
  ...process.env,
  ZEPHYRCOMBE_DB_HOST: '127.0.0.1',
  ZEPHYRCOMBE_DB_PORT: String(shop.databasePort),
  ZEPHYRCOMBE_DB_NAME: name,
});
const writers = startWriters(shop.address, PEOPLE);
let bad = 0;
for (let index = 0; index < BACKUPS; index += 1) {
  await writers.more(60);
  const path = join(folder, `${index}.sql.gz`);
  const [before, from] = [writers.written.length, performance.now()];
  const { stdout } = await run(join(ROOT, 'bin/backup'), [path], { env: on('zephyrcombe') });
  const took_s = (performance.now() - from) / 1000;
  const meanwhile = writers.written.length - before;
  const stamp = /before (\S+) is in/.exec(stdout)?.[1];
  if (stamp === undefined) throw new Error(stdout);
  const name = `drill_${index}`;
  const root = await shop.open('');
  await root.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  await root.end();
  await run(join(ROOT, 'bin/restore'), [path], { env: on(name) });
  const sql = await shop.open(name);
  const until = writers.written.filter(({ at_ms }) => at_ms < Date.parse(stamp));
  const { asked, lost, doubled, torn } = await judgeBook(sql, until);
  await sql.end();
  bad += lost + doubled + torn;
  console.log(
    `backup ${index + 1}: ${took_s.toFixed(1)} s with reading back, ${meanwhile} changes written meanwhile; of ${asked} before its stamp ${lost} lost, ${doubled} doubled, ${torn} torn`,
  );
}
await writers.stop();
await shop.stop();
rmSync(folder, { recursive: true });
if (bad > 0) process.exitCode = 1;
