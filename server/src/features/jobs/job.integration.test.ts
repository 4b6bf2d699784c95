import { randomUUID } from 'node:crypto';
import type { JobDetail, LogEntry } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { demoId } from '../../demo/identity.ts';
import { freshFluid, signedService, tubeReading } from '../../testing/samples.ts';
import { isRecordedElsewhere, isTorqued } from '@zephyrcombe/workshop';
import { putTogether } from '../../testing/fitting.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const WICK = demoId('wick');
const FRONT = demoId('wick/front/circuit');
const HOSE = demoId('wick/front/hose');
const SEALS = { endA: 'eyeCentre', endB: 'eyeCentre' } as const;

async function newJob(): Promise<JobDetail> {
  const reply = await server.ask('POST', '/api/jobs', {
    id: randomUUID(),
    vehicleId: WICK,
    circuitIds: [demoId('wick/front/circuit')],
    title: 'Front hose',
    reason: 'Cracked',
    hoseIds: [HOSE],
  });
  expect(reply.statusCode).toBe(200);
  return reply.json();
}

async function act(method: 'PATCH' | 'POST', job: JobDetail, path: string, body: object): Promise<JobDetail> {
  server.pass(1000);
  const reply = await server.ask(method, `/api/jobs/${job.job.id}${path}`, body);
  if (reply.statusCode !== 200) throw new Error(`${path}: ${reply.body}`);
  return reply.json();
}

const reading = (length_m: number, over: object = {}) => tubeReading(HOSE, length_m, over);
const CHECKED = {
  controlsFinal: true,
  bracketsInPlace: true,
  leftLock: true,
  rightLock: true,
  fullBump: true,
};
const hoseOf = (job: JobDetail) => {
  const [hose] = job.hoses;
  if (!hose) throw new Error('the job has no hose');
  return hose;
};

async function measured(): Promise<JobDetail> {
  let job = await newJob();
  job = await act('POST', job, '/readings', reading(0.928));
  job = await act('POST', job, '/readings', reading(0.93));
  job = await act('PATCH', job, `/hoses/${HOSE}`, {
    version: hoseOf(job).version,
    poseChecks: CHECKED,
    orderDatum: SEALS,
  });
  return job;
}

const torque = (
  job: JobDetail,
  jointIndex: number,
  over: { readonly torque_Nm?: number; readonly overrides?: readonly object[] } = {},
) => ({
  id: randomUUID(),
  jointId: job.joints[jointIndex]?.jointId,
  wrenchId: demoId('bench-25'),
  torque_Nm: 19.6,
  typed: `${over.torque_Nm ?? 19.6} N·m`,
  freshWashers: 2,
  witnessMark: true,
  ...over,
});

/** On by hand, settled and seen in its poses. */
async function handTight(job: JobDetail): Promise<JobDetail> {
  await allSpecified(server, job.job.id);
  const reply = await putTogether(server, job.job.id);
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
}

