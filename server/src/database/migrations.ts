/** Brings a database to the present schema. Migrations are listed by hand: a file on disk is not enough to run. */
import { SequelizeStorage, Umzug } from 'umzug';
import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import * as firstLight from './migrations/0001-first-light.ts';
import * as lookOver from './migrations/0002-look-over.ts';
import * as measure from './migrations/0003-measure.ts';
import * as tape from './migrations/0004-tape.ts';
import * as hoseBuilds from './migrations/0005-hose-builds.ts';
import * as capsAndMarkings from './migrations/0006-caps-and-markings.ts';
import * as records from './migrations/0007-records.ts';
import * as torqueBolt from './migrations/0008-torque-bolt.ts';
import * as oneShop from './migrations/0009-one-shop.ts';
import * as lists from './migrations/0010-lists.ts';
import * as searches from './migrations/0011-searches.ts';
import * as stamps from './migrations/0012-stamps.ts';
import * as letters from './migrations/0013-letters.ts';
import * as approvals from './migrations/0014-approvals.ts';
import * as scope from './migrations/0015-scope.ts';
import * as events from './migrations/0016-events.ts';
import * as reasons from './migrations/0017-reasons.ts';
import * as known from './migrations/0018-known.ts';
import * as revision from './migrations/0019-revision.ts';
import * as lines from './migrations/0020-lines.ts';
import * as items from './migrations/0021-items.ts';
import * as log from './migrations/0022-log.ts';
import * as refit from './migrations/0023-refit.ts';
import * as fitting from './migrations/0024-fitting.ts';
import * as wrenches from './migrations/0025-wrenches-that-are-read.ts';
import * as leftOpen from './migrations/0026-left-open.ts';
import * as photographsOfSteps from './migrations/0027-photographs-of-steps.ts';

const MIGRATIONS = [
  { name: '0001-first-light', ...firstLight },
  { name: '0002-look-over', ...lookOver },
  { name: '0003-measure', ...measure },
  { name: '0004-tape', ...tape },
  { name: '0005-hose-builds', ...hoseBuilds },
  { name: '0006-caps-and-markings', ...capsAndMarkings },
  { name: '0007-records', ...records },
  { name: '0008-torque-bolt', ...torqueBolt },
  { name: '0009-one-shop', ...oneShop },
  { name: '0010-lists', ...lists },
  { name: '0011-searches', ...searches },
  { name: '0012-stamps', ...stamps },
  { name: '0013-letters', ...letters },
  { name: '0014-approvals', ...approvals },
  { name: '0015-scope', ...scope },
  { name: '0016-events', ...events },
  { name: '0017-reasons', ...reasons },
  { name: '0018-known', ...known },
  { name: '0019-revision', ...revision },
  { name: '0020-lines', ...lines },
  { name: '0021-items', ...items },
  { name: '0022-log', ...log },
  { name: '0023-refit', ...refit },
  { name: '0024-fitting', ...fitting },
  { name: '0025-wrenches-that-are-read', ...wrenches },
  { name: '0026-left-open', ...leftOpen },
  { name: '0027-photographs-of-steps', ...photographsOfSteps },
];

/** Of every migration, in order. */
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name);

/**
 * New tables are made with the collation of the database, and a reference is refused between two collations. A book that was
 * put into another database than it was made in keeps its own.
 */
async function keepCollation(sequelize: Sequelize): Promise<void> {
  const [row] = await sequelize.query<{ there: string; byDefault: string; name: string }>(
    `SELECT TABLE_COLLATION AS there, @@collation_database AS byDefault, DATABASE() AS name
     FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'shop'`,
    { type: QueryTypes.SELECT },
  );
  if (row && row.there !== row.byDefault)
    await sequelize.query(`ALTER DATABASE \`${row.name}\` COLLATE ${row.there}`);
}

/** Runs what has not run yet, in order, up to `last` where one is named; returns the names of what ran. */
export async function migrate(sequelize: Sequelize, last?: string): Promise<readonly string[]> {
  await keepCollation(sequelize);
  const queries = sequelize.getQueryInterface();
  const umzug = new Umzug({
    migrations: MIGRATIONS.map((migration) => ({
      name: migration.name,
      up: () => migration.up(queries),
      down: () => migration.down(queries),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'schema_migration' }),
    logger: undefined,
  });
  const ran = await umzug.up(last === undefined ? {} : { to: last });
  return ran.map((migration) => migration.name);
}
