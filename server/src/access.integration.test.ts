/** Who may use which route, and what a sign-in is worth: played as a browser would, and as somebody who means harm. */
import type { JobDetail, Role, RouteName, Session, SignIn } from '@zephyrcombe/contract';
import { may, photoAddress, ROLES, ROUTE_ACTIONS, ROUTES } from '@zephyrcombe/contract';
import { METRIC } from '@zephyrcombe/core';
import type { InjectOptions } from 'fastify';
import { buildApp } from './app.ts';
import { demoId } from './demo/identity.ts';
import { DEMO_PASSPHRASE } from './features/sessions/session.service.ts';
import { tubeReading } from './testing/samples.ts';
import type { TestServer } from './testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
/** Where one test leaves the people of the shop otherwise than it found them, the next gets a shop of its own. */
const eachAnew = () => {
  beforeEach(async () => {
    server = await startTestServer();
  });
  afterEach(() => server.close());
};
const allOnOne = () => {
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());
};

const KEYS: Readonly<Record<Role, string>> = {
  lead: 'ottoline',
  technician: 'brannoc',
  apprentice: 'tamsin',
};
const NOWHERE = demoId('nothing has this id');
const JOB = demoId('job/wick-front');

/** Every route of the table, and what describes them. */
const EVERY: readonly {
  readonly what: string;
  readonly method: string;
  readonly url: string;
  readonly access: string;
}[] = [
  ...(Object.keys(ROUTES) as RouteName[]).map((name) => ({
    what: name,
    method: ROUTES[name].method,
    url: ROUTES[name].path.replace(/:\w+/g, NOWHERE),
    access: ROUTE_ACTIONS[name],
  })),
  { what: 'OpenAPI', method: 'GET', url: '/api/openapi.json', access: 'read' },
];

describe('every route, reading and writing', () => {
  allOnOne();
  test('asks who it is before it reads a body: one that cannot be read is not looked at', async () => {
    for (const { what, method, url, access } of EVERY) {
      if (access === 'anybody') continue;
      const reply = await server.app.inject({
        method: method as 'POST',
        url,
        headers: { ...OWN_PAGE, 'content-type': 'application/json' },
        ...(method === 'GET' ? {} : { payload: '{"this is' }),
      });
      expect([what, reply.statusCode]).toEqual([what, 401]);
    }
  });

  test.each(ROLES)('lets a %s do what the table says, and nothing else', async (role) => {
    const cookie = await server.signInAs(KEYS[role]);
    let refused = 0;
    for (const { what, method, url, access } of EVERY) {
      // These end what is being used.
      if (access === 'anybody' || what === 'signOut') continue;
      const reply = await server.ask(
        method,
        url,
        method === 'GET' || method === 'DELETE' ? undefined : {},
        cookie,
      );
      const isRefused = reply.statusCode === 403;
      expect([what, isRefused]).toEqual([what, !may({ role }, access as never)]);
      if (isRefused) {
        expect(problemOf(reply).code).toBe('not-allowed');
        refused += 1;
      } else expect([200, 400, 404, 415, 422]).toContain(reply.statusCode);
    }
    expect(refused > 0).toBe(role !== 'lead');
  });

  test('a route that does not say who may use it is not taken', async () => {
    const app = await buildApp({
      config: server.config,
      database: server.database,
      clock: () => new Date(),
    });
    expect(app.hasRoute({ method: 'GET', url: '/api/shop' })).toBe(true);
    await app.close();
    const Fastify = (await import('fastify')).default;
    const { installAccess } = await import('./http/access.ts');
    const bare = Fastify();
    installAccess(
      bare,
      () => Promise.resolve(null),
      () => Promise.resolve(false),
      () => Promise.resolve(false),
    );
    expect(() => bare.get('/api/back-door', () => 'open')).toThrow(
      '/api/back-door does not say who may use it',
    );
  });
});

