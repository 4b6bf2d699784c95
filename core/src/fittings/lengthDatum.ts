/** One hose length in the datum somebody else counts from. */
import { hasPoint } from './seat.ts';
import { angle, length } from '../calculation/quantity.ts';
import type { Problem } from '../calculation/problem.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, Term, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { EndGeometry, LengthPoint } from './end.ts';
import { sealingPointOf } from './end.ts';
import { unphysical } from '../calculation/physical.ts';

/** Which point the length is counted from at each end. */
export interface LengthDatum {
  readonly endA: LengthPoint;
  readonly endB: LengthPoint;
}

/** `developed` follows the fitting's bend; `projected` counts only along the hose's axis. */
export type LengthPath = 'developed' | 'projected';

const DEVELOPED: Formula = { expression: 't = a + b', source: 'fittingGeometry' };
const PROJECTED: Formula = { expression: 't = a + b·cos φ', source: 'fittingGeometry' };
const BEHIND_NECK: Formula = { expression: 't = a + b − n', source: 'fittingGeometry' };
const AT_FERRULE: Formula = { expression: 't = 0', source: 'fittingGeometry' };
const TO_FREE: Formula = { expression: 'L_free = L_given − t_A − t_B', source: 'fittingGeometry' };
const TO_WANTED: Formula = { expression: 'L = L_free + t_A + t_B', source: 'fittingGeometry' };

export interface LengthConversion {
  readonly length_m: number;
  readonly given: LengthDatum;
  readonly wanted: LengthDatum;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  /** How the given length was taken; makers' lengths and tube readings are developed. */
  readonly path?: LengthPath;
}

/**
 * The length in the wanted datum, metres, always developed.
 * Problems: a length that is not positive or shorter than its own fittings; an eye counted from on an end
 * without one, or a thread on an end without one.
 */
export function convertLength(
  input: LengthConversion,
): Result<{ readonly length_m: number; readonly freeHose_m: number }> {
  const refused =
    firstNotPositive({ length_m: input.length_m }) ??
    endProblem(input.endA, 'endA') ??
    endProblem(input.endB, 'endB') ??
    pointProblem(input.endA, input.given.endA, 'given.endA') ??
    pointProblem(input.endB, input.given.endB, 'given.endB') ??
    pointProblem(input.endA, input.wanted.endA, 'wanted.endA') ??
    pointProblem(input.endB, input.wanted.endB, 'wanted.endB');
  if (refused) return problem(refused);

  const path = input.path ?? 'developed';
  const givenA = takeOff(input.endA, input.given.endA, path, 'takeOffEndA', 't_A');
  const givenB = takeOff(input.endB, input.given.endB, path, 'takeOffEndB', 't_B');
  const wantedA = takeOff(input.endA, input.wanted.endA, 'developed', 'takeOffEndA', 't_A');
  const wantedB = takeOff(input.endB, input.wanted.endB, 'developed', 'takeOffEndB', 't_B');
  const freeHose_m = input.length_m - givenA.value_m - givenB.value_m;
  if (freeHose_m <= 0) {
    return problem({
      code: 'shorterThanItsFittings',
      field: 'length_m',
      takeOffs_m: givenA.value_m + givenB.value_m,
    });
  }
  const length_m = freeHose_m + wantedA.value_m + wantedB.value_m;
  const free = term('L_free', 'freeHoseLength', length(freeHose_m));
  return calculated({ length_m, freeHose_m }, [
    givenA.step,
    givenB.step,
    {
      formula: TO_FREE,
      inputs: [
        term('L_given', 'givenLength', length(input.length_m)),
        givenA.step.result,
        givenB.step.result,
      ],
      result: free,
    },
    wantedA.step,
    wantedB.step,
    {
      formula: TO_WANTED,
      inputs: [free, wantedA.step.result, wantedB.step.result],
      result: term('L', 'wantedLength', length(length_m)),
    },
  ]);
}

/** The datum that joins the two sealing points of these ends. */
export const sealingDatum = (endA: EndGeometry, endB: EndGeometry): LengthDatum => ({
  endA: sealingPointOf(endA),
  endB: sealingPointOf(endB),
});

/** What is wrong with an end as geometry: nothing in it is less than nothing, and a neck is bent by less than half a turn. */
export const endProblem = (end: EndGeometry, field: string): Problem | null =>
  unphysical(
    end,
    { notNegative: ['ferruleToApex_m', 'apexToPoint_m', 'neckLength_m', 'neckAngle_rad'] },
    field,
  ) ?? (end.neckAngle_rad < Math.PI ? null : { code: 'noSuchBend', field: `${field}.neckAngle_rad` });

function pointProblem(end: EndGeometry, point: LengthPoint, field: string): Problem | null {
  if (!hasPoint(end.family, point))
    return { code: point === 'eyeCentre' ? 'noEyeOnThisEnd' : 'noThreadOnThisEnd', field };
  return null;
}

interface TakeOff {
  readonly value_m: number;
  readonly step: WorkingStep;
}

/** Free hose's face to the point, metres. */
function takeOff(
  end: EndGeometry,
  point: LengthPoint,
  path: LengthPath,
  meaning: Term['meaning'],
  symbol: string,
): TakeOff {
  const a = term('a', 'apexAlongHose', length(end.ferruleToApex_m));
  const b = term('b', 'apexToPoint', length(end.apexToPoint_m));
  const along = (value_m: number, formula: Formula, inputs: readonly Term[]): TakeOff => ({
    value_m,
    step: { formula, inputs, result: term(symbol, meaning, length(value_m)) },
  });
  if (point === 'ferruleFace') return along(0, AT_FERRULE, []);
  const developed_m = end.ferruleToApex_m + end.apexToPoint_m;
  if (point === 'behindNeck') {
    return along(developed_m - end.neckLength_m, BEHIND_NECK, [
      a,
      b,
      term('n', 'neckLength', length(end.neckLength_m)),
    ]);
  }
  if (path === 'projected') {
    const projected_m = end.ferruleToApex_m + end.apexToPoint_m * Math.cos(end.neckAngle_rad);
    return along(projected_m, PROJECTED, [a, b, term('φ', 'neckAngle', angle(end.neckAngle_rad))]);
  }
  return along(developed_m, DEVELOPED, [a, b]);
}
