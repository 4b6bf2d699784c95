import type { JobDetail } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import { tubeReading } from '../../testing/samples.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { FitOptions } from '../../testing/fitting.ts';
import { putOn } from '../../testing/fitting.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const JOB = demoId('job/petrelle-bars');
const HOSE = demoId('petrelle/front/h-left');
const EYES = { endA: 'eyeCentre', endB: 'eyeCentre' };

const detail = async () => (await server.ask('GET', `/api/jobs/${JOB}`)).json<JobDetail>();
const hoseOf = (job: JobDetail) => {
  const hose = job.hoses.find(({ hoseId }) => hoseId === HOSE);
  if (!hose) throw new Error('no such hose');
  return hose;
};
const take = (over: Record<string, unknown>) =>
  server.ask('POST', `/api/jobs/${JOB}/readings`, tubeReading(HOSE, 0.728, { datum: EYES, ...over }));
const editHose = async (body: Record<string, unknown>) =>
  server.ask('PATCH', `/api/jobs/${JOB}/hoses/${HOSE}`, { version: hoseOf(await detail()).version, ...body });

describe('a reading', () => {
  test('has to be what was typed, in the datum it was read from', async () => {
    const wrong = await take({ length_m: 0.73 });
    expect(wrong.statusCode).toBe(400);
    expect(problemOf(wrong).errors?.[0]?.field).toBe('length_m');
    const unread = await take({ typed: 'about right' });
    expect(problemOf(unread).errors?.[0]?.field).toBe('typed');
  });

  test('of wire is kept with what was wrapped round the bolts', async () => {
    const wrap = { turnsA: 1, turnsB: 0, boltA_m: 0.01, boltB_m: 0.01, wire_m: 0.0016 };
    const reply = await take({
      aid: 'wire',
      typed: '764 mm',
      length_m: 0.764 - Math.PI * 0.0116,
      wrap,
      tightBends: { quarters: 2, radius_m: 0.015 },
    });
    expect(reply.statusCode).toBe(200);
    expect(reply.json<JobDetail>().readings.at(-1)).toMatchObject({
      wrap,
      tightBends: { quarters: 2, radius_m: 0.015 },
      uncertainty_m: null,
    });
  });

  test('that no brake hose has is a stop, M04, until somebody says why', async () => {
    const bad = { typed: '8.5 m', length_m: 8.5 };
    const stopped = await take(bad);
    expect(stopped.statusCode).toBe(422);
    expect(problemOf(stopped).cautions?.map(({ id }) => id)).toEqual(['M04']);
    const answered = await take({ ...bad, overrides: [{ caution: 'M04', reason: 'a trailer line' }] });
    expect(answered.statusCode).toBe(200);
  });
});

describe('what is asked before a length is taken', () => {
  const ready = async () => {
    await take({});
    await take({ length_m: 0.73, typed: '730 mm' });
    await editHose({
      poseChecks: {
        controlsFinal: true,
        bracketsInPlace: true,
        leftLock: true,
        rightLock: true,
        fullBump: true,
      },
    });
  };

  test('which points the supplier joins: M03', async () => {
    await ready();
    await editHose({ orderDatum: null });
    const stopped = await editHose({ order_m: 0.742 });
    expect(problemOf(stopped).cautions?.map(({ id }) => id)).toEqual(['M03']);
    await editHose({ orderDatum: EYES });
    expect((await editHose({ order_m: 0.742 })).statusCode).toBe(200);
  });

  test('a lift lengthens the order, and stays with the hose', async () => {
    await ready();
    const lift = { height_m: 0.05, droop_m: 0.04 };
    expect(hoseOf((await editHose({ lift, orderDatum: EYES })).json<JobDetail>()).lift).toEqual(lift);
    const short = await editHose({ order_m: 0.742 });
    expect(problemOf(short).errors?.[0]?.field).toBe('order_m');
    expect((await editHose({ order_m: 0.782 })).statusCode).toBe(200);
    // Another lift, and the length has to be taken again.
    const without = (await editHose({ lift: null })).json<JobDetail>();
    expect(hoseOf(without)).toMatchObject({ lift: null, order_m: null, specified: false });
  });
});

test('no joint goes on before the new hoses were held against the route: M14', async () => {
  const before = await server.job('wick-front');
  const joint = before.joints[0];
  if (!joint) throw new Error('no joint');
  const on = (options: FitOptions) => putOn(server, before.job.id, joint.jointId, options);
  const overrides = [{ caution: 'M14', reason: 'Held the old one beside it.' }];
  // Not before its hose is specified, whatever reason is given.
  expect(problemOf(await on({ without: ['offerUp'], overrides })).code).toBe('stage-not-ready');
  await allSpecified(server, before.job.id);
  expect(problemOf(await on({ without: ['offerUp'] })).cautions?.map(({ id }) => id)).toEqual(['M14']);
  expect((await on({})).statusCode).toBe(200);
});
