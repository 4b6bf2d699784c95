/** Jobs as lists show them, newest first, a page at a time. */
import type { Job, JobSummary } from '@zephyrcombe/contract';
import { progressOf } from '@zephyrcombe/workshop';
import type { WhereOptions } from 'sequelize';
import { IndexHints, literal, Op } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { rowsWith } from '../../database/searchGrams.ts';
import { loadDetails } from './job.repository.ts';
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
  attributes: [...PLACED],
  raw: true,
});

/** The newest jobs with the word in their title, or in their vehicle's name or plate. */
async function found(
  { models, sequelize }: Database,
  search: string,
  conditions: readonly WhereOptions[],
  limit: number,
): Promise<readonly Place[]> {
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

/** What the place of a job in a list is made of. */
const PLACED = ['id', 'openedOn'] as const satisfies readonly (keyof Job)[];
type Place = Pick<Job, (typeof PLACED)[number]>;

/** What a list shows of each job, as its own pages have it; a handful of queries however long the list. */
async function summariseJobs(database: Database, places: readonly Place[]): Promise<JobSummary[]> {
  if (places.length === 0) return [];
  const rows = await database.models.Job.findAll({ where: { id: places.map(({ id }) => id) } });
  const details = await loadDetails(
    database,
    places.flatMap(({ id }) => rows.find((row) => row.id === id) ?? []),
  );
  return details.map((detail) => {
    const { job, vehicle, circuits } = detail;
    const { stages, next, done } = progressOf(detail);
    return {
      id: job.id,
      title: job.title,
      vehicleName: vehicle.name,
      circuitNames: circuits.map(({ circuit }) => circuit.name),
      status: job.status,
      openedOn: job.openedOn,
      finishedOn: job.finishedOn,
      stages: [...stages],
      next,
      done: [...done],
    };
  });
}
