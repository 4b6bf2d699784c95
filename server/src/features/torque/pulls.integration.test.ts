/** A torque wrench that is really read: set, pulled, lost and found again, and recorded as it told. */
import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';
import { join } from 'node:path';
import type { JobDetail, LogEntry, PullRecord, WrenchLink } from '@zephyrcombe/contract';
import { judgePull } from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { isTorqued } from '@zephyrcombe/workshop';
import { demoId } from '../../demo/identity.ts';
import { putOn, putTogether, sendSteps } from '../../testing/fitting.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

const STAND_INS = join(__dirname, '../../../../stand-ins');
const WICK = demoId('wick');

let server: TestServer;
/** One job for all: what is tight is tightened once more by the record alone. */
let detail: JobDetail;
let child: ChildProcess | null = null;
const listening: Server[] = [];
beforeAll(async () => {
  server = await startTestServer();
  const created = await server.ask('POST', '/api/jobs', {
    id: randomUUID(),
    vehicleId: WICK,
    circuitIds: [demoId('wick/front/circuit')],
    title: 'Front hose',
    reason: '',
    hoseIds: [demoId('wick/front/hose')],
  });
  await allSpecified(server, created.json<JobDetail>().job.id);
  const reply = await putTogether(server, created.json<JobDetail>().job.id);
  if (reply.statusCode !== 200) throw new Error(reply.body);
  detail = reply.json();
});
afterAll(async () => {
  child?.kill();
  for (const one of listening.splice(0)) one.close();
  await server.close();
});

/** A simulated wrench that goes wrong in these ways, one pull after the other. */
async function connected(misbehave: string, ...more: readonly string[]): Promise<void> {
  child?.kill();
  const wrench = spawn(
    process.execPath,
    [
      '--import',
      'tsx',
      'src/torque-wrench/main.ts',
      '--misbehave',
      misbehave,
      '--serial',
      'SIM-25',
      '--pace',
      '0',
      ...more,
    ],
    { cwd: STAND_INS },
  );
  child = wrench;
  server.config.torqueWrenchPort = await new Promise<number>((resolve, reject) => {
    wrench.stdout.on('data', (chunk: Buffer) => {
      const port = /127\.0\.0\.1:(\d+)/.exec(chunk.toString())?.[1];
      if (port) resolve(Number(port));
    });
    wrench.on('exit', () => reject(new Error('the wrench ended')));
  });
}

/** Something else that listens there, and says these lines to whoever comes. */
async function answering(...lines: readonly string[]): Promise<void> {
  const other = createServer((socket) => {
    socket.on('error', () => socket.destroy());
    for (const line of lines) socket.write(`${line}\n`);
  });
  listening.push(other);
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', () => resolve()));
  server.config.torqueWrenchPort = (other.address() as AddressInfo).port;
}

const at = (path = '') => `/api/jobs/${detail.job.id}${path}`;
const jointId = () => detail.joints[0]?.jointId ?? '';
const start = (over: object = {}) =>
  server.ask('POST', at('/pulls'), { id: randomUUID(), jointId: jointId(), ...over });

/** Asked until the pull is over, as the page does. */
async function over(pullId: string): Promise<PullRecord> {
  for (;;) {
    const reply = await server.ask('GET', at(`/pulls/${pullId}`));
    if (reply.statusCode !== 200) throw new Error(reply.body);
    const pull = reply.json<PullRecord>();
    if (pull.state === 'done') return pull;
  }
}

/** Set, pulled, heard. */
async function pulled(body: object = {}): Promise<PullRecord> {
  const set = await start(body);
  if (set.statusCode !== 200) throw new Error(set.body);
  const { id } = set.json<PullRecord>();
  await server.ask('POST', at(`/pulls/${id}/simulate`), {});
  return over(id);
}

const record = (pull: PullRecord, changes: object = {}) => {
  server.pass(1000);
  return server.ask('POST', at('/torque-records'), {
    id: randomUUID(),
    jointId: jointId(),
    wrenchId: demoId('bench-25'),
    torque_Nm: pull.peak_Nm,
    typed: `${pull.peak_Nm} N·m`,
    pullId: pull.id,
    freshWashers: 2,
    witnessMark: true,
    ...changes,
  });
};
const TOO_FAR = { code: 'stage-not-ready', errors: [{ field: 'tightenedTooFar' }] };
const found = (pull: PullRecord) => {
  const judged = judgePull(pull);
  return judged.ok ? judged.value.findings : null;
};

