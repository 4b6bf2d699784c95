import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { onOpenJob } from '../jobs/jobAction.ts';

/** Readings are evidence: they are added and struck out, never changed. */
export function readingHandlers(dependencies: Dependencies): Pick<Handlers, 'takeReading' | 'strikeReading'> {
  return {
    takeReading: ({ request, params, body }) =>
      onOpenJob(
        dependencies,
        request,
        params.jobId,
        async ({ detail, models, transaction, log, person, now }) => {
          if (!detail.hoses.some((hose) => hose.hoseId === body.hoseId))
            throw fieldProblem('hoseId', 'is not in the scope of this job');
          // The same reading sent twice is one reading: the first reply was lost on the way.
          if (detail.readings.some((reading) => reading.id === body.id)) return;
          await models.Reading.create(
            { ...body, jobId: detail.job.id, takenBy: person.name, takenAt: now, struckBecause: null },
            { transaction },
          );
          // A length taken before this reading was made without it.
          await models.JobHose.update(
            { order_m: null, specified: false },
            { where: { jobId: detail.job.id, hoseId: body.hoseId }, transaction },
          );
          await log('readingTaken', { ...body });
        },
      ),

    strikeReading: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ detail, models, transaction, log }) => {
        const reading = detail.readings.find((candidate) => candidate.id === params.readingId);
        if (!reading) throw new AppProblem('not-found');
        if (reading.struckBecause !== null) return;
        await models.Reading.update(
          { struckBecause: body.because },
          { where: { id: reading.id }, transaction },
        );
        await models.JobHose.update(
          { order_m: null, specified: false },
          { where: { jobId: detail.job.id, hoseId: reading.hoseId }, transaction },
        );
        await log('readingStruck', { readingId: reading.id, because: body.because });
      }),
  };
}