describe('somebody else’s record', () => {
  allOnOne();
  test('an apprentice strikes what they recorded themselves, and nothing that others did', async () => {
    const { readings } = await server.job('petrelle-bars');
    const [theirs] = readings;
    const path = (id: string) => `/api/jobs/${demoId('job/petrelle-bars')}/readings/${id}/strike`;
    const apprentice = await server.signInAs('tamsin');
    const because = { because: 'The mark had slipped' };
    const refused = await server.ask('POST', path(theirs?.id ?? ''), because, apprentice);
    expect(problemOf(refused)).toMatchObject({
      code: 'not-allowed',
      detail: 'A technician or your lead does this.',
    });
    const own = tubeReading(theirs?.hoseId, 0.728);
    const job = demoId('job/petrelle-bars');
    expect((await server.ask('POST', `/api/jobs/${job}/readings`, own, apprentice)).statusCode).toBe(200);
    expect((await server.ask('POST', path(own.id), because, apprentice)).statusCode).toBe(200);
    const after = (await server.ask('POST', path(theirs?.id ?? ''), because)).json<JobDetail>();
    expect(after.readings.find(({ id }) => id === theirs?.id)?.struckBecause).toBe(because.because);
  });

  test('a struck finding keeps the reason it was struck for', async () => {
    const { findings } = await server.job('petrelle-bars');
    const id = findings[0]?.id ?? '';
    const path = `/api/jobs/${demoId('job/petrelle-bars')}/findings/${id}/strike`;
    const apprentice = await server.signInAs('tamsin');
    expect((await server.ask('POST', path, { because: 'Not so' }, apprentice)).statusCode).toBe(403);
    await server.ask('POST', path, { because: 'It was the old hose' });
    const again = (await server.ask('POST', path, { because: 'Something else' })).json<JobDetail>();
    expect(again.findings.find((finding) => finding.id === id)?.struckBecause).toBe('It was the old hose');
  });
});

describe('a write from another page', () => {
  allOnOne();
  const write = async (headers: Record<string, string>, cookie: string) => {
    const { version } = (await server.job('wick-front')).job;
    return server.app.inject({
      method: 'PATCH',
      url: `/api/jobs/${JOB}`,
      payload: { version, title: 'Renamed' },
      headers: { ...headers, cookie },
    });
  };

  test.each([
    ['another page', { origin: 'http://elsewhere.example' }],
    ['another port', { origin: 'http://localhost:81' }],
    ['TLS that is not here', { origin: 'https://localhost:80' }],
    ['a page that hides itself', { origin: 'null' }],
    ['nothing said', {}],
    ['another site, without its name', { 'sec-fetch-site': 'cross-site' }],
    ['a neighbour of the same site', { 'sec-fetch-site': 'same-site' }],
  ])('%s: refused, nothing changed', async (_what, headers) => {
    const cookie = await server.signInAs('brannoc');
    const before = (await server.job('wick-front')).job.title;
    expect(problemOf(await write(headers, cookie))).toMatchObject({ status: 403, code: 'foreign-origin' });
    expect((await server.job('wick-front')).job.title).toBe(before);
  });

  test.each([
    ['its own page', OWN_PAGE],
    ['its own page, by the other header', { 'sec-fetch-site': 'same-origin' }],
  ])('%s: taken', async (_what, headers) => {
    expect((await write(headers, await server.signInAs('brannoc'))).statusCode).toBe(200);
  });

  test('signing in from another page is refused too', async () => {
    const reply = await server.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { origin: 'http://elsewhere.example' },
      payload: { name: 'Brannoc Hale', passphrase: DEMO_PASSPHRASE },
    });
    expect(problemOf(reply).code).toBe('foreign-origin');
  });
});

