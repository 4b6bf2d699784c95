/** Lists are read a page at a time: the next one begins behind the place where the last one ended. */
import type { Order, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import { fieldProblem } from './appProblem.ts';

/** What a list is sorted by, from its first column on; together they are different for every row. */
export type Place = readonly (string | null)[];

export const writePlace = (place: Place): string => Buffer.from(JSON.stringify(place)).toString('base64url');

/** What stands in a column of a place; `maybeDay` may be missing. */
type Column = 'day' | 'maybeDay' | 'text';
const IS: Readonly<Record<Column, (value: unknown) => boolean>> = {
  day: (value) => typeof value === 'string' && /^\d{4}-\d\d-\d\d$/.test(value),
  maybeDay: (value) => value === null || IS.day(value),
  text: (value) => typeof value === 'string',
};

/** The place that was given out before, or a problem with the field `after`. */
export function readPlace(after: string, columns: readonly Column[]): Place {
  let place: unknown;
  try {
    place = JSON.parse(Buffer.from(after, 'base64url').toString('utf8'));
  } catch {
    place = null;
  }
  const isPlace =
    Array.isArray(place) &&
    place.length === columns.length &&
    columns.every((column, index) => IS[column](place[index]));
  if (!isPlace) throw fieldProblem('after', 'noPlaceInList');
  return place as Place;
}

export type Direction = 'ASC' | 'DESC';

/** Rows behind a place, where all columns are sorted one way. */
export function behind(columns: readonly [string, string], direction: Direction, place: Place): WhereOptions {
  const [first, second] = columns;
  const beyond = direction === 'ASC' ? Op.gt : Op.lt;
  const [at, id] = place;
  return {
    [Op.or]: [{ [first]: { [beyond]: at } }, { [first]: at, [second]: { [beyond]: id } }],
  };
}

export const inOrder = (columns: readonly string[], direction: Direction): Order =>
  columns.map((column): [string, Direction] => [column, direction]);

/** One more row than is shown was asked for: it tells whether there is a next page. */
export function pageOf<Row>(
  rows: readonly Row[],
  limit: number,
  placeOf: (row: Row) => Place,
): { readonly shown: readonly Row[]; readonly next: string | null } {
  const shown = rows.slice(0, limit);
  const last = shown.at(-1);
  return { shown, next: rows.length > limit && last !== undefined ? writePlace(placeOf(last)) : null };
}

/** For LIKE: the text anywhere in a column, its own % and _ standing for themselves. */
export const anywhere = (text: string): string => `%${text.replaceAll(/[\\%_]/g, '\\$&')}%`;
