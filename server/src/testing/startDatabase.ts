import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Jest global setup: a private MariaDB for this run, in a folder of its own; its port goes to the tests by environment. */
module.exports = async function startDatabase(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-test-'));
  const port = await freePort();
  // Thrown away at the end; the books that a test starts itself as well.
  process.env.ZEPHYRCOMBE_DB_UNSYNCED = '1';
  execFileSync(join(__dirname, '../../../bin/database'), ['start', folder, String(port)], {
    stdio: 'inherit',
  });
  process.env.ZEPHYRCOMBE_TEST_DATABASE_FOLDER = folder;
  process.env.ZEPHYRCOMBE_TEST_DATABASE_PORT = String(port);
};

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
