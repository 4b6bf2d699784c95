/** MariaDB's own tools: a book out as SQL, and SQL in. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { DatabaseConfig } from '../config.ts';

/** A photograph of four megabytes is eight written in hexadecimal. */
const PACKET = '--max-allowed-packet=64M';
/** Sign-ins do not come back with a book: whoever was signed out since stays out. */
const NOT_KEPT = 'session';

/** What a tool said when it failed. */
export class ToolFailed extends Error {
  override readonly name = 'ToolFailed';
}

function start(tool: string, config: DatabaseConfig, options: readonly string[]) {
  // The password goes by the environment: the arguments of a process are everybody's to read.
  const child = spawn(
    tool,
    [
      '--no-defaults',
      `--host=${config.host}`,
      `--port=${config.port}`,
      '--protocol=tcp',
      `--user=${config.user}`,
      '--default-character-set=utf8mb4',
      PACKET,
      ...options,
    ],
    { env: { ...process.env, MYSQL_PWD: config.password }, stdio: ['pipe', 'pipe', 'pipe'] },
  );
  let complaint = '';
  child.stderr.setEncoding('utf8').on('data', (text: string) => {
    complaint += text;
  });
  const ended = once(child, 'close').then(([code]) => {
    if (code !== 0)
      throw new ToolFailed(`${tool} failed: ${complaint.trim() || `it ended with ${String(code)}`}`);
  });
  // Looked at by whoever awaits it; until then it is no accident of the process.
  ended.catch(() => undefined);
  return { child, ended };
}

/** The text of a dump, piece by piece. Throws ToolFailed when the tool does. */
async function* textOf(config: DatabaseConfig, options: readonly string[]): AsyncGenerator<Buffer> {
  const { child, ended } = start('mariadb-dump', config, [...options, config.name]);
  child.stdin.end();
  for await (const chunk of child.stdout) yield chunk as Buffer;
  await ended;
}

/**
 * The book as it stands at one moment, while it is written on: tables and rows in one snapshot, then the triggers, which say
 * nothing of who made them, so that another user of another database may load them.
 */
export async function* dump(config: DatabaseConfig): AsyncGenerator<Buffer> {
  yield* textOf(config, [
    '--single-transaction',
    '--quick',
    '--hex-blob',
    '--skip-triggers',
    '--no-tablespaces',
    `--ignore-table-data=${config.name}.${NOT_KEPT}`,
  ]);
  const triggers: Buffer[] = [];
  for await (const chunk of textOf(config, [
    '--single-transaction',
    '--no-create-info',
    '--no-data',
    '--triggers',
    '--no-tablespaces',
  ]))
    triggers.push(chunk);
  yield Buffer.from(
    Buffer.concat(triggers)
      .toString('utf8')
      .replace(/\/\*!50017 DEFINER=.*?\*\//g, ''),
  );
}

/** Runs SQL in a database. Throws ToolFailed at the first statement that fails. */
export async function load(config: DatabaseConfig, sql: Readable): Promise<void> {
  const { child, ended } = start('mariadb', config, ['--binary-mode', config.name]);
  child.stdout.resume();
  // A client that gave up closes its end; why it did is what counts.
  const sent = pipeline(sql, child.stdin).catch((error: unknown) => error);
  await ended;
  const problem = await sent;
  if (problem instanceof Error) throw problem;
}
