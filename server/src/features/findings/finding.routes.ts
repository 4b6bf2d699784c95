/** What was found on hoses, pipes and joints: recorded, struck out, never changed. */
import { partsOf } from '@zephyrcombe/contract';
import type { Dependencies } from '../../dependencies.ts';
import { requireMay } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { conditionsOn } from '@zephyrcombe/core';
import { onOpenJob } from '../jobs/jobAction.ts';

export function findingHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'recordFinding' | 'strikeFinding'> {
  return {
    recordFinding: ({ request, params, body }) =>
      onOpenJob(
        dependencies,
        request,
        params.jobId,
        async ({ detail, models, transaction, log, person, now }) => {
          // The same finding sent twice, because its reply was lost, is one finding.
          if (detail.findings.some((finding) => finding.id === body.id)) return;
          const line = partsOf(detail).hoses.find((hose) => hose.id === body.subjectId);
          const joint = partsOf(detail).joints.find((candidate) => candidate.id === body.subjectId);
          const named = body.subject === 'joint' ? joint : line?.kind === body.subject ? line : undefined;
          if (!named) throw fieldProblem('subjectId', 'notOnCircuits');
          if (!conditionsOn(body.subject).includes(body.condition))
            throw fieldProblem('condition', 'cannotBeFoundThere');
          await models.Finding.create(
            {
              ...body,
              jobId: params.jobId,
              foundBy: person.name,
              foundById: person.id,
              foundAt: now,
              struckBecause: null,
            },
            { transaction },
          );
          await log('findingRecorded', { ...body, name: named.name });
        },
      ),

    strikeFinding: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ detail, models, transaction, log, person }) => {
        const finding = detail.findings.find((candidate) => candidate.id === params.findingId);
        if (!finding) throw new AppProblem('not-found');
        // Struck out once, with its reason: another does not take its place.
        if (finding.struckBecause !== null) return;
        if (finding.foundById !== person.id) requireMay(person, 'strikeOthers');
        await models.Finding.update(
          { struckBecause: body.because },
          { where: { id: finding.id, jobId: params.jobId }, transaction },
        );
        await log('findingStruck', { findingId: finding.id, because: body.because });
      }),
  };
}
