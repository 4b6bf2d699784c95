/** People and wrenches of a shop, as its lead keeps them. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, PersonRecord, Wrench } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import { DEMO_PASSPHRASE } from '../sessions/session.service.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let lead: string;
const start = async () => {
  server = await startTestServer();
  lead = await server.signInAs('ottoline');
};
const stop = () => server.close();

type People = { items: PersonRecord[] };
const NEW = { name: 'Finlay Roe', role: 'technician', passphrase: 'seven wet ropes' };
const add = (over: object = {}) =>
  server.ask('POST', '/api/people', { id: randomUUID(), ...NEW, ...over }, lead);
const edit = (key: string, body: object) => server.ask('PATCH', `/api/people/${demoId(key)}`, body, lead);
const names = (reply: Awaited<ReturnType<typeof add>>) => reply.json<People>().items.map(({ name }) => name);

describe('people', () => {
  beforeEach(start);
  afterEach(stop);

  test('are entered once however often they are sent, and sign in', async () => {
    const body = { id: randomUUID() };
    const replies = await Promise.all([add(body), add(body), add(body)]);
    expect(replies.map(({ statusCode }) => statusCode)).toEqual([200, 200, 200]);
    expect(names(await add(body)).filter((name) => name === NEW.name)).toHaveLength(1);
    const signedIn = await server.ask(
      'POST',
      '/api/session',
      { name: NEW.name, passphrase: NEW.passphrase },
      null,
    );
    expect(signedIn.statusCode).toBe(200);
    expect(JSON.stringify((await server.ask('GET', '/api/people', undefined, lead)).json())).not.toContain(
      'argon2',
    );
  });

  test('renamed: what was recorded keeps the name as it was, with the same id', async () => {
    const job = demoId('job/petrelle-bars');
    const before = (await server.ask('GET', `/api/jobs/${job}`)).json<JobDetail>().readings[0];
    expect((await edit('brannoc', { version: 0, name: 'Brannoc Hale-Reid' })).statusCode).toBe(200);
    const after = (await server.ask('GET', `/api/jobs/${job}`)).json<JobDetail>().readings[0];
    expect(after).toEqual(before);
    expect(after).toMatchObject({ takenBy: 'Brannoc Hale', takenById: demoId('brannoc') });
    // On the version it was read at, and to no name that is taken.
    expect(problemOf(await edit('brannoc', { version: 0, name: 'Third' })).code).toBe('stale-write');
    expect(problemOf(await edit('brannoc', { version: 1, name: 'Tamsin Orrey' })).errors).toMatchObject([
      { field: 'name' },
    ]);
  });

  test('a role given counts with the next request', async () => {
    expect((await server.ask('GET', '/api/people')).statusCode).toBe(403);
    await edit('brannoc', { version: 0, role: 'lead' });
    expect((await server.ask('GET', '/api/people')).statusCode).toBe(200);
  });

  test('somebody stays lead: the last one is neither retired nor given another role, nor two at once', async () => {
    expect(problemOf(await edit('ottoline', { version: 0, isRetired: true })).status).toBe(400);
    expect(problemOf(await edit('ottoline', { version: 0, role: 'technician' })).status).toBe(400);
    await edit('brannoc', { version: 0, role: 'lead' });
    const both = await Promise.all([
      edit('ottoline', { version: 0, isRetired: true }),
      edit('brannoc', { version: 1, isRetired: true }),
    ]);
    expect(both.filter(({ statusCode }) => statusCode === 200)).toHaveLength(1);
    const { Person } = server.database.models;
    expect(await Person.count({ where: { role: 'lead', isRetired: false } })).toBe(1);
  });

  test('whoever was retired and is taken back has the passphrase of before', async () => {
    await edit('tamsin', { version: 0, isRetired: true });
    await edit('tamsin', { version: 1, isRetired: false });
    const body = { name: 'Tamsin Orrey', passphrase: DEMO_PASSPHRASE };
    expect((await server.ask('POST', '/api/session', body, null)).statusCode).toBe(200);
  });
});

describe('a person who cannot be entered', () => {
  beforeAll(start);
  afterAll(stop);

  test.each([
    ['the name of somebody else', { name: 'Brannoc Hale' }, 'name'],
    ['the same name in other letters', { name: 'BRANNOC hale' }, 'name'],
    ['no name', { name: '  ' }, 'name'],
    ['a passphrase too short', { passphrase: 'rope' }, 'passphrase'],
    ['a role that is none', { role: 'owner' }, 'role'],
  ])('%s is refused at its field', async (_what, over, field) => {
    const reply = await add(over);
    expect(problemOf(reply)).toMatchObject({ status: 400, errors: [{ field }] });
    expect(names(await server.ask('GET', '/api/people', undefined, lead))).toHaveLength(3);
  });
});

describe('wrenches', () => {
  beforeAll(start);
  afterAll(stop);

  type Wrenches = { items: Wrench[] };
  const FIELDS = { name: 'Long arm', minimum_Nm: 20, maximum_Nm: 100, calibratedOn: '2026-11-01' };
  const enter = (over: object = {}) =>
    server.ask('POST', '/api/wrenches', { id: randomUUID(), ...FIELDS, ...over }, lead);

  test('are entered once, corrected on their version, and put out of use', async () => {
    const id = randomUUID();
    await Promise.all([enter({ id }), enter({ id })]);
    const found = async () =>
      (await server.ask('GET', '/api/wrenches')).json<Wrenches>().items.filter((wrench) => wrench.id === id);
    expect(await found()).toEqual([{ id, ...FIELDS, serial: null, isRetired: false, version: 0 }]);
    const change = (body: object) => server.ask('PATCH', `/api/wrenches/${id}`, body, lead);
    await change({ version: 0, calibratedOn: '2026-11-20', serial: 'SIM-9' });
    expect(problemOf(await change({ version: 0, name: 'Other' })).code).toBe('stale-write');
    // Left blank, its age would be nobody's business any more.
    expect(problemOf(await change({ version: 1, calibratedOn: null }))).toMatchObject({
      errors: [{ field: 'calibratedOn' }],
    });
    const job = async () => (await server.job('wick-front')).wrenches.map(({ name }) => name);
    expect(await job()).toContain('Long arm');
    await change({ version: 1, isRetired: true });
    expect(await job()).not.toContain('Long arm');
    expect(await found()).toMatchObject([{ isRetired: true, calibratedOn: '2026-11-20', serial: 'SIM-9' }]);
  });

  test.each([
    ['a scale that ends before it begins', { minimum_Nm: 100 }, 'minimum_Nm'],
    ['calibrated tomorrow', { calibratedOn: '2026-11-24' }, 'calibratedOn'],
    ['calibrated in the year 0', { calibratedOn: '0000-03-01' }, 'calibratedOn'],
    ['no name', { name: '' }, 'name'],
    ['no range', { maximum_Nm: 0 }, 'maximum_Nm'],
  ])('%s is refused at its field', async (_what, over, field) => {
    expect(problemOf(await enter(over))).toMatchObject({ status: 400, errors: [{ field }] });
  });
});
