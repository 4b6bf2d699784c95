/**
 * `npm run bench:server`: lists of a full book against those of the demo shop's, at one client and at a hundred, with the
 * delay of the server's event loop and its memory. Not a test: nothing here can fail a build.
 */
import { costOfActions } from './actions.ts';
import { fillBook } from './fillBook.ts';
import type { OwnServer } from './ownServer.ts';
import { startOwnServer } from './ownServer.ts';
import { signIn } from './signIn.ts';

const SIZE = {
  vehicles: Number(process.env.BENCH_VEHICLES ?? 10_000),
  jobsPerVehicle: 5,
  servicesPerVehicle: 10,
  linesPerJob: 20,
  shelf: 5_000,
};
const CLIENTS = 100;
const ASKED = 60;
/** So many rows every list has on the demo shop's book too. */
const SAME_ROWS = 1;

interface Asked {
  readonly status: number;
  readonly took_ms: number;
}

async function ask(address: string, path: string, cookie: string): Promise<Asked> {
  const from = performance.now();
  const reply = await fetch(address + path, { headers: { cookie } });
  await reply.arrayBuffer();
  return { status: reply.status, took_ms: performance.now() - from };
}

function percentile(asked: readonly Asked[], part: number): number {
  const times = asked.map(({ took_ms }) => took_ms).sort((a, b) => a - b);
  return times[Math.min(times.length - 1, Math.floor(part * times.length))] ?? NaN;
}

async function firstOf(server: OwnServer, table: string, where: string): Promise<string> {
  const [rows] = await server.sql.query(`SELECT id FROM ${table} WHERE ${where} LIMIT 1`);
  return (rows as { id: string }[])[0]?.id ?? '';
}

async function listsOf(server: OwnServer): Promise<ReadonlyMap<string, string>> {
  const job = await firstOf(server, 'job', `status = 'finished'`);
  const vehicle = await firstOf(
    server,
    'vehicle',
    `id IN (SELECT vehicleId FROM job WHERE status = 'finished')`,
  );
  return new Map([
    ['due', '/api/due'],
    ['vehicles', '/api/vehicles'],
    ['vehicles, many found', '/api/vehicles?search=12'],
    ['vehicles, one found', '/api/vehicles?search=Wick'],
    ['open jobs', '/api/jobs?status=open'],
    ['finished jobs', '/api/jobs?status=finished'],
    ['jobs, many found', '/api/jobs?search=Job'],
    ['jobs, one found', '/api/jobs?search=Front%20hose'],
    ['finished jobs, none found', '/api/jobs?status=finished&search=no%20such%20job'],
    ['services of a vehicle', `/api/vehicles/${vehicle}/services`],
    ['jobs of a vehicle', `/api/jobs?vehicleId=${vehicle}`],
    ['log of a job', `/api/jobs/${job}/log`],
    ['shelf', '/api/shop/stock'],
  ]);
}

async function oneClient(server: OwnServer, path: string, cookies: readonly string[]): Promise<number> {
  const asked: Asked[] = [];
  for (let times = 0; times < ASKED; times += 1)
    asked.push(await ask(server.address, path, cookies[times % cookies.length] ?? ''));
  const wrong = asked.find(({ status }) => status !== 200);
  if (wrong) throw new Error(`${path}: ${wrong.status}`);
  return percentile(asked, 0.95);
}

/** A page further down each list. */
async function deepPage(server: OwnServer, path: string, cookie: string, pages: number): Promise<string> {
  let after = '';
  for (let page = 0; page < pages; page += 1) {
    const sign = path.includes('?') ? '&' : '?';
    const reply = await fetch(`${server.address}${path}${after}`, { headers: { cookie } });
    const { next } = (await reply.json()) as { next: string | null };
    if (next === null) break;
    after = `${sign}after=${next}`;
  }
  return path + after;
}

const print = (...columns: readonly string[]) =>
  process.stdout.write(
    `${columns.map((column, index) => (index === 0 ? column.padEnd(30) : column.padStart(16))).join('')}\n`,
  );
const ms = (value: number) => `${value.toFixed(1)} ms`;

async function main(): Promise<void> {
  const server = await startOwnServer();
  try {
    const cookies: string[] = [];
    for (let client = 0; client < CLIENTS; client += 1) cookies.push(await signIn(server.address));
    print('One action', 'statements', 'bytes');
    for (const { name, statements, bytes } of await costOfActions(server, cookies[0] ?? ''))
      print(name, String(statements), String(bytes));
    if (process.env.BENCH_ONLY === 'actions') return;
    const few = (path: string) => `${path}${path.includes('?') ? '&' : '?'}limit=${SAME_ROWS}`;
    const before = new Map<string, number>();
    for (const [name, path] of await listsOf(server)) {
      await oneClient(server, path, cookies);
      before.set(name, await oneClient(server, few(path), cookies));
    }
    const from = performance.now();
    await fillBook(server.sql, SIZE);
    print(`Filled in ${((performance.now() - from) / 1000).toFixed(0)} s: ${JSON.stringify(SIZE)}\n`);
    await server.loop();

    print('One client', 'p95, a page', 'a page deep', 'one row, demo', 'one row, full', 'ratio');
    for (const [name, path] of await listsOf(server)) {
      const page = await oneClient(server, path, cookies);
      const deep = await oneClient(server, await deepPage(server, path, cookies[0] ?? '', 40), cookies);
      const [demo, full] = [before.get(name) ?? NaN, await oneClient(server, few(path), cookies)];
      print(name, ms(page), ms(deep), ms(demo), ms(full), (full / demo).toFixed(2));
    }
    const alone = await server.loop();
    print('\nEvent loop, longest delay', ms(alone.longest_ms), `p99 ${ms(alone.p99_ms)}`);

    const paths = [...(await listsOf(server)).values()];
    const asked = (
      await Promise.all(
        cookies.map(async (cookie, client) => {
          const own: Asked[] = [];
          for (let times = 0; times < 20; times += 1)
            own.push(await ask(server.address, paths[(client + times) % paths.length] ?? '', cookie));
          return own;
        }),
      )
    ).flat();
    const statuses = [...new Set(asked.map(({ status }) => status))];
    const loaded = await server.loop();
    print(
      `\n${CLIENTS} clients`,
      `p50 ${ms(percentile(asked, 0.5))}`,
      `p95 ${ms(percentile(asked, 0.95))}`,
      `longest ${ms(percentile(asked, 1))}`,
    );
    for (const status of statuses)
      print(`  answers ${status}`, String(asked.filter((one) => one.status === status).length));
    print('Event loop, longest delay', ms(loaded.longest_ms), `p99 ${ms(loaded.p99_ms)}`);
    print('Memory of the server', `${loaded.memory_MB.toFixed(0)} MB`);
  } finally {
    await server.stop();
  }
}

await main();
