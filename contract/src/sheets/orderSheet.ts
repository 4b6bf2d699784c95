/** An order on paper: a page for each hose with its drawing, and one for what else goes into the box. */
import { clockingText } from '../messages/clocking.ts';
import { clockingMarks } from './clockingDrawing.ts';
import type { Mark, Place } from '@zephyrcombe/core';
import { circle, dimension, loop, path, words } from '@zephyrcombe/core';
import type { OrderDocument, OrderHose } from '../formats/orderDocument.ts';
import {
  ALONG_NAMES,
  BEND_PLANE_NAMES,
  BRAID_NAMES,
  COVER_NAMES,
  datumName,
  FIXING_NAMES,
  LINER_NAMES,
  MATERIAL_NAMES,
} from '../messages/names.ts';
import type { Writer } from '../messages/writer.ts';
import type { Paper, Sheet, Table } from './sheet.ts';
import { BLOCK_m, MARGIN_m, pageOf, PAPER_m, tableHeight_m, tableMarks, tablesOf } from './sheet.ts';

const NOTES = [
  'Worked out from measurements on the vehicle. The vehicle maker’s manual, the hose maker’s sheet and local law come first.',
] as const;
const ROAD =
  'For the road: mark each hose as its standard asks, with maker and date. Nothing is accepted without it.';
const INSET_m = 0.006;

export function orderSheet(order: OrderDocument, paper: Paper, write: Writer): Sheet {
  const size = PAPER_m[paper];
  const head = `${order.shop}, ${write.date(order.writtenOn)}: ${order.vehicle.name}`;
  const notes = order.vehicle.use === 'road' ? [ROAD] : NOTES;
  const [width_m, height_m] = size;
  const room_m = height_m - 2 * MARGIN_m - BLOCK_m - 2 * INSET_m - 0.008;
  const top: Place = [MARGIN_m + INSET_m, height_m - MARGIN_m - INSET_m];
  const headed = (marks: readonly Mark[]) => [words([top[0], top[1] - 0.003], head), ...marks];
  const under: Place = [top[0], top[1] - 0.01];
  const parts: Table = {
    columns_m: [0.02, width_m - 2 * MARGIN_m - 2 * INSET_m - 0.02],
    rows: [['count', 'part'], ...order.parts.map(({ text, count }) => [String(count), text])],
  };
  const partPages = order.parts.length === 0 ? [] : tablesOf(parts, room_m);
  const count = order.hoses.length + partPages.length;
  return {
    title: `Order ${order.vehicle.name}`,
    pages: [
      ...order.hoses.map((hose, index) =>
        pageOf(
          size,
          { title: `Order: ${hose.name}`, notes, page: `${index + 1} of ${count}` },
          headed(hoseMarks(hose, under, width_m - 2 * MARGIN_m - 2 * INSET_m, write)),
        ),
      ),
      ...partPages.map((table, index) =>
        pageOf(
          size,
          {
            title: 'Order: what else goes into the box',
            notes,
            page: `${order.hoses.length + index + 1} of ${count}`,
          },
          headed(tableMarks(under, table)),
        ),
      ),
    ],
  };
}

/** Height that the drawing takes, and how far its ends stand in from the frame. */
const DRAWN_m = 0.062;
const SIDE_m = 0.014;
const EYE_m = 0.004;

