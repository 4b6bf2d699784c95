import { randomUUID } from 'node:crypto';
import type { QueryInterface, Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** Steps of fitting, and what is known for them: rows are added, never changed. */
const UP: readonly string[] = [
  `CREATE TABLE fit_step (
    sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id CHAR(36) NOT NULL, jobId CHAR(36) NOT NULL,
    step JSON NULL, undoesId CHAR(36) NULL, at DATETIME(3) NOT NULL, receivedAt DATETIME(3) NOT NULL,
    \`by\` VARCHAR(120) NOT NULL, byId CHAR(36) NULL,
    UNIQUE KEY step_id (id), KEY step_job (jobId, sequence),
    CONSTRAINT step_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  `CREATE TABLE fit_fact (
    sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id CHAR(36) NOT NULL, jobId CHAR(36) NOT NULL,
    vehicleId CHAR(36) NULL, said JSON NOT NULL, at DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NOT NULL,
    byId CHAR(36) NULL,
    UNIQUE KEY fact_id (id), KEY fact_job (jobId, sequence), KEY fact_vehicle (vehicleId, sequence),
    CONSTRAINT fact_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT fact_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id))`,
  // Tightened by feel where no figure is known: there is no wrench and no reading.
  `ALTER TABLE torque_record MODIFY wrenchId CHAR(36) NULL, MODIFY wrenchName VARCHAR(120) NULL,
    MODIFY torque_Nm DOUBLE NULL, ADD COLUMN because TEXT NULL AFTER typed`,
];

/** An older application cannot hold a joint without a figure. */
const DOWN: readonly string[] = [
  `DELETE FROM torque_record WHERE torque_Nm IS NULL`,
  `ALTER TABLE torque_record MODIFY wrenchId CHAR(36) NOT NULL, MODIFY wrenchName VARCHAR(120) NOT NULL,
    MODIFY torque_Nm DOUBLE NOT NULL, DROP COLUMN because`,
  `DROP TABLE fit_fact`,
  `DROP TABLE fit_step`,
];

const NEVER_CHANGED: readonly string[] = ['fit_step', 'fit_fact'].flatMap((table) => [
  `CREATE TRIGGER ${table}_is_never_changed BEFORE UPDATE ON ${table} FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What was done in fitting is never changed'`,
  `CREATE TRIGGER ${table}_is_never_removed BEFORE DELETE ON ${table} FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What was done in fitting is never removed'`,
]);

export async function up(queries: QueryInterface): Promise<void> {
  const { sequelize } = queries;
  for (const statement of UP) await sequelize.query(statement);
  await takeOver(sequelize);
  for (const statement of NEVER_CHANGED) await sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}

interface JointBefore {
  readonly jobId: string;
  readonly jointId: string;
  readonly seal: string;
  readonly torque: unknown;
  readonly handTight: number;
  /** 1 where its last torque was within its range; null where there is none. */
  readonly isTorqued: number | null;
  readonly isMarked: number | null;
}
interface LineBefore {
  readonly jobId: string;
  readonly lineId: string;
  readonly isHose: number;
  readonly fromJointId: string;
  readonly toJointId: string;
}

const POSES = ['fullDroop', 'leftLock', 'rightLock', 'fullBump', 'crossedUp'];
const read = (json: unknown): Record<string, unknown> =>
  (typeof json === 'string' ? JSON.parse(json) : json) as Record<string, unknown>;

