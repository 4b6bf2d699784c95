import type { QueryInterface } from 'sequelize';

/** A line of the log knows when it was done and when it came, and of which request. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(
    'ALTER TABLE log_entry ADD COLUMN receivedAt DATETIME(3) NULL AFTER at, ADD COLUMN sentId CHAR(36) NULL',
  );
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE log_entry DROP COLUMN receivedAt, DROP COLUMN sentId');
}
