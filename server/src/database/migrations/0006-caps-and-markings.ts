import type { QueryInterface } from 'sequelize';

/** Caps are counted at each opening, and nobody having counted is not nothing; what is printed along a hose goes with it. */
const UP: readonly string[] = [
  `ALTER TABLE hose ADD COLUMN marking VARCHAR(200) NULL`,
  // What was counted for the whole hose stands at its first opening.
  `UPDATE job_hose SET plugs = IF(
    JSON_EXTRACT(plugs, '$.put') = 0 AND JSON_EXTRACT(plugs, '$.out') = 0,
    '{"A":null,"B":null}', JSON_OBJECT('A', JSON_EXTRACT(plugs, '$'), 'B', NULL)) WHERE JSON_EXISTS(plugs, '$.put')`,
  `ALTER TABLE job_hose ALTER COLUMN plugs SET DEFAULT '{"A":null,"B":null}'`,
];

const DOWN: readonly string[] = [
  `ALTER TABLE job_hose ALTER COLUMN plugs SET DEFAULT '{"put":0,"out":0}'`,
  `UPDATE job_hose SET plugs = JSON_OBJECT(
    'put', IFNULL(JSON_VALUE(plugs, '$.A.put'), 0) + IFNULL(JSON_VALUE(plugs, '$.B.put'), 0),
    'out', IFNULL(JSON_VALUE(plugs, '$.A.out'), 0) + IFNULL(JSON_VALUE(plugs, '$.B.out'), 0))`,
  `ALTER TABLE hose DROP COLUMN marking`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
