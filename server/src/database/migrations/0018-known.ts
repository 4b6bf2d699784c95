import type { QueryInterface } from 'sequelize';

const PARTS = ['component', 'port', 'joint', 'hose'];

/**
 * How each figure of a part is known: seen, measured, or assumed and from what. Of a book of before nobody has said, and so it is
 * assumed. The dimensions of an end that were read from its maker's sheet, or measured, are kept for the next order of such an end.
 */
const UP: readonly string[] = [
  ...PARTS.map((table) => `ALTER TABLE ${table} ADD COLUMN known JSON NULL`),
  // What a length was taken from, what was held against its route, and which parts a torque tightened.
  `ALTER TABLE job_hose ADD COLUMN lengthTaken JSON NULL, ADD COLUMN offeredUp JSON NULL`,
  `ALTER TABLE torque_record ADD COLUMN fitted JSON NULL`,
  `CREATE TABLE end_sheet (
    id CHAR(36) NOT NULL PRIMARY KEY, family VARCHAR(20) NOT NULL, neckAngle_rad DOUBLE NOT NULL,
    end JSON NOT NULL, at DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NOT NULL, byId CHAR(36) NULL,
    KEY end_sheet_kind (family, neckAngle_rad, at))`,
];

const DOWN: readonly string[] = [
  `DROP TABLE end_sheet`,
  `ALTER TABLE torque_record DROP COLUMN fitted`,
  `ALTER TABLE job_hose DROP COLUMN lengthTaken, DROP COLUMN offeredUp`,
  ...PARTS.map((table) => `ALTER TABLE ${table} DROP COLUMN known`),
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
