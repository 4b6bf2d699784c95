/** Whether a book is whole: its schema against the one that the migrations make, every reference, every photograph. */
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import type { DatabaseConfig } from '../config.ts';
import { openDatabase } from '../database/database.ts';
import { MIGRATION_NAMES, migrate } from '../database/migrations.ts';
import type { RowCounts } from './backupFile.ts';
import { createBeside } from './privateDatabase.ts';

export interface Soundness {
  /** The last migration that ran; null in an empty database. */
  readonly schema: string | null;
  readonly rows: RowCounts;
  readonly triggers: number;
  /** In words; none when the book is whole. */
  readonly faults: readonly string[];
}

const select = (sequelize: Sequelize, sql: string) =>
  sequelize.query<Record<string, string | number | null>>(sql, { type: QueryTypes.SELECT });

/** Columns, keys, checks and triggers, a line each. */
const SCHEMA: readonly string[] = [
  `SELECT CONCAT('table ', TABLE_NAME) AS line FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()`,
  `SELECT CONCAT_WS(' ', 'column', CONCAT(TABLE_NAME, '.', COLUMN_NAME), COLUMN_TYPE, IF(IS_NULLABLE = 'YES', 'or nothing', NULL),
     CONCAT('by default ', COLUMN_DEFAULT), NULLIF(EXTRA, '')) AS line
   FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE()`,
  `SELECT CONCAT_WS(' ', 'key', CONCAT(TABLE_NAME, '.', INDEX_NAME), IF(NON_UNIQUE = 0, 'unique', NULL),
     GROUP_CONCAT(COLUMN_NAME ORDER BY SEQ_IN_INDEX)) AS line
   FROM information_schema.STATISTICS WHERE TABLE_SCHEMA = DATABASE() GROUP BY TABLE_NAME, INDEX_NAME, NON_UNIQUE`,
  `SELECT CONCAT('reference ', TABLE_NAME, '.', COLUMN_NAME, ' to ', REFERENCED_TABLE_NAME, '.', REFERENCED_COLUMN_NAME) AS line
   FROM information_schema.KEY_COLUMN_USAGE WHERE TABLE_SCHEMA = DATABASE() AND REFERENCED_TABLE_NAME IS NOT NULL`,
  `SELECT CONCAT('check ', TABLE_NAME, ' ', CHECK_CLAUSE) AS line
   FROM information_schema.CHECK_CONSTRAINTS WHERE CONSTRAINT_SCHEMA = DATABASE()`,
  `SELECT CONCAT('trigger ', TRIGGER_NAME, ' ', ACTION_TIMING, ' ', EVENT_MANIPULATION, ' on ', EVENT_OBJECT_TABLE, ': ',
     ACTION_STATEMENT) AS line
   FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE()`,
];

async function schemaOf(sequelize: Sequelize): Promise<ReadonlySet<string>> {
  const lines = new Set<string>();
  for (const query of SCHEMA) for (const row of await select(sequelize, query)) lines.add(String(row.line));
  return lines;
}

async function tablesOf(sequelize: Sequelize): Promise<readonly string[]> {
  const rows = await select(
    sequelize,
    `SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'BASE TABLE'
     ORDER BY TABLE_NAME`,
  );
  return rows.map(({ name }) => String(name));
}

const numberOf = async (sequelize: Sequelize, sql: string): Promise<number> =>
  Number((await select(sequelize, sql))[0]?.many ?? 0);

/** A dump is loaded with the references unchecked: each is followed here. */
async function* lostReferences(sequelize: Sequelize): AsyncGenerator<string> {
  const references = await select(
    sequelize,
    `SELECT TABLE_NAME AS child, COLUMN_NAME AS col, REFERENCED_TABLE_NAME AS parent, REFERENCED_COLUMN_NAME AS id
     FROM information_schema.KEY_COLUMN_USAGE WHERE TABLE_SCHEMA = DATABASE() AND REFERENCED_TABLE_NAME IS NOT NULL`,
  );
  for (const { child, col, parent, id } of references) {
    const lost = await numberOf(
      sequelize,
      `SELECT COUNT(*) AS many FROM \`${child}\` AS c LEFT JOIN \`${parent}\` AS p ON p.\`${id}\` = c.\`${col}\`
       WHERE c.\`${col}\` IS NOT NULL AND p.\`${id}\` IS NULL`,
    );
    if (lost > 0) yield `${lost} of ${child}.${col} name a ${parent} that is not there`;
  }
}

