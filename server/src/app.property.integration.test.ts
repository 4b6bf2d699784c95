/** Whatever is sent to any route, with ids that are there: a refusal is a problem with its status, never a fault of ours. */
import { createHash, randomUUID } from 'node:crypto';
import type {
  ListedVehicle,
  PersonRecord,
  RouteName,
  SavedCorner,
  VehicleDetail,
} from '@zephyrcombe/contract';
import {
  DRAWING_FORMATS,
  hydraulicsOf,
  LABEL_FILES,
  labelAddress,
  nipplesOf,
  ORDER_FILES,
  orderAddress,
  PHOTO_SUBJECTS,
  ROUTES,
  vehicleEntryOf,
} from '@zephyrcombe/contract';
import fc from 'fast-check';
import type { z } from 'zod';
import { demoId } from './demo/identity.ts';
import type { Known } from './testing/hostileBodies.ts';
import { bodiesFor } from './testing/hostileBodies.ts';
import { HARD_LINE, signedService, TEMPLATES, tubeReading } from './testing/samples.ts';
import type { TestServer } from './testing/testServer.ts';
import { OWN_PAGE, problemOf, startTestServer } from './testing/testServer.ts';

const SEED = 20_261_127;
const BATCHES = 5;
const IN_ALL = 5_000;
/** So many are on their way at once. */
const AT_ONCE = 5;
/** Neighbours that no test connects: that they are silent is not the server's fault. */
const NEIGHBOURS: ReadonlySet<string> = new Set(['supplier-silent', 'printer-silent', 'wrench-silent']);
const NAMES = Object.keys(ROUTES) as RouteName[];

interface Schemas {
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
}
interface Request {
  readonly name: RouteName;
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, unknown>>;
  readonly body: unknown;
}

/** What stands in the book, by the fields that hold it. */
async function knownTo(server: TestServer, lead: string): Promise<Known> {
  const get = async <Reply>(url: string) => (await server.ask('GET', url, undefined, lead)).json<Reply>();
  const jobs = await Promise.all(['wick-front', 'petrelle-bars'].map((key) => server.job(key)));
  const more: string[] = [];
  for (let index = 0; index < 6; index += 1) {
    const id = randomUUID();
    await server.ask('POST', '/api/jobs', {
      id,
      vehicleId: demoId('wick'),
      circuitIds: [demoId('wick/front/circuit')],
      title: `Front hose ${index}`,
      reason: '',
      hoseIds: [demoId('wick/front/hose')],
    });
    more.push(id);
  }
  const vehicles = (await get<{ items: ListedVehicle[] }>('/api/vehicles')).items;
  const details = await Promise.all(vehicles.map(({ id }) => get<VehicleDetail>(`/api/vehicles/${id}`)));
  const corners = (
    await Promise.all(vehicles.map(({ id }) => get<{ items: SavedCorner[] }>(`/api/vehicles/${id}/corners`)))
  ).flatMap(({ items }) => items);
  const people = (await get<{ items: PersonRecord[] }>('/api/people')).items.filter(
    ({ role }) => role !== 'lead',
  );
  const hoses = jobs.flatMap((job) => job.hoses);
  const joints = jobs.flatMap((job) => job.joints);
  const hydraulics = details.flatMap(({ circuits }) => circuits.map(hydraulicsOf));
  const circuitsOf = (detail: VehicleDetail) => detail.circuits.map(hydraulicsOf);
  return {
    jobId: [...jobs.map(({ job }) => job.id), ...more, ...more],
    hoseId: hoses.map(({ hoseId }) => hoseId),
    hoseIds: hoses.map(({ hoseId }) => [hoseId]),
    jointId: joints.map(({ jointId }) => jointId),
    nippleId: jobs.flatMap((job) => nipplesOf(job).map(({ id }) => id)),
    readingId: jobs.flatMap(({ readings }) => readings.map(({ id }) => id)),
    findingId: jobs.flatMap(({ findings }) => findings.map(({ id }) => id)),
    subjectId: hoses.map(({ hoseId }) => hoseId),
    wrenchId: jobs.flatMap(({ wrenches }) => wrenches.map(({ id }) => id)),
    vehicleId: details.map(({ vehicle }) => vehicle.id),
    circuitId: details.flatMap(({ circuits }) => circuits.map(({ id }) => id)),
    circuitIds: details.flatMap(({ circuits }) => circuits.map(({ id }) => [id])),
    cornerId: corners.map(({ id }) => id),
    personId: people.map(({ id }) => id),
    version: [0, 1, 2],
    bolt: joints.map(({ bolt }) => bolt),
    endA: hoses.map(({ endA }) => endA),
    endB: hoses.map(({ endB }) => endB),
    corner: corners.map(({ corner }) => corner),
    circuits: [[], ...details.map(circuitsOf)],
    hydraulics,
    vehicle: details.map(({ vehicle }) => vehicleEntryOf(vehicle)),
    // Whole bodies that a technician would send: chance does not find what belongs together.
    takeReading: hoses.map(({ hoseId }) => tubeReading(hoseId, 0.728)),
    checkKit: [null, { verdict: 'return', because: 'Short' }].map((decided) => ({
      version: 0,
      found: {
        length_m: 0.72,
        endA: null,
        endB: null,
        clocking_rad: null,
        bolts: 2,
        washers: 4,
        marking: 'SAE J1401',
        dateCode: null,
        boreClear: true,
      },
      decided,
    })),
    recordTorque: joints.map(({ jointId }) => ({
      id: randomUUID(),
      jointId,
      wrenchId: jobs[0]?.wrenches[0]?.id,
      torque_Nm: 19.6,
      typed: '19.6 N·m',
      freshWashers: 2,
      settled: true,
      witnessMark: true,
    })),
    makeUpHose: [
      {
        version: 0,
        step: {
          step: 'cut',
          cutFace: 'clean',
          strandFree: null,
          short_m: null,
          lubricant: null,
          gap_m: null,
          length_m: null,
        },
        undo: false,
        overrides: [],
      },
    ],
    drawTemplates: [TEMPLATES],
    drawHardLine: [HARD_LINE],
    // A PDF of each kind is made below and in the tests of the drawings: it takes longer than all the rest.
    file: [...ORDER_FILES, ...LABEL_FILES].filter((file) => file !== 'pdf'),
    format: DRAWING_FORMATS.filter((format) => format !== 'pdf'),
    subject: [...PHOTO_SUBJECTS],
    finishJob: [0, 1, 2].map((version) => signedService(version)),
    document: await Promise.all(details.map(({ vehicle }) => get(`/api/vehicles/${vehicle.id}/document`))),
  };
}

