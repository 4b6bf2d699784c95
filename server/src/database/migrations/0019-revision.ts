import type { QueryInterface } from 'sequelize';

/** Raised by every change to a job or to what belongs to it alone: what was read of it stands while the number does. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE job ADD COLUMN revision INT NOT NULL DEFAULT 0');
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE job DROP COLUMN revision');
}
