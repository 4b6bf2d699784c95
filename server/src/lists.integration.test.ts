/** Lists: a page at a time, searched on the server, and what is due in the order of its urgency. */
import { randomUUID } from 'node:crypto';
import type { DueItem, FluidService, JobSummary, StockItem, VehicleDetail } from '@zephyrcombe/contract';
import { judgeDue } from '@zephyrcombe/core';
import fc from 'fast-check';
import * as lists from './database/migrations/0010-lists.ts';
import { demoId } from './demo/identity.ts';
import { refreshDue } from './features/vehicles/due.ts';
import { MOTORCYCLE, signedService } from './testing/samples.ts';
import type { TestServer } from './testing/testServer.ts';
import { problemOf, startTestServer } from './testing/testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

interface Page<Item> {
  readonly items: readonly Item[];
  readonly next: string | null;
}

/** Every page of a list, one after the other. */
async function walk<Item>(address: string, limit: number): Promise<readonly Item[]> {
  const items: Item[] = [];
  const sign = address.includes('?') ? '&' : '?';
  for (let next: string | null = ''; next !== null;) {
    const after = next === '' ? '' : `&after=${next}`;
    const page: Page<Item> = (await server.ask('GET', `${address}${sign}limit=${limit}${after}`)).json<
      Page<Item>
    >();
    expect(page.items.length).toBeLessThanOrEqual(limit);
    items.push(...page.items);
    next = page.next;
  }
  return items;
}

const TODAY = '2026-11-23';
const RANK: readonly DueItem['state'][] = ['overdue', 'soon', 'unknown', 'later'];

interface Planned {
  readonly distance_m: number | null;
  readonly services: readonly {
    readonly servicedOn: string;
    readonly dueOn: string;
    readonly dueDistance_m: number | null;
    readonly intervalDistance_m: number | null;
  }[];
}

/** Vehicles with one circuit each and services behind it, past the rules that give a service its due date. */
async function writeBook(plans: readonly Planned[]): Promise<readonly string[]> {
  const { models, transaction } = server.database;
  const circuitIds = plans.map(() => randomUUID());
  await transaction(async (inside) => {
    for (const [index, plan] of plans.entries()) {
      const vehicleId = randomUUID();
      const circuitId = circuitIds[index] ?? '';
      const { distance_m } = plan;
      const vehicle = { ...MOTORCYCLE, id: vehicleId, name: `Book ${index}`, distance_m, version: 0 };
      await models.Vehicle.create(vehicle, { transaction: inside });
      await models.Circuit.create(
        { id: circuitId, vehicleId, name: 'Front', fluidGrade: 'DOT 4', position: 0, version: 0 },
        { transaction: inside },
      );
      const {
        version: _version,
        services: [fluid = { grade: 'DOT 4', batch: '' }],
        distanceTyped: _typed,
        signature: _by,
        ...plain
      } = signedService(0);
      for (const service of plan.services)
        await models.FluidService.create(
          {
            ...plain,
            ...fluid,
            ...service,
            id: randomUUID(),
            vehicleId,
            circuitId,
            jobId: null,
            distance_m: null,
            grade: 'DOT 4',
            oldColour: 'tea',
            intervalMonths: 24,
            by: 'Somebody',
            byId: null,
          },
          { transaction: inside },
        );
      await refreshDue(models, inside, vehicleId);
    }
  });
  return circuitIds;
}

const day = fc
  .integer({ min: -400, max: 400 })
  .map((days) => new Date(Date.UTC(2026, 10, 23 + days)).toISOString().slice(0, 10));
const metres = fc.integer({ min: 0, max: 60 }).map((thousands) => thousands * 1_000_000);
const plan: fc.Arbitrary<Planned> = fc.record({
  distance_m: fc.option(metres),
  services: fc.uniqueArray(
    fc.record({
      servicedOn: day,
      dueOn: day,
      dueDistance_m: fc.option(metres),
      intervalDistance_m: fc.option(fc.constant(48_000_000)),
    }),
    { maxLength: 3, selector: (service) => service.servicedOn },
  ),
});

