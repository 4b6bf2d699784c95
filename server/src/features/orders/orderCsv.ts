/** An order as a table for other programs: CSV (RFC 4180), millimetres and degrees; `docs/formats/order.md` names the columns. */
import type { OrderDocument, OrderHose } from '@zephyrcombe/contract';
import { datumName } from '@zephyrcombe/messages';
import { csvCell } from '@zephyrcombe/documents';
import { csvFormat } from 'd3-dsv';

const COLUMNS = [
  'order',
  'written_on',
  'need_by',
  'shop',
  'shop_address',
  'shop_phone',
  'vehicle',
  'plate',
  'finish',
  'line',
  'what',
  'name',
  'count',
  'length_mm',
  'counted',
  'tolerance_mm',
  'free_length_mm',
  'bore_mm',
  'outside_mm',
  'liner',
  'braid',
  'cover',
  'ends',
  'a_kind',
  'a_bend_deg',
  'a_bend_plane',
  'a_direction_deg',
  'a_eye_mm',
  'a_thread',
  'a_gender',
  'a_seat',
  'a_hexagon_mm',
  'a_bracket',
  'a_clip_groove',
  'a_support_washer',
  'a_material',
  'b_kind',
  'b_bend_deg',
  'b_bend_plane',
  'b_direction_deg',
  'b_eye_mm',
  'b_thread',
  'b_gender',
  'b_seat',
  'b_hexagon_mm',
  'b_bracket',
  'b_clip_groove',
  'b_support_washer',
  'b_material',
  'clocking',
  'clocking_deg',
  'from_mm',
] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string>>;

const mm = (value_m: number | null) => (value_m === null ? '' : String(Number((value_m * 1000).toFixed(3))));
const degrees = (value_rad: number | null) =>
  value_rad === null ? '' : String(Number(((value_rad * 180) / Math.PI).toFixed(2)));

/** Empty where nobody has answered. */
const yes = (answer: boolean | undefined) => (answer === undefined ? '' : answer ? 'yes' : 'no');

/** A row for each hose, for what is on it, and for the parts of the box. */
export function orderCsv(order: OrderDocument): string {
  const { hoses, parts } = order;
  const head: Row = {
    order: order.number,
    written_on: order.writtenOn,
    need_by: order.needBy ?? '',
    shop: order.shop,
    shop_address: order.shopAddress,
    shop_phone: order.shopPhone,
    vehicle: order.vehicle.name,
    plate: order.vehicle.plate ?? '',
    finish: order.finish,
  };
  const rows: Row[] = hoses.flatMap((hose): Row[] => [
    {
      what: 'hose',
      name: hose.name,
      count: '1',
      length_mm: mm(hose.length_m),
      counted: datumName(hose.datum),
      tolerance_mm: mm(hose.tolerance_m),
      free_length_mm: mm(hose.freeLength_m),
      bore_mm: mm(hose.bore_m),
      outside_mm: mm(hose.outside_m),
      liner: hose.liner,
      braid: hose.braid,
      cover: hose.cover,
      ends: hose.fixing,
      ...endRow('a', hose.endA),
      ...endRow('b', hose.endB),
      clocking: hose.clocking,
      clocking_deg: degrees(hose.clocking_rad),
    },
    ...hose.along.map((part): Row => ({
      what: part.kind,
      name: part.note,
      count: '1',
      length_mm: mm(part.length_m),
      outside_mm: mm(part.outside_m),
      bore_mm: mm(part.clip_m),
      from_mm: mm(part.from_m),
    })),
  ]);
  for (const { text, count } of parts) rows.push({ what: 'part', name: text, count: String(count) });
  return csvFormat(
    rows.map((row, index) =>
      Object.fromEntries(
        COLUMNS.map((column) => [
          column,
          column === 'line' ? String(index + 1) : csvCell(row[column] ?? head[column] ?? ''),
        ]),
      ),
    ),
    [...COLUMNS],
  );
}

const endRow = (letter: 'a' | 'b', end: OrderHose['endA']): Row => ({
  [`${letter}_kind`]: end.family,
  [`${letter}_bend_deg`]: degrees(end.neckAngle_rad),
  // Of a straight neck, or a threaded end, there is no plane to tell.
  [`${letter}_bend_plane`]: end.family === 'banjo' && end.neckAngle_rad !== 0 ? end.bendPlane : '',
  [`${letter}_direction_deg`]: degrees(end.direction_rad),
  [`${letter}_eye_mm`]: mm(end.eyeBore_m),
  [`${letter}_thread`]: end.thread ?? '',
  [`${letter}_gender`]: end.gender ?? '',
  [`${letter}_seat`]: end.seat ?? '',
  [`${letter}_hexagon_mm`]: mm(end.hexagon_m),
  [`${letter}_bracket`]: yes(end.bracket),
  [`${letter}_clip_groove`]: end.bracket ? yes(end.groove) : '',
  [`${letter}_support_washer`]: end.bracket ? yes(end.supportWasher) : '',
  [`${letter}_material`]: end.material,
});
