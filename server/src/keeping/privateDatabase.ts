/** A MariaDB for a while, in a folder that is removed afterwards: what is read back there disturbs nobody. */
import { execFile } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { Sequelize } from 'sequelize';
import type { DatabaseConfig } from '../config.ts';

const run = promisify(execFile);

async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const { port } = probe.address() as AddressInfo;
  probe.close();
  await once(probe, 'close');
  return port;
}

/** @param control The project's `bin/database`. */
export async function withPrivateDatabase<Value>(
  control: string,
  work: (database: DatabaseConfig) => Promise<Value>,
): Promise<Value> {
  const folder = await mkdtemp(join(tmpdir(), 'zephyrcombe-'));
  const config: DatabaseConfig = {
    host: '127.0.0.1',
    port: await freePort(),
    name: 'zephyrcombe',
    user: 'zephyrcombe',
    password: randomBytes(24).toString('hex'),
    folder: null,
  };
  try {
    await run(control, ['start', folder, String(config.port)], {
      env: { ...process.env, ZEPHYRCOMBE_DB_PASSWORD: config.password, ZEPHYRCOMBE_DB_SCOPE: '*' },
    });
    return await work(config);
  } finally {
    await run(control, ['stop', folder]);
    await rm(folder, { recursive: true, force: true });
  }
}

/** Another, empty database beside the one of `config`. */
export async function createBeside(config: DatabaseConfig, name: string): Promise<DatabaseConfig> {
  const root = new Sequelize('', config.user, config.password, {
    host: config.host,
    port: config.port,
    dialect: 'mysql',
    logging: false,
  });
  await root.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  await root.close();
  return { ...config, name };
}
