/** Rows about bleeding itself: air that went in, the order, the way, pads, the ABS unit, ignition, seized nipples, joints cracked. */
import type { HydraulicsEntry, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { MistakeRow, Play } from './play.ts';
import { FLUID_ONLY } from './play.ts';
import type { PlayedJob, PlayOptions } from './playedJob.ts';

const WITH_ABS: PlayOptions = { ...FLUID_ONLY, like: 'calder' };
const TWO_WHEELS: PlayOptions = { ...FLUID_ONLY, like: 'petrelle' };

/** Signed after something was done with the job that is ready. */
const signedAfter =
  (act: (job: PlayedJob) => Promise<unknown>): Play =>
  async (job) => {
    await job.readyToSign();
    await act(job);
    return job.said(job.finish());
  };
const all = async (job: PlayedJob, ...kinds: readonly Parameters<PlayedJob['nipple']>[0][]) => {
  for (const kind of kinds) await job.done(job.nipple(kind));
};
const strokes = (many: number) => Array.from({ length: many }, () => 'stroke' as const);

/** The reservoir kept full all the while: so many strokes, or times five millilitres. */
const pumped = (many: number) => Array.from({ length: many }, () => ['topUp', 'stroke'] as const).flat();
const caught = (many: number) =>
  Array.from({ length: many }, () => ['topUp' as const, { volume_m3: 5e-6 }] as const).flat();

/** Said of each circuit of the job. */
const ofCircuits = async (job: PlayedJob, kind: string, value: unknown) => {
  for (const { circuit } of (await job.now()).circuits) await job.done(job.say(kind, circuit.id, value));
};
const way = (over: object = {}) => ({
  method: 'pump',
  pressure_Pa: null,
  releases: null,
  lid: null,
  ...over,
});
const caliper = async (job: PlayedJob): Promise<string> =>
  partsOf(await job.now()).components.find(({ kind }) => kind === 'caliper')?.id ?? '';
const firstNipple = async (job: PlayedJob): Promise<string> => nipplesOf(await job.now())[0]?.id ?? '';

const SUCKED = way({ method: 'vacuum' });
const PRESSED = (bar: number) => way({ method: 'pressure', pressure_Pa: bar * 1e5 });

/** A reservoir that two strokes empty. */
const smallReservoir = (drawing: HydraulicsEntry): HydraulicsEntry => ({
  ...drawing,
  components: drawing.components.map((part) =>
    part.kind === 'master'
      ? { ...part, masterBore_m: 0.03, leverStroke_m: 0.2, leverRatio: 4 }
      : part.kind === 'reservoir'
        ? { ...part, usable_m3: 8e-5 }
        : part,
  ),
});
const SMALL = { draw: smallReservoir };

/** The nipples bled anew in this order, by the places that they have in the job. */
const clearedInOrder = async (job: PlayedJob, order: readonly number[]) => {
  for (const at of order)
    for (const kind of ['stroke', 'clear'] as const) await job.done(job.nipple(kind, at));
};
const byPath = (detail: JobDetail) => nipplesOf(detail).map(({ id }) => id);

export const BLEEDING: readonly MistakeRow[] = [
  {
    id: 'M81',
    isBlock: true,
    options: TWO_WHEELS,
    paths: {
      'called clear right after': async (job) => {
        await all(job, 'stroke', 'drewBack');
        return job.said(job.nipple('clear'));
      },
      'after it was clear, and signed': signedAfter((job) => all(job, 'drewBack')),
      'said, and taken back': async (job) => {
        await all(job, 'stroke', 'drewBack');
        return job.said(job.undoAt());
      },
      'two strokes after it': async (job) => {
        await all(job, 'drewBack', ...strokes(2));
        return job.said(job.nipple('clear'));
      },
      'strokes at another nipple': async (job) => {
        await all(job, 'drewBack');
        for (let stroke = 0; stroke < 4; stroke += 1) await job.done(job.nipple('stroke', 1));
        return job.said(job.nipple('clear'));
      },
      'the reservoir topped up in between': async (job) => {
        await all(job, 'drewBack', 'topUp', 'stroke');
        return job.said(job.nipple('clear'));
      },
    },
    cleanOptions: TWO_WHEELS,
    clean: async (job) => {
      await all(job, 'stroke', 'drewBack', ...strokes(3));
      return job.said(job.nipple('clear'));
    },
  },
  {
    id: 'M80',
    isBlock: true,
    options: FLUID_ONLY,
    paths: {
      'suction off with the nipple open': async (job) => {
        await ofCircuits(job, 'bleedWay', SUCKED);
        await all(job, ...caught(2), 'drewBack');
        return job.said(job.nipple('clear'));
      },
      'a little drawn after it': async (job) => {
        await ofCircuits(job, 'bleedWay', SUCKED);
        await all(job, 'drewBack', ...caught(3));
        return job.said(job.nipple('clear'));
      },
    },
    clean: async (job) => {
      await ofCircuits(job, 'bleedWay', SUCKED);
      await all(job, 'drewBack', ...caught(5));
      return job.said(job.nipple('clear'));
    },
  },
  {
    id: 'M50',
    way: 'air behind the master',
    isBlock: true,
    options: FLUID_ONLY,
    paths: {
      'seen to be dry, topped up, and called clear': async (job) => {
        await all(job, 'stroke', 'ranDry', 'topUp', 'stroke');
        return job.said(job.nipple('clear'));
      },
      'after it was clear, and signed': signedAfter((job) => all(job, 'ranDry', 'topUp')),
      'pumped on, and never topped up': async (job) => {
        await all(job, 'ranDry', ...strokes(10));
        return job.said(job.nipple('clear'));
      },
      'strokes and what was caught, together more than it holds': async (job) => {
        await all(job, 'topUp');
        const { strokesBeforeMinimum } = await job.reservoir();
        await all(job, ...strokes(strokesBeforeMinimum), { volume_m3: 5e-6 }, 'topUp', 'stroke');
        return job.said(job.nipple('clear'));
      },
      'caught more than it holds': async (job) => {
        await ofCircuits(job, 'bleedWay', SUCKED);
        await all(job, { volume_m3: 1e-3 }, 'topUp');
        return job.said(job.nipple('clear'));
      },
    },
    cleanOptions: FLUID_ONLY,
    clean: async (job) => {
      await all(job, 'ranDry', ...pumped(6));
      return job.said(job.nipple('clear'));
    },
  },
  {
    id: 'M82',
    options: TWO_WHEELS,
    paths: {
      'the nearest first': signedAfter(async (job) => clearedInOrder(job, await nearestFirst(job))),
      'one of them bled again at the end': signedAfter(async (job) => {
        const [nearest, ...others] = await nearestFirst(job);
        await clearedInOrder(job, [nearest ?? 0, ...others].toReversed());
        const far = others.at(-1) ?? 0;
        await clearedInOrder(job, [far]);
      }),
      'as it is taught, and the maker wants it otherwise': signedAfter(async (job) => {
        const near = await nearestFirst(job);
        const ids = byPath(await job.now());
        const maker = near.map((at) => ids[at] ?? '');
        await job.done(job.say('nippleOrder', (await job.now()).vehicle.id, maker));
      }),
    },
    clean: signedAfter(async (job) => {
      // The maker's order, and bled in it.
      const near = await nearestFirst(job);
      const ids = byPath(await job.now());
      await job.done(
        job.say(
          'nippleOrder',
          (await job.now()).vehicle.id,
          near.map((at) => ids[at] ?? ''),
        ),
      );
      await clearedInOrder(job, near);
    }),
  },
  {
    id: 'M83',
    options: FLUID_ONLY,
    paths: {
      'two bar at the reservoir': signedAfter((job) => ofCircuits(job, 'bleedWay', PRESSED(2))),
      'put right after it was used': signedAfter(async (job) => {
        await ofCircuits(job, 'bleedWay', PRESSED(2));
        await all(job, ...caught(1), 'clear');
        await ofCircuits(job, 'bleedWay', PRESSED(1));
      }),
      'another way said after it was used': signedAfter(async (job) => {
        await ofCircuits(job, 'bleedWay', PRESSED(2));
        await all(job, ...caught(1), 'clear');
        await ofCircuits(job, 'bleedWay', way());
      }),
    },
    // Mistyped, and put right before anything moved.
    clean: signedAfter(async (job) => {
      await ofCircuits(job, 'bleedWay', PRESSED(10));
      await ofCircuits(job, 'bleedWay', PRESSED(1));
      await all(job, ...caught(1), 'clear');
    }),
  },
  {
    id: 'M84',
    options: FLUID_ONLY,
    paths: {
      'quick releases, lid off': signedAfter((job) =>
        ofCircuits(job, 'bleedWay', way({ releases: 'quick', lid: 'off' })),
      ),
      'the lid laid on after it was used': signedAfter(async (job) => {
        await ofCircuits(job, 'bleedWay', way({ releases: 'quick', lid: 'off' }));
        await all(job, 'stroke', 'clear');
        await ofCircuits(job, 'bleedWay', way({ releases: 'quick', lid: 'loose' }));
      }),
    },
    clean: signedAfter((job) => ofCircuits(job, 'bleedWay', way({ releases: 'quick', lid: 'loose' }))),
  },
  {
    id: 'M86',
    options: FLUID_ONLY,
    paths: {
      'fluid on the pads': signedAfter(async (job) =>
        job.done(job.say('padsWet', await caliper(job), 'wet')),
      ),
      'cleaned, and on again': signedAfter(async (job) => {
        for (const said of ['wet', 'cleaned']) await job.done(job.say('padsWet', await caliper(job), said));
      }),
      'taken back': signedAfter(async (job) => {
        for (const said of ['wet', null]) await job.done(job.say('padsWet', await caliper(job), said));
      }),
      'wet again after they were replaced': signedAfter(async (job) => {
        for (const said of ['wet', 'renewed', 'wet'])
          await job.done(job.say('padsWet', await caliper(job), said));
      }),
    },
    clean: signedAfter(async (job) => {
      for (const said of ['wet', 'cleaned', 'renewed'])
        await job.done(job.say('padsWet', await caliper(job), said));
    }),
  },
  {
    id: 'M89',
    options: { ...WITH_ABS, ...SMALL },
    cleanOptions: { ...WITH_ABS, ...SMALL },
    paths: {
      'seen to be dry': signedAfter(async (job) => {
        await all(job, 'ranDry', 'topUp');
        await bledAnew(job);
      }),
      'pumped below its minimum, and topped up': signedAfter(async (job) => {
        await all(job, 'topUp', ...strokes(4), 'topUp');
        await bledAnew(job);
      }),
      'cycled before it ran dry': signedAfter(async (job) => {
        await ofCircuits(job, 'absCycled', {});
        await all(job, 'ranDry', 'topUp');
        await bledAnew(job);
      }),
      'cycled, and not flushed after it': signedAfter(async (job) => {
        await all(job, 'ranDry', 'topUp');
        await bledAnew(job);
        await ofCircuits(job, 'absCycled', {});
      }),
    },
    clean: signedAfter(async (job) => {
      await all(job, 'ranDry', 'topUp');
      await ofCircuits(job, 'absCycled', {});
      await bledAnew(job);
    }),
  },
  {
    id: 'M90',
    options: { ...FLUID_ONLY, vehicle: { electricBooster: true } },
    cleanOptions: { ...FLUID_ONLY, vehicle: { electricBooster: true } },
    paths: {
      'nobody has looked it up': signedAfter(() => Promise.resolve()),
      'off, and the maker asks for on': signedAfter((job) => ignitionAt(job, 'on', 'off')),
      'looked up, and nobody says how it was': signedAfter((job) => ignitionAt(job, 'on', null)),
    },
    clean: signedAfter((job) => ignitionAt(job, 'on', 'on')),
  },
  {
    id: 'M93',
    isBlock: true,
    options: FLUID_ONLY,
    paths: {
      'nobody was told': signedAfter((job) =>
        job.done(job.job({ handoverChecks: { firstStopsTold: false } })),
      ),
    },
    clean: signedAfter(() => Promise.resolve()),
  },
  {
    id: 'M103',
    isBlock: true,
    paths: {
      'a banjo cracked to let air out, after everything was signed for': signedAfter(async (job) => {
        await job.done(job.steps([{ kind: 'crack', joint: (await job.joint()).jointId }]));
      }),
      'cracked, and seen dry again': signedAfter(async (job) => {
        await job.done(job.steps([{ kind: 'crack', joint: (await job.joint()).jointId }]));
        const dry = await job.editJoint({ leakChecked: true });
        if (dry.statusCode === 200) throw new Error('a cracked joint was seen dry');
      }),
    },
    clean: signedAfter(() => Promise.resolve()),
  },
  {
    id: 'M110',
    options: FLUID_ONLY,
    paths: {
      forced: signedAfter(async (job) =>
        job.done(job.say('nippleSeized', await firstNipple(job), { freed: 'forced' })),
      ),
      'forced, and called soaked afterwards': signedAfter(async (job) => {
        for (const freed of ['forced', 'soaked'])
          await job.done(job.say('nippleSeized', await firstNipple(job), { freed }));
      }),
      'forced, and taken back': signedAfter(async (job) => {
        for (const said of [{ freed: 'forced' }, null])
          await job.done(job.say('nippleSeized', await firstNipple(job), said));
      }),
      'nobody says how': signedAfter(async (job) =>
        job.done(job.say('nippleSeized', await firstNipple(job), { freed: null })),
      ),
    },
    clean: signedAfter(async (job) =>
      job.done(job.say('nippleSeized', await firstNipple(job), { freed: 'soaked' })),
    ),
  },
];

async function ignitionAt(job: PlayedJob, asked: 'on' | 'off', was: 'on' | 'off' | null): Promise<void> {
  for (const { id } of nipplesOf(await job.now())) {
    await job.done(job.say('ignitionAsked', id, asked));
    await job.done(job.say('ignition', id, was));
  }
}

/** Every nipple, with so many strokes that the whole line went through, and called clear. */
async function bledAnew(job: PlayedJob): Promise<void> {
  for (const at of await farthestFirst(job)) {
    for (let stroke = 0; stroke < 3; stroke += 1)
      for (const kind of ['topUp', 'stroke'] as const) await job.done(job.nipple(kind, at));
    await job.done(job.nipple('clear', at));
  }
}

const farthestFirst = async (job: PlayedJob): Promise<readonly number[]> => job.bleedingOrder();
const nearestFirst = async (job: PlayedJob): Promise<readonly number[]> =>
  (await job.bleedingOrder()).toReversed();
