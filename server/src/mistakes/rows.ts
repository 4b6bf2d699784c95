/**
 * Rows of the mistake catalogue, played as a technician would make them: by every path the API offers to it, and with a clean
 * twin that differs in the one fact. What each call met is judged by the test beside.
 */
import { randomUUID } from 'node:crypto';
import type { HydraulicsEntry } from '@zephyrcombe/contract';
import type { Caution, CautionId, Corner } from '@zephyrcombe/core';
import { exampleBanjo } from '@zephyrcombe/core';
import { cautionDigest } from '@zephyrcombe/workshop';
import { demoId } from '../demo/identity.ts';
import { problemOf } from '../testing/testServer.ts';
import type { PlayedJob, PlayOptions, Said } from './playedJob.ts';

type Play = (job: PlayedJob) => Promise<Said>;

export interface MistakeRow {
  /** Of the catalogue; rows from M102 on are gates without a caution of their own. */
  readonly id: CautionId | 'M106' | 'M107' | 'M108' | 'M109';
  /** Refused by a gate that no reason opens, or until it is done otherwise, whatever the catalogue calls it elsewhere. */
  readonly isBlock?: boolean;
  readonly options?: PlayOptions;
  readonly paths: Readonly<Record<string, Play>>;
  readonly clean: Play;
  /** How the clean twin's vehicle differs, where that is the one fact. */
  readonly cleanOptions?: PlayOptions;
}

type Ports = Partial<HydraulicsEntry['ports'][number]>;
type Joints = Partial<HydraulicsEntry['joints'][number]>;
const withPorts = (port: Ports) => (drawing: HydraulicsEntry) => ({
  ...drawing,
  ports: drawing.ports.map((known) => ({ ...known, ...port })),
});
const withJoints = (joint: Joints) => (drawing: HydraulicsEntry) => ({
  ...drawing,
  joints: drawing.joints.map((known) => ({ ...known, ...joint })),
});

/** The demo's vehicle as it is drawn. */
const AS_DRAWN: PlayOptions = {};
/** Nothing is replaced: the way to the signature is short. */
const FLUID_ONLY: PlayOptions = { isFluidOnly: true };

// Measuring.
const lengthTaken: Play = async (job) => job.said((await job.measured()).takeLength());
const posesWithout =
  (but: object, datum: object = {}): Play =>
  async (job) =>
    job.said((await job.measured(but, datum)).takeLength());

const MEASURING: readonly MistakeRow[] = [
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
const PETRELLE: PlayOptions = { like: 'petrelle', hose: 'Left hose' };
const routed =
  (change: (corner: Corner) => Corner, like = 'petrelle'): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.route(like, change));
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
const cleanRoute: Play = async (job) => {
  await job.lengthTaken();
  await job.done(job.route('petrelle', withNothingNear));
  return job.said(job.specify());
};

const ROUTES: readonly MistakeRow[] = [
  {
    id: 'M10',
    options: PETRELLE,
    paths: {
      'a route that bends too tightly': routed((corner) =>
        ownHose((hose) => ({ ...hose, leastRadius_m: 0.3 }))(withNothingNear(corner)),
      ),
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
      'tied to the bars of a long fork': routed(
        (corner) =>
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
          }))(withNothingNear(corner)),
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
    paths: { 'a hot part nearer than it may be': routed(nearTo('hot')) },
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

const OPENING: readonly MistakeRow[] = [
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
        await job.done(job.job({ fitChecks: { offeredUp: false } }));
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

// Specifying: what is wrong is entered before, with, or after the hose was specified.
const specified: Play = async (job) => job.said((await job.lengthTaken()).specify());
const withHose =
  (body: object): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.edit(body));
    return job.said(job.specify());
  };
const builtAs =
  (change: (build: Awaited<ReturnType<PlayedJob['build']>>) => object): Play =>
  async (job) => {
    await job.lengthTaken();
    const build = await job.build();
    return job.said(job.specify({ build: { ...build, ...change(build) } }));
  };
const withJoint =
  (body: (joint: Awaited<ReturnType<PlayedJob['joint']>>) => object): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.editJoint(body(await job.joint())));
    return job.said(job.specify());
  };
