/** Lines traced on pictures: kept with a job, saved on the version they were read at, taken out with their picture. */
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { onOpenJob } from '../jobs/jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';

/** As many tracings as a job needs and then some. */
const MOST_TRACES = 24;

export function traceHandlers(dependencies: Dependencies): Pick<Handlers, 'saveTrace' | 'removeTrace'> {
  return {
    saveTrace: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ detail, models, transaction, log }) => {
        const { version, name, tracing } = body;
        const known = detail.traces.find(({ id }) => id === params.traceId);
        if (known && version !== null) {
          requireVersion(known, version);
          await models.Trace.update(
            { name, tracing, version: version + 1 },
            { where: { id: known.id }, transaction },
          );
        } else if (known) {
          // Sent twice after a lost reply: it is kept already.
          return;
        } else {
          if (version !== null) throw new AppProblem('not-found');
          if ((await models.Trace.findByPk(params.traceId, { transaction })) !== null)
            throw new AppProblem('not-found');
          if (detail.traces.length >= MOST_TRACES)
            throw fieldProblem('traceId', 'tooMany', MOST_TRACES, 'tracings');
          await models.Trace.create(
            {
              id: params.traceId,
              jobId: detail.job.id,
              name,
              tracing,
              position: detail.traces.length,
              version: 0,
            },
            { transaction },
          );
        }
        await log('traceSaved', { traceId: params.traceId, name });
      }),

    removeTrace: ({ request, params }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ detail, models, transaction, log }) => {
        const trace = detail.traces.find(({ id }) => id === params.traceId);
        if (!trace) throw new AppProblem('not-found');
        await models.Photo.destroy({
          where: { jobId: detail.job.id, subject: 'trace', subjectId: trace.id },
          transaction,
        });
        await models.Trace.destroy({ where: { id: trace.id }, transaction });
        await log('traceRemoved', { traceId: trace.id, name: trace.name });
      }),
  };
}