describe('a sign-in ends at once, for reading and writing', () => {
  eachAnew();
  const reads = async (cookie: string) =>
    (await server.ask('GET', `/api/jobs/${JOB}`, undefined, cookie)).statusCode;
  const photo = async (cookie: string) =>
    (await server.ask('GET', photoAddress(JOB, NOWHERE), undefined, cookie)).statusCode;

  test('by signing out: the cookie that was kept is worth nothing', async () => {
    const [cookie, other] = [await server.signInAs('tamsin'), await server.signInAs('tamsin')];
    expect(await reads(cookie)).toBe(200);
    await server.ask('DELETE', '/api/session', undefined, cookie);
    expect([await reads(cookie), await photo(cookie)]).toEqual([401, 401]);
    expect(await reads(other)).toBe(200);
  });

  test('by being retired, and taking somebody back does not revive it', async () => {
    const cookie = await server.signInAs('tamsin');
    const lead = await server.signInAs('ottoline');
    const person = `/api/people/${demoId('tamsin')}`;
    await server.ask('PATCH', person, { version: 0, isRetired: true }, lead);
    expect(await reads(cookie)).toBe(401);
    const again = { name: 'Tamsin Orrey', passphrase: DEMO_PASSPHRASE };
    expect((await server.ask('POST', '/api/session', again, null)).statusCode).toBe(401);
    await server.ask('PATCH', person, { version: 1, isRetired: false }, lead);
    expect(await reads(cookie)).toBe(401);
    expect((await server.ask('POST', '/api/session', again, null)).statusCode).toBe(200);
  });

  test('by a new passphrase from the lead', async () => {
    const cookie = await server.signInAs('tamsin');
    const lead = await server.signInAs('ottoline');
    const passphrase = 'seven wet ropes';
    await server.ask('PUT', `/api/people/${demoId('tamsin')}/passphrase`, { passphrase }, lead);
    expect(await reads(cookie)).toBe(401);
    const signIn = (word: string) =>
      server.ask('POST', '/api/session', { name: 'tamsin orrey', passphrase: word }, null);
    expect((await signIn(DEMO_PASSPHRASE)).statusCode).toBe(401);
    expect((await signIn(passphrase)).statusCode).toBe(200);
  });

  test('by choosing another passphrase: the others end, this one goes on under a new cookie', async () => {
    const [cookie, other] = [await server.signInAs('tamsin'), await server.signInAs('tamsin')];
    const change = (current: string) =>
      server.ask('PUT', '/api/me/passphrase', { current, passphrase: 'seven wet ropes' }, cookie);
    expect(problemOf(await change('not mine at all')).errors).toMatchObject([{ field: 'current' }]);
    expect(await reads(other)).toBe(200);
    const reply = await change(DEMO_PASSPHRASE);
    expect(reply.json<Session>().person?.name).toBe('Tamsin Orrey');
    const next = reply.cookies[0];
    expect(await reads(`${next?.name}=${encodeURIComponent(next?.value ?? '')}`)).toBe(200);
    expect([await reads(cookie), await reads(other)]).toEqual([401, 401]);
  });

  test('from the list: one’s own anywhere, and everybody’s by the lead', async () => {
    const [cookie, other] = [await server.signInAs('tamsin'), await server.signInAs('tamsin')];
    const list = async (by: string) =>
      (await server.ask('GET', '/api/sign-ins', undefined, by)).json<{ items: SignIn[] }>().items;
    const own = await list(cookie);
    expect(own.map(({ name }) => name)).toEqual(['Tamsin Orrey', 'Tamsin Orrey']);
    const elsewhere = own.find(({ isThisOne }) => !isThisOne)?.id ?? '';
    await server.ask('DELETE', `/api/sign-ins/${elsewhere}`, undefined, cookie);
    expect([await reads(cookie), await reads(other)]).toEqual([200, 401]);

    // Somebody else's is not theirs to end, nor to see.
    const lead = await server.signInAs('ottoline');
    const ofLead = (await list(lead)).find(({ isThisOne }) => isThisOne)?.id ?? '';
    await server.ask('DELETE', `/api/sign-ins/${ofLead}`, undefined, cookie);
    expect(await reads(lead)).toBe(200);
    const all = await list(lead);
    expect(new Set(all.map(({ name }) => name))).toEqual(
      new Set(['Brannoc Hale', 'Tamsin Orrey', 'Ottoline Fenn']),
    );
    const apprentice = all.find(({ name }) => name === 'Tamsin Orrey')?.id ?? '';
    await server.ask('DELETE', `/api/sign-ins/${apprentice}`, undefined, lead);
    expect(await reads(cookie)).toBe(401);
  });

  test('after half a day without a sign of life, and after two weeks in any case', async () => {
    const HOUR_ms = 3_600_000;
    const cookie = await server.signInAs('tamsin');
    server.pass(11 * HOUR_ms);
    expect(await reads(cookie)).toBe(200);
    server.pass(11 * HOUR_ms);
    expect(await reads(cookie)).toBe(200);
    server.pass(13 * HOUR_ms);
    expect(await reads(cookie)).toBe(401);
    // Nor is it listed as if somebody were there.
    const lead = await server.signInAs('ottoline');
    const { items } = (await server.ask('GET', '/api/sign-ins', undefined, lead)).json<{ items: SignIn[] }>();
    expect(items.map(({ name }) => name)).toEqual(['Ottoline Fenn']);
    const busy = await server.signInAs('tamsin');
    for (let hours = 0; hours < 14 * 24; hours += 6) {
      expect(await reads(busy)).toBe(200);
      server.pass(6 * HOUR_ms);
    }
    server.pass(HOUR_ms);
    expect(await reads(busy)).toBe(401);
  });

  test('a changed cookie, and one of before a sign-in, are nobody', async () => {
    const cookie = await server.signInAs('tamsin');
    expect(await reads(cookie.replace(/.{4}$/, 'AAAA'))).toBe(401);
    expect(await reads('zephyrcombe_session=made-up.by-somebody')).toBe(401);
    // The table does not hold what a cookie holds.
    const [row] = await server.database.models.Session.findAll({ where: { personId: demoId('tamsin') } });
    expect(cookie).not.toContain(row?.id);
    expect(await reads(`zephyrcombe_session=${row?.id}`)).toBe(401);
  });
});

