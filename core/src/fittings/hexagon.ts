/** Hexagons and the wrenches that are lying about: which one fits, which does not go on, which rounds it. */
import { firstNotPositive } from '../calculation/problem.ts';
import { fineLength } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { WrenchVerdict } from './wrenchVerdict.ts';
import { demand } from '../calculation/physical.ts';

const CLEARANCE: Formula = { expression: 'c = s_wrench − s_hexagon', source: 'wrenchClearance' };

/** A hexagon is made at its nominal size or under, a wrench opening a little over: 19 mm goes on 3/4 in (19.05 mm). */
const TIGHTEST_m = -0.06e-3;
/** With more play than this the corners take the load. */
const LOOSEST_m = 0.2e-3;

export interface WrenchSize {
  readonly name: string;
  readonly across_m: number;
}

const metric = (across_mm: number): WrenchSize => ({ name: `${across_mm} mm`, across_m: across_mm / 1000 });
const inch = (name: string, across_in: number): WrenchSize => ({
  name: `${name} in`,
  across_m: across_in * 0.0254,
});

/** Sizes met on brake fittings. */
export const WRENCH_SIZES: readonly WrenchSize[] = [
  ...[7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22].map(metric),
  inch('1/4', 1 / 4),
  inch('5/16', 5 / 16),
  inch('3/8', 3 / 8),
  inch('7/16', 7 / 16),
  inch('1/2', 1 / 2),
  inch('9/16', 9 / 16),
  inch('5/8', 5 / 8),
  inch('11/16', 11 / 16),
  inch('3/4', 3 / 4),
  inch('13/16', 13 / 16),
  inch('7/8', 7 / 8),
];

export interface WrenchJudgement {
  readonly verdict: WrenchVerdict;
  readonly clearance_m: number;
}

/** A wrench on a hexagon, both by nominal width across flats. Raises M34 when it does not fit. */
export function judgeWrench(hexagon_m: number, wrench_m: number): Result<WrenchJudgement> {
  const refused = firstNotPositive({ hexagon_m, wrench_m });
  if (refused) return problem(refused);
  const clearance_m = wrench_m - hexagon_m;
  const verdict: WrenchVerdict =
    clearance_m < TIGHTEST_m ? 'doesNotGoOn' : clearance_m > LOOSEST_m ? 'rounds' : 'fits';
  const cautions: readonly Caution[] =
    verdict === 'fits' ? [] : [{ id: 'M34', evidence: { hexagon_m, wrench_m, verdict } }];
  return calculated(
    { verdict, clearance_m },
    [
      {
        formula: CLEARANCE,
        inputs: [
          term('s_wrench', 'wrenchAcross', fineLength(wrench_m)),
          term('s_hexagon', 'hexagonAcross', fineLength(hexagon_m)),
        ],
        result: term('c', 'wrenchClearance', fineLength(clearance_m)),
      },
    ],
    cautions,
  );
}

/** The sizes that fit a hexagon, best first, and the neighbours that would be tried and must not be. */
export function wrenchesFor(hexagon_m: number): {
  readonly fit: readonly WrenchSize[];
  readonly tempting: readonly (WrenchSize & { readonly verdict: WrenchVerdict })[];
} {
  demand(firstNotPositive({ hexagon_m }));
  const near = WRENCH_SIZES.filter((size) => Math.abs(size.across_m - hexagon_m) < 1.05e-3)
    .map((size) => ({ ...size, result: judgeWrench(hexagon_m, size.across_m) }))
    .sort((left, right) => Math.abs(left.across_m - hexagon_m) - Math.abs(right.across_m - hexagon_m));
  const plain = ({ name, across_m }: WrenchSize): WrenchSize => ({ name, across_m });
  return {
    fit: near.filter(({ result }) => result.ok && result.value.verdict === 'fits').map(plain),
    tempting: near.flatMap((size) =>
      size.result.ok && size.result.value.verdict !== 'fits'
        ? [{ ...plain(size), verdict: size.result.value.verdict }]
        : [],
    ),
  };
}
