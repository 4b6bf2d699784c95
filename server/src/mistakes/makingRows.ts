/** Rows about hoses that are made up here, and hard lines. */
import type { PlayedJob, PlayOptions } from './playedJob.ts';
import type { MistakeRow, Play } from './play.ts';
import { FLUID_ONLY } from './play.ts';

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
export async function madeHere(job: PlayedJob, until?: string): Promise<void> {
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

export const MAKING: readonly MistakeRow[] = [
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
      'proved, and specified as another hose after it': async (job) => {
        await madeHere(job);
        await job.done(job.prove());
        await job.done(job.step('dry'));
        await job.done(job.specify({ clocking_rad: 0.6 }));
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
/** A car whose brakes are piped; its fluid alone is changed to begin with. */
const HARD_LINED: PlayOptions = { like: 'tollan', isFluidOnly: true };

/** The same of a hard line that is in the scope of the job: asked about when somebody says that it is made. */
const ownLineOf =
  (build: object, checks: object = {}): Play =>
  async (job) => {
    const own = await job.another(HARD_LINED);
    return own.said((await own.takeInLine()).makeLine(build, checks));
  };
const soundLine = lineOf({});
const madeAnew: Play = async (job) => {
  await job.readyToSign();
  await job.done(job.hardLine({}, { looksB: 'cracked' }));
  await job.done(job.hardLine());
  return job.said(job.finish());
};

const both = (what: string, build: object, checks: object = {}): Readonly<Record<string, Play>> => ({
  [what]: lineOf(build, checks),
  [`${what}, of the job itself`]: ownLineOf(build, checks),
});

export const LINES: readonly MistakeRow[] = [
  { id: 'M44', options: FLUID_ONLY, paths: both('cut short', {}, { cutAs_m: 0.2 }), clean: soundLine },
  { id: 'M45', options: FLUID_ONLY, paths: both('a nut left off', {}, { nuts: 1 }), clean: soundLine },
  {
    id: 'M46',
    options: FLUID_ONLY,
    paths: both('a single flare', { formA: 'singleFlare' }),
    clean: soundLine,
  },
  {
    id: 'M47',
    options: FLUID_ONLY,
    paths: both('plain copper', { material: 'copper' }),
    clean: soundLine,
  },
  {
    id: 'M48',
    options: FLUID_ONLY,
    paths: both('steel bent back', { material: 'coatedSteel' }, { bentBack: [0] }),
    clean: lineOf({ material: 'coatedSteel' }),
  },
  {
    id: 'M49',
    options: FLUID_ONLY,
    paths: both('a cracked flare', {}, { looksB: 'cracked' }),
    clean: madeAnew,
  },
];
