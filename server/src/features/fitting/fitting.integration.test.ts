/** Steps of fitting through the API: sent twice, taken back, what is known for the next job, a joint without a figure, the plan as a file. */
import { randomUUID } from 'node:crypto';
import type { Circuit, JobDetail, VehicleDetail } from '@zephyrcombe/contract';
import { FitPlanDocumentSchema, hydraulicsOf } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import {
  factOf,
  fitNames,
  fitPlanOf,
  fitStepGate,
  fitTimes,
  fitTools,
  isTorqued,
  lengthStanding,
  signCautions,
} from '@zephyrcombe/workshop';
import { demoId } from '../../demo/identity.ts';
import { PlayedJob } from '../../mistakes/playedJob.ts';
import { putOn, putTogether, sendSteps, takeAll, takeBack } from '../../testing/fitting.ts';
import { allSpecified } from '../../testing/specified.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

type Reply = Awaited<ReturnType<TestServer['ask']>>;
const good = (reply: Reply): Reply => {
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply;
};
const WICK = demoId('wick');
const FRONT = demoId('wick/front/circuit');
const HOSE = demoId('wick/front/hose');

async function job(): Promise<JobDetail> {
  const id = randomUUID();
  good(
    await server.ask('POST', '/api/jobs', {
      id,
      vehicleId: WICK,
      circuitIds: [FRONT],
      title: 'Front hose',
      reason: '',
      hoseIds: [HOSE],
    }),
  );
  return allSpecified(server, id);
}
const now = async ({ job: { id } }: JobDetail): Promise<JobDetail> =>
  (await server.ask('GET', `/api/jobs/${id}`)).json();
const post = (detail: JobDetail, path: string, body: object) =>
  server.ask('POST', `/api/jobs/${detail.job.id}/${path}`, body);
const say = (detail: JobDetail, kind: string, subjectId: string, value: unknown) =>
  post(detail, 'fit-facts', { id: randomUUID(), said: { kind, subjectId, value } });
const fields = (reply: Reply) => problemOf(reply).errors?.map(({ field }) => field);

test('a step that is sent twice is one step; the id of another step is refused', async () => {
  const detail = await job();
  const id = randomUUID();
  const step = { id, step: { kind: 'photograph', line: HOSE } };
  for (let time = 0; time < 2; time += 1)
    good(await post(detail, 'fit-steps', { steps: [step], overrides: [] }));
  expect((await now(detail)).fitSteps).toMatchObject([step]);
  const other = { id, step: { kind: 'coverPaint' } };
  expect(problemOf(await post(detail, 'fit-steps', { steps: [other], overrides: [] })).code).toBe('id-taken');
  // One that is wrong in the middle leaves nothing of the others.
  const [first, wrong]: PlanStep[] = [{ kind: 'coverPaint' }, { kind: 'takeOff', line: HOSE, body: 'old' }];
  expect(fields(await sendSteps(server, detail.job.id, [first as PlanStep, wrong as PlanStep]))).toContain(
    'fitWaits.OF6',
  );
  expect((await now(detail)).fitSteps).toHaveLength(1);
});

test('steps are taken back from the last one on, with what followed from them; a torque is not', async () => {
  const detail = await job();
  good(await putTogether(server, detail.job.id));
  const on = await now(detail);
  expect(on.joints.map(({ handTight }) => handTight)).toEqual([true, true]);
  expect(on.job.fitChecks).toEqual({ offeredUp: true, settle: true, lockToLock: true, droopAndBump: true });
  const first = on.fitSteps[0];
  expect(fields(await server.ask('DELETE', `/api/jobs/${on.job.id}/fit-steps/${first?.id}`))).toEqual([
    'fitNotLast',
  ]);
  await takeBack(server, on.job.id);
  const back = await now(detail);
  expect(back.fitSteps).toEqual([]);
  expect(back.joints.map(({ handTight }) => handTight)).toEqual([false, false]);
  expect(back.job.fitChecks).toEqual({
    offeredUp: false,
    settle: false,
    lockToLock: false,
    droopAndBump: false,
  });
  expect(back.hoses[0]?.offeredUp).toBeNull();
  // All of it stays in the log.
  const { items } = (await server.ask('GET', `/api/jobs/${on.job.id}/log?limit=200`)).json<{
    items: { kind: string; detail: { undo?: boolean } }[];
  }>();
  const told = items.filter(({ kind }) => kind === 'fitStepTaken');
  expect(told.filter(({ detail: { undo } }) => undo).length).toBe(on.fitSteps.length);
});

