/** Rows about taking the old off and putting the new on: the plan's steps in another order, left out, or done another way. */
import type { PlanStep } from '@zephyrcombe/core/plan';
import { demoId } from '../demo/identity.ts';
import type { MistakeRow, Play } from './play.ts';
import type { PlayedJob, PlayOptions } from './playedJob.ts';

const begun = async (job: PlayedJob): Promise<PlayedJob> => {
  await job.specified();
  await job.done(job.offerUp());
  return job;
};
/** Up to a step of the plan, without those that are left out. */
const upTo = async (
  job: PlayedJob,
  isLast: (step: PlanStep) => boolean,
  without: readonly PlanStep['kind'][] = [],
): Promise<PlayedJob> => {
  await job.done(job.follow(isLast, without));
  return job;
};
const joint = async (job: PlayedJob, end: 'A' | 'B' = 'A'): Promise<string> => (await job.joint(end)).jointId;
const isCrack = ({ kind }: PlanStep) => kind === 'crack';

/** A hose with a screwed end at its caliper, on the pipe of its bracket. */
const SCREWED: PlayOptions = { like: 'tollan', hose: 'Hose, rear left' };
/** The same with a banjo at the caliper. */
const FLARE: PlayOptions = { like: 'tollan', hose: 'Hose, front left' };

/** The nut at the bracket turns with its pipe. */
const seized = async (job: PlayedJob): Promise<string> => {
  const id = await joint(job);
  await job.done(job.say('seized', id, true));
  return id;
};

/** Up to the flame, on a circuit that is drained. */
const heated =
  (cleaner?: string): Play =>
  async (job) => {
    await begun(job);
    const id = await seized(job);
    await job.done(job.say('seizedWay', id, 'heat'));
    await job.keep('drain');
    if (cleaner) await job.done(job.say('cleaner', job.id, cleaner));
    await upTo(job, ({ kind }) => kind === 'heat');
    return job.said(job.steps([{ kind: 'heat', joint: id, wearing: ['faceShield', 'leatherGloves'] }]));
  };

const spanner =
  (isOpenEnded: boolean, isLast: (step: PlanStep) => boolean): Play =>
  async (job) => {
    await begun(job);
    const id = await joint(job);
    await upTo(job, (step) => 'joint' in step && step.joint === id && isLast(step));
    await job.done(job.say('openSpanner', id, isOpenEnded));
    return job.said(job.take((step) => 'joint' in step && step.joint === id && isLast(step)));
  };

const bracketOn =
  (isBare: boolean): Play =>
  async (job) => {
    await begun(job);
    const bracket = { id: 'bracket', name: 'Bracket', kind: 'bracket', at: 'A' };
    const hold = { ...bracket, closed: true, keyed: false, tighten: false };
    await job.done(job.say('holds', job.hoseId, [hold]));
    await upTo(job, ({ kind }) => kind === 'placeHold');
    await job.done(job.say('bareBracket', job.hoseId, isBare));
    return job.said(job.take(({ kind }) => kind === 'placeHold'));
  };

const DEGREE = Math.PI / 180;
/** Settled, and its stripe looked at. */
const stripe =
  (turned_deg: number, then: (job: PlayedJob) => ReturnType<PlayedJob['take']>): Play =>
  async (job) => {
    await begun(job);
    await upTo(job, ({ kind }) => kind === 'movement');
    await job.done(job.say('stripeTurned', job.hoseId, turned_deg * DEGREE));
    return job.said(then(job));
  };

/** Settled, and seen in a pose. */
const moved =
  (seen_m: number): Play =>
  async (job) => {
    await begun(job);
    await upTo(job, ({ kind }) => kind === 'movement');
    const poses = [{ pose: 'leftLock', seen_m }];
    await job.done(job.say('movementSeen', job.hoseId, { poses, expected_m: null }));
    return job.said(job.take(({ kind }) => kind === 'movement'));
  };
/** The same with a route of this hose kept with the vehicle: 55 mm at the locks, 64 mm at full droop. */
const movedAsDrawn =
  (
    pose: { readonly pose: string; readonly seen_m: number; readonly expected_m?: number },
    claimed_m: number | null = null,
  ): Play =>
  async (job) => {
    await job.keepRoute('wick', (corner) => corner);
    await begun(job);
    await upTo(job, ({ kind }) => kind === 'movement');
    await job.done(job.say('movementSeen', job.hoseId, { poses: [pose], expected_m: claimed_m }));
    return job.said(job.take(({ kind }) => kind === 'movement'));
  };

