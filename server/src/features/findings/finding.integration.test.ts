import { randomUUID } from 'node:crypto';
import { deflateSync, crc32 } from 'node:zlib';
import type { JobChange, JobDetail, VehicleDetail } from '@zephyrcombe/contract';
import { photoAddress, photoUploadAddress } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from '../../testing/testServer.ts';
import { readPicture } from '../photos/photo.routes.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const JOB = demoId('job/petrelle-bars');
const HOSE = demoId('petrelle/front/h-left');
const JOINT = demoId('petrelle/front/j-left');

/** A grey PNG, made from its chunks. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    const check = Buffer.alloc(4);
    check.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, check]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 0, 0, 0, 0], 8);
  const rows = Buffer.alloc((width + 1) * Math.min(height, 100), 0x80);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

const finding = (over: object = {}) => ({
  id: randomUUID(),
  subject: 'hose',
  subjectId: HOSE,
  condition: 'chafed',
  degree: 'slight',
  note: 'Under the lamp guard',
  ...over,
});
const record = (body: object) => server.ask('POST', `/api/jobs/${JOB}/findings`, body);
const upload = async (findingId: string, bytes: Buffer, type = 'image/png', photoId = randomUUID()) =>
  server.app.inject({
    method: 'PUT',
    url: photoUploadAddress(JOB, 'finding', findingId, photoId),
    payload: bytes,
    headers: { ...OWN_PAGE, 'content-type': type, cookie: await server.signInAs('brannoc') },
  });

describe('findings', () => {
  test('are recorded with who found them, and once however often they are sent', async () => {
    const body = finding();
    await record(body);
    const detail = (await record(body)).json<JobDetail>();
    const own = detail.findings.filter((one) => one.id === body.id);
    expect(own).toEqual([
      {
        ...body,
        foundBy: 'Brannoc Hale',
        foundById: demoId('brannoc'),
        foundAt: expect.any(String) as string,
        struckBecause: null,
      },
    ]);
  });

  test('are struck out with a reason and stay in the record and the log', async () => {
    const body = finding({ subject: 'joint', subjectId: JOINT, condition: 'leaking' });
    await record(body);
    const reply = await server.ask('POST', `/api/jobs/${JOB}/findings/${body.id}/strike`, {
      because: 'Spilt fluid only',
    });
    expect(reply.json<JobDetail>().findings.find((one) => one.id === body.id)).toMatchObject({
      struckBecause: 'Spilt fluid only',
    });
    const log = (await server.ask('GET', `/api/jobs/${JOB}/log?limit=200`)).json<{
      items: { kind: string }[];
    }>();
    expect(log.items.slice(-2).map((entry) => entry.kind)).toEqual(['findingRecorded', 'findingStruck']);
    expect((await server.ask('POST', `/api/jobs/${JOB}/findings/${body.id}/strike`, {})).statusCode).toBe(
      400,
    );
  });

  test.each([
    ['on a part of another circuit', { subjectId: demoId('wick/front/hose') }, 'subjectId'],
    ['on a joint called a hose', { subjectId: JOINT }, 'subjectId'],
    ['that a joint cannot have', { subject: 'joint', subjectId: JOINT, condition: 'swollen' }, 'condition'],
    ['of a degree nobody knows', { degree: 'awful' }, 'degree'],
  ])('%s are refused', async (_what, over, field) => {
    const reply = await record(finding(over));
    expect(problemOf(reply)).toMatchObject({ status: 400, errors: [{ field }] });
  });
});

describe('photographs', () => {
  test('are kept with their finding and given back byte for byte', async () => {
    const body = finding();
    await record(body);
    const bytes = png(40, 30);
    // What it calls itself does not count.
    const reply = await upload(body.id, bytes, 'image/heic');
    const photo = reply.json<JobChange>().changed.photos?.find((one) => one.subjectId === body.id);
    expect(photo).toMatchObject({
      mediaType: 'image/png',
      width_px: 40,
      height_px: 30,
      size_bytes: bytes.length,
    });
    const back = await server.ask('GET', photoAddress(JOB, photo?.id ?? ''));
    expect(back.headers['content-type']).toBe('image/png');
    expect(back.rawPayload.equals(bytes)).toBe(true);
    expect((await server.ask('GET', photoAddress(JOB, photo?.id ?? ''), undefined, null)).statusCode).toBe(
      401,
    );
    expect(
      (await server.ask('GET', photoAddress(demoId('job/wick-front'), photo?.id ?? ''))).statusCode,
    ).toBe(404);
  });

  test('text in the coat of a picture, a torn picture and one too wide are refused', async () => {
    const body = finding();
    await record(body);
    for (const bytes of [Buffer.from('<svg onload="alert(1)"/>'), png(40, 30).subarray(0, 12), png(7000, 10)])
      expect(problemOf(await upload(body.id, bytes))).toMatchObject({ status: 422, code: 'not-a-picture' });
    expect(readPicture(Buffer.from('GIF89a\x01\x00\x01\x00', 'latin1'))).toBeNull();
  });

  test('more than 4 MB is refused before it is read', async () => {
    const body = finding();
    await record(body);
    const reply = await upload(body.id, Buffer.alloc(4 * 1024 * 1024 + 1));
    expect(problemOf(reply)).toMatchObject({ status: 413, code: 'too-large' });
  });
});

describe('what a job found and left on', () => {
  const WICK = demoId('wick');
  const FRONT_HOSE = demoId('wick/front/hose');
  const start = async (hoseIds: readonly string[], jointIds: readonly string[] = []) => {
    const body = {
      id: randomUUID(),
      vehicleId: WICK,
      circuitIds: [demoId('wick/front/circuit')],
      title: 'Front brake',
      reason: '',
      hoseIds,
      jointIds,
    };
    const reply = await server.ask('POST', '/api/jobs', body);
    if (reply.statusCode !== 200) throw new Error(reply.body);
    return reply.json<JobDetail>();
  };
  const close = (jobId: string, status: 'abandoned' | 'finished') =>
    server.database.models.Job.update({ status, finishedOn: '2026-11-23' }, { where: { id: jobId } });
  const leftOn = async () =>
    (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>().leftOn.map(({ id }) => id);

  test('stands on the vehicle until a signed job replaced it', async () => {
    const { job } = await start([]);
    const found = (over: object) => finding({ subjectId: FRONT_HOSE, ...over });
    const [cracked, sound, slip] = [
      found({ condition: 'cracked', degree: 'marked' }),
      found({ condition: 'sound' }),
      found({ condition: 'swollen', degree: 'marked' }),
    ];
    for (const one of [cracked, sound, slip])
      expect((await server.ask('POST', `/api/jobs/${job.id}/findings`, one)).statusCode).toBe(200);
    const strike = `/api/jobs/${job.id}/findings/${slip.id}/strike`;
    expect((await server.ask('POST', strike, { because: 'The other hose' })).statusCode).toBe(200);
    // While the job is open it is asked about there.
    expect(await leftOn()).toEqual([]);
    await close(job.id, 'abandoned');
    expect(await leftOn()).toEqual([cracked.id]);
    const told = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>().leftOn[0];
    expect(told).toMatchObject({ jobId: job.id, name: 'Front hose', condition: 'cracked', degree: 'marked' });

    const other = await start([]);
    await close(other.job.id, 'finished');
    expect(await leftOn()).toEqual([cracked.id]);
    const replacing = await start([FRONT_HOSE]);
    expect(await leftOn()).toEqual([cracked.id]);
    await close(replacing.job.id, 'finished');
    expect(await leftOn()).toEqual([]);
  });

  test('stands on a joint until a signed job tightened it anew; a torn thread is not healed by that', async () => {
    const { circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
    const joint = circuits[0]?.joints[0];
    const { job } = await start([]);
    const found = (condition: string) =>
      finding({ subject: 'joint', subjectId: joint?.id, condition, degree: 'marked' });
    const [seized, torn] = [found('seizedNut'), found('damagedThread')];
    for (const one of [seized, torn])
      expect((await server.ask('POST', `/api/jobs/${job.id}/findings`, one)).statusCode).toBe(200);
    await close(job.id, 'abandoned');
    expect(new Set(await leftOn())).toEqual(new Set([seized.id, torn.id]));
    const told = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>().leftOn;
    expect(told.map(({ name, subject }) => ({ name, subject }))).toContainEqual({
      name: joint?.name,
      subject: 'joint',
    });
    const anew = await start([], [joint?.id ?? '']);
    expect((await leftOn()).length).toBe(2);
    await close(anew.job.id, 'finished');
    expect(await leftOn()).toEqual([torn.id]);
  });
});
