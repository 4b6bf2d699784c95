/** What a job puts on new. A joint that is only opened and tightened anew has nothing to offer up and nothing to settle. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { Renewed } from '@zephyrcombe/core';

type Job = Pick<JobDetail, 'job' | 'hoses' | 'lines'>;

export const renewedIn = ({ hoses, lines }: Job): Renewed => ({
  hoses: hoses.length > 0,
  lines: lines.length > 0,
});

/** Everything new was held against its route: nothing was, where nothing is new. */
export const isOffered = (detail: Job): boolean => {
  const { hoses, lines } = renewedIn(detail);
  return detail.job.fitChecks.offeredUp || !(hoses || lines);
};

/** New hoses have found their own lie and were seen through their poses. */
export const isSettled = (detail: Job): boolean => {
  const { settle, lockToLock, droopAndBump } = detail.job.fitChecks;
  return !renewedIn(detail).hoses || (settle && lockToLock && droopAndBump);
};