/** An open job whose joints were put on before steps were kept has the steps that they tell of. */
async function takeOver(sequelize: Sequelize): Promise<void> {
  const all = async <One extends object>(query: string): Promise<One[]> =>
    sequelize.query<One>(query, { type: QueryTypes.SELECT });
  const jobs = await all<{ id: string; fitChecks: unknown; openedBy: string; openedById: string | null }>(
    `SELECT id, fitChecks, openedBy, openedById FROM job WHERE status = 'open'`,
  );
  const joints = await all<JointBefore>(
    `SELECT job_joint.jobId, job_joint.jointId, joint.seal, joint.torque, job_joint.handTight,
      last.verdict = 'within' AS isTorqued, last.witnessMark AS isMarked
    FROM job_joint JOIN job ON job.id = job_joint.jobId AND job.status = 'open'
    JOIN joint ON joint.id = job_joint.jointId
    LEFT JOIN torque_record AS last ON last.jobId = job_joint.jobId AND last.jointId = job_joint.jointId
      AND last.id = (SELECT id FROM torque_record AS one WHERE one.jobId = last.jobId AND one.jointId = last.jointId
        ORDER BY one.at DESC, one.id DESC LIMIT 1)
    ORDER BY job_joint.position`,
  );
  const lines = await all<LineBefore>(
    `SELECT job_hose.jobId, hose.id AS lineId, 1 AS isHose, hose.fromJointId, hose.toJointId
      FROM job_hose JOIN hose ON hose.id = job_hose.hoseId JOIN job ON job.id = job_hose.jobId AND job.status = 'open'
    UNION ALL SELECT job_line.jobId, hose.id, 0, hose.fromJointId, hose.toJointId
      FROM job_line JOIN hose ON hose.id = job_line.lineId JOIN job ON job.id = job_line.jobId AND job.status = 'open'`,
  );
  for (const { id, fitChecks, openedBy, openedById } of jobs) {
    const steps = stepsBefore(
      read(fitChecks),
      joints.filter(({ jobId }) => jobId === id),
      lines.filter(({ jobId }) => jobId === id),
    );
    for (const step of steps)
      await sequelize.query(
        `INSERT INTO fit_step (id, jobId, step, at, receivedAt, \`by\`, byId)
          VALUES (?, ?, ?, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3), ?, ?)`,
        { replacements: [randomUUID(), id, JSON.stringify(step), openedBy, openedById] },
      );
  }
}

function stepsBefore(
  checks: Readonly<Record<string, unknown>>,
  joints: readonly JointBefore[],
  lines: readonly LineBefore[],
): readonly object[] {
  const hoses = lines.filter(({ isHose }) => Boolean(isHose));
  const offered =
    checks.offeredUp === true ? hoses.map(({ lineId }) => ({ kind: 'offerUp', line: lineId })) : [];
  const on = joints.filter(({ handTight, isTorqued }) => Boolean(handTight) || isTorqued !== null);
  const isOn = (jointId: string) => on.some((joint) => joint.jointId === jointId);
  const moved = lines.filter(({ fromJointId, toJointId }) => isOn(fromJointId) || isOn(toJointId));
  const opened = joints.filter(
    ({ jointId }) =>
      isOn(jointId) ||
      moved.some(({ fromJointId, toJointId }) => fromJointId === jointId || toJointId === jointId),
  );
  const own = moved.filter(({ isHose }) => Boolean(isHose)).map(({ lineId }) => lineId);
  const by = ({ seal }: JointBefore) => (seal === 'banjo' ? 'bolt' : 'nut');
  return [
    ...offered,
    ...opened.map((joint) => ({ kind: 'open', joint: joint.jointId, by: by(joint) })),
    ...moved.map(({ lineId }) => ({ kind: 'takeOff', line: lineId, body: 'old' })),
    ...moved.map(({ lineId }) => ({ kind: 'route', line: lineId, body: 'new' })),
    ...on.map((joint) => ({ kind: 'join', joint: joint.jointId, by: by(joint), washers: 0 })),
    ...(checks.settle === true ? own.map((line) => ({ kind: 'settle', line })) : []),
    ...(checks.lockToLock === true && checks.droopAndBump === true && own.length > 0
      ? [{ kind: 'movement', lines: own, poses: POSES, final: false }]
      : []),
    ...on.filter(({ isTorqued }) => Boolean(isTorqued)).flatMap(tightened),
  ];
}

function tightened({ jointId, torque, isMarked }: JointBefore): readonly object[] {
  const { minimum_Nm, maximum_Nm, source } = read(torque);
  return [
    typeof source === 'string'
      ? { kind: 'torque', joint: jointId, minimum_Nm, maximum_Nm, source }
      : { kind: 'byFeel', joint: jointId },
    ...(isMarked ? [{ kind: 'mark', joint: jointId }] : []),
  ];
}
