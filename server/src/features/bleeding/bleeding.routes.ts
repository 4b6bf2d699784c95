import type { StoredBleedEvent } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import { clearGate } from '@zephyrcombe/workshop';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers, ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { onOpenJob, requireWay } from '../jobs/jobAction.ts';

export function bleedingHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'addBleedEvent' | 'undoBleedEvent'> {
  return {
    addBleedEvent: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireNipple(action, params.nippleId);
        const before = eventsAt(action, params.nippleId);
        if (before.some((event) => event.id === body.id)) return;
        if (body.kind === 'clear') requireWay(clearGate(action.detail, params.nippleId), action.person);
        await writeEvents(action, params.nippleId, [...before, toEvent(body, action.now)]);
        // Strokes are counted, not logged one by one: the log says what was decided.
        if (body.kind !== 'stroke')
          await action.log('bled', { nippleId: params.nippleId, ...body, strokes: countStrokes(before) });
      }),

    undoBleedEvent: ({ request, params }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireNipple(action, params.nippleId);
        const before = eventsAt(action, params.nippleId);
        const undone = before.find((event) => event.id === params.eventId);
        if (!undone) return;
        await writeEvents(
          action,
          params.nippleId,
          before.filter((event) => event !== undone),
        );
        await action.log('bled', { nippleId: params.nippleId, kind: 'undo', undone: undone.kind });
      }),
  };
}

const countStrokes = (events: readonly StoredBleedEvent[]) =>
  events.filter((event) => event.kind === 'stroke').length;

function requireNipple({ detail }: JobAction, nippleId: string): void {
  if (!nipplesOf(detail).some(({ id }) => id === nippleId)) throw new AppProblem('not-found');
}

const eventsAt = ({ detail }: JobAction, nippleId: string): readonly StoredBleedEvent[] =>
  detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events ?? [];

function toEvent(body: ParsedBody<'addBleedEvent'>, now: Date): StoredBleedEvent {
  const at = now.toISOString();
  if (body.kind !== 'outflow') return { id: body.id, kind: body.kind, at };
  if (body.outflow === undefined) throw fieldProblem('outflow', 'is missing: say what came out');
  return { id: body.id, kind: 'outflow', at, outflow: body.outflow };
}

async function writeEvents(
  { detail, models, transaction }: JobAction,
  nippleId: string,
  events: StoredBleedEvent[],
): Promise<void> {
  const jobId = detail.job.id;
  const existing = await models.BleedRun.findOne({ where: { jobId, nippleId }, transaction });
  if (existing === null)
    await models.BleedRun.create({ jobId, nippleId, events, version: 0 }, { transaction });
  else
    await models.BleedRun.update(
      { events, version: existing.version + 1 },
      { where: { jobId, nippleId }, transaction },
    );
}
