import type { QueryInterface } from 'sequelize';
import { QueryTypes } from 'sequelize';

/**
 * A book holds one shop, so nothing says again which; people can be retired and their sign-ins ended; a record holds the id of
 * who made it beside the name as it was. Several branches are several books.
 */
const UP: readonly string[] = [
  `ALTER TABLE shop ADD COLUMN only TINYINT NOT NULL DEFAULT 1, ADD UNIQUE KEY only_one (only),
    ADD COLUMN namesAtSignIn TINYINT(1) NOT NULL DEFAULT 1`,
  `ALTER TABLE person DROP FOREIGN KEY person_shop`,
  `ALTER TABLE person DROP INDEX person_name, DROP COLUMN shopId, ADD UNIQUE KEY person_name (name),
    ADD COLUMN isRetired TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE wrench DROP FOREIGN KEY wrench_shop`,
  `ALTER TABLE wrench DROP INDEX wrench_shop, DROP COLUMN shopId, ADD COLUMN minimum_Nm DOUBLE NULL,
    ADD COLUMN isRetired TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN version INT NOT NULL DEFAULT 0`,
  `ALTER TABLE vehicle DROP FOREIGN KEY vehicle_shop`,
  `ALTER TABLE vehicle DROP INDEX vehicle_name, DROP COLUMN shopId, ADD KEY vehicle_name (name, id)`,
  `ALTER TABLE job DROP FOREIGN KEY job_shop`,
  `ALTER TABLE job DROP INDEX job_newest, DROP COLUMN shopId, ADD KEY job_newest (status, openedOn, id),
    ADD KEY job_opened (openedOn, id)`,
  `ALTER TABLE stock_item DROP FOREIGN KEY stock_item_shop`,
  `ALTER TABLE stock_item DROP PRIMARY KEY, DROP COLUMN shopId, ADD PRIMARY KEY (\`key\`)`,
  `CREATE TABLE session (
    id CHAR(64) NOT NULL PRIMARY KEY, personId CHAR(36) NOT NULL, startedAt DATETIME(3) NOT NULL,
    lastSeenAt DATETIME(3) NOT NULL, address VARCHAR(60) NOT NULL, device VARCHAR(300) NOT NULL, data JSON NOT NULL,
    KEY session_person (personId), KEY session_seen (lastSeenAt),
    CONSTRAINT session_person FOREIGN KEY (personId) REFERENCES person (id))`,
];

/** Table, column with the name, column for the id. */
const STAMPS = [
  ['job', 'openedBy', 'openedById'],
  ['job', 'signedBy', 'signedById'],
  ['reading', 'takenBy', 'takenById'],
  ['torque_record', 'by', 'byId'],
  ['fluid_service', 'by', 'byId'],
  ['finding', 'foundBy', 'foundById'],
  ['photo', 'takenBy', 'takenById'],
  ['vehicle_change', 'by', 'byId'],
  ['log_entry', 'by', 'byId'],
] as const;

/** Tables and columns with a name that has to be seen from now on. */
const NAMED = [
  ['vehicle', 'name'],
  ['circuit', 'name'],
  ['component', 'name'],
  ['port', 'name'],
  ['joint', 'name'],
  ['hose', 'name'],
  ['job', 'title'],
  ['person', 'name'],
  ['wrench', 'name'],
] as const;

const UNLOCK = `DROP TRIGGER log_entry_is_never_changed`;
const LOCK = `CREATE TRIGGER log_entry_is_never_changed BEFORE UPDATE ON log_entry FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The job log is append-only'`;

