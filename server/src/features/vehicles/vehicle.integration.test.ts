import { randomUUID } from 'node:crypto';
import type { HydraulicsEntry, VehicleDetail, VehicleDocument } from '@zephyrcombe/contract';
import { firstCircuit, hydraulicsOf } from '@zephyrcombe/contract';
import type { PatternId } from '@zephyrcombe/core';
import { changePort, insertJunction, PATTERNS, removeLine, startPattern } from '@zephyrcombe/core';
import { demoId } from '../../demo/identity.ts';
import { MOTORCYCLE } from '../../testing/samples.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const ENTRY = { name: 'Test bike', ...MOTORCYCLE };
const patternOf = (pattern: PatternId) =>
  startPattern(pattern, { newId: randomUUID, drive: 'right', abs: true, rearEnd: 'screwed' });

async function create(circuits: readonly object[], over: object = {}): Promise<VehicleDetail> {
  const reply = await server.ask('POST', '/api/vehicles', {
    id: randomUUID(),
    vehicle: { ...ENTRY, ...over },
    circuits,
  });
  if (reply.statusCode !== 200) throw new Error(reply.body);
  return reply.json();
}
const read = async (id: string) => (await server.ask('GET', `/api/vehicles/${id}`)).json<VehicleDetail>();
const circuitOf = (detail: VehicleDetail, index = 0) => {
  const circuit = detail.circuits[index];
  if (!circuit) throw new Error('no such circuit');
  return circuit;
};
const save = (detail: VehicleDetail, hydraulics: object, version = circuitOf(detail).version) =>
  server.ask('PUT', `/api/vehicles/${detail.vehicle.id}/circuits/${circuitOf(detail).id}`, {
    version,
    hydraulics,
  });
const documentOf = async (id: string) =>
  (await server.ask('GET', `/api/vehicles/${id}/document`)).json<VehicleDocument>();

