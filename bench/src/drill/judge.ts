/** What became of all that was answered as written: there once, there twice, there in part, or gone. */
import type { Connection, RowDataPacket } from 'mysql2/promise';
import type { Written } from './writers.ts';

export interface Losses {
  readonly asked: number;
  readonly lost: number;
  readonly doubled: number;
  /** The row without its line in the log, or the line without its row. */
  readonly torn: number;
}

/** How often each text stands in a list. */
function tally(texts: readonly unknown[]): ReadonlyMap<unknown, number> {
  const counts = new Map<unknown, number>();
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1);
  return counts;
}

const textsOf = async (sql: Connection, query: string): Promise<readonly unknown[]> => {
  const [rows] = await sql.query<RowDataPacket[]>(query);
  return rows.map((row) => row.what as unknown);
};

export async function judgeBook(sql: Connection, written: readonly Written[]): Promise<Losses> {
  const lines = (kind: string, path: string) =>
    textsOf(
      sql,
      `SELECT JSON_VALUE(detail, '$.${path}') AS what FROM log_entry WHERE kind = '${kind}' AND JSON_VALUE(detail, '$.${path}') IS NOT NULL`,
    );
  const readings = tally(await textsOf(sql, 'SELECT id AS what FROM reading'));
  const readingLines = tally(await lines('readingTaken', 'id'));
  const strokes = tally(await textsOf(sql, 'SELECT id AS what FROM job_event'));
  const reasonLines = tally(await lines('lookedOver', 'reason'));
  const [rows] = await sql.query<RowDataPacket[]>(
    `SELECT job.id, job.version, job.reason, (SELECT COUNT(*) FROM log_entry WHERE jobId = job.id AND kind = 'lookedOver') AS edits FROM job WHERE title LIKE 'Drill %'`,
  );
  let [lost, doubled] = [0, 0];
  for (const { kind, what } of written) {
    const times = { reading: readings, stroke: strokes, reason: reasonLines }[kind].get(what) ?? 0;
    if (times === 0) lost += 1;
    if (times > 1) doubled += 1;
  }
  doubled += [...readingLines.values(), ...strokes.values()].filter((times) => times > 1).length;
  let torn = [...readingLines.keys()].filter((id) => !readings.has(id)).length;
  torn += written.filter(({ kind, what }) => kind === 'reading' && !readingLines.has(what)).length;
  // Of a job that only its reason changed, the version counts the changes, and the reason is that of the last line.
  torn += rows.filter(({ version, edits }) => Number(version) !== Number(edits)).length;
  return { asked: written.length, lost, doubled, torn };
}
