/**
 * A job on a vehicle of its own, and what a technician does to it through the API. Every call leaves what was said against it:
 * what refused it, and what stands in the log or against the job after it.
 */
import { randomUUID } from 'node:crypto';
import type {
  Circuit,
  HydraulicsEntry,
  JobDetail,
  JobHose,
  LogEntry,
  SavedCorner,
  Vehicle,
  VehicleDetail,
} from '@zephyrcombe/contract';
import {
  buildFacts,
  hoseOfJob,
  hydraulicsOf,
  jointOfJob,
  lineOfJob,
  nipplesOf,
  partsOf,
  torqueOf,
  vehicleEntryOf,
} from '@zephyrcombe/contract';
import type {
  BleedEventKind,
  RefillGuard,
  Corner,
  HoseBuild,
  HydraulicLine,
  Outflow,
} from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { handoverChecks, sealingDatum as between, suggestBuild } from '@zephyrcombe/core';
import { fitPlanOf, nipplesInOrder, reservoirGuard } from '@zephyrcombe/workshop';
import { demoId } from '../demo/identity.ts';
import { freshFluid, HARD_LINE, LINE_PATTERN, tubeReading } from '../testing/samples.ts';
import type { FitOptions } from '../testing/fitting.ts';
import { putOn, putTogether, sendSteps, takeAll, takeBack } from '../testing/fitting.ts';
import type { TestServer } from '../testing/testServer.ts';
import { problemOf } from '../testing/testServer.ts';
import { ROW_OF } from './rowOf.ts';

type Reply = Awaited<ReturnType<TestServer['ask']>>;

export interface PlayOptions {
  /** Which of the demo's vehicles is copied. */
  readonly like?: string;
  readonly vehicle?: Partial<Pick<Vehicle, 'use' | 'abs' | 'distance_m' | 'electricBooster'>>;
  /** By the start of its name; the first of the circuit otherwise. */
  readonly hose?: string;
  /** The job replaces nothing: it changes the fluid of the hose's circuit. */
  readonly isFluidOnly?: boolean;
  /** How the drawing differs from the demo's. */
  readonly draw?: (drawing: HydraulicsEntry) => HydraulicsEntry;
}

export interface Said {
  readonly refused: boolean;
  readonly ids: ReadonlySet<string>;
}

const sealingDatum = ({ endA, endB }: Pick<JobHose, 'endA' | 'endB'>) => between(endA, endB);
const EVERY_POSE = {
  controlsFinal: true,
  bracketsInPlace: true,
  leftLock: true,
  rightLock: true,
  fullBump: true,
  crossedUp: true,
};

/** The demo's vehicles are only copied: each is read once. */
const demoVehicles = new WeakMap<TestServer, Map<string, Promise<VehicleDetail>>>();
function demoVehicle(server: TestServer, like: string): Promise<VehicleDetail> {
  const known = demoVehicles.get(server) ?? new Map<string, Promise<VehicleDetail>>();
  demoVehicles.set(server, known);
  const read =
    known.get(like) ??
    server.ask('GET', `/api/vehicles/${demoId(like)}`).then((reply) => reply.json<VehicleDetail>());
  known.set(like, read);
  return read;
}

export class PlayedJob {
  readonly id = randomUUID();
  readonly vehicleId: string;
  private line: HydraulicLine | null = null;
  /** What it measures on the vehicle: readings and length follow from it. */
  private base_m = 0;
  private readonly server: TestServer;
  private told: JobDetail | null = null;

  constructor(server: TestServer, vehicleId: string = randomUUID()) {
    this.server = server;
    this.vehicleId = vehicleId;
  }

  private async ask(
    method: 'GET' | 'POST' | 'PATCH' | 'PUT' | 'DELETE',
    path: string,
    body?: object,
  ): Promise<Reply> {
    const reply = await this.server.ask(method, path, body);
    if (method === 'GET') return reply;
    const said = reply.statusCode === 200 ? reply.json<object>() : {};
    this.told = 'job' in said ? (said as JobDetail) : null;
    return reply;
  }
  private at(path: string) {
    return `/api/jobs/${this.id}${path}`;
  }
  /** A call that is no part of the mistake: it has to go through. */
  async done(call: Promise<Reply>): Promise<JobDetail> {
    const reply = await call;
    if (reply.statusCode !== 200) throw new Error(reply.body);
    return this.now();
  }

