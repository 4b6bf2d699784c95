import type { JobDetail } from '../entities/job.ts';

/** Whether anything on the vehicle was touched with a wrench or a nipple opened, as far as the record goes. */
export const wasOpened = ({ joints, torqueRecords, bleedRuns }: JobDetail): boolean =>
  joints.some(({ handTight, leakChecked }) => handTight || leakChecked) ||
  torqueRecords.length > 0 ||
  bleedRuns.some(({ events }) => events.length > 0);
