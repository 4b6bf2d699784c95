import type { QueryInterface } from 'sequelize';

/** Brackets, clips and mount bolts that a job takes off and puts on again. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(
    `CREATE TABLE job_item (
      id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, kind VARCHAR(20) NOT NULL, name VARCHAR(120) NOT NULL,
      handling VARCHAR(20) NOT NULL, done JSON NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0,
      KEY item_job (jobId, position), CONSTRAINT item_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  );
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE job_item');
}
