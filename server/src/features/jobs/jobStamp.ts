/** What a job was when it was read, in a few letters; and what of it an action changed. */
import { createHash } from 'node:crypto';
import type { JobChange, JobDetail } from '@zephyrcombe/contract';

/** What is counted at the nipples comes by replies of its own, with a number of its own. */
type Stamped = Omit<JobDetail, 'bleedRuns' | 'stamp'>;
type Name = keyof Stamped;

const written = ({ bleedRuns: _bleedRuns, stamp: _stamp, ...stamped }: JobDetail) =>
  (Object.entries(stamped) as [Name, unknown][])
    .map(([name, part]) => [name, JSON.stringify(part)] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1));

function stampFrom(parts: readonly (readonly [string, string])[]): string {
  const hash = createHash('sha256');
  for (const [name, part] of parts) hash.update(name).update(part);
  return hash.digest('base64url').slice(0, 22);
}

export const stampOf = (detail: JobDetail): string => stampFrom(written(detail));

/** The parts of a job that are not what they were. */
export function changeOf(before: JobDetail, after: JobDetail): JobChange {
  const was = new Map(written(before));
  const is = written(after);
  return {
    jobId: after.job.id,
    was: stampFrom([...was]),
    stamp: stampFrom(is),
    changed: Object.fromEntries(
      is.filter(([name, part]) => was.get(name) !== part).map(([name]) => [name, after[name]]),
    ),
  };
}
