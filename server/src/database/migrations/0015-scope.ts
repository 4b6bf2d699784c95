import type { QueryInterface } from 'sequelize';

/**
 * A job works on any circuits of its vehicle; each keeps how it was found and how it was signed, and gets a fluid record of its
 * own. A part that is drawn in two circuits and is one on the vehicle names the drawing that stands for it.
 */
const UP: readonly string[] = [
  `CREATE TABLE job_circuit (
    jobId CHAR(36) NOT NULL, circuitId CHAR(36) NOT NULL, found JSON NULL, signed JSON NULL, position INT NOT NULL,
    PRIMARY KEY (jobId, circuitId), KEY job_circuit_jobs (circuitId, jobId),
    CONSTRAINT scope_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT scope_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id))`,
  `INSERT INTO job_circuit (jobId, circuitId, found, signed, position)
    SELECT id, circuitId, circuitBefore, circuitSigned, 0 FROM job`,
  `ALTER TABLE job DROP FOREIGN KEY job_circuit`,
  `ALTER TABLE job DROP COLUMN circuitId, DROP COLUMN circuitBefore, DROP COLUMN circuitSigned`,
  // The key of a reference is replaced before it is taken away.
  `ALTER TABLE fluid_service ADD UNIQUE KEY service_of_job (jobId, circuitId), DROP KEY service_job`,
  `ALTER TABLE component ADD COLUMN sameAs CHAR(36) NULL AFTER attachedTo,
    ADD CONSTRAINT component_same FOREIGN KEY (sameAs) REFERENCES component (id)`,
];

/** What an older application cannot hold: the second circuit of a job, and its record. */
const DOWN: readonly string[] = [
  `ALTER TABLE component DROP FOREIGN KEY component_same`,
  `ALTER TABLE component DROP COLUMN sameAs`,
  `UPDATE fluid_service JOIN job_circuit USING (jobId, circuitId) SET fluid_service.jobId = NULL WHERE position > 0`,
  `ALTER TABLE fluid_service ADD UNIQUE KEY service_job (jobId), DROP KEY service_of_job`,
  `ALTER TABLE job ADD COLUMN circuitId CHAR(36) NULL AFTER vehicleId, ADD COLUMN circuitBefore JSON NULL,
    ADD COLUMN circuitSigned JSON NULL`,
  `UPDATE job JOIN (SELECT jobId, MIN(position) AS position FROM job_circuit GROUP BY jobId) AS first ON first.jobId = job.id
    JOIN job_circuit ON job_circuit.jobId = job.id AND job_circuit.position = first.position
    SET job.circuitId = job_circuit.circuitId, circuitBefore = found, circuitSigned = signed`,
  `ALTER TABLE job MODIFY circuitId CHAR(36) NOT NULL,
    ADD CONSTRAINT job_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id)`,
  `DROP TABLE job_circuit`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
