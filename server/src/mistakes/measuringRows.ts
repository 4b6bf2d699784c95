/** Rows of the catalogue about readings, routes and what is done before anything is opened. */
import type { Corner } from '@zephyrcombe/core';
import type { PlayOptions, PlayedJob } from './playedJob.ts';
import type { MistakeRow, Play } from './play.ts';

// Measuring.
export const lengthTaken: Play = async (job) => job.said((await job.measured()).takeLength());
const posesWithout =
  (but: object, datum: object = {}): Play =>
  async (job) =>
    job.said((await job.measured(but, datum)).takeLength());

export const MEASURING: readonly MistakeRow[] = [
  {
    id: 'M01',
    paths: {
      'travel left when it was read': async (job) => {
        await job.looked();
        for (const more of [0, 0.002]) await job.done(job.read(more, { remainingTravel_m: 0.03 }));
        return job.said(job.takeLength(0.06));
      },
      'read clean, then once more with travel left': async (job) => {
        await job.measured();
        await job.done(job.read(0, { remainingTravel_m: 0.03 }));
        return job.said(job.takeLength(0.06));
      },
      'the length taken first, then again': async (job) => {
        await job.lengthTaken();
        await job.done(job.read(0, { remainingTravel_m: 0.03 }));
        return job.said(job.takeLength(0.06));
      },
    },
    clean: lengthTaken,
  },
  {
    id: 'M02',
    paths: {
      'controls not final': posesWithout({ controlsFinal: false }),
      'brackets not in place': posesWithout({ bracketsInPlace: false }),
    },
    clean: lengthTaken,
  },
  {
    id: 'M03',
    paths: {
      'nobody asked the supplier': posesWithout({}, { orderDatum: null }),
      'asked, and taken back': async (job) => {
        await job.lengthTaken();
        await job.done(job.edit({ orderDatum: null }));
        return job.said(job.takeLength());
      },
    },
    clean: lengthTaken,
  },
  {
    id: 'M04',
    paths: {
      'a length that no brake hose has': (job) => job.said(job.read(0, { length_m: 8.5, typed: '8.5 m' })),
    },
    clean: (job) => job.said(job.read()),
  },
  {
    id: 'M05',
    paths: {
      'bump not looked at': posesWithout({ fullBump: false }),
      'ticked, and taken back': async (job) => {
        await job.lengthTaken();
        await job.done(job.edit({ poseChecks: { fullBump: false } }));
        return job.said(job.takeLength());
      },
    },
    clean: lengthTaken,
  },
  {
    id: 'M06',
    paths: {
      'the left lock only': posesWithout({ rightLock: false }),
      'neither lock': posesWithout({ leftLock: false, rightLock: false }),
    },
    clean: lengthTaken,
  },
  {
    id: 'M07',
    options: { like: 'tollan', hose: 'Hose, rear' },
    paths: { 'a live axle, level droop only': posesWithout({ crossedUp: false }) },
    clean: lengthTaken,
  },
  {
    id: 'M08',
    paths: {
      'wire with tight bends': async (job) => {
        await job.looked();
        for (const more of [0, 0.002])
          await job.done(job.read(more, { aid: 'wire', tightBends: { quarters: 2, radius_m: 0.015 } }));
        return job.said(job.takeLength(0.1));
      },
      'wire whose bends nobody counted': async (job) => {
        await job.looked();
        for (const more of [0, 0.002]) await job.done(job.read(more, { aid: 'wire' }));
        return job.said(job.takeLength(0.1));
      },
    },
    clean: lengthTaken,
  },
  {
    id: 'M09',
    paths: {
      'one reading': async (job) => {
        await job.looked();
        await job.done(job.read());
        return job.said(job.takeLength());
      },
      'two, of which one was struck out': async (job) => {
        await job.measured();
        await job.done(job.strike());
        return job.said(job.takeLength());
      },
      'two that are far apart': async (job) => {
        await job.looked();
        for (const more of [0, 0.012]) await job.done(job.read(more));
        return job.said(job.takeLength(0.03));
      },
    },
    clean: lengthTaken,
  },
  {
    id: 'M17',
    paths: {
      'a lift without its droop': async (job) => {
        await job.measured({}, { lift: { height_m: 0.05, droop_m: null } });
        return job.said(job.takeLength(0.08));
      },
    },
    clean: async (job) => {
      await job.measured({}, { lift: { height_m: 0.05, droop_m: 0.04 } });
      return job.said(job.takeLength(0.06));
    },
  },
];
// Routes that were kept with the job are asked about when the hose is specified.
export const PETRELLE: PlayOptions = { like: 'petrelle', hose: 'Left hose' };
const routed =
  (change: (corner: Corner) => Corner, like = 'petrelle'): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.route(like, change));
    return job.said(job.specify());
  };
/** Kept with the vehicle, and nothing of what was judged is kept with the job. */
const routeAlone =
  (change: (corner: Corner) => Corner, like = 'petrelle'): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.keepRoute(like, change);
    return job.said(job.specify());
  };