describe('a job from first look to service record', () => {
  test('goes through and leaves a record that says when the fluid is due', async () => {
    let job = await measured();
    job = await act('PATCH', job, '', { version: job.job.version, endsConfirmed: true });
    job = await act('PATCH', job, `/hoses/${HOSE}`, { version: hoseOf(job).version, order_m: 0.942 });
    job = await act('PATCH', job, `/hoses/${HOSE}`, { version: hoseOf(job).version, specified: true });
    job = await handTight(job);
    job = await act('POST', job, '/torque-records', torque(job, 0));
    job = await act('POST', job, '/torque-records', torque(job, 1));
    const [nipple] = nipplesOf(job);
    for (const kind of ['stroke', 'stroke', 'clear'])
      await act('POST', job, `/nipples/${nipple?.id}/events`, { id: randomUUID(), kind });
    job = (await server.ask('GET', `/api/jobs/${job.job.id}`)).json();
    for (const joint of job.joints)
      job = await act('PATCH', job, `/joints/${joint.jointId}`, {
        version: joint.version,
        leakChecked: true,
      });
    job = await act('PATCH', job, '', {
      version: job.job.version,
      handoverChecks: Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])),
    });
    const finish = signedService(job.job.version);

    const forged = await server.ask('POST', `/api/jobs/${job.job.id}/finish`, {
      ...finish,
      signature: 'Ottoline Fenn',
    });
    expect(problemOf(forged)).toMatchObject({ status: 400, errors: [{ field: 'signature' }] });
    const backwards = await server.ask('POST', `/api/jobs/${job.job.id}/finish`, {
      ...finish,
      distance_m: 1_000_000,
      distanceTyped: '1000 km',
    });
    expect(problemOf(backwards)).toMatchObject({ status: 400, errors: [{ field: 'distance_m' }] });
    const yearZero = {
      ...finish,
      servicedOn: '0000-11-23',
      services: [freshFluid(FRONT, { bottleOpenedOn: null })],
    };
    expect(
      problemOf(await server.ask('POST', `/api/jobs/${job.job.id}/finish`, yearZero)).errors,
    ).toMatchObject([{ field: 'servicedOn' }]);
    for (const over of [{ distance_m: 18_600_000 }, { distance_m: null }]) {
      const otherwise = await server.ask('POST', `/api/jobs/${job.job.id}/finish`, { ...finish, ...over });
      expect(problemOf(otherwise)).toMatchObject({ status: 400, errors: [{ field: 'distance_m' }] });
    }
    const wrongFluid = await server.ask('POST', `/api/jobs/${job.job.id}/finish`, {
      ...finish,
      services: [freshFluid(FRONT, { grade: 'mineral oil' })],
    });
    expect(problemOf(wrongFluid)).toMatchObject({ code: 'stop-not-answered', cautions: [{ id: 'M77' }] });

    job = await act('POST', job, '/finish', finish);
    // Two years and 48,000 km on: the shop's and the maker's interval, whichever is stricter.
    expect(job.circuits[0]?.service).toMatchObject({
      dueOn: '2028-11-23',
      dueDistance_m: 66_500_000,
      by: 'Brannoc Hale',
      batch: 'SK-2610',
    });
    expect(job.job).toMatchObject({ status: 'finished', signedBy: 'Brannoc Hale' });

    const vehicle = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<{
      vehicle: { distance_m: number };
      circuits: { hoses: { id: string; length_m: number }[] }[];
    }>();
    expect(vehicle.vehicle.distance_m).toBe(18_500_000);
    expect(
      vehicle.circuits.flatMap((circuit) => circuit.hoses).find((hose) => hose.id === HOSE)?.length_m,
    ).toBeCloseTo(0.942, 9);

    const again = await server.ask('POST', `/api/jobs/${job.job.id}/readings`, reading(0.9));
    expect(problemOf(again)).toMatchObject({ status: 409, code: 'job-finished' });
    const log = (await server.ask('GET', `/api/jobs/${job.job.id}/log`)).json<{
      items: { kind: string }[];
    }>();
    expect(log.items.map((entry) => entry.kind)).toEqual([
      'opened',
      'readingTaken',
      'readingTaken',
      'poseChecked',
      'lookedOver',
      'lengthTaken',
      'specified',
      ...Array.from(
        { length: job.fitSteps.filter(({ step }) => !isRecordedElsewhere(step)).length - 2 },
        () => 'fitStepTaken',
      ),
      'torqued',
      'torqued',
      'bled',
      'leakChecked',
      'leakChecked',
      'handoverChecked',
      'finished',
    ]);
  });
});

