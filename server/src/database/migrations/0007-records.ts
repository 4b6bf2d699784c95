import type { QueryInterface } from 'sequelize';

/** A job has a number, can be given up with a reason, and says what its order says; a joint has a torque figure for each part that may be in it, and a seat of some metal. */
const UP: readonly string[] = [
  `ALTER TABLE job ADD COLUMN abandoned JSON NULL`,
  `ALTER TABLE joint ADD COLUMN furtherTorques JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE port ADD COLUMN seatMaterial VARCHAR(20) NULL`,
  `ALTER TABLE shop ADD COLUMN address TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE shop ADD COLUMN phone VARCHAR(60) NOT NULL DEFAULT ''`,
  // Jobs that are there get the next numbers.
  `ALTER TABLE job ADD COLUMN number INT NOT NULL AUTO_INCREMENT UNIQUE`,
  `ALTER TABLE job ADD COLUMN orderTerms JSON NULL`,
  // The tee that a pattern put at the lower yoke turns with the steering.
  `UPDATE component SET body = 'lowerYoke' WHERE kind = 'junction' AND body = 'frame' AND name = 'Tee at the lower yoke'`,
];

const DOWN: readonly string[] = [
  // An older book knows open and finished only.
  `UPDATE job SET status = 'open' WHERE status = 'abandoned'`,
  `ALTER TABLE job DROP COLUMN abandoned`,
  `ALTER TABLE joint DROP COLUMN furtherTorques`,
  `ALTER TABLE port DROP COLUMN seatMaterial`,
  `ALTER TABLE shop DROP COLUMN address`,
  `ALTER TABLE shop DROP COLUMN phone`,
  `ALTER TABLE job DROP COLUMN number`,
  `ALTER TABLE job DROP COLUMN orderTerms`,
  // An older book knows neither body.
  `UPDATE component SET body = 'frame' WHERE body = 'lowerYoke'`,
  `UPDATE component SET body = 'axle' WHERE body = 'hubCarrier'`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
