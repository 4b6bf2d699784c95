/** What the rows of the catalogue share: a play, and the ways to begin one. */
import type { HydraulicsEntry } from '@zephyrcombe/contract';
import type { CautionId } from '@zephyrcombe/core';
import type { PlayOptions, PlayedJob, Said } from './playedJob.ts';

export type Play = (job: PlayedJob) => Promise<Said>;

export interface MistakeRow {
  /** Of the catalogue; some are gates without a caution of their own. */
  readonly id:
    | CautionId
    | 'M51'
    | 'M54'
    | 'M55'
    | 'M56'
    | 'M60'
    | 'M61'
    | 'M103'
    | 'M106'
    | 'M107'
    | 'M108'
    | 'M109'
    | 'M111';
  /** Where a row is met in another way as well, and has two entries. */
  readonly way?: string;
  /** Refused by a gate that no reason opens, or until it is done otherwise, whatever the catalogue calls it elsewhere. */
  readonly isBlock?: boolean;
  readonly options?: PlayOptions;
  readonly paths: Readonly<Record<string, Play>>;
  readonly clean: Play;
  /** How the clean twin's vehicle differs, where that is the one fact. */
  readonly cleanOptions?: PlayOptions;
}

export type Ports = Partial<HydraulicsEntry['ports'][number]>;
type Joints = Partial<HydraulicsEntry['joints'][number]>;
export const withPorts = (port: Ports) => (drawing: HydraulicsEntry) => ({
  ...drawing,
  ports: drawing.ports.map((known) => ({ ...known, ...port })),
});
export const withJoints = (joint: Joints) => (drawing: HydraulicsEntry) => ({
  ...drawing,
  joints: drawing.joints.map((known) => ({ ...known, ...joint })),
});

/** The demo's vehicle as it is drawn. */
export const AS_DRAWN: PlayOptions = {};
/** Nothing is replaced: the way to the signature is short. */
export const FLUID_ONLY: PlayOptions = { isFluidOnly: true };

// Specifying: what is wrong is entered before, with, or after the hose was specified.
export const specified: Play = async (job) => job.said((await job.lengthTaken()).specify());
export const withHose =
  (body: object): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.edit(body));
    return job.said(job.specify());
  };
export const builtAs =
  (change: (build: Awaited<ReturnType<PlayedJob['build']>>) => object): Play =>
  async (job) => {
    await job.lengthTaken();
    const build = await job.build();
    return job.said(job.specify({ build: { ...build, ...change(build) } }));
  };
export const withJoint =
  (body: (joint: Awaited<ReturnType<PlayedJob['joint']>>) => object): Play =>
  async (job) => {
    await job.lengthTaken();
    await job.done(job.editJoint(body(await job.joint())));
    return job.said(job.specify());
  };
export const bolt = (over: object) => (joint: Awaited<ReturnType<PlayedJob['joint']>>) => ({
  bolt: joint.bolt && { ...joint.bolt, ...over },
});

/** The hose that can be seen. */
export const BETWEEN_FERRULES = { endA: 'ferruleFace', endB: 'ferruleFace' };
