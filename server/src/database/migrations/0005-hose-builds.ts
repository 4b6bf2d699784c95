import type { QueryInterface } from 'sequelize';

/** How a hose is built, made up and checked in; what a bolt was; what lies on the shelf. */
const UP: readonly string[] = [
  `ALTER TABLE job ADD COLUMN supply JSON NULL`,
  `ALTER TABLE job_hose ADD COLUMN build JSON NULL,
    ADD COLUMN makeUp JSON NOT NULL DEFAULT '{"steps":[],"proofs":[]}', ADD COLUMN kit JSON NULL,
    ADD COLUMN plugs JSON NOT NULL DEFAULT '{"put":0,"out":0}'`,
  `ALTER TABLE job_joint ADD COLUMN boltState VARCHAR(20) NOT NULL DEFAULT 'new',
    ADD COLUMN oldIsSwitch TINYINT(1) NOT NULL DEFAULT 0`,
  `CREATE TABLE stock_item (
    shopId CHAR(36) NOT NULL, \`key\` VARCHAR(160) NOT NULL, onHand INT NOT NULL, version INT NOT NULL DEFAULT 0,
    PRIMARY KEY (shopId, \`key\`), CONSTRAINT stock_item_shop FOREIGN KEY (shopId) REFERENCES shop (id))`,
];

const DOWN: readonly string[] = [
  `DROP TABLE IF EXISTS stock_item`,
  `ALTER TABLE job DROP COLUMN supply`,
  `ALTER TABLE job_joint DROP COLUMN boltState, DROP COLUMN oldIsSwitch`,
  `ALTER TABLE job_hose DROP COLUMN build, DROP COLUMN makeUp, DROP COLUMN kit, DROP COLUMN plugs`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
