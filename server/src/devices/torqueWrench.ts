/**
 * Listens to a torque wrench that can be read: torque over angle of one pull. A wrench that cannot be heard any more is looked for,
 * and asked for what was missed. `docs/formats/instrument-lines.md`.
 */
import type { PullRecord, WrenchLink } from '@zephyrcombe/contract';
import { MOST_PULL_SAMPLES } from '@zephyrcombe/contract';
import type { PullSample } from '@zephyrcombe/core';
import { z } from 'zod';
import type { LineClient } from './lineClient.ts';
import { connectLines } from './lineClient.ts';

const HelloSchema = z.object({
  type: z.literal('hello'),
  kind: z.literal('torqueWrench'),
  serial: z.string().trim().min(1).max(60),
  simulated: z.boolean().default(false),
  minimum_Nm: z.number().positive(),
  maximum_Nm: z.number().positive(),
  calibratedOn: z.iso.date().nullable().default(null),
  pulls: z.int().min(0),
});
type Hello = z.infer<typeof HelloSchema>;
const SaidSchema = z.discriminatedUnion('type', [
  HelloSchema,
  z.object({ type: z.literal('aimed'), target_Nm: z.number() }),
  z.object({
    type: z.literal('sample'),
    sequence: z.int(),
    index: z
      .int()
      .min(0)
      .max(MOST_PULL_SAMPLES - 1),
    at_s: z.number().min(0).max(600),
    angle_rad: z.number().min(-100).max(100),
    torque_Nm: z.number().min(-1000).max(1000),
  }),
  z.object({
    type: z.literal('peak'),
    sequence: z.int(),
    peak_Nm: z.number().positive().max(1000),
    samples: z.int().min(2).max(MOST_PULL_SAMPLES),
  }),
  z.object({ type: z.literal('refused'), reason: z.string() }),
]);
type Said = z.infer<typeof SaidSchema>;

const ANSWER_ms = 3000;
/** Quiet for so long in the middle of a pull: it is asked for the rest. */
const QUIET_ms = 1500;
const LOOK_AGAIN_ms = 300;
/** Nobody pulls for so long: the line is free again. */
const LISTENS_ms = 10 * 60_000;

export type Heard = Pick<
  PullRecord,
  'state' | 'serial' | 'isSimulated' | 'calibratedOn' | 'samples' | 'peak_Nm' | 'dropOuts'
>;
/** Why it does not listen. */
export type WrenchRefusal = 'silent' | 'outOfRange' | 'refused';
export type Listening =
  | { readonly ok: true; readonly listener: PullListener }
  | { readonly ok: false; readonly why: WrenchRefusal; readonly hello: Hello | null };

export interface PullListener {
  readonly heard: () => Heard;
  /** Has a simulated wrench pulled. False where it is no simulation, or is pulled already. */
  readonly simulate: () => boolean;
  readonly leave: () => void;
}

interface Settings {
  readonly port: number;
  readonly set_Nm: number;
  /** Once, when the whole pull was heard. */
  readonly onDone: (heard: Heard) => void;
}

/** What answers there. */
export async function lookForWrench(port: number | null): Promise<WrenchLink> {
  const nothing = {
    serial: null,
    minimum_Nm: null,
    maximum_Nm: null,
    calibratedOn: null,
    isSimulated: false,
  };
  if (port === null) return { state: 'none', ...nothing };
  const hello = await new Promise<Hello | null>((resolve) => {
    const client = connectLines(port, {
      onLine: (line) => {
        resolve(HelloSchema.safeParse(line).data ?? null);
        client.hangUp();
      },
      onEnd: () => {
        clearTimeout(patience);
        resolve(null);
      },
    });
    const patience = setTimeout(() => client.hangUp(), ANSWER_ms);
  });
  if (hello === null) return { state: 'silent', ...nothing };
  const { serial, minimum_Nm, maximum_Nm, calibratedOn, simulated } = hello;
  return { state: 'here', serial, minimum_Nm, maximum_Nm, calibratedOn, isSimulated: simulated };
}

