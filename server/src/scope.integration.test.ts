/** Jobs over several circuits of a vehicle, and jobs that replace nothing, played through the API. */
import { randomUUID } from 'node:crypto';
import type { Circuit, JobDetail, JobSummary, ProblemDetails, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf, nipplesOf, partsOf } from '@zephyrcombe/contract';
import { alsoFed, progressOf, reservoirGuard } from '@zephyrcombe/workshop';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { demoId } from './demo/identity.ts';
import { allSpecified } from './testing/specified.ts';
import { freshFluid, signedService, tubeReading } from './testing/samples.ts';
import { fitThrough, putOn, sendSteps, takeBack } from './testing/fitting.ts';
import type { TestServer } from './testing/testServer.ts';
import { problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

type Reply = Awaited<ReturnType<TestServer['ask']>>;
const good = (reply: Reply): JobDetail => {
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
};
const fields = (reply: Reply) => problemOf(reply).errors?.map(({ field }) => field);

const vehicleOf = async (key: string) =>
  (await server.ask('GET', `/api/vehicles/${demoId(key)}`)).json<VehicleDetail>();
const lines = (circuits: readonly Circuit[], kind: 'hose' | 'hardLine' = 'hose') =>
  circuits.flatMap(({ hoses }) => hoses).filter((line) => line.kind === kind);

async function start(
  key: string,
  scope: Partial<Record<'circuitIds' | 'hoseIds' | 'lineIds' | 'jointIds', readonly string[]>>,
) {
  return server.ask('POST', '/api/jobs', {
    id: randomUUID(),
    vehicleId: demoId(key),
    title: 'Scope',
    reason: '',
    circuitIds: [],
    hoseIds: [],
    ...scope,
  });
}
const act = async (
  { job }: JobDetail,
  method: 'POST' | 'PATCH' | 'PUT',
  path: string,
  body: object,
): Promise<Reply> => server.ask(method, `/api/jobs/${job.id}${path}`, body);
const now = async ({ job }: JobDetail) => (await server.ask('GET', `/api/jobs/${job.id}`)).json<JobDetail>();
const bleed = async (job: JobDetail, nippleId: string, kind: 'stroke' | 'topUp' | 'clear') =>
  act(job, 'POST', `/nipples/${nippleId}/events`, { id: randomUUID(), kind });
const tick = async (job: JobDetail, body: object) =>
  act(job, 'PATCH', '', { version: (await now(job)).job.version, ...body });

describe('a joint that is tightened anew', () => {
  const FRONT = demoId('wick/front/circuit');
  const refitted = async () => {
    const circuit = (await vehicleOf('wick')).circuits.find(({ id }) => id === FRONT);
    const joint = circuit?.joints.find(({ name }) => name.includes('caliper'));
    if (!circuit || !joint) throw new Error('no joint');
    return { circuit, joint, job: good(await start('wick', { jointIds: [joint.id] })) };
  };
  const torqued = (job: JobDetail, jointId: string, over: object = {}) =>
    act(job, 'POST', '/torque-records', {
      id: randomUUID(),
      jointId,
      wrenchId: demoId('bench-25'),
      torque_Nm: 19.6,
      typed: '19.6 N·m',
      freshWashers: 2,
      witnessMark: true,
      ...over,
    });

  test('has nothing to measure, to offer up or to settle; fresh washers, torque, bleeding and a dry look it has', async () => {
    const { joint, job } = await refitted();
    expect(progressOf(job).stages).toEqual(['look-over', 'fit', 'bleed', 'hand-over']);
    expect(job.circuits.map(({ circuit }) => circuit.id)).toEqual([FRONT]);
    expect(job.joints).toMatchObject([{ jointId: joint.id, refit: true, handTight: false }]);
    expect(job.hoses).toEqual([]);
    good(await tick(job, { endsConfirmed: true }));
    const edit = async (body: object) =>
      act(job, 'PATCH', `/joints/${joint.id}`, { version: (await now(job)).joints[0]?.version, ...body });
    expect(problemOf(await torqued(job, joint.id)).errors?.[0]?.field).toBe('notHandTight');
    // The bolt that was in it is of aluminium: it is not used twice.
    const on = () => putOn(server, job.job.id, joint.id);
    expect(problemOf(await on()).errors?.map(({ field }) => field)).toEqual(['boltUsedUp']);
    good(await edit({ boltState: 'new' }));
    good(await on());
    // The old washers are no washers.
    expect(
      problemOf(await torqued(job, joint.id, { freshWashers: 0 })).cautions?.map(({ id }) => id),
    ).toEqual(['M57']);
    const nipple = nipplesOf(job)[0]?.id ?? '';
    for (const kind of ['stroke', 'clear'] as const) good(await bleed(job, nipple, kind));
    good(
      await tick(job, {
        handoverChecks: Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])),
      }),
    );
    const sign = async () =>
      act(job, 'POST', '/finish', signedService((await now(job)).job.version, [FRONT]));
    expect(fields(await sign())).toEqual(['jointsNotTorqued', 'jointsNotDry']);
    good(await torqued(job, joint.id));
    good(await edit({ leakChecked: true }));
    expect(good(await sign()).job.status).toBe('finished');
  });

  test('is not put on, or tightened, with a bolt of another thread; a reason that was given once is given', async () => {
    const { joint, job } = await refitted();
    expect(job.joints[0]?.boltState).toBe('usedSound');
    const { bolt } = joint;
    const edit = async (body: object) =>
      act(job, 'PATCH', `/joints/${joint.id}`, { version: (await now(job)).joints[0]?.version, ...body });
    const stopsOf = (reply: Reply) => problemOf(reply).cautions?.map(({ id }) => id);
    const wrong = { ...bolt, thread: 'M10×1.25' };
    good(await edit({ bolt: wrong, boltState: 'new' }));
    expect(stopsOf(await putOn(server, job.job.id, joint.id))).toEqual(['M20']);
    // The right one when it is put on, another before it is tightened.
    good(await edit({ bolt }));
    good(await putOn(server, job.job.id, joint.id));
    good(await edit({ bolt: wrong }));
    expect(stopsOf(await torqued(job, joint.id))).toEqual(['M20']);
    const because = 'The port was bored and cut anew to that thread.';
    good(await torqued(job, joint.id, { overrides: [{ caution: 'M20', reason: because }] }));
    good(await torqued(job, joint.id));
    // Another wrong bolt is another mistake.
    good(await edit({ bolt: { ...bolt, thread: '3/8-24' } }));
    expect(stopsOf(await torqued(job, joint.id))).toContain('M20');
  });

  test('comes and goes while nothing was done on it, stays when a page of before says nothing of it, and is told in the log', async () => {
    const { joint, job } = await refitted();
    const put = async (scope: object) =>
      act(job, 'PUT', '/scope', {
        version: (await now(job)).job.version,
        circuitIds: [FRONT],
        hoseIds: [],
        ...scope,
      });
    good(await tick(job, { endsConfirmed: true }));
    good(await put({}));
    expect((await now(job)).joints.map(({ jointId }) => jointId)).toEqual([joint.id]);
    good(await put({ jointIds: [] }));
    expect(await now(job)).toMatchObject({ joints: [], job: { endsConfirmed: true } });
    good(await put({ jointIds: [joint.id] }));
    // Its end is looked at before it is said to have been.
    expect((await now(job)).job.endsConfirmed).toBe(false);
    const bolted = { version: 0, boltState: 'new' };
    good(await act(job, 'PATCH', `/joints/${joint.id}`, bolted));
    good(await putOn(server, job.job.id, joint.id));
    const refused = await put({ jointIds: [] });
    expect([problemOf(refused).code, ...(fields(refused) ?? [])]).toEqual(['in-use', 'jointIds']);
    const { items } = (await server.ask('GET', `/api/jobs/${job.job.id}/log`)).json<{
      items: { kind: string; detail: { joints?: string[] } }[];
    }>();
    expect(items.find(({ kind }) => kind === 'opened')?.detail.joints).toEqual([joint.name]);
    expect(fields(await put({ jointIds: [demoId('petrelle/front/j-left')] }))).toEqual(['jointIds']);
  });

  test('is not taken off the drawing behind the back of its job', async () => {
    const { circuit, joint, job } = await refitted();
    const drawing = hydraulicsOf(circuit);
    const without = {
      ...drawing,
      joints: drawing.joints.filter(({ id }) => id !== joint.id),
      ports: drawing.ports.filter(({ id }) => id !== joint.portId),
      hoses: drawing.hoses.filter(
        ({ fromJointId, toJointId }) => fromJointId !== joint.id && toJointId !== joint.id,
      ),
    };
    const refused = await server.ask('PUT', `/api/vehicles/${demoId('wick')}/circuits/${FRONT}`, {
      version: circuit.version,
      hydraulics: without,
    });
    expect([problemOf(refused).code, ...(fields(refused) ?? [])]).toEqual(['in-use', joint.name]);
    expect((await now(job)).joints.length).toBe(1);
  });

  test('that a hose of the job ends on stays in it by itself when the hose leaves', async () => {
    const { circuit, joint, job } = await refitted();
    const hose = circuit.hoses.find(({ toJointId }) => toJointId === joint.id);
    const put = async (hoseIds: readonly string[]) =>
      good(
        await act(job, 'PUT', '/scope', {
          version: (await now(job)).job.version,
          circuitIds: [FRONT],
          hoseIds,
        }),
      );
    await put([hose?.id ?? '']);
    expect((await now(job)).joints.length).toBe(2);
    expect(progressOf(await now(job)).stages).toContain('measure');
    await put([]);
    expect((await now(job)).joints).toMatchObject([{ jointId: joint.id, refit: true }]);
  });
});

