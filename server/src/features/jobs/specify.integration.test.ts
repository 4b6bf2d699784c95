/** A hose specified as it is to be built, made up here, proved, or checked in from its box: through the API. */
import { spawn } from 'node:child_process';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { JobChange, JobDetail, JobHose, OrderDocument } from '@zephyrcombe/contract';
import { buildFacts, hoseOfJob, kitOrderOf, orderAddress, partsOf } from '@zephyrcombe/contract';
import { judgeKit, MAKE_UP_STEPS, suggestBuild } from '@zephyrcombe/core';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { parse } from 'csv-parse/sync';
import { readFileSync } from 'node:fs';
import { readPdf } from '../../testing/poppler.ts';
import { putOn, sendSteps } from '../../testing/fitting.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const hoseOf = (detail: JobDetail, name: string): JobHose => {
  const id = partsOf(detail).hoses.find((hose) => hose.name === name)?.id;
  const hose = detail.hoses.find(({ hoseId }) => hoseId === id);
  if (!hose) throw new Error(`no ${name}`);
  return hose;
};
const bars = () => server.job('petrelle-bars');
const edit = async (name: string, body: object) => {
  const detail = await bars();
  const hose = hoseOf(detail, name);
  return server.ask('PATCH', `/api/jobs/${detail.job.id}/hoses/${hose.hoseId}`, {
    version: hose.version,
    ...body,
  });
};
const buildNow = async (name: string) => {
  const detail = await bars();
  const own = hoseOfJob(detail, hoseOf(detail, name).hoseId);
  if (!own) throw new Error(name);
  return suggestBuild(buildFacts(own)).build;
};

describe('the build', () => {
  test('is kept in the order of the hose, opens what was specified, and is in the log', async () => {
    const build = await buildNow('Left hose');
    const reply = await edit('Left hose', { build: { ...build, along: build.along.toReversed() } });
    expect(reply.statusCode).toBe(200);
    const hose = hoseOf(reply.json<JobDetail>(), 'Left hose');
    expect(hose).toMatchObject({ specified: false, build });
    const again = await edit('Left hose', { build, specified: true });
    expect(hoseOf(again.json<JobDetail>(), 'Left hose').specified).toBe(true);
  });

  test('a label beyond the ferrule is refused by its field, and nothing is lost', async () => {
    const build = await buildNow('Left hose');
    const [first, ...others] = build.along;
    const reply = await edit('Left hose', {
      build: { ...build, along: [{ ...first, from_m: 0 }, ...others] },
    });
    expect(problemOf(reply)).toMatchObject({
      status: 400,
      errors: [{ field: 'build.along', message: 'the label does not lie between the two ferrules' }],
    });
    expect(hoseOf(await bars(), 'Left hose').build).toEqual(build);
  });

  test('an eye that does not go on its bolt is a stop until somebody says why', async () => {
    const build = await buildNow('Left hose');
    const wrong = { ...build, endB: { ...build.endB, eyeBore_m: 0.0122 } };
    const refused = await edit('Left hose', { build: wrong, specified: true });
    expect(problemOf(refused)).toMatchObject({ status: 422, code: 'stop-not-answered' });
    expect(refused.json<{ cautions: { id: string }[] }>().cautions.map(({ id }) => id)).toEqual(['M25']);
    const answered = await edit('Left hose', {
      build: wrong,
      specified: true,
      overrides: [{ caution: 'M25', reason: 'A sleeve in the eye takes up the play, by its maker.' }],
    });
    expect(answered.statusCode).toBe(200);
    expect((await edit('Left hose', { build, specified: true })).statusCode).toBe(200);
  });

  test('a bore as wide as the hose is refused at the field', async () => {
    const build = await buildNow('Left hose');
    const reply = await edit('Left hose', { build: { ...build, bore_m: build.outside_m } });
    expect(problemOf(reply)).toMatchObject({ status: 400, errors: [{ field: 'build.outside_m' }] });
  });

  test('the old bolt was the switch and the new one is not: the joint says so and opens the hose', async () => {
    const detail = await bars();
    const joint = detail.joints.find(({ bolt }) => bolt !== null);
    const path = `/api/jobs/${detail.job.id}/joints/${joint?.jointId}`;
    const reply = await server.ask('PATCH', path, { version: joint?.version, oldIsSwitch: true });
    expect(reply.statusCode).toBe(200);
    const touched = reply.json<JobDetail>();
    expect(touched.hoses.some(({ specified }) => !specified)).toBe(true);
    const open = touched.hoses.find(({ specified }) => !specified);
    const refused = await server.ask('PATCH', `/api/jobs/${detail.job.id}/hoses/${open?.hoseId}`, {
      version: open?.version,
      specified: true,
    });
    expect(refused.json<{ cautions: { id: string }[] }>().cautions.map(({ id }) => id)).toEqual(['M31']);
    const back = touched.joints.find(({ jointId }) => jointId === joint?.jointId);
    await server.ask('PATCH', path, { version: back?.version, oldIsSwitch: false });
    for (const { hoseId } of (await bars()).hoses) {
      const hose = (await bars()).hoses.find((own) => own.hoseId === hoseId);
      await server.ask('PATCH', `/api/jobs/${detail.job.id}/hoses/${hoseId}`, {
        version: hose?.version,
        specified: true,
      });
    }
    expect((await bars()).hoses.every(({ specified }) => specified)).toBe(true);
  });
});

