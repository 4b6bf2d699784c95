/** A label for a hose, to go under clear shrink tube: a code that a reader finds the hose by, and the same in words. */
import type { Mark } from '@zephyrcombe/core';
import { loop, words } from '@zephyrcombe/core';
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { proofCautions } from '@zephyrcombe/contract';
import { proofStanding } from '@zephyrcombe/workshop';
import type { Writer } from '@zephyrcombe/messages';
import type { Sheet } from './sheet.ts';

/** Wraps once round a hose of 7.5 mm. */
export const LABEL_m = { width: 0.05, height: 0.018 } as const;
const CODE_m = 0.0135;
const EDGE_m = 0.00225;
const LETTER_m = 0.0019;

/** What the code says: the job and the hose, so that it is found again; the day it was made. */
export const labelCode = (detail: JobDetail, { hose }: HoseOfJob, madeOn: string): string =>
  `${detail.job.id.slice(0, 8)}/${hose.hoseId.slice(0, 8)}/${madeOn}`.toUpperCase();

export function labelLines(
  detail: JobDetail,
  own: HoseOfJob,
  madeOn: string,
  write: Writer,
): readonly string[] {
  const { fitted, hose } = own;
  // Nothing else lets a hose be called proved: not a proof that failed, nor one of another hose.
  const isProved = proofCautions(hose).length === 0 && proofStanding(own).state !== 'passed';
  return [
    fitted.name,
    detail.vehicle.name,
    hose.order_m === null ? '' : write.length(hose.order_m),
    write.date(madeOn),
    ...(hose.build?.madeHere ? [isProved ? 'made up here, proved' : 'made up here'] : []),
  ].filter((line) => line !== '');
}

/** Squares of a code, row by row from the top. */
export interface CodeSquares {
  readonly columns: number;
  readonly dark: readonly boolean[];
}

export function labelSheet(title: string, code: CodeSquares, lines: readonly string[]): Sheet {
  const { columns, dark } = code;
  const side_m = CODE_m / columns;
  const top = LABEL_m.height - EDGE_m;
  const marks: Mark[] = [];
  // Dark squares of a row that touch are one bar: no hairlines between them.
  for (let start = 0; start < dark.length; start += 1) {
    if (!dark[start]) continue;
    const row = Math.floor(start / columns);
    let end = start + 1;
    while (end < (row + 1) * columns && dark[end]) end += 1;
    const [left, right] = [
      EDGE_m + (start % columns) * side_m,
      EDGE_m + (((end - 1) % columns) + 1) * side_m,
    ];
    const [upper, lower] = [top - row * side_m, top - (row + 1) * side_m];
    marks.push(loop('solid', [left, lower], [right, lower], [right, upper], [left, upper]));
    start = end - 1;
  }
  return {
    title,
    pages: [
      {
        width_m: LABEL_m.width,
        height_m: LABEL_m.height,
        marks: [
          ...marks,
          ...lines.map((line, index) =>
            words([EDGE_m + CODE_m + 0.0022, top - LETTER_m - index * 0.0031], line, { height_m: LETTER_m }),
          ),
        ],
      },
    ],
  };
}