describe('a fluid service', () => {
  test('of both circuits needs no hose: looked over, bled, handed over, a record for each', async () => {
    const { circuits } = await vehicleOf('wick');
    const circuitIds = circuits.map(({ id }) => id);
    const job = good(await start('wick', { circuitIds }));
    expect(progressOf(job)).toMatchObject({ stages: ['look-over', 'bleed', 'hand-over'], done: [] });
    expect(job.joints).toEqual([]);
    const sign = async () =>
      act(job, 'POST', '/finish', signedService((await now(job)).job.version, circuitIds));
    expect(fields(await sign())).toEqual(['notLookedOver', 'nipplesNotClear']);
    good(await tick(job, { endsConfirmed: true }));
    const nipples = nipplesOf(job);
    expect(nipples.length).toBe(2);
    for (const { id } of nipples.slice(0, 1))
      for (const kind of ['stroke', 'clear'] as const) good(await bleed(job, id, kind));
    // One of the two circuits is not enough.
    expect(fields(await sign())).toEqual(['nipplesNotClear']);
    for (const { id } of nipples.slice(1))
      for (const kind of ['stroke', 'clear'] as const) good(await bleed(job, id, kind));
    // What is done only where a joint was touched is not asked for.
    const needed = HANDOVER_CHECKS.filter((check) => check !== 'lockToLockAgain' && check !== 'plugsCounted');
    good(await tick(job, { handoverChecks: Object.fromEntries(needed.map((check) => [check, true])) }));

    const { version } = (await now(job)).job;
    const [front = ''] = circuitIds;
    const oneRecord = await act(job, 'POST', '/finish', signedService(version, [front]));
    expect(fields(oneRecord)).toEqual(['services']);
    const another = [...circuitIds, demoId('petrelle/front/circuit')];
    expect(fields(await act(job, 'POST', '/finish', signedService(version, another)))).toEqual(['services']);
    const mineral = await act(job, 'POST', '/finish', {
      ...signedService(version, circuitIds),
      services: circuitIds.map((id) => freshFluid(id, id === front ? {} : { grade: 'mineral oil' })),
    });
    // It names the circuit that it is about.
    expect(problemOf(mineral).cautions).toMatchObject([{ id: 'M77', subject: circuits[1]?.name }]);

    const signed = good(await sign());
    expect(signed.job.status).toBe('finished');
    expect(signed.circuits.map(({ service }) => service?.dueOn)).toEqual(['2028-11-23', '2028-11-23']);
    const due = (await server.ask('GET', '/api/due')).json<{
      items: { circuitId: string; lastServicedOn: string }[];
    }>();
    for (const id of circuitIds)
      expect(due.items.find(({ circuitId }) => circuitId === id)?.lastServicedOn).toBe('2026-11-23');
    const list = (await server.ask('GET', '/api/jobs?status=finished')).json<{ items: JobSummary[] }>();
    expect(list.items.find(({ id }) => id === job.job.id)).toMatchObject({
      circuitNames: circuits.map(({ name }) => name),
      stages: ['look-over', 'bleed', 'hand-over'],
      done: ['look-over', 'bleed', 'hand-over'],
    });
  });

  test('takes a hose in that is found worn, with its stages, and lets it go again', async () => {
    const { circuits } = await vehicleOf('wick');
    const [front, rear] = circuits;
    const job = good(await start('wick', { circuitIds: [front?.id ?? ''] }));
    const put = async (scope: object) =>
      act(job, 'PUT', '/scope', {
        version: (await now(job)).job.version,
        circuitIds: [],
        hoseIds: [],
        ...scope,
      });
    const rearHose = lines(rear ? [rear] : [])[0]?.id ?? '';
    const wider = good(await put({ circuitIds: [front?.id], hoseIds: [rearHose] }));
    expect(wider.circuits.map(({ circuit }) => circuit.id)).toEqual([front?.id, rear?.id]);
    expect(progressOf(wider).stages).toContain('measure');
    expect(wider.joints.length).toBe(2);
    // A circuit that was bled does not leave unsaid, nor does a hose that was measured.
    const nipple = nipplesOf(wider).find(({ circuitId }) => circuitId === front?.id)?.id ?? '';
    good(await bleed(job, nipple, 'stroke'));
    expect(fields(await put({ hoseIds: [rearHose] }))).toEqual(['circuitIds']);
    good(await act(job, 'POST', '/readings', tubeReading(rearHose, 0.6)));
    expect(fields(await put({ circuitIds: [front?.id, rear?.id] }))).toEqual(['hoseIds']);
    const reading = (await now(job)).readings[0];
    good(await act(job, 'POST', `/readings/${reading?.id}/strike`, { because: 'Wrong hose' }));
    const narrower = good(await put({ circuitIds: [front?.id] }));
    expect(narrower.hoses).toEqual([]);
    expect(narrower.joints).toEqual([]);
    expect(narrower.circuits.map(({ circuit }) => circuit.id)).toEqual([front?.id]);
  });

  test('that was looked over says nothing of a hose that comes in after: its ends and its route are said anew', async () => {
    const { circuits } = await vehicleOf('wick');
    const hose = lines(circuits)[0];
    const job = good(await start('wick', { circuitIds: [hose?.circuitId ?? ''] }));
    good(await tick(job, { endsConfirmed: true }));
    const { version } = (await now(job)).job;
    const wider = good(await act(job, 'PUT', '/scope', { version, circuitIds: [], hoseIds: [hose?.id] }));
    expect(wider.job).toMatchObject({ endsConfirmed: false, fitChecks: { offeredUp: false } });
    // What stays as it is stays said.
    good(await tick(job, { endsConfirmed: true }));
    const again = { version: (await now(job)).job.version, circuitIds: [], hoseIds: [hose?.id] };
    expect(good(await act(job, 'PUT', '/scope', again)).job.endsConfirmed).toBe(true);
  });

  test('is not what becomes of a job whose hose was put on by hand: it does not leave before it is off or tight', async () => {
    const { circuits } = await vehicleOf('wick');
    const hose = lines(circuits)[0];
    const job = good(await start('wick', { hoseIds: [hose?.id ?? ''] }));
    await allSpecified(server, job.job.id);
    const [joint] = (await now(job)).joints;
    const leave = async () =>
      act(job, 'PUT', '/scope', {
        version: (await now(job)).job.version,
        circuitIds: [hose?.circuitId],
        hoseIds: [],
      });
    good(await putOn(server, job.job.id, joint?.jointId ?? ''));
    expect(fields(await leave())).toEqual(['hoseIds']);
    // Its joint slackened again, the old hose is still off.
    good((await takeBack(server, job.job.id, 1))[0] as Reply);
    expect(fields(await leave())).toEqual(['hoseIds']);
    await takeBack(server, job.job.id);
    good(await leave());
  });

  test('of nothing, of another vehicle’s circuit or of one named twice is refused', async () => {
    const other = demoId('petrelle/front/circuit');
    const own = demoId('wick/front/circuit');
    expect(fields(await start('wick', {}))).toEqual(['hoseIds']);
    expect(fields(await start('wick', { circuitIds: [other] }))).toEqual(['circuitIds']);
    expect(fields(await start('wick', { hoseIds: [demoId('petrelle/front/h-left')] }))).toEqual(['hoseIds']);
    expect(fields(await start('wick', { circuitIds: [own, own] }))).toEqual(['circuitIds']);
    expect((await start('wick', { circuitIds: [own] })).statusCode).toBe(200);
  });
});