  /** A copy of a demo vehicle, drawn as the play wants it, with a job on one of its hoses. */
  async begin({
    like = 'wick',
    vehicle = {},
    hose = '',
    draw = (same) => same,
    isFluidOnly = false,
  }: PlayOptions = {}): Promise<this> {
    const known = await demoVehicle(this.server, like);
    const entry = vehicleEntryOf(known.vehicle);
    const entered = await this.ask('POST', '/api/vehicles', {
      id: this.vehicleId,
      vehicle: { ...entry, name: `Play ${this.id.slice(0, 8)}`, ...vehicle },
      circuits: known.circuits.map(hydraulicsOf).map(draw),
    });
    if (entered.statusCode !== 200) throw new Error(entered.body);
    const { circuits } = entered.json<VehicleDetail>();
    this.line =
      circuits
        .flatMap(({ hoses }) => hoses)
        .find(({ kind, name }) => kind === 'hose' && name.startsWith(hose)) ?? null;
    this.base_m = this.line?.length_m ?? 0;
    await this.done(
      this.ask('POST', '/api/jobs', {
        id: this.id,
        vehicleId: this.vehicleId,
        title: 'Play',
        reason: '',
        circuitIds: isFluidOnly ? [(await this.circuit()).id] : [],
        hoseIds: isFluidOnly ? [] : [this.hoseId],
      }),
    );
    return this;
  }

  /** Given up with its brake open. */
  giveUp = async () =>
    this.ask('POST', this.at('/abandon'), {
      version: (await this.now()).job.version,
      because: 'The keeper fetched it',
      brakeLeftOpen: true,
    });
  /** Another job on the same vehicle. */
  async next(scope: object): Promise<PlayedJob> {
    const next = new PlayedJob(this.server, this.vehicleId);
    next.line = this.line;
    next.base_m = this.base_m;
    const none = { circuitIds: [], hoseIds: [] };
    await next.done(
      next.ask('POST', '/api/jobs', {
        ...none,
        id: next.id,
        vehicleId: this.vehicleId,
        title: 'The next',
        reason: '',
        ...scope,
      }),
    );
    return next;
  }
  /** A job on another vehicle of the same shop. */
  another = (options: PlayOptions): Promise<PlayedJob> => new PlayedJob(this.server).begin(options);

  get hoseId(): string {
    return this.line?.id ?? '';
  }
  /** The job as the last answer told it; asked for where the answer was about something else. */
  now = async (): Promise<JobDetail> => {
    this.told ??= (await this.ask('GET', this.at(''))).json<JobDetail>();
    return this.told;
  };
  async hose() {
    const hose = (await this.now()).hoses.find(({ hoseId }) => hoseId === this.hoseId);
    if (!hose) throw new Error('no hose');
    return hose;
  }
  async joint(end: 'A' | 'B' = 'A') {
    const id = end === 'A' ? this.line?.fromJointId : this.line?.toJointId;
    const joint = (await this.now()).joints.find(({ jointId }) => jointId === id);
    if (!joint) throw new Error('no joint');
    return joint;
  }
  async build(): Promise<HoseBuild> {
    const own = hoseOfJob(await this.now(), this.hoseId);
    if (!own) throw new Error('no hose');
    return own.hose.build ?? suggestBuild(buildFacts(own)).build;
  }

