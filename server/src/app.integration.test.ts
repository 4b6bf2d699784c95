import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROUTES } from '@zephyrcombe/contract';
import { demoId } from './demo/identity.ts';
import { readConfig } from './config.ts';
import type { TestServer } from './testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

describe('requests that cannot be answered', () => {
  test('a malformed body is told apart from a wrong one', async () => {
    const malformed = await server.app.inject({
      method: 'POST',
      url: '/api/session',
      payload: '{"name":',
      headers: { ...OWN_PAGE, 'content-type': 'application/json' },
    });
    expect(malformed.headers['content-type']).toContain('application/problem+json');
    expect(problemOf(malformed)).toMatchObject({
      status: 400,
      code: 'malformed-body',
      type: '/problems/malformed-body',
    });
    const wrong = await server.ask('POST', '/api/session', { name: '  ' });
    expect(problemOf(wrong).errors?.map((issue) => issue.field)).toEqual(['name', 'passphrase']);
  });

  test('a body that is not JSON, or far too large, is refused', async () => {
    const xml = await server.app.inject({
      method: 'POST',
      url: '/api/session',
      payload: '<a/>',
      headers: { ...OWN_PAGE, 'content-type': 'text/xml' },
    });
    expect(problemOf(xml)).toMatchObject({ status: 415 });
    const large = await server.ask('POST', '/api/session', {
      name: 'Brannoc Hale',
      passphrase: 'x'.repeat(1_200_000),
    });
    expect(problemOf(large)).toMatchObject({ status: 413, code: 'too-large' });
  });

  test('fields nobody asked for are named', async () => {
    const reply = await server.ask('POST', '/api/session', {
      name: 'Brannoc Hale',
      passphrase: 'x',
      admin: true,
    });
    expect(problemOf(reply).errors?.[0]?.message).toContain('admin');
  });

  test('addresses that lead nowhere are 404', async () => {
    expect((await server.ask('GET', '/api/nothing')).statusCode).toBe(404);
    expect((await server.ask('GET', `/api/jobs/${demoId('no such job')}`)).statusCode).toBe(404);
    expect(problemOf(await server.ask('GET', '/api/jobs/not-an-id')).errors?.[0]?.field).toBe('jobId');
    expect(problemOf(await server.ask('GET', '/api/jobs?after=garbage')).errors?.[0]?.field).toBe('after');
  });
});

describe('signing in', () => {
  test('a wrong passphrase and an unknown person get the same answer', async () => {
    const wrong = await server.ask('POST', '/api/session', {
      name: 'Tamsin Orrey',
      passphrase: 'guess',
    });
    const unknown = await server.ask('POST', '/api/session', {
      name: 'Nobody At All',
      passphrase: 'guess',
    });
    expect(problemOf(wrong)).toMatchObject({ status: 401, code: 'wrong-passphrase' });
    expect(problemOf(unknown).code).toBe('wrong-passphrase');
  });
});

describe('a stale edit', () => {
  test('gets 409 with the row as it is now, and goes through with its version', async () => {
    const job = await server.job('wick-front');
    const hose = job.hoses[0];
    const url = `/api/jobs/${job.job.id}/hoses/${hose?.hoseId}`;
    expect((await server.ask('PATCH', url, { version: 0, clocking_rad: 0.5 })).statusCode).toBe(200);
    const stale = await server.ask('PATCH', url, { version: 0, clocking_rad: 1 });
    expect(problemOf(stale)).toMatchObject({
      status: 409,
      code: 'stale-write',
      current: { clocking_rad: 0.5, version: 1 },
    });
    expect((await server.ask('PATCH', url, { version: 1, clocking_rad: 1 })).statusCode).toBe(200);
    const jobStale = await server.ask('PATCH', `/api/jobs/${job.job.id}`, { version: 7, reason: 'x' });
    expect(problemOf(jobStale)).toMatchObject({ code: 'stale-write', current: { version: 0 } });
  });
});

