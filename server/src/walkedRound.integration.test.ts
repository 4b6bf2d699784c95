/**
 * A job cannot be walked round: each mistake is played through the API as a technician would make it, by the paths that the
 * API offers, and its clean twin goes through.
 */
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { HydraulicsEntry, JobDetail, SavedCorner, VehicleDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, hydraulicsOf, kitOrderOf, nipplesOf } from '@zephyrcombe/contract';
import type { Facts } from '@zephyrcombe/workshop';
import {
  cautionDigest,
  changesBetween,
  digestOf,
  fittedFacts,
  lengthFacts,
  signatureFacts,
  specificationFacts,
} from '@zephyrcombe/workshop';
import type { Caution } from '@zephyrcombe/core';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { demoId } from './demo/identity.ts';
import { signedService, tubeReading } from './testing/samples.ts';
import { allSpecified } from './testing/specified.ts';
import { putOn, putTogether, takeAll } from './testing/fitting.ts';
import type { TestServer } from './testing/testServer.ts';
import { problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const WICK = demoId('wick');
const FRONT = demoId('wick/front/circuit');
const HOSE = demoId('wick/front/hose');

type Reply = Awaited<ReturnType<TestServer['ask']>>;
/** The codes of what stands in the way. */
const obstacles = (reply: Reply): readonly string[] => {
  expect([reply.statusCode, problemOf(reply).code]).toEqual([422, 'stage-not-ready']);
  return (problemOf(reply).errors ?? []).map(({ field }) => field);
};
const good = (reply: Reply): JobDetail => {
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json<JobDetail>();
};

/** One job on the front brake, and what a technician does to it. */
class Job {
  readonly id = randomUUID();
  async now(): Promise<JobDetail> {
    return (await server.ask('GET', `/api/jobs/${this.id}`)).json<JobDetail>();
  }
  async hose() {
    const [hose] = (await this.now()).hoses;
    if (!hose) throw new Error('no hose');
    return hose;
  }
  async joint(index = 0) {
    const joint = (await this.now()).joints[index];
    if (!joint) throw new Error('no joint');
    return joint;
  }
  start = async () =>
    good(
      await server.ask('POST', '/api/jobs', {
        id: this.id,
        vehicleId: WICK,
        circuitIds: [FRONT],
        title: 'Front hose',
        reason: '',
        hoseIds: [HOSE],
      }),
    );
  job = async (body: object) =>
    server.ask('PATCH', `/api/jobs/${this.id}`, { version: (await this.now()).job.version, ...body });
  editHose = async (body: object) =>
    server.ask('PATCH', `/api/jobs/${this.id}/hoses/${HOSE}`, {
      version: (await this.hose()).version,
      ...body,
    });
  editJoint = async (body: object, index = 0) => {
    const { jointId, version } = await this.joint(index);
    return server.ask('PATCH', `/api/jobs/${this.id}/joints/${jointId}`, { version, ...body });
  };
  kit = async (body: object) =>
    server.ask('PUT', `/api/jobs/${this.id}/hoses/${HOSE}/kit`, {
      version: (await this.hose()).version,
      ...body,
    });
  post = (path: string, body: object) => server.ask('POST', `/api/jobs/${this.id}/${path}`, body);
  handTight = async (index = 0, overrides: readonly object[] = []) =>
    putOn(server, this.id, (await this.joint(index)).jointId, { without: ['offerUp'], overrides });
  finish = async () => this.post('finish', signedService((await this.now()).job.version));

  async measure(): Promise<void> {
    for (const length_m of [0.928, 0.93]) good(await this.post('readings', tubeReading(HOSE, length_m)));
    const seen = ['controlsFinal', 'bracketsInPlace', 'leftLock', 'rightLock', 'fullBump'];
    good(
      await this.editHose({
        poseChecks: Object.fromEntries(seen.map((pose) => [pose, true])),
        orderDatum: { endA: 'eyeCentre', endB: 'eyeCentre' },
      }),
    );
    good(await this.editHose({ order_m: 0.942 }));
  }
  async specify(): Promise<void> {
    await this.measure();
    good(await this.job({ endsConfirmed: true }));
    good(await this.editHose({ specified: true }));
  }
  offerUp = () => takeAll(server, this.id, ['offerUp']);
  async torque(index: number, over: object = {}): Promise<Reply> {
    return this.post('torque-records', {
      id: randomUUID(),
      jointId: (await this.joint(index)).jointId,
      wrenchId: demoId('bench-25'),
      torque_Nm: 19.6,
      typed: '19.6 N·m',
      freshWashers: 2,
      witnessMark: true,
      ...over,
    });
  }
  async bleed(kind: 'stroke' | 'topUp' | 'clear'): Promise<Reply> {
    const [nipple] = nipplesOf(await this.now());
    return this.post(`nipples/${nipple?.id}/events`, { id: randomUUID(), kind });
  }
  /** Everything from the offered hose to the last tick before the signature. */
  async fitAndBleed(): Promise<void> {
    good(await putTogether(server, this.id));
    const { joints } = await this.now();
    for (const index of joints.keys()) good(await this.torque(index));
    for (const kind of ['stroke', 'clear'] as const) good(await this.bleed(kind));
    for (const index of joints.keys()) good(await this.editJoint({ leakChecked: true }, index));
    good(
      await this.job({ handoverChecks: Object.fromEntries(HANDOVER_CHECKS.map((check) => [check, true])) }),
    );
  }
}

/** The first step of a build sheet. */
const MEASURED = {
  step: 'measure',
  by: 'Brannoc Hale',
  cutFace: null,
  strandFree: null,
  short_m: null,
  lubricant: null,
  gap_m: null,
  length_m: null,
};

async function begun(): Promise<Job> {
  const job = new Job();
  await job.start();
  return job;
}
async function specified(): Promise<Job> {
  const job = await begun();
  await job.specify();
  return job;
}

async function circuitNow() {
  const { circuits } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
  const circuit = circuits.find(({ id }) => id === FRONT);
  if (!circuit) throw new Error('no front brake');
  return circuit;
}
/** The drawing, with its ports as `port` makes them. */
async function drawPorts(port: Partial<HydraulicsEntry['ports'][number]>): Promise<void> {
  const circuit = await circuitNow();
  const now = hydraulicsOf(circuit);
  const reply = await server.ask('PUT', `/api/vehicles/${WICK}/circuits/${FRONT}`, {
    version: circuit.version,
    hydraulics: { ...now, ports: now.ports.map((known) => ({ ...known, ...port })) },
  });
  if (reply.statusCode !== 200) throw new Error(reply.body);
}

describe('signing', () => {
  test('with nothing measured, or measured and not specified, is refused by what is missing; with all done it goes through', async () => {
    const job = await begun();
    const NOT_FITTED = ['jointsNotTorqued', 'jointsNotDry', 'nipplesNotClear'];
    expect(obstacles(await job.finish())).toEqual(['endsNotConfirmed', 'notMeasured', ...NOT_FITTED]);
    await job.measure();
    expect(obstacles(await job.finish())).toEqual(['endsNotConfirmed', 'notSpecified', ...NOT_FITTED]);
    good(await job.job({ endsConfirmed: true }));
    good(await job.editHose({ specified: true }));
    // Straight to the last call, past the stages between.
    expect(obstacles(await job.finish())).toEqual(NOT_FITTED);
    await job.fitAndBleed();
    expect(good(await job.finish()).job.status).toBe('finished');
  });

  test('after the bolt was changed, everything else done, is refused; with the hose specified anew it goes through', async () => {
    const job = await specified();
    await job.fitAndBleed();
    const { bolt } = await job.joint();
    good(await job.editJoint({ bolt: { ...bolt, length_m: (bolt?.length_m ?? 0) + 0.002 } }));
    const refused = await job.finish();
    const LOOSE = ['changedSinceTorqued', 'jointsNotTorqued', 'jointsNotDry'];
    expect(obstacles(refused)).toEqual(['changedSinceSpecified', ...LOOSE]);
    expect(problemOf(refused).detail).toMatch(
      /joint at end A, bolt, length: 20\smm → 22\smm\. Specify it again/,
    );
    good(await job.editHose({ specified: true }));
    // The torque was that of the other bolt: specified anew, the joint is tightened and seen dry anew.
    expect(obstacles(await job.finish())).toEqual(LOOSE);
    expect(problemOf(await job.editJoint({ leakChecked: true })).code).toBe('stage-not-ready');
    server.pass(60_000);
    good(await job.torque(0));
    expect(obstacles(await job.finish())).toEqual(['jointsNotDry']);
    good(await job.editJoint({ leakChecked: true }));
    expect(good(await job.finish()).job.status).toBe('finished');
  });
});

describe('what is approved is what was on the screen', () => {
  /** Whoever looks, and somebody else changes something before the button is pressed. */
  async function behind(
    job: Job,
    facts: (detail: JobDetail) => Facts,
    change: () => Promise<Reply>,
    approve: (seen: string) => Promise<Reply>,
    path: string,
  ): Promise<void> {
    const screen = facts(await job.now());
    good(await change());
    const refused = await approve(digestOf(screen));
    expect(problemOf(refused)).toMatchObject({ status: 409, code: 'changed-since-seen' });
    // The reply tells what it is now, so that the page can say what changed.
    const { current } = refused.json<{ current: Facts }>();
    expect(changesBetween(screen, current).map((one) => one.path.join('.'))).toEqual([path]);
    good(await approve(digestOf(facts(await job.now()))));
  }
  const washer = { material: 'aluminium', thickness_m: 0.0012 };
  const ownOf = (detail: JobDetail) => {
    const own = hoseOfJob(detail, HOSE);
    if (!own) throw new Error('no hose');
    return own;
  };

  test('a length, another pose unticked meanwhile', async () => {
    const job = new Job();
    await job.start();
    await job.measure();
    good(await job.editHose({ poseChecks: { crossedUp: true } }));
    await behind(
      job,
      (detail) => lengthFacts(detail, { ...ownOf(detail).hose, order_m: 0.942 }),
      () => job.editHose({ poseChecks: { crossedUp: false } }),
      (seen) => job.editHose({ order_m: 0.942, seen }),
      'checks.crossedUp',
    );
  });

  test('a specification, other washers chosen at its joint meanwhile: the hose itself was not written', async () => {
    const job = new Job();
    await job.start();
    await job.measure();
    await behind(
      job,
      (detail) => specificationFacts(detail, ownOf(detail)),
      () => job.editJoint({ washer }),
      (seen) => job.editHose({ specified: true, seen }),
      'jointA.washer.thickness_m',
    );
  });

  test('a torque, and a signature', async () => {
    const job = await specified();
    await job.fitAndBleed();
    server.pass(60_000);
    const { jointId } = await job.joint(0);
    await behind(
      job,
      (detail) => fittedFacts(detail, jointId),
      async () => {
        await job.editJoint({ washer });
        return job.editHose({ specified: true });
      },
      (seen) => job.torque(0, { seen }),
      'washer.thickness_m',
    );
    await behind(
      job,
      signatureFacts,
      () => job.editJoint({ leakChecked: true }, 0),
      async (seen) => job.post('finish', { ...signedService((await job.now()).job.version), seen }),
      'joints.Front master.dry',
    );
  });
});

describe('after the hose was specified', () => {
  const CHANGES: Readonly<Record<string, (job: Job) => Promise<unknown>>> = {
    'another bolt': async (job) => {
      const { bolt } = await job.joint();
      return good(await job.editJoint({ bolt: { ...bolt, material: 'stainless' } }));
    },
    'another washer': async (job) =>
      good(await job.editJoint({ washer: { material: 'aluminium', thickness_m: 0.0012 } })),
    'another bend of a neck': async (job) => {
      const { endA } = await job.hose();
      return good(await job.editHose({ endA: { ...endA, neckAngle_rad: endA.neckAngle_rad + 0.2 } }));
    },
    'another length': async (job) => good(await job.editHose({ order_m: 0.962 })),
    'another port on the drawing': () => drawPorts({ thread: 'M12×1.0' }),
    'another seat on the drawing': () => drawPorts({ seatMaterial: 'stainless' }),
    'a port whose depth is another': () => drawPorts({ depth_m: 0.011 }),
  };

  test.each(Object.keys(CHANGES))(
    '%s: neither fitted nor tightened until it is specified anew',
    async (what) => {
      const job = await specified();
      good(await job.offerUp());
      // The other joint is on already: what changed stops it from being tightened as well.
      good(await job.handTight(1));
      await CHANGES[what]?.(job);
      expect((await job.hose()).specified).toBe(false);
      const refused = await job.handTight();
      expect(obstacles(refused)).toEqual(['changedSinceSpecified']);
      expect(problemOf(refused).detail).toContain('→');
      expect(obstacles(await job.torque(1))).toEqual(['changedSinceSpecified']);
      // Specified anew, where nothing stands against it that wants a reason.
      const anew = await job.editHose({ specified: true });
      if (anew.statusCode === 200) {
        // A hose of another length is held against its route anew.
        good(await job.offerUp());
        good(await job.handTight());
      } else expect(problemOf(anew).code).toBe('stop-not-answered');
    },
  );

  test('a route changed after its hose was specified on it is asked for again; put back, nothing is', async () => {
    const job = await specified();
    const at = `/api/vehicles/${WICK}/corners`;
    const change = async (leastRadius_m?: number) => {
      const { items } = (await server.ask('GET', at)).json<{ items: SavedCorner[] }>();
      const kept = items.find(({ corner }) => corner.hoses.some(({ id }) => id === HOSE));
      if (!kept) throw new Error('no route of the hose');
      const corner = structuredClone(kept.corner);
      const was = corner.hoses.find(({ id }) => id === HOSE)?.leastRadius_m;
      for (const hose of corner.hoses)
        if (hose.id === HOSE && leastRadius_m !== undefined) hose.leastRadius_m = leastRadius_m;
      good(await server.ask('PUT', `${at}/${kept.id}`, { version: kept.version, corner }));
      return was;
    };
    good(await job.offerUp());
    // Saved again as it was it is the same route.
    const was = await change();
    good(await job.handTight(1));
    await change(0.3);
    const refused = await job.handTight();
    expect(obstacles(refused)).toEqual(['changedSinceSpecified']);
    expect(refused.body).toContain('the route kept with the vehicle: as it was → another one');
    expect(obstacles(await job.torque(1))).toEqual(['changedSinceSpecified']);
    const stops = problemOf(await job.editHose({ specified: true })).cautions ?? [];
    expect(stops.map(({ id }) => id)).toContain('M10');
    await change(was);
    good(await job.handTight());
  });

  test('a reading struck out: it has no length any more', async () => {
    const job = await specified();
    good(await job.offerUp());
    const [reading] = (await job.now()).readings;
    good(await job.post(`readings/${reading?.id}/strike`, { because: 'Read at the wrong mark' }));
    expect(obstacles(await job.handTight())).toEqual(['notMeasured']);
  });

  test('changed on the drawing and put back, it stands again: nobody has to specify it twice', async () => {
    const job = await specified();
    good(await job.offerUp());
    const depth_m = (await circuitNow()).ports[0]?.depth_m ?? null;
    await drawPorts({ depth_m: 0.011 });
    expect(obstacles(await job.handTight())).toEqual(['changedSinceSpecified']);
    await drawPorts({ depth_m });
    expect((await job.hose()).specified).toBe(true);
    good(await job.handTight());
  });

  test('names and notes changed, caps counted, the box looked at: it stands', async () => {
    const job = await specified();
    good(await job.offerUp());
    good(await job.job({ title: 'Front hose, renamed', reason: 'Cracked' }));
    good(await job.editHose({ plugs: { A: { put: 1, out: 1 }, B: null } }));
    await drawPorts({ name: 'Port with another name' });
    good(await job.handTight());
  });
});

test('a hose that was specified before approvals were kept loses its tick with its bolt, its build or a bend', async () => {
  for (const change of [
    async (job: Job) => {
      const { bolt } = await job.joint();
      return job.editJoint({ bolt: { ...bolt, material: 'stainless' } });
    },
    async (job: Job) => {
      const known = hoseOfJob(await job.now(), HOSE);
      return job.editHose({ build: known && buildOf(known) });
    },
    async (job: Job) => {
      const { endB } = await job.hose();
      return job.editHose({ endB: { ...endB, neckAngle_rad: endB.neckAngle_rad + 0.2 } });
    },
  ]) {
    const job = await begun();
    await allSpecified(server, job.id);
    good(await job.offerUp());
    good(await job.handTight(1));
    good(await change(job));
    expect(obstacles(await job.handTight())).toEqual(['notSpecified']);
  }
});

test('what the bench said of a route is answered at Specify, not left at the bench', async () => {
  const job = await begun();
  await job.measure();
  const { LogEntry } = server.database.models;
  const judged = (cautions: readonly object[]) =>
    LogEntry.create({
      id: randomUUID(),
      jobId: job.id,
      at: new Date(),
      by: 'Brannoc Hale',
      byId: null,
      kind: 'routeJudged',
      detail: { hoseId: HOSE, cautions },
      correctsId: null,
    } as never);
  await judged([{ id: 'M10', evidence: { radius_m: 0.03, least_m: 0.04 } }]);
  const refused = await job.editHose({ specified: true });
  expect(problemOf(refused)).toMatchObject({ code: 'stop-not-answered', cautions: [{ id: 'M10' }] });
  // Kept again, without it.
  await judged([]);
  good(await job.editHose({ specified: true }));
});

test('a reason for one joint is none for the other, though the mistake is the same', async () => {
  const job = await begun();
  await job.measure();
  await drawPorts({ thread: 'M12×1.0' });
  const refused = problemOf(await job.editHose({ specified: true }));
  const wrong = (refused.cautions ?? []).filter(({ id }) => id === 'M20') as unknown as Caution[];
  expect(wrong.map(({ subject }) => subject)).toEqual(['Front master', 'Front caliper']);
  const because = (about: readonly Caution[], told = true) =>
    job.editHose({
      specified: true,
      overrides: about.map((caution) => ({
        caution: caution.id,
        reason: 'The port was recut, seen by the lead.',
        ...(told ? { evidence: cautionDigest(caution) } : {}),
      })),
    });
  const others = ((refused.cautions ?? []) as unknown as Caution[]).filter(({ id }) => id !== 'M20');
  const left = async (reply: Promise<Reply>) => (problemOf(await reply).cautions ?? []).map(({ id }) => id);
  expect(await left(because([...others, ...wrong.slice(0, 1)]))).toEqual(['M20']);
  // Nor one that does not say which of the two it is about.
  expect(await left(because([...others, ...wrong.slice(0, 1)], false))).toEqual(['M20', 'M20']);
  good(await because([...others, ...wrong]));
});

describe('the box', () => {
  /** What a look into a box finds that holds what is ordered. */
  const asOrdered = async (job: Job) => {
    const detail = await job.now();
    const own = hoseOfJob(detail, HOSE);
    const order = own && kitOrderOf(detail, own);
    if (!order) throw new Error('nothing is ordered');
    const end = ({ family, neckAngle_rad, eyeBore_m, thread }: typeof order.endA) => ({
      family,
      neckAngle_rad,
      eyeBore_m,
      thread,
    });
    return {
      length_m: order.length_m,
      endA: end(order.endA),
      endB: end(order.endB),
      clocking_rad: order.clocking_rad ?? 0,
      bolts: order.bolts,
      washers: order.washers,
      marking: 'SAE J1401',
      dateCode: '2026-10',
      boreClear: true,
    };
  };
  const FOUND = {
    length_m: 0.942,
    endA: null,
    endB: null,
    clocking_rad: null,
    bolts: 2,
    washers: 4,
    marking: null,
    dateCode: null,
    boreClear: true,
  };
  test('a hose that goes back is neither offered up, fitted nor signed for; the one that comes instead is', async () => {
    const job = await specified();
    good(await job.kit({ found: FOUND, decided: { verdict: 'return', because: 'Wrong neck' } }));
    expect(obstacles(await job.offerUp())).toEqual(['boxReturned']);
    expect(obstacles(await job.finish())).toContain('boxReturned');
    // Without having been offered up, with a reason for that: the joint has the gate as well.
    const because = [{ caution: 'M14', reason: 'Held the old one beside it.' }];
    expect(obstacles(await job.handTight(0, because))).toEqual(['boxReturned']);
    // Nor does taking the decision back make it good.
    good(await job.kit({ found: FOUND, decided: null }));
    expect(obstacles(await job.handTight(0, because))).toEqual(['boxUndecided']);
    good(await job.kit({ found: await asOrdered(job), decided: { verdict: 'accept', because: '' } }));
    good(await job.offerUp());
    good(await job.handTight());
  });

  test('accepted, and then ordered of another length: it is looked at again, whatever was said of it before', async () => {
    const job = await specified();
    const found = await asOrdered(job);
    good(await job.kit({ found, decided: { verdict: 'accept', because: 'Looks right to me' } }));
    good(await job.offerUp());
    good(await job.handTight(1));
    server.pass(60_000);
    good(await job.editHose({ order_m: 0.982 }));
    good(await job.editHose({ specified: true }));
    expect(obstacles(await job.handTight())).toEqual(['changedSinceBox']);
    expect(obstacles(await job.torque(1))).toEqual(['changedSinceBox']);
    // A box that was accepted before it was kept what was: its findings are judged against the order of now.
    const { JobHose } = server.database.models;
    const row = await JobHose.findOne({ where: { jobId: job.id, hoseId: (await job.hose()).hoseId } });
    const { accepted: _accepted, ...before } = row?.kit ?? {};
    await row?.update({ kit: before } as object);
    await server.database.models.Job.increment('revision', { where: { id: job.id } });
    expect(obstacles(await job.handTight())).toEqual(['boxNotAsOrdered']);
    // Decided anew with a reason, after the hose was specified as it is.
    good(await job.kit({ found, decided: { verdict: 'accept', because: 'Offered up, it has its slack' } }));
    expect(problemOf(await job.handTight()).cautions?.map(({ id }) => id)).toEqual(['M14']);
    good(await job.offerUp());
    good(await job.handTight());
  });

  test('a box that was accepted stands while the order is what it was, and is accepted as it was seen', async () => {
    const job = await specified();
    const found = await asOrdered(job);
    const stale = await job.kit({ found, decided: { verdict: 'accept', because: '' }, seen: 'x'.repeat(64) });
    expect([stale.statusCode, problemOf(stale).code]).toEqual([409, 'changed-since-seen']);
    good(await job.kit({ found, decided: { verdict: 'accept', because: '' } }));
    const { order_m, hoseId } = await job.hose();
    const own = hoseOfJob(await job.now(), hoseId);
    const finer = { ...(own && buildOf(own)), tolerance_m: 0.001 };
    good(await job.editHose({ build: finer, specified: true }));
    expect(obstacles(await job.offerUp())).toEqual(['changedSinceBox']);
    // Put back as it was, what was accepted stands again.
    good(await job.editHose({ build: { ...finer, tolerance_m: 0.003 }, order_m, specified: true }));
    good(await job.offerUp());
  });

  test('an order that is not what was quoted, and hoses that have not come, are refused', async () => {
    const supplier = createServer((request, response) => {
      const said =
        request.url === '/quotes'
          ? { quote: 'SIM-Q1', currency: 'XTS', lines: [], total: 0, days: 4, refused: [] }
          : request.url === '/orders'
            ? { order: 'SIM-O1', confirmedOn: '2026-11-23', expectedOn: '2026-11-27' }
            : { order: 'SIM-O1', items: [{ hoseId: HOSE, found: FOUND }] };
      response.writeHead(201, { 'content-type': 'application/json' }).end(JSON.stringify(said));
    });
    supplier.listen(0, '127.0.0.1');
    await once(supplier, 'listening');
    server.config.supplier = `http://127.0.0.1:${(supplier.address() as AddressInfo).port}`;
    try {
      const job = await specified();
      const ask = async (what: string, body: object = {}) =>
        job.post(`supplier/${what}`, { version: (await job.now()).job.version, ...body });
      good(await ask('quote'));
      good(await job.editHose({ order_m: 0.952 }));
      good(await job.editHose({ specified: true }));
      expect(obstacles(await ask('order'))).toEqual(['changedSinceQuoted']);
      good(await ask('quote'));
      good(await ask('order'));
      expect(obstacles(await job.offerUp())).toEqual(['boxNotCome']);
      good(await ask('delivery', { wrong: 'none' }));
      // It is here, and nobody has looked: neither held against its route, nor fitted, nor signed for.
      expect(obstacles(await job.offerUp())).toEqual(['boxNotOpened']);
      expect(obstacles(await job.finish())).toContain('boxNotOpened');
      const found = await asOrdered(job);
      good(await job.kit({ found, decided: { verdict: 'accept', because: '' } }));
      good(await job.offerUp());
    } finally {
      server.config.supplier = null;
      supplier.closeAllConnections();
      supplier.close();
    }
  });

  test('made up here, with a step on its build sheet, is not said to be bought; before the first step it is', async () => {
    const job = await begun();
    await job.measure();
    const known = hoseOfJob(await job.now(), HOSE);
    if (!known) throw new Error('no hose');
    const own = { ...buildOf(known), madeHere: true };
    good(await job.editHose({ build: own }));
    good(await job.editHose({ build: { ...own, madeHere: false } }));
    good(await job.editHose({ build: own }));
    await server.database.models.JobHose.update(
      {
        makeUp: {
          steps: [{ ...MEASURED, at: new Date().toISOString() }],
          proofs: [],
        } as never,
      },
      { where: { jobId: job.id } },
    );
    expect(obstacles(await job.editHose({ build: { ...own, madeHere: false } }))).toEqual(['madeUpAlready']);
    // Nor by leaving the build out altogether.
    expect(obstacles(await job.editHose({ build: null }))).toEqual(['madeUpAlready']);
  });
});

test('an old drawing saved over a signed job is refused: the new parts stay', async () => {
  const job = await specified();
  const before = await circuitNow();
  await job.fitAndBleed();
  good(await job.finish());
  const length_m = (await circuitNow()).hoses.find(({ id }) => id === HOSE)?.length_m;
  expect(length_m).toBe(0.942);
  const late = await server.ask('PUT', `/api/vehicles/${WICK}/circuits/${FRONT}`, {
    version: before.version,
    hydraulics: hydraulicsOf(before),
  });
  expect(problemOf(late)).toMatchObject({ status: 409, code: 'stale-write' });
  expect((await circuitNow()).hoses.find(({ id }) => id === HOSE)?.length_m).toBe(length_m);
});

test('a nipple is not clear on a reservoir that the count says is empty; topped up and pumped on it is', async () => {
  const job = await specified();
  const strokes = async (count: number) => {
    for (let stroke = 0; stroke < count; stroke += 1) good(await job.bleed('stroke'));
  };
  // More than any small reservoir holds.
  await strokes(40);
  const refused = await job.bleed('clear');
  expect(obstacles(refused)).toEqual(['reservoirEmpty']);
  expect(problemOf(refused).detail).toMatch(/\d+ strokes ago/);
  good(await job.bleed('topUp'));
  await strokes(2);
  // Two strokes do not bring through what stands behind the master.
  expect(obstacles(await job.bleed('clear'))).toEqual(['ranDry']);
  for (let round = 0; round < 6; round += 1) {
    good(await job.bleed('topUp'));
    await strokes(1);
  }
  good(await job.bleed('clear'));
});

test('a reason is kept with what it answered and who gave it, and one for nothing is not; none is ever changed', async () => {
  const job = await begun();
  const reason = 'A trailer line, measured twice';
  const long = { typed: '8.5 m', length_m: 8.5 };
  const read = (over: object) => job.post('readings', { ...tubeReading(HOSE, 0.93), ...over });
  good(await read({ ...long, overrides: [{ caution: 'M04', reason }] }));
  good(await read({ overrides: [{ caution: 'M04', reason: 'Nothing stood against it' }] }));
  const { reasons } = await job.now();
  expect(reasons).toMatchObject([
    { caution: 'M04', subject: 'Front hose', reason, by: 'Brannoc Hale', role: 'technician' },
  ]);
  expect(reasons[0]?.evidence).not.toBeNull();
  for (const sql of [`UPDATE job_reason SET reason = 'x'`, 'DELETE FROM job_reason'])
    await expect(server.database.sequelize.query(sql)).rejects.toThrow(/Reasons are never/);
});

test('an apprentice measures, prepares and sends a box back, and approves nothing; a technician does', async () => {
  const job = await begun();
  const tamsin = await server.signInAs('tamsin');
  const brannoc = await server.signInAs('brannoc');
  const hoseAs = async (cookie: string, body: object) =>
    server.ask(
      'PATCH',
      `/api/jobs/${job.id}/hoses/${HOSE}`,
      { version: (await job.hose()).version, ...body },
      cookie,
    );
  await job.measure();
  for (const approval of [{ order_m: 0.942 }, { specified: true }, { order_m: 0.942, specified: true }]) {
    expect(problemOf(await hoseAs(tamsin, approval))).toMatchObject({ code: 'not-allowed' });
    expect((await hoseAs(brannoc, approval)).statusCode).toBe(200);
  }
  expect((await hoseAs(tamsin, { poseChecks: { leftLock: true } })).statusCode).toBe(200);
  const boxAs = async (cookie: string, verdict: string) =>
    server.ask(
      'PUT',
      `/api/jobs/${job.id}/hoses/${HOSE}/kit`,
      {
        version: (await job.hose()).version,
        found: {
          length_m: 0.942,
          endA: null,
          endB: null,
          clocking_rad: null,
          bolts: null,
          washers: null,
          marking: null,
          dateCode: null,
          boreClear: false,
        },
        decided: { verdict, because: 'As it looks to me' },
      },
      cookie,
    );
  expect(problemOf(await boxAs(tamsin, 'accept'))).toMatchObject({ code: 'not-allowed' });
  expect((await boxAs(tamsin, 'return')).statusCode).toBe(200);
});
