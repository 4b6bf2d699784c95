/** A server on a database of its own, with the demo shop in it and a clock that stands still until it is told. */
import { randomUUID } from 'node:crypto';
import type { JobChange, JobDetail, ProblemDetails } from '@zephyrcombe/contract';
import { withChange } from '@zephyrcombe/contract';
import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify';
import { Sequelize } from 'sequelize';
import { buildApp } from '../app.ts';
import type { Config, DatabaseConfig } from '../config.ts';
import type { Database } from '../database/database.ts';
import { openDatabase } from '../database/database.ts';
import { migrate } from '../database/migrations.ts';
import { demoId } from '../demo/identity.ts';
import { seedIfEmpty } from '../demo/seed.ts';
import { DEMO_PASSPHRASE } from '../features/sessions/session.service.ts';
import { fillLike } from './template.ts';

export interface TestServer {
  readonly app: FastifyInstance;
  readonly database: Database;
  readonly config: Config;
  /** What the clock says. */
  clock(): Date;
  /** Moves the clock on. */
  pass(milliseconds: number): void;
  /** A request as the signed-in person; `null` as nobody. What changed of a job is put into the job, as a page does. */
  ask(
    method: InjectOptions['method'] & string,
    url: string,
    body?: object,
    cookie?: string | null,
  ): Promise<LightMyRequestResponse>;
  job(key: string): Promise<JobDetail>;
  signInAs(key: string): Promise<string>;
  close(): Promise<void>;
}

function databaseConfig(
  name: string,
  port = Number(process.env.ZEPHYRCOMBE_TEST_DATABASE_PORT),
): DatabaseConfig {
  return { host: '127.0.0.1', port, name, user: 'zephyrcombe', password: 'zephyrcombe', folder: null };
}

/** A new, empty database on the test run's MariaDB. */
export async function createDatabase(port?: number): Promise<DatabaseConfig> {
  const config = databaseConfig(`test_${randomUUID().replaceAll('-', '')}`, port);
  const root = new Sequelize('', config.user, config.password, {
    host: config.host,
    port: config.port,
    dialect: 'mysql',
    logging: false,
  });
  await root.query(`CREATE DATABASE ${config.name} CHARACTER SET utf8mb4`);
  await root.close();
  return config;
}

/** 23 November 2026, ten in the morning where the server stands. */
const START = new Date(2026, 10, 23, 10).getTime();

/** As a browser says it on a page of this application; inject calls its host localhost:80. */
export const OWN_PAGE = { origin: 'http://localhost:80' } as const;
const DEMO_NAMES: Readonly<Record<string, string>> = {
  ottoline: 'Ottoline Fenn',
  brannoc: 'Brannoc Hale',
  tamsin: 'Tamsin Orrey',
};

const JOB = /^\/api\/jobs\/[^/?]+(?:\/|$)/;

export interface TestServerOptions {
  readonly port?: number;
  /** An empty book instead of the demo shop's. */
  readonly isEmpty?: boolean;
  readonly config?: Partial<Config>;
  readonly freeBytes?: () => Promise<number>;
}

export async function startTestServer({
  port,
  isEmpty = false,
  config: over = {},
  freeBytes,
}: TestServerOptions = {}): Promise<TestServer> {
  const databaseSettings = await createDatabase(port);
  const config: Config = {
    host: '127.0.0.1',
    port: 0,
    database: databaseSettings,
    secret: 'x'.repeat(40),
    signInTries: 10,
    idleHours: 12,
    signInDays: 14,
    secureCookie: false,
    trustProxy: null,
    demo: true,
    supplier: null,
    labelPrinterPort: null,
    torqueWrenchPort: null,
    webFolder: null,
    ...over,
  };
  const database = openDatabase(databaseSettings);
  let now = START;
  const dependencies = {
    config,
    database,
    clock: () => new Date(now),
    ...(freeBytes ? { freeBytes } : {}),
  };
  await fillLike(isEmpty ? 'empty' : 'demo', databaseSettings, async () => {
    await migrate(database.sequelize);
    if (!isEmpty) await seedIfEmpty(dependencies);
  });
  const app = await buildApp(dependencies);

  const signInAs = async (key: string) => {
    const reply = await app.inject({
      method: 'POST',
      url: '/api/session',
      headers: OWN_PAGE,
      payload: { name: DEMO_NAMES[key], passphrase: DEMO_PASSPHRASE },
    });
    const cookie = reply.cookies[0];
    if (!cookie) throw new Error(`Sign-in failed: ${reply.body}`);
    return `${cookie.name}=${encodeURIComponent(cookie.value)}`;
  };
  const brannoc = isEmpty ? null : await signInAs('brannoc');
  const jobs = new Map<string, JobDetail>();
  const send: TestServer['ask'] = async (method, url, body, cookie = brannoc) =>
    await app.inject({
      method: method as 'GET',
      url,
      ...(body ? { payload: body } : {}),
      headers: { ...OWN_PAGE, ...(cookie === null ? {} : { cookie }) },
    });
  // An injected request starts only when it is awaited; inside an async function it starts at once.
  const ask: TestServer['ask'] = async (method, url, body, cookie) => {
    const reply = await send(method, url, body, cookie);
    const isJson = String(reply.headers['content-type']).startsWith('application/json');
    if (reply.statusCode !== 200 || !isJson || !JOB.test(url)) return reply;
    const said = reply.json<JobDetail | JobChange>();
    if ('job' in said) jobs.set(said.job.id, said);
    if (!('changed' in said)) return reply;
    const known = jobs.get(said.jobId);
    const job =
      (known && withChange(known, said)) ??
      (await send('GET', `/api/jobs/${said.jobId}`, undefined, cookie)).json<JobDetail>();
    jobs.set(said.jobId, job);
    return Object.assign(reply, { json: () => job });
  };
  return {
    app,
    database,
    config,
    clock: () => new Date(now),
    pass: (milliseconds) => {
      now += milliseconds;
    },
    ask,
    signInAs,
    job: async (key) => (await ask('GET', `/api/jobs/${demoId(`job/${key}`)}`)).json<JobDetail>(),
    close: async () => {
      await app.close();
      await database.close();
    },
  };
}

export const problemOf = (reply: LightMyRequestResponse): ProblemDetails => reply.json();
