import type { HydraulicsEntry, Job, JobDetail } from '@zephyrcombe/contract';
import { TELLS_OF_OPENING, ticksOfOpening } from '@zephyrcombe/contract';
import { withBleedRows, withStandingApprovals } from '@zephyrcombe/workshop';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { bleedRows } from '../bleeding/bleedEvents.ts';
import { servicesOfJob } from '../fluid-services/fluidService.repository.ts';
import { loadCircuits } from '../vehicles/circuit.repository.ts';
import type { JobRow } from './job.model.ts';

export function toJob(row: JobRow): Job {
  const { number, ...job } = row.get({ plain: true });
  return { ...job, number: number ?? 0 };
}

/** Columns without the keys that only tie a row to its job. */
function ofJob<Columns extends object>(row: { get(options: { plain: true }): unknown }): Columns {
  const {
    jobId: _jobId,
    position: _position,
    version,
    ...columns
  } = row.get({ plain: true }) as Record<string, unknown>;
  return (version === undefined ? columns : { ...columns, version }) as Columns;
}

/** A circuit that was kept whole before its parts could say as much as they can now. */
function withBlanks<Kept extends HydraulicsEntry>(circuit: Kept): Kept {
  return {
    ...circuit,
    ports: circuit.ports.map((port) => ({ ...port, seatMaterial: port.seatMaterial ?? null })),
    joints: circuit.joints.map((joint) => ({
      ...joint,
      torque: { ...joint.torque, forBolt: joint.torque.forBolt ?? null },
      furtherTorques: (joint.furtherTorques ?? []).map((figure) => ({
        ...figure,
        forBolt: figure.forBolt ?? null,
      })),
    })),
  };
}

const BY_POSITION: [string, 'ASC'][] = [['position', 'ASC']];

/** Everything a job screen shows. */
export async function loadJobDetail(
  database: Database,
  jobId: string,
  transaction?: Transaction,
): Promise<JobDetail> {
  const { models } = database;
  const inside = transaction ? { transaction } : {};
  const job = await models.Job.findByPk(jobId, inside);
  if (job === null) throw new AppProblem('not-found');
  const where = { jobId };
  const scope = await models.JobCircuit.findAll({ where, order: BY_POSITION, ...inside });
  const [
    shop,
    vehicle,
    circuits,
    hoses,
    joints,
    readings,
    torques,
    runs,
    services,
    wrenches,
    findings,
    photos,
    traces,
    reasons,
    openedOnce,
  ] = await Promise.all([
    models.Shop.findOne({ rejectOnEmpty: true, ...inside }),
    models.Vehicle.findByPk(job.vehicleId, { rejectOnEmpty: true, ...inside }),
    loadCircuits(database, { id: scope.map(({ circuitId }) => circuitId) }, transaction),
    models.JobHose.findAll({ where, order: BY_POSITION, ...inside }),
    models.JobJoint.findAll({ where, order: BY_POSITION, ...inside }),
    models.Reading.findAll({
      where,
      order: [
        ['takenAt', 'ASC'],
        ['id', 'ASC'],
      ],
      ...inside,
    }),
    models.TorqueRecord.findAll({
      where,
      order: [
        ['at', 'ASC'],
        ['id', 'ASC'],
      ],
      ...inside,
    }),
    bleedRows(models, jobId, transaction),
    servicesOfJob(database, jobId, transaction),
    models.Wrench.findAll({ where: { isRetired: false }, order: [['maximum_Nm', 'ASC']], ...inside }),
    models.Finding.findAll({
      where,
      order: [
        ['foundAt', 'ASC'],
        ['id', 'ASC'],
      ],
      ...inside,
    }),
    models.Photo.findAll({
      where,
      attributes: { exclude: ['bytes'] },
      order: [['takenAt', 'ASC']],
      ...inside,
    }),
    models.Trace.findAll({ where, order: BY_POSITION, ...inside }),
    models.JobReason.findAll({
      where,
      order: [
        ['at', 'ASC'],
        ['id', 'ASC'],
      ],
      ...inside,
    }),
    logTellsOfOpening(database, jobId, transaction),
  ]);
  return withStandingApprovals({
    job: toJob(job),
    shop: shop.get({ plain: true }),
    vehicle: vehicle.get({ plain: true }),
    circuits: scope.map(({ circuitId, found, signed }) => {
      // A signed record shows the circuit as it was signed, whatever became of the vehicle since.
      const circuit = signed ? withBlanks(signed) : circuits.find(({ id }) => id === circuitId);
      if (circuit === undefined) throw new Error(`Job ${jobId} works on a circuit that is not there`);
      const service = services.find((one) => one.circuitId === circuitId);
      return {
        circuit,
        before: found && withBlanks(found),
        service: service ? { ...service, circuitName: circuit.name } : null,
      };
    }),
    hoses: hoses.map((row) => ofJob(row)),
    joints: joints.map((row) => ofJob(row)),
    readings: readings.map((row) => ({
      ...ofJob<JobDetail['readings'][number]>(row),
      takenAt: row.takenAt.toISOString(),
    })),
    torqueRecords: torques.map((row) => ({
      ...ofJob<JobDetail['torqueRecords'][number]>(row),
      at: row.at.toISOString(),
    })),
    bleedRuns: withBleedRows([], runs),
    wrenches: wrenches.map((row) => row.get({ plain: true })),
    findings: findings.map((row) => ({
      ...ofJob<JobDetail['findings'][number]>(row),
      foundAt: row.foundAt.toISOString(),
    })),
    photos: photos.map((row) => {
      const { bytes: _bytes, jobId: _jobId, ...photo } = row.get({ plain: true });
      return { ...photo, takenAt: row.takenAt.toISOString() };
    }),
    traces: traces.map((row) => ofJob(row)),
    reasons: reasons.map((row) => ({
      ...ofJob<JobDetail['reasons'][number]>(row),
      at: row.at.toISOString(),
    })),
    openedOnce,
  });
}

/** What was ticked and taken back stands in the log alone. */
async function logTellsOfOpening(
  { models }: Database,
  jobId: string,
  transaction?: Transaction,
): Promise<boolean> {
  const inside = transaction ? { transaction } : {};
  const lines = await models.LogEntry.findAll({
    where: { jobId, kind: [...TELLS_OF_OPENING, 'fitChecked'] },
    attributes: ['kind', 'detail'],
    ...inside,
  });
  return lines.some(({ kind, detail }) => kind !== 'fitChecked' || ticksOfOpening(detail));
}
