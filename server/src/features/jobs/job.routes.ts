import { standingCautions } from '@zephyrcombe/workshop';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { personOf } from '../../http/access.ts';
import { abandonJob } from './abandonJob.ts';
import { chooseLayout } from './chooseLayout.ts';
import { editJobHose } from './editJobHose.ts';
import { editJobJoint } from './editJobJoint.ts';
import { editJobLine } from './editJobLine.ts';
import { pageOfLog } from './jobLog.ts';
import { seePort } from './seePort.ts';
import { checkKit } from './kit.ts';
import { makeUpHose, proveHose } from './makeUp.ts';
import { finishJob } from './finishJob.ts';
import { keptEvidence } from '../evidence/keptEvidence.ts';
import { loadJobDetail, toJob } from './job.repository.ts';
import { pageOfJobs } from './jobList.ts';
import { onOpenJob } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { removeItem, saveItem } from './items.ts';
import { setScope } from './jobScope.ts';
import { startJob } from './startJob.ts';

type JobHandlers = Pick<
  Handlers,
  | 'listJobs'
  | 'startJob'
  | 'abandonJob'
  | 'getJob'
  | 'getJobCautions'
  | 'getJobLog'
  | 'editJob'
  | 'editJobHose'
  | 'editJobLine'
  | 'saveItem'
  | 'removeItem'
  | 'editJobJoint'
  | 'seePort'
  | 'makeUpHose'
  | 'proveHose'
  | 'checkKit'
  | 'setScope'
  | 'chooseLayout'
  | 'finishJob'
>;

export function jobHandlers(dependencies: Dependencies): JobHandlers {
  const { database } = dependencies;
  const { models } = database;
  return {
    listJobs: ({ query }) => pageOfJobs(database, query),

    getJob: ({ params }) => loadJobDetail(database, params.jobId),

    async getJobCautions({ params }) {
      const detail = await loadJobDetail(database, params.jobId);
      const kept = await keptEvidence(models, params.jobId);
      return {
        items: [
          ...standingCautions(detail).map(({ gate, caution }) => ({ gate, ...caution })),
          ...kept.flatMap(({ subject, cautions }) =>
            cautions.map((caution) => ({ gate: 'evidence' as const, subject, ...caution })),
          ),
        ],
      };
    },

    getJobLog: ({ params, query }) => pageOfLog(models, params.jobId, query),

    startJob: ({ request, body }) => startJob(dependencies, personOf(request), body),

    editJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ job, transaction, log }) => {
        const { version, handoverChecks, ...rest } = body;
        const titleBefore = job.title;
        if (job.version !== version) throw new AppProblem('stale-write', { current: toJob(job) });
        // Checks come one by one and are merged: two people ticking at once do not untick each other.
        const changes = {
          ...definedOnly(rest),
          ...(handoverChecks ? { handoverChecks: { ...job.handoverChecks, ...handoverChecks } } : {}),
        };
        await job.update({ ...changes, version: version + 1 }, { transaction });
        if (rest.title !== undefined && rest.title !== titleBefore)
          await log('renamed', { from: titleBefore, title: rest.title });
        if (rest.endsConfirmed !== undefined || rest.reason !== undefined) {
          await log('lookedOver', { endsConfirmed: job.endsConfirmed, reason: job.reason });
        }
        if (rest.orderTerms) await log('orderTermsSet', { ...rest.orderTerms });
        if (handoverChecks) await log('handoverChecked', { ...handoverChecks });
      }),

    abandonJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await abandonJob(action, body);
      }),

    editJobHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => editJobHose(action, params.hoseId, body)),

    editJobLine: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => editJobLine(action, params.lineId, body)),

    saveItem: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => saveItem(action, params.itemId, body)),

    removeItem: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) =>
        removeItem(action, params.itemId, body.because),
      ),

    editJobJoint: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => editJobJoint(action, params.jointId, body)),

    seePort: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => seePort(action, params.jointId, body)),

    makeUpHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => makeUpHose(action, params.hoseId, body)),

    proveHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => proveHose(action, params.hoseId, body)),

    checkKit: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => checkKit(action, params.hoseId, body)),

    setScope: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await setScope(action, body);
      }),

    chooseLayout: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await chooseLayout(action, body.circuitId, body.layout);
      }),

    finishJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await finishJob(action, body);
      }),
  };
}
