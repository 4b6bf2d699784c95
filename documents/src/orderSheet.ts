/** An order on paper: a page for each hose with its drawing, and one for what else goes into the box. */
import type { OrderDocument, OrderHose } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import {
  ALONG_NAMES,
  BEND_PLANE_NAMES,
  BRAID_NAMES,
  clockingText,
  COVER_NAMES,
  datumName,
  FACT_NAMES,
  FIXING_NAMES,
  LINER_NAMES,
  listOf,
  MATERIAL_NAMES,
  SEAT_NAMES,
  END_WORDS,
} from '@zephyrcombe/messages';
import type { Mark, Place } from '@zephyrcombe/core';
import { words } from '@zephyrcombe/core';
import { ORDER_DRAWING_m, orderDrawing } from './orderDrawing.ts';
import type { Paper } from '@zephyrcombe/contract';
import type { Sheet, Table } from './sheet.ts';
import { BLOCK_m, broken, MARGIN_m, pageOf, PAPER_m, tableHeight_m, tableMarks, tablesOf } from './sheet.ts';

const NOTES = [
  'Worked out from measurements on the vehicle. The vehicle maker’s manual, the hose maker’s sheet and local law come first.',
] as const;
const ROAD =
  'For the road: mark each hose as its standard asks, with maker and date. Nothing is accepted without it.';
const INSET_m = 0.006;
const HEAD_LINE_m = 0.0048;

/** Who orders what for which vehicle, the same on the page and on paper. */
export const orderHead = (
  order: Omit<OrderDocument, 'hoses' | 'parts'>,
  write: Writer,
): readonly string[] => [
  `Order ${order.number}, ${write.date(order.writtenOn)}${order.needBy === null ? '' : `, needed by ${write.date(order.needBy)}`}`,
  [order.shop, order.shopAddress.replaceAll(/\s*\n\s*/g, ', '), order.shopPhone]
    .filter((text) => text !== '')
    .join(', '),
  `For ${order.vehicle.name}${order.vehicle.plate === null ? '' : `, ${order.vehicle.plate}`}${order.finish === '' ? '' : `. Finish: ${order.finish}`}`,
];

export function orderSheet(order: OrderDocument, paper: Paper, write: Writer): Sheet {
  const size = PAPER_m[paper];
  const head = orderHead(order, write);
  const notes = order.vehicle.use === 'road' ? [ROAD] : NOTES;
  const [width_m, height_m] = size;
  const room_m = height_m - 2 * MARGIN_m - BLOCK_m - 2 * INSET_m - 0.03;
  const top: Place = [MARGIN_m + INSET_m, height_m - MARGIN_m - INSET_m];
  const lines = head.flatMap((line) => broken(line, width_m - 2 * MARGIN_m - 2 * INSET_m));
  const headed = (marks: readonly Mark[]) => [
    ...lines.map((line, index) => words([top[0], top[1] - 0.003 - index * HEAD_LINE_m], line)),
    ...marks,
  ];
  const under: Place = [top[0], top[1] - 0.006 - lines.length * HEAD_LINE_m];
  const parts: Table = {
    columns_m: [0.02, width_m - 2 * MARGIN_m - 2 * INSET_m - 0.02],
    rows: [['count', 'part'], ...order.parts.map(({ text, count }) => [String(count), text])],
  };
  const partPages = order.parts.length === 0 ? [] : tablesOf(parts, room_m);
  const pages = [
    ...order.hoses.flatMap((hose) =>
      hosePages(hose, under, MARGIN_m + BLOCK_m + 0.003, width_m - 2 * MARGIN_m - 2 * INSET_m, write).map(
        (marks) => ({ title: `Order: ${hose.name}`, marks }),
      ),
    ),
    ...partPages.map((table) => ({
      title: 'Order: what else goes into the box',
      marks: tableMarks(under, table),
    })),
  ];
  return {
    title: `Order ${order.number} ${order.vehicle.name}`,
    pages: pages.map(({ title, marks }, index) =>
      pageOf(size, { title, notes, page: `${index + 1} of ${pages.length}` }, headed(marks)),
    ),
  };
}

