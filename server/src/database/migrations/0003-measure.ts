import type { QueryInterface } from 'sequelize';

/** Corners of a vehicle, each a whole document: how it moves, what stands in the way, where its hoses run. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(
    `CREATE TABLE corner (
      id CHAR(36) NOT NULL PRIMARY KEY, vehicleId CHAR(36) NOT NULL, position INT NOT NULL, corner JSON NOT NULL,
      version INT NOT NULL DEFAULT 0, KEY corner_vehicle (vehicleId, position),
      CONSTRAINT corner_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id))`,
  );
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`DROP TABLE IF EXISTS corner`);
}