describe('a flood of requests', () => {
  eachAnew();
  test('one sign-in that asks without end is told to wait; nobody else behind its address is, and no file of the pages', async () => {
    const flooding = await server.signInAs('tamsin');
    const statuses: number[] = [];
    for (let batch = 0; batch < 13; batch += 1) {
      const replies = Array.from({ length: 100 }, () =>
        server.ask('GET', '/api/session', undefined, flooding),
      );
      statuses.push(...(await Promise.all(replies)).map(({ statusCode }) => statusCode));
    }
    expect(statuses.filter((status) => status === 200)).toHaveLength(1200);
    expect(statuses.filter((status) => status === 429)).toHaveLength(100);
    expect((await server.ask('GET', '/api/session')).statusCode).toBe(200);
    expect(problemOf(await server.ask('GET', '/api/session', undefined, flooding))).toMatchObject({
      code: 'too-many-requests',
    });
    const file = await server.ask('GET', '/assets/part.js', undefined, null);
    const session = await server.ask('GET', '/api/session', undefined, null);
    expect([file, session].map(({ headers }) => headers['x-ratelimit-limit'])).toEqual([undefined, '6000']);
  });
});

describe('trying passphrases', () => {
  eachAnew();
  const signIn = (name: string, passphrase: string, remoteAddress = '127.0.0.1') =>
    server.app.inject({
      method: 'POST',
      url: '/api/session',
      remoteAddress,
      headers: OWN_PAGE,
      payload: { name, passphrase },
    });

  test('sixty addresses cannot guess at one person, one after the other or all at once', async () => {
    const guesses = await Promise.all(
      Array.from({ length: 60 }, (_, index) => signIn('Tamsin Orrey', `guess ${index}`, `10.0.0.${index}`)),
    );
    expect(guesses.filter(({ statusCode }) => statusCode === 401)).toHaveLength(10);
    expect(guesses.filter((reply) => problemOf(reply).code === 'too-many-tries')).toHaveLength(50);
    // Not by writing the name another way either.
    expect((await signIn('TAMSIN ORREY', 'guess', '10.0.1.1')).statusCode).toBe(429);
  });

  test('ten wrong tries behind one proxy keep nobody else out, and a right one is not counted', async () => {
    for (let times = 0; times < 10; times += 1) await signIn('Tamsin Orrey', 'guess');
    expect((await signIn('Tamsin Orrey', DEMO_PASSPHRASE)).statusCode).toBe(429);
    for (let times = 0; times < 15; times += 1)
      expect((await signIn('Brannoc Hale', DEMO_PASSPHRASE)).statusCode).toBe(200);
    expect((await signIn('Ottoline Fenn', DEMO_PASSPHRASE)).statusCode).toBe(200);
  });

  test('one address cannot go through name after name', async () => {
    const replies = [];
    for (let name = 0; name < 11; name += 1)
      replies.push(
        ...(await Promise.all(
          Array.from({ length: 10 }, () => signIn(`Somebody ${name}`, 'guess', '10.9.9.9')),
        )),
      );
    expect(replies.filter(({ statusCode }) => statusCode === 401)).toHaveLength(100);
    expect(replies.filter(({ statusCode }) => statusCode === 429)).toHaveLength(10);
  });

  test('an unknown person costs the same time as a wrong passphrase', async () => {
    // What was worked, by this process and its threads: the hands of the clock go round for the neighbours too.
    const worked_us = async (name: string) => {
      const before = process.cpuUsage();
      await signIn(name, 'guess', '10.1.1.1');
      const { user, system } = process.cpuUsage(before);
      return user + system;
    };
    await signIn('Nobody', 'warm up');
    const times: { known: number; unknown: number }[] = [];
    for (let round = 0; round < 8; round += 1)
      times.push({ known: await worked_us('Tamsin Orrey'), unknown: await worked_us('Nobody At All') });
    const usual = (of: 'known' | 'unknown') => times.map((one) => one[of]).sort((a, b) => a - b)[2] ?? 0;
    const [known, unknown] = [usual('known'), usual('unknown')];
    // A digest takes tens of milliseconds; without one the answer comes in one or two.
    expect(unknown / known).toBeGreaterThan(0.5);
    expect(unknown / known).toBeLessThan(2);
  });
});