describe('four corners of a van with a tandem master', () => {
  test('are one job: hoses and joints of both circuits, each signed as it stands', async () => {
    const { circuits } = await vehicleOf('tollan');
    const hoses = lines(circuits);
    expect(hoses.length).toBe(4);
    const job = good(await start('tollan', { hoseIds: hoses.map(({ id }) => id) }));
    expect(job.circuits.map(({ circuit }) => circuit.id)).toEqual(circuits.map(({ id }) => id));
    expect(job.hoses.length).toBe(4);
    expect(job.joints.length).toBe(8);
    // A pipe is no hose, in either circuit.
    const pipe = lines(circuits, 'hardLine')[0]?.id ?? '';
    expect(fields(await start('tollan', { hoseIds: [pipe] }))).toEqual(['hoseIds']);
  });

  test('drink from one reservoir: strokes at any of the four nipples count together, and none is clear once it is empty', async () => {
    const { circuits } = await vehicleOf('tollan');
    const job = good(await start('tollan', { circuitIds: circuits.map(({ id }) => id) }));
    const [one, , other] = nipplesOf(job);
    if (!one || !other) throw new Error('no nipples');
    expect(one.circuitId).not.toBe(other.circuitId);
    expect(alsoFed(job, one.id)).toEqual([circuits[1]?.name]);
    const left = async () => {
      const guard = reservoirGuard(await now(job), one.id);
      return guard?.ok ? guard.value.strokesLeft : null;
    };
    const full = (await left()) ?? 0;
    expect(full).toBeGreaterThan(3);
    for (const at of [one, other, one]) good(await bleed(job, at.id, 'stroke'));
    expect(await left()).toBe(full - 3);
    for (let stroke = 0; stroke <= full - 3; stroke += 1) good(await bleed(job, other.id, 'stroke'));
    // M50, M106: the one that was not pumped last is as empty.
    expect(fields(await bleed(job, one.id, 'clear'))).toEqual(['sharedReservoirEmpty']);
    expect(fields(await bleed(job, other.id, 'clear'))).toEqual(['sharedReservoirEmpty']);
    good(await bleed(job, other.id, 'topUp'));
    // Full again, and what went in stands behind the master: the line has to go through.
    expect(fields(await bleed(job, one.id, 'clear'))).toEqual(['ranDry']);
    for (let round = 0; round < 7; round += 1)
      for (const kind of ['topUp', 'stroke'] as const) good(await bleed(job, one.id, kind));
    good(await bleed(job, one.id, 'clear'));
  });

  test('of a machine with two masters do not: each reservoir has its own count', async () => {
    const { circuits } = await vehicleOf('calder');
    const job = good(await start('calder', { circuitIds: circuits.map(({ id }) => id) }));
    const front = nipplesOf(job).find(({ circuitId }) => circuitId === circuits[0]?.id)?.id ?? '';
    const rear = nipplesOf(job).find(({ circuitId }) => circuitId === circuits[1]?.id)?.id ?? '';
    expect(alsoFed(job, front)).toEqual([]);
    const before = reservoirGuard(job, rear);
    good(await bleed(job, front, 'stroke'));
    expect(reservoirGuard(await now(job), rear)).toEqual(before);
  });
});

