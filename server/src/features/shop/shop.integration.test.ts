import type { Shop } from '@zephyrcombe/contract';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

test('the lead writes who may work on brakes, everybody reads it, and it stands in every job', async () => {
  const rule = { version: 0, brakeWorkRule: 'Only with two pairs of eyes' };
  expect(problemOf(await server.ask('PATCH', '/api/shop', rule))).toMatchObject({
    status: 403,
    code: 'not-allowed',
  });
  const lead = await server.signInAs('ottoline');
  const saved = await server.ask('PATCH', '/api/shop', rule, lead);
  expect(saved.json<Shop>()).toMatchObject({ brakeWorkRule: rule.brakeWorkRule, version: 1 });
  expect(problemOf(await server.ask('PATCH', '/api/shop', rule, lead))).toMatchObject({
    code: 'stale-write',
  });
  expect((await server.ask('GET', '/api/shop')).json<Shop>().brakeWorkRule).toBe(rule.brakeWorkRule);
  expect((await server.job('wick-front')).shop.brakeWorkRule).toBe(rule.brakeWorkRule);
});
