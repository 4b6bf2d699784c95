import type { QueryInterface, Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** What is kept whole, with names in it: the table, the columns its row is known by, the column. */
const KEPT = [
  ['job', ['id'], 'abandoned'],
  ['job_hose', ['jobId', 'hoseId'], 'kit'],
  ['job_hose', ['jobId', 'hoseId'], 'makeUp'],
] as const;

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/** Beside every `by` without an id the id of the person of that name, where there is one. */
function stamped(value: Json, idOf: (name: string) => string | null): Json {
  if (Array.isArray(value)) return (value as readonly Json[]).map((item) => stamped(item, idOf));
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value as Readonly<Record<string, Json>>).map(
    ([key, inner]): [string, Json] => [key, stamped(inner, idOf)],
  );
  const { by, byId } = value as Readonly<Record<string, Json>>;
  const id = typeof by === 'string' && (byId === undefined || byId === null) ? idOf(by) : null;
  return Object.fromEntries(
    id === null ? entries : [...entries.filter(([key]) => key !== 'byId'), ['byId', id]],
  );
}

async function rowsWith(sequelize: Sequelize, table: string, column: string) {
  return sequelize.query<Readonly<Record<string, string | object>>>(
    `SELECT * FROM ${table} WHERE ${column} IS NOT NULL AND ${column} LIKE '%"by":%'`,
    { type: QueryTypes.SELECT },
  );
}

/** Records that are kept whole hold who made them, as the rows have since 0009. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  const people = await sequelize.query<{ id: string; name: string }>('SELECT id, name FROM person', {
    type: QueryTypes.SELECT,
  });
  // As the database compares names, without regard to capitals.
  const known = new Map(people.map(({ id, name }) => [name.normalize('NFC').toLowerCase(), id]));
  const idOf = (name: string) => known.get(name.normalize('NFC').toLowerCase()) ?? null;
  for (const [table, keys, column] of KEPT)
    for (const row of await rowsWith(sequelize, table, column)) {
      const stored = row[column];
      const before = (typeof stored === 'string' ? JSON.parse(stored) : stored) as Json;
      const after = JSON.stringify(stamped(before, idOf));
      if (after === JSON.stringify(before)) continue;
      await sequelize.query(
        `UPDATE ${table} SET ${column} = ? WHERE ${keys.map((key) => `${key} = ?`).join(' AND ')}`,
        { replacements: [after, ...keys.map((key) => row[key])] },
      );
    }
}

/** An older application leaves a field that it does not know alone. */
export function down(): Promise<void> {
  return Promise.resolve();
}
