/** How long steps of fitting took in the shop's jobs: the newest of each kind. */
import { MOST_TIMES } from '@zephyrcombe/contract';
import { stepDurations } from '@zephyrcombe/core/plan';
import { Op } from 'sequelize';
import type { Models } from '../../database/database.ts';

/** As many rows as some dozens of jobs have: older work tells nothing of today's. */
const NEWEST_STEPS = 4000;

export async function stepTimes(
  { FitStep }: Models,
  without: string | undefined,
): Promise<{ readonly items: { readonly kind: string; readonly durations_s: number[] }[] }> {
  const rows = await FitStep.findAll({
    where: without === undefined ? {} : { jobId: { [Op.ne]: without } },
    attributes: ['id', 'jobId', 'sequence', 'step', 'undoesId', 'at'],
    order: [['sequence', 'DESC']],
    limit: NEWEST_STEPS,
  });
  const undone = new Set(rows.flatMap(({ undoesId }) => (undoesId === null ? [] : [undoesId])));
  const jobs = new Map<string, typeof rows>();
  for (const row of rows) {
    if (row.step === null || undone.has(row.id)) continue;
    jobs.set(row.jobId, [...(jobs.get(row.jobId) ?? []), row]);
  }
  const durations = new Map<string, number[]>();
  // The job that was worked on last comes first.
  for (const steps of jobs.values()) {
    const logged = steps
      .toReversed()
      .flatMap(({ step, at }) => (step === null ? [] : [{ kind: step.kind, at_s: at.getTime() / 1000 }]));
    for (const [kind, taken] of stepDurations(logged))
      durations.set(kind, [...(durations.get(kind) ?? []), ...taken].slice(0, MOST_TIMES));
  }
  return { items: [...durations].map(([kind, durations_s]) => ({ kind, durations_s })) };
}
