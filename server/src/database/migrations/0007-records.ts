import type { QueryInterface } from 'sequelize';

/** A job can be given up with a reason; a joint has a torque figure for each part that may be in it, and a seat of some metal. */
const UP: readonly string[] = [
  `ALTER TABLE job ADD COLUMN abandoned JSON NULL`,
  `ALTER TABLE joint ADD COLUMN furtherTorques JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE port ADD COLUMN seatMaterial VARCHAR(20) NULL`,
];

const DOWN: readonly string[] = [
  // An older book knows open and finished only.
  `UPDATE job SET status = 'open' WHERE status = 'abandoned'`,
  `ALTER TABLE job DROP COLUMN abandoned`,
  `ALTER TABLE joint DROP COLUMN furtherTorques`,
  `ALTER TABLE port DROP COLUMN seatMaterial`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
