import type { QueryInterface } from 'sequelize';

/** Hard lines and heights, parts taken off that jobs still name, findings with photographs, the history of a vehicle. */
const UP: readonly string[] = [
  `ALTER TABLE shop ADD COLUMN brakeWorkRule TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE component ADD COLUMN height_m DOUBLE NULL, ADD COLUMN retired TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE port ADD COLUMN retired TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE joint ADD COLUMN hexagon_m DOUBLE NULL, ADD COLUMN retired TINYINT(1) NOT NULL DEFAULT 0`,
  // Lengths entered before this were measured.
  `ALTER TABLE hose ADD COLUMN kind VARCHAR(20) NOT NULL DEFAULT 'hose', ADD COLUMN estimated TINYINT(1) NOT NULL DEFAULT 0,
    ADD COLUMN construction VARCHAR(20) NOT NULL DEFAULT 'braided', ADD COLUMN rise_m DOUBLE NULL,
    ADD COLUMN retired TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE job ADD COLUMN circuitBefore JSON NULL, ADD COLUMN circuitSigned JSON NULL`,
  `CREATE TABLE finding (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, subject VARCHAR(20) NOT NULL, subjectId CHAR(36) NOT NULL,
    \`condition\` VARCHAR(20) NOT NULL, degree VARCHAR(20) NOT NULL, note TEXT NOT NULL, foundBy VARCHAR(120) NOT NULL,
    foundAt DATETIME(3) NOT NULL, struckBecause TEXT NULL, KEY finding_job (jobId, foundAt),
    CONSTRAINT finding_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  // What was one word on the hose of a job becomes a finding; "sound" was only where nobody had looked yet.
  `INSERT INTO finding (id, jobId, subject, subjectId, \`condition\`, degree, note, foundBy, foundAt, struckBecause)
    SELECT UUID(), job_hose.jobId, 'hose', job_hose.hoseId, job_hose.finding, 'marked', '', job.openedBy,
      CAST(job.openedOn AS DATETIME(3)), NULL
    FROM job_hose JOIN job ON job.id = job_hose.jobId WHERE job_hose.finding <> 'sound'`,
  `ALTER TABLE job_hose DROP COLUMN finding`,
  `CREATE TABLE photo (
    id CHAR(36) NOT NULL PRIMARY KEY, findingId CHAR(36) NOT NULL, mediaType VARCHAR(20) NOT NULL, width_px INT NOT NULL,
    height_px INT NOT NULL, size_bytes INT NOT NULL, bytes MEDIUMBLOB NOT NULL, takenBy VARCHAR(120) NOT NULL,
    takenAt DATETIME(3) NOT NULL, KEY photo_finding (findingId, takenAt),
    CONSTRAINT photo_finding FOREIGN KEY (findingId) REFERENCES finding (id))`,
  `CREATE TABLE vehicle_change (
    sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id CHAR(36) NOT NULL, vehicleId CHAR(36) NOT NULL,
    at DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NOT NULL, kind VARCHAR(30) NOT NULL, detail JSON NOT NULL,
    UNIQUE KEY vehicle_change_id (id), KEY vehicle_change_vehicle (vehicleId, sequence),
    CONSTRAINT vehicle_change_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id))`,
];

const DOWN: readonly string[] = [
  `DROP TABLE IF EXISTS vehicle_change`,
  `DROP TABLE IF EXISTS photo`,
  `ALTER TABLE job_hose ADD COLUMN finding VARCHAR(20) NOT NULL DEFAULT 'sound'`,
  `UPDATE job_hose JOIN finding ON finding.jobId = job_hose.jobId AND finding.subjectId = job_hose.hoseId
    SET job_hose.finding = finding.\`condition\` WHERE finding.struckBecause IS NULL`,
  `DROP TABLE IF EXISTS finding`,
  `ALTER TABLE job DROP COLUMN circuitBefore, DROP COLUMN circuitSigned`,
  `ALTER TABLE hose DROP COLUMN kind, DROP COLUMN estimated, DROP COLUMN construction, DROP COLUMN rise_m, DROP COLUMN retired`,
  `ALTER TABLE joint DROP COLUMN hexagon_m, DROP COLUMN retired`,
  `ALTER TABLE port DROP COLUMN retired`,
  `ALTER TABLE component DROP COLUMN height_m, DROP COLUMN retired`,
  `ALTER TABLE shop DROP COLUMN brakeWorkRule`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
