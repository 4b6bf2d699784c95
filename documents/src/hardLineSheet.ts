/** A hard line on paper: what to cut, where to mark and bend it, and the finished line at true size. */
import type {
  BendMark,
  Developed,
  FlatDrawing,
  HardLine,
  LineBuild,
  LineStep,
  Mark,
  Place,
  Vector,
} from '@zephyrcombe/core';
import {
  arc,
  bendMarks,
  BENDS_ONCE,
  dimension,
  extentOf,
  isFlat,
  linePieces,
  linePoints,
  lineSteps,
  moved,
  path,
  setback_m,
  words,
} from '@zephyrcombe/core';
import type { LineFigure } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import { FLARE_FORM_NAMES, LINE_MATERIAL_NAMES } from '@zephyrcombe/messages';
import type { Paper } from '@zephyrcombe/contract';
import type { Sheet, Table } from './sheet.ts';
import { barsAt, BLOCK_m, MARGIN_m, pageOf, PAPER_m, tableHeight_m, tableMarks, tablesOf } from './sheet.ts';

export interface HardLineOrder {
  readonly name: string;
  readonly line: HardLine;
  readonly build: LineBuild;
  readonly outside_m: number;
  /** Share of a bend that the tube gives back, from a test bend. */
  readonly springBack: number;
  readonly grip_m: number;
  /** What nobody has said of it. */
  readonly assumed?: readonly LineFigure[] | undefined;
}

/** What the length to cut rests on that nobody has said; null where all of it was said. */
export function lineRestsOn(
  { line, assumed = [] }: Pick<HardLineOrder, 'line' | 'assumed'>,
  write: Writer,
): string | null {
  const flares = (['A', 'B'] as const).filter((end) => assumed.includes(`flare${end}_m`));
  const [first] = flares;
  const rests = [
    ...(assumed.includes('radius_m') && line.bends.length > 0
      ? [`a bender of ${write.length(line.radius_m)}, assumed`]
      : []),
    ...(first
      ? [
          `${write.fineLength(line[`end${first}`].flare_m)} in the flare at ${flares.join(' and ')}, a rule of the trade`,
        ]
      : []),
  ];
  return rests.length === 0 ? null : `Rests on ${rests.join('; ')}.`;
}

const NOTES = [
  'The pattern on the vehicle decides; lengths are worked out, not measured.',
  'Brake lines are made and fitted by people who may work on brakes.',
] as const;

/** What one step of the work says. */
export function lineStepText(
  step: LineStep,
  { build }: Pick<HardLineOrder, 'build'>,
  marks: readonly BendMark[],
  write: Writer,
): string {
  switch (step.kind) {
    case 'cut':
      return 'Cut the tube square, with a tube cutter.';
    case 'deburr':
      return 'Deburr inside and out, chamfer both ends, blow it out.';
    case 'nut':
      return `Put nut ${step.end} on, its thread towards end ${step.end}.`;
    case 'flare':
      return `Form the ${FLARE_FORM_NAMES[step.end === 'A' ? build.formA : build.formB]} at end ${step.end}; look at it before going on.`;
    case 'mark':
      return 'Mark where each bend begins and ends, from end A.';
    case 'bend': {
      const mark = marks[step.bend];
      if (!mark) return '';
      const again = BENDS_ONCE[build.material] ? ' Once only: it does not go back.' : '';
      const roll = rollText(step.bend, mark, write);
      return `Bend ${step.bend + 1}: from the mark at ${write.length(mark.begins_m)}, ${write.angle(mark.setTo_rad)} on the bender${roll ? `, ${roll}` : ''}.${again}`;
    }
    case 'inspect':
      return 'Compare with the pattern: both flares round, even and without a crack, both nuts free.';
    case 'cap':
      return 'Blow it through and cap both ends until it is fitted.';
  }
}

