import { offerUpGate } from '@zephyrcombe/workshop';
import { Op, UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { personOf } from '../../http/access.ts';
import { loadCircuits } from '../vehicles/circuit.repository.ts';
import { abandonJob } from './abandonJob.ts';
import { chooseLayout } from './chooseLayout.ts';
import { editJobHose } from './editJobHose.ts';
import { editJobJoint } from './editJobJoint.ts';
import { checkKit } from './kit.ts';
import { makeUpHose, proveHose } from './makeUp.ts';
import { finishJob } from './finishJob.ts';
import type { JobRow } from './job.model.ts';
import { loadJobDetail, toJob } from './job.repository.ts';
import { pageOfJobs } from './jobList.ts';
import { onOpenJob, requireWay, writeLog } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { setJobHoses } from './jobScope.ts';
import { newJobHose, newJobJoint, NOT_FITTED } from './newJob.ts';

type JobHandlers = Pick<
  Handlers,
  | 'listJobs'
  | 'startJob'
  | 'abandonJob'
  | 'getJob'
  | 'getJobLog'
  | 'editJob'
  | 'editJobHose'
  | 'editJobJoint'
  | 'makeUpHose'
  | 'proveHose'
  | 'checkKit'
  | 'setJobHoses'
  | 'chooseLayout'
  | 'finishJob'
>;

export function jobHandlers(dependencies: Dependencies): JobHandlers {
  const { database, clock } = dependencies;
  const { models } = database;
  /** What was started before under the id that somebody starts a job with. */
  const sameJob = (known: JobRow, vehicleId: string) => {
    if (known.vehicleId !== vehicleId) throw fieldProblem('id', 'is that of a job on another vehicle');
    return loadJobDetail(database, known.id);
  };
  return {
    listJobs: ({ query }) => pageOfJobs(database, query),

    getJob: ({ params }) => loadJobDetail(database, params.jobId),

    async getJobLog({ params, query }) {
      const rows = await models.LogEntry.findAll({
        where: { jobId: params.jobId, sequence: { [Op.gt]: query.after } },
        order: [['sequence', 'ASC']],
        limit: query.limit + 1,
      });
      const shown = rows.slice(0, query.limit);
      return {
        items: shown.map(({ id, sequence, at, by, byId, kind, detail, correctsId }) => ({
          id,
          sequence: Number(sequence),
          at: at.toISOString(),
          by,
          byId,
          kind,
          detail,
          correctsId,
        })),
        next: rows.length > query.limit ? String(shown.at(-1)?.sequence ?? '') : null,
      };
    },

    async startJob({ request, body }) {
      const now = clock();
      const person = personOf(request);
      const vehicle = await models.Vehicle.findByPk(body.vehicleId);
      if (vehicle === null) throw fieldProblem('vehicleId', 'is not a vehicle of this shop');
      const circuit = (await loadCircuits(database, { id: body.circuitId }))[0];
      if (circuit === undefined || circuit.vehicleId !== vehicle.id)
        throw fieldProblem('circuitId', 'is not a circuit of this vehicle');
      const hoses = body.hoseIds.map((hoseId) => {
        const hose = circuit.hoses.find((candidate) => candidate.id === hoseId);
        if (!hose) throw fieldProblem('hoseIds', 'names a hose that is not on this circuit');
        if (hose.kind !== 'hose') throw fieldProblem('hoseIds', 'names a hard line, not a hose');
        return hose;
      });
      const touched = new Set(hoses.flatMap((hose) => [hose.fromJointId, hose.toJointId]));
      const jobId = body.id;
      // The same job sent twice is one job: the first reply was lost, or the button was pressed twice.
      const known = await models.Job.findByPk(jobId);
      if (known !== null) return sameJob(known, vehicle.id);
      const create = database.transaction(async (transaction) => {
        await models.Job.create(
          {
            id: jobId,
            vehicleId: vehicle.id,
            circuitId: circuit.id,
            title: body.title,
            reason: body.reason,
            status: 'open',
            openedOn: calendarDateOf(now),
            openedBy: person.name,
            openedById: person.id,
            finishedOn: null,
            signedBy: null,
            signedById: null,
            abandoned: null,
            endsConfirmed: false,
            supply: null,
            orderTerms: null,
            fitChecks: NOT_FITTED,
            handoverChecks: {},
            circuitBefore: null,
            circuitSigned: null,
            version: 0,
          },
          { transaction },
        );
        await models.JobHose.bulkCreate(
          hoses.map((hose, position) => newJobHose(jobId, hose, position)),
          { transaction },
        );
        await models.JobJoint.bulkCreate(
          circuit.joints
            .filter((joint) => touched.has(joint.id))
            .map((joint, position) => newJobJoint(jobId, joint, position)),
          { transaction },
        );
        await writeLog(models, transaction, {
          jobId,
          kind: 'opened',
          by: person.name,
          byId: person.id,
          at: now,
          detail: { title: body.title, reason: body.reason, hoses: hoses.map((hose) => hose.name) },
        });
      });
      try {
        await create;
      } catch (error) {
        // Both were on their way at once.
        if (!(error instanceof UniqueConstraintError)) throw error;
        return sameJob(await models.Job.findByPk(jobId, { rejectOnEmpty: true }), vehicle.id);
      }
      return loadJobDetail(database, jobId);
    },

    editJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async ({ job, detail, person, transaction, log }) => {
        const { version, fitChecks, handoverChecks, ...rest } = body;
        const titleBefore = job.title;
        if (job.version !== version) throw new AppProblem('stale-write', { current: toJob(job) });
        if (fitChecks?.offeredUp === true) requireWay(offerUpGate(detail), person);
        // Checks come one by one and are merged: two people ticking at once do not untick each other.
        const changes = {
          ...definedOnly(rest),
          ...(fitChecks ? { fitChecks: { ...job.fitChecks, ...definedOnly(fitChecks) } } : {}),
          ...(handoverChecks ? { handoverChecks: { ...job.handoverChecks, ...handoverChecks } } : {}),
        };
        await job.update({ ...changes, version: version + 1 }, { transaction });
        if (rest.title !== undefined && rest.title !== titleBefore)
          await log('renamed', { from: titleBefore, title: rest.title });
        if (rest.endsConfirmed !== undefined || rest.reason !== undefined) {
          await log('lookedOver', { endsConfirmed: job.endsConfirmed, reason: job.reason });
        }
        if (rest.orderTerms) await log('orderTermsSet', { ...rest.orderTerms });
        if (fitChecks) await log('fitChecked', { ...fitChecks });
        if (handoverChecks) await log('handoverChecked', { ...handoverChecks });
      }),

    abandonJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await abandonJob(action, body);
      }),

    editJobHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => editJobHose(action, params.hoseId, body)),

    editJobJoint: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => editJobJoint(action, params.jointId, body)),

    makeUpHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => makeUpHose(action, params.hoseId, body)),

    proveHose: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => proveHose(action, params.hoseId, body)),

    checkKit: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, (action) => checkKit(action, params.hoseId, body)),

    setJobHoses: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await setJobHoses(action, body.hoseIds);
      }),

    chooseLayout: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await chooseLayout(action, body.layout);
      }),

    finishJob: ({ request, params, body }) =>
      onOpenJob(dependencies, request, params.jobId, async (action) => {
        requireVersion(toJob(action.job), body.version);
        await finishJob(action, body);
      }),
  };
}