describe('the order', () => {
  test('as JSON: what another validator accepts by the published schema, in the datum of the order', async () => {
    const { job } = await bars();
    const reply = await server.ask('GET', orderAddress(job.id, 'json'));
    expect(reply.headers['content-type']).toContain('application/json');
    const document = JSON.parse(reply.body) as OrderDocument;
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    const schema = JSON.parse(
      readFileSync(join(__dirname, '../../../../docs/formats/order-1.schema.json'), 'utf8'),
    ) as object;
    const validate = ajv.compile(schema);
    expect([validate(document), validate.errors]).toEqual([true, null]);
    expect(validate({ ...document, hoses: [{ ...document.hoses[0], length_m: '742' }] })).toBe(false);
    expect(document.hoses.map(({ name, length_m }) => [name, length_m])).toEqual([
      ['Left hose', 0.742],
      ['Right hose', 0.815],
      ['Sidecar hose', 1.32],
    ]);
    // Ten washers are used: half as many again go along (common practice, no published source).
    expect(document.parts.find(({ text }) => text.startsWith('Crush washer'))?.count).toBe(15);
    expect(
      document.parts
        .filter(({ key }) => key.startsWith('bolt'))
        .map(({ text, count }) => [text.split(' M10')[0], count]),
    ).toEqual([
      ['Banjo bolt for 3 eyes', 1],
      ['Single banjo bolt', 3],
    ]);
  });

  test('as CSV: another reader finds the same lengths, bends and parts', async () => {
    const { job } = await bars();
    const reply = await server.ask('GET', orderAddress(job.id, 'csv'));
    const rows = parse<Record<string, string>>(reply.body, { columns: true });
    const hoses = rows.filter(({ what }) => what === 'hose');
    expect(
      hoses.map(({ name, length_mm, a_bend_deg, clocking_deg }) => [
        name,
        length_mm,
        a_bend_deg,
        clocking_deg,
      ]),
    ).toEqual([
      ['Left hose', '742', '20', '35'],
      ['Right hose', '815', '0', '325'],
      ['Sidecar hose', '1320', '45', '90'],
    ]);
    // Which way a neck is bent, and which way it points: what is told on paper is told here.
    const { hoses: told } = (await server.ask('GET', orderAddress(job.id, 'json'))).json<OrderDocument>();
    expect(hoses.map(({ a_bend_plane, b_bend_plane }) => [a_bend_plane, b_bend_plane])).toEqual(
      told.map(({ endA, endB }) =>
        [endA, endB].map((end) => (end.family === 'banjo' && end.neckAngle_rad > 0 ? end.bendPlane : '')),
      ),
    );
    expect(
      hoses.map(({ a_direction_deg }) => (a_direction_deg === '' ? null : Number(a_direction_deg))),
    ).toEqual(
      told.map(({ endA }) =>
        endA.direction_rad === null
          ? null
          : (expect.closeTo((endA.direction_rad * 180) / Math.PI, 2) as unknown),
      ),
    );
    expect(rows.filter(({ what }) => what === 'label')).toHaveLength(6);
    expect(rows.map(({ line }) => line)).toEqual(rows.map((_row, index) => String(index + 1)));
  });

  test('as PDF: a page a hose and one of parts, fonts inside, text to select; of one hose alone', async () => {
    const detail = await bars();
    const whole = readPdf((await server.ask('GET', orderAddress(detail.job.id, 'pdf'))).rawPayload);
    expect(whole.pages).toBe(4);
    for (const { embedded } of whole.fonts) expect(embedded).toBe(true);
    expect(whole.text).toContain('742 mm ± 3 mm, eye centre to eye centre');
    expect(whole.text).toContain('from the eye axis of A to the eye axis of B');
    const { hoseId } = hoseOf(detail, 'Right hose');
    const one = readPdf((await server.ask('GET', orderAddress(detail.job.id, 'pdf', hoseId))).rawPayload);
    expect(one.pages).toBe(2);
    expect(one.text).not.toContain('Left hose');
  });

  test('what lies on the shelf is not ordered again; a stale count is refused', async () => {
    const { job } = await bars();
    const partsOf = async () =>
      (JSON.parse((await server.ask('GET', orderAddress(job.id, 'json'))).body) as OrderDocument).parts;
    const washer = (await partsOf()).find(({ text }) => text.startsWith('Crush washer'));
    const key = washer?.key ?? '';
    expect((await server.ask('PUT', '/api/shop/stock', { key, onHand: 9, version: null })).statusCode).toBe(
      200,
    );
    expect((await partsOf()).find((part) => part.key === key)?.count).toBe(6);
    expect(
      problemOf(await server.ask('PUT', '/api/shop/stock', { key, onHand: 2, version: 7 })),
    ).toMatchObject({
      status: 409,
      code: 'stale-write',
    });
    await server.ask('PUT', '/api/shop/stock', { key, onHand: 30, version: 0 });
    expect((await partsOf()).some((part) => part.key === key)).toBe(false);
    await server.ask('PUT', '/api/shop/stock', { key, onHand: 0, version: 1 });
  });

  test('of a job with nothing specified there is no order yet', async () => {
    const { job } = await server.job('wick-front');
    expect(problemOf(await server.ask('GET', orderAddress(job.id, 'pdf')))).toMatchObject({
      code: 'stage-not-ready',
    });
  });
});

