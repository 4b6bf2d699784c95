import type { QueryInterface } from 'sequelize';

/** Joints that a job opens and tightens anew while their lines stay on. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE job_joint ADD COLUMN refit TINYINT(1) NOT NULL DEFAULT 0');
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE job_joint DROP COLUMN refit');
}
