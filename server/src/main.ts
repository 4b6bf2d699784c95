/* oxlint-disable no-console -- the one place that talks to the terminal */
import { AccessDeniedError } from 'sequelize';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import type { Database } from './database/database.ts';
import { openDatabase } from './database/database.ts';
import { isDatabaseAway } from './database/failures.ts';
import { freeBytesOf } from './database/room.ts';
import { migrate } from './database/migrations.ts';
import { seedIfEmpty } from './demo/seed.ts';

const BETWEEN_TRIES_ms = 1000;

/** A database that starts later than the server is waited for. Wrong credentials are not: they do not mend themselves. */
async function untilThere({ sequelize }: Database): Promise<void> {
  for (let told = false; ; told = true) {
    try {
      await sequelize.authenticate();
      return;
    } catch (error) {
      if (!isDatabaseAway(error) || error instanceof AccessDeniedError) throw error;
      if (!told) console.log('Waiting for the database.');
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_TRIES_ms));
    }
  }
}

const config = readConfig(process.env);
const database = openDatabase(config.database);
await untilThere(database);
const ran = await migrate(database.sequelize);
if (ran.length > 0) console.log(`Migrations run: ${ran.join(', ')}`);
const { folder } = config.database;
const dependencies = {
  config,
  database,
  clock: () => new Date(),
  ...(folder === null ? {} : { freeBytes: () => freeBytesOf(folder) }),
};
if (config.demo && (await seedIfEmpty(dependencies))) console.log('Demo shop written.');

const app = await buildApp(dependencies, {
  log: process.stdout,
  logsRequests: process.env.ZEPHYRCOMBE_LOG === 'true',
});
const address = await app.listen({ host: config.host, port: config.port });
console.log(`Zephyrcombe listens on ${address}`);

async function stop(): Promise<void> {
  await app.close();
  await database.close();
  process.exit(0);
}
process.once('SIGINT', () => void stop());
process.once('SIGTERM', () => void stop());