describe('measuring', () => {
  test('a length with an open stop is refused, and taken with a reason that is logged', async () => {
    let job = await newJob();
    job = await act('POST', job, '/readings', reading(0.928, { remainingTravel_m: 0.012 }));
    const body = { version: hoseOf(job).version, order_m: 0.953 };
    const refused = await server.ask('PATCH', `/api/jobs/${job.job.id}/hoses/${HOSE}`, body);
    expect(problemOf(refused).cautions?.map((caution) => caution.id)).toEqual(['M01', 'M03', 'M06', 'M05']);
    const overrides = ['M01', 'M03', 'M06', 'M05'].map((caution) => ({
      caution,
      reason: 'Lead looked at it',
    }));
    job = await act('PATCH', job, `/hoses/${HOSE}`, { ...body, overrides });
    expect(hoseOf(job).order_m).toBe(0.953);
    const log = (await server.ask('GET', `/api/jobs/${job.job.id}/log`)).json<{
      items: { detail: { overrides?: unknown } }[];
    }>();
    expect(log.items.at(-1)?.detail.overrides).toEqual(overrides);
  });

  test('a length shorter than the readings ask for is refused', async () => {
    const job = await measured();
    const reply = await server.ask('PATCH', `/api/jobs/${job.job.id}/hoses/${HOSE}`, {
      version: hoseOf(job).version,
      order_m: 0.93,
    });
    expect(problemOf(reply)).toMatchObject({ status: 400, errors: [{ field: 'order_m' }] });
  });

  test('a reading sent twice is one reading, and a new one opens the taken length again', async () => {
    let job = await measured();
    job = await act('PATCH', job, `/hoses/${HOSE}`, { version: hoseOf(job).version, order_m: 0.942 });
    const twice = reading(0.935);
    job = await act('POST', job, '/readings', twice);
    job = await act('POST', job, '/readings', twice);
    expect(job.readings).toHaveLength(3);
    expect(hoseOf(job).order_m).toBeNull();
    job = await act('POST', job, `/readings/${twice.id}/strike`, { because: 'Mark slipped' });
    expect(job.readings.at(-1)).toMatchObject({ id: twice.id, struckBecause: 'Mark slipped' });
  });

  test('a negative length is refused with the field’s name', async () => {
    const job = await newJob();
    const reply = await server.ask('POST', `/api/jobs/${job.job.id}/readings`, reading(-0.928));
    expect(problemOf(reply)).toMatchObject({
      status: 400,
      code: 'validation-failed',
      errors: [{ field: 'length_m', message: 'must be more than 0' }],
    });
  });

  test('nothing is ordered without a droop reading', async () => {
    const job = await newJob();
    const reply = await server.ask('PATCH', `/api/jobs/${job.job.id}/hoses/${HOSE}`, {
      version: 0,
      order_m: 0.9,
    });
    expect(problemOf(reply)).toMatchObject({ status: 422, code: 'no-answer' });
    expect(problemOf(reply).detail).toContain('full droop');
  });
});

describe('specifying', () => {
  test('a bolt that does not match its port is a stop', async () => {
    let job = await measured();
    job = await act('PATCH', job, `/hoses/${HOSE}`, { version: hoseOf(job).version, order_m: 0.942 });
    const [joint] = job.joints;
    job = await act('PATCH', job, `/joints/${joint?.jointId}`, {
      version: joint?.version,
      bolt: { ...joint?.bolt, thread: 'M10×1.25' },
    });
    const reply = await server.ask('PATCH', `/api/jobs/${job.job.id}/hoses/${HOSE}`, {
      version: hoseOf(job).version,
      specified: true,
    });
    expect(problemOf(reply)).toMatchObject({ code: 'stop-not-answered', cautions: [{ id: 'M20' }] });
  });

  test('a hose that is not measured is not specified', async () => {
    const job = await newJob();
    const reply = await server.ask('PATCH', `/api/jobs/${job.job.id}/hoses/${HOSE}`, {
      version: 0,
      specified: true,
    });
    expect(problemOf(reply)).toMatchObject({ status: 422, code: 'stage-not-ready' });
  });
});