describe('a vehicle and its hydraulics', () => {
  test.each(PATTERNS)('pattern %s is entered, exported and read again without change', async (pattern) => {
    const entered = await create(patternOf(pattern), { name: `Pattern ${pattern}` });
    const document = await documentOf(entered.vehicle.id);
    const reply = await server.ask('POST', '/api/vehicles/import', { id: randomUUID(), document });
    const { vehicleId, mended } = reply.json<{ vehicleId: string; mended: unknown[] }>();
    expect(mended).toEqual([]);
    expect(await documentOf(vehicleId)).toEqual(document);
    expect((await read(vehicleId)).changes.map((change) => change.kind)).toEqual(['imported']);
  });

  test('what is changed on the drawing is saved, row by row, and what did not change keeps its version', async () => {
    const entered = await create(patternOf('twinTee'));
    const before = hydraulicsOf(circuitOf(entered));
    const [first] = before.hoses;
    const { circuit: cut } = insertJunction(before, randomUUID, first?.id ?? '');
    const reply = await save(entered, cut);
    expect(reply.statusCode).toBe(200);
    const after = reply.json<VehicleDetail>();
    expect(hydraulicsOf(circuitOf(after))).toEqual(cut);
    expect(circuitOf(after).hoses.map((hose) => hose.version)).toEqual([1, 0, 0, 0]);
    expect(after.changes[0]).toMatchObject({ kind: 'circuitSaved', by: 'Brannoc Hale' });
    // Undone and saved again: as it was, and nothing is left behind.
    const undone = (await save(after, before)).json<VehicleDetail>();
    expect(hydraulicsOf(circuitOf(undone))).toEqual(before);
    const { models } = server.database;
    expect(await models.Component.count({ where: { circuitId: circuitOf(undone).id } })).toBe(
      before.components.length,
    );
  });

  test('two people at one drawing: the second gets 409 with the circuit as it is', async () => {
    const entered = await create(patternOf('singleFront'));
    const hydraulics = { ...hydraulicsOf(circuitOf(entered)), fluidGrade: 'DOT 5.1' };
    expect((await save(entered, hydraulics)).statusCode).toBe(200);
    const stale = await save(entered, hydraulics, 0);
    expect(problemOf(stale)).toMatchObject({
      code: 'stale-write',
      current: { fluidGrade: 'DOT 5.1', version: 1 },
    });
  });

  test('parts that do not hang together are refused, each named', async () => {
    const entered = await create(patternOf('singleFront'));
    const hydraulics = hydraulicsOf(circuitOf(entered));
    const [port] = hydraulics.ports;
    const twice = {
      ...hydraulics,
      joints: hydraulics.joints.map((joint) => ({ ...joint, portId: port?.id })),
    };
    const reply = await save(entered, twice);
    expect(problemOf(reply)).toMatchObject({ status: 422, code: 'circuit-broken' });
    expect(problemOf(reply).errors?.map((error) => error.message)).toContain('has two joints on one port');
    const [part] = hydraulics.components;
    const doubled = { ...hydraulics, components: [...hydraulics.components, part] };
    expect(problemOf(await save(entered, doubled))).toMatchObject({ code: 'validation-failed' });
    expect(hydraulicsOf(circuitOf(await read(entered.vehicle.id)))).toEqual(hydraulics);
  });

  test('a torque range upside down is refused at its field', async () => {
    const entered = await create(patternOf('singleFront'));
    const hydraulics = hydraulicsOf(circuitOf(entered));
    const joints = hydraulics.joints.map((joint) => ({
      ...joint,
      torque: { minimum_Nm: 30, maximum_Nm: 20, source: 'vehicleMaker' as const, forBolt: null },
    }));
    const reply = problemOf(await save(entered, { ...hydraulics, joints }));
    expect(reply.errors?.[0]).toEqual({
      field: 'hydraulics.joints.0.torque.maximum_Nm',
      message: 'must be at least the lower figure',
    });
  });

  test('a part of another vehicle is not taken over', async () => {
    const one = await create(patternOf('singleFront'));
    const other = await create(patternOf('singleRear'));
    const reply = await save(one, hydraulicsOf(circuitOf(other)));
    expect(problemOf(reply)).toMatchObject({ status: 400, code: 'validation-failed' });
    expect(circuitOf(await read(other.vehicle.id)).hoses).toHaveLength(1);
  });

  test('a hose that an open job replaces does not leave the drawing behind its back', async () => {
    const petrelle = await read(demoId('petrelle'));
    const hydraulics = hydraulicsOf(circuitOf(petrelle));
    const [hose] = hydraulics.hoses;
    const reply = await save(petrelle, removeLine(hydraulics, hose?.id ?? ''));
    expect(problemOf(reply)).toMatchObject({ status: 409, code: 'in-use' });
    expect(problemOf(reply).errors).toContainEqual({
      field: 'Left hose',
      message: 'is in the job “Raised bars, new front hoses”',
    });
  });

  test('what a job names is kept out of sight when it leaves the drawing; a signed record still shows it', async () => {
    const wick = await read(demoId('wick'));
    const rear = circuitOf(wick, 1);
    const hydraulics = hydraulicsOf(rear);
    const without = removeLine(hydraulics, hydraulics.hoses[0]?.id ?? '');
    const url = `/api/vehicles/${wick.vehicle.id}/circuits/${rear.id}`;
    const saved = await server.ask('PUT', url, { version: rear.version, hydraulics: without });
    expect(circuitOf(saved.json<VehicleDetail>(), 1).hoses).toEqual([]);
    const signed = await server.job('wick-rear');
    expect(firstCircuit(signed).circuit.hoses.map((one) => one.name)).toEqual(['Rear hose, with stiffener']);
    // Drawn in again by undo, it is the same hose.
    const back = await server.ask('PUT', url, { version: rear.version + 1, hydraulics });
    expect(hydraulicsOf(circuitOf(back.json<VehicleDetail>(), 1))).toEqual(hydraulics);
  });

  test('a thread found on the drawing goes into an open job’s bolt, unless somebody chose another there', async () => {
    const wick = await read(demoId('wick'));
    const hydraulics = hydraulicsOf(circuitOf(wick));
    const [port] = hydraulics.ports;
    const finer = changePort(hydraulics, port?.id ?? '', { thread: 'M10×1.25' });
    await save(wick, finer);
    const bolt = async () => {
      const job = await server.job('wick-front');
      return job.joints.find((joint) => joint.jointId === demoId('wick/front/j-master'));
    };
    expect((await bolt())?.bolt?.thread).toBe('M10×1.25');
    const own = { ...(await bolt())?.bolt, thread: '3/8-24 UNF' };
    const jobUrl = `/api/jobs/${demoId('job/wick-front')}/joints/${demoId('wick/front/j-master')}`;
    await server.ask('PATCH', jobUrl, { version: (await bolt())?.version, bolt: own });
    await save(await read(demoId('wick')), hydraulics);
    expect((await bolt())?.bolt?.thread).toBe('3/8-24 UNF');
  });

  test('an odometer goes back, or blank, only with a reason, which stands in the history', async () => {
    const entered = await create([], { distance_m: 18_000_000 });
    const url = `/api/vehicles/${entered.vehicle.id}`;
    for (const distance_m of [17_999_000, 0, null])
      expect(problemOf(await server.ask('PATCH', url, { version: 0, distance_m }))).toMatchObject({
        status: 400,
        errors: [{ field: 'distance_m' }],
      });
    expect((await server.ask('PATCH', url, { version: 0, distance_m: 18_000_500 })).statusCode).toBe(200);
    const back = (
      await server.ask('PATCH', url, { version: 1, distance_m: 12_000, setBackBecause: 'New instrument' })
    ).json<VehicleDetail>();
    expect(back.vehicle.distance_m).toBe(12_000);
    expect(back.changes[0]).toMatchObject({ kind: 'edited', detail: { because: 'New instrument' } });
  });

  test('details are changed with their version, and a circuit is added and taken out', async () => {
    const entered = await create([]);
    const url = `/api/vehicles/${entered.vehicle.id}`;
    const edited = await server.ask('PATCH', url, { version: 0, plate: 'SKR 99', abs: true });
    expect(edited.json<VehicleDetail>().vehicle).toMatchObject({ plate: 'SKR 99', abs: true, version: 1 });
    expect(problemOf(await server.ask('PATCH', url, { version: 0, plate: 'X' }))).toMatchObject({
      status: 409,
    });
    const added = (
      await server.ask('POST', `${url}/circuits`, { id: randomUUID(), circuits: patternOf('singleRear') })
    ).json<VehicleDetail>();
    expect(added.circuits).toHaveLength(1);
    const removed = await server.ask('DELETE', `${url}/circuits/${circuitOf(added).id}`);
    expect(removed.json<VehicleDetail>().circuits).toEqual([]);
    expect(removed.json<VehicleDetail>().changes.map((change) => change.kind)).toEqual([
      'circuitRemoved',
      'circuitAdded',
      'edited',
      'entered',
    ]);
    expect((await server.ask('DELETE', url)).statusCode).toBe(200);
    expect((await server.ask('GET', url)).statusCode).toBe(404);
  });

  test('a vehicle with records is kept, and what hangs on it is named', async () => {
    const reply = await server.ask('DELETE', `/api/vehicles/${demoId('wick')}`);
    expect(problemOf(reply)).toMatchObject({ status: 409, code: 'in-use' });
    expect(problemOf(reply).errors?.map((error) => error.message)).toContain('Rear hose with stiffener');
  });
});