  // What a technician does, each as one call.
  job = async (body: object) =>
    this.ask('PATCH', this.at(''), { version: (await this.now()).job.version, ...body });
  edit = async (body: object) =>
    this.ask('PATCH', this.at(`/hoses/${this.hoseId}`), { version: (await this.hose()).version, ...body });
  editJoint = async (body: object, end: 'A' | 'B' = 'A') => {
    const { jointId, version } = await this.joint(end);
    return this.ask('PATCH', this.at(`/joints/${jointId}`), { version, ...body });
  };
  /** What the opened port shows: as it was assumed, or something else. */
  seePort = async (end: 'A' | 'B' = 'A', found: object = {}) => {
    const detail = await this.now();
    const { jointId } = await this.joint(end);
    const { circuit } =
      detail.circuits.find((one) => one.circuit.joints.some(({ id }) => id === jointId)) ?? {};
    const portId = circuit?.joints.find(({ id }) => id === jointId)?.portId;
    const port = circuit?.ports.find(({ id }) => id === portId);
    const { thread, gender, seat, depth_m } = port ?? {};
    const body = { version: circuit?.version, how: 'seen', thread, gender, seat, depth_m, ...found };
    return this.ask('POST', this.at(`/joints/${jointId}/seen`), body);
  };
  /** Both ends with take-offs that somebody vouches for; nobody's, where `null` is said. */
  takeOffs = async (takeOffsFrom: 'makersData' | 'example' = 'makersData') => {
    const { endA, endB } = await this.hose();
    return this.edit({ endA: { ...endA, takeOffsFrom }, endB: { ...endB, takeOffsFrom } });
  };
  /** Longer than the hose on the vehicle by so much. */
  read = async (more_m = 0, over: object = {}) => {
    const length_m = Math.round(1000 * (this.base_m + more_m)) / 1000;
    return this.ask(
      'POST',
      this.at('/readings'),
      tubeReading(this.hoseId, length_m, { datum: sealingDatum(await this.hose()), ...over }),
    );
  };
  /** The same from behind one neck to behind the other, as it is read and typed. */
  readBehindNecks = async (more_m = 0) => {
    const { endA, endB } = await this.hose();
    const between_m = Math.round(1000 * (this.base_m + more_m)) / 1000;
    const read_mm = Math.round(1e4 * (between_m - endA.neckLength_m - endB.neckLength_m)) / 10;
    const datum = { endA: 'behindNeck', endB: 'behindNeck' };
    return this.read(more_m, { typed: `${read_mm} mm`, datum });
  };
  strike = async () => {
    const reading = (await this.now()).readings.at(-1);
    return this.ask('POST', this.at(`/readings/${reading?.id}/strike`), { because: 'Slipped' });
  };
  takeLength = (more_m = 0.02, over: object = {}) =>
    this.edit({ order_m: Math.round(1000 * (this.base_m + more_m)) / 1000, ...over });
  specify = (over: object = {}) => this.edit({ specified: true, ...over });
  kit = async (found: object, decided: object | null) =>
    this.ask('PUT', this.at(`/hoses/${this.hoseId}/kit`), {
      version: (await this.hose()).version,
      found,
      decided,
    });
  step = async (kind: string, facts: object = {}, over: object = {}) =>
    this.ask('POST', this.at(`/hoses/${this.hoseId}/make-up`), {
      version: (await this.hose()).version,
      step: {
        cutFace: null,
        strandFree: null,
        short_m: null,
        lubricant: null,
        gap_m: null,
        length_m: null,
        step: kind,
        ...facts,
      },
      undo: false,
      ...over,
    });
  prove = async (over: object = {}) =>
    this.ask('POST', this.at(`/hoses/${this.hoseId}/proof-tests`), {
      version: (await this.hose()).version,
      pressure_Pa: 2e7,
      typed: '200 bar',
      hold_s: 60,
      medium: 'water',
      gauge: 'Bench gauge 2',
      tight: true,
      ...over,
    });
  evidence = (body: object) => this.ask('POST', this.at('/evidence'), { id: randomUUID(), ...body });
  offerUp = () => this.fit((server) => takeAll(server, this.id, ['offerUp']));
  /** With everything that a joint needs before it but the look at the route. */
  handTight = async (end: 'A' | 'B' = 'A', options: FitOptions = {}) => {
    const { jointId } = await this.joint(end);
    return this.fit((server) => putOn(server, this.id, jointId, { without: ['offerUp'], ...options }));
  };
  /** Single steps, in whatever order. */
  steps = (steps: readonly PlanStep[], overrides: readonly object[] = []) =>
    this.fit((server) => sendSteps(server, this.id, steps, overrides));
  /** The plan up to a step, that one left; without what somebody leaves out. */
  follow = async (
    isLast: (step: PlanStep) => boolean,
    without: readonly PlanStep['kind'][] = [],
  ): Promise<Reply> => {
    const { plan } = fitPlanOf(await this.now());
    const end = plan.steps.findIndex(isLast);
    const steps = plan.steps.slice(0, Math.max(end, 0)).filter(({ kind }) => !without.includes(kind));
    return steps.length > 0 ? this.steps(steps) : this.ask('GET', this.at(''));
  };
  stepBack = async () => {
    const [reply] = await takeBack(this.server, this.id, 1);
    if (!reply) throw new Error('nothing to take back');
    this.told = null;
    return reply;
  };
  /** A step of the plan by itself, wherever it stands. */
  take = async (isStep: (step: PlanStep) => boolean): Promise<Reply> => {
    const step = fitPlanOf(await this.now()).plan.steps.find(isStep);
    if (!step) throw new Error('The plan has no such step');
    return this.steps([step]);
  };
  /** Every reservoir of the job kept wet, or drained. */
  async keep(kept: 'wet' | 'drain'): Promise<void> {
    const { scope } = fitPlanOf(await this.now());
    for (const { id } of scope.reservoirs) await this.done(this.say('kept', id, kept));
    // A unit that runs dry has to be cycled.
    for (const { abs } of scope.circuits)
      if (abs) await this.done(this.say('absCycle', abs, kept === 'drain'));
  }
  say = (kind: string, subjectId: string, value: unknown) =>
    this.ask('POST', this.at('/fit-facts'), { id: randomUUID(), said: { kind, subjectId, value } });
  private async fit(act: (server: TestServer) => Promise<Reply>): Promise<Reply> {
    const reply = await act(this.server);
    this.told = null;
    return reply;
  }
  torque = async (end: 'A' | 'B' = 'A', over: object = {}) => {
    const detail = await this.now();
    const own = jointOfJob(detail, (await this.joint(end)).jointId);
    if (!own) throw new Error('no joint');
    const { minimum_Nm, maximum_Nm } = torqueOf(own.joint).governing;
    const torque_Nm = Math.round(5 * (minimum_Nm + maximum_Nm)) / 10;
    return this.ask('POST', this.at('/torque-records'), {
      id: randomUUID(),
      jointId: own.joint.id,
      wrenchId: demoId('bench-25'),
      torque_Nm,
      typed: `${torque_Nm} N·m`,
      freshWashers: own.eyes + 1,
      witnessMark: true,
      ...over,
    });
  };
  nipple = async (
    kind:
      | Exclude<BleedEventKind, 'outflow' | 'volume'>
      | { readonly outflow: Outflow }
      | { readonly volume_m3: number },
    at = 0,
  ) => {
    const nipples = nipplesOf(await this.now());
    return this.ask('POST', this.at(`/nipples/${nipples[at]?.id}/events`), {
      id: randomUUID(),
      ...(typeof kind === 'string' ? { kind } : { kind: 'outflow' in kind ? 'outflow' : 'volume', ...kind }),
    });
  };
  /** What the count says of the reservoir of the first nipple. */
  async reservoir(): Promise<RefillGuard> {
    const detail = await this.now();
    const guard = reservoirGuard(detail, nipplesOf(detail)[0]?.id ?? '');
    if (!guard?.ok) throw new Error('no count');
    return guard.value;
  }
  /** Takes the last thing at a nipple back. */
  undoAt = async (at = 0) => {
    const detail = await this.now();
    const nippleId = nipplesOf(detail)[at]?.id ?? '';
    const last = detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events.at(-1);
    return this.ask('DELETE', this.at(`/nipples/${nippleId}/events/${last?.id}`));
  };
  pass = (ms: number) => this.server.pass(ms);
  /** Another torque wrench of the shop, entered by its lead: its id. */
  async wrench(body: object): Promise<string> {
    const id = randomUUID();
    const fields = { minimum_Nm: 5, maximum_Nm: 25, calibratedOn: null, serial: null, ...body };
    const lead = await this.server.signInAs('ottoline');
    const name = `Wrench ${id.slice(0, 8)}`;
    const reply = await this.server.ask('POST', '/api/wrenches', { id, name, ...fields }, lead);
    if (reply.statusCode !== 200) throw new Error(reply.body);
    return id;
  }
  item = (id: string, body: object) => this.ask('PUT', this.at(`/items/${id}`), { version: null, ...body });
  supplier = async (what: 'quote' | 'order') =>
    this.ask('POST', this.at(`/supplier/${what}`), { version: (await this.now()).job.version });
  find = (condition: string, subjectId: string, subject: 'hose' | 'joint' = 'hose') =>
    this.ask('POST', this.at('/findings'), {
      id: randomUUID(),
      subject,
      subjectId,
      condition,
      degree: 'marked',
      note: '',
    });
  setScope = async (scope: object) =>
    this.ask('PUT', this.at('/scope'), {
      version: (await this.now()).job.version,
      circuitIds: [],
      hoseIds: [],
      ...scope,
    });
  finish = async (fluid: object = {}, over: object = {}) => {
    const { job, circuits } = await this.now();
    return this.ask('POST', this.at('/finish'), {
      version: job.version,
      servicedOn: '2026-11-23',
      distance_m: 99_000_000,
      distanceTyped: '99000 km',
      services: circuits.map(({ circuit }) => freshFluid(circuit.id, fluid)),
      signature: 'Brannoc Hale',
      ...over,
    });
  };
  async circuit(): Promise<Circuit> {
    const { circuits } = (await this.ask('GET', `/api/vehicles/${this.vehicleId}`)).json<VehicleDetail>();
    const circuit = circuits.find(({ hoses }) => hoses.some(({ id }) => id === this.hoseId));
    if (!circuit) throw new Error('no circuit');
    return circuit;
  }
  /** Of the vehicle, in the order of its drawings. */
  async circuitIds(): Promise<readonly string[]> {
    const { circuits } = (await this.ask('GET', `/api/vehicles/${this.vehicleId}`)).json<VehicleDetail>();
    return circuits.map(({ id }) => id);
  }
  async draw(change: (drawing: HydraulicsEntry) => HydraulicsEntry): Promise<Reply> {
    const circuit = await this.circuit();
    return this.ask('PUT', `/api/vehicles/${this.vehicleId}/circuits/${circuit.id}`, {
      version: circuit.version,
      hydraulics: change(hydraulicsOf(circuit)),
    });
  }
  /** The vehicle's own route of the hose, changed as the play wants it, judged and kept with the job. */
  route = async (like: string, change: (corner: Corner) => Corner): Promise<Reply> =>
    this.evidence({ kind: 'route', hoseId: this.hoseId, cornerId: await this.keepRoute(like, change) });
  /** The first route of the vehicle, changed where it is kept. */
  async changeRoute(change: (corner: Corner) => Corner): Promise<void> {
    const at = `/api/vehicles/${this.vehicleId}/corners`;
    const [kept] = (await this.ask('GET', at)).json<{ items: SavedCorner[] }>().items;
    if (!kept) throw new Error('no route');
    const body = { version: kept.version, corner: change(kept.corner) };
    const saved = await this.ask('PUT', `${at}/${kept.id}`, body);
    if (saved.statusCode !== 200) throw new Error(saved.body);
  }
  /** The same kept with the vehicle alone. */
  async keepRoute(like: string, change: (corner: Corner) => Corner): Promise<string> {
    const { items } = (await this.ask('GET', `/api/vehicles/${demoId(like)}/corners`)).json<{
      items: SavedCorner[];
    }>();
    const name = this.line?.name ?? '';
    const known = items.find(({ corner }) => corner.hoses.some((hose) => hose.name === name))?.corner;
    if (!known) throw new Error(`no route of ${name}`);
    const own = {
      ...(known as Corner),
      hoses: (known as Corner).hoses.map((hose) =>
        hose.name === name ? { ...hose, id: this.hoseId } : hose,
      ),
    };
    const corner = change(own);
    const saved = await this.ask('POST', `/api/vehicles/${this.vehicleId}/corners`, {
      id: randomUUID(),
      corner,
    });
    if (saved.statusCode !== 200) throw new Error(saved.body);
    return saved.json<{ items: SavedCorner[] }>().items.at(-1)?.id ?? '';
  }
  hardLine = (build: object = {}, checks: object = {}) =>
    this.evidence({
      kind: 'hardLine',
      name: HARD_LINE.name,
      request: { ...HARD_LINE, build: { ...HARD_LINE.build, ...build } },
      checks: { cutAs_m: null, nuts: 2, looksA: 'asPattern', looksB: 'asPattern', bentBack: [], ...checks },
    });

