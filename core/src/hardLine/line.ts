/** A hard line as it is bent: straights and bends of one radius between two flared ends. */
import { angle, count, length } from '../calculation/quantity.ts';
import type { Problem } from '../calculation/problem.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** From apex to apex as a tape reads along a pattern, or only what is straight between two bends. */
export const LEG_DATUMS = ['apex', 'straight'] as const;
export type LegDatum = (typeof LEG_DATUMS)[number];

export interface LineBend {
  /** How far the tube turns, 0 to π (exclusive). */
  readonly angle_rad: number;
  /**
   * How far the plane of this bend is turned about the tube against the plane of the one before, right-hand about the way
   * the tube runs; nothing on a flat line that bends the same way, π for the other way. Of the first bend it says nothing.
   */
  readonly roll_rad: number;
}

/** What is put on at an end, and what it takes of the tube. */
export interface LineEnd {
  /** Tube that goes into the flare beyond the finished end. */
  readonly flare_m: number;
}

export interface HardLine {
  /** One more than bends; finished ends count as the ends of the first and last. */
  readonly legs_m: readonly number[];
  readonly legDatum: LegDatum;
  readonly bends: readonly LineBend[];
  /** Of the bender, to the middle of the tube. */
  readonly radius_m: number;
  readonly endA: LineEnd;
  readonly endB: LineEnd;
  /** Gaps that a union bridges between two pieces, all together: no tube is needed there. */
  readonly unionGap_m: number;
}

export interface Developed {
  /** Straight tube before, between and after the bends. */
  readonly straights_m: readonly number[];
  readonly arcs_m: readonly number[];
  /** Along the middle of the finished line, from finished end to finished end. */
  readonly centreline_m: number;
  readonly cut_m: number;
}

const SETBACK: Formula = { expression: 'z = R·tan(β/2)', source: 'tubeBending' };
const STRAIGHT: Formula = { expression: 's = leg − z_before − z_after', source: 'tubeBending' };
const ARCS: Formula = { expression: 'Σ R·β', source: 'tubeBending' };
const CENTRELINE: Formula = { expression: 'L = Σ s + Σ R·β', source: 'tubeBending' };
const CUT: Formula = { expression: 'L_cut = L + f_A + f_B − g', source: 'flareAllowance' };

/** Rounding of drawing dimensions after a few subtractions. */
const NOISE_m = 5e-7;

/** From apex to where the bend begins. */
export function setback_m(radius_m: number, angle_rad: number): number {
  demand(firstNotPositive({ radius_m }) ?? bendProblem('angle_rad', angle_rad));
  return radius_m * Math.tan(angle_rad / 2);
}

/** Nearer to half a turn the apex lies further off than any line is long. */
const MOST_BEND_rad = Math.PI * (1 - 1e-6);

const bendProblem = (field: string, angle_rad: number): Problem | null =>
  angle_rad > 0 && angle_rad < MOST_BEND_rad ? null : { code: 'noSuchBend', field };

/**
 * Straights, arcs, the length along the middle and the length to cut, metres. Problems: a dimension that is not positive; a
 * bend of nothing or of half a turn; a leg too short for the bends at its ends; one leg more or less than the bends ask for.
 */
export function developed(line: HardLine): Result<Developed> {
  const refused = lineProblem(line);
  if (refused) return problem(refused);
  const { legs_m, legDatum, bends, radius_m, endA, endB, unionGap_m } = line;
  const setbacks_m = bends.map(({ angle_rad }) => (legDatum === 'apex' ? setback_m(radius_m, angle_rad) : 0));
  const straights_m = legs_m.map(
    (leg_m, index) => leg_m - (setbacks_m[index - 1] ?? 0) - (setbacks_m[index] ?? 0),
  );
  for (const [index, straight_m] of straights_m.entries())
    if (straight_m < -NOISE_m)
      return problem({
        code: 'legTooShort',
        field: `legs.${index}`,
        least_m: (setbacks_m[index - 1] ?? 0) + (setbacks_m[index] ?? 0),
      });
  const arcs_m = bends.map(({ angle_rad }) => radius_m * angle_rad);
  const straight_m = straights_m.reduce((sum, part) => sum + part, 0);
  const arc_m = arcs_m.reduce((sum, part) => sum + part, 0);
  const centreline_m = straight_m + arc_m;
  const cut_m = centreline_m + endA.flare_m + endB.flare_m - unionGap_m;
  // A union bridges a gap in the line: it cannot bridge all of it.
  if (!(cut_m > 0)) return problem({ code: 'notPositive', field: 'cut_m', value: cut_m });
  const radius = term('R', 'benderRadius', length(radius_m));
  const centreline = term('L', 'lineCentreline', length(centreline_m));
  const setback = setbacks_m.reduce((sum, part) => sum + 2 * part, 0);
  const steps: readonly WorkingStep[] = [
    ...(legDatum === 'apex'
      ? bends.map(({ angle_rad }, index): WorkingStep => ({
          formula: SETBACK,
          inputs: [term('β', 'bendAngle', angle(angle_rad)), radius],
          result: term('z', 'bendSetback', length(setbacks_m[index] ?? 0)),
        }))
      : []),
    {
      formula: STRAIGHT,
      inputs: [
        term('Σ leg', 'lineLegs', length(legs_m.reduce((sum, leg_m) => sum + leg_m, 0))),
        term('Σ z', 'bendSetback', length(setback)),
      ],
      result: term('Σ s', 'lineStraights', length(straight_m)),
    },
    {
      formula: ARCS,
      inputs: [radius, term('n', 'bendCount', count(bends.length))],
      result: term('Σ R·β', 'lineArcs', length(arc_m)),
    },
    {
      formula: CENTRELINE,
      inputs: [term('Σ s', 'lineStraights', length(straight_m)), term('Σ R·β', 'lineArcs', length(arc_m))],
      result: centreline,
    },
    {
      formula: CUT,
      inputs: [
        centreline,
        term('f_A', 'flareAllowance', length(endA.flare_m)),
        term('f_B', 'flareAllowance', length(endB.flare_m)),
        term('g', 'unionGap', length(unionGap_m)),
      ],
      result: term('L_cut', 'lineCut', length(cut_m)),
    },
  ];
  return calculated({ straights_m, arcs_m, centreline_m, cut_m }, steps);
}

/** What is wrong with a line as it is entered; null when it can be bent. */
export function lineProblem({ legs_m, bends, radius_m, endA, endB, unionGap_m }: HardLine): Problem | null {
  const refused =
    firstNotPositive({ radius_m }) ??
    firstNotPositive(Object.fromEntries(legs_m.map((leg_m, index) => [`legs.${index}`, leg_m])));
  if (refused) return refused;
  if (legs_m.length !== bends.length + 1)
    return { code: 'legsAndBends', field: 'legs', legs: bends.length + 1 };
  for (const [index, { angle_rad, roll_rad }] of bends.entries()) {
    const wrong = bendProblem(`bends.${index}`, angle_rad) ?? unphysical({ roll_rad });
    if (wrong) return wrong;
  }
  return unphysical(
    { flareA_m: endA.flare_m, flareB_m: endB.flare_m, unionGap_m },
    { notNegative: ['flareA_m', 'flareB_m', 'unionGap_m'] },
  );
}

/** Refuses a line, or what was made of it, for functions that return what a sound one gives. */
export const demandLine = (line: HardLine, made?: Developed): void =>
  demand(
    lineProblem(line) ??
      (made
        ? unphysical(made, { notNegative: ['straights_m', 'arcs_m'], positive: ['cut_m', 'centreline_m'] })
        : null),
  );