/** A page, and more where what is on the hose does not go onto it. */
function hosePages(
  hose: OrderHose,
  [left, top]: Place,
  bottom: number,
  width_m: number,
  write: Writer,
): readonly (readonly Mark[])[] {
  const facts: Table = {
    columns_m: [0.048, width_m - 0.048],
    rows: [
      [
        'Length to order',
        `${write.length(hose.length_m)} ± ${write.length(hose.tolerance_m)}, ${datumName(hose.datum)}`,
      ],
      ['Hose between the ferrules', freeLengthText(hose, write)],
      [
        'Hose',
        `bore ${write.fineLength(hose.bore_m)}, ${write.fineLength(hose.outside_m)} over all${hose.outsideAssumed ? ' (assumed)' : ''}, ${LINER_NAMES[hose.liner]} liner, ${BRAID_NAMES[hose.braid]} braid, ${COVER_NAMES[hose.cover]} cover`,
      ],
      [`End A, ${hose.endA.at}`, endText(hose.endA, write)],
      [`End B, ${hose.endB.at}`, endText(hose.endB, write)],
      ['Ends are', FIXING_NAMES[hose.fixing]],
      ['Clocking', clockingText(hose, write)],
    ],
  };
  const along: Table = {
    columns_m: [0.03, 0.026, 0.026, 0.026, width_m - 0.108],
    rows: [
      ['on it', 'from A', 'long', 'over all', ''],
      ...hose.along.map((part) => [
        ALONG_NAMES[part.kind],
        write.length(part.from_m),
        part.length_m === 0 ? '' : write.length(part.length_m),
        part.outside_m === null ? '' : write.fineLength(part.outside_m),
        [part.clip_m === null ? '' : `clip ${write.fineLength(part.clip_m)}`, part.note]
          .filter((text) => text !== '')
          .join(', '),
      ]),
    ],
  };
  const factsTop = top - ORDER_DRAWING_m;
  const alongTop = factsTop - tableHeight_m(facts) - 0.008;
  const first = [...orderDrawing(hose, [left, top], width_m, write), ...tableMarks([left, factsTop], facts)];
  if (hose.along.length === 0) return [first];
  if (alongTop - tableHeight_m(along) >= bottom) return [[...first, ...tableMarks([left, alongTop], along)]];
  return [first, ...tablesOf(along, top - bottom).map((table) => tableMarks([left, top], table))];
}

/** The hose that can be seen rests on the take-offs of both ends. */
const freeLengthText = ({ freeLength_m, endA, endB }: OrderHose, write: Writer): string =>
  `${write.length(freeLength_m)}${
    [endA, endB].some(({ assumed }) => assumed?.includes('takeOff'))
      ? ', by assumed take-offs: not a figure to order by'
      : ''
  }`;

/** An end in words, the same on the page and on paper. */
export const endText = (end: OrderHose['endA'], write: Writer): string =>
  [
    end.kind === null
      ? end.family === 'banjo'
        ? 'banjo'
        : `${end.gender === null ? '' : `${end.gender} `}threaded end`
      : END_WORDS[end.kind],
    end.neckAngle_rad === 0
      ? 'straight'
      : `bent ${write.angle(end.neckAngle_rad)}${end.family === 'banjo' ? ` ${BEND_PLANE_NAMES[end.bendPlane]}` : ''}`,
    ...(end.eyeBore_m === null ? [] : [`eye ${write.fineLength(end.eyeBore_m)}`]),
    ...(end.thread === null ? [] : [end.family === 'banjo' ? `for a bolt ${end.thread}` : end.thread]),
    ...(end.family === 'threaded' && end.seat !== null ? [`seals on: ${SEAT_NAMES[end.seat]}`] : []),
    ...(end.family === 'banjo'
      ? []
      : [
          end.hexagon_m === null ? 'hexagon not measured' : `${write.fineLength(end.hexagon_m)} across flats`,
        ]),
    MATERIAL_NAMES[end.material],
    ...(end.direction_rad === null ? [] : [`neck ${write.angle(end.direction_rad)} round its bolt`]),
    ...(end.tab ? ['with a locating tab'] : []),
    ...(end.bracket
      ? [
          `through a bracket: ${[
            end.groove === undefined
              ? 'clip groove not said'
              : end.groove
                ? 'with a clip groove'
                : 'no clip groove',
            ...(end.knurled ? ['knurled'] : []),
            end.supportWasher ? 'with support washer' : 'no support washer',
          ].join(', ')}`,
        ]
      : end.family === 'threaded'
        ? ['no bracket']
        : []),
    ...assumedText(end),
  ].join(', ');

/** The take-offs are said where a length rests on them. */
function assumedText({ assumed = [] }: OrderHose['endA']): readonly string[] {
  const facts = assumed.filter((fact) => fact !== 'takeOff');
  return facts.length === 0
    ? []
    : [
        `only assumed, not seen: ${listOf(
          facts.map((fact) => FACT_NAMES[fact]),
          'and',
        )}`,
      ];
}
