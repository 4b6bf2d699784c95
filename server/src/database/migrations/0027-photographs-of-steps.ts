import type { QueryInterface } from 'sequelize';

/** The step that a photograph was taken at; those of bodywork stay with the vehicle. */
const UP: readonly string[] = [
  `ALTER TABLE photo ADD COLUMN vehicleId CHAR(36) NULL AFTER jobId, ADD COLUMN step VARCHAR(20) NULL AFTER bytes,
    ADD KEY photo_vehicle (vehicleId, takenAt),
    ADD CONSTRAINT photo_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id)`,
];

/** An older application knows no photographs of bodywork or of a whole job. */
const DOWN: readonly string[] = [
  `DELETE FROM photo WHERE subject IN ('cover', 'job')`,
  `ALTER TABLE photo DROP FOREIGN KEY photo_vehicle`,
  `ALTER TABLE photo DROP KEY photo_vehicle, DROP COLUMN vehicleId, DROP COLUMN step`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
