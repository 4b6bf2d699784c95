/** A server on a database of its own, in a folder that is removed afterwards. */
import type { ChildProcess } from 'node:child_process';
import { execFileSync, fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Connection } from 'mysql2/promise';
import { createConnection } from 'mysql2/promise';
import type { LoopReading } from './probe.ts';

export const ROOT = join(import.meta.dirname, '../../..');
export const DATABASE = join(ROOT, 'bin/database');

export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const address = probe.address();
  probe.close();
  await once(probe, 'close');
  return typeof address === 'object' && address !== null ? address.port : 0;
}

export interface OwnServer {
  readonly address: string;
  readonly sql: Connection;
  /** How late the server's event loop came since it was last asked. */
  loop(): Promise<LoopReading>;
  stop(): Promise<void>;
}

/** On the demo shop's book. */
export async function startOwnServer(): Promise<OwnServer> {
  const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-bench-'));
  const [databasePort, port] = [await freePort(), await freePort()];
  execFileSync(DATABASE, ['start', folder, String(databasePort)], { stdio: 'inherit' });
  const server = fork(join(ROOT, 'server/src/main.ts'), {
    execArgv: ['--import', 'tsx', '--import', join(import.meta.dirname, 'probe.ts')],
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    env: {
      ...process.env,
      ZEPHYRCOMBE_DB_PORT: String(databasePort),
      ZEPHYRCOMBE_PORT: String(port),
      ZEPHYRCOMBE_SECRET: 'a secret of a benchmark that nobody else has',
      ZEPHYRCOMBE_DEMO: 'true',
    },
  });
  await untilItListens(server);
  const sql = await createConnection({
    host: '127.0.0.1',
    port: databasePort,
    user: 'zephyrcombe',
    password: 'zephyrcombe',
    database: 'zephyrcombe',
    multipleStatements: true,
  });
  return {
    address: `http://127.0.0.1:${port}`,
    sql,
    async loop() {
      server.send('read');
      const [reading] = (await once(server, 'message')) as [LoopReading];
      return reading;
    },
    async stop() {
      await sql.end();
      server.kill('SIGTERM');
      await once(server, 'exit');
      execFileSync(DATABASE, ['stop', folder]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

export async function untilItListens(server: ChildProcess): Promise<void> {
  let said = '';
  await new Promise<void>((resolve, reject) => {
    server.stdout?.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.includes('listens on')) resolve();
    });
    server.on('exit', () => reject(new Error(`The server ended: ${said}`)));
  });
}