/** Sets the wrench and listens to its next pull. */
export function listenToPull({ port, set_Nm, onDone }: Settings): Promise<Listening> {
  return new Promise((resolve) => {
    let client: LineClient | null = null;
    let hello: Hello | null = null;
    let state: Heard['state'] = 'waiting';
    /** The pull that is listened to; null until one begins. */
    let sequence: number | null = null;
    const samples: PullSample[] = [];
    let peak: { readonly peak_Nm: number; readonly samples: number } | null = null;
    let dropOuts = 0;
    let isLeft = false;
    let isSettled = false;
    let isPulledHere = false;
    let quiet: NodeJS.Timeout | null = null;
    let again: NodeJS.Timeout | null = null;
    const answer = setTimeout(() => settle({ ok: false, why: 'silent', hello }), ANSWER_ms);
    const whole = setTimeout(() => leave(), LISTENS_ms);
    whole.unref();

    const heard = (): Heard => ({
      state,
      serial: hello?.serial ?? '',
      isSimulated: hello?.simulated ?? false,
      calibratedOn: hello?.calibratedOn ?? null,
      samples: [...samples],
      peak_Nm: state === 'done' ? (peak?.peak_Nm ?? null) : null,
      dropOuts,
    });
    function leave(): void {
      isLeft = true;
      for (const timer of [answer, whole, quiet, again]) if (timer) clearTimeout(timer);
      client?.hangUp();
    }
    function settle(listening: Listening): void {
      if (isSettled) return;
      isSettled = true;
      clearTimeout(answer);
      resolve(listening);
      if (!listening.ok) leave();
    }
    const askForTheRest = () => {
      if (sequence !== null) client?.say({ type: 'again', sequence, from: samples.length });
    };
    const waitForMore = () => {
      if (quiet) clearTimeout(quiet);
      quiet = setTimeout(() => {
        askForTheRest();
        waitForMore();
      }, QUIET_ms);
    };
    const finishIfWhole = () => {
      if (peak === null || samples.length < peak.samples || state === 'done') return;
      state = 'done';
      onDone(heard());
      leave();
    };

    const takes: { readonly [Type in Said['type']]: (said: Extract<Said, { type: Type }>) => void } = {
      hello: (said) => {
        const isKnown = hello !== null;
        if (hello !== null && hello.serial !== said.serial) return client?.hangUp();
        // Pulled while nobody listened.
        if (isKnown && sequence === null && hello !== null && said.pulls > hello.pulls) sequence = said.pulls;
        hello ??= said;
        if (sequence === null) client?.say({ type: 'aim', target_Nm: set_Nm });
        else {
          state = 'pulling';
          askForTheRest();
          waitForMore();
        }
      },
      aimed: () => {
        state = 'waiting';
        settle({ ok: true, listener: { heard, simulate, leave } });
      },
      sample: ({ sequence: of, index, at_s, angle_rad, torque_Nm }) => {
        sequence ??= of;
        if (of !== sequence) return;
        state = 'pulling';
        waitForMore();
        if (index === samples.length) samples.push({ at_s, angle_rad, torque_Nm });
        finishIfWhole();
      },
      peak: (said) => {
        if (said.sequence !== sequence) return;
        peak = said;
        if (samples.length < said.samples) askForTheRest();
        finishIfWhole();
      },
      refused: ({ reason }) =>
        settle({ ok: false, why: reason === 'outOfRange' ? 'outOfRange' : 'refused', hello }),
    };
    function simulate(): boolean {
      if (!hello?.simulated || state !== 'waiting' || isPulledHere) return false;
      isPulledHere = true;
      client?.say({ type: 'pull' });
      waitForTheFirst();
      return true;
    }
    /** The pull was asked for on a line that was dead already. */
    function waitForTheFirst(): void {
      quiet = setTimeout(() => {
        if (state === 'waiting') isPulledHere = false;
      }, QUIET_ms);
    }
    function open(): void {
      client = connectLines(port, {
        onLine: (line) => {
          const said = SaidSchema.safeParse(line);
          if (isLeft || state === 'done') return;
          if (said.success) (takes[said.data.type] as (said: Said) => void)(said.data);
          // A broken line in the middle of a pull: what it said is asked for.
          else if (sequence !== null) askForTheRest();
        },
        onEnd: () => {
          if (isLeft || state === 'done') return;
          if (!isSettled) return settle({ ok: false, why: 'silent', hello });
          if (state !== 'lost') dropOuts += 1;
          state = 'lost';
          if (quiet) clearTimeout(quiet);
          again = setTimeout(open, LOOK_AGAIN_ms);
        },
      });
    }
    open();
  });
}
