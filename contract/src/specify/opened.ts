/** Whether the brake was opened, from what stands in a job now and from what its log tells of before. */
import type { FitChecks, JobDetail } from '../entities/job.ts';
import type { PlanStep } from '@zephyrcombe/core/plan';
import type { LogKind } from '../entities/log.ts';

/** Untouched; opened as the record stands; or said to be opened once, and taken back since. */
export type Opening = 'untouched' | 'opened' | 'takenBack';

/** Checks that are made with the new hoses on. */
const HOSES_ON: readonly (keyof FitChecks)[] = ['settle', 'lockToLock', 'droopAndBump'];

/** Steps of fitting after which the brake is not whole. */
const OPENING: ReadonlySet<unknown> = new Set<PlanStep['kind']>([
  'drainReservoir',
  'drainNipple',
  'crack',
  'open',
  'takeOff',
]);

/** Whether a step, as the log tells it, opens the brake. */
export const stepOfOpening = (step: unknown): boolean =>
  typeof step === 'object' && step !== null && 'kind' in step && OPENING.has(step.kind);

const standsOpened = ({ job, joints, torqueRecords, bleedRuns, fitSteps }: JobDetail): boolean =>
  joints.some(({ handTight, leakChecked }) => handTight || leakChecked) ||
  torqueRecords.length > 0 ||
  fitSteps.some(({ step }) => stepOfOpening(step)) ||
  HOSES_ON.some((check) => job.fitChecks[check]) ||
  bleedRuns.some(({ events }) => events.length > 0);

/** Lines of the log that tell of an opened brake, ticked or taken back. */
export const TELLS_OF_OPENING: readonly LogKind[] = ['handTight', 'leakChecked', 'torqued', 'bled'];

/** Whether a line of ticks while fitting tells of it: the first of them is made before anything is opened. */
export const ticksOfOpening = (ticks: Readonly<Record<string, unknown>>): boolean =>
  HOSES_ON.some((check) => ticks[check] !== undefined);

export const openingOf = (detail: JobDetail): Opening =>
  standsOpened(detail) ? 'opened' : detail.openedOnce ? 'takenBack' : 'untouched';

/** What has to be said when a job is given up; null where nothing stands against it. */
export type AbandonRefusal = 'leftOpenNotSaid' | 'takenBackNotSaid' | 'notYours';

export interface AbandonWord {
  readonly brakeLeftOpen: boolean;
  /** What was ticked was a slip: nothing was opened. */
  readonly tickedByMistake: boolean;
}

/**
 * A brake that was opened is put together and signed off, or the vehicle does not run. A tick that was taken back does not say
 * by itself that nothing was opened.
 */
export function refuseAbandon(
  opening: Opening,
  { brakeLeftOpen, tickedByMistake }: AbandonWord,
  mayDecide: boolean,
): AbandonRefusal | null {
  if (opening === 'untouched') return null;
  if (!mayDecide) return 'notYours';
  if (brakeLeftOpen) return null;
  if (opening === 'opened') return 'leftOpenNotSaid';
  return tickedByMistake ? null : 'takenBackNotSaid';
}
