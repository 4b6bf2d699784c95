/** A page of a sheet: a frame, a title block, and what it says about being printed at true size. */
import type { FlatDrawing, Mark, Place } from '@zephyrcombe/core';
import type { Paper } from '@zephyrcombe/contract';
import { textWidth_m } from './letterWidths.ts';
import { calibrationBars, LETTER_m, loop, path, words } from '@zephyrcombe/core';

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

const INSIDE_m = 0.003;
/** Sizes of the block's letters, largest first, with the room from line to line. */
const NOTE_SIZES = [
  { height_m: LETTER_m, line_m: LINE_m },
  { height_m: 0.0022, line_m: 0.0038 },
  { height_m: 0.0018, line_m: 0.003 },
] as const;

/** The largest size in which the notes stay inside the block. */
function noteMarks(notes: readonly string[], left: number, top: number, width_m: number): readonly Mark[] {
  const room_m = BLOCK_m - 0.0125 - 0.0012;
  const set = NOTE_SIZES.map((size) => ({
    ...size,
    lines: notes.flatMap((note) => broken(note, width_m, size.height_m)),
  }));
  const fitting = set.find(({ lines, line_m }) => (lines.length - 1) * line_m <= room_m) ?? set.at(-1);
  return (fitting?.lines ?? []).map((line, index) =>
    words([left, top - index * (fitting?.line_m ?? LINE_m)], line, {
      height_m: fitting?.height_m ?? LETTER_m,
    }),
  );
}

/** In the largest size that leaves room for the page number; cut off with an ellipsis below the size of the notes. */
function titleMarks(title: string, at: Place, width_m: number): Mark {
  const height_m = [TITLE_m, 0.0036, LETTER_m].find((size) => textWidth_m(title, size) <= width_m);
  if (height_m !== undefined) return words(at, title, { height_m });
  const [first = ''] = broken(title, width_m - textWidth_m(' …', LETTER_m));
  return words(at, `${first} …`, { height_m: LETTER_m });
}

/** A page of this size with marks on it. */
export function pageOf(
  [width_m, height_m]: readonly [number, number],
  { title, notes, page }: PageWords,
  marks: readonly Mark[],
): FlatDrawing {
  const [left, right, foot] = [MARGIN_m, width_m - MARGIN_m, MARGIN_m];
  const inner_m = right - left - 2 * INSIDE_m;
  return {
    width_m,
    height_m,
    marks: [
      loop('grid', [left, foot], [right, foot], [right, height_m - MARGIN_m], [left, height_m - MARGIN_m]),
      path('grid', [left, foot + BLOCK_m], [right, foot + BLOCK_m]),
      titleMarks(
        title,
        [left + INSIDE_m, foot + BLOCK_m - 0.007],
        inner_m - textWidth_m(page, LETTER_m) - 2 * INSIDE_m,
      ),
      ...noteMarks(notes, left + INSIDE_m, foot + BLOCK_m - 0.0125, inner_m),
      words([right - INSIDE_m, foot + BLOCK_m - 0.007], page, { anchor: 'end' }),
      ...marks,
    ],
  };
}

const ROW_m = 0.0062;

/** Broken between words so that each line goes into a width, by the letters' own widths. */
export function broken(text: string, width_m: number, height_m: number = LETTER_m): readonly string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const line = lines.at(-1);
    if (line !== undefined && textWidth_m(`${line} ${word}`, height_m) <= width_m)
      lines[lines.length - 1] = `${line} ${word}`;
    else lines.push(word);
  }
  return lines.flatMap((line) => cut(line, width_m, height_m));
}

/** A word that is wider than its line is cut between letters. */
function cut(word: string, width_m: number, height_m: number): readonly string[] {
  if (textWidth_m(word, height_m) <= width_m) return [word];
  const pieces = [''];
  for (const letter of word) {
    const piece = pieces.at(-1) ?? '';
    if (piece !== '' && textWidth_m(piece + letter, height_m) > width_m) pieces.push(letter);
    else pieces[pieces.length - 1] = piece + letter;
  }
  return pieces;
}

export interface Table {
  readonly columns_m: readonly number[];
  /** The first is its head. */
  readonly rows: readonly (readonly string[])[];
}

const linesOf = ({ columns_m, rows }: Table) =>
  rows.map((row) => row.map((text, column) => broken(text, (columns_m[column] ?? 0) - 0.0015)));
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