test('what is connected is told: none, something else, a wrench', async () => {
  const link = async () => (await server.ask('GET', '/api/torque-wrench')).json<WrenchLink>();
  expect(await link()).toMatchObject({ state: 'none' });
  expect(problemOf(await start())).toMatchObject({ status: 502, code: 'wrench-silent' });
  await answering('{"type":"hello","kind":"labelPrinter"}');
  expect(await link()).toMatchObject({ state: 'silent' });
  await connected('none');
  expect(await link()).toEqual({
    state: 'here',
    serial: 'SIM-25',
    minimum_Nm: 5,
    maximum_Nm: 25,
    calibratedOn: '2026-06-02',
    isSimulated: true,
  });
});

test('set to the middle of the range, pulled once, recorded with its trace; the log tells how far it turned', async () => {
  const { torqueWrenchPort } = server.config;
  const pull = await pulled();
  expect(pull).toMatchObject({
    set_Nm: 19.5,
    serial: 'SIM-25',
    isSimulated: true,
    dropOuts: 0,
    by: 'Brannoc Hale',
  });
  expect(Math.max(...pull.samples.map(({ torque_Nm }) => torque_Nm))).toBe(pull.peak_Nm);
  expect(found(pull)).toEqual([]);
  expect((await record(pull)).statusCode).toBe(200);
  const now = (await server.ask('GET', at())).json<JobDetail>();
  expect(now.torqueRecords.find(({ pullId }) => pullId === pull.id)).toMatchObject({
    torque_Nm: pull.peak_Nm,
    verdict: 'within',
  });
  const { items } = (await server.ask('GET', at('/log'))).json<{ items: LogEntry[] }>();
  expect(items.findLast(({ kind }) => kind === 'torqued')).toMatchObject({
    detail: { pull: { serial: 'SIM-25', dropOuts: 0, findings: [] } },
  });
  // It stays, whether the wrench is there or not, and nobody changes it.
  server.config.torqueWrenchPort = null;
  expect(await over(pull.id)).toEqual(pull);
  server.config.torqueWrenchPort = torqueWrenchPort;
  for (const sql of ['UPDATE torque_pull SET peak_Nm = 1', 'DELETE FROM torque_pull'])
    await expect(server.database.sequelize.query(sql)).rejects.toThrow('never');
});

describe('what goes wrong with a wrench, or the hand on it', () => {
  beforeAll(() => connected('hangUp,silent,garbled,twice,poundFeet,none,overshoot,secondClick,yields'));

  test.each(['hangUp', 'silent', 'garbled', 'twice'])(
    '%s in the middle loses nothing: the pull is whole',
    async (kind) => {
      const pull = await pulled();
      // Every sample in its turn, and the peak among them.
      expect(pull.samples.map(({ at_s }) => at_s)).toEqual(
        pull.samples.map((_, index) => expect.closeTo(index * 0.04, 6) as number),
      );
      expect(pull.samples.at(-1)?.torque_Nm).toBe(0);
      expect(Math.max(...pull.samples.map(({ torque_Nm }) => torque_Nm))).toBe(pull.peak_Nm);
      expect(found(pull)).toEqual([]);
      expect(pull.dropOuts).toBe(kind === 'hangUp' ? 1 : 0);
      expect((await record(pull)).statusCode).toBe(200);
    },
  );

  test('figures in foot-pounds are no torque: refused with what to do, and nothing is tightened on', async () => {
    const wrong = await pulled();
    expect(found(wrong)).toEqual(['unitPoundFeet']);
    expect(problemOf(await record(wrong))).toMatchObject({
      code: 'no-answer',
      detail: expect.stringContaining('Do not tighten on') as string,
    });
    expect((await record(await pulled())).statusCode).toBe(200);
  });

  test('overshoot is seen in the trace; over the limit, the bolt is not used on because it is pulled again', async () => {
    const over_ = await pulled();
    expect(found(over_)).toContain('overshoot');
    expect(over_.peak_Nm).toBeGreaterThan(21);
    // Never recorded, and another figure typed: what the wrench told stands.
    const typed = { pullId: null, torque_Nm: 19.6, typed: '19.6 N·m' };
    expect(problemOf(await record(over_, typed))).toMatchObject(TOO_FAR);
    expect((await record(over_, { ...typed, renewed: true })).statusCode).toBe(200);
  });

  test('secondClick is seen in the trace', async () => {
    expect(found(await pulled())).toContain('secondPull');
  });

  test('a bolt that gives in its range is recorded as such, and is not tight until a new one is in', async () => {
    const gave = await pulled();
    expect(found(gave)).toContain('yielding');
    expect((await record(gave)).statusCode).toBe(200);
    let now = (await server.ask('GET', at())).json<JobDetail>();
    expect(now.torqueRecords.at(-1)).toMatchObject({ verdict: 'yielded', renewed: false });
    expect(isTorqued(now, jointId())).toBe(false);
    const again = { pullId: null, torque_Nm: 19.6, typed: '19.6 N·m', threads: 'oiled' };
    expect(problemOf(await record(gave, again))).toMatchObject(TOO_FAR);
    expect((await record(gave, { ...again, renewed: true })).statusCode).toBe(200);
    now = (await server.ask('GET', at())).json<JobDetail>();
    expect(now.torqueRecords.at(-1)).toMatchObject({ verdict: 'within', renewed: true, threads: 'oiled' });
    expect(isTorqued(now, jointId())).toBe(true);
    // Once, not for ever.
    expect((await record(gave, again)).statusCode).toBe(200);
  });
});

