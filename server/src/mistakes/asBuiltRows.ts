/** Rows about the brake as it stands when it is handed over: its ABS unit, its bleed screws, which way up its calipers are. */
import { randomUUID } from 'node:crypto';
import type { HydraulicsEntry } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import type { Outflow } from '@zephyrcombe/core';
import type { MistakeRow, Play } from './play.ts';
import { FLUID_ONLY } from './play.ts';
import type { PlayedJob, PlayOptions } from './playedJob.ts';

const WITH_ABS: PlayOptions = { ...FLUID_ONLY, like: 'calder' };
/** The lines meet in a block where the unit was. */
const unitTaken = (drawing: HydraulicsEntry): HydraulicsEntry => ({
  ...drawing,
  components: drawing.components.map((part) =>
    part.kind === 'absUnit' ? { ...part, kind: 'junction' } : part,
  ),
});

const nipple = async (job: PlayedJob, at = 0): Promise<string> => nipplesOf(await job.now())[at]?.id ?? '';
/** Signed after something was done with the job that is ready. */
const signedAfter =
  (act: (job: PlayedJob) => Promise<unknown>): Play =>
  async (job) => {
    await job.readyToSign();
    await act(job);
    return job.said(job.finish());
  };
const screwIn = async (
  job: PlayedJob,
  lengths: { readonly out_m: number | null; readonly in_m: number | null } | null,
  handling: 'refit' | 'replace' = 'replace',
): Promise<void> => {
  const id = randomUUID();
  await job.done(job.item(id, { kind: 'nipple', name: `Nipple ${id.slice(0, 4)}`, handling, done: true }));
  if (lengths) await job.done(job.say('bleedScrew', id, lengths));
};
const caliperOff = (job: PlayedJob) =>
  job.done(job.item(randomUUID(), { kind: 'mountBolt', name: 'Upper bolt', handling: 'refit', done: true }));

/** Read after so many seconds each. */
const held = async (job: PlayedJob, ...readings: readonly (readonly [number, number])[]) => {
  for (const { circuit } of (await job.now()).circuits) {
    const value = readings.map(([at_s, travel_mm]) => ({ at_s, travel_m: travel_mm / 1000 }));
    await job.done(job.say('holdTest', circuit.id, value));
  }
};

/** Pulled at the lever with so much pressure, and read; a day before the work unless another is said. */
const pulled = async (
  job: PlayedJob,
  ...pulls: readonly (readonly [when: 'before' | 'after', MPa: number, travel_mm: number, day?: string])[]
) => {
  for (const { circuit } of (await job.now()).circuits) {
    const value = pulls.map(([when, MPa, travel_mm, day = '2026-11-20'], at) => ({
      when,
      by: { with: 'gauge', pressure_Pa: MPa * 1e6 },
      travel_m: travel_mm / 1000,
      at: new Date(Date.parse(`${day}T09:00:00.000Z`) + at * 60_000).toISOString(),
    }));
    await job.done(job.say('leverPulls', circuit.id, value.length > 0 ? value : null));
  }
};

/** A master so big that a few strokes are three times what the circuit holds: the server takes only so many requests a minute. */
const bigMaster = (drawing: HydraulicsEntry): HydraulicsEntry => ({
  ...drawing,
  components: drawing.components.map((part) =>
    part.kind === 'master'
      ? { ...part, masterBore_m: 0.03, leverStroke_m: 0.2, leverRatio: 4 }
      : part.kind === 'reservoir'
        ? { ...part, usable_m3: 4e-4 }
        : part,
  ),
});
const pumpedLong = async (job: PlayedJob) => {
  for (let stroke = 0; stroke < 12; stroke += 1)
    for (const kind of ['topUp', 'stroke'] as const) await job.done(job.nipple(kind));
};
/** Pumped long; what came out last, and the nipple called clear. */
const pumpedUntil = async (job: PlayedJob, outflow: Outflow) => {
  await pumpedLong(job);
  await job.done(job.nipple({ outflow }));
  await job.done(job.nipple('clear'));
};

