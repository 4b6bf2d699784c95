import type { QueryInterface } from 'sequelize';

/** A reason for going past a stop is a row of its own: what it answered, who gave it, what they then were. Never changed. */
const UP: readonly string[] = [
  `CREATE TABLE job_reason (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, caution VARCHAR(8) NOT NULL, subject VARCHAR(240) NULL,
    evidence JSON NULL, reason TEXT NOT NULL, at DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NOT NULL, byId CHAR(36) NULL,
    role VARCHAR(20) NULL, KEY reason_job (jobId, at),
    CONSTRAINT reason_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  // Of those given before, the log tells who and why; what they answered was not kept, nor what the person then was.
  `INSERT INTO job_reason (id, jobId, caution, subject, evidence, reason, at, \`by\`, byId, role)
    SELECT UUID(), jobId, told.caution, NULL, NULL, told.reason, at, \`by\`, byId, NULL
    FROM log_entry JOIN JSON_TABLE(detail, '$.overrides[*]'
      COLUMNS (caution VARCHAR(8) PATH '$.caution', reason TEXT PATH '$.reason')) AS told
    WHERE told.caution IS NOT NULL AND told.reason IS NOT NULL`,
  `CREATE TRIGGER job_reason_is_never_changed BEFORE UPDATE ON job_reason FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Reasons are never changed'`,
  `CREATE TRIGGER job_reason_is_never_removed BEFORE DELETE ON job_reason FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Reasons are never removed'`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

/** The log still tells of them. */
export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE job_reason');
}
