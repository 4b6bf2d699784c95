/** Caps and plugs of a job: at one joint, and over all of it. */
import type { Caution } from '@zephyrcombe/core';
import { judgePlugs } from '@zephyrcombe/core';
import type { Plugs } from '../entities/hoseBuild.ts';
import type { JobDetail } from '../entities/job.ts';
import { partsOf } from './partsOfJob.ts';

type Count = Plugs['A'];

const total = (counts: readonly Count[], which: 'put' | 'out'): number =>
  counts.reduce((sum, count) => sum + (count?.[which] ?? 0), 0);

const cautionsOf = (counts: readonly Count[]): readonly Caution[] =>
  judgePlugs(total(counts, 'put'), total(counts, 'out'));

/** The openings that meet at a joint: the ends of its hoses. */
function countsAt(detail: JobDetail, jointId: string): readonly Count[] {
  return detail.hoses.flatMap(({ hoseId, plugs }): readonly Count[] => {
    const line = partsOf(detail).hoses.find(({ id }) => id === hoseId);
    return [
      ...(line?.fromJointId === jointId ? [plugs.A] : []),
      ...(line?.toJointId === jointId ? [plugs.B] : []),
    ];
  });
}

/** M35 for one joint: a plug that is still in stops it, whatever the others do. */
export const capsAt = (detail: JobDetail, jointId: string): readonly Caution[] =>
  cautionsOf(countsAt(detail, jointId).filter((count) => (count?.put ?? 0) > (count?.out ?? 0)));

/** M35 for the job as a whole. */
export const capsOfJob = ({ hoses }: JobDetail): readonly Caution[] =>
  cautionsOf(hoses.flatMap(({ plugs }) => [plugs.A, plugs.B]));

/** Openings whose caps nobody has counted: not the same as none. */
export const uncountedOpenings = ({ hoses }: Pick<JobDetail, 'hoses'>): number =>
  hoses.reduce((sum, { plugs }) => sum + Number(plugs.A === null) + Number(plugs.B === null), 0);

/** A hose comes, or is made, with a cap on each of its ends: counted unless somebody has counted already. */
export const withCaps = ({ A, B }: Plugs): Plugs => ({
  A: A ?? { put: 1, out: 0 },
  B: B ?? { put: 1, out: 0 },
});