test('with a crowfoot it is set to less, and the joint gets its torque', async () => {
  const adapter = { wrench_m: 0.3, extension_m: 0.06, angle_rad: 0 };
  const pull = await pulled({ adapter });
  expect(pull.set_Nm).toBeCloseTo(19.5 / 1.2, 9);
  expect(problemOf(await record(pull))).toMatchObject({
    errors: [{ field: 'torque_Nm', message: expect.stringContaining('not what the wrench told') as string }],
  });
  expect((await record(pull, { adapter })).statusCode).toBe(200);
  const now = (await server.ask('GET', at())).json<JobDetail>();
  const own = now.torqueRecords.find(({ pullId }) => pullId === pull.id);
  expect(own?.torque_Nm).toBeCloseTo((pull.peak_Nm ?? 0) * 1.2, 9);
  expect(own?.adapter).toEqual(adapter);
});

test('a wrench that says itself that its year is over is not trusted, also where its figure is typed', async () => {
  await connected('none', '--calibrated', '2025-06-02');
  const pull = await pulled();
  const stale = { code: 'stop-not-answered', cautions: [{ id: 'M72' }] };
  expect(problemOf(await record(pull))).toMatchObject(stale);
  expect(problemOf(await record(pull, { pullId: null }))).toMatchObject(stale);
  // Nor by a day that is still to come; the shop's own day counts then.
  await connected('none', '--calibrated', '2031-06-02');
  const later = await pulled();
  expect((await record(later)).statusCode).toBe(200);
  await connected('none');
  expect((await record(await pulled())).statusCode).toBe(200);
});

describe('a pull stands for one torque', () => {
  const refused = { code: 'validation-failed', errors: [{ field: 'pullId' }] };

  test('not for another figure, another wrench, another joint, and not twice', async () => {
    const pull = await pulled();
    expect(problemOf(await record(pull, { torque_Nm: 20.9, typed: '20.9 N·m' }))).toMatchObject({
      errors: [{ field: 'torque_Nm' }],
    });
    expect(problemOf(await record(pull, { wrenchId: demoId('wheel-110') }))).toMatchObject(refused);
    expect(problemOf(await record(pull, { jointId: detail.joints[1]?.jointId }))).toMatchObject(refused);
    expect(problemOf(await record(pull, { pullId: randomUUID() }))).toMatchObject(refused);
    expect((await record(pull)).statusCode).toBe(200);
    expect(problemOf(await record(pull))).toMatchObject(refused);
  });

  test('not for a joint that was opened since', async () => {
    const pull = await pulled();
    server.pass(60_000);
    const crack: PlanStep = { kind: 'crack', joint: jointId() };
    expect((await sendSteps(server, detail.job.id, [crack])).statusCode).toBe(200);
    const again = await putOn(server, detail.job.id, jointId());
    expect({ status: again.statusCode, body: again.body.slice(0, 600) }).toMatchObject({ status: 200 });
    expect(problemOf(await record(pull))).toMatchObject(refused);
  });
});

test('what the wrench cannot be set to is refused before anybody pulls', async () => {
  const reply = await start({ adapter: { wrench_m: 0.1, extension_m: -0.05, angle_rad: 0 } });
  expect(problemOf(reply)).toMatchObject({
    code: 'no-answer',
    detail: expect.stringContaining('SIM-25 can be set to 5–25') as string,
  });
});

test('started twice it is one pull; left before it was pulled it is gone, and the wrench is free', async () => {
  const id = randomUUID();
  const first = await start({ id });
  expect((await start({ id })).json<PullRecord>()).toEqual(first.json());
  expect((await server.ask('POST', at(`/pulls/${id}/leave`), {})).statusCode).toBe(200);
  expect((await server.ask('GET', at(`/pulls/${id}`))).statusCode).toBe(404);
  expect((await pulled()).peak_Nm).not.toBeNull();
});

test('a neighbour that talks nonsense for ever is silent, and does not hold the server', async () => {
  await answering('{"type":"hello","kind":"torqueWrench"}', 'x'.repeat(200_000));
  expect(problemOf(await start())).toMatchObject({ code: 'wrench-silent' });
  expect((await server.ask('GET', at())).statusCode).toBe(200);
});
