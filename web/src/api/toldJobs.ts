/** Jobs as the server last told of them, without what a page shows ahead of its answer. */
import type { JobChange, JobDetail } from '@zephyrcombe/contract';
import { withChange } from '@zephyrcombe/contract';

const told = new Map<string, JobDetail>();

export function keepTold(detail: JobDetail): JobDetail {
  told.set(detail.job.id, detail);
  return detail;
}

/** The job with what an action changed of it; null where it was another job than this page knows: it is asked for then. */
export function toldChange(change: JobChange): JobDetail | null {
  const known = told.get(change.jobId);
  const after = known ? withChange(known, change) : null;
  return after && keepTold(after);
}
