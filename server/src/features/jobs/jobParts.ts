/**
 * What belongs to a job alone, kept as it was read. Every action on a job raises the job's revision in the transaction that
 * writes: what was read stands while the revision does, and an action reads anew only the tables it has written.
 */
import type { Circuit, FluidService, HydraulicsEntry, JobDetail } from '@zephyrcombe/contract';
import { stepOfOpening, TELLS_OF_OPENING, ticksOfOpening } from '@zephyrcombe/contract';
import type { Model, Order, Transaction } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';
import type { JobCircuitRow } from './job.model.ts';
import { servicesOfJob } from '../fluid-services/fluidService.repository.ts';

type Lists = Pick<
  JobDetail,
  | 'hoses'
  | 'lines'
  | 'items'
  | 'joints'
  | 'readings'
  | 'torqueRecords'
  | 'fitSteps'
  | 'findings'
  | 'photos'
  | 'traces'
  | 'reasons'
>;

export interface JobParts extends Lists {
  readonly scope: readonly {
    readonly circuitId: string;
    readonly found: HydraulicsEntry | null;
    readonly signed: Circuit | null;
  }[];
  readonly services: readonly FluidService[];
  readonly openedOnce: boolean;
}
type PartName = keyof JobParts;

/** Where each part is kept. */
const TABLE_OF = {
  scope: 'job_circuit',
  hoses: 'job_hose',
  lines: 'job_line',
  items: 'job_item',
  joints: 'job_joint',
  readings: 'reading',
  torqueRecords: 'torque_record',
  fitSteps: 'fit_step',
  services: 'fluid_service',
  findings: 'finding',
  photos: 'photo',
  traces: 'trace',
  reasons: 'job_reason',
  openedOnce: 'log_entry',
} as const satisfies Record<PartName, string>;
const NAMES = Object.keys(TABLE_OF) as readonly PartName[];
const OWN_TABLES: ReadonlySet<string> = new Set(['job', ...Object.values(TABLE_OF)]);

/** A job as far as its parts depend on it. */
export interface KeptJob {
  readonly id: string;
  readonly status: string;
  readonly revision?: number;
}

interface Inside {
  readonly transaction?: Transaction;
}

/** Columns without the keys that only tie a row to its job. */
function ofJob<Columns extends object>(row: Model): Columns {
  const {
    jobId: _jobId,
    position: _position,
    version,
    ...columns
  } = row.get({ plain: true }) as Record<string, unknown>;
  return (version === undefined ? columns : { ...columns, version }) as Columns;
}

const told = (row: Model, instant: string) => ({
  ...ofJob<Record<string, unknown>>(row),
  [instant]: (row.get(instant) as Date).toISOString(),
});

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

const BY_POSITION: Order = [['position', 'ASC']];
const inTurn = (instant: string): Order => [
  [instant, 'ASC'],
  ['id', 'ASC'],
];

/** The rows of each job, each as `toPart` makes it. */
async function listed(
  model: { findAll(options: object): Promise<readonly Model[]> },
  jobs: readonly KeptJob[],
  inside: Inside,
  order: Order,
  toPart: (row: Model) => unknown,
  exclude: readonly string[] = [],
): Promise<(jobId: string) => readonly unknown[]> {
  const rows = await model.findAll({
    where: { jobId: jobs.map(({ id }) => id) },
    order,
    ...(exclude.length > 0 ? { attributes: { exclude } } : {}),
    ...inside,
  });
  const parts = new Map<string, unknown[]>();
  for (const row of rows) {
    const jobId = row.get('jobId') as string;
    const own = parts.get(jobId) ?? [];
    own.push(toPart(row));
    parts.set(jobId, own);
  }
  return (jobId) => parts.get(jobId) ?? [];
}

/** How each part of several jobs is read. */
const READ: Readonly<
  Record<
    PartName,
    (database: Database, jobs: readonly KeptJob[], inside: Inside) => Promise<(jobId: string) => unknown>
  >