describe('a part that two circuits share', () => {
  const partOf = (circuit: Circuit | undefined, kind: Circuit['components'][number]['kind']) =>
    circuit?.components.find((part) => part.kind === kind);

  test('is one part: what is measured on it in one drawing stands in the other, and an old drawing of that one is refused', async () => {
    const [one, two] = (await vehicleOf('tollan')).circuits;
    if (!one || !two) throw new Error('no circuits');
    expect(partOf(two, 'master')?.sameAs).toBe(partOf(one, 'master')?.id);
    expect(partOf(two, 'absUnit')?.sameAs).toBe(partOf(one, 'absUnit')?.id);
    const drawing = hydraulicsOf(two);
    const master = partOf(two, 'master');
    const save = (circuit: Circuit, hydraulics: object) =>
      server.ask('PUT', `/api/vehicles/${demoId('tollan')}/circuits/${circuit.id}`, {
        version: circuit.version,
        hydraulics,
      });
    const wider = {
      ...drawing,
      components: drawing.components.map((part) =>
        part.id === master?.id ? { ...part, masterBore_m: 0.0238 } : part,
      ),
    };
    expect((await save(two, wider)).statusCode).toBe(200);
    const after = (await vehicleOf('tollan')).circuits;
    expect(after.map((circuit) => partOf(circuit, 'master')?.masterBore_m)).toEqual([0.0238, 0.0238]);
    expect(problemOf(await save(one, hydraulicsOf(one)))).toMatchObject({ code: 'stale-write' });
  });

  test('is of the same kind and in another circuit of the same vehicle, or it is refused', async () => {
    const [one, two] = (await vehicleOf('calder')).circuits;
    if (!one || !two) throw new Error('no circuits');
    const drawing = hydraulicsOf(two);
    const reservoir = partOf(two, 'reservoir');
    const saved = async (sameAs: string | undefined) =>
      server.ask('PUT', `/api/vehicles/${demoId('calder')}/circuits/${two.id}`, {
        version: two.version,
        hydraulics: {
          ...drawing,
          components: drawing.components.map((part) =>
            part.id === reservoir?.id ? { ...part, sameAs } : part,
          ),
        },
      });
    const [tollan] = (await vehicleOf('tollan')).circuits;
    for (const wrong of [
      partOf(one, 'master')?.id,
      partOf(two, 'reservoir')?.id,
      partOf(tollan, 'reservoir')?.id,
      randomUUID(),
    ])
      expect(fields(await saved(wrong))).toEqual(['sameAs']);
    expect((await saved(partOf(one, 'reservoir')?.id)).statusCode).toBe(200);
    const [first, second] = (await vehicleOf('calder')).circuits;
    // It is that part: with its name and its volume.
    expect(partOf(second, 'reservoir')).toMatchObject({
      name: partOf(first, 'reservoir')?.name,
      usable_m3: partOf(first, 'reservoir')?.usable_m3,
    });
  });

  test('that leaves the drawing that stood for it stays in the other, which can be saved', async () => {
    const [one, two] = (await vehicleOf('calder')).circuits;
    if (!one || !two) throw new Error('no circuits');
    const url = (circuit: Circuit) => `/api/vehicles/${demoId('calder')}/circuits/${circuit.id}`;
    const drawing = hydraulicsOf(one);
    const reservoir = partOf(one, 'reservoir');
    const shared = hydraulicsOf(two);
    const sharing = {
      ...shared,
      components: shared.components.map((part) =>
        part.kind === 'reservoir' ? { ...part, sameAs: reservoir?.id } : part,
      ),
    };
    expect(
      (await server.ask('PUT', url(two), { version: two.version, hydraulics: sharing })).statusCode,
    ).toBe(200);
    const without = {
      ...drawing,
      components: drawing.components.filter(({ id }) => id !== reservoir?.id),
    };
    expect(
      (await server.ask('PUT', url(one), { version: one.version, hydraulics: without })).statusCode,
    ).toBe(200);
    const after = (await vehicleOf('calder')).circuits[1];
    if (!after) throw new Error('no rear');
    expect(partOf(after, 'reservoir')?.sameAs).toBeNull();
    const bigger = hydraulicsOf(after);
    const saved = await server.ask('PUT', url(after), {
      version: after.version,
      hydraulics: {
        ...bigger,
        components: bigger.components.map((part) =>
          part.kind === 'reservoir' ? { ...part, usable_m3: 3e-5 } : part,
        ),
      },
    });
    expect(saved.statusCode).toBe(200);
  });

  test('goes with a vehicle that is copied by its document', async () => {
    const url = `/api/vehicles/${demoId('tollan')}/document`;
    const document = (await server.ask('GET', url)).json<object>();
    const reply = await server.ask('POST', '/api/vehicles/import', {
      id: randomUUID(),
      document,
      tryOnly: false,
    });
    const { vehicleId } = reply.json<{ vehicleId: string }>();
    const { circuits } = (await server.ask('GET', `/api/vehicles/${vehicleId}`)).json<VehicleDetail>();
    const [one, two] = circuits;
    expect(partOf(two, 'master')?.sameAs).toBe(partOf(one, 'master')?.id);
    expect(partOf(one, 'master')?.id).not.toBe(demoId('tollan'));
  });
});