describe('reading a vehicle document', () => {
  const importing = (document: unknown, tryOnly = false) =>
    server.ask('POST', '/api/vehicles/import', { id: randomUUID(), document, tryOnly });

  test('tried only, it says what it holds and saves nothing', async () => {
    const document = await documentOf(demoId('calder'));
    const count = await server.database.models.Vehicle.count();
    const reply = await importing({ ...document, colour: 'green' }, true);
    expect(reply.json()).toMatchObject({
      vehicleId: null,
      mended: [{ field: 'colour', mend: 'leftOut', now: 'colour' }],
    });
    expect(await server.database.models.Vehicle.count()).toBe(count);
  });

  test('what cannot be read is refused with each place named', async () => {
    const document = await documentOf(demoId('calder'));
    const [circuit] = document.circuits;
    const wrong = {
      ...document,
      circuits: [{ ...circuit, components: [{ id: 'a', kind: 'flywheel', name: 'F', body: 'frame' }] }],
    };
    const reply = await importing(wrong);
    expect(problemOf(reply)).toMatchObject({ status: 422, code: 'not-a-vehicle' });
    expect(problemOf(reply).errors?.[0]).toMatchObject({ field: 'circuits.0.components.0.kind' });
    expect(problemOf(await importing('a page of text'))).toMatchObject({ code: 'not-a-vehicle' });
    const torn = { ...document, circuits: [{ ...circuit, joints: [] }] };
    expect(problemOf(await importing(torn))).toMatchObject({ code: 'circuit-broken' });
  });

  test('all six demo vehicles are modelled whole and go round without change', async () => {
    const { items } = (await server.ask('GET', '/api/vehicles?limit=100')).json<{
      items: { id: string; name: string }[];
    }>();
    const demo = ['petrelle', 'wick', 'calder', 'tollan', 'brindle', 'gannet'].map(demoId);
    expect(items.filter((vehicle) => demo.includes(vehicle.id))).toHaveLength(6);
    for (const id of demo) {
      const document = await documentOf(id);
      expect(document.circuits.length).toBeGreaterThan(0);
      expect(document.circuits.every((one: HydraulicsEntry) => one.hoses.length > 0)).toBe(true);
      const reply = (await importing(document)).json<{ vehicleId: string }>();
      expect(await documentOf(reply.vehicleId)).toEqual(document);
    }
  });

  test('a document that names somebody of this shop as having seen a thread brings no name in', async () => {
    const document = await documentOf(demoId('wick'));
    const by = { by: 'Ottoline Fenn', at: '2020-01-01T00:00:00.000Z' };
    const [circuit] = document.circuits as HydraulicsEntry[];
    const ports = circuit?.ports.map((port) => ({ ...port, known: { thread: { how: 'seen', ...by } } }));
    const { vehicleId } = (await importing({ ...document, circuits: [{ ...circuit, ports }] })).json<{
      vehicleId: string;
    }>();
    for (const port of circuitOf(await read(vehicleId)).ports)
      expect(port.known).toEqual({ thread: { how: 'seen' } });
  });
});
