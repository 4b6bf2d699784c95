/** What one action of a technician costs: statements that the database runs, and bytes that come back to the phone. */
import { randomUUID } from 'node:crypto';
import type { RowDataPacket } from 'mysql2/promise';
import type { OwnServer } from './ownServer.ts';

export interface ActionCost {
  readonly name: string;
  readonly statements: number;
  readonly bytes: number;
}

/** Asked for by itself, it counts itself. */
const ASKING = 1;

async function questions({ sql }: OwnServer): Promise<number> {
  const [rows] = await sql.query<RowDataPacket[]>(`SHOW GLOBAL STATUS LIKE 'Questions'`);
  return Number(rows[0]?.Value);
}

interface Detail {
  readonly job: { readonly version: number };
  readonly hoses: readonly { readonly hoseId: string; readonly version: number }[];
  readonly circuits: readonly {
    readonly circuit: { readonly components: readonly { readonly id: string; readonly kind: string }[] };
  }[];
}

/** On the demo shop's front hose, as the page sends them. */
export async function costOfActions(server: OwnServer, cookie: string): Promise<readonly ActionCost[]> {
  const [jobs] = await server.sql.query<RowDataPacket[]>(
    `SELECT id FROM job WHERE status = 'open' AND title LIKE 'Front hose%' LIMIT 1`,
  );
  const at = `${server.address}/api/jobs/${String(jobs[0]?.id)}`;
  const headers = { cookie, origin: server.address, 'content-type': 'application/json' };
  const send = async (method: string, path: string, body?: object): Promise<string> => {
    const reply = await fetch(at + path, {
      method,
      headers,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const text = await reply.text();
    if (!reply.ok) throw new Error(`${method} ${path}: ${text}`);
    return text;
  };
  const now = async () => JSON.parse(await send('GET', '')) as Detail;
  const { hoses, circuits } = await now();
  const hoseId = hoses[0]?.hoseId ?? '';
  const nipple = circuits
    .flatMap(({ circuit }) => circuit.components)
    .find(({ kind }) => kind === 'bleedNipple');
  const events = `/nipples/${nipple?.id ?? ''}/events`;
  let after = 0;
  const event = async (kind: string) => {
    const text = await send('POST', events, { id: randomUUID(), kind, after });
    after = (JSON.parse(text) as { rows: { sequence: number }[] }).rows.at(-1)?.sequence ?? after;
    return text;
  };
  const reading = () =>
    send('POST', '/readings', {
      id: randomUUID(),
      hoseId,
      pose: 'fullDroop',
      length_m: 0.93,
      typed: '930 mm',
      datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
      aid: 'tube',
      uncertainty_m: null,
      remainingTravel_m: 0,
      wrap: null,
      tightBends: null,
    });
  const pose = async () =>
    send('PATCH', `/hoses/${hoseId}`, {
      version: (await now()).hoses[0]?.version,
      poseChecks: { leftLock: true },
    });
  // Once each beforehand, so that nothing is met for the first time.
  for (const first of [() => event('stroke'), reading, pose]) await first();
  const costs: ActionCost[] = [];
  const { version } = (await now()).hoses[0] ?? { version: 0 };
  for (const [name, act] of [
    ['stroke', () => event('stroke')],
    ['top-up', () => event('topUp')],
    ['reading', reading],
    [
      'a tick at a pose',
      () => send('PATCH', `/hoses/${hoseId}`, { version, poseChecks: { rightLock: true } }),
    ],
    ['a job, read', () => send('GET', '')],
  ] as const) {
    const before = await questions(server);
    const text = await act();
    const statements = (await questions(server)) - before - ASKING;
    costs.push({ name, statements, bytes: Buffer.byteLength(text) });
  }
  return costs;
}
