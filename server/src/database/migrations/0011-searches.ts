import type { QueryInterface } from 'sequelize';

/** All that a search looks at lies in one key, in the order of the list: no row is read that is not shown. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(
    `ALTER TABLE job DROP KEY job_opened, ADD KEY job_search (openedOn, id, status, vehicleId, title)`,
  );
  await sequelize.query(
    `ALTER TABLE vehicle DROP KEY vehicle_name, ADD KEY vehicle_search (name, id, plate, kind)`,
  );
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`ALTER TABLE vehicle DROP KEY vehicle_search, ADD KEY vehicle_name (name, id)`);
  await sequelize.query(`ALTER TABLE job DROP KEY job_search, ADD KEY job_opened (openedOn, id)`);
}
