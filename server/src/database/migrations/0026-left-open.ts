import type { QueryInterface } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** A job that was given up with its brake open, and a circuit of it that no job was signed on since. */
interface Open {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly jobTitle: string;
  /** Of before only the day was kept. */
  readonly at: string;
  readonly by: string;
  readonly circuitId: string;
  readonly circuit: string;
}
interface OpenJoint {
  readonly jobId: string;
  readonly id: string;
  readonly circuitId: string;
  readonly name: string;
}
interface OffItem {
  readonly jobId: string;
  readonly kind: string;
  readonly name: string;
}

const OPEN = `SELECT job.id AS jobId, job.vehicleId, job.title AS jobTitle, CONCAT(JSON_VALUE(job.abandoned, '$.on'), 'T00:00:00.000Z') AS at,
    JSON_VALUE(job.abandoned, '$.by') AS \`by\`, circuit.id AS circuitId, circuit.name AS circuit
  FROM job JOIN job_circuit ON job_circuit.jobId = job.id JOIN circuit ON circuit.id = job_circuit.circuitId
  WHERE job.status = 'abandoned' AND JSON_VALUE(job.abandoned, '$.brakeLeftOpen') = 1 AND NOT EXISTS (
    SELECT * FROM job AS later JOIN job_circuit AS own ON own.jobId = later.id
    WHERE own.circuitId = circuit.id AND later.status = 'finished'
      AND later.finishedOn >= JSON_VALUE(job.abandoned, '$.on'))
  ORDER BY job.number, circuit.position`;

/** What was on by hand or tightened, and nobody saw it dry. */
const JOINTS = `SELECT job_joint.jobId, joint.id, joint.circuitId, joint.name
  FROM job_joint JOIN joint ON joint.id = job_joint.jointId JOIN job ON job.id = job_joint.jobId
  WHERE job.status = 'abandoned' AND NOT joint.retired AND NOT job_joint.leakChecked AND (job_joint.handTight OR EXISTS (
    SELECT * FROM torque_record WHERE torque_record.jobId = job.id AND torque_record.jointId = joint.id))
  ORDER BY joint.position`;

const ITEMS = `SELECT job_item.jobId, job_item.kind, job_item.name FROM job_item JOIN job ON job.id = job_item.jobId
  WHERE job.status = 'abandoned' AND job_item.done IS NULL ORDER BY job_item.position`;

/** What an abandoned job left open stands on its vehicle, until a job that works on it is signed. */
export async function up(queries: QueryInterface): Promise<void> {
  const read = <Row extends object>(sql: string) =>
    queries.sequelize.query<Row>(sql, { type: QueryTypes.SELECT });
  await queries.sequelize.query(`ALTER TABLE vehicle ADD COLUMN leftOpen JSON NULL AFTER note`);
  // 5 mm, and ten degrees in a metre: what was a constant before.
  await queries.sequelize.query(
    `ALTER TABLE shop ADD COLUMN movementMargin_m DOUBLE NOT NULL DEFAULT 0.005 AFTER slack_m,
      ADD COLUMN mostTwist_rad_per_m DOUBLE NOT NULL DEFAULT 0.17453292519943295 AFTER movementMargin_m`,
  );
  const [open, joints, items] = [
    await read<Open>(OPEN),
    await read<OpenJoint>(JOINTS),
    await read<OffItem>(ITEMS),
  ];
  for (const vehicleId of new Set(open.map((row) => row.vehicleId))) {
    const here = open.filter((row) => row.vehicleId === vehicleId);
    const left = [...new Set(here.map(({ jobId }) => jobId))].map((jobId) => {
      const own = here.filter((row) => row.jobId === jobId);
      return {
        jobId,
        jobTitle: own[0]?.jobTitle,
        at: own[0]?.at,
        by: own[0]?.by,
        circuits: own.map(({ circuitId, circuit }) => ({ id: circuitId, name: circuit })),
        joints: joints
          .filter(
            (joint) => joint.jobId === jobId && own.some(({ circuitId }) => circuitId === joint.circuitId),
          )
          .map(({ id, circuitId, name }) => ({ id, circuitId, name, state: 'open' })),
        items: items.filter((item) => item.jobId === jobId).map(({ kind, name }) => ({ kind, name })),
      };
    });
    await queries.sequelize.query(`UPDATE vehicle SET leftOpen = :left WHERE id = :vehicleId`, {
      replacements: { left: JSON.stringify(left), vehicleId },
    });
  }
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`ALTER TABLE vehicle DROP COLUMN leftOpen`);
  await queries.sequelize.query(
    `ALTER TABLE shop DROP COLUMN mostTwist_rad_per_m, DROP COLUMN movementMargin_m`,
  );
}