> = {
  scope: ({ models }, jobs, inside) =>
    listed(models.JobCircuit, jobs, inside, BY_POSITION, (row) => {
      const { circuitId, found, signed } = row as JobCircuitRow;
      return { circuitId, found: found && withBlanks(found), signed: signed && withBlanks(signed) };
    }),
  hoses: ({ models }, jobs, inside) => listed(models.JobHose, jobs, inside, BY_POSITION, ofJob),
  lines: ({ models }, jobs, inside) => listed(models.JobLine, jobs, inside, BY_POSITION, ofJob),
  items: ({ models }, jobs, inside) => listed(models.JobItem, jobs, inside, inTurn('position'), ofJob),
  joints: ({ models }, jobs, inside) => listed(models.JobJoint, jobs, inside, BY_POSITION, ofJob),
  readings: ({ models }, jobs, inside) =>
    listed(models.Reading, jobs, inside, inTurn('takenAt'), (row) => told(row, 'takenAt')),
  torqueRecords: ({ models }, jobs, inside) =>
    listed(
      models.TorqueRecord,
      jobs,
      inside,
      [
        ['at', 'ASC'],
        ['sequence', 'ASC'],
      ],
      (row) => told(row, 'at'),
      ['sequence'],
    ),
  // A step that was taken back is not in the job, only in its log.
  fitSteps: async ({ models }, jobs, inside) => {
    const rows = await models.FitStep.findAll({
      where: { jobId: jobs.map(({ id }) => id) },
      order: [['sequence', 'ASC']],
      ...inside,
    });
    const undone = new Set(rows.flatMap(({ undoesId }) => (undoesId === null ? [] : [undoesId])));
    return (jobId) =>
      rows.flatMap(({ id, jobId: own, step, by, at }) =>
        own === jobId && step !== null && !undone.has(id) ? [{ id, step, by, at: at.toISOString() }] : [],
      );
  },
  findings: ({ models }, jobs, inside) =>
    listed(models.Finding, jobs, inside, inTurn('foundAt'), (row) => told(row, 'foundAt')),
  photos: ({ models }, jobs, inside) =>
    listed(models.Photo, jobs, inside, [['takenAt', 'ASC']], (row) => told(row, 'takenAt'), [
      'bytes',
      'vehicleId',
    ]),
  traces: ({ models }, jobs, inside) => listed(models.Trace, jobs, inside, BY_POSITION, ofJob),
  reasons: ({ models }, jobs, inside) =>
    listed(models.JobReason, jobs, inside, inTurn('at'), (row) => told(row, 'at')),
  // A job ends with its fluid services; before that it has none.
  services: async (database, jobs, { transaction }) => {
    const ended = jobs.filter(({ status }) => status === 'finished');
    const services = await Promise.all(ended.map(({ id }) => servicesOfJob(database, id, transaction)));
    return (jobId) => services[ended.findIndex(({ id }) => id === jobId)] ?? [];
  },
  // What was ticked and taken back stands in the log alone.
  openedOnce: async ({ models }, jobs, inside) => {
    const lines = await models.LogEntry.findAll({
      where: { jobId: jobs.map(({ id }) => id), kind: [...TELLS_OF_OPENING, 'fitChecked', 'fitStepTaken'] },
      attributes: ['jobId', 'kind', 'detail'],
      ...inside,
    });
    const opened = new Set(
      lines
        .filter(({ kind, detail }) =>
          kind === 'fitChecked'
            ? ticksOfOpening(detail)
            : kind !== 'fitStepTaken' || stepOfOpening(detail.step),
        )
        .map(({ jobId }) => jobId),
    );
    return (jobId) => opened.has(jobId);
  },
};

async function read(
  database: Database,
  jobs: readonly KeptJob[],
  names: readonly PartName[],
  transaction?: Transaction,
): Promise<(jobId: string) => Partial<JobParts>> {
  const inside = transaction ? { transaction } : {};
  const readers = await Promise.all(
    names.map(async (name) => [name, await READ[name](database, jobs, inside)] as const),
  );
  return (jobId) => Object.fromEntries(readers.map(([name, of]) => [name, of(jobId)]));
}

/** Those that are worked on in a week. */
const MOST_KEPT = 500;

/** What was read of the jobs of one open database. */
class KeptParts {
  private readonly parts = new Map<string, { readonly revision: number; readonly parts: JobParts }>();
  /** Transactions that raise the revision of the job they write. */
  private readonly raising = new WeakSet<Transaction>();

  constructor({ writes }: Database) {
    // A row that is written by any other way may belong to any job.
    writes.onWrite((table, transaction) => {
      if (OWN_TABLES.has(table) && !(transaction && this.raising.has(transaction))) this.parts.clear();
    });
  }

  get({ id, revision = 0 }: KeptJob): JobParts | undefined {
    const kept = this.parts.get(id);
    return kept?.revision === revision ? kept.parts : undefined;
  }

  keep({ id, revision = 0 }: KeptJob, parts: JobParts): void {
    this.parts.delete(id);
    this.parts.set(id, { revision, parts });
    const [oldest] = this.parts.keys();
    if (this.parts.size > MOST_KEPT && oldest !== undefined) this.parts.delete(oldest);
  }

  raises(transaction: Transaction): void {
    this.raising.add(transaction);
  }
}

const keptBy = new WeakMap<Models, KeptParts>();

export function keptParts(database: Database): KeptParts {
  const known = keptBy.get(database.models) ?? new KeptParts(database);
  keptBy.set(database.models, known);
  return known;
}

/** The parts of each job, in the order of `jobs`. What is read in a transaction is kept by who knows that it stands. */
export async function partsOfJobs(
  database: Database,
  jobs: readonly KeptJob[],
  transaction?: Transaction,
): Promise<readonly JobParts[]> {
  const kept = keptParts(database);
  const known = jobs.map((job) => kept.get(job));
  const unread = jobs.filter((_, index) => known[index] === undefined);
  if (unread.length === 0) return known as JobParts[];
  const of = await read(database, unread, NAMES, transaction);
  return jobs.map((job, index) => {
    const parts = known[index] ?? (of(job.id) as JobParts);
    if (!transaction && known[index] === undefined) kept.keep(job, parts);
    return parts;
  });
}

/** The parts of a job after its action: those whose tables the transaction has written are read anew. */
export async function partsAfter(
  database: Database,
  job: KeptJob,
  before: JobParts,
  transaction: Transaction,
): Promise<JobParts> {
  const written = database.writes.tablesOf(transaction);
  const names = NAMES.filter(
    // What the log has told once it tells for good.
    (name) => written.has(TABLE_OF[name]) && !(name === 'openedOnce' && before.openedOnce),
  );
  if (names.length === 0) return before;
  const of = await read(database, [job], names, transaction);
  return { ...before, ...of(job.id) };
}
