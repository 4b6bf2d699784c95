/** Rows that may hold a word: those that have its rarest three letters in a row (`search_gram`, kept by the database itself). */
import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** As migration 0013 numbers them. */
const KINDS = { vehicle: 1, job: 2 } as const;
/** More rows than this are met soon enough in the list itself, in its own order. */
const FEW = 200;
/** More letters than these make a word no rarer. */
const MOST_GRAMS = 12;

function gramsOf(word: string): readonly string[] {
  const letters = Array.from(word);
  const all = letters.slice(2).map((_letter, index) => letters.slice(index, index + 3).join(''));
  return [...new Set(all)].slice(0, MOST_GRAMS);
}

/**
 * Ids of all rows that can hold the word, and of some that do not: LIKE has the last say. Null where they are many, or where
 * the word is too short to tell: then the list is read through.
 */
export async function rowsWith(
  sequelize: Sequelize,
  kind: keyof typeof KINDS,
  word: string,
): Promise<readonly string[] | null> {
  const grams = gramsOf(word);
  if (grams.length === 0) return null;
  const counted = await sequelize.query<{ gram: string; many: number }>(
    grams
      .map(
        () =>
          `SELECT ? AS gram, COUNT(*) AS many FROM
            (SELECT 1 FROM search_gram WHERE gram = ? AND kind = ${KINDS[kind]} LIMIT ${FEW + 1}) AS some`,
      )
      .join(' UNION ALL '),
    { replacements: grams.flatMap((gram) => [gram, gram]), type: QueryTypes.SELECT },
  );
  const [rarest] = [...counted].sort((a, b) => a.many - b.many);
  if (rarest === undefined || rarest.many > FEW) return null;
  if (rarest.many === 0) return [];
  const rows = await sequelize.query<{ ref: string }>(
    `SELECT ref FROM search_gram WHERE gram = ? AND kind = ${KINDS[kind]}`,
    { replacements: [rarest.gram], type: QueryTypes.SELECT },
  );
  return rows.map(({ ref }) => ref);
}