test('what is due is what the last service says of each circuit, most urgent first, each once, whatever the page', async () => {
  const [plans] = fc.sample(fc.array(plan, { minLength: 60, maxLength: 60 }), { numRuns: 1, seed: 16 });
  if (!plans) throw new Error('no sample');
  const circuitIds = await writeBook(plans);
  const all = await walk<DueItem>('/api/due', 7);
  expect(new Set(all.map(({ circuitId }) => circuitId)).size).toBe(all.length);
  expect(all).toHaveLength(await server.database.models.Circuit.count());
  const expected = plans.map(({ distance_m, services }): DueItem['state'] => {
    const [last] = [...services].sort((a, b) => b.servicedOn.localeCompare(a.servicedOn));
    return last ? judgeDue(last, TODAY, distance_m, last.intervalDistance_m) : 'unknown';
  });
  const stateOf = new Map(all.map(({ circuitId, state }) => [circuitId, state]));
  expect(circuitIds.map((id) => stateOf.get(id))).toEqual(expected);
  expect(new Set(expected)).toEqual(new Set(RANK));
  const keys = all.map(({ state, dueOn }) => `${RANK.indexOf(state)} ${dueOn ?? ''}`);
  expect(keys).toEqual([...keys].sort());
  expect(await walk<DueItem>('/api/due', 100)).toEqual(all);
  // The vehicles' own list says the same of each.
  const vehicles = await walk<{ name: string; due: DueItem['state'] }>('/api/vehicles?search=Book', 13);
  expect(vehicles.map(({ name, due }) => [name, due])).toEqual(
    plans
      .map((_plan, index) => [`Book ${index}`, expected[index]])
      .sort(([left], [right]) => String(left).localeCompare(String(right))),
  );
});

test('a book of before says the same when it is brought up to date', async () => {
  const [plans] = fc.sample(fc.array(plan, { minLength: 30, maxLength: 30 }), { numRuns: 1, seed: 10 });
  await writeBook(plans ?? []);
  const { sequelize } = server.database;
  const kept = async () => (await sequelize.query('SELECT * FROM circuit_due ORDER BY circuitId'))[0];
  const before = await kept();
  const queries = sequelize.getQueryInterface();
  await lists.down(queries);
  await lists.up(queries);
  expect(await kept()).toEqual(before);
  expect(before).toHaveLength(await server.database.models.Circuit.count());
});

describe('what is due follows what is written', () => {
  const ofWick = async (name: string) =>
    (await walk<DueItem>('/api/due', 100)).find(
      ({ vehicleId, circuitName }) => vehicleId === demoId('wick') && circuitName === name,
    );
  const drive = async (distance_m: number, more: object = {}) => {
    const { vehicle } = (await server.ask('GET', `/api/vehicles/${demoId('wick')}`)).json<VehicleDetail>();
    const body = { version: vehicle.version, distance_m, ...more };
    expect((await server.ask('PATCH', `/api/vehicles/${vehicle.id}`, body)).statusCode).toBe(200);
  };

  test('a distance that is entered, and one that is set back', async () => {
    const { dueDistance_m, state } = (await ofWick('Rear brake')) ?? {};
    expect(state).toBe('later');
    const due_m = dueDistance_m ?? 0;
    await drive(due_m - 4_000_000);
    expect((await ofWick('Rear brake'))?.state).toBe('soon');
    await drive(due_m + 1000);
    expect((await ofWick('Rear brake'))?.state).toBe('overdue');
    await drive(due_m - 40_000_000, { setBackBecause: 'A new instrument' });
    expect((await ofWick('Rear brake'))?.state).toBe('later');
  });

  test('a circuit that is added has no record, and one that is taken out is not listed', async () => {
    const count = async () => (await walk('/api/due', 100)).length;
    const before = await count();
    const document = (await server.ask('GET', `/api/vehicles/${demoId('gannet')}/document`)).json<{
      circuits: { name: string }[];
    }>();
    const id = randomUUID();
    const added = await server.ask('POST', '/api/vehicles/import', { document, tryOnly: false, id });
    expect(added.statusCode).toBe(200);
    const { vehicleId } = added.json<{ vehicleId: string }>();
    expect(await count()).toBe(before + document.circuits.length);
    const listed = await walk<DueItem>('/api/due', 100);
    expect(listed.filter((item) => item.vehicleId === vehicleId).map(({ state }) => state)).toEqual(
      document.circuits.map(() => 'unknown'),
    );
    const lead = await server.signInAs('ottoline');
    expect((await server.ask('DELETE', `/api/vehicles/${vehicleId}`, undefined, lead)).statusCode).toBe(200);
    expect(await count()).toBe(before);
  });
});

