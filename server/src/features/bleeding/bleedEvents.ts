/** Events at the nipples of a job: written once, read from a place on. */
import type { BleedRow, BleedUpdate, Person } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import { Op, QueryTypes, UniqueConstraintError } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { JobEventRow } from './jobEvent.model.ts';

/** More than one hand strokes while another phone is out of reach. */
const MOST_ROWS = 20;

function toRow({ sequence, id, subjectId, kind, payload, undoesId, at }: JobEventRow): BleedRow {
  return {
    sequence: Number(sequence),
    id,
    nippleId: subjectId,
    kind,
    ...(payload?.outflow === undefined ? {} : { outflow: payload.outflow }),
    ...(payload?.volume_m3 === undefined ? {} : { volume_m3: payload.volume_m3 }),
    ...(undoesId === null ? {} : { undoesId }),
    at: at.toISOString(),
  };
}

/** All of several jobs, by job, oldest first. */
export async function bleedRowsOf(
  { JobEvent }: Models,
  jobIds: readonly string[],
  transaction?: Transaction,
): Promise<ReadonlyMap<string, readonly BleedRow[]>> {
  const rows = await JobEvent.findAll({
    where: { jobId: [...jobIds] },
    order: [['sequence', 'ASC']],
    ...(transaction ? { transaction } : {}),
  });
  return new Map(jobIds.map((jobId) => [jobId, rows.filter((row) => row.jobId === jobId).map(toRow)]));
}

/** What was written since `after`; where that is more than a few strokes, the page asks for the job. */
export async function updateSince({ JobEvent }: Models, jobId: string, after: number): Promise<BleedUpdate> {
  const rows = await JobEvent.findAll({
    where: { jobId, sequence: { [Op.gt]: after } },
    order: [['sequence', 'ASC']],
    limit: MOST_ROWS + 1,
  });
  return rows.length > MOST_ROWS
    ? { jobId, rows: [], isMore: true }
    : { jobId, rows: rows.map(toRow), isMore: false };
}

export interface NewEvent {
  readonly id: string;
  readonly jobId: string;
  readonly nippleId: string;
  readonly kind: BleedRow['kind'];
  readonly outflow?: BleedRow['outflow'];
  readonly volume_m3?: BleedRow['volume_m3'];
  readonly undoesId?: string;
  readonly at: Date;
  readonly receivedAt: Date;
  readonly person: Person;
}

const columnsOf = ({
  id,
  jobId,
  nippleId,
  kind,
  outflow,
  volume_m3,
  undoesId,
  at,
  receivedAt,
  person,
}: NewEvent) => ({
  id,
  jobId,
  kind,
  subjectId: nippleId,
  payload: outflow !== undefined ? { outflow } : volume_m3 !== undefined ? { volume_m3 } : null,
  undoesId: undoesId ?? null,
  at,
  receivedAt,
  by: person.name,
  byId: person.id,
});

/** The event of this id, where it is this event; refuses where it is another. */
async function sameEvent(
  { JobEvent }: Models,
  { id, jobId, nippleId, kind }: NewEvent,
  transaction?: Transaction,
): Promise<void> {
  const known = await JobEvent.findOne({ where: { id }, ...(transaction ? { transaction } : {}) });
  if (known && (known.jobId !== jobId || known.subjectId !== nippleId || known.kind !== kind))
    throw new AppProblem('id-taken');
}

/** Writes an event within an action on its job. `false` where it was written before. */
export async function writeEvent(
  models: Models,
  transaction: Transaction,
  event: NewEvent,
): Promise<boolean> {
  const known = await models.JobEvent.count({ where: { id: event.id }, transaction });
  if (known > 0) {
    await sameEvent(models, event, transaction);
    return false;
  }
  await models.JobEvent.create(columnsOf(event), { transaction });
  return true;
}

/** With its milliseconds, which a date that is put into SQL loses. */
const sqlInstant = (at: Date): string => at.toISOString().replace('T', ' ').replace('Z', '');

/**
 * Writes a stroke by one statement: only on an open job that works on the nipple's circuit. The job is held for as long as it
 * takes, so that nobody signs it off in between and the events are numbered as they become visible. `false` where that is not so.
 */
export async function writeStroke(database: Database, event: NewEvent): Promise<boolean> {
  const { payload: _payload, at, receivedAt, ...rest } = columnsOf(event);
  const columns = { ...rest, at: sqlInstant(at), receivedAt: sqlInstant(receivedAt) };
  try {
    const [, written] = await database.statement((sequelize) =>
      sequelize.query(
        `INSERT INTO job_event (id, jobId, kind, subjectId, payload, undoesId, at, receivedAt, \`by\`, byId)
        SELECT :id, job.id, :kind, component.id, NULL, :undoesId, :at, :receivedAt, :by, :byId
        FROM job STRAIGHT_JOIN job_circuit ON job_circuit.jobId = job.id
        STRAIGHT_JOIN component ON component.circuitId = job_circuit.circuitId
        WHERE job.id = :jobId AND job.status = 'open' AND component.id = :subjectId
          AND component.kind = 'bleedNipple' AND component.retired = 0
        FOR UPDATE`,
        { replacements: columns, type: QueryTypes.INSERT },
      ),
    );
    return written === 1;
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    await sameEvent(database.models, event);
    return true;
  }
}

/**
 * Joints that stand open where a stroke at this nipple would press fluid: on its circuit, and on one that shares a part with it. By
 * the last step at each that opens or joins it, in whichever job of the vehicle it was taken.
 */
export async function openJointsAt(
  database: Database,
  jobId: string,
  nippleId: string,
): Promise<readonly string[]> {
  const rows = await database.sequelize.query<{ id: string; name: string; kind: string }>(
    `SELECT joint.id, joint.name, JSON_VALUE(taken.step, '$.kind') AS kind
    FROM job AS asked JOIN job ON job.vehicleId = asked.vehicleId JOIN fit_step AS taken ON taken.jobId = job.id
    JOIN joint ON joint.id = JSON_VALUE(taken.step, '$.joint')
    WHERE asked.id = :jobId AND joint.retired = 0 AND JSON_VALUE(taken.step, '$.kind') IN ('open', 'join')
      AND NOT EXISTS (SELECT 1 FROM fit_step AS undoing WHERE undoing.jobId = taken.jobId AND undoing.undoesId = taken.id)
      AND joint.circuitId IN (
        SELECT own.circuitId FROM component AS own WHERE own.id = :nippleId
        UNION SELECT other.circuitId FROM component AS nipple
          JOIN component AS part ON part.circuitId = nipple.circuitId
          JOIN component AS other ON other.id = part.sameAs OR other.sameAs = part.id OR other.sameAs = part.sameAs
          WHERE nipple.id = :nippleId)
    ORDER BY taken.sequence`,
    { type: QueryTypes.SELECT, replacements: { jobId, nippleId } },
  );
  const last = new Map(rows.map((row) => [row.id, row]));
  return [...last.values()].flatMap(({ name, kind }) => (kind === 'open' ? [name] : []));
}

export const isKnownEvent = async ({ JobEvent }: Models, id: string): Promise<boolean> =>
  (await JobEvent.count({ where: { id } })) > 0;
