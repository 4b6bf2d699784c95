import type { QueryInterface } from 'sequelize';

/** Hard lines that a job makes anew, and what the hard lines of a vehicle are made of. */
const UP: readonly string[] = [
  `CREATE TABLE job_line (
    jobId CHAR(36) NOT NULL, lineId CHAR(36) NOT NULL, pattern JSON NULL, checks JSON NOT NULL, made JSON NULL,
    position INT NOT NULL, version INT NOT NULL DEFAULT 0, PRIMARY KEY (jobId, lineId),
    CONSTRAINT job_line_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT job_line_line FOREIGN KEY (lineId) REFERENCES hose (id))`,
  `ALTER TABLE hose ADD COLUMN lineMade JSON NULL`,
];

const DOWN: readonly string[] = [`ALTER TABLE hose DROP COLUMN lineMade`, `DROP TABLE job_line`];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
