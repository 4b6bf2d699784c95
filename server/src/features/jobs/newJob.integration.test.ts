/** Starting, renaming and giving up a job, with buttons pressed twice. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, LogEntry, VehicleDetail } from '@zephyrcombe/contract';
import { firstCircuit, hydraulicsOf, nipplesOf, renumber, vehicleEntryOf } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import { putOn, takeAll, takeBack } from '../../testing/fitting.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const body = (over: object = {}) => ({
  id: randomUUID(),
  vehicleId: demoId('wick'),
  circuitIds: [demoId('wick/front/circuit')],
  title: 'Front hose',
  reason: 'Cracked',
  hoseIds: [demoId('wick/front/hose')],
  ...over,
});
const start = (sent: object, cookie?: string) => server.ask('POST', '/api/jobs', sent, cookie);
async function job(): Promise<JobDetail> {
  const reply = await start(body());
  expect(reply.statusCode).toBe(200);
  return reply.json();
}
const abandon = (detail: JobDetail, over: object = {}, cookie?: string) =>
  server.ask(
    'POST',
    `/api/jobs/${detail.job.id}/abandon`,
    { version: detail.job.version, because: 'The keeper sold it', ...over },
    cookie,
  );
const logOf = async (id: string) =>
  (await server.ask('GET', `/api/jobs/${id}/log`)).json<{ items: LogEntry[] }>().items;
const vehicle = async () =>
  (await server.ask('GET', `/api/vehicles/${demoId('wick')}`)).json<VehicleDetail>();

describe('a button pressed twice', () => {
  test('one after the other, and both at once, make one job', async () => {
    const sent = body();
    const before = (await vehicle()).jobs.length;
    const first = (await start(sent)).json<JobDetail>();
    const second = (await start(sent)).json<JobDetail>();
    expect(second).toEqual(first);
    const atOnce = body({ title: 'Twice at once' });
    const replies = await Promise.all([start(atOnce), start(atOnce), start(atOnce)]);
    expect(replies.map((reply) => reply.statusCode)).toEqual([200, 200, 200]);
    expect((await vehicle()).jobs).toHaveLength(before + 2);
    expect((await logOf(atOnce.id)).filter(({ kind }) => kind === 'opened')).toHaveLength(1);
  });

  test('another job is another job, and an id is not carried to another vehicle', async () => {
    const sent = body();
    await start(sent);
    const before = (await vehicle()).jobs.length;
    await start(body());
    expect((await vehicle()).jobs).toHaveLength(before + 1);
    const elsewhere = await start({
      ...body({ id: sent.id }),
      vehicleId: demoId('petrelle'),
      circuitIds: [demoId('petrelle/front/circuit')],
      hoseIds: [demoId('petrelle/front/h-left')],
    });
    expect(problemOf(elsewhere)).toMatchObject({ code: 'validation-failed', errors: [{ field: 'id' }] });
  });

  test('one vehicle, entered or read from a document', async () => {
    const { vehicle: wick, circuits } = await vehicle();
    const entry = vehicleEntryOf(wick);
    const many = async () =>
      (await server.ask('GET', '/api/vehicles')).json<{ items: unknown[] }>().items.length;
    const before = await many();
    const sent = { id: randomUUID(), vehicle: entry, circuits: circuits.map(hydraulicsOf) };
    await Promise.all([server.ask('POST', '/api/vehicles', sent), server.ask('POST', '/api/vehicles', sent)]);
    await server.ask('POST', '/api/vehicles', sent);
    expect(await many()).toBe(before + 1);
    const document = (await server.ask('GET', `/api/vehicles/${sent.id}/document`)).json<object>();
    const file = { id: randomUUID(), document };
    await server.ask('POST', '/api/vehicles/import', file);
    const again = await server.ask('POST', '/api/vehicles/import', file);
    expect(again.json()).toMatchObject({ vehicleId: file.id });
    expect(await many()).toBe(before + 2);
  });

  test('one circuit added', async () => {
    const source = (await vehicle()).circuits[0];
    if (!source) throw new Error('no circuit');
    const target = { id: randomUUID() };
    const { vehicle: wick } = await vehicle();
    const entry = vehicleEntryOf(wick);
    await server.ask('POST', '/api/vehicles', { id: target.id, vehicle: entry, circuits: [] });
    const circuits = [renumber(hydraulicsOf(source), () => randomUUID())];
    const added = { id: randomUUID(), circuits };
    const add = () => server.ask('POST', `/api/vehicles/${target.id}/circuits`, added);
    expect((await Promise.all([add(), add()])).map((reply) => reply.statusCode)).toEqual([200, 200]);
    expect((await add()).json<VehicleDetail>().circuits).toHaveLength(1);
  });
});

test('a job is renamed, and the log says from what to what', async () => {
  const detail = await job();
  const named = await server.ask('PATCH', `/api/jobs/${detail.job.id}`, {
    version: detail.job.version,
    title: 'Front hose, chafed',
  });
  expect(named.json<JobDetail>().job.title).toBe('Front hose, chafed');
  expect((await logOf(detail.job.id)).at(-1)).toMatchObject({
    kind: 'renamed',
    detail: { from: 'Front hose', title: 'Front hose, chafed' },
  });
  const blank = await server.ask('PATCH', `/api/jobs/${detail.job.id}`, {
    version: detail.job.version + 1,
    title: '  ',
  });
  expect(blank.statusCode).toBe(400);
});

describe('a job is abandoned', () => {
  test('with a reason; after that nothing is written to it, by any path', async () => {
    const detail = await job();
    expect((await abandon(detail, { because: '   ' })).statusCode).toBe(400);
    const gone = (await abandon(detail)).json<JobDetail>();
    expect(gone.job).toMatchObject({
      status: 'abandoned',
      abandoned: { because: 'The keeper sold it', brakeLeftOpen: false },
    });
    const { version } = gone.job;
    const path = `/api/jobs/${detail.job.id}`;
    for (const [method, address, sent] of [
      ['PATCH', path, { version, title: 'Again' }],
      ['POST', `${path}/abandon`, { version, because: 'Once more' }],
      ['POST', `${path}/layout`, { version, circuitId: detail.circuits[0]?.circuit.id, layout: 'tee' }],
    ] as const)
      expect(problemOf(await server.ask(method, address, sent))).toMatchObject({ code: 'job-abandoned' });
    const open = (await server.ask('GET', '/api/jobs?status=open')).json<{ items: { id: string }[] }>();
    expect(open.items.map(({ id }) => id)).not.toContain(detail.job.id);
    expect((await vehicle()).changes[0]).toMatchObject({ kind: 'jobAbandoned' });
  });

  test('a brake that was opened has to be said to be open, and an apprentice does not decide it', async () => {
    const detail = await job();
    const [joint] = detail.joints;
    if (!joint) throw new Error('no joint');
    await allSpecified(server, detail.job.id);
    const opened = (await putOn(server, detail.job.id, joint.jointId)).json<JobDetail>();
    expect(problemOf(await abandon(opened))).toMatchObject({
      code: 'stage-not-ready',
      errors: [{ field: 'brakeLeftOpen' }],
    });
    const apprentice = await server.signInAs('tamsin');
    expect((await abandon(opened, { brakeLeftOpen: true }, apprentice)).statusCode).toBe(422);
    const gone = (await abandon(opened, { brakeLeftOpen: true })).json<JobDetail>();
    expect(gone.job.abandoned).toMatchObject({ brakeLeftOpen: true });
    expect((await vehicle()).changes[0]).toMatchObject({ detail: { brakeLeftOpen: true } });
  });

  describe('what was ticked and taken back is asked about', () => {
    /** Each leaves the job looking as if nobody had touched it. */
    const TAKEN_BACK: readonly [string, (detail: JobDetail) => Promise<JobDetail>][] = [
      [
        'hand tight',
        async (detail) => {
          await allSpecified(server, detail.job.id);
          await putOn(server, detail.job.id, detail.joints[0]?.jointId ?? '');
          await takeBack(server, detail.job.id);
          return send('GET', detail, '');
        },
      ],
      [
        'a stroke at a nipple',
        async (detail) => {
          const [nipple] = nipplesOf(detail);
          const id = randomUUID();
          const path = `/nipples/${nipple?.id}/events`;
          await send('POST', detail, path, { id, kind: 'stroke' });
          await send('DELETE', detail, `${path}/${id}`);
          return send('GET', detail, '');
        },
      ],
      [
        'a reservoir sucked empty',
        async (detail) => {
          await sucked(detail);
          await takeBack(server, detail.job.id, 1);
          return send('GET', detail, '');
        },
      ],
    ];
    const send = async (
      method: 'GET' | 'PATCH' | 'POST' | 'DELETE',
      detail: JobDetail,
      path: string,
      sent?: object,
    ) => {
      const reply = await server.ask(method, `/api/jobs/${detail.job.id}${path}`, sent);
      if (reply.statusCode !== 200) throw new Error(`${path}: ${reply.body}`);
      return reply.json<JobDetail>();
    };

    /** Held to its route, and the first step after which the brake is not whole. */
    async function sucked(detail: JobDetail): Promise<JobDetail> {
      await allSpecified(server, detail.job.id);
      await takeAll(server, detail.job.id, ['offerUp']);
      const reply = await takeAll(server, detail.job.id, ['drainReservoir']);
      if (reply.statusCode !== 200) throw new Error(reply.body);
      return reply.json();
    }

    test.each(TAKEN_BACK)('%s', async (_what, play) => {
      const detail = await play(await job());
      expect(problemOf(await abandon(detail))).toMatchObject({
        code: 'stage-not-ready',
        errors: [{ field: 'brakeLeftOpen' }],
      });
      const apprentice = await server.signInAs('tamsin');
      expect((await abandon(detail, { tickedByMistake: true }, apprentice)).statusCode).toBe(422);
      const gone = (await abandon(detail, { tickedByMistake: true })).json<JobDetail>();
      expect(gone.job.abandoned).toMatchObject({ brakeLeftOpen: false });
      expect((await logOf(detail.job.id)).at(-1)).toMatchObject({ detail: { tickedByMistake: true } });
      expect((await vehicle()).vehicle.leftOpen).toBeNull();
    });

    test('it was open after all; and what still stands is no slip', async () => {
      const [, settled] = TAKEN_BACK[2] ?? [];
      const back = await settled?.(await job());
      if (!back) throw new Error('nothing played');
      const gone = (await abandon(back, { brakeLeftOpen: true })).json<JobDetail>();
      expect(gone.job.abandoned).toMatchObject({ brakeLeftOpen: true });
      // Where, nothing says any more: its circuit is to be closed.
      expect((await vehicle()).vehicle.leftOpen).toMatchObject([{ circuits: [{}], joints: [] }]);
      const stands = await job();
      expect((await abandon(await sucked(stands), { tickedByMistake: true })).statusCode).toBe(422);
    });

    test('offered up before anything is opened asks nothing', async () => {
      const detail = await job();
      const on = (await takeAll(server, detail.job.id, ['photograph', 'offerUp'])).json<JobDetail>();
      expect((await abandon(on)).json<JobDetail>().job.abandoned).toMatchObject({ brakeLeftOpen: false });
    });
  });

  test('a layout that was only chosen goes back to what was found', async () => {
    const { models } = server.database;
    await models.Job.update({ status: 'finished' }, { where: { id: demoId('job/petrelle-bars') } });
    const outfit = (
      await start(
        body({
          vehicleId: demoId('petrelle'),
          circuitIds: [demoId('petrelle/front/circuit')],
          hoseIds: [demoId('petrelle/front/h-left')],
        }),
      )
    ).json<JobDetail>();
    const found = hydraulicsOf(firstCircuit(outfit).circuit);
    const tee = (
      await server.ask('POST', `/api/jobs/${outfit.job.id}/layout`, {
        version: outfit.job.version,
        circuitId: firstCircuit(outfit).circuit.id,
        layout: 'tee',
      })
    ).json<JobDetail>();
    await abandon(tee);
    const now = (await server.ask('GET', `/api/vehicles/${demoId('petrelle')}`)).json<VehicleDetail>();
    const circuit = now.circuits.find(({ id }) => id === firstCircuit(outfit).circuit.id);
    expect(circuit && hydraulicsOf(circuit)).toEqual(found);
    // The record keeps the layout that it was about.
    const kept = (await server.ask('GET', `/api/jobs/${outfit.job.id}`)).json<JobDetail>();
    expect(hydraulicsOf(firstCircuit(kept).circuit)).toEqual(hydraulicsOf(firstCircuit(tee).circuit));
  });
});