const bolt = (over: object) => (joint: Awaited<ReturnType<PlayedJob['joint']>>) => ({
  bolt: joint.bolt && { ...joint.bolt, ...over },
});

const SPECIFYING: readonly MistakeRow[] = [
  {
    id: 'M19',
    paths: {
      'two angled ends without the angle between them': withHose({
        endA: exampleBanjo(45),
        endB: exampleBanjo(20),
        clocking_rad: null,
      }),
      'said, and taken back': async (job) => {
        await job.lengthTaken();
        const ends = { endA: exampleBanjo(45), endB: exampleBanjo(20) };
        await job.done(job.specify({ ...ends, clocking_rad: 1 }));
        await job.done(job.edit({ clocking_rad: null }));
        return job.said(job.specify());
      },
    },
    clean: withHose({ endA: exampleBanjo(45), endB: exampleBanjo(20), clocking_rad: 1 }),
  },
  {
    id: 'M101',
    paths: {
      'two straight eyes without the angle between them': withHose({
        endA: exampleBanjo(0),
        endB: exampleBanjo(0),
        clocking_rad: null,
      }),
    },
    clean: withHose({ endA: exampleBanjo(0), endB: exampleBanjo(0), clocking_rad: 0 }),
  },
  {
    id: 'M20',
    paths: {
      'another pitch chosen': withJoint(bolt({ thread: 'M10×1.25' })),
      'the port found to be another, after the bolt was chosen': async (job) => {
        await job.lengthTaken();
        await job.done(job.editJoint(bolt({ length_m: 0.0201 })(await job.joint())));
        await job.done(job.draw(withPorts({ thread: 'M10×1.25' })));
        return job.said(job.specify());
      },
    },
    clean: specified,
  },
  {
    id: 'M25',
    paths: {
      'an eye that looks the same': builtAs(({ endB }) => ({ endB: { ...endB, eyeBore_m: 0.0122 } })),
    },
    clean: builtAs(({ endB }) => ({ endB: { ...endB, eyeBore_m: 0.0102 } })),
  },
  {
    id: 'M26',
    paths: {
      'a seat that the end does not seal on': async (job) => {
        await job.lengthTaken();
        await job.done(job.draw(withPorts({ seat: 'invertedFlare' })));
        return job.said(job.specify());
      },
    },
    clean: specified,
  },
  {
    id: 'M27',
    paths: {
      'a locating tab, turned anyhow': async (job) => {
        await job.lengthTaken();
        const build = await job.build();
        return job.said(
          job.specify({ clocking_rad: null, build: { ...build, endA: { ...build.endA, tab: true } } }),
        );
      },
    },
    clean: async (job) => {
      await job.lengthTaken();
      const build = await job.build();
      return job.said(
        job.specify({ clocking_rad: 0, build: { ...build, endA: { ...build.endA, tab: true } } }),
      );
    },
  },
  {
    id: 'M28',
    paths: {
      'built when production changed, not looked': builtAs(() => ({
        split: { builtOn: '2019-05-01', from: '2019-03-01', to: '2019-09-01', looked: false },
      })),
    },
    clean: builtAs(() => ({
      split: { builtOn: '2019-05-01', from: '2019-03-01', to: '2019-09-01', looked: true },
    })),
  },
  {
    id: 'M29',
    paths: { 'a bolt that hardly reaches its thread': withJoint(bolt({ length_m: 0.014 })) },
    clean: specified,
  },
  {
    id: 'M30',
    options: { draw: withPorts({ depth_m: 0.014 }) },
    paths: { 'a bolt that meets the bottom': withJoint(bolt({ length_m: 0.03 })) },
    clean: withJoint(bolt({ length_m: 0.02 })),
  },
  {
    id: 'M31',
    paths: { 'the old bolt worked the stop lamp': withJoint(() => ({ oldIsSwitch: true })) },
    clean: withJoint(({ bolt: own }) => ({
      oldIsSwitch: true,
      bolt: own && { ...own, carries: ['switch'] },
    })),
  },
  {
    id: 'M32',
    paths: {
      'a plain end through a bracket': builtAs(({ endA }) => ({
        endA: { ...endA, bracket: true, knurled: false, supportWasher: false },
      })),
    },
    clean: builtAs(({ endA }) => ({
      endA: { ...endA, bracket: true, knurled: false, supportWasher: true },
    })),
  },
  {
    id: 'M33',
    paths: { 'a clip far too wide': builtAs(withClip(0.02)) },
    clean: builtAs((build) => withClip(build.outside_m - 0.0005)(build)),
  },
  {
    id: 'M36',
    paths: { 'screwed ends for the road': builtAs(() => ({ fixing: 'screwed' })) },
    cleanOptions: { vehicle: { use: 'competition' } },
    clean: builtAs(() => ({ fixing: 'screwed' })),
  },
  {
    id: 'M58',
    paths: {
      'copper washers on aluminium': withJoint(({ washer }) => ({
        washer: washer && { ...washer, material: 'copper' },
      })),
    },
    clean: specified,
  },
];
function withClip(clip_m: number) {
  return ({ along }: Awaited<ReturnType<PlayedJob['build']>>) => ({
    along: [
      ...along,
      {
        id: randomUUID(),
        kind: 'clip',
        from_m: 0.45,
        length_m: 0,
        outside_m: null,
        clip_m,
        note: '',
        because: 'chosen',
      },
    ],
  });
}

