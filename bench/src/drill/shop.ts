/** A server on a database of its own that can be ended at once, either of the two, and started again on the same book. */
import type { ChildProcess } from 'node:child_process';
import { execFileSync, fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Connection } from 'mysql2/promise';
import { createConnection } from 'mysql2/promise';
import { DATABASE, freePort, ROOT, untilItListens } from '../server/ownServer.ts';

export interface Shop {
  readonly address: string;
  readonly databasePort: number;
  /** A connection of the drill's own to a database of this server. */
  open(name: string): Promise<Connection>;
  killServer(): Promise<void>;
  killDatabase(): void;
  stop(): Promise<void>;
}

export async function openShop(): Promise<Shop> {
  const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-drill-'));
  const databasePort = await freePort();
  const port = await freePort();
  const startDatabase = () =>
    execFileSync(DATABASE, ['start', folder, String(databasePort)], { stdio: 'inherit' });
  startDatabase();
  const start = async (): Promise<ChildProcess> => {
    const server = fork(join(ROOT, 'server/src/main.ts'), {
      execArgv: ['--import', 'tsx'],
      stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
      env: {
        ...process.env,
        ZEPHYRCOMBE_DB_PORT: String(databasePort),
        ZEPHYRCOMBE_PORT: String(port),
        ZEPHYRCOMBE_SECRET: 'a secret of a drill that nobody else has',
        ZEPHYRCOMBE_DEMO: 'true',
      },
    });
    await untilItListens(server);
    return server;
  };
  let server = await start();
  return {
    address: `http://127.0.0.1:${port}`,
    databasePort,
    open: (name) =>
      createConnection({
        host: '127.0.0.1',
        port: databasePort,
        user: 'zephyrcombe',
        password: 'zephyrcombe',
        ...(name === '' ? {} : { database: name }),
      }),
    async killServer() {
      server.kill('SIGKILL');
      await once(server, 'exit');
      server = await start();
    },
    killDatabase() {
      execFileSync(DATABASE, ['kill', folder]);
      startDatabase();
    },
    async stop() {
      server.kill('SIGTERM');
      await once(server, 'exit');
      execFileSync(DATABASE, ['stop', folder]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