describe('torque', () => {
  let job: JobDetail;
  beforeAll(async () => {
    job = await handTight(await newJob());
  });
  const send = async (over: object) =>
    problemOf(await server.ask('POST', `/api/jobs/${job.job.id}/torque-records`, torque(job, 0, over)));

  test.each([
    [
      '300 N·m on a banjo is a slip',
      { torque_Nm: 300 },
      { code: 'no-answer', errors: [{ field: 'torque_Nm' }] },
    ],
    ['12 N·m is not tight enough', { torque_Nm: 12 }, { code: 'torque-below-range' }],
    [
      '21.7 N·m is over the limit',
      { torque_Nm: 21.7 },
      { code: 'stop-not-answered', cautions: [{ id: 'M71' }] },
    ],
    ['one washer is missing', { freshWashers: 1 }, { code: 'stop-not-answered', cautions: [{ id: 'M57' }] }],
    [
      'the wheel wrench is out of its range',
      { wrenchId: demoId('wheel-110') },
      { code: 'stop-not-answered', cautions: [{ id: 'M72' }] },
    ],
    [
      'the wrench is not of this shop',
      { wrenchId: randomUUID() },
      { code: 'validation-failed', errors: [{ field: 'wrenchId' }] },
    ],
    [
      'the joint is not of this job',
      { jointId: randomUUID() },
      { code: 'validation-failed', errors: [{ field: 'jointId' }] },
    ],
  ])('%s: nothing is saved', async (_name, over, expected) => {
    expect(await send(over)).toMatchObject(expected);
    const after = (await server.ask('GET', `/api/jobs/${job.job.id}`)).json<JobDetail>();
    expect(after.torqueRecords).toEqual([]);
  });

  test('M35: a plug that is still in stops its own joint, not the other one; not counted is not none', async () => {
    let other = await handTight(await newJob());
    // Counted as its caps came off; the plan takes none for granted.
    expect(hoseOf(other).plugs).toEqual({ A: { put: 2, out: 2 }, B: { put: 2, out: 2 } });
    other = await act('PATCH', other, `/hoses/${HOSE}`, {
      version: hoseOf(other).version,
      plugs: { A: { put: 1, out: 0 }, B: { put: 1, out: 1 } },
    });
    const line = partsOf(other).hoses.find(({ id }) => id === HOSE);
    const at = (jointId: string | undefined) => other.joints.findIndex((joint) => joint.jointId === jointId);
    const post = (index: number) =>
      server.ask('POST', `/api/jobs/${other.job.id}/torque-records`, torque(other, index));
    expect(problemOf(await post(at(line?.fromJointId)))).toMatchObject({
      code: 'stop-not-answered',
      cautions: [{ id: 'M35', evidence: { put: 1, out: 0 } }],
    });
    expect((await post(at(line?.toJointId))).statusCode).toBe(200);
    other = await act('PATCH', other, `/hoses/${HOSE}`, {
      version: hoseOf(other).version,
      plugs: { A: { put: 1, out: 1 }, B: { put: 1, out: 1 } },
    });
    expect((await post(at(line?.fromJointId))).statusCode).toBe(200);
  });

  test('an over-torqued joint is recorded with its reason but is not done', async () => {
    const other = await handTight(await newJob());
    const over = await act(
      'POST',
      other,
      '/torque-records',
      torque(other, 0, {
        torque_Nm: 22,
        overrides: [{ caution: 'M71', reason: 'Slipped; new bolt fitted' }],
      }),
    );
    expect(over.torqueRecords).toMatchObject([{ verdict: 'above', torque_Nm: 22 }]);
    const [joint] = over.joints;
    const leak = await server.ask('PATCH', `/api/jobs/${over.job.id}/joints/${joint?.jointId}`, {
      version: joint?.version,
      leakChecked: true,
    });
    expect(problemOf(leak)).toMatchObject({ code: 'stage-not-ready' });
    // The right figure on the same bolt is no answer; on a new one it is.
    const again = (more: object) =>
      server.ask('POST', `/api/jobs/${over.job.id}/torque-records`, torque(other, 0, more));
    expect(problemOf(await again({}))).toMatchObject({ errors: [{ field: 'tightenedTooFar' }] });
    const done = await again({ renewed: true });
    expect(done.statusCode).toBe(200);
    const now = (await server.ask('GET', `/api/jobs/${over.job.id}`)).json<JobDetail>();
    expect(isTorqued(now, joint?.jointId ?? '')).toBe(true);
  });

  test('an apprentice does not go past a stop, whatever the reason', async () => {
    const tamsin = await server.signInAs('tamsin');
    const body = torque(job, 1, { torque_Nm: 22, overrides: [{ caution: 'M71', reason: 'It felt right' }] });
    const reply = await server.ask('POST', `/api/jobs/${job.job.id}/torque-records`, body, tamsin);
    expect(problemOf(reply)).toMatchObject({ code: 'stop-not-answered' });
    expect(problemOf(reply).detail).toContain('fetch a technician');
  });

  test('a joint that is not on hand tight is not torqued', async () => {
    const other = await newJob();
    const reply = await server.ask('POST', `/api/jobs/${other.job.id}/torque-records`, torque(other, 0));
    expect(problemOf(reply)).toMatchObject({ code: 'stage-not-ready' });
  });
});

