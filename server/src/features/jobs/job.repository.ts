import type { BleedRow, Circuit, FitFact, Job, JobDetail, Photo } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { keptRoutes, withBleedRows, withStandingApprovals } from '@zephyrcombe/workshop';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { bleedRowsOf } from '../bleeding/bleedEvents.ts';
import type { CornerColumns } from '../corners/corner.model.ts';
import { keptCorners } from '../corners/keptCorners.ts';
import { fitFactsOf } from '../fitting/fitFacts.ts';
import { photosOfVehicles } from '../photos/vehiclePhotos.ts';
import { loadCircuits } from '../vehicles/circuit.repository.ts';
import type { JobRow } from './job.model.ts';
import type { JobParts } from './jobParts.ts';
import { partsOfJobs } from './jobParts.ts';
import { stampOf } from './jobStamp.ts';

export function toJob(row: JobRow): Job {
  const { number, revision: _revision, ...job } = row.get({ plain: true });
  return { ...job, number: number ?? 0 };
}

/** Everything a job screen shows. */
export async function loadJobDetail(database: Database, jobId: string): Promise<JobDetail> {
  const job = await database.models.Job.findByPk(jobId);
  if (job === null) throw new AppProblem('not-found');
  const [detail] = await loadDetails(database, [job]);
  if (detail === undefined) throw new Error(`Job ${jobId} was read and is not there`);
  return { ...detail, stamp: stampOf(detail) };
}

/** The same of several jobs, in a handful of statements however many they are. */
export async function loadDetails(
  database: Database,
  jobs: readonly JobRow[],
  transaction?: Transaction,
): Promise<readonly JobDetail[]> {
  if (jobs.length === 0) return [];
  const parts = await partsOfJobs(database, jobs, transaction);
  const around = await surroundingsOf(database, jobs, parts, transaction);
  return jobs.flatMap((job, index) => {
    const own = parts[index];
    return own ? [detailOf(job, own, around)] : [];
  });
}

/** What a job rests on that is not its own. */
export interface Surroundings {
  readonly shop: JobDetail['shop'];
  readonly vehicles: readonly JobDetail['vehicle'][];
  readonly circuits: readonly Circuit[];
  readonly runs: ReadonlyMap<string, readonly BleedRow[]>;
  readonly wrenches: JobDetail['wrenches'];
  /** Of the vehicles and of the jobs, oldest first. */
  readonly fitFacts: readonly (FitFact & { readonly jobId: string; readonly vehicleId: string | null })[];
  /** Of the vehicles' bodywork, oldest first. */
  readonly photos: readonly (Photo & { readonly jobId: string; readonly vehicleId: string | null })[];
  /** In the order of each vehicle. */
  readonly corners: readonly Pick<CornerColumns, 'vehicleId' | 'corner'>[];
}

/** Tables that a circuit is drawn from. */
const CIRCUIT_TABLES = ['circuit', 'component', 'port', 'joint', 'hose', 'job_circuit'] as const;

/** What the jobs rest on; of `known`, only what the transaction has written since is read anew. */
export async function surroundingsOf(
  database: Database,
  jobs: readonly JobRow[],
  parts: readonly JobParts[],
  transaction?: Transaction,
  known?: Surroundings,
): Promise<Surroundings> {
  const { models } = database;
  const inside = transaction ? { transaction } : {};
  const written = transaction ? database.writes.tablesOf(transaction) : new Set<string>();
  const isKnown = (...tables: readonly string[]) => !tables.some((table) => written.has(table));
  const circuitIds = [
    ...new Set(parts.flatMap(({ scope }) => scope.flatMap((one) => (one.signed ? [] : [one.circuitId])))),
  ];
  const withHoses = jobs.filter(
    (job, index) => !isClosed(toJob(job)) && (parts[index]?.hoses.length ?? 0) > 0,
  );
  const [shop, vehicles, circuits, runs, wrenches, corners, fitFacts, photos] = await Promise.all([
    known && isKnown('shop')
      ? known.shop
      : models.Shop.findOne({ rejectOnEmpty: true, ...inside }).then((row) => row.get({ plain: true })),
    known && isKnown('vehicle')
      ? known.vehicles
      : models.Vehicle.findAll({ where: { id: jobs.map(({ vehicleId }) => vehicleId) }, ...inside }).then(
          (rows) => rows.map((row) => row.get({ plain: true })),
        ),
    known && isKnown(...CIRCUIT_TABLES)
      ? known.circuits
      : circuitIds.length === 0
        ? []
        : loadCircuits(database, { id: circuitIds }, transaction),
    known && isKnown('job_event')
      ? known.runs
      : bleedRowsOf(
          models,
          jobs.map(({ id }) => id),
          transaction,
        ),
    known && isKnown('wrench')
      ? known.wrenches
      : models.Wrench.findAll({
          where: { isRetired: false },
          order: [['maximum_Nm', 'ASC']],
          ...inside,
        }).then((rows) => rows.map((row) => row.get({ plain: true }))),
    known
      ? known.corners
      : withHoses.length === 0
        ? []
        : keptCorners(
            models,
            withHoses.map(({ vehicleId }) => vehicleId),
            transaction,
          ),
    known && isKnown('fit_fact') ? known.fitFacts : fitFactsOf(models, jobs, transaction),
    known && isKnown('photo')
      ? known.photos
      : photosOfVehicles(
          models,
          jobs.map(({ vehicleId }) => vehicleId),
          transaction,
        ),
  ]);
  return { shop, vehicles, circuits, runs, wrenches, corners, fitFacts, photos };
}

/** One job of those that `around` was read for, put together. */
export function detailOf(
  row: JobRow,
  { scope, services, ...lists }: JobParts,
  around: Surroundings,
): JobDetail {
  const vehicle = around.vehicles.find(({ id }) => id === row.vehicleId);
  if (vehicle === undefined) throw new Error(`Job ${row.id} is on a vehicle that is not there`);
  return withStandingApprovals({
    job: toJob(row),
    shop: around.shop,
    vehicle,
    circuits: scope.map(({ circuitId, found, signed }) => {
      // A signed record shows the circuit as it was signed, whatever became of the vehicle since.
      const circuit = signed ?? around.circuits.find(({ id }) => id === circuitId);
      if (circuit === undefined) throw new Error(`Job ${row.id} works on a circuit that is not there`);
      const service = services.find((one) => one.circuitId === circuitId);
      return {
        circuit,
        before: found,
        service: service ? { ...service, circuitName: circuit.name } : null,
      };
    }),
    ...lists,
    bleedRuns: withBleedRows([], around.runs.get(row.id) ?? []),
    fitFacts: around.fitFacts
      .filter(({ jobId, vehicleId }) => jobId === row.id || (!isClosed(row) && vehicleId === row.vehicleId))
      .map(({ jobId: _jobId, vehicleId: _vehicleId, ...fact }) => fact),
    // Bodywork is photographed once for the vehicle; a record that is closed shows what belongs to it.
    photos: [
      ...around.photos
        .filter(({ jobId, vehicleId }) => jobId !== row.id && !isClosed(row) && vehicleId === row.vehicleId)
        .map(({ jobId: _jobId, vehicleId: _vehicleId, ...photo }) => photo),
      ...lists.photos,
    ],
    wrenches: around.wrenches,
    routes: isClosed(row)
      ? []
      : [
          ...keptRoutes(
            around.corners.filter(({ vehicleId }) => vehicleId === row.vehicleId).map(({ corner }) => corner),
            lists.hoses.map(({ hoseId }) => hoseId),
          ),
        ],
  });
}