/** What no reference of the schema says and holds all the same. */
const LAWS: readonly (readonly [string, string, string])[] = [
  [
    'vehicle',
    `CHAR_LENGTH(name) >= 3 AND NOT EXISTS (SELECT 1 FROM search_gram WHERE kind = 1 AND ref = vehicle.id AND gram = LEFT(name, 3))`,
    'vehicles cannot be found by their name',
  ],
  [
    'job',
    `CHAR_LENGTH(title) >= 3 AND NOT EXISTS (SELECT 1 FROM search_gram WHERE kind = 2 AND ref = job.id AND gram = LEFT(title, 3))`,
    'jobs cannot be found by their title',
  ],
  ['photo', 'size_bytes <> LENGTH(bytes)', 'photographs are shorter or longer than they were'],
  ['shop', '(SELECT COUNT(*) FROM shop) > 1', 'shops are in one book'],
  [
    'job',
    `status = 'finished' AND (finishedOn IS NULL OR signedBy IS NULL)`,
    'finished jobs have no date or no signature',
  ],
];

async function* damagedTables(sequelize: Sequelize, tables: readonly string[]): AsyncGenerator<string> {
  for (const table of tables) {
    const said = await select(sequelize, `CHECK TABLE \`${table}\``);
    const bad = said.find(({ Msg_type: type }) => type === 'error' || type === 'warning');
    if (bad) yield `${table}: ${String(bad.Msg_text)}`;
  }
}

/**
 * @param scratch Where an empty database can be made: the schema that ought to be is made there and compared.
 */
export async function judgeBook(config: DatabaseConfig, scratch: DatabaseConfig): Promise<Soundness> {
  const { sequelize, close } = openDatabase(config, { isPatient: true });
  try {
    const tables = await tablesOf(sequelize);
    if (!tables.includes('schema_migration'))
      return { schema: null, rows: {}, triggers: 0, faults: ['There is no book in this database.'] };
    const ran = (await select(sequelize, 'SELECT name FROM schema_migration ORDER BY name')).map(({ name }) =>
      String(name),
    );
    const faults: string[] = [];
    const isOurs = ran.length > 0 && ran.every((name, index) => name === MIGRATION_NAMES[index]);
    if (!isOurs)
      faults.push(
        `Its migrations are not those of this version (${ran.at(-1) ?? 'none'}): it was written by a newer one.`,
      );
    else faults.push(...(await schemaFaults(sequelize, scratch, ran.at(-1) ?? '')));
    for await (const fault of damagedTables(sequelize, tables)) faults.push(fault);
    for await (const fault of lostReferences(sequelize)) faults.push(fault);
    for (const [table, wrong, words] of LAWS) {
      if (!tables.includes(table)) continue;
      const many = await numberOf(sequelize, `SELECT COUNT(*) AS many FROM \`${table}\` WHERE ${wrong}`);
      if (many > 0) faults.push(`${many} ${words}`);
    }
    const rows: Record<string, number> = {};
    for (const table of tables)
      rows[table] = await numberOf(sequelize, `SELECT COUNT(*) AS many FROM \`${table}\``);
    const triggers = await numberOf(
      sequelize,
      'SELECT COUNT(*) AS many FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE()',
    );
    return { schema: ran.at(-1) ?? null, rows, triggers, faults };
  } finally {
    await close();
  }
}

const isPlainKey = (line: string): boolean => /^key \S+ (?!unique )/.test(line);

async function schemaFaults(
  sequelize: Sequelize,
  scratch: DatabaseConfig,
  last: string,
): Promise<readonly string[]> {
  const wanted = openDatabase(await createBeside(scratch, 'zephyrcombe_as_it_ought_to_be'));
  try {
    await migrate(wanted.sequelize, last);
    const [there, ought] = [await schemaOf(sequelize), await schemaOf(wanted.sequelize)];
    return [
      ...[...ought].filter((line) => !there.has(line)).map((line) => `missing: ${line}`),
      // One more plain key changes nothing that is read or written: a book that was once restored brings those of references.
      ...[...there]
        .filter((line) => !ought.has(line) && !isPlainKey(line))
        .map((line) => `not of this schema: ${line}`),
    ];
  } finally {
    await wanted.close();
  }
}
