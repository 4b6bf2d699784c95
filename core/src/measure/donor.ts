/** A hose from the shelf or another vehicle, held against what this route needs before anything is opened. */
import { sameThread } from '../threads/catalogue.ts';
import { length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { EndGeometry } from '../fittings/end.ts';
import type { Caution } from '../mistakes/caution.ts';
import { unphysical } from '../calculation/physical.ts';

const DIFFERENCE: Formula = { expression: 'difference = L_donor − L_needed', source: 'tubeReading' };

export type DonorEnd = Pick<EndGeometry, 'family' | 'neckAngle_rad'> & {
  /** Of the bolt or of the end's own thread; null where it is not known. */
  readonly thread: string | null;
};

export interface DonorNeed {
  /** The longest pose, between the sealing points, without slack. */
  readonly needed_m: number;
  /** How well that is known; a hose shorter than both together may pull. Nothing where it is left out. */
  readonly uncertainty_m?: number | undefined;
  /** What the shop adds: a wish, not a need. */
  readonly slack_m?: number | undefined;
  /** The longest that holds by the route; null where nobody knows. */
  readonly longest_m: number | null;
  readonly endA: DonorEnd;
  readonly endB: DonorEnd;
}

export interface Donor {
  readonly length_m: number;
  readonly endA: DonorEnd;
  readonly endB: DonorEnd;
}

export type WrongEnd = {
  readonly end: 'A' | 'B';
  readonly why: 'family' | 'thread' | 'angle';
};

export interface DonorVerdict {
  readonly fits: boolean;
  /** It goes on the other way round. */
  readonly turned: boolean;
  /** Longer than the longest pose; below nothing it does not even reach. */
  readonly difference_m: number;
  /** Long enough, but with less slack than the shop adds. */
  readonly slackShort_m: number;
  readonly tooShort: boolean;
  readonly tooLong: boolean;
  readonly wrongEnds: readonly WrongEnd[];
}

/** A neck that differs by less lies as the old one did. Our estimate. */
const ALIKE_rad = (10 * Math.PI) / 180;
/** A tape does not read less. */
const NOISE_m = 1e-6;

function wrongEnd(end: 'A' | 'B', need: DonorEnd, offered: DonorEnd): readonly WrongEnd[] {
  if (need.family !== offered.family) return [{ end, why: 'family' }];
  if (need.thread !== null && offered.thread !== null && !sameThread(need.thread, offered.thread))
    return [{ end, why: 'thread' }];
  return Math.abs(need.neckAngle_rad - offered.neckAngle_rad) > ALIKE_rad ? [{ end, why: 'angle' }] : [];
}

/**
 * Fits, too short, too long or with a wrong end; tried both ways round, and the way with fewer wrong ends is told.
 * Raises M13 when it is shorter than the longest pose with its uncertainty, and M05 when it is longer than anything known to hold. Problem: a length that is not positive.
 */
export function judgeDonor(need: DonorNeed, donor: Donor): Result<DonorVerdict> {
  const refused =
    firstNotPositive({ length_m: donor.length_m, needed_m: need.needed_m }) ??
    unphysical(
      { longest_m: need.longest_m, uncertainty_m: need.uncertainty_m ?? 0, slack_m: need.slack_m ?? 0 },
      { positive: ['longest_m'], notNegative: ['uncertainty_m', 'slack_m'] },
    ) ??
    unphysical({ need, donor }, { notNegative: ['neckAngle_rad'] });
  if (refused) return problem(refused);
  const straight = [...wrongEnd('A', need.endA, donor.endA), ...wrongEnd('B', need.endB, donor.endB)];
  const reversed = [...wrongEnd('A', need.endA, donor.endB), ...wrongEnd('B', need.endB, donor.endA)];
  const turned = reversed.length < straight.length;
  const wrongEnds = turned ? reversed : straight;
  const difference_m = donor.length_m - need.needed_m;
  const uncertainty_m = need.uncertainty_m ?? 0;
  const tooShort = difference_m < uncertainty_m - NOISE_m;
  const slackShort_m = tooShort ? 0 : Math.max(0, (need.slack_m ?? 0) - difference_m);
  const over_m = need.longest_m === null ? 0 : donor.length_m - need.longest_m;
  const tooLong = over_m > NOISE_m;
  const cautions: Caution[] = [];
  if (tooShort)
    cautions.push({
      id: 'M13',
      evidence: {
        short_m: uncertainty_m - difference_m,
        eaten: difference_m < -NOISE_m ? 'pose' : 'uncertainty',
        uncertainty_m,
      },
    });
  if (tooLong) cautions.push({ id: 'M05', evidence: { spare_m: difference_m, loop: null } });
  return calculated(
    {
      fits: !tooShort && !tooLong && wrongEnds.length === 0,
      turned,
      difference_m,
      slackShort_m,
      tooShort,
      tooLong,
      wrongEnds,
    },
    [
      {
        formula: DIFFERENCE,
        inputs: [
          term('L_donor', 'donorLength', length(donor.length_m)),
          term('L_needed', 'neededLength', length(need.needed_m)),
        ],
        result: term('difference', 'donorDifference', length(difference_m)),
      },
    ],
    cautions,
  );
}
