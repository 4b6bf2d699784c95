import type { QueryInterface } from 'sequelize';

/** A wrench that can be read is known by its serial; its pulls are kept, and never changed. */
const UP: readonly string[] = [
  `ALTER TABLE wrench ADD COLUMN serial VARCHAR(60) NULL AFTER calibratedOn`,
  `CREATE TABLE torque_pull (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, jointId CHAR(36) NOT NULL,
    serial VARCHAR(60) NOT NULL, isSimulated BOOLEAN NOT NULL, calibratedOn DATE NULL, set_Nm DOUBLE NOT NULL,
    adapter JSON NULL, samples JSON NOT NULL, peak_Nm DOUBLE NOT NULL, dropOuts INT NOT NULL,
    \`by\` VARCHAR(120) NOT NULL, byId CHAR(36) NULL, at DATETIME(3) NOT NULL,
    KEY pull_job (jobId, at),
    CONSTRAINT pull_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  `ALTER TABLE torque_record ADD COLUMN adapter JSON NULL AFTER typed, ADD COLUMN pullId CHAR(36) NULL AFTER adapter,
    ADD COLUMN threads VARCHAR(20) NULL AFTER verdict, ADD COLUMN renewed BOOLEAN NOT NULL DEFAULT FALSE AFTER threads,
    ADD COLUMN sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
    ADD CONSTRAINT torque_pull_read FOREIGN KEY (pullId) REFERENCES torque_pull (id)`,
  `CREATE TRIGGER torque_pull_is_never_changed BEFORE UPDATE ON torque_pull FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What a wrench told is never changed'`,
  `CREATE TRIGGER torque_pull_is_never_removed BEFORE DELETE ON torque_pull FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What a wrench told is never removed'`,
];

const DOWN: readonly string[] = [
  `ALTER TABLE torque_record DROP FOREIGN KEY torque_pull_read, DROP COLUMN sequence, DROP COLUMN renewed, DROP COLUMN threads,
    DROP COLUMN pullId, DROP COLUMN adapter`,
  `DROP TABLE torque_pull`,
  `ALTER TABLE wrench DROP COLUMN serial`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