  /** Takes a hard line of the vehicle into the job, to be made anew; the ends are its ends from then on. */
  async takeInLine(): Promise<this> {
    const line = partsOf(await this.now()).hoses.find(({ kind }) => kind === 'hardLine');
    if (!line) throw new Error('no hard line');
    this.line = line;
    await this.done(this.setScope({ circuitIds: await this.circuitIds(), lineIds: [line.id] }));
    for (const end of ['A', 'B'] as const) await this.done(this.seePort(end));
    return this;
  }
  async jobLine() {
    const [line] = (await this.now()).lines;
    if (!line) throw new Error('no line');
    return line;
  }
  editLine = async (body: object) => {
    const { lineId, version } = await this.jobLine();
    return this.ask('PATCH', this.at(`/lines/${lineId}`), { version, ...body });
  };
  /** Its pattern and what was seen of it, with flares for the seats of its ports; `made` unless something else is said. */
  makeLine = async (build: object = {}, checks: object = {}, over: object = {}, said: object = {}) => {
    const { a, b } = lineOfJob(await this.now(), (await this.jobLine()).lineId) ?? {};
    const form = (at: typeof a) => (at?.port.seat === 'bubbleFlare' ? 'bubbleFlare' : 'doubleFlare');
    const pattern = {
      ...LINE_PATTERN,
      build: { ...LINE_PATTERN.build, formA: form(a), formB: form(b), ...build },
      ...said,
    };
    const seen = {
      cutAs_m: 0.405,
      nuts: 2,
      looksA: 'asPattern',
      looksB: 'asPattern',
      bentBack: [],
      ...checks,
    };
    return this.editLine({ pattern, checks: seen, made: true, ...over });
  };

