/** Everything that still stands between a job and its signature, counted. */
import { judgeHandover } from '@zephyrcombe/core';
import type { JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, uncountedOpenings } from '@zephyrcombe/contract';
import { isDry, isNippleClear, isTorqued } from './stages.ts';

export interface OpenChecks {
  readonly toTorque: number;
  readonly toSeeDry: number;
  readonly toRunClear: number;
  readonly toCount: number;
  readonly toPutOn: number;
  readonly ticks: number;
  readonly all: number;
}

/** Joints without a torque within their range, joints not seen dry, nipples not clear, openings not counted, final ticks. */
export function openChecks(detail: JobDetail): OpenChecks {
  const { job, joints } = detail;
  const counts = {
    toTorque: joints.filter(({ jointId }) => !isTorqued(detail, jointId)).length,
    toSeeDry: joints.filter(({ jointId }) => !isDry(detail, jointId)).length,
    toRunClear: nipplesOf(detail).filter(({ id }) => !isNippleClear(detail, id)).length,
    toCount: uncountedOpenings(detail),
    toPutOn: detail.items.filter(({ done }) => done === null).length,
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
    open.toPutOn > 0
      ? `${many(open.toPutOn, 'bracket, clip or bolt', 'brackets, clips and bolts')} to put on`
      : null,
    open.ticks > 0 ? `${many(open.ticks, 'final check', 'final checks')} to tick` : null,
  ].filter((part) => part !== null);
  return `${many(open.all, 'check is', 'checks are')} still open: ${parts.join(', ')}.`;
}
