/** The steps of fitting that the demo's begun job has behind it: those of its plan up to the first joint that is not tight. */
import { plainStep } from '@zephyrcombe/core/plan';
import { fitPlanOf, isRecordedElsewhere } from '@zephyrcombe/workshop';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/database.ts';
import { detailOf, surroundingsOf } from '../features/jobs/job.repository.ts';
import { partsOfJobs } from '../features/jobs/jobParts.ts';
import { demoId } from './identity.ts';

const JOB = 'job/petrelle-bars';
/** What was told of them already: the joint that is tight. */
const TIGHT = 'petrelle/front/j-right';
const STEP_min = 3;

export async function seedFitting(database: Database, transaction: Transaction, now: Date): Promise<void> {
  const { models } = database;
  const job = await models.Job.findByPk(demoId(JOB), { transaction, rejectOnEmpty: true });
  const parts = await partsOfJobs(database, [job], transaction);
  const [own] = parts;
  if (!own) throw new Error('the begun job has no parts');
  const detail = detailOf(job, own, await surroundingsOf(database, [job], parts, transaction));
  const steps = fitPlanOf(detail).plan.steps.map(plainStep);
  const trial = steps.slice(0, steps.findIndex(isRecordedElsewhere));
  const tight = steps.filter(
    (step) =>
      'joint' in step &&
      step.joint === demoId(TIGHT) &&
      ['freshWashers', 'torque', 'byFeel', 'mark'].includes(step.kind),
  );
  const taken = [...trial, ...tight];
  const begin = now.getTime() - 24 * 3_600_000 - taken.length * STEP_min * 60_000;
  await models.FitStep.bulkCreate(
    taken.map((step, index) => {
      const at = new Date(begin + index * STEP_min * 60_000);
      return {
        id: demoId(`${JOB}/step ${index}`),
        jobId: job.id,
        step,
        undoesId: null,
        at,
        receivedAt: at,
        by: 'Brannoc Hale',
        byId: demoId('brannoc'),
      };
    }),
    { transaction },
  );
  // Each new hose came with a cap on each end, and each opening got one.
  for (const { hoseId } of detail.hoses)
    await models.JobHose.update(
      { plugs: { A: { put: 2, out: 2 }, B: { put: 2, out: 2 } } },
      { where: { jobId: job.id, hoseId }, transaction },
    );
}
