/** An action replies with what it changed: put into the job as it was, that is the job as it is. */
import { randomUUID } from 'node:crypto';
import type { JobChange, JobDetail } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import { PlayedJob } from '../../mistakes/playedJob.ts';
import { signedService, tubeReading } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { OWN_PAGE, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

/** The same server, where the job that is put together of each reply has to be the job that is read. */
const compared = (seen: string[]): TestServer => ({
  ...server,
  ask: async (method, url, body, cookie) => {
    const reply = await server.ask(method, url, body, cookie);
    const job = reply.statusCode === 200 && url.startsWith('/api/jobs/') ? reply.json<JobDetail>() : null;
    if (method !== 'GET' && job && 'job' in job && reply.body.includes('"changed"')) {
      const read = (await server.ask('GET', `/api/jobs/${job.job.id}`)).json<JobDetail>();
      expect({ ...job, bleedRuns: [] }).toEqual({ ...read, bleedRuns: [] });
      seen.push(url);
    }
    return reply;
  },
});

test('through a whole job, from the first reading to the signature', async () => {
  const seen: string[] = [];
  const job = await new PlayedJob(compared(seen)).begin();
  await job.readyToSign();
  await job.done(job.finish());
  expect(seen.length).toBeGreaterThan(12);
});

test('a change that another person made meanwhile is not lost: the reply says that it met another job', async () => {
  const own = await server.job('wick-front');
  const hose = demoId('wick/front/hose');
  const by = async (cookie: string, title: string, version: number) =>
    (
      await server.app.inject({
        method: 'PATCH',
        url: `/api/jobs/${own.job.id}`,
        payload: { title, version },
        headers: { ...OWN_PAGE, cookie },
      })
    ).json<JobChange>();
  const first = await by(await server.signInAs('ottoline'), 'Of Ottoline', own.job.version);
  expect(first.was).toBe(own.stamp);
  const second = await by(await server.signInAs('brannoc'), 'Of Brannoc', own.job.version + 1);
  expect(second.was).toBe(first.stamp);
  expect(second.was).not.toBe(own.stamp);
  expect(Object.keys(second.changed)).toEqual(['job']);
  // A wrench is no part of the job's own: it changes the job that the next action meets all the same.
  const [wrench] = own.wrenches;
  await server.ask(
    'PATCH',
    `/api/wrenches/${wrench?.id}`,
    { version: wrench?.version, name: 'Renamed' },
    await server.signInAs('ottoline'),
  );
  const third = await server.app.inject({
    method: 'POST',
    url: `/api/jobs/${own.job.id}/readings`,
    payload: tubeReading(hose, 0.728),
    headers: { ...OWN_PAGE, cookie: await server.signInAs('brannoc') },
  });
  expect(third.json<JobChange>().was).not.toBe(second.stamp);
  expect((await server.job('wick-front')).stamp).toBe(third.json<JobChange>().stamp);
});

test('a row that is written past the actions is seen at once, by the next reader and the next action', async () => {
  const before = await server.job('petrelle-bars');
  await server.database.sequelize.query(`UPDATE reading SET typed = 'By hand' WHERE jobId = ?`, {
    replacements: [before.job.id],
  });
  const after = await server.job('petrelle-bars');
  expect(after.readings.length).toBeGreaterThan(0);
  expect(after.readings.map(({ typed }) => typed)).toEqual(before.readings.map(() => 'By hand'));
  expect(after.stamp).not.toBe(before.stamp);
});

test('what is refused leaves neither a change nor a stamp behind', async () => {
  const before = await server.job('wick-front');
  const reply = await server.ask('POST', `/api/jobs/${before.job.id}/finish`, {
    ...signedService(before.job.version),
    id: randomUUID(),
  });
  expect(reply.statusCode).toBeGreaterThanOrEqual(400);
  expect(await server.job('wick-front')).toEqual(before);
});

test('the list tells of a job what its own page does: a length that somebody changed is not measured any more', async () => {
  const job = await new PlayedJob(server).begin();
  await job.specified();
  const listed = async () =>
    (await server.ask('GET', `/api/jobs?search=${encodeURIComponent((await job.now()).job.title)}`))
      .json<{ items: { id: string; done: string[] }[] }>()
      .items.find(({ id }) => id === job.id)?.done;
  expect(await listed()).toEqual(['look-over', 'measure', 'specify']);
  // Another reading, far from those that the length was taken by.
  await job.done(job.read(0.02));
  expect(await listed()).toEqual(['look-over']);
});
