/** The first shop that is not the demo: from an empty database to a first recorded reading, through the API. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, RouteName, Session, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf, ROUTES } from '@zephyrcombe/contract';
import { IMPERIAL, METRIC, startPattern } from '@zephyrcombe/core';
import { demoId } from '../../demo/identity.ts';
import { MOTORCYCLE, tubeReading } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer({ isEmpty: true, config: { demo: false } });
});
afterEach(() => server.close());

const SHOP = {
  shopName: 'Drumlin Bay Motors',
  leadName: 'Isla Marr',
  passphrase: 'herring and lamplight',
  units: METRIC,
};
const open = (over: object = {}) => server.ask('POST', '/api/set-up', { ...SHOP, ...over }, null);
const cookieOf = ({ cookies }: Awaited<ReturnType<typeof open>>) =>
  `${cookies[0]?.name}=${encodeURIComponent(cookies[0]?.value ?? '')}`;

test('every route answers an empty book without a fault of ours', async () => {
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const { method, path } = ROUTES[name];
    const url = path.replace(/:\w+/g, demoId('nothing'));
    const reply = await server.ask(
      method,
      url,
      method === 'GET' || method === 'DELETE' ? undefined : {},
      null,
    );
    expect([name, reply.statusCode < 500]).toEqual([name, true]);
  }
  expect((await server.ask('GET', '/api/session', undefined, null)).json<Session>()).toEqual({
    shopName: null,
    timeZone: null,
    person: null,
    names: [],
    demoPassphrase: null,
  });
  const nobody = { name: 'Isla Marr', passphrase: 'herring and lamplight' };
  expect(problemOf(await server.ask('POST', '/api/session', nobody, null)).code).toBe('wrong-passphrase');
});

test('it opens once: the second is told so, and of two at once one wins', async () => {
  expect((await open({ passphrase: 'short' })).statusCode).toBe(400);
  expect((await open({ shopName: '   ' })).statusCode).toBe(400);
  const replies = await Promise.all([open(), open({ leadName: 'Somebody Else' }), open()]);
  expect(replies.map(({ statusCode }) => statusCode).sort((a, b) => a - b)).toEqual([200, 409, 409]);
  expect(problemOf(await open()).code).toBe('already-set-up');
  expect(await server.database.models.Shop.count()).toBe(1);
  expect(await server.database.models.Person.count()).toBe(1);
});

test('from another page it does not open', async () => {
  const reply = await server.app.inject({
    method: 'POST',
    url: '/api/set-up',
    headers: { ...OWN_PAGE, origin: 'http://elsewhere.example' },
    payload: SHOP,
  });
  expect(problemOf(reply).code).toBe('foreign-origin');
  expect(await server.database.models.Shop.count()).toBe(0);
});

test('the lead is signed in, enters a vehicle and a wrench, starts a job and records a reading', async () => {
  const opened = await open({ units: IMPERIAL });
  expect(opened.json<Session>()).toMatchObject({
    shopName: SHOP.shopName,
    person: { name: SHOP.leadName, role: 'lead', units: IMPERIAL },
    demoPassphrase: null,
  });
  const lead = cookieOf(opened);
  const ask = async (method: 'GET' | 'POST' | 'PATCH', url: string, body?: object) => {
    const reply = await server.ask(method, url, body, lead);
    if (reply.statusCode !== 200) throw new Error(`${url}: ${reply.body}`);
    return reply;
  };
  for (const list of ['jobs', 'vehicles', 'due', 'wrenches', 'people', 'sign-ins', 'shop/stock'])
    await ask('GET', `/api/${list}`);
  const vehicle = (
    await ask('POST', '/api/vehicles', {
      id: randomUUID(),
      vehicle: { name: 'Peat cart', ...MOTORCYCLE },
      circuits: startPattern('singleFront', {
        newId: randomUUID,
        drive: 'right',
        abs: false,
        rearEnd: 'screwed',
      }),
    })
  ).json<VehicleDetail>();
  const [circuit] = vehicle.circuits;
  const hose = circuit && hydraulicsOf(circuit).hoses.find(({ kind }) => kind === 'hose');
  await ask('POST', '/api/wrenches', {
    id: randomUUID(),
    name: 'The small one',
    minimum_Nm: 5,
    maximum_Nm: 25,
    calibratedOn: '2026-10-01',
  });
  const job = (
    await ask('POST', '/api/jobs', {
      id: randomUUID(),
      vehicleId: vehicle.vehicle.id,
      circuitIds: [circuit?.id],
      title: 'Front hose',
      reason: '',
      hoseIds: [hose?.id],
    })
  ).json<JobDetail>();
  expect(job.wrenches).toMatchObject([{ name: 'The small one', minimum_Nm: 5, maximum_Nm: 25 }]);
  const read = (
    await ask('POST', `/api/jobs/${job.job.id}/readings`, tubeReading(hose?.id, 0.728))
  ).json<JobDetail>();
  const me = opened.json<Session>().person?.id;
  expect(read.readings).toMatchObject([{ takenBy: 'Isla Marr', takenById: me }]);
});