test('what is known of the vehicle is known in its next job; what is chosen for one job is not', async () => {
  const detail = await job();
  const [joint] = detail.joints;
  const jointId = joint?.jointId ?? '';
  good(await say(detail, 'access', jointId, 3));
  good(await say(detail, 'seized', jointId, true));
  good(await say(detail, 'trialWashers', detail.job.id, 'on'));
  const next = await job();
  const known = next.fitFacts.map(({ said }) => said.kind);
  expect(known).toEqual(['access']);
  expect(fitPlanOf(next).scope.joints.find(({ id }) => id === jointId)).toMatchObject({
    access: 3,
    seized: false,
  });
  // About what is not there, or not of its kind, nothing is said.
  expect(fields(await say(detail, 'access', HOSE, 1))).toEqual(['subjectId']);
  expect(fields(await say(detail, 'holds', jointId, []))).toEqual(['subjectId']);
  expect(fields(await say(detail, 'rhythm', randomUUID(), 'allOff'))).toEqual(['subjectId']);
});

test('a joint that is cracked again is not tight any more, and is tightened anew with new washers', async () => {
  const detail = await job();
  good(await putTogether(server, detail.job.id));
  const [joint] = detail.joints;
  const jointId = joint?.jointId ?? '';
  const torque = () =>
    post(detail, 'torque-records', {
      id: randomUUID(),
      jointId,
      wrenchId: demoId('bench-25'),
      torque_Nm: 19.6,
      typed: '19.6 N·m',
      freshWashers: 2,
      witnessMark: true,
    });
  good(await torque());
  expect(isTorqued(await now(detail), jointId)).toBe(true);
  good(await sendSteps(server, detail.job.id, [{ kind: 'crack', joint: jointId }]));
  const loose = await now(detail);
  expect(isTorqued(loose, jointId)).toBe(false);
  expect(loose.joints.find((one) => one.jointId === jointId)?.handTight).toBe(false);
  expect(fields(await torque())).toEqual(['notHandTight']);
  good(await putOn(server, detail.job.id, jointId));
  good(await torque());
  expect(isTorqued(await now(detail), jointId)).toBe(true);
});

