/** The same change sent twice, because the first answer was lost, is written once and answered alike. */
import { randomUUID } from 'node:crypto';
import type {
  JobChange,
  LogEntry,
  Person,
  PersonRecord,
  SavedCorner,
  Shop,
  StockItem,
  VehicleDetail,
  Wrench,
} from '@zephyrcombe/contract';
import { ACTED_AT, hydraulicsOf, renumber } from '@zephyrcombe/contract';
import { demoId } from './demo/identity.ts';
import { MOTORCYCLE } from './testing/samples.ts';
import type { TestServer } from './testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
let brannoc: string;
beforeEach(async () => {
  server = await startTestServer();
  brannoc = await server.signInAs('brannoc');
});
afterEach(() => server.close());

const JOB = `/api/jobs/${demoId('job/wick-front')}`;
const send = (
  url: string,
  payload: object | undefined,
  key?: string,
  cookie = brannoc,
  method: 'PATCH' | 'POST' | 'PUT' | 'DELETE' = 'PATCH',
) =>
  server.app.inject({
    method,
    url,
    ...(payload ? { payload } : {}),
    headers: { ...OWN_PAGE, cookie, ...(key === undefined ? {} : { 'idempotency-key': key }) },
  });
const lines = (kind: string) =>
  server.database.models.LogEntry.count({ where: { jobId: demoId('job/wick-front'), kind } });

test('a job’s title under one key: one version, one line in the log, the same answer', async () => {
  const { version } = (await server.job('wick-front')).job;
  const key = randomUUID();
  const body = { version, title: 'Sent twice', handoverChecks: { stopLamp: true } };
  const [first, second] = await Promise.all([send(JOB, body, key), send(JOB, body, key)]);
  const third = await send(JOB, body, key.toUpperCase());
  const stamps = [first, second, third].map((reply) => reply.json<JobChange>().stamp);
  const after = await server.job('wick-front');
  expect(after.job).toMatchObject({ title: 'Sent twice', version: version + 1 });
  expect(stamps).toEqual([after.stamp, after.stamp, after.stamp]);
  expect(await lines('handoverChecked')).toBe(1);
});

test('without a key, under another, or of somebody else it is a change of its own', async () => {
  const { version } = (await server.job('wick-front')).job;
  const key = randomUUID();
  const body = { version, title: 'Sent once' };
  expect((await send(JOB, body, key)).statusCode).toBe(200);
  const lead = await server.signInAs('ottoline');
  for (const reply of [
    await send(JOB, body),
    await send(JOB, body, randomUUID()),
    await send(JOB, body, key, lead),
  ])
    expect(problemOf(reply).code).toBe('stale-write');
});

test('another change under a key that was used is refused, not answered as if it were written', async () => {
  const { version } = (await server.job('wick-front')).job;
  const key = randomUUID();
  expect((await send(JOB, { version, title: 'First' }, key)).statusCode).toBe(200);
  const other = await send(JOB, { version: version + 1, title: 'Second' }, key);
  expect(problemOf(other)).toMatchObject({ status: 422, code: 'key-taken' });
  const elsewhere = `/api/jobs/${demoId('job/petrelle-bars')}`;
  expect(problemOf(await send(elsewhere, { version, title: 'First' }, key)).code).toBe('key-taken');
  expect((await server.job('wick-front')).job.title).toBe('First');
});

test('a key of a change that was refused is free for the one that is right; a key that is none is refused', async () => {
  const { version } = (await server.job('wick-front')).job;
  const key = randomUUID();
  expect(problemOf(await send(JOB, { version: version + 7, title: 'Too late' }, key)).code).toBe(
    'stale-write',
  );
  expect((await send(JOB, { version, title: 'In time' }, key)).json<JobChange>().changed.job?.title).toBe(
    'In time',
  );
  expect(problemOf(await send(JOB, { version: version + 1, title: 'No key' }, 'again')).status).toBe(400);
});

