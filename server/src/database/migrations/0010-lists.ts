import type { QueryInterface } from 'sequelize';

/**
 * What was sent twice is written once. Lists are read a page at a time, each along a key. What is due is worked out when a
 * service or a distance is written, but for the day, which only the reader knows. `byDistance` is 0 later, 1 soon, 2 overdue.
 */
const UP: readonly string[] = [
  `CREATE TABLE circuit_due (
    circuitId CHAR(36) NOT NULL PRIMARY KEY, lastServicedOn DATE NULL, dueOn DATE NULL, dueDistance_m DOUBLE NULL,
    byDistance TINYINT NOT NULL, KEY due_order (dueOn, circuitId, byDistance),
    CONSTRAINT due_circuit FOREIGN KEY (circuitId) REFERENCES circuit (id) ON DELETE CASCADE)`,
  // Soon is the last tenth of the interval, as the judgement then was.
  `INSERT INTO circuit_due
    SELECT circuit.id, service.servicedOn, service.dueOn, service.dueDistance_m,
      CASE WHEN service.dueDistance_m IS NULL OR vehicle.distance_m IS NULL THEN 0
        WHEN service.dueDistance_m < vehicle.distance_m THEN 2
        WHEN service.dueDistance_m - vehicle.distance_m <= 0.1 * COALESCE(service.intervalDistance_m, 0) THEN 1
        ELSE 0 END
    FROM circuit JOIN vehicle ON vehicle.id = circuit.vehicleId
    LEFT JOIN fluid_service AS service ON service.id =
      (SELECT id FROM fluid_service WHERE circuitId = circuit.id ORDER BY servicedOn DESC, id DESC LIMIT 1)`,
  // A change that was sent is known again by the key that came with it, when it is sent once more.
  `CREATE TABLE sent_change (
    personId CHAR(36) NOT NULL, id CHAR(36) NOT NULL, digest CHAR(64) NOT NULL, at DATETIME(3) NOT NULL,
    PRIMARY KEY (personId, id),
    KEY sent_at (at), CONSTRAINT sent_person FOREIGN KEY (personId) REFERENCES person (id))`,
  `ALTER TABLE fluid_service ADD KEY service_newest (vehicleId, servicedOn, id)`,
  `ALTER TABLE job ADD KEY job_of_vehicle (vehicleId, openedOn, id)`,
];

const DOWN: readonly string[] = [
  `ALTER TABLE job ADD KEY job_vehicle_only (vehicleId), DROP KEY job_of_vehicle`,
  `ALTER TABLE fluid_service ADD KEY service_vehicle_only (vehicleId), DROP KEY service_newest`,
  `DROP TABLE sent_change`,
  `DROP TABLE circuit_due`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