describe('a joint without a figure', () => {
  async function withoutFigure(source: string | null): Promise<void> {
    const { circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
    const circuit = circuits.find(({ id }) => id === FRONT) as Circuit;
    const drawn = hydraulicsOf(circuit);
    good(
      await server.ask('PUT', `/api/vehicles/${WICK}/circuits/${FRONT}`, {
        version: circuit.version,
        hydraulics: {
          ...drawn,
          joints: drawn.joints.map((joint) => ({ ...joint, torque: { ...joint.torque, source } })),
        },
      }),
    );
  }
  const byFeel = async (detail: JobDetail, over: object = {}) =>
    post(detail, 'by-feel', {
      id: randomUUID(),
      jointId: detail.joints[0]?.jointId,
      freshWashers: 2,
      witnessMark: true,
      because: 'Manual has none, the maker does not answer',
      ...over,
    });

  test('is tightened by feel, and says who and why; the record has no number', async () => {
    await withoutFigure(null);
    const detail = await job();
    good(await putTogether(server, detail.job.id));
    expect(fields(await byFeel(detail, { because: '' }))).toEqual(['because']);
    // No wrench is set to a guess of ours.
    const pull = { id: randomUUID(), jointId: detail.joints[0]?.jointId };
    expect(fields(await server.ask('POST', `/api/jobs/${detail.job.id}/pulls`, pull))).toEqual(['jointId']);
    expect(problemOf(await byFeel(detail, { freshWashers: 0 })).cautions?.map(({ id }) => id)).toEqual([
      'M57',
      'M59',
    ]);
    good(await byFeel(detail));
    const after = await now(detail);
    expect(after.torqueRecords).toMatchObject([
      { verdict: 'byFeel', torque_Nm: null, wrenchId: null, typed: '' },
    ]);
    expect(isTorqued(after, detail.joints[0]?.jointId ?? '')).toBe(true);
  });

  test('that has one with its source is not: it is tightened to that', async () => {
    const detail = await job();
    good(await putTogether(server, detail.job.id));
    expect(fields(await byFeel(detail))).toEqual(['jointId']);
    // Nor before it is on.
    const other = await job();
    expect(fields(await byFeel(other))).toEqual(['notHandTight']);
  });
});

test('the plan is told as a file that its schema knows; the last look and the caps are asked once', async () => {
  const detail = await job();
  const told = good(await server.ask('GET', `/api/jobs/${detail.job.id}/fit-plan`)).json<object>();
  const plan = FitPlanDocumentSchema.parse(told);
  expect(plan.steps[0]).toMatchObject({ id: 's1', kind: 'photograph' });
  expect(plan.choices.kept).toBeDefined();
  good(await putTogether(server, detail.job.id));
  for (const { jointId } of detail.joints)
    good(
      await post(detail, 'torque-records', {
        id: randomUUID(),
        jointId,
        wrenchId: demoId('bench-25'),
        torque_Nm: 19.6,
        typed: '19.6 N·m',
        freshWashers: 2,
        witnessMark: true,
      }),
    );
  expect((await now(detail)).job.handoverChecks.plugsCounted).not.toBe(true);
  good(await takeAll(server, detail.job.id, ['countCaps']));
  expect((await now(detail)).job.handoverChecks.plugsCounted).toBe(true);
});

test('a clip that is loose and bodywork that is off hold the signature', async () => {
  const detail = await job();
  const cover = randomUUID();
  good(await say(detail, 'cover', cover, { name: 'Tank', joints: [detail.joints[0]?.jointId] }));
  good(await putTogether(server, detail.job.id));
  const { items } = (await server.ask('GET', `/api/jobs/${detail.job.id}/log?limit=5`)).json<{
    items: object[];
  }>();
  expect(items.length).toBeGreaterThan(0);
  const left = fitPlanOf(await now(detail)).plan.steps.map(({ kind }) => kind);
  expect(left).toContain('closeCover');
  expect(fields(await sendSteps(server, detail.job.id, [{ kind: 'closeCover', cover }]))).toContain(
    'fitWaits.PR8',
  );
});

describe('a stop at a step', () => {
  const cracks = ({ joints }: JobDetail): PlanStep[] =>
    joints.map(({ jointId }) => ({ kind: 'crack', joint: jointId }));

  test('is answered joint by joint: one reason for two dirty joints is none, and what was answered is not asked again', async () => {
    const detail = await job();
    good(
      await takeAll(server, detail.job.id, [
        'offerUp',
        'coverPaint',
        'photograph',
        'drainReservoir',
        'drainNipple',
      ]),
    );
    const because = 'Washed down this morning.';
    const both = await sendSteps(server, detail.job.id, cracks(detail), [
      { caution: 'M64', reason: because },
    ]);
    expect(problemOf(both).cautions?.map(({ id }) => id)).toEqual(['M64', 'M64']);
    expect((await now(detail)).fitSteps.some(({ step }) => step.kind === 'crack')).toBe(false);
    // Each by itself, with its own.
    for (const step of cracks(detail)) {
      expect(problemOf(await sendSteps(server, detail.job.id, [step])).cautions?.length).toBe(1);
      good(await sendSteps(server, detail.job.id, [step], [{ caution: 'M64', reason: because }]));
    }
    const { reasons } = await now(detail);
    expect(reasons.map(({ caution }) => caution)).toEqual(['M64', 'M64']);
    const [low] = fitPlanOf(await now(detail)).plan.steps.filter(({ kind }) => kind === 'open');
    good(await sendSteps(server, detail.job.id, low ? [low] : []));
  });
});

test('a new hose that does not fit: the old one goes on again, whatever became of its length; no torque without a plan', async () => {
  const detail = await job();
  good(await putTogether(server, detail.job.id));
  // Its length is to be taken anew.
  await server.database.models.JobHose.update(
    { order_m: null, specified: false },
    { where: { jobId: detail.job.id } },
  );
  good(await say(detail, 'backOut', HOSE, true));
  good(await putTogether(server, detail.job.id));
  const back = fitPlanOf(await now(detail));
  expect(back.state.lines.get(HOSE)).toMatchObject({ old: 'routed', new: 'off' });
  good(await say(detail, 'backOut', HOSE, false));
  good(await say(detail, 'turnEnd', HOSE, { end: 'A', angle_deg: 200, rotatable: true }));
  const torque = await post(detail, 'torque-records', {
    id: randomUUID(),
    jointId: detail.joints[0]?.jointId,
    wrenchId: demoId('bench-25'),
    torque_Nm: 19.6,
    typed: '19.6 N·m',
    freshWashers: 2,
    witnessMark: true,
  });
  expect(fields(torque)).toContain('fitImpossible.ON7');
});

test('how long steps took is learnt by all jobs of the shop: not what was written together, and not what was taken back', async () => {
  const detail = await job();
  const paced: readonly (readonly [PlanStep, number])[] = [
    [{ kind: 'photograph', line: HOSE }, 45],
    [{ kind: 'offerUp', line: HOSE }, 130],
    [{ kind: 'coverPaint' }, 70],
  ];
  server.pass(60_000);
  for (const [step, took_s] of paced) {
    server.pass(took_s * 1000);
    good(await sendSteps(server, detail.job.id, [step]));
  }
  const times = async (query = '') => {
    const reply = good(await server.ask('GET', `/api/shop/step-times${query}`));
    const { items } = reply.json<{ items: { kind: string; durations_s: number[] }[] }>();
    return Object.fromEntries(items.map(({ kind, durations_s }) => [kind, durations_s]));
  };
  const before = await times(`?without=${detail.job.id}`);
  expect((await times()).offerUp?.slice(0, 1)).toEqual([130]);
  expect((await times()).coverPaint?.slice(0, 1)).toEqual([70]);
  good((await takeBack(server, detail.job.id, 1))[0] as Reply);
  expect((await times()).coverPaint).toEqual(before.coverPaint);
  expect((await times()).offerUp?.slice(0, 1)).toEqual([130]);
  // Another job of the shop is told of it; this one counts its own.
  expect(fitTimes(detail, new Map(Object.entries(await times()))).logged).toBeGreaterThan(
    fitTimes(detail, new Map(Object.entries(before))).logged,
  );
  // Many at once: nobody knows how long each took.
  const seen = Object.values(await times()).flat().length;
  server.pass(600_000);
  good(await putTogether(server, detail.job.id));
  expect(Object.values(await times()).flat()).toHaveLength(seen);
});

test('a unit and a reservoir that two circuits share have their names in a job on one of them', async () => {
  const id = randomUUID();
  const created = await server.ask('POST', '/api/jobs', {
    id,
    vehicleId: demoId('calder'),
    circuitIds: [demoId('calder/rear/circuit')],
    title: 'Rear fluid',
    reason: '',
    hoseIds: [],
  });
  const detail = good(created).json<JobDetail>();
  const { circuits } = fitPlanOf(detail).scope;
  const shared = circuits.flatMap(({ abs, reservoir }) => [reservoir, ...(abs === null ? [] : [abs])]);
  expect(shared.length).toBeGreaterThan(1);
  expect(shared.map(fitNames(detail))).not.toContain('a part that is gone');
});

test('an order that is asked for is kept, said where it makes a step wait, and named where it cannot be kept', async () => {
  const detail = await job();
  const steps = fitPlanOf(detail).plan.steps.map(
    ({ id: _id, because: _because, ...step }) => step as PlanStep,
  );
  const opens = steps.filter(({ kind }) => kind === 'crack');
  const [one, other] = opens;
  if (!one || !other) throw new Error('no two joints');
  const id = randomUUID();
  const why = 'The vehicle maker’s manual, 7.2';
  // The plan has it the other way round: both are practices, and step aside.
  good(await say(detail, 'demand', id, { first: other, then: one, why }));
  const asked = await now(detail);
  const order = fitPlanOf(asked).plan.steps.map((step) =>
    'joint' in step ? `${step.kind} ${step.joint}` : '',
  );
  const at = (step: PlanStep) => ('joint' in step ? order.indexOf(`${step.kind} ${step.joint}`) : -1);
  expect(at(other)).toBeLessThan(at(one));
  expect(fitStepGate(asked, one).obstacles).toContainEqual(
    expect.objectContaining({ code: 'fitWaits', rule: null, askedFor: why }),
  );
  // Against what cannot be otherwise there is no plan, and the demand is named.
  const [taken, laid] = [
    steps.find(({ kind }) => kind === 'takeOff'),
    steps.find(({ kind }) => kind === 'route'),
  ];
  if (!taken || !laid) throw new Error('no hose goes off and on');
  const second = randomUUID();
  good(await say(detail, 'demand', second, { first: laid, then: taken, why: 'Somebody' }));
  const stuck = await now(detail);
  expect(fitPlanOf(stuck).plan.infeasible).toMatchObject({ demands: [second] });
  const refused = problemOf(await sendSteps(server, detail.job.id, [{ kind: 'coverPaint' }]));
  expect(refused).toMatchObject({ code: 'stage-not-ready' });
  expect(refused.detail).toContain('An order is asked for: Somebody.');
  // Taken back, it goes on.
  good(await say(detail, 'demand', second, null));
  expect(fitPlanOf(await now(detail)).plan.infeasible).toBeUndefined();
  // An id of something else is no demand.
  expect(fields(await say(detail, 'demand', HOSE, { first: other, then: one, why }))).toEqual(['subjectId']);
});

test('the corner of a line stays with the vehicle, and what turns the screw of a clip is laid out', async () => {
  const detail = await job();
  good(await say(detail, 'corner', HOSE, 'frontLeft'));
  const clip = {
    id: 'clip',
    name: 'Clip at the fork',
    kind: 'pClip',
    at: 'mid',
    closed: false,
    keyed: false,
  };
  good(await say(detail, 'holds', HOSE, [{ ...clip, tighten: true, driver: 'slotted' }]));
  const said = await now(detail);
  expect(fitPlanOf(said).scope.lines.find(({ id }) => id === HOSE)?.corner).toBe('frontLeft');
  expect(fitTools(said).drivers).toEqual([{ driver: 'slotted', holds: ['Clip at the fork'] }]);
  good(await say(detail, 'holds', HOSE, [{ ...clip, tighten: true }]));
  expect(fitTools(await now(detail)).drivers).toEqual([{ driver: null, holds: ['Clip at the fork'] }]);
  // What the planner takes has no field that it does not know.
  expect(FitPlanDocumentSchema.safeParse(fitPlanOf(await now(detail)).plan).success).toBe(true);
  expect((await job()).fitFacts.map(({ said: { kind } }) => kind)).toContain('corner');
});

test('how much twist, and how much nearer than drawn, is the shop’s to say', async () => {
  const detail = await job();
  const poses = [{ pose: 'leftLock', seen_m: 0 }];
  good(await say(detail, 'movementSeen', HOSE, { poses, expected_m: null }));
  const drawn_m = factOf(await now(detail), 'movementSeen', HOSE)?.poses[0]?.expected_m ?? 0;
  expect(drawn_m).toBeGreaterThan(0.01);
  const near = [{ pose: 'leftLock', seen_m: drawn_m - 0.003 }];
  good(await say(detail, 'movementSeen', HOSE, { poses: near, expected_m: null }));
  good(await say(detail, 'stripeTurned', HOSE, 0.1));
  const length = async () => {
    const own = await now(detail);
    const [hose] = own.hoses;
    if (!hose) throw new Error('no hose');
    return {
      state: lengthStanding(own, hose).state,
      isTwisted: signCautions(own).some(({ id }) => id === 'M56'),
    };
  };
  expect(await length()).toEqual({ state: 'none', isTwisted: false });
  const lead = await server.signInAs('ottoline');
  const shop = (await server.ask('GET', '/api/shop')).json<{ version: number }>();
  const limits = { movementMargin_m: 0.002, mostTwist_rad_per_m: 0.05 };
  expect((await server.ask('PATCH', '/api/shop', { version: shop.version, ...limits })).statusCode).toBe(403);
  good(await server.ask('PATCH', '/api/shop', { version: shop.version, ...limits }, lead));
  expect(await length()).toEqual({ state: 'passed', isTwisted: true });
});

test('a lever that sank while it was held is signed by nobody, until it was held again and stands', async () => {
  const job = await new PlayedJob(server).begin({ isFluidOnly: true });
  await job.readyToSign();
  const { id } = await job.circuit();
  const held = (...travel_mm: readonly number[]) =>
    job.done(
      job.say(
        'holdTest',
        id,
        travel_mm.map((one, at) => ({ at_s: 60 + 90 * at, travel_m: one / 1000 })),
      ),
    );
  await held(30, 34);
  expect(fields(await job.finish())).toEqual(['leverSinks']);
  // Ever slower is no proof either.
  await held(30, 32, 32.2);
  expect(fields(await job.finish())).toEqual(['leverSinks']);
  // What sank is not answered by saying that nobody held it, nor by one reading more.
  await job.done(job.say('holdTest', id, null));
  expect(fields(await job.finish())).toEqual(['leverSinks']);
  await held(30);
  expect(fields(await job.finish())).toEqual(['leverSinks']);
  await held(30, 30.4);
  expect((await job.finish()).statusCode).toBe(200);
  // Of a circuit that is not in the job nothing is said.
  const other = await new PlayedJob(server).begin({ isFluidOnly: true });
  expect(fields(await other.say('holdTest', id, [{ at_s: 60, travel_m: 0.03 }]))).toEqual(['subjectId']);
});
