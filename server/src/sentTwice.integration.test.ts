/** The same change sent twice, because the first answer was lost, is written once and answered alike. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, VehicleDetail } from '@zephyrcombe/contract';
import { demoId } from './demo/identity.ts';
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
  payload: object,
  key?: string,
  cookie = brannoc,
  method: 'PATCH' | 'POST' = 'PATCH',
) =>
  server.app.inject({
    method,
    url,
    payload,
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
  for (const reply of [first, second, third])
    expect(reply.json<JobDetail>().job).toMatchObject({ title: 'Sent twice', version: version + 1 });
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
  expect((await send(JOB, { version, title: 'In time' }, key)).json<JobDetail>().job.title).toBe('In time');
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
  expect(replies.map((reply) => reply.json<JobDetail>().job.status)).toEqual(['abandoned', 'abandoned']);
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