  // Whole stages, without a fault.
  /** Every pose seen and the supplier's points known; `but` says what was left out. */
  async looked(but: object = {}, datum: object = {}): Promise<this> {
    await this.done(
      this.edit({
        poseChecks: { ...EVERY_POSE, ...but },
        orderDatum: sealingDatum(await this.hose()),
        ...datum,
      }),
    );
    return this;
  }
  async measured(but: object = {}, datum: object = {}): Promise<this> {
    await this.looked(but, datum);
    for (const more_m of [0, 0.002]) await this.done(this.read(more_m));
    return this;
  }
  async lengthTaken(): Promise<this> {
    await this.measured();
    await this.done(this.takeLength());
    return this;
  }
  async specified(over: object = {}): Promise<this> {
    await this.lengthTaken();
    await this.done(this.job({ endsConfirmed: true }));
    await this.done(this.specify(over));
    return this;
  }
  async fitted(): Promise<this> {
    await this.done(this.fit((server) => putTogether(server, this.id)));
    return this;
  }
  async torqued(): Promise<this> {
    for (const end of ['A', 'B'] as const) await this.done(this.torque(end));
    return this;
  }
  /** The places that the nipples have in the job, in the order in which they are bled. */
  async bleedingOrder(): Promise<readonly number[]> {
    const detail = await this.now();
    const order = nipplesInOrder(detail);
    if (!order.ok) throw new Error('no order');
    const ids = nipplesOf(detail).map(({ id }) => id);
    return order.value.map(({ nippleId }) => ids.indexOf(nippleId));
  }
  async bled(): Promise<this> {
    for (const at of await this.bleedingOrder())
      for (const kind of ['stroke', 'clear'] as const) await this.done(this.nipple(kind, at));
    const { joints } = await this.now();
    for (const end of ['A', 'B'] as const) {
      const id = end === 'A' ? this.line?.fromJointId : this.line?.toJointId;
      if (joints.some(({ jointId }) => jointId === id))
        await this.done(this.editJoint({ leakChecked: true }, end));
    }
    const checks = handoverChecks({ hasJoints: joints.length > 0 });
    await this.done(this.job({ handoverChecks: Object.fromEntries(checks.map((check) => [check, true])) }));
    return this;
  }
  async readyToSign(): Promise<this> {
    if ((await this.now()).hoses.length === 0) {
      await this.done(this.job({ endsConfirmed: true }));
      return this.bled();
    }
    await this.specified();
    await this.fitted();
    await this.torqued();
    return this.bled();
  }

