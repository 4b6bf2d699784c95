/** Rows about tightening, filling, bleeding and handing over. */
import { demoId } from '../demo/identity.ts';
import { PETRELLE } from './measuringRows.ts';
import type { MistakeRow, Play } from './play.ts';
import type { PlayedJob } from './playedJob.ts';
import { AS_DRAWN, FLUID_ONLY, withJoints } from './play.ts';

// Tightening.
const tightened =
  (over: object): Play =>
  async (job) => {
    await job.specified();
    await job.fitted();
    return job.said(job.torque('A', over));
  };
const wellTightened = tightened({});
const overTightened = async (job: PlayedJob): Promise<void> => {
  await job.specified();
  await job.fitted();
  await job.done(
    job.torque('A', {
      torque_Nm: 24,
      typed: '24 N·m',
      overrides: [{ caution: 'M71', reason: 'The hand slipped on the grip' }],
    }),
  );
};
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

export const TIGHTENING: readonly MistakeRow[] = [
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
    paths: {
      'over the limit': tightened({ torque_Nm: 24, typed: '24 N·m' }),
      'over the limit, and then the right figure on the same bolt': async (job) => {
        await overTightened(job);
        return job.said(job.torque());
      },
      'over the limit, taken apart, and joined with the same bolt': async (job) => {
        await overTightened(job);
        const joint = (await job.now()).torqueRecords.at(-1)?.jointId ?? '';
        await job.done(job.steps([{ kind: 'crack', joint }]));
        await job.done(job.handTight('A'));
        return job.said(job.torque());
      },
      'over the limit, given up, and the right figure on the same bolt in another job': async (job) => {
        await overTightened(job);
        const { jointId } = await job.joint();
        await job.done(job.giveUp());
        const next = await job.next({ jointIds: [jointId] });
        await next.done(next.job({ endsConfirmed: true }));
        await next.done(next.editJoint({ boltState: 'new' }));
        await next.done(next.handTight());
        return next.said(next.torque());
      },
    },
    clean: wellTightened,
  },
  {
    id: 'M72',
    paths: {
      'a wrench far too large': tightened(WHEEL),
      'one that was calibrated over a year ago': async (job) => {
        await job.specified();
        await job.fitted();
        return job.said(job.torque('A', { wrenchId: await job.wrench({ calibratedOn: '2025-11-01' }) }));
      },
    },
    clean: wellTightened,
  },
  {
    id: 'M73',
    paths: {
      'a crowfoot in line, the figure of the joint on the wrench': tightened({
        adapter: { wrench_m: 0.3, extension_m: 0.06, angle_rad: 0 },
      }),
      'one that points back': tightened({ adapter: { wrench_m: 0.3, extension_m: -0.06, angle_rad: 0 } }),
    },
    clean: tightened({
      adapter: { wrench_m: 0.3, extension_m: 0.06, angle_rad: 0 },
      torque_Nm: 16.2,
      typed: '16.2 N·m',
    }),
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
    paths: {
      'not let settle': async (job) => {
        await job.specified();
        await job.done(job.offerUp());
        for (const end of ['A', 'B'] as const) await job.done(job.handTight(end));
        return job.said(job.torque());
      },
      'settled, and seen in no pose': async (job) => {
        await job.specified();
        await job.done(job.offerUp());
        for (const end of ['A', 'B'] as const) await job.done(job.handTight(end));
        await job.done(job.steps([{ kind: 'settle', line: job.hoseId }]));
        return job.said(job.torque());
      },
    },
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
    if (clearAt !== at) await job.done(job.nipple('stroke', clearAt));
    // What was pumped beyond the minimum has to go through as well.
    for (let round = 0; topUp && round < 7; round += 1)
      for (const kind of ['topUp', 'stroke'] as const) await job.done(job.nipple(kind, clearAt));
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

export const FLUID: readonly MistakeRow[] = [
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
      'a seized nut left as it is': async (job) => {
        await job.readyToSign();
        await job.done(job.find('seizedNut', await job.otherJoint(), 'joint'));
        return job.said(job.finish());
      },
      'a joint that weeps taken into the job and out again': async (job) => {
        await job.readyToSign();
        const weeping = await job.otherJoint();
        await job.done(job.find('leaking', weeping, 'joint'));
        await job.done(job.setScope({ hoseIds: [job.hoseId], jointIds: [weeping] }));
        await job.done(job.setScope({ hoseIds: [job.hoseId], jointIds: [] }));
        await job.done(job.job({ endsConfirmed: true }));
        return job.said(job.finish());
      },
      'a torn thread in a joint that the job tightens': async (job) => {
        await job.readyToSign();
        await job.done(job.find('damagedThread', (await job.joint('A')).jointId, 'joint'));
        return job.said(job.finish());
      },
    },
    clean: async (job) => {
      await job.readyToSign();
      await job.done(job.find('cracked', job.hoseId));
      await job.done(job.find('seizedNut', (await job.joint('B')).jointId, 'joint'));
      return job.said(job.finish());
    },
  },
];
