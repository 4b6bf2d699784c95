/** Rows about what is specified. */
import { randomUUID } from 'node:crypto';
import { exampleBanjo } from '@zephyrcombe/core';
import type { PlayedJob } from './playedJob.ts';
import type { MistakeRow } from './play.ts';
import { bolt, builtAs, specified, withHose, withJoint, withPorts } from './play.ts';

export const SPECIFYING: readonly MistakeRow[] = [
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
    paths: {
      'a clip far too wide': builtAs((build) => ({ ...withClip(0.02)(build), outsideFrom: 'measured' })),
    },
    clean: builtAs((build) => ({
      ...withClip(build.outside_m - 0.0005)(build),
      outsideFrom: 'measured',
    })),
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
export function withClip(clip_m: number) {
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