describe('lists', () => {
  test('jobs come a page at a time without gap or repeat', async () => {
    const seen: string[] = [];
    let after = '';
    for (let page = 0; page < 9; page += 1) {
      const reply = (await server.ask('GET', `/api/jobs?limit=1${after}`)).json<{
        items: { id: string }[];
        next: string | null;
      }>();
      seen.push(...reply.items.map((job) => job.id));
      if (reply.next === null) break;
      after = `&after=${reply.next}`;
    }
    expect(seen).toHaveLength(5);
    expect(new Set(seen).size).toBe(5);
  });

  test('the demo has open jobs at different stages and one finished', async () => {
    const { items } = (await server.ask('GET', '/api/jobs')).json<{
      items: { status: string; next: string }[];
    }>();
    expect(items.map(({ status, next }) => `${status} ${next}`).sort()).toEqual([
      'finished hand-over',
      'open fit',
      'open look-over',
      'open look-over',
      'open measure',
    ]);
  });

  test('six vehicles have past services and the most urgent is first', async () => {
    const vehicles = (await server.ask('GET', '/api/vehicles')).json<{
      items: { id: string; name: string }[];
    }>();
    expect(vehicles.items).toHaveLength(6);
    for (const vehicle of vehicles.items) {
      const detail = (await server.ask('GET', `/api/vehicles/${vehicle.id}`)).json<{ services: unknown[] }>();
      expect(detail.services.length).toBeGreaterThan(0);
    }
    const due = (await server.ask('GET', '/api/due')).json<{
      items: { vehicleName: string; state: string }[];
    }>();
    expect(due.items[0]).toMatchObject({ vehicleName: 'Wick 200 shore bike', state: 'overdue' });
  });
});

test('the OpenAPI file in docs/formats is what the contract says (npm run formats writes it)', async () => {
  const live = (await server.ask('GET', '/api/openapi.json')).json<unknown>();
  expect(JSON.parse(readFileSync(join(__dirname, '../../docs/formats/openapi.json'), 'utf8'))).toEqual(live);
});

test('OpenAPI is generated from the contract: every route is in it', async () => {
  const openapi = (await server.ask('GET', '/api/openapi.json')).json<{
    paths: Record<string, Record<string, { operationId: string }>>;
  }>();
  for (const [name, route] of Object.entries(ROUTES)) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    expect(openapi.paths[path]?.[route.method.toLowerCase()]?.operationId).toBe(name);
  }
});

describe('the database goes away', () => {
  const control = join(__dirname, '../../bin/database');
  const freePort = () =>
    new Promise<number>((resolve) => {
      const probe = createServer().listen(0, '127.0.0.1', () => {
        const address = probe.address();
        probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
      });
    });

  test('in the middle of a request: a clear answer, and the same request works once it is back', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'zephyrcombe-away-'));
    const port = await freePort();
    execFileSync(control, ['start', folder, String(port)]);
    const own = await startTestServer({ port });
    const job = await own.job('wick-front');
    const url = `/api/jobs/${job.job.id}`;
    const body = { version: 0, reason: 'Written through a power cut' };

    // The job's row is held, so that the request is waiting inside the database when it dies.
    const holder = await own.database.sequelize.transaction();
    await own.database.models.Job.findByPk(job.job.id, { transaction: holder, lock: holder.LOCK.UPDATE });
    const waiting = own.ask('PATCH', url, body);
    const holds = async () => {
      const [rows] = await own.database.sequelize.query(
        `SELECT COUNT(*) AS waiting FROM information_schema.processlist WHERE info LIKE '%FOR UPDATE%' AND id <> CONNECTION_ID()`,
      );
      return Number((rows as { waiting: number }[])[0]?.waiting) > 0;
    };
    let polls = 0;
    while (!(await holds())) expect((polls += 1)).toBeLessThan(5000);
    execFileSync(control, ['kill', folder]);
    const lost = await waiting;
    expect(problemOf(lost)).toMatchObject({ status: 503, code: 'database-unavailable' });
    expect(lost.headers['retry-after']).toBe('3');
    expect(problemOf(await own.ask('PATCH', url, body)).code).toBe('database-unavailable');

    execFileSync(control, ['start', folder, String(port)]);
    const retried = await own.ask('PATCH', url, body);
    expect(retried.statusCode).toBe(200);
    await own.close();
    execFileSync(control, ['stop', folder]);
    rmSync(folder, { recursive: true });
  }, 60_000);
});

describe('configuration', () => {
  test('names the variable that is missing or wrong', () => {
    expect(() => readConfig({})).toThrow('secret');
    expect(() => readConfig({ ZEPHYRCOMBE_SECRET: 'short' })).toThrow('ZEPHYRCOMBE_SECRET');
    expect(() => readConfig({ ZEPHYRCOMBE_SECRET: 'x'.repeat(32), ZEPHYRCOMBE_PORT: 'many' })).toThrow(
      'port',
    );
    expect(
      readConfig({ ZEPHYRCOMBE_SECRET: 'x'.repeat(32), ZEPHYRCOMBE_DB_HOST: 'db.shop' }).database.host,
    ).toBe('db.shop');
  });
});
