/** Torque figures of several parts, and the metals of a joint, played through the API. */
import { randomUUID } from 'node:crypto';
import type { HydraulicsEntry, JobDetail, LogEntry, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
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
const VEHICLE = { minimum_Nm: 26, maximum_Nm: 32, source: 'vehicleMaker' } as const;
const KIT = { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker', part: 'kit', isFitted: true } as const;

/** Changes every joint of the front brake, and its ports, on the drawing. */
async function draw(
  joint: Partial<HydraulicsEntry['joints'][number]>,
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
      joints: now.joints.map((known) => ({ ...known, ...joint })),
      ports: now.ports.map((known) => ({ ...known, ...port })),
    },
  });
  if (reply.statusCode !== 200) throw new Error(reply.body);
}

/** A job with its joints on hand tight. */
async function job(): Promise<JobDetail> {
  let detail = (
    await server.ask('POST', '/api/jobs', {
      id: randomUUID(),
      vehicleId: WICK,
      circuitId: FRONT,
      title: 'Front hose',
      reason: '',
      hoseIds: [HOSE],
    })
  ).json<JobDetail>();
  const patch = async (path: string, body: object) => {
    const reply = await server.ask('PATCH', `/api/jobs/${detail.job.id}${path}`, body);
    if (reply.statusCode !== 200) throw new Error(reply.body);
    detail = reply.json();
  };
  await patch('', { version: detail.job.version, fitChecks: { offeredUp: true } });
  for (const { jointId, version } of detail.joints)
    await patch(`/joints/${jointId}`, { version, handTight: true });
  return detail;
}

const record = (detail: JobDetail, torque_Nm: number, over: object = {}) =>
  server.ask('POST', `/api/jobs/${detail.job.id}/torque-records`, {
    id: randomUUID(),
    jointId: detail.joints[0]?.jointId,
    wrenchId: demoId('wheel-110'),
    torque_Nm,
    typed: `${torque_Nm} N·m`,
    freshWashers: 2,
    settled: true,
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
  const detail = await job();
  expect((await record(detail, 28)).statusCode).toBe(200);
});

test('M70: another bolt under the vehicle’s figure, until the bolt’s own figure is entered', async () => {
  await draw({ torque: VEHICLE });
  const detail = await job();
  const [joint] = detail.joints;
  if (!joint?.bolt) throw new Error('no bolt');
  const other = joint.bolt.material === 'steel' ? 'aluminium' : 'steel';
  const reply = await server.ask('PATCH', `/api/jobs/${detail.job.id}/joints/${joint.jointId}`, {
    version: joint.version,
    bolt: { ...joint.bolt, material: other },
  });
  expect(reply.statusCode).toBe(200);
  expect(stops(await record(detail, 28))).toContain('M70');
  await draw({ torque: VEHICLE, furtherTorques: [{ ...KIT, part: 'bolt', maximum_Nm: 24 }] });
  expect((await record(detail, 22)).statusCode).toBe(200);
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
    cautions: expect.arrayContaining([
      { id: 'M58', evidence: expect.objectContaining({ part: 'seat' }) as unknown },
    ]) as unknown,
  });
  expect(stops(await specify('aluminium'))).not.toContain('M58');
});