describe('two jobs on one circuit', () => {
  const layout = async (job: JobDetail, wanted: string) =>
    act(job, 'POST', '/layout', {
      version: (await now(job)).job.version,
      circuitId: demoId('petrelle/front/circuit'),
      layout: wanted,
    });
  const outfit = async (hose: string) =>
    good(await start('petrelle', { hoseIds: [demoId(`petrelle/front/${hose}`)] }));
  beforeEach(async () => {
    await server.database.models.Job.update(
      { status: 'finished' },
      { where: { id: demoId('job/petrelle-bars') } },
    );
  });

  test('one does not lay away a hose that the other replaces', async () => {
    const [one, two] = [await outfit('h-left'), await outfit('h-right')];
    const refused: ProblemDetails = problemOf(await layout(one, 'tee'));
    expect(refused).toMatchObject({ status: 409, code: 'in-use' });
    expect(partsOf(await now(two)).hoses.map(({ id }) => id)).toContain(demoId('petrelle/front/h-right'));
    good(await act(two, 'POST', '/abandon', { version: 0, because: 'Started twice' }));
    good(await layout(one, 'tee'));
  });

  test('layouts that are chosen at once leave the lines of one of them', async () => {
    const circuitId = demoId('petrelle/front/circuit');
    const [one, two] = [
      good(await start('petrelle', { circuitIds: [circuitId] })),
      good(await start('petrelle', { circuitIds: [circuitId] })),
    ];
    const replies = await Promise.all([layout(one, 'tee'), layout(two, 'crossover')]);
    expect(replies.map(({ statusCode }) => statusCode).sort((a, b) => a - b)).toEqual([200, 409]);
    const won = replies.find(({ statusCode }) => statusCode === 200);
    const [circuit] = (await vehicleOf('petrelle')).circuits;
    expect(circuit?.hoses.map(({ id }) => id).sort()).toEqual(
      (won ? good(won) : one).hoses.map(({ hoseId }) => hoseId).sort(),
    );
  });
});

