import type { QueryInterface } from 'sequelize';

/** Shop, vehicles with their hydraulics, jobs and everything recorded on them. SI units, named in the columns. */
const TABLES: readonly string[] = [
  `CREATE TABLE shop (
    id CHAR(36) NOT NULL PRIMARY KEY, name VARCHAR(120) NOT NULL, slack_m DOUBLE NOT NULL,
    fluidIntervalMonths INT NOT NULL, fluidIntervalDistance_m DOUBLE NULL, version INT NOT NULL DEFAULT 0)`,
  `CREATE TABLE person (
    id CHAR(36) NOT NULL PRIMARY KEY, shopId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, role VARCHAR(20) NOT NULL,
    units JSON NOT NULL, passphraseHash VARCHAR(200) NOT NULL, version INT NOT NULL DEFAULT 0,
    UNIQUE KEY person_name (shopId, name), CONSTRAINT person_shop FOREIGN KEY (shopId) REFERENCES shop (id))`,
  `CREATE TABLE wrench (
    id CHAR(36) NOT NULL PRIMARY KEY, shopId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, maximum_Nm DOUBLE NOT NULL,
    calibratedOn DATE NULL, CONSTRAINT wrench_shop FOREIGN KEY (shopId) REFERENCES shop (id))`,
  `CREATE TABLE vehicle (
    id CHAR(36) NOT NULL PRIMARY KEY, shopId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, kind VARCHAR(20) NOT NULL,
    plate VARCHAR(20) NULL, \`use\` VARCHAR(20) NOT NULL, abs TINYINT(1) NOT NULL, linkedBrakes TINYINT(1) NOT NULL,
    electricBooster TINYINT(1) NOT NULL, distance_m DOUBLE NULL, makerIntervalMonths INT NULL,
    makerIntervalDistance_m DOUBLE NULL, note TEXT NOT NULL, version INT NOT NULL DEFAULT 0,
    KEY vehicle_name (shopId, name), CONSTRAINT vehicle_shop FOREIGN KEY (shopId) REFERENCES shop (id))`,
  `CREATE TABLE circuit (
    id CHAR(36) NOT NULL PRIMARY KEY, vehicleId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, fluidGrade VARCHAR(20) NOT NULL,
    position INT NOT NULL, version INT NOT NULL DEFAULT 0,
    CONSTRAINT circuit_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id))`,
  `CREATE TABLE component (
    id CHAR(36) NOT NULL PRIMARY KEY, circuitId CHAR(36) NOT NULL, kind VARCHAR(20) NOT NULL, name VARCHAR(120) NOT NULL,
    body VARCHAR(20) NOT NULL, attachedTo CHAR(36) NULL, masterBore_m DOUBLE NULL, leverStroke_m DOUBLE NULL,
    leverRatio DOUBLE NULL, usable_m3 DOUBLE NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0,
    CONSTRAINT component_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id),
    CONSTRAINT component_host FOREIGN KEY (attachedTo) REFERENCES component (id))`,
  `CREATE TABLE port (
    id CHAR(36) NOT NULL PRIMARY KEY, componentId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, thread VARCHAR(30) NOT NULL,
    gender VARCHAR(10) NOT NULL, seat VARCHAR(20) NOT NULL, depth_m DOUBLE NULL, position INT NOT NULL,
    version INT NOT NULL DEFAULT 0, CONSTRAINT port_component FOREIGN KEY (componentId) REFERENCES component (id))`,
  `CREATE TABLE joint (
    id CHAR(36) NOT NULL PRIMARY KEY, circuitId CHAR(36) NOT NULL, portId CHAR(36) NOT NULL, componentId CHAR(36) NOT NULL,
    name VARCHAR(120) NOT NULL, seal VARCHAR(20) NOT NULL, bolt JSON NULL, washer JSON NULL, eyeThickness_m DOUBLE NULL,
    torque JSON NOT NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0,
    CONSTRAINT joint_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id),
    CONSTRAINT joint_component FOREIGN KEY (componentId) REFERENCES component (id),
    UNIQUE KEY joint_port (portId), CONSTRAINT joint_port FOREIGN KEY (portId) REFERENCES port (id))`,
  `CREATE TABLE hose (
    id CHAR(36) NOT NULL PRIMARY KEY, circuitId CHAR(36) NOT NULL, name VARCHAR(120) NOT NULL, fromJointId CHAR(36) NOT NULL,
    toJointId CHAR(36) NOT NULL, length_m DOUBLE NOT NULL, bore_m DOUBLE NOT NULL, endA JSON NOT NULL, endB JSON NOT NULL,
    clocking_rad DOUBLE NULL, madeOn DATE NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0,
    CONSTRAINT hose_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id),
    CONSTRAINT hose_from FOREIGN KEY (fromJointId) REFERENCES joint (id),
    CONSTRAINT hose_to FOREIGN KEY (toJointId) REFERENCES joint (id))`,
  `CREATE TABLE job (
    id CHAR(36) NOT NULL PRIMARY KEY, shopId CHAR(36) NOT NULL, vehicleId CHAR(36) NOT NULL, circuitId CHAR(36) NOT NULL,
    title VARCHAR(120) NOT NULL, reason TEXT NOT NULL, status VARCHAR(20) NOT NULL, openedOn DATE NOT NULL,
    openedBy VARCHAR(120) NOT NULL, finishedOn DATE NULL, signedBy VARCHAR(120) NULL, endsConfirmed TINYINT(1) NOT NULL,
    fitChecks JSON NOT NULL, handoverChecks JSON NOT NULL, version INT NOT NULL DEFAULT 0,
    KEY job_newest (shopId, status, openedOn, id),
    CONSTRAINT job_shop FOREIGN KEY (shopId) REFERENCES shop (id),
    CONSTRAINT job_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id),
    CONSTRAINT job_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id))`,
  `CREATE TABLE job_hose (
    jobId CHAR(36) NOT NULL, hoseId CHAR(36) NOT NULL, finding VARCHAR(20) NOT NULL, poseChecks JSON NOT NULL,
    order_m DOUBLE NULL, orderDatum JSON NOT NULL, endA JSON NOT NULL, endB JSON NOT NULL, clocking_rad DOUBLE NULL,
    specified TINYINT(1) NOT NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0, PRIMARY KEY (jobId, hoseId),
    CONSTRAINT job_hose_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT job_hose_hose FOREIGN KEY (hoseId) REFERENCES hose (id))`,
  `CREATE TABLE job_joint (
    jobId CHAR(36) NOT NULL, jointId CHAR(36) NOT NULL, bolt JSON NULL, washer JSON NULL, handTight TINYINT(1) NOT NULL,
    leakChecked TINYINT(1) NOT NULL, position INT NOT NULL, version INT NOT NULL DEFAULT 0, PRIMARY KEY (jobId, jointId),
    CONSTRAINT job_joint_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT job_joint_joint FOREIGN KEY (jointId) REFERENCES joint (id))`,
  `CREATE TABLE reading (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, hoseId CHAR(36) NOT NULL, pose VARCHAR(20) NOT NULL,
    length_m DOUBLE NOT NULL, typed VARCHAR(60) NOT NULL, datum JSON NOT NULL, aid VARCHAR(20) NOT NULL,
    remainingTravel_m DOUBLE NOT NULL, takenBy VARCHAR(120) NOT NULL, takenAt DATETIME(3) NOT NULL, struckBecause TEXT NULL,
    KEY reading_job (jobId, hoseId, takenAt),
    CONSTRAINT reading_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT reading_hose FOREIGN KEY (hoseId) REFERENCES hose (id))`,
  `CREATE TABLE torque_record (
    id CHAR(36) NOT NULL PRIMARY KEY, jobId CHAR(36) NOT NULL, jointId CHAR(36) NOT NULL, wrenchId CHAR(36) NOT NULL,
    wrenchName VARCHAR(120) NOT NULL, torque_Nm DOUBLE NOT NULL, typed VARCHAR(60) NOT NULL, freshWashers INT NOT NULL,
    settled TINYINT(1) NOT NULL, witnessMark TINYINT(1) NOT NULL, verdict VARCHAR(10) NOT NULL, \`by\` VARCHAR(120) NOT NULL,
    at DATETIME(3) NOT NULL, KEY torque_job (jobId, jointId, at),
    CONSTRAINT torque_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT torque_joint FOREIGN KEY (jointId) REFERENCES joint (id),
    CONSTRAINT torque_wrench FOREIGN KEY (wrenchId) REFERENCES wrench (id))`,
  `CREATE TABLE bleed_run (
    jobId CHAR(36) NOT NULL, nippleId CHAR(36) NOT NULL, events JSON NOT NULL, version INT NOT NULL DEFAULT 0,
    PRIMARY KEY (jobId, nippleId),
    CONSTRAINT bleed_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT bleed_nipple FOREIGN KEY (nippleId) REFERENCES component (id))`,
  `CREATE TABLE fluid_service (
    id CHAR(36) NOT NULL PRIMARY KEY, vehicleId CHAR(36) NOT NULL, circuitId CHAR(36) NOT NULL, jobId CHAR(36) NULL,
    servicedOn DATE NOT NULL, distance_m DOUBLE NULL, grade VARCHAR(20) NOT NULL, batch VARCHAR(60) NOT NULL,
    bottleOpenedOn DATE NULL, quantity_m3 DOUBLE NULL, oldColour VARCHAR(20) NULL, oldWaterFraction DOUBLE NULL,
    intervalMonths INT NOT NULL, intervalDistance_m DOUBLE NULL, dueOn DATE NOT NULL, dueDistance_m DOUBLE NULL,
    \`by\` VARCHAR(120) NOT NULL, KEY service_circuit (circuitId, servicedOn), UNIQUE KEY service_job (jobId),
    CONSTRAINT service_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicle (id),
    CONSTRAINT service_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id),
    CONSTRAINT service_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  `CREATE TABLE log_entry (
    sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id CHAR(36) NOT NULL, jobId CHAR(36) NOT NULL,
    at DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NOT NULL, kind VARCHAR(30) NOT NULL, detail JSON NOT NULL,
    correctsId CHAR(36) NULL, UNIQUE KEY log_id (id), KEY log_job (jobId, sequence),
    CONSTRAINT log_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  // The log is evidence: the database itself refuses to change it.
  `CREATE TRIGGER log_entry_is_never_changed BEFORE UPDATE ON log_entry FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The job log is append-only'`,
  `CREATE TRIGGER log_entry_is_never_removed BEFORE DELETE ON log_entry FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The job log is append-only'`,
];

const NAMES = [
  'log_entry',
  'fluid_service',
  'bleed_run',
  'torque_record',
  'reading',
  'job_joint',
  'job_hose',
  'job',
  'hose',
  'joint',
  'port',
  'component',
  'circuit',
  'vehicle',
  'wrench',
  'person',
  'shop',
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of TABLES) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const name of NAMES) await queries.sequelize.query(`DROP TABLE IF EXISTS ${name}`);
}
