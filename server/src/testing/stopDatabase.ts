import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';

/** Jest global teardown: stops what the setup started and removes its folder. */
module.exports = function stopDatabase(): void {
  const folder = process.env.ZEPHYRCOMBE_TEST_DATABASE_FOLDER;
  if (!folder) return;
  execFileSync(join(__dirname, '../../../bin/database'), ['stop', folder], { stdio: 'inherit' });
  rmSync(folder, { recursive: true, force: true });
};