describe('before anybody is signed in', () => {
  eachAnew();
  const asNobody = async () => (await server.ask('GET', '/api/session', undefined, null)).json<Session>();

  test('nothing is told but the shop’s name and the names it wants shown', async () => {
    expect(await asNobody()).toEqual({
      shopName: 'Skerrow Isle Post Garage',
      timeZone: null,
      person: null,
      names: ['Brannoc Hale', 'Ottoline Fenn', 'Tamsin Orrey'],
      demoPassphrase: DEMO_PASSPHRASE,
    });
    const lead = await server.signInAs('ottoline');
    await server.ask('PATCH', `/api/people/${demoId('tamsin')}`, { version: 0, isRetired: true }, lead);
    expect((await asNobody()).names).toEqual(['Brannoc Hale', 'Ottoline Fenn']);
    await server.ask('PATCH', '/api/shop', { version: 0, namesAtSignIn: false }, lead);
    expect((await asNobody()).names).toEqual([]);
  });

  test('the cookie is kept from scripts and other sites, and from plain HTTP where TLS is said', async () => {
    const begin = (options: InjectOptions) =>
      server.app.inject({
        method: 'POST',
        url: '/api/session',
        headers: OWN_PAGE,
        payload: { name: 'Tamsin Orrey', passphrase: DEMO_PASSPHRASE },
        ...options,
      });
    const [cookie] = (await begin({})).cookies;
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' });
    const behind = await startTestServer({
      isEmpty: true,
      config: { demo: false, secureCookie: true, trustProxy: '127.0.0.1' },
    });
    const over = (headers: Record<string, string>) =>
      behind.app.inject({
        method: 'POST',
        url: '/api/set-up',
        headers,
        payload: {
          shopName: 'Drumlin Bay Motors',
          leadName: 'Isla Marr',
          passphrase: 'herring and lamplight',
          units: METRIC,
        },
      });
    const forwarded = await over({
      origin: 'https://book.shop.test',
      'x-forwarded-proto': 'https',
      'x-forwarded-host': 'book.shop.test',
    });
    expect(forwarded.cookies[0]).toMatchObject({
      name: '__Host-zephyrcombe_session',
      path: '/',
      secure: true,
      httpOnly: true,
      sameSite: 'Strict',
    });
    expect(forwarded.cookies[0]).not.toHaveProperty('domain');
    // Where nobody in front vouches for TLS, no cookie goes out.
    const plain = await behind.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: OWN_PAGE,
      payload: { name: 'Isla Marr', passphrase: 'herring and lamplight' },
    });
    expect(plain.cookies).toEqual([]);
    await behind.close();
  });
});