test('a job that is given up, and a vehicle that is changed, answer the second time as the first', async () => {
  const { version } = (await server.job('wick-front')).job;
  const key = randomUUID();
  const body = { version, because: 'The customer sold it' };
  const replies = [
    await send(`${JOB}/abandon`, body, key, brannoc, 'POST'),
    await send(`${JOB}/abandon`, body, key, brannoc, 'POST'),
  ];
  const after = await server.job('wick-front');
  expect(after.job.status).toBe('abandoned');
  expect(replies.map((reply) => reply.json<JobChange>().stamp)).toEqual([after.stamp, after.stamp]);
  expect(await lines('abandoned')).toBe(1);
  expect(problemOf(await send(`${JOB}/abandon`, body, undefined, brannoc, 'POST')).code).toBe(
    'job-abandoned',
  );

  const vehicle = `/api/vehicles/${demoId('gannet')}`;
  const known = (await server.ask('GET', vehicle)).json<VehicleDetail>().vehicle;
  const plate = { version: known.version, plate: 'SKR 99' };
  const again = randomUUID();
  for (const reply of [await send(vehicle, plate, again), await send(vehicle, plate, again)])
    expect(reply.json<VehicleDetail>().vehicle).toMatchObject({
      plate: 'SKR 99',
      version: known.version + 1,
    });
  expect(problemOf(await send(vehicle, plate)).code).toBe('stale-write');
});

describe('what belongs to no job', () => {
  const WICK = `/api/vehicles/${demoId('wick')}`;
  const list = async <Item>(url: string, cookie?: string) =>
    (await server.ask('GET', url, undefined, cookie)).json<{ items: Item[] }>().items;
  type Change = readonly ['PATCH' | 'PUT' | 'DELETE', string, object | undefined];

  /** Each as its page sends it, on the version that the page knows. */
  const CHANGES: Readonly<Record<string, (lead: string) => Promise<Change>>> = {
    'the shop’s settings': async () => {
      const { version } = (await server.ask('GET', '/api/shop')).json<Shop>();
      return ['PATCH', '/api/shop', { version, phone: '01 23 45' }];
    },
    'a person’s name': async (lead) => {
      const tamsin = (await list<PersonRecord>('/api/people', lead)).find(({ name }) =>
        name.startsWith('Tam'),
      );
      return ['PATCH', `/api/people/${tamsin?.id}`, { version: tamsin?.version, name: 'Tamsin O.' }];
    },
    'one’s own units': async (lead) => {
      const { person } = (await server.ask('GET', '/api/session', undefined, lead)).json<{
        person: Person;
      }>();
      return ['PUT', '/api/me/units', { version: person.version, units: { ...person.units, length: 'in' } }];
    },
    'a wrench’s range': async () => {
      const [wrench] = await list<Wrench>('/api/wrenches');
      return [
        'PATCH',
        `/api/wrenches/${wrench?.id}`,
        { version: wrench?.version, maximum_Nm: (wrench?.maximum_Nm ?? 0) + 1 },
      ];
    },
    'what lies on the shelf': async () => {
      const first = { key: 'washer/M10', onHand: 40, version: null };
      const { version } = (await server.ask('PUT', '/api/shop/stock', first)).json<StockItem>();
      return ['PUT', '/api/shop/stock', { ...first, onHand: 7, version }];
    },
    'a first count': () =>
      Promise.resolve(['PUT', '/api/shop/stock', { key: 'bolt/M10x1.0/single', onHand: 3, version: null }]),
    'a corner': async () => {
      const [corner] = await list<SavedCorner>(`${WICK}/corners`);
      return ['PUT', `${WICK}/corners/${corner?.id}`, { version: corner?.version, corner: corner?.corner }];
    },
    'a corner that goes': async () => {
      const [corner] = await list<SavedCorner>(`${WICK}/corners`);
      return ['DELETE', `${WICK}/corners/${corner?.id}`, undefined];
    },
    'a circuit that goes': async () => {
      const vehicleId = await entered();
      const known = (await server.ask('GET', WICK)).json<VehicleDetail>().circuits.map(hydraulicsOf);
      const circuits = known.map((circuit) => renumber(circuit, () => randomUUID()));
      const added = { id: randomUUID(), circuits };
      expect((await server.ask('POST', `/api/vehicles/${vehicleId}/circuits`, added)).statusCode).toBe(200);
      return ['DELETE', `/api/vehicles/${vehicleId}/circuits/${added.id}`, undefined];
    },
    'a vehicle that goes': async () => ['DELETE', `/api/vehicles/${await entered()}`, undefined],
  };
  async function entered(): Promise<string> {
    const id = randomUUID();
    expect(
      (
        await server.ask('POST', '/api/vehicles', {
          id,
          vehicle: { name: 'Sent twice', ...MOTORCYCLE },
          circuits: [],
        })
      ).statusCode,
    ).toBe(200);
    return id;
  }

  test.each(Object.keys(CHANGES))(
    '%s: twice at once and once more, one change and the same answer',
    async (what) => {
      const lead = await server.signInAs('ottoline');
      const [method, url, body] = (await CHANGES[what]?.(lead)) ?? ['PATCH', '', {}];
      const key = randomUUID();
      const again = () => send(url, body, key, lead, method);
      const replies = [...(await Promise.all([again(), again()])), await again()];
      expect(replies.map(({ statusCode }) => statusCode)).toEqual([200, 200, 200]);
      expect(new Set(replies.map((reply) => reply.body)).size).toBe(1);
      const other = await send(url, body, randomUUID(), lead, method);
      expect([404, 409]).toContain(other.statusCode);
    },
  );

  test('a new passphrase sent twice does not sign out who came in with it meanwhile', async () => {
    const lead = await server.signInAs('ottoline');
    const tamsin = (await list<PersonRecord>('/api/people', lead)).find(({ name }) => name.startsWith('Tam'));
    const url = `/api/people/${tamsin?.id}/passphrase`;
    const key = randomUUID();
    // The demo's own, so that the helper below knows it.
    const body = { passphrase: 'lamp oil and oilskins' };
    expect((await send(url, body, key, lead, 'PUT')).statusCode).toBe(200);
    const cookie = await server.signInAs('tamsin');
    expect((await send(url, body, key, lead, 'PUT')).statusCode).toBe(200);
    expect((await server.ask('GET', '/api/jobs', undefined, cookie)).statusCode).toBe(200);
    expect((await send(url, body, randomUUID(), lead, 'PUT')).statusCode).toBe(200);
    expect((await server.ask('GET', '/api/jobs', undefined, cookie)).statusCode).toBe(401);
  });
});

