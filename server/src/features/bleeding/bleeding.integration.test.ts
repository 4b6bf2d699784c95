import { randomUUID } from 'node:crypto';
import type { BleedUpdate, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import { withBleedRows } from '@zephyrcombe/workshop';
import { demoId } from '../../demo/identity.ts';
import { signedService } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let nippleId = '';
const JOB = demoId('job/wick-front');
beforeEach(async () => {
  server = await startTestServer();
  nippleId = nipplesOf(await server.job('wick-front'))[0]?.id ?? '';
});
afterEach(() => server.close());

const send = (body: object, at = nippleId, job = JOB) =>
  server.ask('POST', `/api/jobs/${job}/nipples/${at}/events`, { id: randomUUID(), ...body });
const stroke = (over: object = {}) => send({ kind: 'stroke', ...over });
const runs = async () => (await server.job('wick-front')).bleedRuns;
const update = (reply: Awaited<ReturnType<typeof send>>): BleedUpdate => {
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
};

test('one stroke costs at most eight statements and two thousand letters, also late in a long job', async () => {
  const last = async () =>
    Math.max(0, ...(await runs()).flatMap(({ events }) => events.map((event) => event.sequence)));
  for (let count = 0; count < 60; count += 1) update(await stroke({ after: await last() }));
  const after = await last();
  let statements: string[] = [];
  const { options } = server.database.sequelize as unknown as {
    options: { logging: false | ((sql: string) => void) };
  };
  options.logging = (sql) => statements.push(sql);
  const reply = await stroke({ after });
  options.logging = false;
  expect(update(reply).rows).toHaveLength(1);
  expect(statements.length).toBeGreaterThan(1);
  expect(statements.length).toBeLessThanOrEqual(8);
  expect(reply.body.length).toBeLessThanOrEqual(2000);
  statements = [];
  expect((await runs()).flatMap(({ events }) => events)).toHaveLength(61);
});

test('a phone gets what another one counted with the answer to its own stroke; one that was away for long reads the job anew', async () => {
  const mine = update(await stroke());
  const hers = update(await stroke({ after: mine.rows.at(-1)?.sequence }));
  expect(hers.rows).toHaveLength(1);
  const topped = update(await send({ kind: 'topUp', after: mine.rows.at(-1)?.sequence }));
  expect(topped.rows.map(({ kind }) => kind)).toEqual(['stroke', 'topUp']);
  expect(withBleedRows(withBleedRows([], mine.rows), topped.rows)).toEqual(await runs());
  for (let count = 0; count < 30; count += 1) update(await stroke({ after: 1e9 }));
  expect(update(await stroke({ after: mine.rows.at(-1)?.sequence }))).toEqual({
    jobId: JOB,
    rows: [],
    isMore: true,
  });
});

test('strokes of six hands at once are each counted once, also those that are sent again', async () => {
  const ids = Array.from({ length: 30 }, () => randomUUID());
  const replies = await Promise.all([...ids, ...ids].map((id) => stroke({ id })));
  expect(new Set(replies.map(({ statusCode }) => statusCode))).toEqual(new Set([200]));
  const [run] = await runs();
  expect(run?.events.map(({ id }) => id).sort()).toEqual([...ids].sort());
});

test('an event keeps the time it was done at, and a fast clock does not put it into the future', async () => {
  const [row] = update(await stroke({ at: '2026-11-23T08:15:30.250Z' })).rows;
  expect(row?.at).toBe('2026-11-23T08:15:30.250Z');
  const [late] = update(await stroke({ at: '2031-01-01T00:00:00.000Z', after: row?.sequence })).rows;
  expect(Date.parse(late?.at ?? '')).toBeLessThan(Date.parse('2026-11-24T00:00:00Z'));
  // No calendar of the database has such a day.
  for (const kind of ['stroke', 'topUp'])
    expect(problemOf(await send({ kind, at: '0000-02-29T02:14:51Z' })).errors).toMatchObject([
      { field: 'at', message: 'lies before any job' },
    ]);
});

test('taking back is an event of its own: the row stays, the count does not', async () => {
  const id = randomUUID();
  const [first] = update(await stroke({ id })).rows;
  const undo = () =>
    server.ask('DELETE', `/api/jobs/${JOB}/nipples/${nippleId}/events/${id}?after=${first?.sequence}`);
  const taken = (await undo()).json<BleedUpdate>();
  expect(taken.rows).toMatchObject([{ kind: 'undo', undoesId: id }]);
  expect((await runs()).flatMap(({ events }) => events)).toEqual([]);
  // Taken back once more, there is nothing left to take.
  await undo();
  const { models, sequelize } = server.database;
  expect(await models.JobEvent.count({ where: { jobId: JOB } })).toBe(2);
  for (const sql of ['UPDATE job_event SET kind = "clear"', 'DELETE FROM job_event'])
    await expect(sequelize.query(sql)).rejects.toThrow(/Events are never (changed|removed)/);
});

test('an event that came with another meaning, at no nipple of the job, or on a closed job is refused', async () => {
  const id = randomUUID();
  update(await stroke({ id }));
  expect(problemOf(await send({ id, kind: 'topUp' }))).toMatchObject({ code: 'id-taken' });
  const other = await server.job('petrelle-bars');
  const elsewhere = nipplesOf(other)[0]?.id ?? '';
  expect((await send({ kind: 'stroke' }, elsewhere)).statusCode).toBe(404);
  expect((await send({ kind: 'stroke' }, nippleId, randomUUID())).statusCode).toBe(404);
  expect(problemOf(await send({ id, kind: 'stroke' }, elsewhere, other.job.id))).toMatchObject({
    code: 'id-taken',
  });
  await server.database.models.Job.update({ status: 'finished' }, { where: { id: JOB } });
  expect(problemOf(await stroke())).toMatchObject({ code: 'job-finished' });
  await server.database.models.Job.update({ status: 'abandoned' }, { where: { id: JOB } });
  expect(problemOf(await stroke())).toMatchObject({ code: 'job-abandoned' });
});

test('a stroke and a signature at once: either the stroke came first and the nipple is not clear, or it is refused', async () => {
  const { models } = server.database;
  for (let round = 0; round < 6; round += 1) {
    const id = randomUUID();
    const circuitId = demoId('wick/front/circuit');
    await server.ask('POST', '/api/jobs', {
      id,
      vehicleId: demoId('wick'),
      circuitIds: [circuitId],
      hoseIds: [],
      title: `Fluid ${round}`,
      reason: '',
    });
    const at = (body: object) => send(body, nippleId, id);
    update(await at({ kind: 'stroke' }));
    update(await at({ kind: 'clear' }));
    await models.Job.update(
      {
        endsConfirmed: true,
        handoverChecks: {
          pressureHeld: true,
          levelAtMark: true,
          capAndDiaphragm: true,
          stopLamp: true,
          warningLampOff: true,
          wheelsTorqued: true,
          leverBeforeMoving: true,
          fluidCollected: true,
        },
      },
      { where: { id } },
    );
    const [signed, pumped] = await Promise.all([
      server.ask('POST', `/api/jobs/${id}/finish`, signedService(0, [circuitId])),
      at({ kind: 'stroke' }),
    ]);
    const statuses = [signed.statusCode === 200, pumped.statusCode === 200];
    expect(statuses.filter(Boolean)).toHaveLength(1);
    const after = (await server.ask('GET', `/api/jobs/${id}`)).json<JobDetail>();
    expect(after.bleedRuns[0]?.events.length).toBe(signed.statusCode === 200 ? 2 : 3);
  }
});
