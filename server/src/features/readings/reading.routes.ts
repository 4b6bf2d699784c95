import type { JobHose } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { convertLength, judgeUnit, parseQuantity, sealingDatum, wrapAllowance } from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { requireMay } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers, ParsedBody } from '../../http/handlers.ts';
import { onOpenJob, requireStopsAnswered, told } from '../jobs/jobAction.ts';

/** A micrometre: the browser and the server round alike, and the text says it exactly. */
const SAME_m = 1e-6;

/** Refuses a length that is not what the text says in its datum, and asks about a unit that no brake hose has. */
function judgeTyped(
  { typed, length_m, datum, wrap, overrides }: ParsedBody<'takeReading'>,
  { endA, endB }: JobHose,
  person: Parameters<typeof requireStopsAnswered>[2],
): readonly Caution[] {
  const read = parseQuantity(typed, 'length');
  if (!read.ok) throw fieldProblem('typed', 'noLength');
  const along_m = read.value_SI - (wrap ? wrapAllowance(wrap).allowance_m : 0);
  const converted = convertLength({
    length_m: along_m,
    given: datum,
    wanted: sealingDatum(endA, endB),
    endA,
    endB,
  });
  if (!converted.ok || Math.abs(converted.value.length_m - length_m) > SAME_m)
    throw fieldProblem('length_m', 'notAsTypedThere');
  const cautions = judgeUnit(read.value, read.unit);
  requireStopsAnswered(cautions, overrides, person);
  return cautions;
}

/** Readings are evidence: they are added and struck out, never changed. */
export function readingHandlers(dependencies: Dependencies): Pick<Handlers, 'takeReading' | 'strikeReading'> {
  return {
    takeReading: ({ request, params, body }) =>
      onOpenJob(
        dependencies,
        request,
        params.jobId,
        async ({ detail, models, transaction, log, person, now }) => {
          const hose = detail.hoses.find(({ hoseId }) => hoseId === body.hoseId);
          if (!hose) throw fieldProblem('hoseId', 'notInScope');
          // The same reading sent twice is one reading: the first reply was lost on the way.
          if (detail.readings.some((reading) => reading.id === body.id)) return;
          const cautions = judgeTyped(body, hose, person);
          const { overrides, ...reading } = body;
          await models.Reading.create(
            {
              ...reading,
              jobId: detail.job.id,
              takenBy: person.name,
              takenById: person.id,
              takenAt: now,
              struckBecause: null,
            },
            { transaction },
          );
          // A length taken before this reading was made without it.
          await models.JobHose.update(
            { order_m: null, specified: false },
            { where: { jobId: detail.job.id, hoseId: body.hoseId }, transaction },
          );
          await log('readingTaken', { ...reading, overrides, cautions: told(cautions) });
        },
      ),

    strikeReading: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ detail, models, transaction, log, person }) => {
        const reading = detail.readings.find((candidate) => candidate.id === params.readingId);
        if (!reading) throw new AppProblem('not-found');
        if (reading.struckBecause !== null) return;
        if (reading.takenById !== person.id) requireMay(person, 'strikeOthers');
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
