import type { QueryInterface } from 'sequelize';

/** What was specified is kept as it was judged. A hose specified before goes by its tick until it is specified again. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`ALTER TABLE job_hose ADD COLUMN specification JSON NULL AFTER specified`);
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`ALTER TABLE job_hose DROP COLUMN specification`);
}
