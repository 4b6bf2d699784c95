import type { QueryInterface } from 'sequelize';

/** The tape at full depth: what wire does, lifts, datums nobody asked for yet; pictures of readings; tracings. */
const UP: readonly string[] = [
  `ALTER TABLE reading ADD COLUMN uncertainty_m DOUBLE NULL, ADD COLUMN wrap JSON NULL,
    ADD COLUMN tightBends JSON NULL`,
  `ALTER TABLE job_hose ADD COLUMN lift JSON NULL, MODIFY COLUMN orderDatum JSON NULL`,
  // Brackets were part of the one tick for the controls.
  `UPDATE job_hose SET poseChecks = JSON_SET(poseChecks,
    '$.bracketsInPlace', JSON_EXTRACT(JSON_MERGE_PATCH('{"controlsFinal":false}', poseChecks), '$.controlsFinal'),
    '$.crossedUp', JSON_EXTRACT('[false]', '$[0]'))`,
  `UPDATE job SET fitChecks = JSON_MERGE_PATCH('{"offeredUp":false}', fitChecks)`,
  `ALTER TABLE photo DROP FOREIGN KEY photo_finding`,
  `ALTER TABLE photo ADD COLUMN jobId CHAR(36) NULL, ADD COLUMN subject VARCHAR(20) NOT NULL DEFAULT 'finding',
    CHANGE COLUMN findingId subjectId CHAR(36) NOT NULL`,
  `UPDATE photo JOIN finding ON finding.id = photo.subjectId SET photo.jobId = finding.jobId`,
  `ALTER TABLE photo MODIFY COLUMN jobId CHAR(36) NOT NULL,
    ADD CONSTRAINT photo_job FOREIGN KEY (jobId) REFERENCES job (id)`,
  `CREATE TABLE trace (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, tracing JSON NOT NULL,
    position INT NOT NULL, version INT NOT NULL DEFAULT 0, KEY trace_job (jobId, position),
    CONSTRAINT trace_job FOREIGN KEY (jobId) REFERENCES job (id))`,
];

const DOWN: readonly string[] = [
  `DROP TABLE IF EXISTS trace`,
  `DELETE FROM photo WHERE subject <> 'finding'`,
  `ALTER TABLE photo DROP FOREIGN KEY photo_job`,
  `ALTER TABLE photo DROP COLUMN jobId, DROP COLUMN subject, CHANGE COLUMN subjectId findingId CHAR(36) NOT NULL`,
  `ALTER TABLE photo ADD CONSTRAINT photo_finding FOREIGN KEY (findingId) REFERENCES finding (id)`,
  `UPDATE job SET fitChecks = JSON_REMOVE(fitChecks, '$.offeredUp')`,
  `UPDATE job_hose SET poseChecks = JSON_REMOVE(poseChecks, '$.bracketsInPlace', '$.crossedUp')`,
  `UPDATE job_hose SET orderDatum = '{"endA":"ferruleFace","endB":"ferruleFace"}' WHERE orderDatum IS NULL`,
  `ALTER TABLE job_hose DROP COLUMN lift, MODIFY COLUMN orderDatum JSON NOT NULL`,
  `ALTER TABLE reading DROP COLUMN uncertainty_m, DROP COLUMN wrap, DROP COLUMN tightBends`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
