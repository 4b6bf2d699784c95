/** Judgements kept with a job: judged by the server, written once, said in the log; each with a clean twin. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, LogEntry, SavedCorner } from '@zephyrcombe/contract';
import { demoId } from '../../demo/identity.ts';
import { HARD_LINE } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const JOB = demoId('job/petrelle-bars');
const HOSE = demoId('petrelle/front/h-left');
const keep = (body: object, jobId = JOB) => server.ask('POST', `/api/jobs/${jobId}/evidence`, body);
const kept = async (id: string) => {
  const { items } = (await server.ask('GET', `/api/jobs/${JOB}/log?limit=200`)).json<{ items: LogEntry[] }>();
  return items.filter(({ detail }) => detail.evidenceId === id);
};
const END = { family: 'banjo', neckAngle_rad: 0, thread: 'M10×1.0' } as const;
const donor = (length_m: number) => ({
  kind: 'donor',
  id: randomUUID(),
  hoseId: HOSE,
  check: {
    need: { needed_m: 0.742, uncertainty_m: 0.003, slack_m: 0.0125, longest_m: null, endA: END, endB: END },
    donor: { length_m, endA: END, endB: END },
  },
});
const line = (over: object = {}, checks: object = {}) => ({
  kind: 'hardLine',
  id: randomUUID(),
  name: HARD_LINE.name,
  request: { ...HARD_LINE, build: { ...HARD_LINE.build, ...over } },
  checks: { cutAs_m: null, nuts: 2, looksA: 'asPattern', looksB: 'asPattern', bentBack: [], ...checks },
});
const idsOf = (entry: LogEntry | undefined) =>
  ((entry?.detail.cautions ?? []) as { id: string }[]).map(({ id }) => id);

test('a donor that is too short is kept with M13, one that will do without; sent twice is kept once', async () => {
  const short = donor(0.72);
  expect((await keep(short)).statusCode).toBe(200);
  expect((await keep(short)).statusCode).toBe(200);
  const entries = await kept(short.id);
  expect(entries).toHaveLength(1);
  expect(entries[0]).toMatchObject({ kind: 'donorChecked', by: 'Brannoc Hale', detail: { fits: false } });
  expect(idsOf(entries[0])).toEqual(['M13']);
  const long = donor(0.76);
  await keep(long);
  const [clean] = await kept(long.id);
  expect(clean).toMatchObject({ detail: { fits: true, donor: { length_m: 0.76 } } });
  expect(idsOf(clean)).toEqual([]);
});

test('the verdict of a kept route is worked out here and kept with the route as it was', async () => {
  const detail = (await server.ask('GET', `/api/jobs/${JOB}`)).json<JobDetail>();
  const { items } = (await server.ask('GET', `/api/vehicles/${detail.vehicle.id}/corners`)).json<{
    items: SavedCorner[];
  }>();
  const corner = items.find((saved) => saved.corner.hoses.some(({ id }) => id === HOSE));
  if (!corner) throw new Error('no route of this hose');
  const entry = { kind: 'route', id: randomUUID(), hoseId: HOSE, cornerId: corner.id };
  expect((await keep(entry)).statusCode).toBe(200);
  const [log] = await kept(entry.id);
  expect(log).toMatchObject({
    kind: 'routeJudged',
    detail: { holds: expect.any(Boolean) as boolean, corner: { name: corner.corner.name } },
  });
  expect(problemOf(await keep({ ...entry, id: randomUUID(), cornerId: randomUUID() }))).toMatchObject({
    errors: [{ field: 'cornerId' }],
  });
});

test.each([
  ['M44', {}, { cutAs_m: 0.2 }],
  ['M45', {}, { nuts: 1 }],
  ['M46', { formA: 'singleFlare' }, {}],
  ['M47', { material: 'copper' }, {}],
  ['M48', { material: 'coatedSteel' }, { bentBack: [0] }],
  ['M49', {}, { looksB: 'cracked' }],
])('%s of a hard line is kept', async (id, over, checks) => {
  const entry = line(over, checks);
  expect((await keep(entry)).statusCode).toBe(200);
  expect(idsOf((await kept(entry.id))[0])).toContain(id);
});

test('a sound hard line is kept without a caution, with the length it was cut at', async () => {
  const entry = line();
  await keep(entry);
  const [log] = await kept(entry.id);
  expect(idsOf(log)).toEqual([]);
  expect(log).toMatchObject({
    kind: 'lineJudged',
    detail: { name: HARD_LINE.name, cut_m: expect.any(Number) as number },
  });
});

test('nothing is kept with a job that is signed off, nor of a hose that is not on its circuit', async () => {
  expect(problemOf(await keep({ ...donor(0.76), hoseId: randomUUID() }))).toMatchObject({
    errors: [{ field: 'hoseId' }],
  });
  const { items } = (await server.ask('GET', '/api/jobs?status=finished')).json<{
    items: { id: string }[];
  }>();
  expect(problemOf(await keep(line(), items[0]?.id))).toMatchObject({ code: 'job-finished' });
});