// Made up here.
const STEPS: readonly (readonly [string, object])[] = [
  ['cut', { cutFace: 'clean' }],
  ['clean', {}],
  ['nutA', {}],
  ['oliveA', { strandFree: true, short_m: 0 }],
  ['joinA', { lubricant: 'ptfeGrease', gap_m: 0.001 }],
  ['slideOn', {}],
  ['nutB', {}],
  ['oliveB', { strandFree: true, short_m: 0 }],
  ['clock', {}],
  ['joinB', { lubricant: 'ptfeGrease', gap_m: 0.001 }],
  ['measure', { length_m: 0.92 }],
];
async function madeHere(job: PlayedJob, until?: string): Promise<void> {
  await job.lengthTaken();
  await job.done(job.takeOffs());
  await job.done(job.job({ endsConfirmed: true }));
  await job.done(
    job.specify({ clocking_rad: 0, build: { ...(await job.build()), madeHere: true, fixing: 'crimped' } }),
  );
  for (const [kind, facts] of STEPS) {
    if (kind === until) return;
    await job.done(job.step(kind, facts));
  }
}
const makingStep =
  (kind: string, facts: object): Play =>
  async (job) => {
    await madeHere(job, kind);
    return job.said(job.step(kind, facts));
  };

const MAKING: readonly MistakeRow[] = [
  {
    id: 'M37',
    isBlock: true,
    paths: {
      'made up and not proved': async (job) => {
        await madeHere(job);
        await job.done(job.offerUp());
        return job.said(job.handTight());
      },
      'proved, and it leaked': async (job) => {
        await madeHere(job);
        await job.done(job.prove({ tight: false }));
        await job.done(job.offerUp());
        return job.said(job.handTight());
      },
      'with a reason, for what it is worth': async (job) => {
        await madeHere(job);
        await job.done(job.offerUp());
        return job.said(
          job.handTight('A', { overrides: [{ caution: 'M37', reason: 'It has always held.' }] }),
        );
      },
    },
    clean: async (job) => {
      await madeHere(job);
      await job.done(job.prove());
      await job.done(job.step('dry'));
      await job.done(job.offerUp());
      return job.said(job.handTight());
    },
  },
  {
    id: 'M38',
    paths: {
      'the olive before the nut': async (job) => {
        await madeHere(job, 'nutB');
        return job.said(job.step('oliveB', { strandFree: true, short_m: 0 }));
      },
    },
    clean: makingStep('oliveB', { strandFree: true, short_m: 0 }),
  },
  {
    id: 'M39',
    paths: { 'a strand inside': makingStep('oliveA', { strandFree: false, short_m: 0 }) },
    clean: makingStep('oliveA', { strandFree: true, short_m: 0 }),
  },
  {
    id: 'M40',
    paths: { 'the tube not home': makingStep('oliveA', { strandFree: true, short_m: 0.002 }) },
    clean: makingStep('oliveA', { strandFree: true, short_m: 0 }),
  },
  {
    id: 'M41',
    paths: { 'threads left dry': makingStep('joinA', { lubricant: 'none', gap_m: 0.001 }) },
    clean: makingStep('joinA', { lubricant: 'ptfeGrease', gap_m: 0.001 }),
  },
  {
    id: 'M42',
    paths: {
      'turned to the stop': makingStep('joinA', { lubricant: 'ptfeGrease', gap_m: 0 }),
      'not turned far enough': makingStep('joinA', { lubricant: 'ptfeGrease', gap_m: 0.004 }),
    },
    clean: makingStep('joinA', { lubricant: 'ptfeGrease', gap_m: 0.001 }),
  },
  {
    id: 'M43',
    isBlock: true,
    paths: { 'a cut that splays': makingStep('cut', { cutFace: 'ragged' }) },
    clean: makingStep('cut', { cutFace: 'clean' }),
  },
  {
    id: 'M104',
    paths: {
      'capped with the water in it': async (job) => {
        await madeHere(job);
        await job.done(job.prove());
        return job.said(job.step('cap'));
      },
    },
    clean: async (job) => {
      await madeHere(job);
      await job.done(job.prove());
      await job.done(job.step('dry'));
      return job.said(job.step('cap'));
    },
  },
];

