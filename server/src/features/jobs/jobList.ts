/** Jobs as lists show them, newest first, a page at a time. */
import type { Job, JobSummary } from '@zephyrcombe/contract';
import type { Progress } from '@zephyrcombe/workshop';
import { jobProgress } from '@zephyrcombe/workshop';
import type { Sequelize, WhereOptions } from 'sequelize';
import { IndexHints, literal, Op, QueryTypes } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { rowsWith } from '../../database/searchGrams.ts';
import { anywhere, behind, inOrder, pageOf, readPlace } from '../../http/paging.ts';

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
  if (after !== undefined) conditions.push(behind(NEWEST, 'DESC', readPlace(after, ['day', 'text'])));
  const rows = search
    ? await found(database, search, conditions, limit + 1)
    : await database.models.Job.findAll({ where: { [Op.and]: conditions }, ...newest(limit + 1) });
  const { shown, next } = pageOf(rows, limit, ({ openedOn, id }) => [openedOn, id]);
  return { items: await summariseJobs(database, shown), next };
}

const newest = (limit: number) => ({
  order: inOrder(NEWEST, 'DESC'),
  limit,
  attributes: [...SHOWN],
  raw: true,
});

/** The newest jobs with the word in their title, or in their vehicle's name or plate. */
async function found(
  { models, sequelize }: Database,
  search: string,
  conditions: readonly WhereOptions[],
  limit: number,
): Promise<readonly Row[]> {
  const pattern = anywhere(search);
  const like = { [Op.like]: pattern };
  const [titled, vehicles] = await Promise.all([
    rowsWith(sequelize, 'job', search),
    rowsWith(sequelize, 'vehicle', search),
  ]);
  const theirs =
    vehicles === null
      ? null
      : await models.Vehicle.findAll({
          where: { id: vehicles, [Op.or]: [{ name: like }, { plate: like }] },
          attributes: ['id'],
          raw: true,
        });
  const jobs = (where: WhereOptions, key: 'PRIMARY' | 'job_search' | 'job_of_vehicle') =>
    models.Job.findAll({
      where: { [Op.and]: [...conditions, where] },
      ...newest(limit),
      attributes: ['id'],
      // By any other key each job would be read to see whether it is one of them.
      indexHints: [{ type: IndexHints.FORCE, values: [key] }],
    });
  const named = { title: like };
  const quoted = sequelize.escape(pattern);
  const places =
    titled !== null && theirs !== null
      ? (
          await Promise.all([
            titled.length === 0 ? [] : jobs({ id: titled, ...named }, 'PRIMARY'),
            theirs.length === 0 ? [] : jobs({ vehicleId: theirs.map(({ id }) => id) }, 'job_of_vehicle'),
          ])
        ).flat()
      : await jobs(
          {
            [Op.or]: [
              named,
              {
                vehicleId: {
                  [Op.in]: theirs
                    ? theirs.map(({ id }) => id)
                    : literal(`(SELECT id FROM vehicle WHERE name LIKE ${quoted} OR plate LIKE ${quoted})`),
                },
              },
            ],
          },
          'job_search',
        );
  if (places.length === 0) return [];
  return models.Job.findAll({ where: { id: [...new Set(places.map(({ id }) => id))] }, ...newest(limit) });
}

/** What a list is made of; the rest of a job can be large. */
const SHOWN = [
  'id',
  'title',
  'vehicleId',
  'status',
  'openedOn',
  'finishedOn',
  'endsConfirmed',
] as const satisfies readonly (keyof Job)[];
type Row = Pick<Job, (typeof SHOWN)[number]>;

