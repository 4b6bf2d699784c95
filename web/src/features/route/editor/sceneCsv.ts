/** The points of a corner as a table for other programs: CSV (RFC 4180), millimetres, one row a point. */
import { csvCell, fromCsvCell } from '@zephyrcombe/documents';
import { RIG_BODIES } from '@zephyrcombe/core';
import type { Corner, Vector } from '@zephyrcombe/core';
import { csvFormat, csvParse } from 'd3-dsv';
import type { PointRow } from './sceneRows.ts';
import { hosePoints, partPoints, rigPoints } from './sceneRows.ts';

const COLUMNS = ['point', 'body', 'x_mm', 'y_mm', 'z_mm', 'toward_x', 'toward_y', 'toward_z'] as const;
type Row = Readonly<Record<(typeof COLUMNS)[number], string>>;

function pointsOf(corner: Corner): readonly PointRow[] {
  return [
    ...corner.hoses.flatMap((hose) =>
      hosePoints(corner, hose).map((row) => ({ ...row, name: `${hose.name}, ${row.name}` })),
    ),
    ...corner.keepOuts.flatMap((part) => partPoints(corner, part)),
    ...rigPoints(corner),
  ];
}

const figure = (value: number, digits: number) => String(Number(value.toFixed(digits)));

export function writeCsv(corner: Corner): string {
  const rows = pointsOf(corner).map(({ name, body, point_m, direction }): Row => {
    const [x, y, z] = point_m;
    const [tx, ty, tz] = direction ? direction.map((value) => figure(value, 6)) : ['', '', ''];
    return {
      point: csvCell(name),
      body: body ?? '',
      x_mm: figure(x * 1000, 4),
      y_mm: figure(y * 1000, 4),
      z_mm: figure(z * 1000, 4),
      toward_x: tx ?? '',
      toward_y: ty ?? '',
      toward_z: tz ?? '',
    };
  });
  return csvFormat([...rows], [...COLUMNS]);
}

export interface ReadCsv {
  readonly corner: Corner;
  /** Points that were taken. */
  readonly taken: number;
  /** What was left out, each with its line and why. */
  readonly left: readonly string[];
}

const FARTHEST_mm = 20_000;

/** Points by their names, over what the corner has; what cannot be read is left as it was and told. */
export function readCsv(text: string, onto: Corner): ReadCsv {
  const rows = csvParse(text.replace(/^\uFEFF/, ''));
  const missing = COLUMNS.slice(0, 5).filter((column) => !rows.columns.includes(column));
  if (missing.length > 0)
    return { corner: onto, taken: 0, left: [`The first line must name ${missing.join(', ')}.`] };
  let corner = onto;
  let taken = 0;
  const left: string[] = [];
  for (const [index, row] of rows.entries()) {
    const line = index + 2;
    const name = fromCsvCell(row.point?.trim() ?? '');
    const point = pointsOf(corner).find((candidate) => candidate.name === name);
    if (!point) {
      left.push(`Line ${line}: there is no point called “${name}” here.`);
      continue;
    }
    const point_m = vectorOf([row.x_mm, row.y_mm, row.z_mm], 1000, FARTHEST_mm);
    if (!point_m) {
      left.push(`Line ${line}, ${name}: x, y and z must be figures in millimetres, within 20 m.`);
      continue;
    }
    const body = RIG_BODIES.find((known) => known === row.body?.trim()) ?? null;
    if (point.body !== null && body === null) {
      left.push(`Line ${line}, ${name}: “${row.body ?? ''}” is no body of this corner.`);
      continue;
    }
    const toward = [row.toward_x, row.toward_y, row.toward_z];
    const isBlank = toward.every((value) => (value ?? '').trim() === '');
    const direction = isBlank ? point.direction : vectorOf(toward, 1, 1e6);
    if (point.direction && (!direction || direction.every((value) => value === 0))) {
      left.push(`Line ${line}, ${name}: it has to point somewhere.`);
      continue;
    }
    corner = point.put(point_m, point.direction && direction, point.body && body);
    taken += 1;
  }
  return { corner, taken, left };
}

function vectorOf(texts: readonly (string | undefined)[], per: number, most: number): Vector | null {
  const values = texts.map((text) => ((text ?? '').trim() === '' ? NaN : Number(text)));
  if (!values.every((value) => Number.isFinite(value) && Math.abs(value) <= most)) return null;
  const [x, y, z] = values.map((value) => Number((value / per).toFixed(7)));
  return [x ?? 0, y ?? 0, z ?? 0];
}
