/**
 * Cells of a table that other programs open. A spreadsheet works out a cell that begins like a formula; an apostrophe before it
 * keeps it text. Source: OWASP Cheat Sheet Series, "CSV Injection" (from memory).
 */

/** What a spreadsheet takes for the beginning of a formula, behind any apostrophes of ours. */
const FORMULA = /^'*[=+\-@\t\r]/;
const FIGURE = /^-?\d+(\.\d+)?$/;

/** The text as it is written into a cell. A figure stays a figure. */
export const csvCell = (text: string): string =>
  FORMULA.test(text) && !FIGURE.test(text) ? `'${text}` : text;

/** The text that `csvCell` wrote. */
export const fromCsvCell = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell;