test('the log says when it was done by the clock of who did it, when it came, and of which request', async () => {
  // The clock of this server stands still.
  const now = server.clock();
  const seen = async (told: string | undefined, key = randomUUID()) => {
    const { version } = (await server.job('wick-front')).job;
    const reply = await server.app.inject({
      method: 'PATCH',
      url: JOB,
      payload: { version, handoverChecks: { stopLamp: version % 2 === 0 } },
      headers: {
        ...OWN_PAGE,
        cookie: brannoc,
        'idempotency-key': key,
        ...(told === undefined ? {} : { [ACTED_AT]: told }),
      },
    });
    expect(reply.statusCode).toBe(200);
    const { items } = (await server.ask('GET', `${JOB}/log?limit=100`)).json<{ items: LogEntry[] }>();
    const last = items.at(-1);
    expect(last).toMatchObject({ kind: 'handoverChecked', receivedAt: now.toISOString(), sentId: key });
    return now.getTime() - Date.parse(last?.at ?? '');
  };
  const before = (ms: number) => new Date(now.getTime() - ms).toISOString();
  expect(await seen(before(12 * 60_000))).toBe(12 * 60_000);
  expect(await seen(undefined)).toBe(0);
  // A clock that is a little ahead is told as now; a time that cannot be is not believed.
  expect(await seen(before(-30_000))).toBe(0);
  for (const wrong of [before(-3_600_000), before(72 * 3_600_000), 'yesterday', '2026-11-23', ''])
    expect(await seen(wrong)).toBe(0);
});

test('a line of before that was kept without them is read as it is', async () => {
  await server.database.sequelize.query(
    `INSERT INTO log_entry (id, jobId, at, \`by\`, kind, detail) VALUES (?, ?, '2024-05-01 10:00:00.000', 'Before', 'torqued', ?)`,
    { replacements: [randomUUID(), demoId('job/wick-front'), JSON.stringify({ torque_Nm: 'much' })] },
  );
  const { items } = (await server.ask('GET', `${JOB}/log?limit=100`)).json<{ items: LogEntry[] }>();
  expect(items.at(-1)).toMatchObject({ by: 'Before', receivedAt: null, sentId: null });
});