/** Of the name: a route more, or one moved in the table, does not change what the others are sent. */
const seedOf = (name: RouteName, batch: number): number =>
  createHash('sha256').update(`${SEED} ${batch} ${name}`).digest().readInt32BE();

function requestsFor(name: RouteName, known: Known): fc.Arbitrary<Request> {
  const { params, query, body } = ROUTES[name] as Schemas;
  const part = <Value>(schema: z.ZodType | undefined, whole = ''): fc.Arbitrary<Value> =>
    (schema === undefined ? fc.constant({}) : bodiesFor(schema, known, whole)) as fc.Arbitrary<Value>;
  return fc.record({
    name: fc.constant(name),
    // An address with nonsense in it is tried elsewhere; here the ids reach the handler.
    params: fc.record(
      Object.fromEntries(
        Object.keys(params?.shape ?? {}).map((key) => [
          key,
          known[key]?.length
            ? fc.oneof(
                { weight: 15, arbitrary: fc.constantFrom(...known[key]) },
                { weight: 1, arbitrary: fc.uuid() },
              )
            : fc.uuid(),
        ]),
      ),
    ) as fc.Arbitrary<Request['params']>,
    query: part<Request['query']>(query),
    body: body === undefined ? fc.constant(undefined) : part<unknown>(body, name),
  });
}

function urlOf({ name, params, query }: Request): string {
  const search = new URLSearchParams();
  for (const [key, value] of Object.entries(query ?? {}))
    for (const one of Array.isArray(value) ? value.slice(0, 20) : [value])
      if (one !== undefined) search.append(key, String(typeof one === 'object' ? JSON.stringify(one) : one));
  const path = ROUTES[name].path.replace(/:(\w+)/g, (_match, key: string) =>
    encodeURIComponent(params[key] ?? ''),
  );
  return `${path}?${search.toString().slice(0, 4_000)}`;
}

