/** A page of a sheet: a frame, a title block, and what it says about being printed at true size. */
import type { FlatDrawing, Mark, Place } from '@zephyrcombe/core';
import { calibrationBars, LETTER_m, loop, path, words } from '@zephyrcombe/core';

export const PAPERS = ['A4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** ISO 216 A4; ANSI A, 8½ by 11 inches. */
export const PAPER_m: Readonly<Record<Paper, readonly [number, number]>> = {
  A4: [0.21, 0.297],
  letter: [0.2159, 0.2794],
};

/** What a printer leaves white, and a little. */
export const MARGIN_m = 0.012;
/** Height of the block under the drawing. */
export const BLOCK_m = 0.022;
const TITLE_m = 0.0042;
const LINE_m = 0.005;

export interface Sheet {
  /** Of the file and of the document. */
  readonly title: string;
  readonly pages: readonly FlatDrawing[];
}

export interface PageWords {
  readonly title: string;
  /** Two lines at most, broken where they have to be. */
  readonly notes: readonly string[];
  readonly page: string;
}

/** A page of this size with marks on it. */
export function pageOf(
  [width_m, height_m]: readonly [number, number],
  { title, notes, page }: PageWords,
  marks: readonly Mark[],
): FlatDrawing {
  const [left, right, foot] = [MARGIN_m, width_m - MARGIN_m, MARGIN_m];
  return {
    width_m,
    height_m,
    marks: [
      loop('grid', [left, foot], [right, foot], [right, height_m - MARGIN_m], [left, height_m - MARGIN_m]),
      path('grid', [left, foot + BLOCK_m], [right, foot + BLOCK_m]),
      words([left + 0.003, foot + BLOCK_m - 0.007], title, { height_m: TITLE_m }),
      ...notes
        .flatMap((note) => broken(note, right - left - 0.006))
        .map((note, index) => words([left + 0.003, foot + BLOCK_m - 0.0125 - index * LINE_m], note)),
      words([right - 0.003, foot + BLOCK_m - 0.007], page, { anchor: 'end' }),
      ...marks,
    ],
  };
}

/** Widest a letter is on average, of its height: lines are broken rather than cut off. */
const LETTER_WIDTH = 0.82;
const ROW_m = 0.0062;

/** Broken between words so that each line goes into a column. */
export function broken(text: string, width_m: number): readonly string[] {
  const most = Math.max(8, Math.floor(width_m / (LETTER_m * LETTER_WIDTH)));
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const line = lines.at(-1);
    if (line !== undefined && line.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${line} ${word}`;
    else lines.push(word);
  }
  return lines;
}

export interface Table {
  readonly columns_m: readonly number[];
  /** The first is its head. */
  readonly rows: readonly (readonly string[])[];
}

const linesOf = ({ columns_m, rows }: Table) =>
  rows.map((row) => row.map((text, column) => broken(text, columns_m[column] ?? 0)));
const heightOf_m = (row: readonly (readonly string[])[]) =>
  ROW_m * Math.max(1, ...row.map((lines) => lines.length));

export const tableHeight_m = (table: Table): number =>
  linesOf(table).reduce((sum, row) => sum + heightOf_m(row), 0);

/** From its top left corner, a rule under each row. */
export function tableMarks([x, y]: Place, table: Table): readonly Mark[] {
  const width_m = table.columns_m.reduce((sum, column_m) => sum + column_m, 0);
  let top = y;
  return linesOf(table).flatMap((row, number): readonly Mark[] => {
    const texts = row.flatMap((lines, column) => {
      const left = x + table.columns_m.slice(0, column).reduce((sum, column_m) => sum + column_m, 0);
      return lines.map((text, line) => words([left, top - (line + 1) * ROW_m + 0.0018], text));
    });
    top -= heightOf_m(row);
    return [...texts, path(number === 0 ? 'outline' : 'grid', [x, top], [x + width_m, top])];
  });
}

/** Cut into tables that each go into a height, the head over every one. */
export function tablesOf(table: Table, height_m: number): readonly Table[] {
  const [head = [], ...rows] = table.rows;
  const tables: Table[] = [];
  let own: (readonly string[])[] = [head];
  for (const row of rows) {
    if (own.length > 1 && tableHeight_m({ ...table, rows: [...own, row] }) > height_m) {
      tables.push({ ...table, rows: own });
      own = [head];
    }
    own.push(row);
  }
  return [...tables, { ...table, rows: own }];
}

export const barsAt = (at_m: Place): readonly Mark[] =>
  calibrationBars(at_m, 'The bars must measure 100 and 50 mm. If not, print at 100 %, not “fit to page”.');
