/** What of a job still stands as it was approved. */
import type { HoseOfJob, JobDetail, JobHose } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed } from '@zephyrcombe/contract';
import { wasOfferedUp } from './fitted.ts';
import { hasLengthPassed } from './length.ts';
import { specificationFacts } from './specification.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

export const specificationStanding = (detail: JobDetail, own: HoseOfJob): Standing =>
  standingOf(own.hose.specification, specificationFacts(detail, own));

/**
 * The job with each hose specified only while its length and what was specified stand, and offered up only while the hoses in the
 * hand are those that were held against their routes. A hose that was specified before approvals were kept
 * goes by its tick; a job that is closed shows what it was closed with.
 */
export function withStandingApprovals(detail: JobDetail): JobDetail {
  if (isClosed(detail.job)) return detail;
  const stillSpecified = (hose: JobHose): boolean => {
    if (!hose.specified || hasLengthPassed(detail, hose)) return false;
    if (!hose.specification) return true;
    const own = hoseOfJob(detail, hose.hoseId);
    return own !== null && specificationStanding(detail, own).state === 'stands';
  };
  const offeredUp =
    detail.job.fitChecks.offeredUp &&
    detail.hoses.every(({ hoseId }) => {
      const own = hoseOfJob(detail, hoseId);
      return own === null || wasOfferedUp(own);
    });
  return {
    ...detail,
    job:
      offeredUp === detail.job.fitChecks.offeredUp
        ? detail.job
        : { ...detail.job, fitChecks: { ...detail.job.fitChecks, offeredUp } },
    hoses: detail.hoses.map((hose) =>
      stillSpecified(hose) === hose.specified ? hose : { ...hose, specified: false },
    ),
  };
}