test('hoses are held against their routes one by one: the tick for all follows, and falls with one of them', async () => {
  const { circuits } = await vehicleOf('petrelle');
  const hoseIds = lines(circuits)
    .map(({ id }) => id)
    .slice(0, 2);
  const job = good(await start('petrelle', { hoseIds }));
  await allSpecified(server, job.job.id);
  const offered = async () => {
    const { hoses, job: row } = await now(job);
    return [row.fitChecks.offeredUp, ...hoses.map(({ offeredUp }) => Boolean(offeredUp))];
  };
  const offer = (index: number) =>
    sendSteps(server, job.job.id, [{ kind: 'offerUp', line: hoseIds[index] ?? '' }]);
  good(await offer(0));
  expect(await offered()).toEqual([false, true, false]);
  const first = (await now(job)).hoses[0]?.offeredUp;
  server.pass(60_000);
  good(await offer(1));
  expect(await offered()).toEqual([true, true, true]);
  // Who held the first one, and when, stays as it was.
  expect((await now(job)).hoses[0]?.offeredUp).toEqual(first);
  await takeBack(server, job.job.id, 1);
  expect(await offered()).toEqual([false, true, false]);
  // What was held once is not held twice, and one that is not of the job is none.
  expect(fields(await offer(0))).toEqual(['fitNotPlanned']);
  expect(fields(await sendSteps(server, job.job.id, [{ kind: 'offerUp', line: randomUUID() }]))).toEqual([
    'fitNotPlanned',
  ]);
});