// A hard line that was made and kept with the job is asked about when it is signed off.
const lineOf =
  (build: object, checks: object = {}): Play =>
  async (job) => {
    await job.readyToSign();
    await job.done(job.hardLine(build, checks));
    return job.said(job.finish());
  };
const soundLine = lineOf({});
const madeAnew: Play = async (job) => {
  await job.readyToSign();
  await job.done(job.hardLine({}, { looksB: 'cracked' }));
  await job.done(job.hardLine());
  return job.said(job.finish());
};

const LINES: readonly MistakeRow[] = [
  { id: 'M44', options: FLUID_ONLY, paths: { 'cut short': lineOf({}, { cutAs_m: 0.2 }) }, clean: soundLine },
  { id: 'M45', options: FLUID_ONLY, paths: { 'a nut left off': lineOf({}, { nuts: 1 }) }, clean: soundLine },
  {
    id: 'M46',
    options: FLUID_ONLY,
    paths: { 'a single flare': lineOf({ formA: 'singleFlare' }) },
    clean: soundLine,
  },
  {
    id: 'M47',
    options: FLUID_ONLY,
    paths: { 'plain copper': lineOf({ material: 'copper' }) },
    clean: soundLine,
  },
  {
    id: 'M48',
    options: FLUID_ONLY,
    paths: { 'steel bent back': lineOf({ material: 'coatedSteel' }, { bentBack: [0] }) },
    clean: lineOf({ material: 'coatedSteel' }),
  },
  {
    id: 'M49',
    options: FLUID_ONLY,
    paths: { 'a cracked flare': lineOf({}, { looksB: 'cracked' }) },
    clean: madeAnew,
  },
];

// Tightening.
const tightened =
  (over: object): Play =>
  async (job) => {
    await job.specified();
    await job.fitted();
    return job.said(job.torque('A', over));
  };
const wellTightened = tightened({});
const capped =
  (out: number): Play =>
  async (job) => {
    await job.specified();
    await job.fitted();
    await job.done(job.edit({ plugs: { A: { put: 1, out }, B: { put: 1, out: 1 } } }));
    return job.said(job.torque());
  };
/** The large wrench: for figures over what the small ones hold. */
const WHEEL = { wrenchId: demoId('wheel-110') } as const;
const STEEL = { minimum_Nm: 26, maximum_Nm: 32, source: 'vehicleMaker', forBolt: 'steel' } as const;