export const AS_BUILT: readonly MistakeRow[] = [
  {
    id: 'M87',
    options: FLUID_ONLY,
    paths: {
      'a firm pull that goes to the bar': signedAfter((job) => pulled(job, ['after', 4, 120])),
      'four fifths of its way, and no more than its hoses may swell': signedAfter((job) =>
        pulled(job, ['after', 4, 50]),
      ),
      'the reading taken back': signedAfter(async (job) => {
        await pulled(job, ['after', 4, 120]);
        await pulled(job);
      }),
      'a softer pull read after it': signedAfter((job) => pulled(job, ['after', 4, 120], ['after', 1, 5])),
      'filed as before the work, and strokes were made': signedAfter((job) =>
        pulled(job, ['before', 4, 120, '2026-12-01']),
      ),
      'a right pull before it, dated later by a fast clock': signedAfter(async (job) => {
        await pulled(job, ['after', 4, 20, '2027-01-10']);
        await pulled(job, ['after', 4, 20, '2027-01-10'], ['after', 4, 120]);
      }),
      'what the master has wiped from the drawing': signedAfter(async (job) => {
        await pulled(job, ['after', 4, 120]);
        await job.done(
          job.draw((drawing) => ({
            ...drawing,
            components: drawing.components.map((part) =>
              part.kind === 'master'
                ? { ...part, masterBore_m: null, leverRatio: null, leverStroke_m: null }
                : part,
            ),
          })),
        );
      }),
      'softer than before the work': signedAfter((job) => pulled(job, ['before', 4, 20], ['after', 4.2, 26])),
    },
    clean: signedAfter((job) =>
      pulled(job, ['before', 4, 26], ['after', 4, 120], ['after', 4.1, 20], ['after', 4.3, 27]),
    ),
  },
  {
    id: 'M88',
    options: { ...FLUID_ONLY, draw: bigMaster },
    cleanOptions: { ...FLUID_ONLY, draw: bigMaster },
    paths: {
      'bubbles to the end': signedAfter((job) => pumpedUntil(job, 'bubbles')),
      'fluid in between, and bubbles again': signedAfter(async (job) => {
        await job.done(job.nipple({ outflow: 'straw' }));
        await pumpedUntil(job, 'bubbles');
      }),
    },
    clean: signedAfter(async (job) => {
      await job.done(job.nipple({ outflow: 'bubbles' }));
      await pumpedUntil(job, 'straw');
    }),
  },
  {
    id: 'M88',
    way: 'two nipples on one circuit',
    options: { ...WITH_ABS, draw: bigMaster },
    cleanOptions: { ...WITH_ABS, draw: bigMaster },
    paths: {
      'fluid at the other nipple': signedAfter(async (job) => {
        await pumpedUntil(job, 'bubbles');
        await job.done(job.nipple({ outflow: 'straw' }, 1));
      }),
    },
    // Bubbles early, and then it is pumped until it is clear: nobody notes each time that fluid came.
    clean: signedAfter(async (job) => {
      await job.done(job.nipple({ outflow: 'bubbles' }));
      await pumpedLong(job);
      await job.done(job.nipple('clear'));
    }),
  },
  {
    id: 'M91',
    options: FLUID_ONLY,
    paths: {
      'held and never read': signedAfter(() => Promise.resolve()),
      'read twice while it settles': signedAfter((job) => held(job, [5, 30], [50, 30])),
      'read before the last stroke': signedAfter(async (job) => {
        await held(job, [60, 30], [240, 30]);
        job.pass(60_000);
        for (const kind of ['stroke', 'clear'] as const) await job.done(job.nipple(kind));
      }),
    },
    clean: signedAfter((job) => held(job, [60, 30], [240, 30])),
  },
  {
    id: 'M65',
    options: WITH_ABS,
    paths: {
      'drawn away while the job is open': signedAfter((job) => job.done(job.draw(unitTaken))),
      'drawn away before anything else': async (job) => {
        await job.done(job.draw(unitTaken));
        await job.readyToSign();
        return job.said(job.finish());
      },
    },
    clean: signedAfter(() => Promise.resolve()),
  },
  {
    id: 'M65',
    way: 'a circuit that never had one',
    options: { ...WITH_ABS, draw: unitTaken },
    paths: { 'nobody has said so': signedAfter(() => Promise.resolve()) },
    cleanOptions: { ...WITH_ABS, draw: unitTaken },
    clean: signedAfter(async (job) => {
      for (const { circuit } of (await job.now()).circuits)
        await job.done(job.say('withoutAbs', circuit.id, true));
    }),
  },
  {
    id: 'M67',
    options: FLUID_ONLY,
    paths: {
      'a longer one goes in': signedAfter((job) => screwIn(job, { out_m: 0.032, in_m: 0.036 })),
      'a shorter one goes in, as if it were the old one': signedAfter((job) =>
        screwIn(job, { out_m: 0.036, in_m: 0.032 }, 'refit'),
      ),
      'a new one that nobody has compared': signedAfter((job) => screwIn(job, null)),
      'only one of the two was measured': signedAfter((job) => screwIn(job, { out_m: 0.032, in_m: null })),
      'two were out, and nobody says which is which': signedAfter(async (job) => {
        await screwIn(job, null, 'refit');
        await screwIn(job, null, 'refit');
      }),
    },
    clean: signedAfter(async (job) => {
      await screwIn(job, { out_m: 0.032, in_m: 0.032 });
      await screwIn(job, { out_m: 0.036, in_m: 0.036 }, 'refit');
    }),
  },
  {
    id: 'M68',
    options: FLUID_ONLY,
    paths: {
      'seen to be below': signedAfter(async (job) =>
        job.done(job.say('nippleTop', await nipple(job), false)),
      ),
      'the caliper was off, and nobody has looked': signedAfter(caliperOff),
      'looked at before the caliper came off': signedAfter(async (job) => {
        for (const { id } of nipplesOf(await job.now())) await job.done(job.say('nippleTop', id, true));
        job.pass(60_000);
        await caliperOff(job);
      }),
      'looked at, and taken back': signedAfter(async (job) => {
        await caliperOff(job);
        await job.done(job.say('nippleTop', await nipple(job), true));
        await job.done(job.say('nippleTop', await nipple(job), null));
      }),
      'measured lower than its caliper': signedAfter((job) =>
        job.done(
          job.draw((drawing) => ({
            ...drawing,
            components: drawing.components.map((part) => ({
              ...part,
              ...(part.kind === 'caliper' ? { height_m: 0.4 } : {}),
              ...(part.kind === 'bleedNipple' ? { height_m: 0.35 } : {}),
            })),
          })),
        ),
      ),
    },
    clean: signedAfter(async (job) => {
      await caliperOff(job);
      for (const { id } of nipplesOf(await job.now())) await job.done(job.say('nippleTop', id, true));
    }),
  },
];