const ownHose = (change: (hose: Corner['hoses'][number]) => Corner['hoses'][number]) => (corner: Corner) => ({
  ...corner,
  hoses: corner.hoses.map((hose, index) => (index === 0 ? change(hose) : hose)),
});
const nearTo = (nature: Corner['keepOuts'][number]['nature']) => (corner: Corner) => ({
  ...corner,
  keepOuts: corner.keepOuts
    .slice(0, 3)
    .filter((part) => part.nature !== 'moving')
    .slice(0, 1)
    .map((part) => ({ ...part, nature, gap_m: 0.4 })),
});
const withNothingNear = (corner: Corner) => ({ ...corner, keepOuts: [] });
const tiedToTheBars = (corner: Corner) =>
  ownHose((hose) => ({
    ...hose,
    // As supple as no hose is: nothing else stands against it.
    leastRadius_m: 0.004,
    clips: [
      {
        id: 'tie',
        body: 'bars',
        point_m: [
          hose.start.port_m[0] + hose.start.outward[0] * 0.1,
          hose.start.port_m[1] + hose.start.outward[1] * 0.1,
          hose.start.port_m[2] + hose.start.outward[2] * 0.1,
        ],
        along: hose.start.outward,
        at_m: 0.11,
      },
    ],
  }))(withNothingNear(corner));
/** Whoever fits it is told what changed; whoever specifies it anew meets the stop. */
async function fitsOrSpecifies(job: PlayedJob): ReturnType<Play> {
  await job.done(job.offerUp());
  const fitted = job.handTight();
  return (await fitted).body.includes('changedSinceSpecified') ? job.said(job.specify()) : job.said(fitted);
}
const cleanRoute: Play = async (job) => {
  await job.lengthTaken();
  await job.done(job.route('petrelle', withNothingNear));
  return job.said(job.specify());
};

export const ROUTES: readonly MistakeRow[] = [
  {
    id: 'M10',
    options: PETRELLE,
    paths: {
      'a route that bends too tightly': routed((corner) =>
        ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(withNothingNear(corner)),
      ),
      'a tight route of the vehicle that nobody judged for the job': routeAlone((corner) =>
        ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(withNothingNear(corner)),
      ),
      'a good route judged for the job, and a tight one in its place': async (job) => {
        await job.lengthTaken();
        await job.done(job.route('petrelle', withNothingNear));
        await job.changeRoute((corner) => ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(corner));
        return job.said(job.specify());
      },
      'a good route when it was specified, and a tight one before it goes on': async (job) => {
        await job.lengthTaken();
        await job.keepRoute('petrelle', withNothingNear);
        await job.done(job.specify());
        await job.changeRoute((corner) => ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(corner));
        return fitsOrSpecifies(job);
      },
      'specified with no route, and a tight one entered before it goes on': async (job) => {
        await job.lengthTaken();
        await job.done(job.specify());
        await job.keepRoute('petrelle', (corner) =>
          ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(withNothingNear(corner)),
        );
        return fitsOrSpecifies(job);
      },
      'a good route, then a tight one': async (job) => {
        await job.lengthTaken();
        await job.done(job.route('petrelle', withNothingNear));
        await job.done(
          job.route('petrelle', (corner) =>
            ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(withNothingNear(corner)),
          ),
        );
        return job.said(job.specify());
      },
    },
    clean: cleanRoute,
  },
  {
    id: 'M11',
    options: PETRELLE,
    paths: {
      'too short between parts that move': routed((corner) =>
        ownHose((hose) => ({ ...hose, length_m: 0.61 }))(withNothingNear(corner)),
      ),
    },
    clean: cleanRoute,
  },
  {
    id: 'M12',
    options: { like: 'wick', hose: 'Front hose' },
    paths: {
      'tied to the bars of a long fork': routed(tiedToTheBars, 'wick'),
      'the same, judged by nobody, and nothing said of what is on the hose': routeAlone(
        tiedToTheBars,
        'wick',
      ),
    },
    clean: async (job) => {
      await job.lengthTaken();
      await job.done(
        job.route('wick', (corner) => ownHose((hose) => ({ ...hose, clips: [] }))(withNothingNear(corner))),
      );
      return job.said(job.specify());
    },
  },
  {
    id: 'M15',
    options: PETRELLE,
    paths: {
      'a hot part nearer than it may be': routed(nearTo('hot')),
      'the same, judged by nobody': routeAlone(nearTo('hot')),
    },
    clean: cleanRoute,
  },
  {
    id: 'M16',
    options: PETRELLE,
    paths: { 'a frame nearer than it ought to be': routed(nearTo('still')) },
    clean: cleanRoute,
  },
  {
    id: 'M18',
    options: PETRELLE,
    paths: { 'what is serviced is covered': routed(nearTo('service')) },
    clean: cleanRoute,
  },
];

// A donor hose instead of a new one.
const END = { family: 'banjo', neckAngle_rad: 0, thread: 'M10×1.0' } as const;
const donor = (job: PlayedJob, length_m: number) =>
  job.evidence({
    kind: 'donor',
    hoseId: job.hoseId,
    check: {
      need: { needed_m: 0.925, uncertainty_m: 0.003, slack_m: 0.0125, longest_m: null, endA: END, endB: END },
      donor: { length_m, endA: END, endB: END },
    },
  });

export const OPENING: readonly MistakeRow[] = [
  {
    id: 'M13',
    paths: {
      'a donor that is short': async (job) => {
        await job.specified();
        await job.done(donor(job, 0.9));
        await job.done(job.offerUp());
        return job.said(job.handTight());
      },
      'checked after the hoses were offered up': async (job) => {
        await job.specified();
        await job.done(job.offerUp());
        await job.done(donor(job, 0.9));
        return job.said(job.handTight());
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.done(donor(job, 0.96));
      await job.done(job.offerUp());
      return job.said(job.handTight());
    },
  },
  {
    id: 'M14',
    paths: {
      'put on straight away': async (job) => job.said((await job.specified()).handTight()),
      'offered up, and taken back': async (job) => {
        await job.specified();
        await job.done(job.offerUp());
        await job.done(job.stepBack());
        return job.said(job.handTight());
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.done(job.offerUp());
      return job.said(job.handTight());
    },
  },
];