const DOWN: readonly string[] = [
  `DROP TABLE session`,
  `ALTER TABLE stock_item ADD COLUMN shopId CHAR(36) NULL`,
  `UPDATE stock_item SET shopId = (SELECT id FROM shop)`,
  `ALTER TABLE stock_item MODIFY shopId CHAR(36) NOT NULL, DROP PRIMARY KEY, ADD PRIMARY KEY (shopId, \`key\`),
    ADD CONSTRAINT stock_item_shop FOREIGN KEY (shopId) REFERENCES shop (id)`,
  `ALTER TABLE job ADD COLUMN shopId CHAR(36) NULL`,
  `UPDATE job SET shopId = (SELECT id FROM shop)`,
  `ALTER TABLE job DROP INDEX job_newest, DROP INDEX job_opened, MODIFY shopId CHAR(36) NOT NULL,
    ADD KEY job_newest (shopId, status, openedOn, id), ADD CONSTRAINT job_shop FOREIGN KEY (shopId) REFERENCES shop (id)`,
  `ALTER TABLE vehicle ADD COLUMN shopId CHAR(36) NULL`,
  `UPDATE vehicle SET shopId = (SELECT id FROM shop)`,
  `ALTER TABLE vehicle DROP INDEX vehicle_name, MODIFY shopId CHAR(36) NOT NULL, ADD KEY vehicle_name (shopId, name),
    ADD CONSTRAINT vehicle_shop FOREIGN KEY (shopId) REFERENCES shop (id)`,
  `ALTER TABLE wrench DROP COLUMN minimum_Nm, DROP COLUMN isRetired, DROP COLUMN version,
    ADD COLUMN shopId CHAR(36) NULL`,
  `UPDATE wrench SET shopId = (SELECT id FROM shop)`,
  `ALTER TABLE wrench MODIFY shopId CHAR(36) NOT NULL, ADD CONSTRAINT wrench_shop FOREIGN KEY (shopId) REFERENCES shop (id)`,
  `ALTER TABLE person DROP COLUMN isRetired, ADD COLUMN shopId CHAR(36) NULL`,
  `UPDATE person SET shopId = (SELECT id FROM shop)`,
  `ALTER TABLE person DROP INDEX person_name, MODIFY shopId CHAR(36) NOT NULL, ADD UNIQUE KEY person_name (shopId, name),
    ADD CONSTRAINT person_shop FOREIGN KEY (shopId) REFERENCES shop (id)`,
  `ALTER TABLE shop DROP INDEX only_one, DROP COLUMN only, DROP COLUMN namesAtSignIn`,
];

export async function up(queries: QueryInterface): Promise<void> {
  const { sequelize } = queries;
  const [shops] = await sequelize.query<{ many: number }>('SELECT COUNT(*) AS many FROM shop', {
    type: QueryTypes.SELECT,
  });
  // Before anything is touched: which shop a person or vehicle is of would be lost.
  if ((shops?.many ?? 0) > 1)
    throw new Error(
      `This book holds ${shops?.many} shops, and a book holds one. Nothing was changed. Make a copy of the database for each shop, delete the other shops’ rows from each copy, and start one server on each.`,
    );
  for (const statement of UP) await sequelize.query(statement);
  // A name of nothing but spaces without width, or of fillers, is found in no list.
  for (const [table, column] of NAMED)
    await sequelize.query(
      `UPDATE ${table} SET ${column} = CONCAT('(no name) ', LEFT(id, 8))
        WHERE REGEXP_REPLACE(${column}, '[\\\\x{115f}\\\\x{1160}\\\\x{2800}\\\\x{3164}\\\\x{ffa0}]', '')
          NOT REGEXP '[\\\\p{L}\\\\p{N}\\\\p{P}\\\\p{S}]'`,
    );
  await sequelize.query(UNLOCK);
  for (const [table, name, id] of STAMPS) {
    await sequelize.query(`ALTER TABLE ${table} ADD COLUMN ${id} CHAR(36) NULL AFTER \`${name}\``);
    await sequelize.query(
      `UPDATE ${table} JOIN person ON person.name = ${table}.\`${name}\` SET ${table}.${id} = person.id`,
    );
  }
  await sequelize.query(LOCK);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const [table, , id] of STAMPS) await queries.sequelize.query(`ALTER TABLE ${table} DROP COLUMN ${id}`);
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