describe('what a browser is told', () => {
  allOnOne();
  test('nothing of the book stays in a cache, nothing runs or frames a page but its own, no type is guessed', async () => {
    for (const url of ['/api/session', '/api/vehicles', `/api/jobs/${JOB}`, '/api/not-there']) {
      const { headers } = await server.ask('GET', url);
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['referrer-policy']).toBe('no-referrer');
      expect(headers['access-control-allow-origin']).toBeUndefined();
      const policy = String(headers['content-security-policy']);
      for (const part of [
        "default-src 'self'",
        "script-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "frame-ancestors 'none'",
      ])
        expect(policy).toContain(part);
      expect(policy).not.toContain('unsafe-eval');
      if (url !== '/api/not-there') expect(headers['cache-control']).toBe('no-store');
    }
  });

  test('TRACE, and the folder behind the pages, tell nothing', async () => {
    const traced = await server.app.inject({
      method: 'TRACE' as 'GET',
      url: '/api/session',
      headers: OWN_PAGE,
    });
    expect(traced.statusCode).toBeGreaterThanOrEqual(400);
    for (const url of ['/.git/config', '/.env', '/package.json', '/server/src/main.ts'])
      expect((await server.ask('GET', url)).statusCode).toBe(404);
  });
});

describe('a passphrase that anybody would try', () => {
  allOnOne();
  test.each([
    ['one’s own name', 'Tamsin Orrey 1'],
    ['the shop’s name', 'drumlin bay motors'],
    ['the word itself', 'Passphrase1234'],
    ['a row of keys', 'aaaaaaaaaaaaaa'],
    ['the trade', 'brakes brakes 1'],
  ])('is refused at its field: %s', async (_what, passphrase) => {
    const lead = await server.signInAs('ottoline');
    await server.ask('PATCH', '/api/shop', { version: 0, name: 'Drumlin Bay Motors' }, lead);
    const reset = await server.ask('PUT', `/api/people/${demoId('tamsin')}/passphrase`, { passphrase }, lead);
    expect(problemOf(reset)).toMatchObject({ status: 400, errors: [{ field: 'passphrase' }] });
    // The one she has is still hers.
    expect(await server.signInAs('tamsin')).toContain('session=');
  });

  test('several words that have nothing to do with it are taken, in any script and to 200 letters', async () => {
    const lead = await server.signInAs('ottoline');
    for (const passphrase of ['seven wet ropes', 'сельдь и фонарь', 'herring '.repeat(25).slice(0, 200)])
      expect(
        (await server.ask('PUT', `/api/people/${demoId('tamsin')}/passphrase`, { passphrase }, lead))
          .statusCode,
      ).toBe(200);
  });
});

describe('the log for after an incident', () => {
  test('says who came in and who was turned away, by id, and never a passphrase or what was typed', async () => {
    const lines: string[] = [];
    const shop = await startTestServer();
    const app = await buildApp(
      { config: shop.config, database: shop.database, clock: () => new Date() },
      { log: { write: (line) => lines.push(line) } },
    );
    const signIn = (name: string, passphrase: string) =>
      app.inject({ method: 'POST', url: '/api/session', headers: OWN_PAGE, payload: { name, passphrase } });
    await signIn('my secret words', 'typed in the wrong field');
    const [cookie] = (await signIn('Tamsin Orrey', DEMO_PASSPHRASE)).cookies;
    const headers = { ...OWN_PAGE, cookie: `${cookie?.name}=${encodeURIComponent(cookie?.value ?? '')}` };
    await app.inject({ method: 'DELETE', url: `/api/vehicles/${NOWHERE}`, headers });
    await app.inject({
      method: 'PATCH',
      url: '/api/shop',
      headers: { ...headers, origin: 'http://else.test' },
      payload: {},
    });
    await app.inject({ method: 'DELETE', url: '/api/session', headers });
    const told = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
    expect(told.map(({ event }) => event)).toEqual([
      'wrong-passphrase',
      'signed-in',
      'not-allowed',
      'foreign-origin',
      'signed-out',
    ]);
    const tamsin = demoId('tamsin');
    expect(told.map(({ by, person }) => person ?? by)).toEqual([null, tamsin, tamsin, null, tamsin]);
    for (const line of told) expect([typeof line.time, line.address]).toEqual(['number', '127.0.0.1']);
    expect(lines.join('')).not.toMatch(/secret|wrong field|lamp oil|cookie/);
    await app.close();
    await shop.close();
  });
});