function hoseMarks(hose: OrderHose, [left, top]: Place, width_m: number, write: Writer): readonly Mark[] {
  const facts: Table = {
    columns_m: [0.048, width_m - 0.048],
    rows: [
      [
        'Length to order',
        `${write.length(hose.length_m)} ± ${write.length(hose.tolerance_m)}, ${datumName(hose.datum)}`,
      ],
      ['Hose between the ferrules', write.length(hose.freeLength_m)],
      [
        'Hose',
        `bore ${write.fineLength(hose.bore_m)}, ${write.fineLength(hose.outside_m)} over all, ${LINER_NAMES[hose.liner]} liner, ${BRAID_NAMES[hose.braid]} braid, ${COVER_NAMES[hose.cover]} cover`,
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
  const factsTop = top - DRAWN_m;
  return [
    ...drawn(hose, [left, top], width_m, write),
    ...(hose.clocking_rad === null
      ? []
      : clockingMarks(hose.clocking_rad, [left + width_m - 0.02, factsTop - tableHeight_m(facts) - 0.03])),
    ...tableMarks([left, factsTop], facts),
    ...(hose.along.length === 0
      ? []
      : tableMarks(
          [left, factsTop - tableHeight_m(facts) - (hose.clocking_rad === null ? 0.008 : 0.052)],
          along,
        )),
  ];
}

/** An end in words, the same on the page and on paper. */
export const endText = (end: OrderHose['endA'], write: Writer): string =>
  [
    end.family === 'banjo' ? 'banjo' : 'threaded end',
    end.neckAngle_rad === 0
      ? 'straight'
      : `bent ${write.angle(end.neckAngle_rad)}${end.family === 'banjo' ? ` ${BEND_PLANE_NAMES[end.bendPlane]}` : ''}`,
    ...(end.eyeBore_m === null ? [] : [`eye ${write.fineLength(end.eyeBore_m)}`]),
    ...(end.thread === null ? [] : [end.family === 'banjo' ? `for a bolt ${end.thread}` : end.thread]),
    MATERIAL_NAMES[end.material],
    ...(end.direction_rad === null ? [] : [`neck ${write.angle(end.direction_rad)} round its bolt`]),
    ...(end.tab ? ['with a locating tab'] : []),
  ].join(', ');

/** The hose laid out straight, to scale along its length; fittings by their shape, what is on it in its place. */
function drawn(hose: OrderHose, [left, top]: Place, width_m: number, write: Writer): readonly Mark[] {
  const [from, to] = [left + SIDE_m, left + width_m - SIDE_m];
  const y = top - 0.03;
  const scale = (to - from) / hose.sealingLength_m;
  const half = 0.0018;
  const [beginsAt, endsAt] = [from + hose.endA.takeOff_m * scale, to - hose.endB.takeOff_m * scale];
  const along = hose.along.flatMap((part): readonly Mark[] => {
    const x = from + part.from_m * scale;
    const wide = Math.max(0.0024, part.length_m * scale);
    const tall = part.kind === 'clip' ? 0.005 : 0.0032;
    const start = part.kind === 'clip' ? x - wide / 2 : x;
    return [
      loop(
        'outline',
        [start, y - tall],
        [start + wide, y - tall],
        [start + wide, y + tall],
        [start, y + tall],
      ),
      words([start + wide / 2, y - 0.0105], ALONG_NAMES[part.kind], { anchor: 'middle' }),
    ];
  });
  return [
    path('outline', [beginsAt, y + half], [endsAt, y + half]),
    path('outline', [beginsAt, y - half], [endsAt, y - half]),
    path('centre', [from, y], [to, y]),
    ...endMarks(hose.endA, from, y, beginsAt),
    ...endMarks(hose.endB, to, y, endsAt),
    ...along,
    words([from - SIDE_m, y - 0.018], `A: ${hose.endA.at}`),
    words([to + SIDE_m, y - 0.018], `B: ${hose.endB.at}`, { anchor: 'end' }),
    ...dimension(
      [from, y],
      [to, y],
      0.018,
      `${write.length(hose.sealingLength_m)} between the sealing points`,
    ),
  ];
}

/** Eye or thread, and its neck with the ferrule up to where the hose begins. */
function endMarks(end: OrderHose['endA'], x: number, y: number, behind: number): readonly Mark[] {
  const toward = Math.sign(behind - x);
  const ferrule = x + (behind - x) * 0.5;
  const tall = 0.0026;
  return [
    end.family === 'banjo'
      ? circle('outline', [x, y], EYE_m)
      : loop(
          'outline',
          [x - EYE_m, y - EYE_m],
          [x + EYE_m, y - EYE_m],
          [x + EYE_m, y + EYE_m],
          [x - EYE_m, y + EYE_m],
        ),
    path('outline', [x + toward * EYE_m, y], [ferrule, y]),
    loop('outline', [ferrule, y - tall], [behind, y - tall], [behind, y + tall], [ferrule, y + tall]),
  ];
}
