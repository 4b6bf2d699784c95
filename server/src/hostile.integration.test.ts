/** What a client may get wrong, by slip or on purpose: each is told, and none is a fault of ours. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobDetail, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf, nipplesOf, photoAddress, vehicleEntryOf } from '@zephyrcombe/contract';
import { demoId } from './demo/identity.ts';
import { tubeReading } from './testing/samples.ts';
import type { TestServer } from './testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  const webFolder = mkdtempSync(join(tmpdir(), 'zephyrcombe-web-'));
  writeFileSync(join(webFolder, 'index.html'), '<!doctype html><title>page</title>');
  server = await startTestServer({ config: { webFolder } });
});
afterAll(() => server.close());

const WICK = demoId('wick');
const FRONT = demoId('wick/front/circuit');
const HOSE = demoId('wick/front/hose');
const start = (over: object = {}) =>
  server.ask('POST', '/api/jobs', {
    id: randomUUID(),
    vehicleId: WICK,
    circuitIds: [FRONT],
    title: 'Front hose',
    reason: '',
    hoseIds: [HOSE],
    ...over,
  });
const reading = (over: object = {}) => tubeReading(HOSE, 0.928, over);

describe('text', () => {
  test.each([
    ['half a surrogate pair', 'Front \ud800 hose'],
    ['a NUL', 'Front\u0000hose'],
    ['an escape', 'Front \u001b[2J hose'],
    ['a word turned round', 'Front \u202eesoh'],
    ['nothing but spaces without width', '\u200b\u200b\ufeff'],
    ['nothing but a filler', '\u3164'],
  ])('%s is refused as a title, at its field', async (_what, title) => {
    expect(problemOf(await start({ title }))).toMatchObject({
      status: 400,
      code: 'validation-failed',
      errors: [{ field: 'title' }],
    });
  });

  test('a title is one line, in one form of its letters; joiners that a script needs stay', async () => {
    const title = async (text: string) => (await start({ title: text })).json<JobDetail>().job.title;
    expect(await title('  Front\r\nhose\tagain ')).toBe('Front hose again');
    expect(await title('Ko\u0308nig')).toBe('K\u00f6nig');
    expect(await title('نمی\u200cخواهم')).toBe('نمی\u200cخواهم');
    expect(await title('Łódź Ωμέγα Привет 🛠')).toBe('Łódź Ωμέγα Привет 🛠');
  });

  test('a note keeps its lines and nothing else that does not print', async () => {
    const noted = (await start({ reason: 'One\r\ntwo\n\tthree' })).json<JobDetail>();
    expect(noted.job.reason).toBe('One\ntwo\n\tthree');
    expect(problemOf(await start({ reason: 'One\u0007two' })).errors).toMatchObject([{ field: 'reason' }]);
  });
});

describe('ids', () => {
  test('are the same in capitals', async () => {
    const job = (await start()).json<JobDetail>().job.id;
    const own = reading();
    await server.ask('POST', `/api/jobs/${job}/readings`, own);
    const again = await server.ask('POST', `/api/jobs/${job.toUpperCase()}/readings`, {
      ...own,
      id: own.id.toUpperCase(),
      hoseId: HOSE.toUpperCase(),
    });
    expect(again.json<JobDetail>().readings).toHaveLength(1);
    const [nipple] = nipplesOf(await server.job('wick-front'));
    const stroke = { id: randomUUID(), kind: 'stroke' };
    await server.ask('POST', `/api/jobs/${job}/nipples/${nipple?.id}/events`, stroke);
    const upper = { ...stroke, id: stroke.id.toUpperCase() };
    const url = `/api/jobs/${job}/nipples/${nipple?.id.toUpperCase()}/events`;
    expect((await server.ask('POST', url, upper)).statusCode).toBe(200);
    const after = (await server.ask('GET', `/api/jobs/${job}`)).json<JobDetail>();
    expect(after.bleedRuns.flatMap(({ events }) => events)).toHaveLength(1);
  });

  test('of a record in another job is told, and nothing is taken over', async () => {
    const [one, two] = [(await start()).json<JobDetail>(), (await start()).json<JobDetail>()];
    const own = reading();
    await server.ask('POST', `/api/jobs/${one.job.id}/readings`, own);
    const other = await server.ask('POST', `/api/jobs/${two.job.id}/readings`, own);
    expect(problemOf(other)).toMatchObject({ status: 409, code: 'id-taken' });
    expect((await server.ask('GET', `/api/jobs/${two.job.id}`)).json<JobDetail>().readings).toEqual([]);
  });

  test('a hose named twice is told', async () => {
    expect(problemOf(await start({ hoseIds: [HOSE, HOSE] })).errors).toMatchObject([{ field: 'hoseIds' }]);
    const { job } = (await start()).json<JobDetail>();
    const twice = await server.ask('PUT', `/api/jobs/${job.id}/scope`, {
      version: job.version,
      circuitIds: [],
      hoseIds: [HOSE, HOSE.toUpperCase()],
    });
    expect(problemOf(twice).errors).toMatchObject([{ field: 'hoseIds' }]);
  });
});

describe('at once', () => {
  test('three create the same stock item: one counts, the others see it', async () => {
    const count = (onHand: number) =>
      server.ask('PUT', '/api/shop/stock', {
        key: `washer ${randomUUID()}`.slice(0, 20),
        onHand,
        version: null,
      });
    const key = 'crush washer, three at once';
    const replies = await Promise.all(
      [1, 2, 3].map((onHand) => server.ask('PUT', '/api/shop/stock', { key, onHand, version: null })),
    );
    expect(replies.map(({ statusCode }) => statusCode).sort((a, b) => a - b)).toEqual([200, 409, 409]);
    expect((await count(4)).statusCode).toBe(200);
  });

  test('a vehicle is removed while a job is started on it: one of the two is told', async () => {
    for (let round = 0; round < 6; round += 1) {
      const { vehicle, circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
      const entry = vehicleEntryOf(vehicle);
      const created = (
        await server.ask('POST', '/api/vehicles', {
          id: randomUUID(),
          vehicle: { ...entry, name: `Twin ${round}` },
          circuits: circuits.slice(0, 1).map(hydraulicsOf),
        })
      ).json<VehicleDetail>();
      const circuit = created.circuits[0];
      const [removed, started] = await Promise.all([
        server.ask('DELETE', `/api/vehicles/${created.vehicle.id}`),
        start({
          vehicleId: created.vehicle.id,
          circuitIds: [circuit?.id],
          hoseIds: [circuit?.hoses.find(({ kind }) => kind === 'hose')?.id],
        }),
      ]);
      expect(removed.statusCode).toBeLessThan(500);
      expect(started.statusCode).toBeLessThan(500);
      expect([removed.statusCode === 200, started.statusCode === 200].filter(Boolean).length).toBe(1);
    }
  });
});

test('a vehicle takes eight circuits, however they come', async () => {
  const { vehicle, circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
  const [one] = circuits.map(hydraulicsOf);
  const entry = vehicleEntryOf(vehicle);
  const many = (
    await server.ask('POST', '/api/vehicles', {
      id: randomUUID(),
      vehicle: { ...entry, name: 'Many brakes' },
      circuits: Array(7).fill(one),
    })
  ).json<VehicleDetail>();
  const add = (circuitsMore: unknown[]) =>
    server.ask('POST', `/api/vehicles/${many.vehicle.id}/circuits`, {
      id: randomUUID(),
      circuits: circuitsMore,
    });
  expect(problemOf(await add([one, one])).errors).toMatchObject([{ field: 'circuits' }]);
  expect((await add([one])).statusCode).toBe(200);
  expect(problemOf(await add([one])).errors).toMatchObject([{ field: 'circuits' }]);
  expect((await server.ask('GET', `/api/vehicles/${many.vehicle.id}/document`)).statusCode).toBe(200);
});

describe('addresses and headers', () => {
  test.each(
    [
      '/..',
      '/../',
      '/%2e%2e/',
      '/%2e%2e/%2e%2e/etc/passwd',
      '/assets/../../package.json',
      '/%',
      '/%00',
      '/api/jobs/%00',
      '/api/jobs/%ff',
      '/api//jobs',
      `/api/jobs?after=${encodeURIComponent('2026-01-01|x'.repeat(20))}`,
      '/api/jobs?limit=1e9',
      '/api/jobs?status[]=open',
      `/${'a'.repeat(9000)}`,
    ].map((url) => ({ url, name: url.slice(0, 40) })),
  )('$name is answered', async ({ url }) => {
    const reply = await server.ask('GET', url);
    expect(reply.statusCode).toBeLessThan(500);
  });

  test.each([
    ['range', 'bytes=999999-'],
    ['range', 'bytes=5-2'],
    ['range', 'lines=1-2'],
    ['if-match', '"nothing"'],
    ['if-unmodified-since', 'yesterday'],
    ['if-none-match', '*'],
    ['accept-encoding', 'br;q=0, gzip;q=0, *;q=0'],
    ['cookie', 'zephyrcombe_session=%E0%A4%A; a; =; b=c=d'],
    ['x-forwarded-for', 'not an address'],
    ['content-length', 'many'],
  ])('%s: %s is answered', async (name, value) => {
    const cookie = await server.signInAs('brannoc');
    for (const url of [
      '/',
      '/index.html',
      `/api/jobs`,
      photoAddress(demoId('job/wick-front'), randomUUID()),
    ]) {
      const reply = await server.app.inject({
        method: 'GET',
        url,
        headers: { ...OWN_PAGE, cookie, [name]: value },
      });
      expect([url, reply.statusCode < 500]).toEqual([url, true]);
    }
  });
});

test('an older book may hold a service of the year 0: its pages are still read', async () => {
  await server.database.sequelize.query(
    `UPDATE fluid_service SET servicedOn = '0001-01-01', dueOn = '0003-01-01' WHERE vehicleId = ?`,
    { replacements: [WICK] },
  );
  expect((await server.ask('GET', `/api/vehicles/${WICK}`)).statusCode).toBe(200);
  expect((await server.ask('GET', '/api/due')).statusCode).toBe(200);
});