test('front and rear of an ABS machine go from the start to the signature in one job', async () => {
  // The demo's own job on these hoses would not let them be drawn away.
  await server.database.models.Job.update(
    { status: 'abandoned' },
    { where: { id: demoId('job/calder-segments') } },
  );
  const { circuits } = await vehicleOf('calder');
  const circuitIds = circuits.map(({ id }) => id);
  const job = good(await start('calder', { hoseIds: lines(circuits).map(({ id }) => id) }));
  await allSpecified(server, job.job.id);
  expect(progressOf(await now(job)).next).toBe('fit');
  await fitThrough(server, job.job.id, demoId('bench-25'), {
    overrides: [{ caution: 'M70', reason: 'Figure of the vehicle maker for this bolt' }],
  });
  for (const { id } of nipplesOf(job))
    for (const kind of ['stroke', 'clear'] as const) good(await bleed(job, id, kind));
  for (const { jointId, version } of (await now(job)).joints)
    good(await act(job, 'PATCH', `/joints/${jointId}`, { version, leakChecked: true }));
  good(
    await tick(job, { handoverChecks: Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])) }),
  );
  const signed = good(
    await act(job, 'POST', '/finish', {
      ...signedService((await now(job)).job.version, circuitIds),
      distance_m: 67_000_000,
      distanceTyped: '67000 km',
    }),
  );
  expect(signed.circuits.map(({ service }) => service?.grade)).toEqual(['DOT 4', 'DOT 4']);

  // What is signed stays, whatever becomes of either circuit.
  const after = (await vehicleOf('calder')).circuits;
  for (const circuit of after) {
    const bare = { ...hydraulicsOf(circuit), name: `${circuit.name}, drawn anew` };
    const saved = await server.ask('PUT', `/api/vehicles/${demoId('calder')}/circuits/${circuit.id}`, {
      version: circuit.version,
      hydraulics: { ...bare, hoses: [] },
    });
    expect(saved.statusCode).toBe(200);
  }
  const kept = await now(job);
  expect(kept.circuits).toEqual(signed.circuits);
  expect(lines(kept.circuits.map(({ circuit }) => circuit)).length).toBe(lines(circuits).length);
  // Twelve joints, kept wet segment by segment: 169 steps.
}, 90_000);
