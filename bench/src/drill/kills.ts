/* oxlint-disable no-console -- a command for the terminal */
/**
 * `npm run drill:kills`: the server is ended at once 60 times and the database 40 times while four people write, and what was
 * answered as written is looked for afterwards. Ends with 1 when anything is lost, doubled or torn.
 */
import { setTimeout } from 'node:timers/promises';
import { judgeBook } from './judge.ts';
import { openShop } from './shop.ts';
import { startWriters } from './writers.ts';

const SERVER_KILLS = Number(process.env.DRILL_SERVER_KILLS ?? 60);
const DATABASE_KILLS = Number(process.env.DRILL_DATABASE_KILLS ?? 40);
const PEOPLE = 4;
/** So many changes go through between two kills, and then up to so long: a kill meets a change at any point. */
const BETWEEN = 12;
const UP_TO_ms = 120;

const shop = await openShop();
const writers = startWriters(shop.address, PEOPLE);
// In turn, so that the last ones meet a book that has been through many.
const kills = Array.from({ length: SERVER_KILLS + DATABASE_KILLS }, (_none, index) =>
  Math.floor(((index + 1) * DATABASE_KILLS) / (SERVER_KILLS + DATABASE_KILLS)) >
  Math.floor((index * DATABASE_KILLS) / (SERVER_KILLS + DATABASE_KILLS))
    ? ('database' as const)
    : ('server' as const),
);
for (const [index, kill] of kills.entries()) {
  await writers.more(BETWEEN);
  await setTimeout((index * 37) % UP_TO_ms);
  if (kill === 'server') await shop.killServer();
  else shop.killDatabase();
  if ((index + 1) % 20 === 0) console.log(`${index + 1} kills, ${writers.written.length} changes answered`);
}
await writers.more(BETWEEN);
await writers.stop();
const sql = await shop.open('zephyrcombe');
const { asked, lost, doubled, torn } = await judgeBook(sql, writers.written);
await sql.end();
await shop.stop();
console.log(
  `${SERVER_KILLS} kills of the server, ${DATABASE_KILLS} of the database: ${asked} changes answered as written, ${writers.repeated()} sent more than once; ${lost} lost, ${doubled} doubled, ${torn} torn`,
);
if (lost + doubled + torn > 0) process.exitCode = 1;
