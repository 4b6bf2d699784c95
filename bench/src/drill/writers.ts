/**
 * People who write without a pause, as the pages do: what was not answered is sent again under the same id or key until it is.
 * Each has a job of their own; every third change is a reading, a stroke at the nipple, a new reason.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout } from 'node:timers/promises';
import { signIn } from '../server/signIn.ts';

export interface Written {
  readonly kind: 'reading' | 'stroke' | 'reason';
  readonly jobId: string;
  /** The reading's or stroke's id, or the words of the reason. */
  readonly what: string;
  /** When it was answered as written. */
  readonly at_ms: number;
}

export interface Writers {
  readonly written: readonly Written[];
  /** Changes that had to be sent more than once. */
  readonly repeated: () => number;
  /** Resolves when so many more are written. */
  more(count: number): Promise<void>;
  stop(): Promise<void>;
}

interface Detail {
  readonly job: { readonly id: string; readonly version: number };
  readonly hoses: readonly { readonly hoseId: string }[];
  readonly circuits: readonly {
    readonly circuit: { readonly components: readonly { readonly id: string; readonly kind: string }[] };
  }[];
}

const BETWEEN_TRIES_ms = 50;
/** An answer that never comes, because the server was ended. */
const PATIENCE_ms = 12_000;
/** These do not say what became of a change. */
const UNSETTLED: ReadonlySet<number> = new Set([502, 503, 504]);

export function startWriters(address: string, people: number): Writers {
  const written: Written[] = [];
  let repeated = 0;
  let isOver = false;
  let heard: () => void = () => undefined;

  /** Sends until it is answered; a refusal is a fault of the drill or of the server. */
  async function send(
    cookie: string,
    method: string,
    path: string,
    body: object,
    key: string,
  ): Promise<Detail> {
    for (let tries = 1; ; tries += 1) {
      if (tries === 2) repeated += 1;
      try {
        const reply = await fetch(address + path, {
          method,
          headers: { origin: address, cookie, 'content-type': 'application/json', 'idempotency-key': key },
          body: JSON.stringify(body),
          signal: AbortSignal.timeout(PATIENCE_ms),
        });
        const text = await reply.text();
        if (reply.ok) return JSON.parse(text) as Detail;
        if (!UNSETTLED.has(reply.status)) throw new Refused(`${method} ${path} ${reply.status}: ${text}`);
      } catch (error) {
        if (error instanceof Refused) throw error;
      }
      await setTimeout(BETWEEN_TRIES_ms);
    }
  }

  async function write(person: number): Promise<void> {
    // A sign-in each: what one may ask in a minute is counted.
    const cookie = await signIn(address);
    const known = (await (
      await fetch(`${address}/api/jobs?status=open`, { headers: { cookie } })
    ).json()) as { items: readonly { id: string; title: string; vehicleId: string }[] };
    const pattern = known.items.find(({ title }) => title.startsWith('Front hose'));
    if (!pattern) throw new Error('The demo shop has no job on a front hose');
    const shown = (await (
      await fetch(`${address}/api/jobs/${pattern.id}`, { headers: { cookie } })
    ).json()) as Detail & { job: { vehicleId: string } };
    const hoseId = shown.hoses[0]?.hoseId ?? '';
    const nippleId =
      shown.circuits.flatMap(({ circuit }) => circuit.components).find(({ kind }) => kind === 'bleedNipple')
        ?.id ?? '';
    const jobId = randomUUID();
    let { version } = (
      await send(
        cookie,
        'POST',
        '/api/jobs',
        {
          id: jobId,
          vehicleId: shown.job.vehicleId,
          circuitIds: [],
          title: `Drill ${person}`,
          reason: '',
          hoseIds: [hoseId],
        },
        randomUUID(),
      )
    ).job;
    for (let turn = 0; !isOver; turn += 1) {
      const id = randomUUID();
      const [kind, method, path, body] = (
        [
          ['reading', 'POST', 'readings', { ...READING, id, hoseId }],
          ['stroke', 'POST', `nipples/${nippleId}/events`, { id, kind: 'stroke' }],
          ['reason', 'PATCH', '', { version, reason: id }],
        ] as const
      )[turn % 3] as readonly [Written['kind'], string, string, object];
      const detail = await send(
        cookie,
        method,
        `/api/jobs/${jobId}${path === '' ? '' : `/${path}`}`,
        body,
        id,
      );
      written.push({ kind, jobId, what: id, at_ms: Date.now() });
      // The answer to a stroke is what changed at the nipples, and no version.
      if (kind !== 'stroke') ({ version } = detail.job);
      heard();
    }
  }
  const running = Array.from({ length: people }, (_none, person) => write(person));
  let failure: Error | null = null;
  for (const one of running)
    one.catch((error: unknown) => {
      failure = error instanceof Error ? error : new Error(String(error));
      heard();
    });
  return {
    written,
    repeated: () => repeated,
    async more(count) {
      const until = written.length + count;
      while (written.length < until) {
        await new Promise<void>((resolve) => {
          heard = resolve;
        });
        if (failure !== null) throw failure;
      }
    },
    async stop() {
      isOver = true;
      await Promise.all(running);
    },
  };
}

class Refused extends Error {}

const READING = {
  pose: 'fullDroop',
  length_m: 0.73,
  typed: '730 mm',
  datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
  aid: 'tube',
  uncertainty_m: null,
  remainingTravel_m: 0,
  wrap: null,
  tightBends: null,
};
