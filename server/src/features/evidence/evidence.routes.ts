/** Judgements kept with a job. What the asker saw does not count: the core judges again here, and the log keeps what came out. */
import type { EvidenceEntry, LogKind } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { createWriter, problemText } from '@zephyrcombe/messages';
import type { Caution, Problem } from '@zephyrcombe/core';
import { developed, judgeDonor, judgeHoseFigures, judgeLine, METRIC, sceneOf } from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { onOpenJob } from '../jobs/jobAction.ts';
import { EVIDENCE_KINDS } from './keptEvidence.ts';
import { provedRoute } from './keptRoute.ts';

interface Judged {
  readonly kind: LogKind;
  readonly detail: Record<string, unknown>;
  readonly cautions: readonly Caution[];
}

const refuse = (problem: Problem): never => {
  throw new AppProblem('no-answer', { detail: problemText(problem, createWriter(METRIC)) });
};

async function judged(action: JobAction, entry: EvidenceEntry): Promise<Judged> {
  const { detail, models, transaction } = action;
  if (entry.kind === 'hardLine') {
    const made = developed(entry.request.line);
    if (!made.ok) return refuse(made.problem);
    return {
      kind: 'lineJudged',
      detail: { name: entry.name, request: entry.request, checks: entry.checks, cut_m: made.value.cut_m },
      cautions: judgeLine(entry.request.build, made.value, entry.checks),
    };
  }
  if (!partsOf(detail).hoses.some(({ id }) => id === entry.hoseId))
    throw fieldProblem('hoseId', 'notOnCircuits');
  if (entry.kind === 'donor') {
    const result = judgeDonor(entry.check.need, entry.check.donor);
    if (!result.ok) return refuse(result.problem);
    return {
      kind: 'donorChecked',
      detail: { hoseId: entry.hoseId, ...entry.check, ...result.value },
      cautions: result.cautions,
    };
  }
  const row = await models.Corner.findOne({
    where: { id: entry.cornerId, vehicleId: detail.vehicle.id },
    transaction,
  });
  const scene = row && sceneOf(row.corner, entry.hoseId);
  if (!row || !scene) throw fieldProblem('cornerId', 'noRouteOfHose');
  const proof = provedRoute(scene, action.person);
  const { holds, reason, radius_m, room, chordRatio } = proof.value;
  return {
    kind: 'routeJudged',
    detail: {
      hoseId: entry.hoseId,
      cornerId: entry.cornerId,
      cornerVersion: row.version,
      corner: row.corner,
      holds,
      reason,
      radius_m,
      room,
      chordRatio,
    },
    cautions: [...proof.cautions, ...judgeHoseFigures(scene.hose)],
  };
}

export function evidenceHandlers(dependencies: Dependencies): Pick<Handlers, 'keepEvidence'> {
  return {
    keepEvidence: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        const { models, transaction, log } = action;
        // The same judgement sent twice is one: its own id stands in the entry.
        const known = await models.LogEntry.findAll({
          where: { jobId: params.jobId, kind: [...EVIDENCE_KINDS] },
          transaction,
        });
        if (known.some(({ detail }) => detail.evidenceId === body.id)) return;
        const { kind, detail, cautions } = await judged(action, body);
        await log(kind, {
          evidenceId: body.id,
          ...detail,
          cautions: cautions.map(({ id, evidence }) => ({ id, evidence })),
        });
      }),
  };
}
