/** From tape readings in several poses to the length to order. */
import { length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { Aid, Pose } from './pose.ts';
import { AID_UNCERTAINTY_m, POSES } from './pose.ts';

const POSE_SPAN: Formula = { expression: 's = mean(r) + travel left', source: 'tubeReading' };
const UNCERTAINTY: Formula = { expression: 'u = max(u_aid, ½·spread)', source: 'aidUncertainty' };
const LONGEST: Formula = { expression: 's_max = max(s over the poses)', source: 'tubeReading' };
const ORDER: Formula = { expression: 'L = s_max + slack, rounded up to 1 mm', source: 'slackHalfInch' };

const ORDER_STEP_m = 0.001;
/** Two readings of one pose further apart than this mean that a mark slipped. */
const SPREAD_LIMIT_m = 0.005;
/** A micrometre: 733 mm less 728 mm is 5 mm, whatever the last bits say. */
const NOISE_m = 1e-6;
/** About half an inch over the longest pose (schools D3). */
export const DEFAULT_SLACK_m = 0.0125;

export interface PoseReading {
  readonly pose: Pose;
  /** Between the two sealing points, along the aid. */
  readonly length_m: number;
  readonly aid: Aid;
  /** Suspension travel that was left when a droop reading was taken; 0 with the wheel clear of the floor. */
  readonly remainingTravel_m: number;
}

/** What was checked at the vehicle besides the tape. */
export interface PoseChecks {
  readonly controlsFinal: boolean;
  readonly leftLock: boolean;
  readonly rightLock: boolean;
  readonly fullBump: boolean;
}

export interface OrderLength {
  readonly order_m: number;
  readonly longest_m: number;
  readonly decidingPose: Pose;
  readonly uncertainty_m: number;
  readonly slack_m: number;
}

/**
 * The order length between the sealing points, metres, never less than the longest pose plus the slack.
 * Raises M01, M02, M05, M06, M09. Problem: no reading at full droop, or a length that is not positive.
 */
export function orderLength(
  readings: readonly PoseReading[],
  checks: PoseChecks,
  slack_m = DEFAULT_SLACK_m,
): Result<OrderLength> {
  for (const reading of readings) {
    const refused = firstNotPositive({ length_m: reading.length_m });
    if (refused) return problem(refused);
    if (!(reading.remainingTravel_m >= 0)) {
      return problem({ code: 'notPositive', field: 'remainingTravel_m', value: reading.remainingTravel_m });
    }
  }
  if (!readings.some((reading) => reading.pose === 'fullDroop')) {
    return problem({ code: 'noDroopReading', field: 'readings' });
  }

  const spans = POSES.flatMap((pose) => {
    const taken = readings.filter((reading) => reading.pose === pose);
    return taken.length > 0 ? [poseSpan(pose, taken)] : [];
  });
  const deciding = spans.reduce((longest, span) => (span.span_m > longest.span_m ? span : longest));
  // A micrometre of noise must not buy another millimetre.
  const order_m = Math.ceil((deciding.span_m + slack_m) / ORDER_STEP_m - 1e-3) * ORDER_STEP_m;

  const longest = term('s_max', 'longestSpan', length(deciding.span_m));
  return calculated(
    {
      order_m,
      longest_m: deciding.span_m,
      decidingPose: deciding.pose,
      uncertainty_m: deciding.uncertainty_m,
      slack_m,
    },
    [
      ...spans.flatMap((span) => span.steps),
      {
        formula: LONGEST,
        inputs: spans.map((span) => term('s', 'poseSpan', length(span.span_m))),
        result: longest,
      },
      {
        formula: ORDER,
        inputs: [longest, term('slack', 'slack', length(slack_m))],
        result: term('L', 'orderLength', length(order_m)),
      },
    ],
    [...spans.flatMap((span) => span.cautions), ...checkCautions(readings, checks, order_m)],
  );
}

interface PoseSpan {
  readonly pose: Pose;
  readonly span_m: number;
  readonly uncertainty_m: number;
  readonly steps: readonly WorkingStep[];
  readonly cautions: readonly Caution[];
}

function poseSpan(pose: Pose, taken: readonly PoseReading[]): PoseSpan {
  const lengths_m = taken.map((reading) => reading.length_m + reading.remainingTravel_m);
  const span_m = lengths_m.reduce((sum, value) => sum + value, 0) / lengths_m.length;
  const spread_m = Math.max(...lengths_m) - Math.min(...lengths_m);
  const aid_m = Math.max(...taken.map((reading) => AID_UNCERTAINTY_m[reading.aid]));
  const uncertainty_m = Math.max(aid_m, spread_m / 2);
  const remainingTravel_m = Math.max(...taken.map((reading) => reading.remainingTravel_m));

  const cautions: Caution[] = [];
  if (pose === 'fullDroop' && remainingTravel_m > 0)
    cautions.push({ id: 'M01', evidence: { pose, remainingTravel_m } });
  if (taken.length < 2 || spread_m > SPREAD_LIMIT_m + NOISE_m) {
    cautions.push({ id: 'M09', evidence: { pose, readings: taken.length, spread_m } });
  }
  const span = term('s', 'poseSpan', length(span_m));
  return {
    pose,
    span_m,
    uncertainty_m,
    cautions,
    steps: [
      {
        formula: POSE_SPAN,
        inputs: [
          ...taken.map((reading) => term('r', 'poseReading', length(reading.length_m))),
          ...(remainingTravel_m > 0
            ? [term('travel left', 'remainingTravel', length(remainingTravel_m))]
            : []),
        ],
        result: span,
      },
      {
        formula: UNCERTAINTY,
        inputs: [term('u_aid', 'aidUncertainty', length(aid_m)), term('spread', 'spread', length(spread_m))],
        result: term('u', 'readingUncertainty', length(uncertainty_m)),
      },
    ],
  };
}

function checkCautions(
  readings: readonly PoseReading[],
  checks: PoseChecks,
  order_m: number,
): readonly Caution[] {
  const read = (pose: Pose) => readings.some((reading) => reading.pose === pose);
  const missing = (['leftLock', 'rightLock'] as const).filter((lock) => !checks[lock] && !read(lock));
  const bump = readings.filter((reading) => reading.pose === 'fullBump');
  const cautions: Caution[] = [];
  if (!checks.controlsFinal) cautions.push({ id: 'M02', evidence: {} });
  if (missing.length > 0) cautions.push({ id: 'M06', evidence: { missing } });
  if (!checks.fullBump) {
    const spare_m = bump.length > 0 ? order_m - Math.min(...bump.map((reading) => reading.length_m)) : null;
    cautions.push({ id: 'M05', evidence: { spare_m, loop: null } });
  }
  return cautions;
}
