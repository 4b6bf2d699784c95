import { ROUTES } from '@zephyrcombe/contract';
import fc from 'fast-check';
import { demoId } from './demo/identity.ts';
import type { TestServer } from './testing/testServer.ts';
import { problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
// Who may do everything meets every handler.
let lead: string;
beforeAll(async () => {
  server = await startTestServer();
  lead = await server.signInAs('ottoline');
});
afterAll(() => server.close());

const WRITING = Object.entries(ROUTES).filter(([name, route]) => 'body' in route && name !== 'signIn');
const IDS: Readonly<Record<string, string>> = {
  jobId: demoId('job/wick-front'),
  hoseId: demoId('wick/front/hose'),
  jointId: demoId('wick/front/j-master'),
  nippleId: demoId('wick/front/nipple'),
  readingId: demoId('no such reading'),
};
const FIELDS = [
  'version',
  'id',
  'hoseId',
  'jointId',
  'length_m',
  'typed',
  'pose',
  'order_m',
  'endA',
  'bolt',
  'torque_Nm',
  'units',
  'overrides',
  'kind',
  'servicedOn',
  'quantity_m3',
  'reason',
];
const anyBody = fc.oneof(
  fc.jsonValue(),
  fc.dictionary(
    fc.constantFrom(...FIELDS),
    fc.oneof(
      fc.jsonValue(),
      fc.double(),
      fc.constantFrom(...Object.values(IDS), 'fullDroop', '2026-02-30', '1e999'),
    ),
  ),
);

test('whatever body arrives, a refusal is a problem with its status, never a fault of ours, and no row is added', async () => {
  const { JobHose, JobJoint, Reading, TorqueRecord, FluidService, Job } = server.database.models;
  const count = () =>
    Promise.all(
      [JobHose, JobJoint, Reading, TorqueRecord, FluidService, Job].map((model) =>
        (model as typeof Job).count(),
      ),
    );
  const before = await count();
  await fc.assert(
    fc.asyncProperty(fc.constantFrom(...WRITING), anyBody, async ([, route], body) => {
      const url = route.path.replace(/:(\w+)/g, (_match, key: string) => IDS[key] ?? '');
      const reply = await server.ask(route.method, url, body as object, lead);
      expect(reply.statusCode).toBeLessThan(500);
      if (reply.statusCode >= 400) expect(problemOf(reply)).toMatchObject({ status: reply.statusCode });
    }),
    { numRuns: 300 },
  );
  expect(await count()).toEqual(before);
}, 60_000);