const NOTHING = {
  cutFace: null,
  strandFree: null,
  short_m: null,
  lubricant: null,
  gap_m: null,
  length_m: null,
};

describe('made up here', () => {
  const post = async (path: string, body: object) => {
    const detail = await bars();
    const { hoseId, version } = hoseOf(detail, 'Sidecar hose');
    return server.ask('POST', `/api/jobs/${detail.job.id}/hoses/${hoseId}/${path}`, { version, ...body });
  };
  const step = (kind: string, facts: object = {}, undo = false) =>
    post('make-up', { step: { ...NOTHING, step: kind, ...facts }, undo });
  const FACTS: Readonly<Record<string, object>> = {
    cut: { cutFace: 'clean' },
    oliveA: { strandFree: true, short_m: 0 },
    oliveB: { strandFree: true, short_m: 0.0003 },
    joinA: { lubricant: 'ptfeGrease', gap_m: 0.001 },
    joinB: { lubricant: 'ptfeGrease', gap_m: 0.0012 },
    measure: { length_m: 1.321 },
  };

  test('a bought hose has no build sheet', async () => {
    expect(problemOf(await step('cut', FACTS.cut))).toMatchObject({ code: 'stage-not-ready' });
  });

  test('step by step, never out of turn, and never fitted before it is proved', async () => {
    const build = await buildNow('Sidecar hose');
    const wanted = { ...build, madeHere: true, fixing: 'screwed' as const };
    const { endA, endB } = hoseOf(await bars(), 'Sidecar hose');
    // What is cut here rests on the ends in the hand.
    const takeOffsFrom = 'measured';
    const vouched = { endA: { ...endA, takeOffsFrom }, endB: { ...endB, takeOffsFrom } };
    const reason = 'Kept off the road until the inspector has said yes.';
    const kept = await edit('Sidecar hose', {
      ...vouched,
      build: wanted,
      specified: true,
      overrides: [{ caution: 'M36', reason }],
    });
    expect(kept.statusCode).toBe(200);
    const out = await step('oliveB', FACTS.oliveB);
    expect(out.json<{ cautions: object[] }>().cautions).toEqual([
      { id: 'M38', evidence: { step: 'oliveB', first: 'nutB' } },
    ]);
    expect(problemOf(await step('cut', { cutFace: 'ragged' }))).toMatchObject({
      errors: [{ field: 'step.cutFace' }],
    });
    expect(problemOf(await step('cut'))).toMatchObject({ errors: [{ field: 'step.cutFace' }] });
    for (const kind of MAKE_UP_STEPS) {
      if (kind === 'proof') break;
      // Asked after a proof with water only.
      if (kind === 'oliveA') {
        const strand = await step(kind, { strandFree: false, short_m: 0.002 });
        expect(strand.json<{ cautions: { id: string }[] }>().cautions.map(({ id }) => id)).toEqual([
          'M39',
          'M40',
        ]);
      }
      expect([kind, (await step(kind, FACTS[kind])).statusCode]).toEqual([kind, 200]);
    }
    const handTight = async () => {
      const detail = await bars();
      const { hoseId } = hoseOf(detail, 'Sidecar hose');
      const line = partsOf(detail).hoses.find(({ id }) => id === hoseId);
      const joint = detail.joints.find(({ jointId }) => jointId === line?.toJointId);
      return putOn(server, detail.job.id, joint?.jointId ?? '', {
        overrides: [{ caution: 'M37', reason: 'It will hold, it always has.' }],
      });
    };
    // No reason opens this gate.
    expect(problemOf(await handTight())).toMatchObject({ code: 'stage-not-ready' });
    const proof = { pressure_Pa: 2e7, typed: '200 bar', hold_s: 60, medium: 'water', gauge: 'Bench gauge 2' };
    expect(problemOf(await step('cap'))).toMatchObject({ code: 'stop-not-answered' });
    const failed = await post('proof-tests', { ...proof, tight: false });
    expect(hoseOf(failed.json<JobDetail>(), 'Sidecar hose').makeUp.proofs).toHaveLength(1);
    expect(problemOf(await handTight())).toMatchObject({ code: 'stage-not-ready' });
    const passed = await post('proof-tests', { ...proof, tight: true });
    const { makeUp } = hoseOf(passed.json<JobDetail>(), 'Sidecar hose');
    expect([makeUp.proofs.length, makeUp.steps.at(-1)?.step]).toEqual([2, 'proof']);
    // The water is still in it: neither capped nor fitted before it is blown dry.
    const wet = await step('cap');
    expect(wet.json<{ cautions: object[] }>().cautions).toEqual([{ id: 'M104', evidence: {} }]);
    expect(problemOf(await handTight())).toMatchObject({ code: 'stage-not-ready' });
    expect((await step('dry')).statusCode).toBe(200);
    // The demo's hose lies there: its joint is opened for this one.
    const line = partsOf(await bars()).hoses.find(({ name }) => name === 'Sidecar hose');
    const crack = { kind: 'crack' as const, joint: line?.toJointId ?? '' };
    expect((await sendSteps(server, (await bars()).job.id, [crack])).statusCode).toBe(200);
    expect((await handTight()).statusCode).toBe(200);
    const capped = await step('cap');
    expect(capped.statusCode).toBe(200);
    // What is counted stays counted; at the end that was opened once more, one on and off again.
    expect(hoseOf(capped.json<JobDetail>(), 'Sidecar hose').plugs).toEqual({
      A: { put: 2, out: 2 },
      B: { put: 3, out: 3 },
    });
  });

  test('a step taken back takes with it what rests on it, the proof as well', async () => {
    const undone = await step('joinB', {}, true);
    const { makeUp } = hoseOf(undone.json<JobDetail>(), 'Sidecar hose');
    expect(makeUp.proofs).toEqual([]);
    // It is hand tight already: it is not torqued all the same.
    const detail = undone.json<JobDetail>();
    const { hoseId } = hoseOf(detail, 'Sidecar hose');
    const line = partsOf(detail).hoses.find(({ id }) => id === hoseId);
    const torque = await server.ask('POST', `/api/jobs/${detail.job.id}/torque-records`, {
      id: randomUUID(),
      jointId: line?.toJointId,
      wrenchId: detail.wrenches[0]?.id,
      torque_Nm: 19.6,
      typed: '19.6 N·m',
      freshWashers: 2,
      witnessMark: true,
    });
    expect(problemOf(torque)).toMatchObject({ code: 'stage-not-ready' });
    expect(makeUp.steps.map((made) => made.step)).toEqual(
      MAKE_UP_STEPS.slice(0, MAKE_UP_STEPS.indexOf('joinB')),
    );
  });

  test('it is not on the order any more', async () => {
    const { job } = await bars();
    const document = JSON.parse(
      (await server.ask('GET', orderAddress(job.id, 'json'))).body,
    ) as OrderDocument;
    expect(document.hoses.map(({ name }) => name)).toEqual(['Left hose', 'Right hose']);
  });
});