  /** What a call met: what refused it, what the log kept of it, and what stands against the job now. */
  async said(call: Promise<Reply>): Promise<Said> {
    const reply = await call;
    if (reply.statusCode >= 500) throw new Error(reply.body);
    if (reply.statusCode !== 200) {
      const { cautions = [], errors = [], code } = problemOf(reply);
      const gates = errors.flatMap(({ field }) => ROW_OF[field] ?? []);
      if (cautions.length + gates.length === 0) throw new Error(`${code}: ${reply.body}`);
      return { refused: true, ids: new Set([...cautions.map(({ id }) => id), ...gates]) };
    }
    return { refused: false, ids: await this.standing() };
  }
  /** What stands against the job, and against what was done last. */
  async standing(): Promise<ReadonlySet<string>> {
    const { items } = (await this.ask('GET', this.at('/cautions'))).json<{ items: { id: string }[] }>();
    const log = (await this.ask('GET', this.at('/log?limit=200'))).json<{ items: LogEntry[] }>().items;
    const last = (log.at(-1)?.detail.cautions ?? []) as { id: string }[];
    return new Set([...items, ...last].map(({ id }) => id));
  }
  /** One that no line of the job ends on. */
  async otherJoint(): Promise<string> {
    const { joints } = await this.now();
    const other = partsOf(await this.now()).joints.find(
      ({ id }) => !joints.some(({ jointId }) => jointId === id),
    );
    return other?.id ?? '';
  }
  async otherHose(): Promise<string> {
    const other = partsOf(await this.now()).hoses.find(
      ({ id, kind }) => id !== this.hoseId && kind === 'hose',
    );
    return other?.id ?? '';
  }
}
