/** Torque figures of several parts, and the metals of a joint, played through the API. */
import { randomUUID } from 'node:crypto';
import type { HydraulicsEntry, JobDetail, LogEntry, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf, nipplesOf } from '@zephyrcombe/contract';
import type { JointMaterial } from '@zephyrcombe/core';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { demoId } from '../../demo/identity.ts';
import { signedService } from '../../testing/samples.ts';
import { putTogether } from '../../testing/fitting.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const WICK = demoId('wick');
const FRONT = demoId('wick/front/circuit');
const HOSE = demoId('wick/front/hose');
const VEHICLE = { minimum_Nm: 26, maximum_Nm: 32, source: 'vehicleMaker', forBolt: 'steel' } as const;
const KIT = {
  minimum_Nm: 18,
  maximum_Nm: 21,
  source: 'hoseMaker',
  part: 'kit',
  isFitted: true,
  forBolt: null,
} as const;

type DrawnJoint = HydraulicsEntry['joints'][number];

/** Changes every joint of the front brake, and its ports, on the drawing. */
async function draw(
  joint: Partial<DrawnJoint> | ((known: DrawnJoint) => Partial<DrawnJoint>),
  port: Partial<HydraulicsEntry['ports'][number]> = {},
): Promise<void> {
  const { circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
  const circuit = circuits.find(({ id }) => id === FRONT);
  if (!circuit) throw new Error('no front brake');
  const now = hydraulicsOf(circuit);
  const reply = await server.ask('PUT', `/api/vehicles/${WICK}/circuits/${FRONT}`, {
    version: circuit.version,
    hydraulics: {
      ...now,
      joints: now.joints.map((known) => ({
        ...known,
        ...(typeof joint === 'function' ? joint(known) : joint),
      })),
      ports: now.ports.map((known) => ({ ...known, ...port })),
    },
  });
  if (reply.statusCode !== 200) throw new Error(reply.body);
}

/** A job with its joints on hand tight. */
async function job(): Promise<JobDetail> {
  const detail = (
    await server.ask('POST', '/api/jobs', {
      id: randomUUID(),
      vehicleId: WICK,
      circuitIds: [FRONT],
      title: 'Front hose',
      reason: '',
      hoseIds: [HOSE],
    })
  ).json<JobDetail>();
  await allSpecified(server, detail.job.id);
  const reply = await putTogether(server, detail.job.id);
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
}

const record = (detail: JobDetail, torque_Nm: number, over: object = {}) =>
  server.ask('POST', `/api/jobs/${detail.job.id}/torque-records`, {
    id: randomUUID(),
    jointId: detail.joints[0]?.jointId,
    wrenchId: demoId('wheel-110'),
    torque_Nm,
    typed: `${torque_Nm} N·m`,
    freshWashers: 2,
    witnessMark: true,
    ...over,
  });
const stops = (reply: Awaited<ReturnType<typeof record>>) =>
  ((problemOf(reply) as { cautions?: { id: string }[] }).cautions ?? []).map(({ id }) => id);

test('M70: the vehicle’s torque on the kit’s bolt is a stop; the kit’s own is recorded with its range', async () => {
  await draw({ torque: VEHICLE, furtherTorques: [KIT] });
  const detail = await job();
  expect(stops(await record(detail, 28))).toEqual(['M70', 'M71']);
  const clean = await record(detail, 19.6, { wrenchId: demoId('bench-25') });
  expect(clean.statusCode).toBe(200);
  const { items } = (await server.ask('GET', `/api/jobs/${detail.job.id}/log`)).json<{ items: LogEntry[] }>();
  expect(items.findLast(({ kind }) => kind === 'torqued')).toMatchObject({
    detail: { range: { part: 'kit', minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' } },
  });
});

test('a part that is not fitted does not govern', async () => {
  await draw({ torque: VEHICLE, furtherTorques: [{ ...KIT, isFitted: false }] });
  const detail = await chooseBolts(await job(), 'steel');
  expect((await record(detail, 28)).statusCode).toBe(200);
});

/** The bolt of every joint on the drawing, of another metal. */
const drawBolts = (material: JointMaterial) => draw(({ bolt }) => ({ bolt: bolt && { ...bolt, material } }));

/** Chosen and specified anew with it. */
async function chooseBolts(detail: JobDetail, material: JointMaterial): Promise<JobDetail> {
  for (const { jointId, version, bolt } of detail.joints) {
    const reply = await server.ask('PATCH', `/api/jobs/${detail.job.id}/joints/${jointId}`, {
      version,
      bolt: bolt && { ...bolt, material },
    });
    if (reply.statusCode !== 200) throw new Error(reply.body);
  }
  return allSpecified(server, detail.job.id);
}

describe('M70: the vehicle’s figure is for the bolt it was given for, whatever the drawing says since', () => {
  test('the bolt chosen in the job; clean with the bolt it was given for', async () => {
    await draw({ torque: VEHICLE });
    const steel = await chooseBolts(await job(), 'steel');
    expect((await record(steel, 28)).statusCode).toBe(200);
    const lighter = await chooseBolts(await job(), 'aluminium');
    expect(stops(await record(lighter, 28))).toEqual(['M70']);
  });

  test('the drawing’s bolt changed first, before or after the figure is entered; clean where the figure is for it', async () => {
    await drawBolts('aluminium');
    await draw({ torque: VEHICLE });
    expect(stops(await record(await job(), 28))).toEqual(['M70']);
    await drawBolts('steel');
    expect((await record(await job(), 28)).statusCode).toBe(200);
    await drawBolts('aluminium');
    expect(stops(await record(await job(), 28))).toEqual(['M70']);
    await draw({ torque: { ...VEHICLE, forBolt: 'aluminium' } });
    expect((await record(await job(), 28)).statusCode).toBe(200);
  });

  test('a stop that was answered and signed off is a stop again in the next job', async () => {
    await draw({ torque: VEHICLE });
    await signOff(await chooseBolts(await job(), 'aluminium'));
    const next = await job();
    expect(next.joints.map(({ bolt }) => bolt?.material)).toEqual(['aluminium', 'aluminium']);
    expect(stops(await record(next, 28))).toEqual(['M70']);
    expect((await record(await chooseBolts(next, 'steel'), 28)).statusCode).toBe(200);
  });

  test('left blank: a figure that names no bolt, or a joint whose bolt nobody names, proves nothing', async () => {
    await drawBolts('steel');
    await draw({ torque: { ...VEHICLE, forBolt: null } });
    expect(stops(await record(await job(), 28))).toEqual(['M70']);
    await draw({ torque: VEHICLE, bolt: null });
    expect(stops(await record(await job(), 28))).toEqual(['M70']);
    // Left out altogether it is asked for by name.
    const { forBolt: _forBolt, ...unnamed } = VEHICLE;
    await expect(draw({ torque: unnamed as never })).rejects.toThrow('forBolt');
  });
});

/** Torqued with a reason for what stands against it, bled, wiped and signed. */
async function signOff(detail: JobDetail): Promise<void> {
  const { id } = detail.job;
  let now = detail;
  const act = async (method: 'PATCH' | 'POST', path: string, body: object) => {
    const reply = await server.ask(method, `/api/jobs/${id}${path}`, body);
    if (reply.statusCode !== 200) throw new Error(`${path}: ${reply.body}`);
    now = (await server.ask('GET', `/api/jobs/${id}`)).json();
  };
  const overrides = [{ caution: 'M70', reason: 'Lead looked at it' }];
  for (const { jointId } of detail.joints) {
    const reply = await record(detail, 28, { jointId, overrides });
    if (reply.statusCode !== 200) throw new Error(reply.body);
    now = reply.json();
  }
  for (const { id: nippleId } of nipplesOf(detail))
    for (const kind of ['stroke', 'clear'])
      await act('POST', `/nipples/${nippleId}/events`, { id: randomUUID(), kind });
  for (const { jointId, version } of now.joints)
    await act('PATCH', `/joints/${jointId}`, { version, leakChecked: true });
  await act('PATCH', '', {
    version: now.job.version,
    handoverChecks: Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])),
  });
  await act('POST', '/finish', signedService(now.job.version));
}

