import type { QueryInterface } from 'sequelize';

/** What is searched: the table, its number among the kinds, its columns. The number stands in `searchGrams.ts` too. */
const SEARCHED = [
  ['vehicle', 1, ['name', 'plate']],
  ['job', 2, ['title']],
] as const;
/** No name or title is longer. */
const LONGEST = 120;

/** Every three letters in a row of a text; NULL has none. */
const gramsOf = (text: string, kind: number, id: string): string =>
  `SELECT SUBSTRING(${text}, seq, 3), ${kind}, ${id} FROM seq_1_to_${LONGEST} WHERE seq <= CHAR_LENGTH(${text}) - 2`;

/**
 * Where three letters in a row stand, so that a search looks at what has them and not at every row. Letters are compared as
 * LIKE compares them: in the collation of the book. The database keeps this itself, whoever writes.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(
    `CREATE TABLE search_gram (gram CHAR(3) NOT NULL, kind TINYINT NOT NULL, ref CHAR(36) NOT NULL,
      PRIMARY KEY (gram, kind, ref), KEY gram_of (kind, ref))`,
  );
  for (const [table, kind, columns] of SEARCHED) {
    for (const column of columns)
      await sequelize.query(
        `INSERT IGNORE INTO search_gram SELECT SUBSTRING(${column}, seq, 3), ${kind}, id FROM ${table}
          JOIN seq_1_to_${LONGEST} WHERE seq <= CHAR_LENGTH(${column}) - 2`,
      );
    const forget = `DELETE FROM search_gram WHERE kind = ${kind} AND ref = OLD.id;`;
    const learn = columns
      .map((column) => `INSERT IGNORE INTO search_gram ${gramsOf(`NEW.${column}`, kind, 'NEW.id')};`)
      .join(' ');
    const changed = columns.map((column) => `NOT NEW.${column} <=> OLD.${column}`).join(' OR ');
    await sequelize.query(
      `CREATE TRIGGER ${table}_letters_enter AFTER INSERT ON ${table} FOR EACH ROW BEGIN ${learn} END`,
    );
    await sequelize.query(
      `CREATE TRIGGER ${table}_letters_change AFTER UPDATE ON ${table} FOR EACH ROW
        IF ${changed} THEN ${forget} ${learn} END IF`,
    );
    await sequelize.query(
      `CREATE TRIGGER ${table}_letters_go AFTER DELETE ON ${table} FOR EACH ROW BEGIN ${forget} END`,
    );
  }
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  for (const [table] of SEARCHED)
    for (const when of ['enter', 'change', 'go'])
      await sequelize.query(`DROP TRIGGER ${table}_letters_${when}`);
  await sequelize.query(`DROP TABLE search_gram`);
}
