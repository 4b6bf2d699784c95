/** Rows about what was approved, and what is only assumed. */
import type { Caution } from '@zephyrcombe/core';
import { exampleBanjo } from '@zephyrcombe/core';
import { cautionDigest } from '@zephyrcombe/workshop';
import { problemOf } from '../testing/testServer.ts';
import { withClip } from './specifyingRows.ts';
import type { PlayedJob } from './playedJob.ts';
import type { MistakeRow, Play, Ports } from './play.ts';
import { AS_DRAWN, BETWEEN_FERRULES, bolt, specified, withJoints, withPorts } from './play.ts';

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

export const APPROVALS: readonly MistakeRow[] = [
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
const ASSUMED_EYE = { known: { eyeThickness_m: { how: 'assumed', origin: 'pattern' } } } as const;
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
export const KNOWING: readonly MistakeRow[] = [
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
      'ports seen, and the eye only the pattern’s': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.done(job.draw(withJoints(ASSUMED_EYE)));
        return job.said((await job.lengthTaken()).specify());
      },
      'the eye assumed for a reason, and joined without measuring it': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.done(job.draw(withJoints(ASSUMED_EYE)));
        await assumedKnowingly(job);
        await job.done(job.seePort('A'));
        return job.said(job.handTight());
      },
      'an eye that nobody has entered, and joined': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.done(job.draw(withJoints({ eyeThickness_m: null })));
        await job.specified();
        await job.done(job.offerUp());
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
      'read behind the necks of our example, ordered between the eyes': async (job) => {
        await job.looked();
        await job.done(job.takeOffs('example'));
        for (const more_m of [0, 0.002]) await job.done(job.readBehindNecks(more_m));
        return job.said(job.takeLength());
      },
      'read on our example, and other take-offs entered after the reading': async (job) => {
        await job.looked();
        await job.done(job.takeOffs('example'));
        for (const more_m of [0, 0.002]) await job.done(job.readBehindNecks(more_m));
        const { endA } = await job.hose();
        const read = { ...endA, neckLength_m: endA.neckLength_m + 0.004, takeOffsFrom: 'makersData' };
        await job.done(job.edit({ endA: read }));
        await job.done(job.edit({ endB: { ...(await job.hose()).endB, takeOffsFrom: 'makersData' } }));
        return job.said(job.takeLength());
      },
      'vouched for, and another bend of our example taken after': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        await job.done(job.takeOffs());
        await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
        await job.done(job.edit({ endA: exampleBanjo(45), clocking_rad: 1 }));
        return job.said(job.specify());
      },
      'a clip sized for a hose whose outside is our example': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        const build = await job.build();
        return job.said(job.specify({ build: { ...build, ...withClip(build.outside_m - 0.0005)(build) } }));
      },
      'a route judged by the least radius of our example': async (job) => {
        for (const end of ['A', 'B'] as const) await job.done(job.seePort(end));
        await job.lengthTaken();
        await job.done(
          job.route('wick', (corner) => ({
            ...corner,
            hoses: corner.hoses.map((hose) => ({ ...hose, figuresFrom: 'example' as const })),
          })),
        );
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
      await job.looked();
      await job.done(job.takeOffs());
      for (const more_m of [0, 0.002]) await job.done(job.readBehindNecks(more_m));
      await job.done(job.takeLength());
      await job.done(job.edit({ orderDatum: BETWEEN_FERRULES }));
      await job.done(job.job({ endsConfirmed: true }));
      await job.done(job.specify());
      await job.done(job.offerUp());
      return job.said(job.handTight());
    },
  },
];