describe('bleeding', () => {
  test('a stroke sent twice counts once, and the last one is taken back', async () => {
    const job = await newJob();
    const [nipple] = nipplesOf(job);
    const at = `/api/jobs/${job.job.id}/nipples/${nipple?.id}/events`;
    const stroke = { id: randomUUID(), kind: 'stroke' };
    const events = async () =>
      (await server.ask('GET', `/api/jobs/${job.job.id}`)).json<JobDetail>().bleedRuns[0]?.events;
    for (const time of [1, 2])
      expect([time, (await server.ask('POST', at, stroke)).statusCode]).toEqual([time, 200]);
    expect(await events()).toHaveLength(1);
    expect((await server.ask('DELETE', `${at}/${stroke.id}`)).statusCode).toBe(200);
    expect(await events()).toEqual([]);
    const nowhere = await server.ask(
      'POST',
      `/api/jobs/${job.job.id}/nipples/${job.joints[0]?.jointId}/events`,
      { id: randomUUID(), kind: 'stroke' },
    );
    expect(nowhere.statusCode).toBe(404);
    const nothing = await server.ask('POST', at, { id: randomUUID(), kind: 'outflow' });
    expect(problemOf(nothing)).toMatchObject({ errors: [{ field: 'outflow' }] });
  });
});

describe('signing off too early', () => {
  test('names the joint, the nipple or the check that is open', async () => {
    const job = await server.job('petrelle-bars');
    const body = {
      ...signedService(job.job.version, [demoId('petrelle/front/circuit')]),
      distance_m: null,
      distanceTyped: '',
    };
    const reply = await server.ask('POST', `/api/jobs/${job.job.id}/finish`, body);
    expect(problemOf(reply)).toMatchObject({
      status: 422,
      code: 'stage-not-ready',
      errors: [{ field: 'jointsNotTorqued' }, { field: 'jointsNotDry' }, { field: 'nipplesNotClear' }],
    });
    expect(problemOf(reply).detail).toMatch(/^Not torqued: .*Left caliper.* Fit: record the torque/);
  });
});

describe('the log of one part or one person', () => {
  test('holds all that names the part, a reading of it that was struck out too, and nothing else', async () => {
    const detail = await server.job('petrelle-bars');
    const [one, other] = detail.hoses;
    const url = `/api/jobs/${detail.job.id}`;
    const mine = tubeReading(one?.hoseId, 0.74);
    const foreign = tubeReading(other?.hoseId, 0.81);
    const apprentice = await server.signInAs('tamsin');
    await server.ask('POST', `${url}/readings`, mine);
    await server.ask('POST', `${url}/readings`, foreign, apprentice);
    await server.ask('POST', `${url}/readings/${mine.id}/strike`, { because: 'The mark slipped' });
    const log = async (query: string) =>
      (await server.ask('GET', `${url}/log?${query}`)).json<{ items: LogEntry[]; next: string | null }>();
    const all = (await log('limit=200')).items;
    const { items } = await log(`limit=200&part=${one?.hoseId}`);
    expect(items.map(({ kind }) => kind).slice(-2)).toEqual(['readingTaken', 'readingStruck']);
    // Every line that names the hose or that reading, in the order of the log; no line of the other hose alone.
    const names = ({ detail: told }: LogEntry) => {
      const text = JSON.stringify(told);
      return text.includes(one?.hoseId ?? '?') || text.includes(mine.id);
    };
    expect(items).toEqual(all.filter(names));
    expect(items.length).toBeLessThan(all.length);
    // The pages of a filtered log go on where they stopped.
    const first = await log(`limit=1&part=${one?.hoseId}`);
    expect(first.items).toEqual(items.slice(0, 1));
    expect((await log(`limit=200&part=${one?.hoseId}&after=${first.next}`)).items).toEqual(items.slice(1));
    const hers = await log('limit=200&by=Tamsin Orrey');
    expect(hers.items).toEqual(all.filter(({ by }) => by === 'Tamsin Orrey'));
    expect(hers.items.length).toBeGreaterThan(0);
    expect((await log(`limit=200&by=Tamsin Orrey&part=${one?.hoseId}`)).items).toEqual([]);
  });
});
