/** Which stages a job has, which of them are done, which comes next: what list, rail, server and sign-off read. */
import type { JobDetail, TorqueRecord } from '@zephyrcombe/contract';
import { isClosed, nipplesOf } from '@zephyrcombe/contract';
import type { Stage } from '@zephyrcombe/core';
import { isClear, STAGES } from '@zephyrcombe/core';
import { torqueStanding } from '../approvals/fitted.ts';
import { isClearOfDry } from '../gates/airWentIn.ts';
import { hasLengthPassed } from '../approvals/length.ts';
import { isLineMade } from '../approvals/line.ts';

/** What is known of a job without reading all of it. */
export interface JobTally {
  readonly endsConfirmed: boolean;
  readonly hoses: number;
  readonly measuredHoses: number;
  readonly specifiedHoses: number;
  /** Hard lines, those with a pattern, and those that are made. */
  readonly lines: number;
  readonly measuredLines: number;
  readonly madeLines: number;
  readonly joints: number;
  readonly torquedJoints: number;
  /** Brackets, clips, bolts and nipples that were taken off, and those that are on again. */
  readonly items: number;
  readonly fittedItems: number;
  readonly nipples: number;
  readonly clearNipples: number;
  readonly finished: boolean;
}

export interface Progress {
  /** Those that the scope needs: a fluid service has nothing to measure. */
  readonly stages: readonly Stage[];
  readonly done: readonly Stage[];
  /** The first of its stages that is not done; the last one when all are. */
  readonly next: Stage;
}

interface StageRule {
  readonly applies: (tally: JobTally) => boolean;
  readonly isDone: (tally: JobTally) => boolean;
}

const isRenewed = ({ hoses, lines }: JobTally) => hoses + lines > 0;

/** A stage is done on its own evidence; nobody is forced to take them in order. */
const RULES: Readonly<Record<Stage, StageRule>> = {
  'look-over': { applies: () => true, isDone: ({ endsConfirmed }) => endsConfirmed },
  measure: {
    applies: isRenewed,
    isDone: ({ hoses, measuredHoses, lines, measuredLines }) =>
      measuredHoses === hoses && measuredLines === lines,
  },
  specify: {
    applies: isRenewed,
    isDone: ({ hoses, specifiedHoses, lines, madeLines }) => specifiedHoses === hoses && madeLines === lines,
  },
  // A joint that was tightened stays in the job when its hose is taken out: it is evidence.
  fit: {
    applies: (tally) => isRenewed(tally) || tally.joints + tally.items > 0,
    isDone: ({ joints, torquedJoints, items, fittedItems }) =>
      joints + items > 0 && torquedJoints === joints && fittedItems === items,
  },
  bleed: {
    applies: () => true,
    isDone: ({ nipples, clearNipples }) => nipples > 0 && clearNipples === nipples,
  },
  'hand-over': { applies: () => true, isDone: ({ finished }) => finished },
};

export function jobProgress(tally: JobTally): Progress {
  const stages = STAGES.filter((stage) => RULES[stage].applies(tally));
  const done = stages.filter((stage) => RULES[stage].isDone(tally));
  return { stages, done, next: stages.find((stage) => !done.includes(stage)) ?? 'hand-over' };
}

/** Tightened within its range at the last, or by feel where there is no figure, with the parts that are in it now, and not opened since. */
export function isTorqued(detail: JobDetail, jointId: string): boolean {
  const last = detail.torqueRecords.findLast((record) => record.jointId === jointId);
  return (
    last !== undefined &&
    !isTooFar(last) &&
    !isOpenedSince(detail, jointId) &&
    (isClosed(detail.job) || torqueStanding(detail, last).state !== 'passed')
  );
}

/** Its bolt was stretched, or its thread or seat may be: over its limit, or turned on without getting tighter. */
export const isTooFar = ({ verdict }: Pick<TorqueRecord, 'verdict'>): boolean =>
  verdict === 'above' || verdict === 'yielded';

/** Its last step that opens or tightens is one that opens. */
export function isOpenedSince({ fitSteps }: Pick<JobDetail, 'fitSteps'>, jointId: string): boolean {
  const last = fitSteps.findLast(
    ({ step }) =>
      'joint' in step && step.joint === jointId && ['crack', 'open', 'torque', 'byFeel'].includes(step.kind),
  );
  return last !== undefined && (last.step.kind === 'crack' || last.step.kind === 'open');
}

/** Seen dry since it was tightened as it is. */
export const isDry = (detail: JobDetail, jointId: string): boolean =>
  isTorqued(detail, jointId) && detail.joints.some((joint) => joint.jointId === jointId && joint.leakChecked);

/** Called clear, nothing moved there since, and nobody found its reservoir empty since. */
export const isNippleClear = (detail: JobDetail, nippleId: string): boolean =>
  isClear(detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events ?? []) &&
  isClearOfDry(detail, nippleId);

export function progressOf(detail: JobDetail): Progress {
  const nipples = nipplesOf(detail);
  return jobProgress({
    endsConfirmed: detail.job.endsConfirmed,
    hoses: detail.hoses.length,
    measuredHoses: detail.hoses.filter(
      (hose) => hose.order_m !== null && (isClosed(detail.job) || !hasLengthPassed(detail, hose)),
    ).length,
    specifiedHoses: detail.hoses.filter((hose) => hose.specified).length,
    lines: detail.lines.length,
    measuredLines: detail.lines.filter(({ pattern }) => pattern !== null).length,
    madeLines: detail.lines.filter((line) =>
      isClosed(detail.job) ? line.made !== null : isLineMade(detail, line),
    ).length,
    joints: detail.joints.length,
    torquedJoints: detail.joints.filter(({ jointId }) => isTorqued(detail, jointId)).length,
    items: detail.items.length,
    fittedItems: detail.items.filter(({ done }) => done !== null).length,
    nipples: nipples.length,
    clearNipples: nipples.filter(({ id }) => isNippleClear(detail, id)).length,
    finished: detail.job.status === 'finished',
  });
}
