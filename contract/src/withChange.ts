import type { JobChange, JobDetail } from './entities/job.ts';

/** The job after an action; null where the job that is known is another one than the action met. */
export function withChange(known: JobDetail, { was, stamp, changed }: JobChange): JobDetail | null {
  return known.stamp === was ? ({ ...known, ...changed, stamp } as JobDetail) : null;
}
