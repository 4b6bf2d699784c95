/** Ends of a hose at true size, and the card that tells which bend a port needs. */
import type { EndBuild, EndGeometry, FlatDrawing, Mark } from '@zephyrcombe/core';
import {
  bendGauge,
  endTemplate,
  EXAMPLE_BENDS_deg,
  extentOf,
  eyeFromAbove,
  moved,
  words,
} from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import type { Paper } from '@zephyrcombe/contract';
import type { Sheet } from './sheet.ts';
import { barsAt, BLOCK_m, broken, MARGIN_m, pageOf, PAPER_m } from './sheet.ts';

export interface TemplateEnd {
  readonly name: string;
  readonly end: EndGeometry;
  readonly build: EndBuild;
}

const NOTES = [
  'Drawn from the dimensions entered. Examples of ours until the hose maker’s sheet replaces them.',
  'Check both bars with a ruler before anything is measured on this sheet.',
] as const;
const GAP_m = 0.012;
const NAME_m = 0.0036;
const BESIDE_m = 0.02;

/** One end: its side with the bend in the paper, and beside it the eye along its bolt. */
function endMarks({ end, build }: TemplateEnd, write: Writer): readonly Mark[] {
  const side = endTemplate(end, build, write).marks;
  if (end.family !== 'banjo') return side;
  const { right_m } = extentOf(side);
  const above = eyeFromAbove(build, end.apexToPoint_m);
  const { left_m } = extentOf(above);
  return [...side, ...above.map((mark) => moved(mark, [right_m - left_m + BESIDE_m, 0]))];
}

/** The two ends of a hose on one page, and the gauge on the next. Metres on the paper are metres. */
export function templateSheet(
  title: string,
  ends: readonly TemplateEnd[],
  paper: Paper,
  write: Writer,
): Sheet {
  const size = PAPER_m[paper];
  const [, height_m] = size;
  const left = MARGIN_m + 0.008;
  let top = height_m - MARGIN_m - 0.008;
  const drawn: Mark[] = [];
  for (const one of ends) {
    const marks = endMarks(one, write);
    const { left_m, top_m, bottom_m } = extentOf(marks);
    for (const line of broken(one.name, size[0] - MARGIN_m - left - 0.003, NAME_m)) {
      drawn.push(words([left, top - 0.003], line, { height_m: NAME_m }));
      top -= 0.006;
    }
    top -= 0.002;
    drawn.push(...marks.map((mark) => moved(mark, [left - left_m, top - top_m])));
    top -= top_m - bottom_m + GAP_m;
  }
  const bars = barsAt([left, MARGIN_m + BLOCK_m + 0.006]);
  return {
    title,
    pages: [
      pageOf(size, { title, notes: NOTES, page: '1 of 2, true size' }, [...drawn, ...bars]),
      gaugePage(title, size, write),
    ],
  };
}

function gaugePage(title: string, size: readonly [number, number], write: Writer): FlatDrawing {
  const bends = EXAMPLE_BENDS_deg.map((bend_deg) => (bend_deg * Math.PI) / 180);
  const { marks } = bendGauge(bends, (bend) => write.angle(bend));
  const [width_m, height_m] = size;
  const { left_m, right_m, top_m } = extentOf(marks);
  const shift = [width_m / 2 - (left_m + right_m) / 2, height_m - MARGIN_m - 0.012 - top_m] as const;
  return pageOf(
    size,
    {
      title: `${title}: bend gauge`,
      notes: [
        'Cut out. Lay the straight edge on the face that the eye sits on, the corner at the middle of the bolt;',
        'sight along the hose: the nearest ray is the bend. 0° leaves square to the bolt, 90° along it.',
      ],
      page: '2 of 2, true size',
    },
    [...marks.map((mark) => moved(mark, shift)), ...barsAt([MARGIN_m + 0.008, MARGIN_m + BLOCK_m + 0.006])],
  );
}