describe('vehicles', () => {
  test('are found by a part of the name, the plate or the kind; % and _ stand for themselves', async () => {
    const { models } = server.database;
    await models.Vehicle.create({ ...MOTORCYCLE, id: randomUUID(), name: '100% Wool_cart', version: 0 });
    const found = async (search: string) =>
      (await walk<{ name: string }>(`/api/vehicles?search=${encodeURIComponent(search)}`, 3)).map(
        ({ name }) => name,
      );
    expect(await found('outfit')).toEqual(['Petrelle 700 outfit']);
    expect(await found('skr 12')).toEqual(['Wick 200 shore bike']);
    expect(await found('QUAD')).toEqual(['Gannet hill quad']);
    expect(await found('%')).toEqual(['100% Wool_cart']);
    expect(await found('l_c')).toEqual(['100% Wool_cart']);
    expect(await found('nothing like it')).toEqual([]);
    expect(await found('')).toHaveLength(await models.Vehicle.count());
  });

  test('services and jobs come with the newest; the older ones are asked for', async () => {
    const { models } = server.database;
    const vehicleId = demoId('wick');
    const [one] = await models.FluidService.findAll({ where: { vehicleId }, limit: 1 });
    const [job] = await models.Job.findAll({ where: { vehicleId, status: 'open' }, limit: 1 });
    if (!one || !job) throw new Error('no service or job');
    for (let year = 2000; year < 2023; year += 1) {
      const on = `${year}-05-01`;
      await models.FluidService.create({
        ...one.get({ plain: true }),
        id: randomUUID(),
        jobId: null,
        servicedOn: on,
      });
      const { number: _number, ...columns } = job.get({ plain: true });
      await models.Job.create({ ...columns, id: randomUUID(), openedOn: on });
    }
    const detail = (await server.ask('GET', `/api/vehicles/${vehicleId}`)).json<VehicleDetail>();
    expect([detail.services.length, detail.jobs.length]).toEqual([10, 10]);
    const older = async <Item>(address: string, next: string | null) => {
      const sign = address.includes('?') ? '&' : '?';
      return (await server.ask('GET', `${address}${sign}limit=100&after=${next}`)).json<Page<Item>>().items;
    };
    const services = [
      ...detail.services,
      ...(await older<FluidService>(`/api/vehicles/${vehicleId}/services`, detail.nextServices)),
    ];
    expect(services).toEqual(await walk(`/api/vehicles/${vehicleId}/services`, 4));
    expect(services).toHaveLength(await models.FluidService.count({ where: { vehicleId } }));
    const jobs = [
      ...detail.jobs,
      ...(await older<JobSummary>(`/api/jobs?vehicleId=${vehicleId}`, detail.nextJobs)),
    ];
    expect(jobs).toEqual(await walk(`/api/jobs?vehicleId=${vehicleId}`, 4));
    expect(jobs).toHaveLength(await models.Job.count({ where: { vehicleId } }));
  });
});

test('jobs are found by their title, and by the name and plate of the vehicle', async () => {
  const found = async (search: string) =>
    (await walk<JobSummary>(`/api/jobs?search=${encodeURIComponent(search)}`, 2)).map(({ title }) => title);
  const all = await walk<JobSummary>('/api/jobs', 2);
  const ofWick = all.filter(({ vehicleName }) => vehicleName.startsWith('Wick')).map(({ title }) => title);
  expect(ofWick.length).toBeGreaterThan(1);
  expect(await found('shore')).toEqual(ofWick);
  expect(await found('SKR 12')).toEqual(ofWick);
  expect(await found('stiffener')).toEqual(['Rear hose with stiffener']);
  expect(await found(`' OR 1=1 -- `)).toEqual([]);
  expect(await found('\\')).toEqual([]);
});