test('M70: another bolt under the vehicle’s figure, until the bolt’s own figure is entered', async () => {
  await draw({ torque: VEHICLE });
  const detail = await chooseBolts(await job(), 'aluminium');
  expect(stops(await record(detail, 28))).toEqual(['M70']);
  await draw({ torque: VEHICLE, furtherTorques: [{ ...KIT, part: 'bolt', maximum_Nm: 24 }] });
  expect((await record(detail, 22)).statusCode).toBe(200);
});

test('a torque sent as another figure than was typed is refused, whatever unit it was typed in', async () => {
  const detail = await job();
  const sent = (torque_Nm: number, typed: string) =>
    record(detail, torque_Nm, { typed, wrenchId: demoId('bench-25') });
  for (const [torque_Nm, typed] of [
    [19.5, '2 N·m'],
    [19.5, '19.5 lbf·ft'],
    [19.6, '19.5 N·m'],
  ] as const)
    expect(problemOf(await sent(torque_Nm, typed))).toMatchObject({
      status: 400,
      errors: [{ field: 'torque_Nm' }],
    });
  expect(problemOf(await sent(19.5, 'tight')).errors).toMatchObject([{ field: 'typed' }]);
  const [known] = (await server.ask('GET', `/api/jobs/${detail.job.id}`)).json<JobDetail>().torqueRecords;
  expect(known).toBeUndefined();
  expect((await sent(14.5 * 1.3558179483314, '14.5 lbf·ft')).statusCode).toBe(200);
});

test('figures upside down are refused by name, and nothing is saved', async () => {
  await expect(draw({ furtherTorques: [{ ...KIT, minimum_Nm: 30 }] })).rejects.toThrow(
    'must be at least the lower figure',
  );
});

test('M58: copper washers on an aluminium seat stop the specification; aluminium ones do not', async () => {
  await draw({}, { seatMaterial: 'aluminium' });
  const detail = await job();
  const specify = async (material: string) => {
    for (const { jointId } of detail.joints) {
      const now = (await server.ask('GET', `/api/jobs/${detail.job.id}`)).json<JobDetail>();
      const joint = now.joints.find((candidate) => candidate.jointId === jointId);
      await server.ask('PATCH', `/api/jobs/${detail.job.id}/joints/${jointId}`, {
        version: joint?.version,
        bolt: joint?.bolt && { ...joint.bolt, material: 'steel' },
        washer: joint?.washer && { ...joint.washer, material },
      });
    }
    await server.database.models.JobHose.update({ order_m: 0.9 }, { where: { jobId: detail.job.id } });
    const now = (await server.ask('GET', `/api/jobs/${detail.job.id}`)).json<JobDetail>();
    return server.ask('PATCH', `/api/jobs/${detail.job.id}/hoses/${HOSE}`, {
      version: now.hoses[0]?.version,
      specified: true,
    });
  };
  expect(problemOf(await specify('copper'))).toMatchObject({
    code: 'stop-not-answered',
    cautions: [
      { id: 'M58', subject: 'Front master', evidence: { part: 'seat' } },
      { id: 'M58', subject: 'Front caliper', evidence: { part: 'seat' } },
    ],
  });
  expect(stops(await specify('aluminium'))).not.toContain('M58');
});