const TIGHTENING: readonly MistakeRow[] = [
  {
    id: 'M35',
    paths: {
      'a plug still in': capped(0),
      'counted out, and one found in the bore at the signature': async (job) => {
        await job.readyToSign();
        await job.done(job.edit({ plugs: { A: { put: 1, out: 0 }, B: { put: 1, out: 1 } } }));
        return job.said(job.finish());
      },
    },
    clean: capped(1),
  },
  {
    id: 'M57',
    paths: {
      'a washer short': tightened({ freshWashers: 1 }),
      'none counted': tightened({ freshWashers: 0 }),
    },
    clean: wellTightened,
  },
  {
    id: 'M70',
    paths: {
      'the vehicle’s figure on another bolt': async (job) => {
        await job.lengthTaken();
        await job.done(job.draw(withJoints({ torque: STEEL })));
        return job.said(job.specify());
      },
      'the figure entered after the hose was specified': async (job) => {
        await job.specified();
        await job.done(job.draw(withJoints({ torque: STEEL })));
        await job.fitted();
        return job.said(job.torque('A', WHEEL));
      },
    },
    clean: async (job) => {
      await job.lengthTaken();
      await job.done(job.draw(withJoints({ torque: { ...STEEL, forBolt: 'aluminium' } })));
      return job.said(job.specify());
    },
  },
  {
    id: 'M71',
    paths: { 'over the limit': tightened({ torque_Nm: 24, typed: '24 N·m' }) },
    clean: wellTightened,
  },
  {
    id: 'M72',
    paths: { 'a wrench far too large': tightened(WHEEL) },
    clean: wellTightened,
  },
  {
    id: 'M74',
    options: {
      draw: withJoints({ torque: { minimum_Nm: 18, maximum_Nm: 21, source: null, forBolt: null } }),
    },
    paths: { 'a figure without a source': tightened({}) },
    cleanOptions: AS_DRAWN,
    clean: wellTightened,
  },
  {
    id: 'M99',
    paths: { 'not let settle': tightened({ settled: false }) },
    clean: wellTightened,
  },
];

// Filling, bleeding, handing over.
const signed =
  (fluid: object, over: object = {}): Play =>
  async (job) => {
    await job.readyToSign();
    return job.said(job.finish(fluid, over));
  };
const wellSigned = signed({});
const signedWithout =
  (check: string): Play =>
  async (job) => {
    await job.readyToSign();
    await job.done(job.job({ handoverChecks: { [check]: false } }));
    return job.said(job.finish());
  };
const pumpedDry =
  (at: number, clearAt: number, topUp: boolean): Play =>
  async (job) => {
    const { circuits } = await job.now();
    const all = circuits.length > 1 || clearAt === at;
    if (!all) throw new Error('one circuit only');
    for (let stroke = 0; stroke < 40; stroke += 1) await job.done(job.nipple('stroke', at));
    if (topUp) await job.done(job.nipple('topUp', at));
    if (clearAt !== at) await job.done(job.nipple('stroke', clearAt));
    return job.said(job.nipple('clear', clearAt));
  };
const bothCircuits =
  (play: Play): Play =>
  async (job) => {
    const { id } = await job.circuit();
    const others = await job.circuitIds();
    await job.done(job.setScope({ circuitIds: others.filter((one) => one !== id), hoseIds: [job.hoseId] }));
    return play(job);
  };

const FLUID: readonly MistakeRow[] = [
  {
    id: 'M50',
    options: FLUID_ONLY,
    paths: { 'clear on an empty reservoir': pumpedDry(0, 0, false) },
    isBlock: true,
    clean: pumpedDry(0, 0, true),
  },
  {
    id: 'M106',
    options: { like: 'tollan' },
    isBlock: true,
    paths: {
      'the reservoir pumped dry at the other circuit': bothCircuits(pumpedDry(0, 2, false)),
    },
    clean: bothCircuits(pumpedDry(0, 2, true)),
  },
  {
    id: 'M75',
    options: FLUID_ONLY,
    paths: { 'a lower grade': signed({ grade: 'DOT 3' }), silicone: signed({ grade: 'DOT 5' }) },
    clean: wellSigned,
  },
  {
    id: 'M76',
    options: FLUID_ONLY,
    paths: { '5.1 taken for silicone': signed({ grade: 'DOT 5.1' }) },
    clean: wellSigned,
  },
  {
    id: 'M77',
    options: FLUID_ONLY,
    paths: { 'mineral oil': signed({ grade: 'mineral oil' }) },
    clean: wellSigned,
  },
  {
    id: 'M78',
    options: FLUID_ONLY,
    paths: { 'an old bottle': signed({ bottleOpenedOn: '2025-01-01' }) },
    clean: wellSigned,
  },
  {
    id: 'M79',
    options: FLUID_ONLY,
    isBlock: true,
    paths: { 'level not looked at': signedWithout('levelAtMark') },
    clean: wellSigned,
  },
  {
    id: 'M94',
    options: FLUID_ONLY,
    paths: { 'a lamp on': signedWithout('warningLampOff') },
    clean: wellSigned,
  },
  {
    id: 'M95',
    options: FLUID_ONLY,
    paths: { 'stop lamp untested': signedWithout('stopLamp') },
    clean: wellSigned,
  },
  {
    id: 'M96',
    options: FLUID_ONLY,
    paths: {
      'no batch': signed({ batch: '' }),
      'no quantity': signed({ quantity_m3: null }),
      'no distance': signed({}, { distance_m: null, distanceTyped: '' }),
    },
    clean: wellSigned,
  },
  {
    id: 'M97',
    isBlock: true,
    options: PETRELLE,
    paths: {
      'a cracked hose left on': async (job) => {
        await job.readyToSign();
        await job.done(job.find('cracked', await job.otherHose()));
        return job.said(job.finish());
      },
    },
    clean: async (job) => {
      await job.readyToSign();
      await job.done(job.find('cracked', job.hoseId));
      return job.said(job.finish());
    },
  },
];

