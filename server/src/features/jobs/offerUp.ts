/** The new hoses were held against their routes: which ones, as they were then. Another box, proof or length is another hose. */
import type { FitChecks, JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob } from '@zephyrcombe/contract';
import { isOfferedUp, offeredFacts } from '@zephyrcombe/workshop';
import { fieldProblem } from '../../http/appProblem.ts';
import type { JobAction } from './jobAction.ts';
import { approved } from './jobAction.ts';

type Ticks = { readonly [Check in keyof FitChecks]?: boolean | undefined };
type OfferUp = Pick<JobAction, 'detail' | 'models' | 'transaction' | 'person' | 'now'>;

/** `hoseIds` are all that were: another one was not, or is not any more. What was held against its route stays as it was said. */
export async function offerUp(
  { detail, models, transaction, person, now }: OfferUp,
  hoseIds: readonly string[],
): Promise<void> {
  for (const { hoseId, version, offeredUp } of detail.hoses) {
    const own = hoseOfJob(detail, hoseId);
    if (own === null) continue;
    const wanted = hoseIds.includes(hoseId);
    if (wanted ? isOfferedUp(own) : !offeredUp) continue;
    await models.JobHose.update(
      {
        offeredUp: wanted ? approved({ person, now }, offeredFacts(own)) : null,
        version: version + 1,
      },
      { where: { jobId: detail.job.id, hoseId }, transaction },
    );
  }
}

/** The hoses that somebody says were held against their routes, and the ticks as they are with it; null where nothing is said of it. */
export function offeredOf(
  { hoses }: JobDetail,
  fitChecks: Ticks | undefined,
  offeredHoses: readonly string[] | undefined,
): { readonly offered: readonly string[] | null; readonly fitChecks: Ticks | undefined } {
  const all = hoses.map(({ hoseId }) => hoseId);
  if (offeredHoses === undefined) {
    const ticked = fitChecks?.offeredUp;
    return { offered: ticked === undefined ? null : ticked ? all : [], fitChecks };
  }
  if (offeredHoses.some((id) => !all.includes(id))) throw fieldProblem('offeredHoses', 'notInScope');
  const offeredUp = all.every((id) => offeredHoses.includes(id));
  return { offered: offeredHoses, fitChecks: { ...fitChecks, offeredUp } };
}

/** Those of them that have not been so far: what was held against its route needs not be here again. */
export const notYetOffered = (detail: JobDetail, hoseIds: readonly string[]): readonly string[] =>
  hoseIds.filter((id) => {
    const own = hoseOfJob(detail, id);
    return own !== null && !isOfferedUp(own);
  });
