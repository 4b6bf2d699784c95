/** The new hoses were held against their routes: which ones, as they were then. Another box, proof or length is another hose. */
import { hoseOfJob } from '@zephyrcombe/contract';
import { offeredFacts } from '@zephyrcombe/workshop';
import type { JobAction } from './jobAction.ts';
import { approved } from './jobAction.ts';

export async function offerUp({
  detail,
  models,
  transaction,
  person,
  now,
}: Pick<JobAction, 'detail' | 'models' | 'transaction' | 'person' | 'now'>): Promise<void> {
  for (const { hoseId, version } of detail.hoses) {
    const own = hoseOfJob(detail, hoseId);
    if (own === null) continue;
    await models.JobHose.update(
      { offeredUp: approved({ person, now }, offeredFacts(own)), version: version + 1 },
      { where: { jobId: detail.job.id, hoseId }, transaction },
    );
  }
}