// What was approved stays true or is opened again.
const changedThen =
  (change: (job: PlayedJob) => Promise<unknown>): Play =>
  async (job) => {
    await job.specified();
    await job.done(job.offerUp());
    await change(job);
    return job.said(job.handTight());
  };
const nothingChanged: Play = async (job) => {
  await job.specified();
  await job.done(job.offerUp());
  return job.said(job.handTight());
};
const boxDecided =
  (decided: object): Play =>
  async (job) => {
    await job.specified({ clocking_rad: 0 });
    const { order_m, endA, endB } = await job.hose();
    const end = ({ neckAngle_rad }: { readonly neckAngle_rad: number }) => ({
      family: 'banjo',
      neckAngle_rad,
      eyeBore_m: 0.0102,
      thread: null,
    });
    await job.done(
      job.kit(
        {
          length_m: order_m,
          endA: end(endA),
          endB: end(endB),
          clocking_rad: 0,
          bolts: 2,
          washers: 4,
          marking: 'SAE J1401',
          dateCode: '2026-10',
          boreClear: true,
        },
        decided,
      ),
    );
    await job.done(job.job({ endsConfirmed: true }));
    return job.said(job.offerUp());
  };

const APPROVALS: readonly MistakeRow[] = [
  {
    id: 'M107',
    isBlock: true,
    paths: {
      'another bolt': changedThen(async (job) =>
        job.done(job.editJoint(bolt({ length_m: 0.024 })(await job.joint()))),
      ),
      'another port': changedThen((job) => job.done(job.draw(withPorts({ thread: 'M10×1.25' })))),
      'another angle between the ends': changedThen((job) => job.done(job.edit({ clocking_rad: 2 }))),
      'another build': changedThen(async (job) => {
        const build = await job.build();
        return job.done(job.edit({ build: { ...build, cover: 'coloured' } }));
      }),
      'another datum': changedThen((job) => job.done(job.edit({ orderDatum: BETWEEN_FERRULES }))),
      'another length': changedThen((job) => job.done(job.takeLength(0.03))),
      'a pose unticked since the length was taken': async (job) => {
        await job.specified();
        await job.done(job.edit({ poseChecks: { leftLock: false } }));
        return job.said(job.specify());
      },
      'another washer since the torque, specified anew and signed': async (job) => {
        await job.readyToSign();
        await job.done(job.editJoint({ washer: { material: 'aluminium', thickness_m: 0.0011 } }));
        await job.done(job.specify());
        return job.said(job.finish());
      },
      'another bolt, at the signature': async (job) => {
        await job.readyToSign();
        await job.done(job.editJoint(bolt({ length_m: 0.024 })(await job.joint())));
        return job.said(job.finish());
      },
    },
    clean: nothingChanged,
  },
  {
    id: 'M108',
    isBlock: true,
    paths: {
      'another length since the quote': async (job) => {
        await job.specified();
        await job.done(job.supplier('quote'));
        await job.done(job.takeLength(0.03));
        await job.done(job.specify());
        return job.said(job.supplier('order'));
      },
      'another datum since the quote': async (job) => {
        await job.lengthTaken();
        await job.done(job.takeOffs());
        await job.done(job.job({ endsConfirmed: true }));
        await job.done(job.specify());
        await job.done(job.supplier('quote'));
        await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
        await job.done(job.specify());
        return job.said(job.supplier('order'));
      },
      'another bend since the quote': async (job) => {
        await job.specified();
        await job.done(job.supplier('quote'));
        await job.done(job.specify({ endA: exampleBanjo(45), clocking_rad: 1 }));
        return job.said(job.supplier('order'));
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.done(job.supplier('quote'));
      return job.said(job.supplier('order'));
    },
  },
  {
    id: 'M109',
    isBlock: true,
    paths: { 'a box that goes back': boxDecided({ verdict: 'return', because: 'It goes back' }) },
    clean: boxDecided({ verdict: 'accept', because: '' }),
  },
];

// What is assumed.
const ASSUMED: Ports = {
  known: {
    thread: { how: 'assumed', origin: 'pattern' },
    seat: { how: 'assumed', origin: 'oldPart' },
  },
};
const BETWEEN_FERRULES = { endA: 'ferruleFace', endB: 'ferruleFace' };
const KNOWINGLY = [{ caution: 'M102' as const, reason: 'The same pump as on the sister vehicle.' }];
/** Each port is assumed for a reason of its own. */
async function assumedKnowingly(job: PlayedJob): Promise<void> {
  await job.lengthTaken();
  await job.done(job.job({ endsConfirmed: true }));
  const stops = problemOf(await job.specify()).cautions ?? [];
  const overrides = stops.map((caution) => ({
    ...KNOWINGLY[0],
    evidence: cautionDigest(caution as Caution),
  }));
  await job.done(job.specify({ overrides }));
  await job.done(job.offerUp());
}
const KNOWING: readonly MistakeRow[] = [
  {
    id: 'M102',
    options: { draw: withPorts(ASSUMED) },
    cleanOptions: AS_DRAWN,
    paths: {
      'specified by the pattern’s ports': specified,
      'one reason for both ports': async (job) => {
        await job.lengthTaken();
        return job.said(job.specify({ overrides: KNOWINGLY }));
      },
      'assumed for a reason, and joined without a look into the port': async (job) => {
        await assumedKnowingly(job);
        return job.said(job.handTight());
      },
      'seen at one end only, and joined at the other': async (job) => {
        await assumedKnowingly(job);
        await job.done(job.seePort('A'));
        await job.done(job.handTight('A'));
        return job.said(job.handTight('B'));
      },
      'seen, and said to be assumed after it was specified': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.specified();
        await job.done(job.offerUp());
        await job.done(job.draw(withPorts(ASSUMED)));
        return job.said(job.handTight());
      },
      'nobody said how it is known': async (job) => {
        await job.done(job.draw(withPorts({ known: {} })));
        return job.said((await job.lengthTaken()).specify());
      },
      'a length between the ferrules on our example’s take-offs': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        await job.done(job.takeOffs('example'));
        await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
        return job.said(job.specify());
      },
      'vouched for, and another bend of our example taken after': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        await job.done(job.takeOffs());
        await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
        await job.done(job.edit({ endA: exampleBanjo(45), clocking_rad: 1 }));
        return job.said(job.specify());
      },
      'cut and made up here by our example': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        await job.done(job.takeOffs('example'));
        const build = await job.build();
        return job.said(job.specify({ build: { ...build, madeHere: true, fixing: 'crimped' } }));
      },
    },
    clean: async (job) => {
      for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
      await job.lengthTaken();
      await job.done(job.takeOffs());
      await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
      await job.done(job.job({ endsConfirmed: true }));
      await job.done(job.specify());
      await job.done(job.offerUp());
      return job.said(job.handTight());
    },
  },
];

export const ROWS: readonly MistakeRow[] = [
  ...MEASURING,
  ...ROUTES,
  ...OPENING,
  ...SPECIFYING,
  ...MAKING,
  ...LINES,
  ...TIGHTENING,
  ...FLUID,
  ...APPROVALS,
  ...KNOWING,
];

/** Tools of the bench that no job asks: what they say is tested where they stand. */
export const ON_THE_BENCH: Readonly<Partial<Record<CautionId, string>>> = {
  M21: 'thread finder',
  M22: 'thread finder',
  M23: 'thread finder',
  M24: 'thread finder',
  M34: 'wrenches for a hexagon',
};
