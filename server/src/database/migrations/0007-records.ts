import type { QueryInterface } from 'sequelize';

/** A job can be given up with a reason. */
const UP: readonly string[] = [`ALTER TABLE job ADD COLUMN abandoned JSON NULL`];

const DOWN: readonly string[] = [
  // An older book knows open and finished only.
  `UPDATE job SET status = 'open' WHERE status = 'abandoned'`,
  `ALTER TABLE job DROP COLUMN abandoned`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
