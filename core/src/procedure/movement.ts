/** What was seen while a hose moved through its poses, against what its drawing expects; and its stripe, which shows a twist. */
import { angle, length } from '../calculation/quantity.ts';
import { unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const TWIST: Formula = { expression: 'twist = |φ| / L', source: 'hoseTwist' };
const NEARER: Formula = { expression: 'difference = s_expected − s_seen', source: 'movementMargin' };

/** Nearer than the drawing has it by more than this, and the drawing, or the length, is another one. Our estimate. */
export const MOVEMENT_MARGIN_m = 0.005;
/** Ten degrees in a metre: our default. */
export const MOST_TWIST_rad_per_m = Math.PI / 18;

export interface SeenPose {
  readonly pose: string;
  /** The least distance to anything; nothing where it touches. */
  readonly seen_m: number;
  /** What its drawing has in this pose; left out or null where that is known of all poses together alone. */
  readonly expected_m?: number | null | undefined;
}
export interface MovementSeen {
  readonly poses: readonly SeenPose[];
  /** The least that its drawing has, over all poses; null where none is kept. */
  readonly expected_m: number | null;
  readonly margin_m?: number;
}
export type PoseVerdict = 'touches' | 'nearer' | 'asDrawn' | 'clear';
export interface MovementJudgement {
  readonly poses: readonly { readonly pose: string; readonly verdict: PoseVerdict }[];
  /** The length, or what it was taken by, does not hold any more. */
  readonly reopens: boolean;
}

/** Judges every pose. Problem: a figure without meaning. */
export function judgeMovement({
  poses,
  expected_m,
  margin_m = MOVEMENT_MARGIN_m,
}: MovementSeen): Result<MovementJudgement> {
  const refused = unphysical(
    { poses, expected_m, margin_m },
    { notNegative: ['seen_m', 'expected_m', 'margin_m'] },
  );
  if (refused) return problem(refused);
  const expectedIn = (pose: SeenPose): number | null => pose.expected_m ?? expected_m;
  const verdict = (pose: SeenPose): PoseVerdict => {
    const own_m = expectedIn(pose);
    if (pose.seen_m === 0) return 'touches';
    if (own_m === null) return 'clear';
    return own_m - pose.seen_m > margin_m ? 'nearer' : 'asDrawn';
  };
  const judged = poses.map((pose) => ({ pose: pose.pose, verdict: verdict(pose) }));
  const short = (pose: SeenPose): number => (expectedIn(pose) ?? -Infinity) - pose.seen_m;
  const worst = poses.reduce<SeenPose | null>(
    (most, one) => (most === null || short(one) > short(most) ? one : most),
    null,
  );
  const worstExpected_m = worst && expectedIn(worst);
  return calculated(
    {
      poses: judged,
      reopens: judged.some((one) => one.verdict === 'touches' || one.verdict === 'nearer'),
    },
    worst === null || worstExpected_m === null
      ? []
      : [
          {
            formula: NEARER,
            inputs: [
              term('s_expected', 'expectedGap', length(worstExpected_m)),
              term('s_seen', 'seenGap', length(worst.seen_m)),
            ],
            result: term('difference', 'gapDifference', length(worstExpected_m - worst.seen_m)),
          },
        ],
  );
}

export interface Stripe {
  /** How far the stripe at one end is turned against the other. */
  readonly turned_rad: number;
  /** The hose between its two ends. */
  readonly free_m: number;
  readonly most_rad_per_m?: number;
}

/** Twist in a metre, radians. Raises M56 over the limit. Problem: a figure without meaning. */
export function judgeStripe({
  turned_rad,
  free_m,
  most_rad_per_m = MOST_TWIST_rad_per_m,
}: Stripe): Result<number> {
  const refused = firstNotPositive({ free_m, most_rad_per_m }) ?? unphysical({ turned_rad });
  if (refused) return problem(refused);
  const twist_rad_per_m = Math.abs(turned_rad) / free_m;
  return calculated(
    twist_rad_per_m,
    [
      {
        formula: TWIST,
        inputs: [term('φ', 'stripeTurned', angle(turned_rad)), term('L', 'freeHose', length(free_m))],
        result: term('twist', 'twistPerMetre', angle(twist_rad_per_m)),
      },
    ],
    twist_rad_per_m > most_rad_per_m * (1 + 1e-9)
      ? [{ id: 'M56', evidence: { turned_rad: Math.abs(turned_rad), twist_rad_per_m, most_rad_per_m } }]
      : [],
  );
}
