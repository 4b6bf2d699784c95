/** Fills the demo shop's book with copies of its own vehicles and jobs, inside the database. */
import type { Connection, RowDataPacket } from 'mysql2/promise';

export interface Size {
  readonly vehicles: number;
  readonly jobsPerVehicle: number;
  readonly servicesPerVehicle: number;
  readonly linesPerJob: number;
  readonly shelf: number;
}

/** An id for each copy of a row, always the same one. */
const COPY = `CREATE OR REPLACE FUNCTION copyOf(id CHAR(36) CHARACTER SET utf8mb4, number BIGINT) RETURNS CHAR(36) CHARACTER SET utf8mb4
  DETERMINISTIC RETURN IF(id IS NULL, NULL, INSERT(INSERT(INSERT(INSERT(INSERT(INSERT(MD5(CONCAT(id, number)),
    13, 1, '5'), 17, 1, '8'), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-'))`;

async function columnsOf(sql: Connection, table: string): Promise<readonly string[]> {
  const [rows] = await sql.query<RowDataPacket[]>(
    `SELECT COLUMN_NAME AS name FROM information_schema.COLUMNS
      WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND EXTRA NOT LIKE '%auto_increment%'`,
    [table],
  );
  return rows.map((row) => String(row.name));
}

/**
 * `numbers` copies of the rows that `where` names, `n` counting them. What points at a copied row points at its copy of the
 * same number, or of `owner`; what is in `set` is written so.
 */