test('a search finds what LIKE finds, however the word is written, rare or common, after renaming and removal too', async () => {
  const { sequelize, models } = server.database;
  const parts = [
    'Straße',
    'SKR',
    'Łódź',
    'Ωμέγα',
    'hose',
    'Number',
    '100%',
    'l_c',
    'a b',
    '12',
    '\u00e4',
    '🛠 x',
  ];
  const names = fc.sample(fc.array(fc.constantFrom(...parts), { minLength: 1, maxLength: 4 }), {
    seed: 20_261_128,
    numRuns: 260,
  });
  const ids: string[] = [];
  for (const [index, words] of names.entries()) {
    const id = randomUUID();
    ids.push(id);
    await models.Vehicle.create({
      ...MOTORCYCLE,
      id,
      name: `${words.join(' ')} ${index}`,
      plate: index % 3 === 0 ? `P ${index} ${words[0] ?? ''}`.slice(0, 20) : null,
      version: 0,
    });
  }
  await models.Vehicle.update({ name: 'Renamed Qvist', plate: null }, { where: { id: ids.slice(0, 3) } });
  await models.Vehicle.destroy({ where: { id: ids.slice(3, 6) } });
  const asked = [
    ...[
      'qvist',
      'QVIS',
      'strasse',
      'STRASSE',
      'straße',
      'łódź',
      'lodz',
      'ωμεγα',
      'ΩΜΈΓΑ',
      'numb',
      'b 1',
      'P 9',
      '25',
      '🛠 X',
    ],
    ...['hose number', '%', '0%', '_c ', 'ä', 'A\u0308', '\\', "'", 'hose nothing', 'zzz'],
  ];
  let found = 0;
  for (const word of asked) {
    const pattern = `%${word
      .normalize('NFC')
      .trim()
      .replaceAll(/[\\%_]/g, '\\$&')}%`;
    const [rows] = await sequelize.query(
      `SELECT id FROM vehicle WHERE name LIKE ? OR plate LIKE ? ORDER BY name, id`,
      {
        replacements: [pattern, pattern],
      },
    );
    const told = await walk<{ id: string }>(`/api/vehicles?search=${encodeURIComponent(word)}`, 40);
    expect([word, told.map(({ id }) => id)]).toEqual([word, (rows as { id: string }[]).map(({ id }) => id)]);
    found += told.length;
  }
  expect(found).toBeGreaterThan(300);
  // Nothing is left of what was renamed or removed.
  const [left] = await sequelize.query(
    `SELECT COUNT(*) AS many FROM search_gram WHERE kind = 1 AND ref NOT IN (SELECT id FROM vehicle)`,
  );
  expect(left).toEqual([{ many: 0 }]);
  await models.Vehicle.destroy({ where: { id: ids } });
});

test('the shelf is read a page at a time, or by part; a count answers with its part', async () => {
  const { models } = server.database;
  await models.StockItem.destroy({ where: {} });
  for (let index = 0; index < 12; index += 1) {
    const key = `washer ${String(index).padStart(2, '0')}`;
    const body = { key, onHand: index, version: null };
    expect((await server.ask('PUT', '/api/shop/stock', body)).json<StockItem>()).toMatchObject({
      key,
      onHand: index,
    });
  }
  const all = await walk<StockItem>('/api/shop/stock', 5);
  expect(all.map(({ onHand }) => onHand)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  expect((await walk<StockItem>('/api/shop/stock?key=washer+03', 5)).map(({ onHand }) => onHand)).toEqual([
    3,
  ]);
  expect(
    (await walk<StockItem>('/api/shop/stock?key=washer+03&key=washer+07&key=none', 5)).map(
      ({ onHand }) => onHand,
    ),
  ).toEqual([3, 7]);
});

test('a place that was never given out is named, not an error of ours', async () => {
  const encoded = (place: unknown) => Buffer.from(JSON.stringify(place)).toString('base64url');
  const never = ['x', 'bnVsbA', encoded(['a']).repeat(3), encoded([1, 2]), encoded([null, null, null])];
  const madeUp = [encoded(['soon', 'no day', 'x']), encoded(['no day', 'x']), encoded(['x'])];
  for (const address of [
    '/api/due',
    '/api/vehicles',
    '/api/jobs',
    '/api/shop/stock',
    `/api/vehicles/${demoId('wick')}/services`,
  ]) {
    const ask = (after: string) => server.ask('GET', `${address}?after=${after}`);
    for (const after of never)
      expect(problemOf(await ask(after))).toMatchObject({ status: 400, errors: [{ field: 'after' }] });
    // One that was made up to look like one finds something or nothing.
    for (const after of madeUp) expect([200, 400]).toContain((await ask(after)).statusCode);
  }
});
