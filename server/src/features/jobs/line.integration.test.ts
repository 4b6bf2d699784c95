/** A hard line that a job makes anew: its pattern, its making, the joints it goes to, and what the vehicle's record keeps of it. */
import type { JobDetail, LogEntry, VehicleDetail } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { PlayedJob } from '../../mistakes/playedJob.ts';
import { HARD_LINE, LINE_PATTERN } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let job: PlayedJob;
beforeEach(async () => {
  server = await startTestServer();
  job = await new PlayedJob(server).begin({ like: 'tollan', isFluidOnly: true });
  await job.takeInLine();
});
afterEach(() => server.close());

type Reply = Awaited<ReturnType<TestServer['ask']>>;
const obstacles = (reply: Reply): readonly string[] => {
  expect([reply.statusCode, problemOf(reply).code]).toEqual([422, 'stage-not-ready']);
  return (problemOf(reply).errors ?? []).map(({ field }) => field);
};
const stagesOf = async () => {
  const { items } = (await server.ask('GET', '/api/jobs?search=Play')).json<{
    items: { id: string; stages: string[]; next: string }[];
  }>();
  return items.find(({ id }) => id === job.id);
};

test('comes in with its joints and the stages that it needs, and leaves with them while nothing was done', async () => {
  const { lines, joints, hoses } = await job.now();
  expect([lines.length, joints.length, hoses.length]).toEqual([1, 2, 0]);
  expect(lines[0]).toMatchObject({ pattern: null, made: null });
  expect(await stagesOf()).toMatchObject({
    stages: ['look-over', 'measure', 'specify', 'fit', 'bleed', 'hand-over'],
  });
  const gone = await job.done(job.setScope({ circuitIds: await job.circuitIds() }));
  expect([gone.lines.length, gone.joints.length]).toEqual([0, 0]);
});

test('is no hose, a hose is no hard line, and a line of another vehicle is none', async () => {
  const parts = partsOf(await job.now());
  const idOf = (kind: string) => parts.hoses.find((line) => line.kind === kind)?.id ?? '';
  expect(problemOf(await job.setScope({ hoseIds: [idOf('hardLine')] })).errors?.[0]?.field).toBe('hoseIds');
  for (const lineIds of [[idOf('hose')], [job.vehicleId]])
    expect(problemOf(await job.setScope({ lineIds })).errors?.[0]?.field).toBe('lineIds');
});

test('is not said to be made without a pattern, nor while something was not looked at', async () => {
  expect(obstacles(await job.editLine({ made: true }))).toEqual(['lineNotMeasured']);
  for (const blank of ['cutAs_m', 'nuts', 'looksA', 'looksB'])
    expect(obstacles(await job.makeLine({}, { [blank]: null }))).toEqual(['lineNotSeen']);
  expect((await job.jobLine()).pattern).toBeNull();
  expect((await job.makeLine()).statusCode).toBe(200);
});

test('what nobody has said of its tube, bender and flares is asked for, not recorded as said', async () => {
  const { assumed, ...unsaid } = LINE_PATTERN;
  expect(assumed).toEqual([]);
  expect(problemOf(await job.editLine({ pattern: unsaid })).errors?.[0]?.field).toBe('pattern.assumed');
  for (const figure of ['outside_m', 'material', 'formA', 'formB', 'radius_m'] as const) {
    const blank = await job.makeLine({}, {}, {}, { assumed: [figure] });
    expect(obstacles(blank)).toEqual(['lineNotSeen']);
    expect(blank.json<{ errors: { message: string }[] }>().errors[0]?.message).toMatch(/nobody has said: /);
  }
  // What the flares take stands by the rule of the trade, and a straight tube is laid over no bender.
  await job.done(job.makeLine({}, {}, {}, { assumed: ['flareA_m', 'flareB_m'] }));
  const straight = { ...LINE_PATTERN.line, legs_m: [0.4], bends: [] };
  await job.done(job.makeLine({}, { cutAs_m: 0.413 }, {}, { line: straight, assumed: ['radius_m'] }));
});

test('a pattern that is kept with nothing seen of it is no making in the log', async () => {
  const { checks } = await job.jobLine();
  await job.done(job.editLine({ pattern: LINE_PATTERN, checks }));
  await job.done(job.editLine({ checks: { ...checks, nuts: 2 } }));
  const { lineId } = await job.jobLine();
  const log = (await server.ask('GET', `/api/jobs/${job.id}/log?part=${lineId}&limit=200`)).json<{
    items: LogEntry[];
  }>();
  expect(log.items.map(({ kind }) => kind)).toEqual(['patternTaken', 'lineMade']);
});

test('a figure that was only assumed and is said afterwards re-opens nothing that it does not touch', async () => {
  await job.done(job.makeLine({}, {}, {}, { assumed: ['flareA_m'] }));
  await job.done(job.job({ endsConfirmed: true }));
  await job.done(job.offerUp());
  await job.done(job.editLine({ pattern: { ...(await job.jobLine()).pattern, assumed: ['outside_m'] } }));
  expect(obstacles(await job.handTight('A'))).toEqual(['changedSinceMade']);
});