const send = async (server: TestServer, request: Request, cookie: string) =>
  await server.app.inject({
    method: ROUTES[request.name].method,
    url: urlOf(request),
    headers: {
      ...OWN_PAGE,
      cookie,
      ...(request.body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    ...(request.body === undefined ? {} : { payload: JSON.stringify(request.body) }),
  });

/** Whether the shapes let it through to the route's own code. */
const reaches = ({ name, body }: Request): boolean =>
  (ROUTES[name] as Schemas).body?.safeParse(body).success ?? true;

/** All that a page or a file is made of: what was taken in can be read again. */
async function readsBack(server: TestServer, lead: string): Promise<void> {
  const { Job, JobHose, Vehicle } = server.database.models;
  const jobs = await Job.findAll();
  const hoses = await JobHose.findAll();
  const vehicles = await Vehicle.findAll();
  const urls = [
    ...[
      '/api/session',
      '/api/shop',
      '/api/people',
      '/api/wrenches',
      '/api/due',
      '/api/vehicles',
      '/api/shop/stock',
    ],
    ...['/api/jobs?status=open', '/api/jobs?status=finished'],
    ...vehicles.flatMap(({ id }) =>
      ['', '/corners', '/document', '/services'].map((rest) => `/api/vehicles/${id}${rest}`),
    ),
    ...jobs.flatMap(({ id }) => [
      ...['', '/log'].map((rest) => `/api/jobs/${id}${rest}`),
      ...ORDER_FILES.filter((file) => file !== 'pdf').map((file) => orderAddress(id, file)),
    ]),
    // A drawing of each kind is enough: it takes longer than all the rest.
    ...jobs.slice(0, 2).map(({ id }) => orderAddress(id, 'pdf')),
    ...hoses
      .slice(0, 2)
      .flatMap(({ jobId, hoseId }) => LABEL_FILES.map((file) => labelAddress(jobId, hoseId, file))),
  ];
  for (const url of urls) {
    const reply = await server.ask('GET', url, undefined, lead);
    if (reply.statusCode >= 500) throw new Error(`GET ${url}: ${reply.body}`);
  }
}

test('5,000 seeded bodies over every route: no fault, and all that was taken in is read again', async () => {
  const reached = new Map<RouteName, number>();
  const replies = new Map<string, number>();
  const count = <Key>(map: Map<Key, number>, key: Key) => map.set(key, (map.get(key) ?? 0) + 1);
  let sent = 0;
  for (let batch = 0; batch < BATCHES; batch += 1) {
    // A book of its own: an earlier batch may have removed what this one changes.
    const server = await startTestServer({ config: { signInTries: 1_000 } });
    let lead = await server.signInAs('ottoline');
    const known = await knownTo(server, lead);
    const each = NAMES.map((name) =>
      fc.sample(requestsFor(name, known), {
        seed: seedOf(name, batch),
        numRuns: Math.ceil(IN_ALL / BATCHES / NAMES.length),
      }),
    );
    // In turn, so that each route meets what the others left; the last few rounds of the table are cut.
    const requests = (each[0] ?? [])
      .flatMap((_first, run) => each.flatMap((runs) => runs[run] ?? []))
      .slice(0, IN_ALL / BATCHES);
    for (let from = 0; from < requests.length; from += AT_ONCE) {
      const together = requests.slice(from, from + AT_ONCE);
      const answers = await Promise.all(together.map((request) => send(server, request, lead)));
      let isSignedOut = false;
      for (const [index, reply] of answers.entries()) {
        const request = together[index];
        if (!request) continue;
        sent += 1;
        if (reaches(request)) count(reached, request.name);
        const code = reply.statusCode < 400 ? 'answered' : problemOf(reply).code;
        count(replies, code);
        if (reply.statusCode >= 400) expect(problemOf(reply).status).toBe(reply.statusCode);
        if (reply.statusCode >= 500 && !NEIGHBOURS.has(code))
          throw new Error(
            `${request.name} ${urlOf(request)} ${JSON.stringify(request.body).slice(0, 3_000)}: ${reply.body}`,
          );
        isSignedOut ||= code === 'signed-out' || request.name === 'signOut';
      }
      if (isSignedOut) lead = await server.signInAs('ottoline');
    }
    await readsBack(server, lead);
    await server.close();
  }
  process.stdout.write(
    `${sent} bodies over ${NAMES.length} routes, seed ${SEED}: ${[...reached.values()].reduce((sum, many) => sum + many, 0)} let through by the shapes. ${[
      ...replies,
    ]
      .sort(([, a], [, b]) => b - a)
      .map(([code, many]) => `${code} ${many}`)
      .join(', ')}\n`,
  );
  expect(sent).toBe(IN_ALL);
  expect(NAMES.filter((name) => (reached.get(name) ?? 0) < 3)).toEqual([]);
  expect(replies.get('answered') ?? 0).toBeGreaterThan(IN_ALL / 5);
}, 400_000);
