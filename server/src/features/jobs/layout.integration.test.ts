import { randomUUID } from 'node:crypto';
import type { JobDetail } from '@zephyrcombe/contract';
import { billOfJob, firstCircuit, hydraulicsOf } from '@zephyrcombe/contract';
import { layoutOf } from '@zephyrcombe/core';
import { demoId } from '../../demo/identity.ts';
import { tubeReading } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

async function outfitJob(hoses: readonly string[] = ['h-left']): Promise<JobDetail> {
  const reply = await server.ask('POST', '/api/jobs', {
    id: randomUUID(),
    vehicleId: demoId('petrelle'),
    circuitIds: [demoId('petrelle/front/circuit')],
    title: 'Layout',
    reason: '',
    hoseIds: hoses.map((key) => demoId(`petrelle/front/${key}`)),
  });
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
}
/** The demo's own job on this circuit has readings and torques: it is signed off in these tests by the database. */
async function signOffOutfit(): Promise<void> {
  const { models } = server.database;
  await models.Job.update({ status: 'finished' }, { where: { id: demoId('job/petrelle-bars') } });
}
const choose = (job: JobDetail, layout: string) =>
  server.ask('POST', `/api/jobs/${job.job.id}/layout`, {
    version: job.job.version,
    circuitId: job.circuits[0]?.circuit.id,
    layout,
  });
const drawn = (job: JobDetail) => hydraulicsOf(firstCircuit(job).circuit);

test('another layout goes into the job with all its hoses and joints, and back again to what was found', async () => {
  await signOffOutfit();
  const job = await outfitJob();
  const found = drawn(job);
  const tee = (await choose(job, 'tee')).json<JobDetail>();
  expect(layoutOf(drawn(tee))).toBe('tee');
  expect(tee.hoses).toHaveLength(4);
  expect(tee.joints).toHaveLength(8);
  expect(firstCircuit(tee).before).toEqual(found);
  // The block that the vehicle did not have is bought; as found there is none to buy.
  const blocks = (detail: JobDetail) => billOfJob(detail, []).filter(({ part }) => part.kind === 'junction');
  expect(blocks(tee)).toMatchObject([{ needed: 1, part: { ports: 4 } }]);
  expect(blocks(job)).toEqual([]);
  const crossover = (await choose(tee, 'crossover')).json<JobDetail>();
  expect(layoutOf(drawn(crossover))).toBe('crossover');
  expect(firstCircuit(crossover).before).toEqual(found);
  const back = (await choose(crossover, 'asFound')).json<JobDetail>();
  expect(drawn(back)).toEqual(found);
  expect(firstCircuit(back).before).toBeNull();
  expect(back.hoses.map((hose) => hose.hoseId).sort()).toEqual(found.hoses.map((hose) => hose.id).sort());
});

test('a hose with readings does not vanish by another layout', async () => {
  await signOffOutfit();
  const job = await outfitJob(['h-left', 'h-right']);
  await server.ask(
    'POST',
    `/api/jobs/${job.job.id}/readings`,
    tubeReading(demoId('petrelle/front/h-left'), 0.73),
  );
  const reply = await choose(job, 'tee');
  expect(problemOf(reply)).toMatchObject({ status: 409, code: 'in-use' });
  expect(problemOf(reply).errors).toEqual([{ field: 'layout', message: 'Left hose has work on record' }]);
});

test('one caliper has no other layout', async () => {
  const job = await server.job('wick-front');
  expect(problemOf(await choose(job, 'tee'))).toMatchObject({ status: 422, code: 'no-answer' });
});

test('hoses come into the job and leave it, but not one that was worked on, and no hard line', async () => {
  const job = await outfitJob();
  const put = (ids: readonly string[], version: number) =>
    server.ask('PUT', `/api/jobs/${job.job.id}/scope`, { version, circuitIds: [], hoseIds: ids });
  const id = (key: string) => demoId(`petrelle/front/${key}`);
  const wider = (await put([id('h-left'), id('h-side')], 0)).json<JobDetail>();
  expect(wider.hoses.map((hose) => hose.hoseId)).toEqual([id('h-left'), id('h-side')]);
  expect(wider.joints).toHaveLength(3);
  const narrower = (await put([id('h-side')], 1)).json<JobDetail>();
  expect(narrower.joints.map((joint) => joint.jointId).sort()).toEqual([id('j-master'), id('j-side')].sort());
  expect(problemOf(await put([id('h-side')], 0))).toMatchObject({ code: 'stale-write' });
  expect(problemOf(await put([demoId('wick/front/hose')], 2))).toMatchObject({ code: 'validation-failed' });
  // Nothing at all is no job.
  expect(problemOf(await put([], 2))).toMatchObject({ errors: [{ field: 'hoseIds' }] });
  const bars = await server.job('petrelle-bars');
  const busy = await server.ask('PUT', `/api/jobs/${bars.job.id}/scope`, {
    version: bars.job.version,
    circuitIds: [],
    hoseIds: [id('h-left')],
  });
  expect(problemOf(busy)).toMatchObject({ status: 409, code: 'in-use' });
});
