import type { BleedUpdate } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import { clearGate } from '@zephyrcombe/workshop';
import { randomUUID } from 'node:crypto';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import type { Handlers } from '../../http/handlers.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { onOpenJob, requireOpen, requireWay } from '../jobs/jobAction.ts';
import { toJob } from '../jobs/job.repository.ts';
import { isKnownEvent, openJointsAt, updateSince, writeEvent, writeStroke } from './bleedEvents.ts';

export function bleedingHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'addBleedEvent' | 'undoBleedEvent'> {
  const { database, clock } = dependencies;
  const { models } = database;

  /** Why a stroke was not written: no such job or nipple, or a job that is closed. */
  async function refuseStroke(jobId: string): Promise<never> {
    const job = await models.Job.findByPk(jobId);
    if (job !== null) requireOpen(toJob(job));
    throw new AppProblem('not-found');
  }

  return {
    async addBleedEvent({ request, params, body }): Promise<BleedUpdate> {
      const { jobId, nippleId } = params;
      const receivedAt = clock();
      const { id, kind, outflow, volume_m3, after = 0 } = body;
      if (kind === 'outflow' && outflow === undefined) throw fieldProblem('outflow', 'whatCameOut');
      if (kind === 'volume' && volume_m3 === undefined) throw fieldProblem('volume_m3', 'howMuchWasCaught');
      // A clock that is fast does not put what is done now into the future.
      const at = new Date(
        Math.min(body.at === undefined ? Infinity : Date.parse(body.at), receivedAt.getTime()),
      );
      const person = personOf(request);
      const event = { id, jobId, nippleId, kind, at, receivedAt, person };
      // Strokes are counted, not logged one by one: the log says what was decided.
      if (kind === 'stroke' || kind === 'volume') {
        const joints = await openJointsAt(database, jobId, nippleId);
        if (joints.length > 0 && !(await isKnownEvent(models, id)))
          requireWay([{ code: 'lineOpen', joints }], person);
      }
      if (kind === 'stroke') {
        if (!(await writeStroke(database, event))) await refuseStroke(jobId);
        return updateSince(models, jobId, after);
      }
      await onOpenJob(dependencies, request, jobId, async (action) => {
        requireNipple(action, nippleId);
        const isKnown = strokesAt(action, nippleId).known.has(id);
        if (kind === 'clear' && !isKnown) requireWay(clearGate(action.detail, nippleId), person);
        const isNew = await writeEvent(models, action.transaction, {
          ...event,
          ...(kind === 'outflow' && outflow !== undefined ? { outflow } : {}),
          ...(kind === 'volume' && volume_m3 !== undefined ? { volume_m3 } : {}),
        });
        if (isNew)
          await action.log('bled', {
            nippleId,
            id,
            kind,
            ...(kind === 'outflow' ? { outflow } : {}),
            ...(kind === 'volume' ? { volume_m3 } : {}),
            strokes: strokesAt(action, nippleId).count,
          });
      });
      return updateSince(models, jobId, after);
    },

    async undoBleedEvent({ request, params, query }): Promise<BleedUpdate> {
      const { jobId, nippleId, eventId } = params;
      const at = clock();
      await onOpenJob(dependencies, request, jobId, async (action) => {
        requireNipple(action, nippleId);
        const undone = action.detail.bleedRuns
          .find((run) => run.nippleId === nippleId)
          ?.events.find((event) => event.id === eventId);
        if (!undone) return;
        // A mistake of the thumb costs a few strokes; one that is wished away costs more.
        if (undone.kind === 'drewBack' || undone.kind === 'ranDry')
          requireWay([{ code: 'airSaid' }], action.person);
        await writeEvent(models, action.transaction, {
          id: randomUUID(),
          jobId,
          nippleId,
          kind: 'undo',
          undoesId: eventId,
          at,
          receivedAt: at,
          person: action.person,
        });
        await action.log('bled', { nippleId, kind: 'undo', undone: undone.kind });
      });
      return updateSince(models, jobId, query.after);
    },
  };
}

function requireNipple({ detail }: JobAction, nippleId: string): void {
  if (!nipplesOf(detail).some(({ id }) => id === nippleId)) throw new AppProblem('not-found');
}

function strokesAt({ detail }: JobAction, nippleId: string) {
  const events = detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events ?? [];
  return {
    count: events.filter(({ kind }) => kind === 'stroke').length,
    known: new Set(events.map(({ id }) => id)),
  };
}