async function copyRows(
  sql: Connection,
  table: string,
  where: string,
  numbers: number,
  {
    pointing,
    set = {},
  }: { pointing: Readonly<Record<string, string>>; set?: Readonly<Record<string, string>> },
): Promise<void> {
  const columns = await columnsOf(sql, table);
  const values = columns.map((column) => {
    const number = pointing[column];
    if (number !== undefined) return `copyOf(${table}.\`${column}\`, ${number})`;
    return set[column] ?? `${table}.\`${column}\``;
  });
  await sql.query(
    `INSERT INTO ${table} (${columns.map((column) => `\`${column}\``).join(', ')})
      SELECT ${values.join(', ')} FROM ${table} JOIN (SELECT seq AS n FROM seq_1_to_${numbers}) AS numbers WHERE ${where}`,
  );
}

const CIRCUITS = (vehicle: string) => `(SELECT id FROM circuit WHERE vehicleId = ${vehicle})`;

async function vehicles(sql: Connection, vehicle: string, size: Size): Promise<void> {
  const same = { id: 'n', vehicleId: 'n', circuitId: 'n', componentId: 'n', attachedTo: 'n', portId: 'n' };
  const ends = { ...same, jointId: 'n', fromJointId: 'n', toJointId: 'n' };
  const copy = (table: string, where: string, set: Readonly<Record<string, string>> = {}) =>
    copyRows(sql, table, where, size.vehicles, { pointing: ends, set });
  await copy('vehicle', `vehicle.id = ${vehicle}`, {
    name: `CONCAT('Number ', LPAD(n, 6, '0'))`,
    plate: `CONCAT('NB ', n)`,
    distance_m: `1e6 * (n % 97)`,
  });
  await copy('circuit', `circuit.vehicleId = ${vehicle}`);
  // What something sits on is there before it.
  await copy('component', `component.circuitId IN ${CIRCUITS(vehicle)} AND component.attachedTo IS NULL`);
  await copy('component', `component.circuitId IN ${CIRCUITS(vehicle)} AND component.attachedTo IS NOT NULL`);
  await copy(
    'port',
    `port.componentId IN (SELECT id FROM component WHERE circuitId IN ${CIRCUITS(vehicle)})`,
  );
  await copy('joint', `joint.circuitId IN ${CIRCUITS(vehicle)}`);
  await copy('hose', `hose.circuitId IN ${CIRCUITS(vehicle)}`);
}

/** Copies of a job over all copies of its vehicle: number n is on vehicle (n − 1) % vehicles + 1. */
async function jobs(sql: Connection, job: string, from: number, many: number, size: Size): Promise<void> {
  const own = `(${from} + n)`;
  const of = `(n - 1) % ${size.vehicles} + 1`;
  const pointing = {
    id: own,
    jobId: own,
    vehicleId: of,
    circuitId: of,
    hoseId: of,
    jointId: of,
    subjectId: of,
  };
  const copy = (table: string, where: string, set: Readonly<Record<string, string>> = {}) =>
    copyRows(sql, table, where, many, { pointing, set });
  await copy('job', `job.id = ${job}`, {
    title: `CONCAT('Job ', ${own})`,
    openedOn: `DATE_SUB(job.openedOn, INTERVAL n % 3000 DAY)`,
  });
  for (const table of ['job_circuit', 'job_hose', 'job_joint', 'torque_record', 'job_event', 'reading'])
    await copy(table, `${table}.jobId = ${job}`);
}

async function services(sql: Connection, service: string, size: Size): Promise<void> {
  await copyRows(
    sql,
    'fluid_service',
    `fluid_service.id = ${service}`,
    size.vehicles * size.servicesPerVehicle,
    {
      pointing: {
        id: 'n',
        vehicleId: `(n - 1) % ${size.vehicles} + 1`,
        circuitId: `(n - 1) % ${size.vehicles} + 1`,
      },
      set: {
        jobId: 'NULL',
        servicedOn: `DATE_SUB(CURDATE(), INTERVAL n % 3001 DAY)`,
        dueOn: `DATE_ADD(CURDATE(), INTERVAL 730 - CAST(n % 3001 AS SIGNED) DAY)`,
        dueDistance_m: `1e6 * (n % 101)`,
      },
    },
  );
}

/** As migration 0010 fills it: the last service of each circuit against the vehicle's distance. */
const DUE = `INSERT IGNORE INTO circuit_due
  SELECT circuit.id, service.servicedOn, service.dueOn, service.dueDistance_m,
    CASE WHEN service.dueDistance_m IS NULL OR vehicle.distance_m IS NULL THEN 0
      WHEN service.dueDistance_m < vehicle.distance_m THEN 2
      WHEN service.dueDistance_m - vehicle.distance_m <= 0.1 * COALESCE(service.intervalDistance_m, 0) THEN 1
      ELSE 0 END
  FROM circuit JOIN vehicle ON vehicle.id = circuit.vehicleId
  LEFT JOIN fluid_service AS service ON service.id =
    (SELECT id FROM fluid_service WHERE circuitId = circuit.id ORDER BY servicedOn DESC, id DESC LIMIT 1)`;

export async function fillBook(sql: Connection, size: Size): Promise<void> {
  const one = async (query: string) => {
    const [rows] = await sql.query<RowDataPacket[]>(query);
    return `'${String(rows[0]?.id)}'`;
  };
  const open = await one(`SELECT id FROM job WHERE status = 'open' AND title LIKE 'Front hose%'`);
  const vehicle = await one(`SELECT vehicleId AS id FROM job WHERE id = ${open}`);
  const finished = await one(`SELECT id FROM job WHERE status = 'finished' AND vehicleId = ${vehicle}`);
  const service = await one(`SELECT id FROM fluid_service WHERE vehicleId = ${vehicle} AND jobId IS NULL`);
  await sql.query(COPY);
  await vehicles(sql, vehicle, size);
  const many = size.vehicles * size.jobsPerVehicle;
  const stillOpen = Math.round(many / 50);
  await jobs(sql, open, 0, stillOpen, size);
  await jobs(sql, finished, stillOpen, many - stillOpen, size);
  await services(sql, service, size);
  await sql.query(
    `INSERT INTO log_entry (id, jobId, at, \`by\`, kind, detail)
      SELECT copyOf(job.id, seq), job.id, NOW(3), 'Brannoc Hale', 'fitChecked', '{"check":"handTight","done":true}'
      FROM job JOIN seq_1_to_${size.linesPerJob}`,
  );
  await sql.query(
    `INSERT INTO stock_item (\`key\`, onHand, version) SELECT CONCAT('part ', LPAD(seq, 6, '0')), seq % 40, 0 FROM seq_1_to_${size.shelf}`,
  );
  await sql.query(DUE);
}
