/** How new hoses come into the hand between Specify and Fit: ordered and taken out of the box, or made up here and proved. */
import type { JobDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, proofCautions } from '@zephyrcombe/contract';
import { proofStanding } from '../approvals/proof.ts';

export const PARTS_STEPS = ['order', 'box', 'build'] as const;
export type PartsStep = (typeof PARTS_STEPS)[number];

export interface PartsProgress {
  readonly step: PartsStep;
  /** Hoses that it is about, and those that are through. */
  readonly of: number;
  readonly done: number;
}

/** Those that the job needs; none for a job without hoses. A box that was looked into was ordered, by whatever way. */
export function partsSteps(detail: JobDetail): readonly PartsProgress[] {
  const hoses = detail.hoses.flatMap(({ hoseId }) => hoseOfJob(detail, hoseId) ?? []);
  const made = hoses.filter((own) => buildOf(own).madeHere);
  const bought = hoses.filter((own) => !made.includes(own));
  const isOrdered = Boolean(detail.job.supply?.confirmation);
  const steps: readonly PartsProgress[] = [
    {
      step: 'order',
      of: bought.length,
      done: bought.filter(({ hose }) => isOrdered || hose.kit !== null).length,
    },
    {
      step: 'box',
      of: bought.length,
      done: bought.filter(({ hose }) => hose.kit?.decided && hose.kit.decided.verdict !== 'return').length,
    },
    {
      step: 'build',
      of: made.length,
      done: made.filter(
        (own) =>
          own.hose.makeUp.steps.some(({ step }) => step === 'cap') &&
          proofCautions(own.hose).length === 0 &&
          proofStanding(own).state !== 'passed',
      ).length,
    },
  ];
  return steps.filter(({ of }) => of > 0);
}

/** The first of them that is not through; null where all hoses are in the hand. */
export const nextPartsStep = (detail: JobDetail): PartsStep | null =>
  partsSteps(detail).find(({ of, done }) => done < of)?.step ?? null;
