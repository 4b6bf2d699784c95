/** Jobs as lists show them, newest first, a page at a time. */
import type { Job, JobSummary } from '@zephyrcombe/contract';
import { isClear, jobProgress } from '@zephyrcombe/core';
import type { WhereOptions } from 'sequelize';
import { literal, Op } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { anywhere, behind, inOrder, pageOf, readPlace } from '../../http/paging.ts';
import type { JobRow } from './job.model.ts';

const NEWEST = ['openedOn', 'id'] as const;

interface Wanted {
  readonly status?: Job['status'] | undefined;
  readonly vehicleId?: string | undefined;
  readonly search?: string | undefined;
  readonly after?: string | undefined;
  readonly limit: number;
}

export async function pageOfJobs(
  database: Database,
  { status, vehicleId, search, after, limit }: Wanted,
): Promise<{ items: JobSummary[]; next: string | null }> {
  const conditions: WhereOptions[] = [];
  if (status) conditions.push({ status });
  if (vehicleId !== undefined) conditions.push({ vehicleId });
  if (search) conditions.push(found(database, search));
  if (after !== undefined) conditions.push(behind(NEWEST, 'DESC', readPlace(after, ['day', 'text'])));
  const rows = await database.models.Job.findAll({
    where: { [Op.and]: conditions },
    order: inOrder(NEWEST, 'DESC'),
    limit: limit + 1,
  });
  const { shown, next } = pageOf(rows, limit, ({ openedOn, id }) => [openedOn, id]);
  return { items: [...(await summariseJobs(database, shown))], next };
}

/** In the job's title, or the vehicle's name or plate. */
function found({ sequelize }: Database, search: string): WhereOptions {
  const like = sequelize.escape(anywhere(search));
  return {
    [Op.or]: [
      { title: { [Op.like]: anywhere(search) } },
      {
        vehicleId: {
          [Op.in]: literal(`(SELECT id FROM vehicle WHERE name LIKE ${like} OR plate LIKE ${like})`),
        },
      },
    ],
  };
}

/** What a list shows of each job; a handful of queries however long the list. */
async function summariseJobs({ models }: Database, jobs: readonly JobRow[]): Promise<readonly JobSummary[]> {
  const jobId = jobs.map((job) => job.id);
  const [vehicles, circuits, hoses, joints, torques, runs, nipples] = await Promise.all([
    models.Vehicle.findAll({ where: { id: jobs.map((job) => job.vehicleId) }, attributes: ['id', 'name'] }),
    models.Circuit.findAll({ where: { id: jobs.map((job) => job.circuitId) }, attributes: ['id', 'name'] }),
    models.JobHose.findAll({ where: { jobId }, attributes: ['jobId', 'order_m', 'specified'] }),
    models.JobJoint.findAll({ where: { jobId }, attributes: ['jobId'] }),
    models.TorqueRecord.findAll({ where: { jobId, verdict: 'within' }, attributes: ['jobId', 'jointId'] }),
    models.BleedRun.findAll({ where: { jobId } }),
    models.Component.findAll({
      where: { circuitId: jobs.map((job) => job.circuitId), kind: 'bleedNipple' },
      attributes: ['circuitId'],
    }),
  ]);
  return jobs.map((job) => {
    const own = hoses.filter((hose) => hose.jobId === job.id);
    const progress = jobProgress({
      endsConfirmed: job.endsConfirmed,
      hoses: own.length,
      measuredHoses: own.filter((hose) => hose.order_m !== null).length,
      specifiedHoses: own.filter((hose) => hose.specified).length,
      joints: joints.filter((joint) => joint.jobId === job.id).length,
      torquedJoints: new Set(
        torques.filter((record) => record.jobId === job.id).map((record) => record.jointId),
      ).size,
      nipples: nipples.filter((nipple) => nipple.circuitId === job.circuitId).length,
      clearNipples: runs.filter((run) => run.jobId === job.id && isClear(run.events)).length,
      finished: job.status === 'finished',
    });
    return {
      id: job.id,
      title: job.title,
      vehicleName: vehicles.find((vehicle) => vehicle.id === job.vehicleId)?.name ?? '',
      circuitName: circuits.find((circuit) => circuit.id === job.circuitId)?.name ?? '',
      status: job.status,
      openedOn: job.openedOn,
      finishedOn: job.finishedOn,
      next: progress.next,
      done: [...progress.done],
    };
  });
}