describe('the box', () => {
  const stand = join(__dirname, '../../../../stand-ins');

  test('without a supplier the shop is told, and keeps its order sheet', async () => {
    const { job } = await bars();
    const reply = await server.ask('POST', `/api/jobs/${job.id}/supplier/quote`, { version: job.version });
    expect(problemOf(reply)).toMatchObject({ status: 502, code: 'supplier-silent' });
  });

  test('quoted, ordered, sent wrong and found wrong; sent right and accepted', async () => {
    const child = spawn(process.execPath, ['--import', 'tsx', 'src/parts-supplier/main.ts'], {
      cwd: stand,
      detached: true,
    });
    try {
      server.config.supplier = await new Promise<string>((resolve, reject) => {
        child.stdout.on('data', (chunk: Buffer) => {
          const address = /http:\/\/127\.0\.0\.1:\d+/.exec(chunk.toString())?.[0];
          if (address) resolve(address);
        });
        child.on('exit', () => reject(new Error('the supplier ended')));
      });
      const supply = async (what: string, body: object = {}) => {
        const { job } = await bars();
        return server.ask('POST', `/api/jobs/${job.id}/supplier/${what}`, { version: job.version, ...body });
      };
      expect(problemOf(await supply('order'))).toMatchObject({ code: 'stage-not-ready' });
      const quoted = (await supply('quote')).json<JobDetail>().job.supply?.quote;
      expect(quoted?.lines.slice(0, 2).map(({ text }) => text)).toEqual(['Left hose', 'Right hose']);
      expect(quoted?.total).toBe(quoted?.lines.reduce((sum, { count, each }) => sum + count * each, 0));
      expect((await supply('order')).json<JobDetail>().job.supply?.confirmation?.order).toMatch(/^SIM-O/);
      const check = async (wrong: string, decided: object | null) => {
        const sent = (await supply('delivery', { wrong })).json<JobDetail>();
        const { hoseId, version } = hoseOf(sent, 'Left hose');
        const found = sent.job.supply?.parcel?.items.find((item) => item.hoseId === hoseId)?.found;
        return server.ask('PUT', `/api/jobs/${sent.job.id}/hoses/${hoseId}/kit`, { version, found, decided });
      };
      // A bolt that several hoses share is in one box only: every box that is right is found right.
      const all = (await supply('delivery', { wrong: 'none' })).json<JobDetail>();
      const verdicts = all.job.supply?.parcel?.items.map(({ hoseId, found }) => {
        const own = hoseOfJob(all, hoseId);
        const order = own && kitOrderOf(all, own);
        return order && judgeKit(order, found).verdict;
      });
      expect(verdicts).toEqual(['accept', 'accept']);
      const short = await check('short', { verdict: 'accept', because: '' });
      expect(problemOf(short)).toMatchObject({ errors: [{ field: 'decided.because' }] });
      const back = await check('short', { verdict: 'return', because: '15 mm short' });
      expect(hoseOf(back.json<JobDetail>(), 'Left hose').kit?.decided?.verdict).toBe('return');
      const right = await check('none', { verdict: 'accept', because: '' });
      expect(hoseOf(right.json<JobDetail>(), 'Left hose').kit?.decided?.verdict).toBe('accept');
    } finally {
      if (child.pid) process.kill(-child.pid);
      server.config.supplier = null;
    }
  }, 60_000);

  test('what is asked of a supplier twice under one key is written once, and the second answer is the first', async () => {
    const { job } = await bars();
    const asked: string[] = [];
    const supplier = createServer((request, response) => {
      asked.push(request.url ?? '');
      const said = { quote: 'SIM-Q7', currency: 'XTS', lines: [], total: 0, days: 4, refused: [] };
      response.writeHead(201, { 'content-type': 'application/json' }).end(JSON.stringify(said));
    });
    await new Promise<void>((resolve) => {
      supplier.listen(0, '127.0.0.1', () => resolve());
    });
    server.config.supplier = `http://127.0.0.1:${(supplier.address() as AddressInfo).port}`;
    try {
      const brannoc = await server.signInAs('brannoc');
      const key = randomUUID();
      const send = async (withKey: string) =>
        await server.app.inject({
          method: 'POST',
          url: `/api/jobs/${job.id}/supplier/quote`,
          payload: { version: job.version },
          headers: { ...OWN_PAGE, cookie: brannoc, 'idempotency-key': withKey },
        });
      const replies = [...(await Promise.all([send(key), send(key)])), await send(key)];
      expect(new Set(replies.map((reply) => reply.json<JobChange>().stamp)).size).toBe(1);
      expect((await bars()).job.version).toBe(job.version + 1);
      const before = asked.length;
      expect(before).toBeLessThanOrEqual(2);
      expect(problemOf(await send(randomUUID()))).toMatchObject({ status: 409, code: 'stale-write' });
      expect(asked.length).toBe(before);
      const quotes = await server.database.models.LogEntry.count({
        where: { jobId: job.id, kind: 'quoted' },
      });
      await send(key);
      expect(await server.database.models.LogEntry.count({ where: { jobId: job.id, kind: 'quoted' } })).toBe(
        quotes,
      );
    } finally {
      server.config.supplier = null;
      supplier.closeAllConnections();
      await new Promise<void>((resolve) => {
        supplier.close(() => resolve());
      });
    }
  });

  test('while a supplier thinks the job goes on, and of two who ask at once the later is told that it changed', async () => {
    const waiting: ((body: string) => void)[] = [];
    let heard: () => void = () => undefined;
    const supplier = createServer((_request, response) => {
      waiting.push((body) => response.writeHead(201, { 'content-type': 'application/json' }).end(body));
      heard();
    });
    await new Promise<void>((resolve) => {
      supplier.listen(0, '127.0.0.1', () => resolve());
    });
    server.config.supplier = `http://127.0.0.1:${(supplier.address() as AddressInfo).port}`;
    try {
      const { job } = await bars();
      const settled: string[] = [];
      const asked: ReturnType<TestServer['ask']>[] = [];
      const begun = async (name: string) => {
        const arrived = new Promise<void>((resolve) => {
          heard = resolve;
        });
        const reply = server
          .ask('POST', `/api/jobs/${job.id}/supplier/quote`, { version: job.version })
          .then((said) => {
            settled.push(name);
            return said;
          });
        asked.push(reply);
        await Promise.race([arrived, reply]);
      };
      await begun('first');
      await begun('second');
      expect((await edit('Left hose', { specified: true })).statusCode).toBe(200);
      settled.push('edit');
      const said = (number: number) =>
        JSON.stringify({
          quote: `SIM-Q${number}`,
          currency: 'XTS',
          lines: [],
          total: 0,
          days: 4,
          refused: [],
        });
      waiting[0]?.(said(1));
      expect((await asked[0])?.json<JobDetail>().job.supply?.quote.quote).toBe('SIM-Q1');
      waiting[1]?.(said(2));
      const late = await asked[1];
      expect(late && problemOf(late)).toMatchObject({ status: 409, code: 'stale-write' });
      expect(settled).toEqual(['edit', 'first', 'second']);
      expect((await bars()).job.supply?.quote.quote).toBe('SIM-Q1');
    } finally {
      server.config.supplier = null;
      supplier.closeAllConnections();
      await new Promise<void>((resolve) => {
        supplier.close(() => resolve());
      });
    }
  });
});
