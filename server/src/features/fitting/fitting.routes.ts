import type { FitFactSaid, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf, VEHICLE_FACTS } from '@zephyrcombe/contract';
import { factsOfKind, fitPlanOf, mayBeWithoutAbs } from '@zephyrcombe/workshop';
import { isDeepStrictEqual } from 'node:util';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import type { JobAction } from '../jobs/jobAction.ts';
import { loadJobDetail } from '../jobs/job.repository.ts';
import { onOpenJob } from '../jobs/jobAction.ts';
import { withPlace } from './afterEvent.ts';
import { asSeen, withDrawnGaps } from './drawnGaps.ts';
import { withMaster } from './pulledMaster.ts';
import { takeFitSteps, undoFitStep } from './fitSteps.ts';
import { stepTimes } from './stepTimes.ts';

export function fittingHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'getFitPlan' | 'getStepTimes' | 'takeFitSteps' | 'undoFitStep' | 'sayFitFact'> {
  return {
    getFitPlan: async ({ params }) =>
      fitPlanOf(await loadJobDetail(dependencies.database, params.jobId)).plan,

    getStepTimes: ({ query }) => stepTimes(dependencies.database.models, query.without),

    takeFitSteps: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => takeFitSteps(action, body)),

    undoFitStep: ({ request, params }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => undoFitStep(action, params.stepId)),

    sayFitFact: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => sayFitFact(action, body.id, body.said)),
  };
}

async function sayFitFact(
  { detail, models, transaction, person, now, log }: JobAction,
  id: string,
  said: FitFactSaid,
): Promise<void> {
  const known = await models.FitFact.findOne({ where: { id }, transaction });
  if (known) {
    if (known.jobId !== detail.job.id || !isDeepStrictEqual(asSeen(known.said), asSeen(said)))
      throw new AppProblem('id-taken');
    return;
  }
  if (!isAbout(detail, said)) throw fieldProblem('subjectId', 'notInScope');
  const kept = withPlace(detail, withMaster(detail, await withDrawnGaps(models, detail, said, transaction)));
  await models.FitFact.create(
    {
      id,
      jobId: detail.job.id,
      vehicleId: VEHICLE_FACTS.has(said.kind) ? detail.vehicle.id : null,
      said: kept,
      at: now,
      by: person.name,
      byId: person.id,
    },
    { transaction },
  );
  const { subjectId, kind: fact, value } = kept;
  await log('fitFactSaid', { subjectId, fact, value });
}

/** The subject is there, and is of the kind that the fact is about. */
function isAbout(detail: JobDetail, { kind, subjectId }: FitFactSaid): boolean {
  const { joints, hoses, components } = partsOf(detail);
  const among = (list: readonly { readonly id: string }[]) => list.some(({ id }) => id === subjectId);
  switch (kind) {
    case 'access':
    case 'neckStop':
    case 'soak':
    case 'seized':
    case 'seizedWay':
    case 'openSpanner':
    case 'sealant':
      return among(joints);
    case 'holds':
    case 'leads':
    case 'turnEnd':
    case 'backOut':
    case 'oldBroken':
    case 'bareBracket':
    case 'corner':
    case 'movementSeen':
    case 'stripeTurned':
      return among(hoses);
    case 'kept':
    case 'absCycle':
      return (
        among(components) ||
        components.some(({ sameAs }) => sameAs === subjectId) ||
        detail.circuits.some(({ circuit }) => circuit.id === subjectId)
      );
    case 'rhythm':
    case 'trialWashers':
    case 'cleaner':
      return subjectId === detail.job.id;
    case 'bleedWay':
    case 'absCycled':
    case 'holdTest':
    case 'leverPulls':
      return detail.circuits.some(({ circuit }) => circuit.id === subjectId);
    case 'withoutAbs':
      return mayBeWithoutAbs(detail).some(({ id }) => id === subjectId);
    case 'bleedScrew':
      return detail.items.some(({ id, kind: what }) => id === subjectId && what === 'nipple');
    case 'nippleTop':
    case 'ignition':
    case 'ignitionAsked':
    case 'nippleSeized':
      return nipplesOf(detail).some(({ id }) => id === subjectId);
    case 'nippleOrder':
    case 'driveSide':
      return subjectId === detail.vehicle.id;
    case 'padsWet':
      return components.some(
        (part) => part.id === subjectId && (part.kind === 'caliper' || part.kind === 'wheelCylinder'),
      );
    case 'cover':
    case 'demand':
      // A new one has an id of its own.
      return (
        factsOfKind(detail, kind).has(subjectId) || ![...joints, ...hoses].some(({ id }) => id === subjectId)
      );
  }
}
