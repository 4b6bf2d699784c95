/** A whole Zephyrcombe for one journey: private MariaDB, server on demo data, and a page that reports its errors. */
import type { ChildProcess } from 'node:child_process';
import { execFileSync, spawn } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { test as base, expect } from '@playwright/test';
import { createConnection } from 'mysql2/promise';

const ROOT = join(import.meta.dirname, '../..');
const DATABASE = join(ROOT, 'bin/database');

/** Below the ports that the system gives to outgoing connections, so that none of these takes it meanwhile. */
async function freePort(): Promise<number> {
  const port = randomInt(20_000, 32_000);
  return new Promise((resolve) => {
    const probe = createServer();
    probe.on('error', () => resolve(freePort()));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(port)));
  });
}

export type StandIn = 'parts-supplier' | 'label-printer' | 'torque-wrench';

export class Zephyrcombe {
  private server: ChildProcess | null = null;
  private readonly standIns: ChildProcess[] = [];

  private constructor(
    private readonly folder: string,
    private readonly databasePort: number,
    private readonly port: number,
    /** Where simulated neighbours would answer, once a journey starts them. */
    private readonly neighbours: Readonly<Record<StandIn, number>>,
    private readonly isEmpty: boolean,
  ) {}

  /** On the demo shop, or on an empty book. */
  static async start({ isEmpty = false } = {}): Promise<Zephyrcombe> {
    const own = new Zephyrcombe(
      mkdtempSync(join(tmpdir(), 'zephyrcombe-e2e-')),
      await freePort(),
      await freePort(),
      {
        'parts-supplier': await freePort(),
        'label-printer': await freePort(),
        'torque-wrench': await freePort(),
      },
      isEmpty,
    );
    own.startDatabase();
    await own.startServer();
    return own;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  startDatabase(): void {
    // Thrown away at the end: nothing waits for the disk.
    const env = { ...process.env, ZEPHYRCOMBE_DB_UNSYNCED: '1' };
    execFileSync(DATABASE, ['start', this.folder, String(this.databasePort)], { env });
  }

  /** As a power cut would. */
  killDatabase(): void {
    execFileSync(DATABASE, ['kill', this.folder]);
  }

  async startServer(): Promise<void> {
    const server = spawn('npx', ['tsx', 'src/main.ts'], {
      cwd: join(ROOT, 'server'),
      detached: true,
      env: {
        ...process.env,
        ZEPHYRCOMBE_DB_PORT: String(this.databasePort),
        ZEPHYRCOMBE_PORT: String(this.port),
        ZEPHYRCOMBE_SECRET: 'an end-to-end secret that nobody else has',
        ZEPHYRCOMBE_DEMO: String(!this.isEmpty),
        // Journeys sign in far more often than people do.
        ZEPHYRCOMBE_SIGN_IN_TRIES: '1000',
        ZEPHYRCOMBE_SUPPLIER: `http://127.0.0.1:${this.neighbours['parts-supplier']}`,
        ZEPHYRCOMBE_LABEL_PRINTER_PORT: String(this.neighbours['label-printer']),
        ZEPHYRCOMBE_TORQUE_WRENCH_PORT: String(this.neighbours['torque-wrench']),
        ZEPHYRCOMBE_WEB_FOLDER: join(ROOT, 'web/dist'),
      },
    });
    this.server = server;
    let output = '';
    await new Promise<void>((resolve, reject) => {
      const read = (chunk: Buffer) => {
        output += chunk.toString();
        if (output.includes('listens on')) resolve();
      };
      server.stdout.on('data', read);
      server.stderr.on('data', read);
      server.on('exit', () => reject(new Error(`The server ended: ${output}`)));
    });
  }

  async stopServer(): Promise<void> {
    const server = this.server;
    if (!server?.pid) return;
    this.server = null;
    const gone = new Promise((resolve) => server.on('exit', resolve));
    process.kill(-server.pid, 'SIGTERM');
    await gone;
  }

  /** Looks into the database past the application. */
  async query<Row>(sql: string): Promise<readonly Row[]> {
    const connection = await createConnection({
      host: '127.0.0.1',
      port: this.databasePort,
      user: 'zephyrcombe',
      password: 'zephyrcombe',
      database: 'zephyrcombe',
      dateStrings: true,
    });
    const [rows] = await connection.query(sql);
    await connection.end();
    return rows as unknown as readonly Row[];
  }

  /** Starts a simulated neighbour of the server's; it ends with the application. */
  async startStandIn(name: StandIn, ...options: readonly string[]): Promise<void> {
    const at = ['--port', String(this.neighbours[name])];
    const child = spawn('npx', ['tsx', `src/${name}/main.ts`, ...at, ...options], {
      cwd: join(ROOT, 'stand-ins'),
      detached: true,
    });
    this.standIns.push(child);
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', () => resolve());
      child.on('exit', () => reject(new Error(`The simulated ${name} ended.`)));
    });
  }

  async stop(): Promise<void> {
    for (const { pid } of this.standIns) if (pid !== undefined) process.kill(-pid);
    await this.stopServer();
    execFileSync(DATABASE, ['stop', this.folder]);
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** What the browser complained about, without the answers a journey provokes on purpose. */
export class Complaints {
  private readonly list: string[] = [];
  private readonly allowed: RegExp[] = [];

  watch(page: Page): void {
    page.on('console', (message) => {
      if (message.type() === 'error' || message.type() === 'warning')
        this.list.push(`${page.url()} ${message.type()}: ${message.text()} (${message.location().url})`);
    });
    page.on('pageerror', (error) => this.list.push(`${page.url()} ${error.message}`));
  }

  /** Chromium reports every failed request itself; this one was meant. */
  allow(pattern: RegExp): void {
    this.allowed.push(pattern);
  }

  get all(): readonly string[] {
    return this.list.filter((line) => !this.allowed.some((pattern) => pattern.test(line)));
  }
}

export const PASSPHRASE = 'lamp oil and oilskins';

export async function signIn(page: Page, own: Zephyrcombe, name = 'Brannoc Hale'): Promise<void> {
  await page.goto(`${own.address}/sign-in`);
  await page.getByText(name).click();
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
}

interface Fixtures {
  readonly complaints: Complaints;
}
interface WorkerFixtures {
  readonly own: Zephyrcombe;
  /** Files that say something else here than others have an application that no other journey has changed. */
  readonly apart: string;
}

/** `own` is the file's own application; a page that complained fails its test. */
export const test = base.extend<Fixtures, WorkerFixtures>({
  apart: ['', { option: true, scope: 'worker' }],
  own: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads the pattern to learn what a fixture needs
    async ({}, use) => {
      const own = await Zephyrcombe.start();
      await use(own);
      await own.stop();
    },
    { scope: 'worker' },
  ],
  complaints: [
    async ({ page }, use) => {
      const complaints = new Complaints();
      complaints.watch(page);
      await use(complaints);
      expect(complaints.all).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };
