/**
 * `npm run mistakes`: every row of the catalogue that is claimed, made through the API by each path, and its clean twin. The rows
 * are dealt out to several test files, so that one worker does not play them alone.
 */
import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { MISTAKES } from '@zephyrcombe/core';
import type { TestServer } from '../testing/testServer.ts';
import { startTestServer } from '../testing/testServer.ts';
import type { PlayOptions, Said } from './playedJob.ts';
import { PlayedJob } from './playedJob.ts';
import type { MistakeRow } from './play.ts';

/** A person may ask so often in a minute, as measured by a clock that cannot be moved on. */
const PLAYS_ON_ONE_SERVER = 15;
/** Says yes to whatever it is asked. */
const yes = () =>
  createServer((request, response) => {
    const said =
      request.url === '/quotes'
        ? { quote: 'SIM-Q1', currency: 'XTS', lines: [], total: 0, days: 4, refused: [] }
        : { order: 'SIM-O1', confirmedOn: '2026-11-23', expectedOn: '2026-11-27' };
    response.writeHead(201, { 'content-type': 'application/json' }).end(JSON.stringify(said));
  });

function answerTo({ id, isBlock }: MistakeRow): 'block' | 'reason' | 'inform' {
  if (isBlock) return 'block';
  return id in MISTAKES && MISTAKES[id as keyof typeof MISTAKES].severity === 'stop' ? 'reason' : 'inform';
}

/** A test for each row, all of a file on servers of their own. */
export function playRows(rows: readonly MistakeRow[]): void {
  const supplier = yes();
  let server: TestServer;
  let begun = 0;
  const startServer = async () => {
    server = await startTestServer();
    server.config.supplier = `http://127.0.0.1:${(supplier.address() as AddressInfo).port}`;
  };
  beforeAll(async () => {
    supplier.listen(0, '127.0.0.1');
    await once(supplier, 'listening');
    await startServer();
  });
  afterAll(async () => {
    await server.close();
    supplier.closeAllConnections();
    supplier.close();
  });

  const begin = async (options: PlayOptions | undefined): Promise<PlayedJob> => {
    begun += 1;
    if (begun % PLAYS_ON_ONE_SERVER === 0) {
      await server.close();
      await startServer();
    }
    return new PlayedJob(server).begin(options);
  };

  /** A twin that several rows share, on the same vehicle, is played once. */
  const cleanPlays = new Map<MistakeRow['clean'], Map<PlayOptions | undefined, Promise<Said>>>();
  const cleanOf = ({ clean, cleanOptions, options }: MistakeRow): Promise<Said> => {
    const on = cleanOptions ?? options;
    const known = cleanPlays.get(clean) ?? new Map<PlayOptions | undefined, Promise<Said>>();
    cleanPlays.set(clean, known);
    const said = known.get(on) ?? begin(on).then(clean);
    known.set(on, said);
    return said;
  };

  test.each(rows.map((row) => [row.id, answerTo(row), Object.keys(row.paths).length, row] as const))(
    '%s (%s) is met by each of its %i paths, and its clean twin raises nothing',
    async (id, answer, _many, row) => {
      for (const [name, play] of Object.entries(row.paths)) {
        const said = await play(await begin(row.options));
        expect({
          path: name,
          said: [...said.ids].filter((one) => one === id),
          refused: said.refused,
        }).toEqual({ path: name, said: [id], refused: answer !== 'inform' });
      }
      const clean = await cleanOf(row);
      expect([...clean.ids]).not.toContain(id);
      expect([...clean.ids, clean.refused]).toContain(false);
    },
    240_000,
  );
}