/** How the plane of a bend lies against that of the one before, seen along the tube from end A. */
export function rollText(bend: number, { roll_rad }: BendMark, write: Writer): string {
  if (bend === 0) return '';
  const turn = Math.atan2(Math.sin(roll_rad), Math.cos(roll_rad));
  if (Math.abs(turn) < 1e-6) return 'the same way as the one before';
  if (Math.abs(Math.abs(turn) - Math.PI) < 1e-6) return 'the other way';
  return `turned ${write.angle(Math.abs(turn))} ${turn > 0 ? 'clockwise' : 'anticlockwise'} seen from end A`;
}

export function hardLineSheet(order: HardLineOrder, made: Developed, paper: Paper, write: Writer): Sheet {
  const marks = bendMarks(order.line, made, order.springBack);
  return {
    title: order.name,
    pages: [
      ...workPages(order, made, marks, PAPER_m[paper], write),
      ...drawnPages(order, made, paper, write),
    ],
  };
}

function workPages(
  order: HardLineOrder,
  made: Developed,
  marks: readonly BendMark[],
  size: readonly [number, number],
  write: Writer,
): readonly FlatDrawing[] {
  const { line, build, outside_m, assumed = [] } = order;
  const said = (figure: LineFigure) => (assumed.includes(figure) ? ' (assumed)' : '');
  const [, height_m] = size;
  const left = MARGIN_m + 0.006;
  const top = height_m - MARGIN_m - 0.006;
  const room_m = top - MARGIN_m - BLOCK_m - 0.004;
  const facts: Table = {
    columns_m: [0.055, 0.12],
    rows: [
      [
        'Tube',
        `${write.fineLength(outside_m)} across${said('outside_m')}, ${LINE_MATERIAL_NAMES[build.material]}${said('material')}`,
      ],
      ['Cut to', write.length(made.cut_m)],
      ['Finished, along its middle', write.length(made.centreline_m)],
      ['Bender', `${write.length(line.radius_m)} to the middle of the tube${said('radius_m')}`],
      [
        'Flares',
        `A ${FLARE_FORM_NAMES[build.formA]}${said('formA')}, B ${FLARE_FORM_NAMES[build.formB]}${said('formB')}; allowance ${write.fineLength(line.endA.flare_m)}${said('flareA_m')} and ${write.fineLength(line.endB.flare_m)}${said('flareB_m')}`,
      ],
    ],
  };
  const bends: Table = {
    columns_m: [0.014, 0.026, 0.026, 0.02, 0.02, 0.07],
    rows: [
      ['bend', 'begins', 'ends', 'angle', 'set to', 'plane'],
      ...marks.map((mark, index) => [
        String(index + 1),
        write.length(mark.begins_m),
        write.length(mark.ends_m),
        write.angle(mark.angle_rad),
        write.angle(mark.setTo_rad),
        rollText(index, mark, write),
      ]),
    ],
  };
  const steps: Table = {
    columns_m: [0.01, 0.165],
    rows: [
      ['', 'Order of work'],
      ...lineSteps(line, made, order.grip_m).map((step, index) => [
        `${index + 1}`,
        lineStepText(step, order, marks, write),
      ]),
    ],
  };
  const bendsTop = top - tableHeight_m(facts) - 0.008;
  const first = [
    ...tableMarks([left, top], facts),
    ...(marks.length > 0 ? tableMarks([left, bendsTop], bends) : []),
  ];
  const stepsTop = bendsTop - (marks.length > 0 ? tableHeight_m(bends) + 0.008 : 0);
  const isRoom = stepsTop - tableHeight_m(steps) > MARGIN_m + BLOCK_m + 0.004;
  const pages = isRoom
    ? [[...first, ...tableMarks([left, stepsTop], steps)]]
    : [first, ...tablesOf(steps, room_m).map((table) => tableMarks([left, top], table))];
  return pages.map((drawn) =>
    pageOf(size, { title: order.name, notes: NOTES, page: 'bend table and order of work' }, drawn),
  );
}

