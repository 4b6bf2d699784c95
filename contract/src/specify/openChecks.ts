/** Everything that still stands between a job and its signature, counted. */
import { isClear, judgeHandover } from '@zephyrcombe/core';
import type { JobDetail } from '../entities/job.ts';
import { uncountedOpenings } from './caps.ts';
import { nipplesOf } from './partsOfJob.ts';

export interface OpenChecks {
  readonly toTorque: number;
  readonly toSeeDry: number;
  readonly toRunClear: number;
  readonly toCount: number;
  readonly ticks: number;
  readonly all: number;
}

/** Joints without a torque within their range, joints not seen dry, nipples not clear, openings not counted, final ticks. */
export function openChecks(detail: JobDetail): OpenChecks {
  const { job, joints, torqueRecords, bleedRuns } = detail;
  const torqued = (jointId: string) =>
    torqueRecords.some((record) => record.jointId === jointId && record.verdict === 'within');
  const counts = {
    toTorque: joints.filter(({ jointId }) => !torqued(jointId)).length,
    toSeeDry: joints.filter(({ leakChecked }) => !leakChecked).length,
    toRunClear: nipplesOf(detail).filter(
      ({ id }) => !isClear(bleedRuns.find(({ nippleId }) => nippleId === id)?.events ?? []),
    ).length,
    toCount: uncountedOpenings(detail),
    ticks: judgeHandover(job.handoverChecks, { hasJoints: joints.length > 0 }).open.length,
  };
  return { ...counts, all: Object.values(counts).reduce((sum, count) => sum + count, 0) };
}

const many = (count: number, one: string, more: string) => (count === 1 ? `1 ${one}` : `${count} ${more}`);

/** "14 checks are still open: 3 joints to torque, …"; null when nothing is. */
export function openChecksText(open: OpenChecks): string | null {
  if (open.all === 0) return null;
  const parts = [
    open.toTorque > 0 ? `${many(open.toTorque, 'joint', 'joints')} to torque` : null,
    open.toSeeDry > 0 ? `${many(open.toSeeDry, 'joint', 'joints')} to see dry` : null,
    open.toRunClear > 0 ? `${many(open.toRunClear, 'nipple', 'nipples')} to run clear` : null,
    open.toCount > 0 ? `caps of ${many(open.toCount, 'opening', 'openings')} to count` : null,
    open.ticks > 0 ? `${many(open.ticks, 'final check', 'final checks')} to tick` : null,
  ].filter((part) => part !== null);
  return `${many(open.all, 'check is', 'checks are')} still open: ${parts.join(', ')}.`;
}
