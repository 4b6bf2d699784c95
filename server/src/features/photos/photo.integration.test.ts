/** Photographs at the vehicle: of parts, of bodywork and of the whole job, each at the step it was taken at. */
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { JobChange, JobDetail, LogEntry, PhotoSubject } from '@zephyrcombe/contract';
import { photoAddress, photoUploadAddress } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let picture: Buffer;
beforeAll(async () => {
  server = await startTestServer();
  picture = await readFile(join(__dirname, '../../testing/picture.png'));
});
afterAll(() => server.close());

const JOB = demoId('job/petrelle-bars');
const PART = {
  joint: demoId('petrelle/front/j-left'),
  line: demoId('petrelle/front/h-left'),
  circuit: demoId('petrelle/front/circuit'),
} as const;

interface Sent {
  readonly jobId?: string;
  readonly photoId?: string;
  readonly step?: string;
}
const send = async (subject: PhotoSubject, subjectId: string, { jobId = JOB, photoId, step }: Sent = {}) =>
  server.app.inject({
    method: 'PUT',
    url: `${photoUploadAddress(jobId, subject, subjectId, photoId ?? randomUUID())}${step === undefined ? '' : `?step=${step}`}`,
    payload: picture,
    headers: { ...OWN_PAGE, 'content-type': 'image/png', cookie: await server.signInAs('brannoc') },
  });
const jobOf = async (jobId: string) => (await server.ask('GET', `/api/jobs/${jobId}`)).json<JobDetail>();
const sayCover = (subjectId: string, value: object | null) =>
  server.ask('POST', `/api/jobs/${JOB}/fit-facts`, {
    id: randomUUID(),
    said: { kind: 'cover', subjectId, value },
  });

test.each(['joint', 'line', 'circuit'] as const)(
  'of a %s stand with it, and with their step',
  async (part) => {
    const subjectId = PART[part];
    const reply = await send('part', subjectId, { step: 'open' });
    expect(reply.statusCode).toBe(200);
    expect(reply.json<JobChange>().changed.photos?.find((one) => one.subjectId === subjectId)).toMatchObject({
      subject: 'part',
      step: 'open',
      takenBy: 'Brannoc Hale',
    });
  },
);

test('of a joint are found in the log by the joint, with what was being done', async () => {
  const photoId = randomUUID();
  await send('part', PART.joint, { photoId, step: 'clean' });
  const { items } = (await server.ask('GET', `/api/jobs/${JOB}/log?limit=200`)).json<{ items: LogEntry[] }>();
  expect(items.find(({ detail }) => detail.photoId === photoId)).toMatchObject({
    kind: 'photoAdded',
    detail: { jointId: PART.joint, step: 'clean' },
  });
});

test('of the whole job belong to no part; one without a step has none', async () => {
  await send('job', JOB);
  const { photos } = await jobOf(JOB);
  expect(photos.find(({ subject }) => subject === 'job')).toMatchObject({ subjectId: JOB, step: null });
});

test('of a part of another vehicle, of another job and at a step nobody knows are refused by name', async () => {
  expect((await send('part', demoId('wick/front/hose'))).statusCode).toBe(404);
  expect((await send('job', demoId('job/wick-front'))).statusCode).toBe(404);
  expect(problemOf(await send('part', PART.joint, { step: 'polish' }))).toMatchObject({
    status: 400,
    errors: [{ field: 'step' }],
  });
});

describe('of bodywork', () => {
  const COVER = randomUUID();

  test('are not kept before there is any, nor after it is said not to be there', async () => {
    expect((await send('cover', COVER)).statusCode).toBe(404);
    await sayCover(COVER, { name: 'Lamp shroud', joints: [PART.joint] });
    expect((await send('cover', COVER, { step: 'openCover' })).statusCode).toBe(200);
    await sayCover(COVER, null);
    expect((await send('cover', COVER)).statusCode).toBe(404);
    await sayCover(COVER, { name: 'Lamp shroud', joints: [PART.joint] });
  });

  test('stay with the vehicle: the next job on it shows them, one of another vehicle and a closed one do not', async () => {
    const { vehicle, photos } = await jobOf(JOB);
    const photo = photos.find(({ subjectId }) => subjectId === COVER);
    expect(photo).toMatchObject({ subject: 'cover', step: 'openCover' });
    const photoId = photo?.id ?? '';
    const next = (
      await server.ask('POST', '/api/jobs', {
        id: randomUUID(),
        vehicleId: vehicle.id,
        circuitIds: [PART.circuit],
        title: 'Again',
        reason: '',
        hoseIds: [PART.line],
      })
    ).json<JobDetail>();
    expect(next.photos.filter(({ subjectId }) => subjectId === COVER)).toMatchObject([{ id: photoId }]);
    expect((await server.ask('GET', photoAddress(next.job.id, photoId))).rawPayload.equals(picture)).toBe(
      true,
    );
    // What is of this job alone is not shown there.
    expect(next.photos.some(({ subject }) => subject !== 'cover')).toBe(false);
    expect((await server.ask('GET', photoAddress(demoId('job/wick-front'), photoId))).statusCode).toBe(404);
    await server.database.models.Job.update(
      { status: 'abandoned', finishedOn: '2026-11-23' },
      { where: { id: next.job.id } },
    );
    expect((await jobOf(next.job.id)).photos).toEqual([]);
  });
});
