import type { QueryInterface } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** A torque figure names the bolt it was given for. Nobody was asked before: it is not taken from the drawing. */
const UP: readonly string[] = [`UPDATE joint SET torque = JSON_INSERT(torque, '$.forBolt', NULL)`];
const DOWN: readonly string[] = [`UPDATE joint SET torque = JSON_REMOVE(torque, '$.forBolt')`];

type Figure = Record<string, unknown>;

/** The figures for other parts of each joint, one list at a time. */
async function eachList({ sequelize }: QueryInterface, change: (figure: Figure) => Figure): Promise<void> {
  const rows = await sequelize.query<{ id: string; furtherTorques: unknown }>(
    `SELECT id, furtherTorques FROM joint WHERE JSON_LENGTH(furtherTorques) > 0`,
    { type: QueryTypes.SELECT },
  );
  for (const { id, furtherTorques } of rows) {
    const figures = (
      typeof furtherTorques === 'string' ? JSON.parse(furtherTorques) : furtherTorques
    ) as Figure[];
    await sequelize.query('UPDATE joint SET furtherTorques = ? WHERE id = ?', {
      replacements: [JSON.stringify(figures.map(change)), id],
    });
  }
}

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
  await eachList(queries, (figure) => ({ ...figure, forBolt: null }));
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
  await eachList(queries, ({ forBolt: _forBolt, ...figure }) => figure);
}