/** What a list shows of each job; a handful of queries however long the list. */
async function summariseJobs(database: Database, jobs: readonly Row[]): Promise<JobSummary[]> {
  const { models } = database;
  if (jobs.length === 0) return [];
  const plain = { attributes: ['id', 'name'], raw: true };
  const scopes = await models.JobCircuit.findAll({
    where: { jobId: jobs.map((job) => job.id) },
    attributes: ['jobId', 'circuitId'],
    order: [['position', 'ASC']],
    raw: true,
  });
  const circuitId = [...new Set(scopes.map((row) => row.circuitId))];
  const [vehicles, circuits, progressOf] = await Promise.all([
    models.Vehicle.findAll({ where: { id: jobs.map((job) => job.vehicleId) }, ...plain }),
    models.Circuit.findAll({ where: { id: circuitId }, ...plain }),
    progressOfJobs(database, jobs, scopes),
  ]);
  const nameOf = new Map([...vehicles, ...circuits].map(({ id, name }) => [id, name]));
  return jobs.map((job) => {
    const { stages, next, done } = progressOf(job);
    return {
      id: job.id,
      title: job.title,
      vehicleName: nameOf.get(job.vehicleId) ?? '',
      circuitNames: scopes
        .filter((row) => row.jobId === job.id)
        .map((row) => nameOf.get(row.circuitId) ?? ''),
      status: job.status,
      openedOn: job.openedOn,
      finishedOn: job.finishedOn,
      stages: [...stages],
      next,
      done: [...done],
    };
  });
}

/** How far each job has come, on the evidence of its records. */
async function progressOfJobs(
  { sequelize, models }: Database,
  jobs: readonly Row[],
  scopes: readonly { readonly jobId: string; readonly circuitId: string }[],
): Promise<(job: Row) => Progress> {
  const where = { jobId: jobs.map((job) => job.id) };
  // Plain rows: a page of them is many, and what a model adds to each is not used.
  const raw = true;
  const [hoses, joints, torques, runs, nipples] = await Promise.all([
    models.JobHose.findAll({ where, attributes: ['jobId', 'order_m', 'specified'], raw }),
    models.JobJoint.findAll({ where, attributes: ['jobId'], raw }),
    models.TorqueRecord.findAll({
      where: { ...where, verdict: 'within' },
      attributes: ['jobId', 'jointId'],
      raw,
    }),
    clearNipples(sequelize, where.jobId),
    models.Component.findAll({
      where: { circuitId: scopes.map((row) => row.circuitId), kind: 'bleedNipple', retired: false },
      attributes: ['id', 'circuitId'],
      raw,
    }),
  ]);
  return (job) => {
    const own = hoses.filter((hose) => hose.jobId === job.id);
    const circuits = new Set(scopes.filter((row) => row.jobId === job.id).map((row) => row.circuitId));
    const bled = nipples.filter((nipple) => circuits.has(nipple.circuitId));
    return jobProgress({
      endsConfirmed: Boolean(job.endsConfirmed),
      hoses: own.length,
      measuredHoses: own.filter((hose) => hose.order_m !== null).length,
      specifiedHoses: own.filter((hose) => hose.specified).length,
      joints: joints.filter((joint) => joint.jobId === job.id).length,
      torquedJoints: new Set(
        torques.filter((record) => record.jobId === job.id).map((record) => record.jointId),
      ).size,
      nipples: bled.length,
      clearNipples: bled.filter(({ id }) => runs.has(`${job.id} ${id}`)).length,
      finished: job.status === 'finished',
    });
  };
}

/** Job and nipple of those that ran clear and were not pumped again since, what was taken back left out. */
async function clearNipples(sequelize: Sequelize, jobIds: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await sequelize.query<{ jobId: string; nippleId: string }>(
    `SELECT event.jobId, event.subjectId AS nippleId FROM job_event AS event
      LEFT JOIN job_event AS taken ON taken.undoesId = event.id
      WHERE event.jobId IN (:jobIds) AND event.kind IN ('stroke', 'clear') AND taken.id IS NULL
      GROUP BY event.jobId, event.subjectId
      HAVING MAX(IF(event.kind = 'clear', event.sequence, 0)) > MAX(IF(event.kind = 'stroke', event.sequence, 0))`,
    { replacements: { jobIds: [...jobIds] }, type: QueryTypes.SELECT },
  );
  return new Set(rows.map(({ jobId, nippleId }) => `${jobId} ${nippleId}`));
}
