/** A brake that one job leaves open is closed by another, or the vehicle does not run. */
import type { VehicleDetail } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { randomUUID } from 'node:crypto';
import * as migration from '../../database/migrations/0026-left-open.ts';
import { PlayedJob } from '../../mistakes/playedJob.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const play = () => new PlayedJob(server).begin();
const leftOn = async (job: PlayedJob) =>
  (await server.ask('GET', `/api/vehicles/${job.vehicleId}`)).json<VehicleDetail>().vehicle.leftOpen ?? [];
const refusals = async (job: PlayedJob) =>
  (problemOf(await job.finish()).errors ?? []).map(({ field }) => field);

/** One joint tight and dry, the other only tight, a clip off. */
async function givenUp(): Promise<PlayedJob> {
  const job = await play();
  await job.specified();
  await job.fitted();
  await job.torqued();
  await job.done(job.editJoint({ leakChecked: true }, 'A'));
  await job.done(
    job.item(randomUUID(), { kind: 'clip', name: 'Clip at the fork', handling: 'refit', done: false }),
  );
  await job.done(job.giveUp());
  return job;
}

test('what was left stands on the vehicle: the joint that nobody saw dry, the clip that is off', async () => {
  const job = await givenUp();
  const { joints } = await job.now();
  expect(await leftOn(job)).toMatchObject([
    {
      jobId: job.id,
      circuits: [{ id: (await job.circuit()).id }],
      joints: [{ id: (await job.joint('B')).jointId, state: 'unproved' }],
      items: [{ kind: 'clip', name: 'Clip at the fork' }],
    },
  ]);
  expect(joints).toHaveLength(2);
});

test('a fluid service of that circuit is not signed over it; with the joint taken in and proved it is, and the vehicle runs', async () => {
  const job = await givenUp();
  const { jointId } = await job.joint('B');
  const circuitId = (await job.circuit()).id;
  const next = await job.next({ circuitIds: [circuitId] });
  await next.done(next.job({ endsConfirmed: true }));
  await next.bled();
  expect(await refusals(next)).toEqual(['jointsLeftOpen', 'itemsLeftOff']);
  await next.done(next.setScope({ circuitIds: [circuitId], jointIds: [jointId] }));
  await next.done(
    next.item(randomUUID(), { kind: 'clip', name: ' clip at the Fork', handling: 'refit', done: true }),
  );
  // In the job it has the gates of every joint.
  expect(await refusals(next)).toEqual(expect.arrayContaining(['jointsNotTorqued', 'jointsNotDry']));
  await next.done(next.job({ endsConfirmed: true }));
  await next.done(next.editJoint({ boltState: 'new' }, 'B'));
  await next.fitted();
  await next.done(next.torque('B', { renewed: false }));
  await next.bled();
  expect((await next.finish()).statusCode).toBe(200);
  expect(await leftOn(job)).toEqual([]);
});

test('a job that is given up once more adds to it', async () => {
  const job = await givenUp();
  const { jointId } = await job.joint('B');
  const second = await job.next({ jointIds: [jointId] });
  await second.done(second.job({ endsConfirmed: true }));
  await second.done(second.editJoint({ boltState: 'new' }, 'B'));
  await second.done(second.handTight('B'));
  await second.done(second.giveUp());
  expect((await leftOn(job)).map(({ joints }) => joints.map(({ id, state }) => [id, state]))).toEqual([
    [[jointId, 'unproved']],
    [[jointId, 'open']],
  ]);
});

test('in a book of before it is read from the jobs that were given up, unless one was signed there since', async () => {
  const [open, closed] = [await givenUp(), await givenUp()];
  const signed = await closed.next({ hoseIds: [closed.hoseId] });
  await signed.readyToSign();
  await signed.done(
    signed.item(randomUUID(), { kind: 'clip', name: 'Clip at the fork', handling: 'refit', done: true }),
  );
  expect((await signed.finish()).statusCode).toBe(200);
  const [before] = await leftOn(open);
  const queries = server.database.sequelize.getQueryInterface();
  await migration.down(queries);
  await migration.up(queries);
  // How a joint was left, and at what hour, was not kept then.
  const [read] = await leftOn(open);
  expect(read).toMatchObject({
    ...before,
    at: '2026-11-23T00:00:00.000Z',
    joints: [{ ...before?.joints[0], state: 'open' }],
  });
  expect(await leftOn(closed)).toEqual([]);
});

test('a circuit that another open job has open is not signed, until that one is closed', async () => {
  const job = await play();
  await job.specified();
  await job.done(job.offerUp());
  await job.done(job.follow(({ kind }) => kind === 'takeOff'));
  const fluid = await job.next({ circuitIds: [(await job.circuit()).id] });
  await fluid.done(fluid.job({ endsConfirmed: true }));
  expect(await refusals(fluid)).toContain('jointsOpenElsewhere');
  // Tight in its own job, it is that job's to prove.
  await job.fitted();
  await job.torqued();
  expect(await refusals(fluid)).not.toContain('jointsOpenElsewhere');
});

test('a joint that was tight in this job before another one opened it and was given up is closed anew', async () => {
  const job = await play();
  await job.specified();
  await job.done(job.offerUp());
  const { jointId } = await job.joint('B');
  const early = await job.next({ jointIds: [jointId] });
  await early.done(early.job({ endsConfirmed: true }));
  await early.done(early.editJoint({ boltState: 'new' }, 'B'));
  await early.fitted();
  await early.done(early.torque('B'));
  await early.bled();
  server.pass(60_000);
  await job.done(job.follow(({ kind }) => kind === 'takeOff'));
  server.pass(60_000);
  await job.done(job.giveUp());
  const refused = problemOf(await early.finish());
  expect(refused.errors).toMatchObject([{ field: 'jointsLeftOpen' }]);
  const name = partsOf(await early.now()).joints.find(({ id }) => id === jointId)?.name;
  expect(refused.detail).toContain(name);
});

test('a joint that was left open is not taken off the drawing to be rid of it; with it there, the drawing may change', async () => {
  const job = await givenUp();
  const rid = await job.draw((drawing) => ({ ...drawing, hoses: [], joints: [] }));
  expect(problemOf(rid)).toMatchObject({ code: 'in-use' });
  expect((await job.draw((drawing) => ({ ...drawing, name: 'Front brake, as drawn anew' }))).statusCode).toBe(
    200,
  );
  expect(await leftOn(job)).toHaveLength(1);
});