/** A flat line once; one in space from above and from the side. As large as they are, on paper of their own size. */
function drawnPages(
  { name, line, outside_m }: HardLineOrder,
  made: Developed,
  paper: Paper,
  write: Writer,
): readonly FlatDrawing[] {
  const pieces = linePieces(line, made);
  const seen: readonly (readonly [string, (point: Vector) => Place])[] = isFlat(line)
    ? [['true size, flat', ([x, y]) => [x, y]]]
    : [
        ['true size, seen across the first bend', ([x, y]) => [x, y]],
        ['true size, seen on edge of the first bend', ([x, , z]) => [x, z]],
      ];
  return seen.map(([page, see]) => {
    const edges = isFlat(line) ? edgesOf(line, made, outside_m) : [];
    const middle = path('centre', ...linePoints(pieces, Math.PI / 90).map(see));
    const corners = apexes(line, made).map(see);
    const sizes = corners.slice(1).flatMap((to, index): readonly Mark[] => {
      const from = corners[index] ?? to;
      const length_m = Math.hypot(to[0] - from[0], to[1] - from[1]);
      const leg_m = legToApex_m(line, made, index);
      // In a view that shows the leg shortened its length would be wrong.
      return Math.abs(length_m - leg_m) < 1e-6 ? dimension(from, to, 0.014, write.length(leg_m)) : [];
    });
    const all = [
      ...edges,
      middle,
      ...sizes,
      words(corners[0] ?? [0, 0], 'A', { anchor: 'end', height_m: 0.004 }),
    ];
    return fitted(name, page, all, paper);
  });
}

function fitted(name: string, page: string, marks: readonly Mark[], paper: Paper): FlatDrawing {
  const { left_m, right_m, top_m, bottom_m } = extentOf(marks);
  const inner = MARGIN_m + 0.012;
  const least = PAPER_m[paper];
  const width_m = Math.max(least[0], right_m - left_m + 2 * inner);
  const height_m = Math.max(least[1], top_m - bottom_m + 2 * inner + BLOCK_m + 0.075);
  const shift: Place = [inner - left_m, height_m - inner - top_m];
  return pageOf([width_m, height_m], { title: name, notes: NOTES, page }, [
    ...marks.map((mark) => moved(mark, shift)),
    ...barsAt([MARGIN_m + 0.008, MARGIN_m + BLOCK_m + 0.006]),
  ]);
}

/** Both edges of the tube, arcs as arcs; a bend the other way turns its arc over. */
function edgesOf(line: HardLine, made: Developed, outside_m: number): readonly Mark[] {
  const r = outside_m / 2;
  return linePieces(line, made).flatMap((piece): readonly Mark[] => {
    const { from_m, to_m, along, centre_m, axis } = piece;
    const [ax, ay]: Place = [along[0], along[1]];
    const aside = ([x, y]: Vector, by: number): Place => [x - by * ay, y + by * ax];
    if (!centre_m || !axis) return [r, -r].map((by) => path('outline', aside(from_m, by), aside(to_m, by)));
    const centre: Place = [centre_m[0], centre_m[1]];
    const angle = (point: Vector) => Math.atan2(point[1] - centre[1], point[0] - centre[0]);
    const turn = piece.length_m / line.radius_m;
    const from = axis[2] > 0 ? angle(from_m) : angle(to_m);
    return [line.radius_m - r, line.radius_m + r].map((radius_m) =>
      arc('outline', centre, radius_m, from, from + turn),
    );
  });
}

const legToApex_m = ({ bends, radius_m }: HardLine, { straights_m }: Developed, leg: number): number => {
  const setback = (bend: number) => {
    const own = bends[bend];
    return own ? setback_m(radius_m, own.angle_rad) : 0;
  };
  return (straights_m[leg] ?? 0) + setback(leg - 1) + setback(leg);
};

/** End A, the apexes of the bends, end B. */
function apexes(line: HardLine, made: Developed): readonly Vector[] {
  const pieces = linePieces(line, made);
  const [first] = pieces;
  const last = pieces.at(-1);
  if (!first || !last) return [];
  const bent = pieces.filter(({ kind }) => kind === 'arc');
  return [
    first.from_m,
    ...bent.map(({ from_m, along }, index): Vector => {
      const bend = line.bends[index];
      const by = bend ? setback_m(line.radius_m, bend.angle_rad) : 0;
      return [from_m[0] + by * along[0], from_m[1] + by * along[1], from_m[2] + by * along[2]];
    }),
    last.to_m,
  ];
}