const lead =
  (side: string): Play =>
  async (job) => {
    await job.specified();
    await job.done(
      job.say('leads', job.hoseId, [{ id: 'lead', name: 'Wheel sensor lead', side: 'left of it' }]),
    );
    await job.fitted();
    await job.torqued();
    return job.said(job.steps([{ kind: 'plugLead', lead: 'lead', side }]));
  };

const COVER = '0b0e0c0d-0000-4000-8000-000000000001';
const covered =
  (isLooked: boolean): Play =>
  async (job) => {
    await job.specified();
    await job.done(job.say('cover', COVER, { name: 'Tank', joints: [await joint(job)] }));
    await job.fitted();
    await job.torqued();
    if (isLooked) {
      await job.bled();
      await job.done(job.follow(({ kind }) => kind === 'closeCover'));
    }
    return job.said(job.steps([{ kind: 'closeCover', cover: COVER }]));
  };

const turned =
  (angle_deg: number): Play =>
  async (job) => {
    await begun(job);
    await job.done(job.say('turnEnd', job.hoseId, { end: 'A', angle_deg, rotatable: true }));
    return job.said(job.steps([{ kind: 'turnEnd', line: job.hoseId, end: 'A', angle_deg }]));
  };

export const FITTING: readonly MistakeRow[] = [
  {
    id: 'M51',
    isBlock: true,
    options: FLARE,
    paths: {
      'heat asked for on a circuit that is kept wet': async (job) => {
        await begun(job);
        const id = await seized(job);
        await job.done(job.say('seizedWay', id, 'heat'));
        return job.said(job.steps([{ kind: 'heat', joint: id, wearing: ['faceShield', 'leatherGloves'] }]));
      },
      'asked for, and the nut cracked instead': async (job) => {
        await begun(job);
        const id = await seized(job);
        await job.done(job.say('seizedWay', id, 'heat'));
        return job.said(job.steps([{ kind: 'clean', joint: id }]));
      },
    },
    clean: async (job) => {
      await begun(job);
      return job.said(job.steps([{ kind: 'clean', joint: await seized(job) }]));
    },
  },
  {
    id: 'M69',
    options: FLARE,
    paths: { 'trimmed, and put on bare': bracketOn(true) },
    clean: bracketOn(false),
  },
  {
    id: 'M52',
    options: FLARE,
    paths: {
      'nobody has said what it was cleaned with': heated(),
      'cleaned with chlorine': heated('chlorinated'),
      'said otherwise first, and then as it was': async (job) => {
        await job.specified();
        await job.done(job.say('cleaner', job.id, 'none'));
        return heated('chlorinated')(job);
      },
    },
    clean: heated('plain'),
  },
  {
    id: 'M53',
    options: FLARE,
    paths: {
      'an open-ended spanner to crack the nut': spanner(true, isCrack),
      'to take it off': spanner(true, ({ kind }) => kind === 'open'),
    },
    clean: spanner(false, isCrack),
  },
  {
    id: 'M59',
    paths: {
      'joined for the trial, and no new washers': async (job) => {
        await job.specified();
        await job.done(job.say('trialWashers', job.id, 'off'));
        await job.fitted();
        return job.said(job.torque('A', { freshWashers: 0 }));
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.done(job.say('trialWashers', job.id, 'off'));
      await job.fitted();
      return job.said(job.torque('A'));
    },
  },
  {
    id: 'M62',
    paths: {
      'tape on the thread when it is joined': async (job) => {
        await begun(job);
        const id = await joint(job);
        await upTo(job, (step) => step.kind === 'join' && step.joint === id);
        await job.done(job.say('sealant', id, true));
        return job.said(job.take((step) => step.kind === 'join' && step.joint === id));
      },
      'found when it is tightened': async (job) => {
        await job.specified();
        await job.fitted();
        await job.done(job.say('sealant', await joint(job), true));
        return job.said(job.torque());
      },
      'found after all was done, and signed': async (job) => {
        await job.readyToSign();
        await job.done(job.say('sealant', await joint(job), true));
        return job.said(job.finish());
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.fitted();
      const id = await joint(job);
      await job.done(job.say('sealant', id, true));
      await job.done(job.say('sealant', id, false));
      return job.said(job.torque());
    },
  },
  {
    id: 'M54',
    isBlock: true,
    options: FLARE,
    paths: {
      'the nut turned though it turns its pipe': async (job) => {
        await begun(job);
        const id = await seized(job);
        await upTo(job, ({ kind }) => kind === 'open');
        return job.said(job.steps([{ kind: 'open', joint: id, by: 'nut' }]));
      },
      'found seized when it was cracked': async (job) => {
        await begun(job);
        const id = await joint(job);
        await upTo(job, (step) => step.kind === 'open' && step.joint === id);
        await seized(job);
        return job.said(job.steps([{ kind: 'open', joint: id, by: 'nut' }]));
      },
      'the hose turned with its far end still on': async (job) => {
        await begun(job);
        const id = await seized(job);
        await upTo(job, isCrack);
        return job.said(job.steps([{ kind: 'open', joint: id, by: 'turningHose' }]));
      },
    },
    clean: async (job) => {
      await begun(job);
      const id = await seized(job);
      await upTo(job, (step) => step.kind === 'open' && step.joint === id);
      return job.said(job.steps([{ kind: 'open', joint: id, by: 'turningHose' }]));
    },
  },
  {
    id: 'M55',
    isBlock: true,
    options: SCREWED,
    paths: {
      'the nut first, then the end that does not swivel': async (job) => {
        await begun(job);
        await upTo(job, (step) => step.kind === 'uncap');
        return job.said(job.handTight('A', { without: ['offerUp', 'placeHold'] }));
      },
    },
    clean: async (job) => {
      await begun(job);
      return job.said(job.handTight('B'));
    },
  },
  {
    id: 'M56',
    isBlock: true,
    options: SCREWED,
    paths: {
      'the other end joined before this one is tight': async (job) => {
        await begun(job);
        await job.done(job.handTight('B'));
        return job.said(job.handTight('A'));
      },
    },
    clean: async (job) => {
      await begun(job);
      await job.done(job.handTight('B'));
      return job.said(job.torque('B', { wrenchId: demoId('wheel-110') }));
    },
  },
  {
    id: 'M56',
    way: 'by the stripe',
    paths: {
      'the stripe turned when it is looked at in every pose': stripe(30, (job) =>
        job.take(({ kind }) => kind === 'movement'),
      ),
      'seen turned when it is tightened': async (job) => {
        await job.specified();
        await job.fitted();
        await job.done(job.say('stripeTurned', job.hoseId, -1));
        return job.said(job.torque());
      },
      'tight already, and tightened once more': async (job) => {
        await job.specified();
        await job.fitted();
        await job.torqued();
        await job.done(job.say('stripeTurned', job.hoseId, -1));
        return job.said(job.torque());
      },
      'seen after all was done, and signed': async (job) => {
        await job.readyToSign();
        await job.done(job.say('stripeTurned', job.hoseId, -1));
        return job.said(job.finish());
      },
    },
    clean: stripe(3, (job) => job.take(({ kind }) => kind === 'movement')),
  },
  {
    id: 'M10',
    way: 'seen in a pose',
    isBlock: true,
    paths: {
      'it touches something in a pose': moved(0),
      'it comes nearer than its drawing has it': movedAsDrawn({ pose: 'leftLock', seen_m: 0.045 }),
      'and the page says that the drawing has it so': movedAsDrawn(
        { pose: 'leftLock', seen_m: 0.045, expected_m: 0.045 },
        0.045,
      ),
      'nearer than drawn in this pose, and no nearer than drawn elsewhere': movedAsDrawn({
        pose: 'fullDroop',
        seen_m: 0.057,
      }),
      'seen after it was called clear, and then tightened': async (job) => {
        await job.specified();
        await job.fitted();
        const poses = [{ pose: 'leftLock', seen_m: 0 }];
        await job.done(job.say('movementSeen', job.hoseId, { poses, expected_m: null }));
        return job.said(job.torque());
      },
      'tightened once more after it was seen': async (job) => {
        await job.specified();
        await job.fitted();
        await job.torqued();
        const poses = [{ pose: 'leftLock', seen_m: 0 }];
        await job.done(job.say('movementSeen', job.hoseId, { poses, expected_m: null }));
        return job.said(job.torque());
      },
      'the same length taken once more': async (job) => {
        await begun(job);
        await upTo(job, ({ kind }) => kind === 'movement');
        const poses = [{ pose: 'leftLock', seen_m: 0 }];
        await job.done(job.say('movementSeen', job.hoseId, { poses, expected_m: null }));
        await job.done(job.takeLength());
        return job.said(job.take(({ kind }) => kind === 'movement'));
      },
    },
    clean: movedAsDrawn({ pose: 'leftLock', seen_m: 0.051 }, 0.9),
  },
  {
    id: 'M107',
    way: 'seen in a pose',
    isBlock: true,
    paths: {
      'seen after all was done, and signed': async (job) => {
        await job.readyToSign();
        const poses = [{ pose: 'leftLock', seen_m: 0 }];
        await job.done(job.say('movementSeen', job.hoseId, { poses, expected_m: null }));
        return job.said(job.finish());
      },
    },
    // Taken anew in the knowledge of it, and put right since: nothing opens again.
    clean: async (job) => {
      await begun(job);
      await upTo(job, ({ kind }) => kind === 'movement');
      const seen = (seen_m: number) => ({ poses: [{ pose: 'leftLock', seen_m }], expected_m: null });
      await job.done(job.say('movementSeen', job.hoseId, seen(0)));
      await job.done(job.takeLength());
      await job.done(job.specify());
      await job.done(job.say('movementSeen', job.hoseId, seen(0.02)));
      await job.fitted();
      return job.said(job.torque());
    },
  },
  {
    id: 'M111',
    isBlock: true,
    paths: {
      'the lever pressed while the first joint stands open': async (job) => {
        await begun(job);
        await upTo(job, ({ kind }) => kind === 'takeOff');
        return job.said(job.nipple('stroke'));
      },
      'and while only the second one does': async (job) => {
        await begun(job);
        await job.done(job.handTight('B'));
        await job.done(job.handTight('A'));
        await job.done(job.steps([{ kind: 'crack', joint: await joint(job, 'B') }]));
        await upTo(job, (step) => step.kind === 'join');
        return job.said(job.nipple('stroke'));
      },
      'counted in another job on the same circuit': async (job) => {
        await begun(job);
        await upTo(job, ({ kind }) => kind === 'takeOff');
        const next = await job.next({ circuitIds: [(await job.circuit()).id] });
        return next.said(next.nipple('stroke'));
      },
      'and after the job that opened it was given up': async (job) => {
        await begun(job);
        await upTo(job, ({ kind }) => kind === 'takeOff');
        await job.done(job.giveUp());
        const next = await job.next({ circuitIds: [(await job.circuit()).id] });
        return next.said(next.nipple('stroke'));
      },
    },
    clean: async (job) => {
      await job.specified();
      await job.fitted();
      return job.said(job.nipple('stroke'));
    },
  },
  {
    id: 'M60',
    isBlock: true,
    options: FLARE,
    paths: {
      'joined before its bracket is on': async (job) => {
        await begun(job);
        const bracket = { id: 'bracket', name: 'Bracket', kind: 'bracket', at: 'A' };
        await job.done(
          job.say('holds', job.hoseId, [{ ...bracket, closed: true, keyed: false, tighten: false }]),
        );
        await upTo(job, ({ kind }) => kind === 'placeHold');
        return job.said(job.handTight('A', { without: ['offerUp', 'placeHold'] }));
      },
    },
    clean: async (job) => {
      await begun(job);
      return job.said(job.handTight('A'));
    },
  },
  {
    id: 'M61',
    isBlock: true,
    paths: { 'more than half a turn': turned(210) },
    clean: turned(180),
  },
  {
    id: 'M63',
    paths: {
      'cleaned, and soaked afterwards': async (job) => {
        await begun(job);
        const id = await joint(job);
        await job.done(job.say('soak', id, true));
        return job.said(job.steps([{ kind: 'clean', joint: id }]));
      },
    },
    clean: async (job) => {
      await begun(job);
      const id = await joint(job);
      await job.done(job.say('soak', id, true));
      await job.done(job.steps([{ kind: 'soak', joint: id }]));
      return job.said(job.steps([{ kind: 'clean', joint: id }]));
    },
  },
  {
    id: 'M64',
    paths: {
      'cracked dirty': async (job) => {
        await begun(job);
        await upTo(job, isCrack, ['clean']);
        return job.said(job.steps([{ kind: 'crack', joint: await joint(job) }]));
      },
      'everything up to the join, and no cleaning': async (job) => {
        await begun(job);
        return job.said(job.handTight('A', { without: ['offerUp', 'clean'] }));
      },
    },
    clean: async (job) => {
      await begun(job);
      return job.said(job.handTight('A'));
    },
  },
  {
    id: 'M66',
    paths: { 'plugged in on the other side': lead('right of it') },
    clean: lead('left of it'),
  },
  {
    id: 'M85',
    paths: {
      'cracked over bare paint': async (job) => {
        await begun(job);
        await upTo(job, isCrack, ['coverPaint']);
        return job.said(job.steps([{ kind: 'crack', joint: await joint(job) }]));
      },
    },
    clean: async (job) => {
      await begun(job);
      await upTo(job, isCrack);
      return job.said(job.steps([{ kind: 'crack', joint: await joint(job) }]));
    },
  },
  {
    id: 'M92',
    paths: { 'the tank on before anybody looked': covered(false) },
    clean: covered(true),
  },
];
