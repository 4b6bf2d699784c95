/** Pulls of the torque wrench that is connected: set, listened to, kept when they were heard to their end. */
import type { JobDetail, Person, PullRecord, RecordAdapter } from '@zephyrcombe/contract';
import { partsOf, torqueOf } from '@zephyrcombe/contract';
import { crowfootSetting } from '@zephyrcombe/core';
import { createWriter, problemText, REFUSALS } from '@zephyrcombe/messages';
import type { FastifyRequest } from 'fastify';
import type { Dependencies } from '../../dependencies.ts';
import type { Heard, PullListener } from '../../devices/torqueWrench.ts';
import { listenToPull, lookForWrench } from '../../devices/torqueWrench.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers, ParsedBody } from '../../http/handlers.ts';
import { readOpenJob } from '../jobs/jobAction.ts';
import type { TorquePullRow } from './torquePull.model.ts';

interface Asked {
  readonly id: string;
  readonly jobId: string;
  readonly jointId: string;
  readonly set_Nm: number;
  readonly adapter: RecordAdapter | null;
  readonly by: string;
  readonly byId: string;
  readonly at: Date;
}
interface Live extends Asked {
  readonly listener: PullListener;
}

type PullHandlers = Pick<
  Handlers,
  'getWrenchLink' | 'startPull' | 'getPull' | 'simulatePull' | 'leavePull'
> & { readonly stopListening: () => void };

/** `stopListening` when the application ends. */
export function pullHandlers(dependencies: Dependencies): PullHandlers {
  const { config, database } = dependencies;
  const { TorquePull } = database.models;
  /** There is one wrench: whoever sets it anew, sets it. */
  let live: Live | null = null;

  const letGo = () => {
    live?.listener.leave();
    live = null;
  };

  /** Heard to its end, and not written yet where the book could not be reached then: it is tried again when it is asked for. */
  async function kept(pull: Live, isLeft = false): Promise<boolean> {
    const heard = pull.listener.heard();
    const { serial, isSimulated, calibratedOn, samples, dropOuts } = heard;
    // Left in the middle it is evidence all the same: nobody leaves a bolt that gives, and pulls anew.
    const peak_Nm = heard.peak_Nm ?? Math.max(0, ...samples.map(({ torque_Nm }) => torque_Nm));
    if (isLeft ? !(peak_Nm > 0) : heard.state !== 'done' || heard.peak_Nm === null) return false;
    const { listener: _listener, ...asked } = pull;
    await TorquePull.bulkCreate(
      [{ ...asked, serial, isSimulated, calibratedOn, samples, peak_Nm, dropOuts }],
      { ignoreDuplicates: true },
    );
    if (live === pull) live = null;
    return true;
  }

  async function found(jobId: string, pullId: string): Promise<PullRecord> {
    const own = live?.id === pullId && live.jobId === jobId ? live : null;
    if (own && !(await kept(own))) return toldLive(own);
    const row = await TorquePull.findOne({ where: { id: pullId, jobId } });
    if (row === null) throw new AppProblem('not-found');
    return toldKept(row);
  }

  async function start(request: FastifyRequest, jobId: string, body: ParsedBody<'startPull'>) {
    const { detail, person, now } = await readOpenJob(dependencies, request, jobId);
    const known =
      live?.id === body.id || (await TorquePull.findOne({ where: { id: body.id, jobId } })) !== null;
    if (known) return found(jobId, body.id);
    const { set_Nm } = settingOf(detail, person, body);
    const { torqueWrenchPort: port } = config;
    if (port === null) throw new AppProblem('wrench-silent', { detail: REFUSALS.noWrench });
    // One that the book could not take then is not lost to the next.
    if (live) await kept(live, true);
    letGo();
    const listening = await listenToPull({
      port,
      set_Nm,
      onDone: () => {
        if (live?.id === body.id) kept(live).catch(() => undefined);
      },
    });
    if (!listening.ok) {
      const { why, hello } = listening;
      if (why !== 'outOfRange' || hello === null) throw new AppProblem('wrench-silent');
      const write = createWriter(person.units);
      throw new AppProblem('no-answer', {
        detail: REFUSALS.wrenchOutOfRange(
          hello.serial,
          write.torqueRange(hello.minimum_Nm, hello.maximum_Nm),
          write.torque(set_Nm),
        ),
      });
    }
    const { id, jointId, adapter } = body;
    live = {
      id,
      jobId,
      jointId,
      adapter,
      set_Nm,
      by: person.name,
      byId: person.id,
      at: now,
      listener: listening.listener,
    };
    return toldLive(live);
  }

  return {
    getWrenchLink: () => lookForWrench(config.torqueWrenchPort),
    startPull: ({ request, params, body }) => start(request, params.jobId, body),
    getPull: ({ params }) => found(params.jobId, params.pullId),
    async simulatePull({ params: { jobId, pullId } }) {
      if (live?.id === pullId && live.jobId === jobId && !live.listener.simulate())
        if (!live.listener.heard().isSimulated) throw fieldProblem('pullId', 'pulledByHand');
      return found(jobId, pullId);
    },
    async leavePull({ params: { jobId, pullId } }) {
      const told = await found(jobId, pullId);
      if (live?.id === pullId) {
        await kept(live, true);
        letGo();
      }
      return told;
    },
    stopListening: letGo,
  };
}

/** The middle of the range that governs the joint; with a crowfoot, what gives the joint that. */
function settingOf(
  detail: JobDetail,
  person: Person,
  { jointId, adapter }: ParsedBody<'startPull'>,
): { readonly set_Nm: number } {
  const joint = partsOf(detail).joints.find(({ id }) => id === jointId);
  if (!joint || !detail.joints.some((one) => one.jointId === jointId))
    throw fieldProblem('jointId', 'notInScope');
  const { minimum_Nm, maximum_Nm, source } = torqueOf(joint).governing;
  // Nobody vouches for our default: no wrench is set to it.
  if (source === null) throw fieldProblem('jointId', 'noFigureToSet');
  const target_Nm = (minimum_Nm + maximum_Nm) / 2;
  if (adapter === null) return { set_Nm: target_Nm };
  const set = crowfootSetting({ ...adapter, target_Nm });
  if (!set.ok)
    throw new AppProblem('no-answer', { detail: problemText(set.problem, createWriter(person.units)) });
  return { set_Nm: set.value };
}

const toldLive = ({ listener, byId: _byId, jobId: _jobId, at, ...asked }: Live): PullRecord => ({
  ...asked,
  ...(listener.heard() satisfies Heard),
  at: at.toISOString(),
});

function toldKept(row: TorquePullRow): PullRecord {
  const { jobId: _jobId, byId: _byId, at, ...kept } = row.get({ plain: true });
  return { ...kept, state: 'done', at: at.toISOString() };
}
