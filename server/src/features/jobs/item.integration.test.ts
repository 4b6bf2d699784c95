/** Brackets, clips and mount bolts: noted when they come off, on again before anybody signs. */
import { randomUUID } from 'node:crypto';
import type { JobDetail } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import { progressOf } from '@zephyrcombe/workshop';
import { PlayedJob } from '../../mistakes/playedJob.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let job: PlayedJob;
beforeEach(async () => {
  server = await startTestServer();
  job = await new PlayedJob(server).begin({ isFluidOnly: true });
});
afterEach(() => server.close());

const BOLT = { kind: 'mountBolt', name: 'Upper bolt of the caliper', handling: 'refit', done: false };
const put = (id: string, body: object) =>
  server.ask('PUT', `/api/jobs/${job.id}/items/${id}`, { version: null, ...BOLT, ...body });
const now = async () => (await server.ask('GET', `/api/jobs/${job.id}`)).json<JobDetail>();
const item = async (id: string) => (await now()).items.find((one) => one.id === id);

test('stands in the way of the signature until it is on again, by feel or with its figure', async () => {
  const [bolt, clip] = [randomUUID(), randomUUID()];
  await job.done(put(bolt, {}));
  await job.done(put(clip, { kind: 'clip', name: 'Clip at the fork leg' }));
  await job.readyToSign();
  const refused = problemOf(await job.finish());
  expect(refused).toMatchObject({ code: 'stage-not-ready', errors: [{ field: 'itemsNotOn' }] });
  expect(refused.detail).toContain('Upper bolt of the caliper');
  await job.done(put(bolt, { version: 0, done: true, torque_Nm: 32, typed: '32 N·m' }));
  await job.done(put(clip, { version: 0, kind: 'clip', name: 'Clip at the fork leg', done: true }));
  expect(await item(bolt)).toMatchObject({ done: { by: 'Brannoc Hale', torque_Nm: 32, typed: '32 N·m' } });
  // Taken off once more, it is asked for once more; then by feel, which is a word and no figure.
  await job.done(put(bolt, { version: 1, done: false }));
  expect(problemOf(await job.finish()).errors).toMatchObject([{ field: 'itemsNotOn' }]);
  await job.done(put(bolt, { version: 2, done: true }));
  expect((await item(bolt))?.done?.torque_Nm).toBeNull();
  // The caliper was off: somebody looks which way up it is.
  for (const { id } of nipplesOf(await now())) await job.done(job.say('nippleTop', id, true));
  expect((await job.finish()).statusCode).toBe(200);
});

test('has a stage to be put on in, also where nothing else is fitted; a nipple may have a figure too', async () => {
  const id = randomUUID();
  const nipple = { kind: 'nipple', name: 'Nipple of the front caliper', handling: 'replace' };
  expect(progressOf(await now()).stages).not.toContain('fit');
  await job.done(put(id, nipple));
  expect(progressOf(await now())).toMatchObject({
    stages: ['look-over', 'fit', 'bleed', 'hand-over'],
    done: [],
  });
  await job.done(put(id, { ...nipple, version: 0, done: true, torque_Nm: 8, typed: '8 N·m' }));
  expect(progressOf(await now()).done).toEqual(['fit']);
  expect((await now()).items).toMatchObject([{ kind: 'nipple', done: { torque_Nm: 8 } }]);
});

test('sent twice it is one; under an id of another job, or on an old version, it is refused', async () => {
  const id = randomUUID();
  await job.done(put(id, {}));
  await job.done(put(id, {}));
  expect((await now()).items).toHaveLength(1);
  const other = await new PlayedJob(server).begin({ isFluidOnly: true });
  const taken = await server.ask('PUT', `/api/jobs/${other.id}/items/${id}`, { version: null, ...BOLT });
  expect(problemOf(taken).code).toBe('id-taken');
  await job.done(put(id, { version: 0, name: 'Lower bolt' }));
  expect(problemOf(await put(id, { version: 0, done: true })).code).toBe('stale-write');
});

test.each([
  ['a figure that is not what was typed', { done: true, torque_Nm: 30, typed: '32 N·m' }, 'torque_Nm'],
  ['a figure of a clip', { kind: 'clip', done: true, torque_Nm: 5, typed: '5 N·m' }, 'torque_Nm'],
  ['a figure of a bolt that is off', { torque_Nm: 32, typed: '32 N·m' }, 'torque_Nm'],
  ['no name', { name: '  ' }, 'name'],
])('%s is refused', async (_what, over, field) => {
  expect(problemOf(await put(randomUUID(), over))).toMatchObject({ status: 400, errors: [{ field }] });
});

test('tells who put it on, though somebody else corrects its name', async () => {
  const id = randomUUID();
  await job.done(put(id, { done: true }));
  const ottoline = await server.signInAs('ottoline');
  const body = { ...BOLT, version: 0, name: 'Lower bolt', done: true };
  await server.ask('PUT', `/api/jobs/${job.id}/items/${id}`, body, ottoline);
  expect(await item(id)).toMatchObject({ name: 'Lower bolt', done: { by: 'Brannoc Hale' } });
});

test('leaves the job while it is off; what is on record as on again does not', async () => {
  const id = randomUUID();
  await job.done(put(id, { done: true }));
  const remove = (because = 'Noted twice') =>
    server.ask('POST', `/api/jobs/${job.id}/items/${id}/remove`, { because });
  expect(problemOf(await remove()).code).toBe('in-use');
  await job.done(put(id, { version: 0, done: false }));
  // Left off and out of the job is a way round the signature: it is said why.
  expect(problemOf(await remove(' '))).toMatchObject({ status: 400, errors: [{ field: 'because' }] });
  await job.done(remove());
  expect((await now()).items).toEqual([]);
  expect((await remove()).statusCode).toBe(404);
});
