/** What a job puts on new. A joint that is only opened and tightened anew has nothing to offer up and nothing to settle. */
import type { JobDetail } from '@zephyrcombe/contract';

/** A joint that is only tightened anew has nothing to hold against its route. */
export interface Renewed {
  readonly hoses: boolean;
  readonly lines: boolean;
}

type Job = Pick<JobDetail, 'job' | 'hoses' | 'lines'>;

export const renewedIn = ({ hoses, lines }: Job): Renewed => ({
  hoses: hoses.length > 0,
  lines: lines.length > 0,
});

/** Every new hose was held against its route: nothing was, where none is new. */
export const isOffered = (detail: Job): boolean => detail.job.fitChecks.offeredUp || !renewedIn(detail).hoses;
