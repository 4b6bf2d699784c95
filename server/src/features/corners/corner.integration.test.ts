import { randomUUID } from 'node:crypto';
import type { SavedCorner, VehicleDetail } from '@zephyrcombe/contract';
import type { Corner } from '@zephyrcombe/core';
import { gridOf, PATTERN_CORNERS, proveRoute, sceneOf, solveScene } from '@zephyrcombe/core';
import { DEMO_CORNERS } from '../../demo/corners.ts';
import { demoId } from '../../demo/identity.ts';
import type { TestServer } from '../../testing/testServer.ts';
import { problemOf, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const WICK = demoId('wick');
const at = (vehicleId: string, corner?: string) =>
  `/api/vehicles/${vehicleId}/corners${corner === undefined ? '' : `/${corner}`}`;
const listed = async (vehicleId: string) =>
  (await server.ask('GET', at(vehicleId))).json<{ items: SavedCorner[] }>().items;
const { fork, strut } = PATTERN_CORNERS;

describe('the routes of the demo vehicles', () => {
  test.each(Object.entries(DEMO_CORNERS))(
    '%s: every hose of them is one that the vehicle has',
    async (key, corners) => {
      const kept = await listed(demoId(key));
      expect(kept.map(({ corner }) => corner.name)).toEqual(corners.map(({ name }) => name));
      const { circuits } = (await server.ask('GET', `/api/vehicles/${demoId(key)}`)).json<VehicleDetail>();
      const hoses = circuits.flatMap((circuit) => circuit.hoses);
      for (const { corner } of kept)
        for (const hose of corner.hoses) {
          const own = hoses.find(({ id }) => id === hose.id);
          expect(own?.name).toBe(hose.name);
          expect(own?.length_m).toBeCloseTo(hose.length_m, 6);
        }
    },
  );

  const routes = Object.entries(DEMO_CORNERS).flatMap(([key, corners]) =>
    corners.flatMap((corner) => corner.hoses.map((hose) => [key, hose.name, corner, hose.id] as const)),
  );
  test.each(routes)(
    '%s, %s: holds in every pose and raises nothing',
    (_key, _name, corner: Corner, hoseId) => {
      const scene = sceneOf(corner, hoseId);
      if (!scene) throw new Error('no such hose');
      const grid = gridOf(scene.rig, 9);
      expect(proveRoute(scene, grid, solveScene(scene, grid))).toMatchObject({
        ok: true,
        value: { holds: true },
        cautions: [],
      });
    },
  );
});

test('a corner is added once however often it is sent, saved on its version, and taken out', async () => {
  const id = randomUUID();
  const before = await listed(WICK);
  for (let time = 0; time < 2; time += 1)
    expect((await server.ask('POST', at(WICK), { id, corner: fork })).statusCode).toBe(200);
  expect(await listed(WICK)).toHaveLength(before.length + 1);
  const saved = await server.ask('PUT', at(WICK, id), {
    version: 0,
    corner: { ...fork, name: 'Other fork' },
  });
  expect(saved.json<{ items: SavedCorner[] }>().items.at(-1)).toMatchObject({
    id,
    version: 1,
    corner: { name: 'Other fork' },
  });
  const stale = await server.ask('PUT', at(WICK, id), { version: 0, corner: fork });
  expect(problemOf(stale)).toMatchObject({ status: 409, code: 'stale-write' });
  expect(stale.json()).toMatchObject({ current: { version: 1, corner: { name: 'Other fork' } } });
  expect((await server.ask('DELETE', at(WICK, id))).statusCode).toBe(200);
  expect(await listed(WICK)).toEqual(before);
  const { changes } = (await server.ask('GET', `/api/vehicles/${WICK}`)).json<VehicleDetail>();
  expect(changes.slice(0, 3).map(({ kind }) => kind)).toEqual(['routeRemoved', 'routeSaved', 'routeSaved']);
});

test('what is no corner is refused with its field, and nothing is saved', async () => {
  const before = await listed(WICK);
  const ask = (corner: object) => server.ask('POST', at(WICK), { id: randomUUID(), corner });
  const [hose] = fork.hoses;
  for (const [corner, field] of [
    [{ ...fork, rig: { ...fork.rig, travel_m: -1 } }, 'corner.rig.travel_m'],
    [{ ...fork, hoses: [] }, 'corner.hoses'],
    [
      { ...fork, hoses: [{ ...hose, start: { ...hose?.start, outward: [0, 0, 0] } }] },
      'corner.hoses.0.start.outward',
    ],
    [{ ...fork, keepOuts: [{ ...fork.keepOuts[0], nature: 'soft' }] }, 'corner.keepOuts.0.nature'],
  ] as const) {
    const reply = await ask(corner);
    expect(problemOf(reply)).toMatchObject({ status: 400, code: 'validation-failed' });
    expect(reply.json<{ errors: { field: string }[] }>().errors.map((error) => error.field)).toContain(field);
  }
  expect(await listed(WICK)).toEqual(before);
});

test('a corner belongs to its vehicle, a vehicle has to be there, and somebody to be signed in', async () => {
  const id = randomUUID();
  await server.ask('POST', at(WICK), { id, corner: strut });
  expect(
    problemOf(await server.ask('PUT', at(demoId('calder'), id), { version: 0, corner: strut })).status,
  ).toBe(404);
  expect(problemOf(await server.ask('POST', at(demoId('calder')), { id, corner: strut })).status).toBe(404);
  expect(problemOf(await server.ask('DELETE', at(demoId('calder'), id))).status).toBe(404);
  expect(problemOf(await server.ask('GET', at(randomUUID()))).status).toBe(404);
  expect(problemOf(await server.ask('GET', at(WICK), undefined, null)).status).toBe(401);
  await server.ask('DELETE', at(WICK, id));
});