test('keeps no pattern that cannot be bent', async () => {
  const line = { ...HARD_LINE.line, legs_m: [0.005, 0.005, 0.005] };
  expect(problemOf(await job.editLine({ pattern: { ...LINE_PATTERN, line } })).code).toBe('no-answer');
  expect((await job.jobLine()).pattern).toBeNull();
});

test('with the wrong flare for the seat of its port stops, whoever says that it is made', async () => {
  const wrong = await job.makeLine({ formB: 'bubbleFlare' });
  expect(problemOf(wrong)).toMatchObject({
    code: 'stop-not-answered',
    cautions: [{ id: 'M26', evidence: { form: 'bubbleFlare' } }],
  });
});

test('at a port that nobody has looked at stops on M102', async () => {
  const blind = await new PlayedJob(server).begin({ like: 'tollan', isFluidOnly: true });
  const line = partsOf(await blind.now()).hoses.find(({ kind }) => kind === 'hardLine');
  await blind.done(blind.setScope({ circuitIds: await blind.circuitIds(), lineIds: [line?.id] }));
  const { cautions = [] } = problemOf(await blind.makeLine());
  expect(new Set(cautions.map(({ id }) => id))).toEqual(new Set(['M102']));
});

test('an apprentice measures it and does not say that it is made', async () => {
  const { lineId, version } = await job.jobLine();
  const tamsin = await server.signInAs('tamsin');
  const url = `/api/jobs/${job.id}/lines/${lineId}`;
  expect((await server.ask('PATCH', url, { version, pattern: LINE_PATTERN }, tamsin)).statusCode).toBe(200);
  const said = await server.ask('PATCH', url, { version: version + 1, made: true }, tamsin);
  expect(said.statusCode).toBe(403);
});

test('is not joined before it is made, nor after it became another line', async () => {
  await job.done(job.job({ endsConfirmed: true }));
  await job.done(job.offerUp());
  expect(obstacles(await job.handTight('A'))).toEqual(['lineNotMeasured']);
  await job.done(job.editLine({ pattern: LINE_PATTERN }));
  expect(obstacles(await job.handTight('A'))).toEqual(['lineNotMade']);
  await job.done(job.makeLine());
  await job.done(job.handTight('A'));
  await job.done(job.editLine({ pattern: { ...LINE_PATTERN, outside_m: 0.00635 } }));
  expect(obstacles(await job.handTight('B'))).toEqual(['changedSinceMade']);
  expect(obstacles(await job.finish())).toContain('changedSinceMade');
  // A port with another seat than it was flared for re-opens it too.
  await job.done(job.makeLine());
  await job.done(job.seePort('B', { seat: 'bubbleFlare' }));
  expect(obstacles(await job.handTight('B'))).toEqual(['changedSinceMade']);
});

test('what somebody said of a line that has changed on the way is not said of the one of now', async () => {
  await job.done(job.makeLine({}, {}, { made: false }));
  const reply = await job.editLine({ made: true, seen: 'x'.repeat(64) });
  expect(problemOf(reply).code).toBe('changed-since-seen');
});

test('goes from the pattern to the signature, and stands on the vehicle with tube, flares and length', async () => {
  await job.done(job.makeLine());
  await job.done(job.job({ endsConfirmed: true }));
  await job.fitted();
  await job.torqued();
  await job.bled();
  expect((await stagesOf())?.next).toBe('hand-over');
  const signed: JobDetail = await job.done(job.finish());
  const { lineId } = signed.lines[0] ?? {};
  const { circuits } = (await server.ask('GET', `/api/vehicles/${job.vehicleId}`)).json<VehicleDetail>();
  const line = circuits.flatMap(({ hoses }) => hoses).find(({ id }) => id === lineId);
  // 120 + 200 + 80 mm of legs; two bends of 90° and 60° at 15 mm save 2·tan(45°)·15 − 15·π/2 and 2·tan(30°)·15 − 15·π/3.
  expect(line?.length_m).toBeCloseTo(0.4 - 0.00644 - 0.00161, 4);
  expect(line).toMatchObject({
    kind: 'hardLine',
    estimated: false,
    madeOn: '2026-11-23',
    lineMade: { material: 'copperNickel', formA: 'doubleFlare', formB: 'doubleFlare', outside_m: 0.00475 },
  });
  const log = (await server.ask('GET', `/api/jobs/${job.id}/log?part=${lineId}&limit=200`)).json<{
    items: LogEntry[];
  }>();
  // Then the old one off and the new one on, step by step.
  expect([...new Set(log.items.map(({ kind }) => kind))]).toEqual([
    'patternTaken',
    'lineMade',
    'fitStepTaken',
  ]);
});

test('is not taken off the drawing, nor made a hose there, while an open job makes it', async () => {
  const { lineId } = await job.jobLine();
  const reply = await job.draw((drawing) => ({
    ...drawing,
    hoses: drawing.hoses.map((line) => (line.id === lineId ? { ...line, kind: 'hose' as const } : line)),
  }));
  expect(problemOf(reply).code).toBe('in-use');
});
