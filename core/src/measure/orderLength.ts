/** From tape readings in several poses to the length to order. */
import { length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { HoseMovement, PoseChecks } from './movement.ts';
import { checksFor } from './movement.ts';
import type { Aid, Pose } from './pose.ts';
import { AID_UNCERTAINTY_m, POSES } from './pose.ts';
import type { TightBends } from './wire.ts';
import { bendAllowance, USUAL_LEAST_RADIUS_m } from './wire.ts';
import { unphysical } from '../calculation/physical.ts';

const POSE_SPAN: Formula = { expression: 's = mean(r) + travel left + lift + b', source: 'tubeReading' };
const UNCERTAINTY: Formula = { expression: 'u = max(u_reading, ½·spread)', source: 'aidUncertainty' };
const LONGEST: Formula = { expression: 's_max = max(s over the poses)', source: 'tubeReading' };
const SLACK: Formula = { expression: 'slack = max(slack_shop, u, L_route − s_max)', source: 'slackHalfInch' };
const ORDER: Formula = { expression: 'L = s_max + slack, rounded up to 1 mm', source: 'slackHalfInch' };

const ORDER_STEP_m = 0.001;
/** Two readings of one pose further apart than this mean that a mark slipped. */
const SPREAD_LIMIT_m = 0.005;
/** A micrometre: 733 mm less 728 mm is 5 mm, whatever the last bits say. */
const NOISE_m = 1e-6;
/** About half an inch over the longest pose (schools D3). */
export const DEFAULT_SLACK_m = 0.0125;
/** Poses in which the wheel hangs: what lengthens the droop lengthens them. */
const HANGING: readonly Pose[] = ['fullDroop', 'crossedUp'];

export interface PoseReading {
  readonly pose: Pose;
  /** Between the two sealing points, along the aid; what was wrapped round a bolt is off already. */
  readonly length_m: number;
  readonly aid: Aid;
  /** As entered; null takes what is usual for the aid. */
  readonly uncertainty_m: number | null;
  /** Suspension travel that was left when a droop reading was taken; 0 with the wheel clear of the floor. */
  readonly remainingTravel_m: number;
  /** Of wire, that turns tighter than hose; null where nobody counted. Nothing for tube and string. */
  readonly tightBends: TightBends | null;
}

/** Longer springs, spacers or arms that are still to be fitted. */
export interface Lift {
  /** How much higher the vehicle will stand. */
  readonly height_m: number;
  /** How much lower the wheel will hang against the body, measured; null where nobody knows. */
  readonly droop_m: number | null;
}

/** What is known besides the readings. */
export interface TapeSetting {
  readonly checks: PoseChecks;
  readonly movement: HoseMovement;
  readonly lift: Lift | null;
  /** Whether it was said which points the supplier's length joins. */
  readonly datumKnown: boolean;
  readonly slack_m: number;
  /** The shortest length that holds by the kept route; null without one. */
  readonly routeShort_m: number | null;
}

export interface PoseLength {
  readonly pose: Pose;
  readonly span_m: number;
  readonly spread_m: number;
  readonly uncertainty_m: number;
  readonly readings: number;
}

export interface OrderLength {
  readonly order_m: number;
  readonly longest_m: number;
  readonly decidingPose: Pose;
  readonly uncertainty_m: number;
  /** What lies between the longest pose and the order, before rounding. */
  readonly slack_m: number;
  readonly poses: readonly PoseLength[];
}

/**
 * The order length between the sealing points, metres, never less than the longest pose plus the slack.
 * Raises M01 to M03, M05 to M09 and M17. Problem: no reading, none at full droop where the suspension moves the hose, or a
 * figure that is not positive.
 */
export function orderLength(readings: readonly PoseReading[], setting: TapeSetting): Result<OrderLength> {
  const refused = refuse(readings, setting);
  if (refused) return problem(refused);

  const spans = POSES.flatMap((pose) => {
    const taken = readings.filter((reading) => reading.pose === pose);
    return taken.length > 0 ? [poseSpan(pose, taken, setting)] : [];
  });
  const deciding = spans.reduce((longest, span) => (span.span_m > longest.span_m ? span : longest));
  const fromRoute_m = setting.routeShort_m === null ? 0 : setting.routeShort_m - deciding.span_m;
  const slack_m = Math.max(setting.slack_m, deciding.uncertainty_m, fromRoute_m);
  // A micrometre of noise must not buy another millimetre.
  const order_m = Math.ceil((deciding.span_m + slack_m) / ORDER_STEP_m - 1e-3) * ORDER_STEP_m;

  const longest = term('s_max', 'longestSpan', length(deciding.span_m));
  const slack = term('slack', 'slack', length(slack_m));
  return calculated(
    {
      order_m,
      longest_m: deciding.span_m,
      decidingPose: deciding.pose,
      uncertainty_m: deciding.uncertainty_m,
      slack_m,
      poses: spans.map(({ pose, span_m, spread_m, uncertainty_m, readings: taken }) => ({
        pose,
        span_m,
        spread_m,
        uncertainty_m,
        readings: taken,
      })),
    },
    [
      ...spans.flatMap((span) => span.steps),
      {
        formula: LONGEST,
        inputs: spans.map((span) => term('s', 'poseSpan', length(span.span_m))),
        result: longest,
      },
      {
        formula: SLACK,
        inputs: [
          term('slack_shop', 'shopSlack', length(setting.slack_m)),
          term('u', 'readingUncertainty', length(deciding.uncertainty_m)),
          ...(setting.routeShort_m === null
            ? []
            : [term('L_route', 'routeShortest', length(setting.routeShort_m))]),
        ],
        result: slack,
      },
      {
        formula: ORDER,
        inputs: [longest, slack],
        result: term('L', 'orderLength', length(order_m)),
      },
    ],
    [...spans.flatMap((span) => span.cautions), ...settingCautions(readings, setting, order_m)],
  );
}

function refuse(readings: readonly PoseReading[], setting: TapeSetting): Problem | null {
  for (const { length_m, uncertainty_m, remainingTravel_m, tightBends } of readings) {
    const refused = firstNotPositive({
      length_m,
      ...(uncertainty_m === null ? {} : { uncertainty_m }),
    });
    if (refused) return refused;
    const wrong =
      unphysical({ remainingTravel_m }, { notNegative: ['remainingTravel_m'] }) ??
      (tightBends ? unphysical(tightBends, { notNegative: ['quarters', 'radius_m'] }) : null);
    if (wrong) return wrong;
  }
  const { slack_m, routeShort_m } = setting;
  const unsound = unphysical(
    { slack_m, routeShort_m },
    { notNegative: ['slack_m'], positive: ['routeShort_m'] },
  );
  if (unsound) return unsound;
  if (setting.lift) {
    const { height_m, droop_m } = setting.lift;
    const refused = firstNotPositive({ height_m, ...(droop_m === null ? {} : { droop_m }) });
    if (refused) return refused;
  }
  if (setting.movement.travels && !readings.some(({ pose }) => pose === 'fullDroop'))
    return { code: 'noDroopReading', field: 'readings' };
  return readings.length === 0 ? { code: 'noReading', field: 'readings' } : null;
}

interface PoseSpan extends PoseLength {
  readonly steps: readonly WorkingStep[];
  readonly cautions: readonly Caution[];
}

function poseSpan(pose: Pose, taken: readonly PoseReading[], setting: TapeSetting): PoseSpan {
  const bends = taken.map(({ tightBends }) =>
    tightBends === null ? null : bendAllowance(tightBends, USUAL_LEAST_RADIUS_m),
  );
  const bent_m = mean(bends.map((bend) => bend?.allowance_m ?? 0));
  const lift_m = HANGING.includes(pose) && setting.lift ? droopOf(setting.lift) : 0;
  const lengths_m = taken.map((reading) => reading.length_m + reading.remainingTravel_m);
  const span_m = mean(lengths_m) + lift_m + bent_m;
  const spread_m = spreadOf(lengths_m);
  const aid_m = Math.max(...taken.map(({ uncertainty_m, aid }) => uncertainty_m ?? AID_UNCERTAINTY_m[aid]));
  const uncertainty_m = Math.max(aid_m, spread_m / 2);
  const remainingTravel_m = Math.max(...taken.map((reading) => reading.remainingTravel_m));

  const span = term('s', 'poseSpan', length(span_m));
  return {
    pose,
    span_m,
    spread_m,
    uncertainty_m,
    readings: taken.length,
    cautions: poseCautions(pose, taken, lengths_m, bent_m),
    steps: [
      ...bends.flatMap((bend) => (bend && bend.allowance_m > 0 ? [bend.step] : [])),
      {
        formula: POSE_SPAN,
        inputs: [
          ...taken.map((reading) => term('r', 'poseReading', length(reading.length_m))),
          ...(remainingTravel_m > 0
            ? [term('travel left', 'remainingTravel', length(remainingTravel_m))]
            : []),
          ...(lift_m > 0 ? [term('lift', 'liftDroop', length(lift_m))] : []),
          ...(bent_m > 0 ? [term('b', 'bendAllowance', length(bent_m))] : []),
        ],
        result: span,
      },
      {
        formula: UNCERTAINTY,
        inputs: [
          term('u_reading', 'aidUncertainty', length(aid_m)),
          term('spread', 'spread', length(spread_m)),
        ],
        result: term('u', 'readingUncertainty', length(uncertainty_m)),
      },
    ],
  };
}

function poseCautions(
  pose: Pose,
  taken: readonly PoseReading[],
  lengths_m: readonly number[],
  added_m: number,
): readonly Caution[] {
  const remainingTravel_m = Math.max(...taken.map((reading) => reading.remainingTravel_m));
  const spread_m = spreadOf(lengths_m);
  const cautions: Caution[] = [];
  if (HANGING.includes(pose) && remainingTravel_m > 0)
    cautions.push({ id: 'M01', evidence: { pose, remainingTravel_m } });
  // A tube along the same route outweighs what wire says of it.
  const wires = taken.some(({ aid }) => aid !== 'wire') ? [] : taken;
  const uncounted = wires.some(({ tightBends }) => tightBends === null);
  const bends = Math.max(0, ...wires.map(({ tightBends }) => tightBends?.quarters ?? 0));
  if (uncounted || bends > 0) {
    cautions.push({
      id: 'M08',
      evidence: { bends: uncounted ? null : bends, least_m: USUAL_LEAST_RADIUS_m, added_m },
    });
  }
  if (taken.length < 2 || isSpread(spread_m)) {
    cautions.push({
      id: 'M09',
      evidence: { pose, readings: taken.length, spread_m, odd_m: oddOne(lengths_m) },
    });
  }
  return cautions;
}

const isSpread = (spread_m: number) => spread_m > SPREAD_LIMIT_m + NOISE_m;

/** The one reading without which the others agree; null where there is none, or more than one. */
function oddOne(lengths_m: readonly number[]): number | null {
  if (lengths_m.length < 3 || !isSpread(spreadOf(lengths_m))) return null;
  const odd = lengths_m.filter((_, index) => !isSpread(spreadOf(lengths_m.toSpliced(index, 1))));
  return odd.length === 1 ? (odd[0] ?? null) : null;
}

function settingCautions(
  readings: readonly PoseReading[],
  { checks, movement, lift, datumKnown }: TapeSetting,
  order_m: number,
): readonly Caution[] {
  const read = (pose: Pose) => readings.some((reading) => reading.pose === pose);
  const unmade = checksFor(movement).filter((check) => !checks[check]);
  const open = (
    [
      ['controlsFinal', 'controls'],
      ['bracketsInPlace', 'brackets'],
    ] as const
  ).flatMap(([check, what]) => (unmade.includes(check) ? [what] : []));
  const missing = (['leftLock', 'rightLock'] as const).filter((lock) => unmade.includes(lock) && !read(lock));
  const bump = readings.filter((reading) => reading.pose === 'fullBump');
  const cautions: Caution[] = [];
  if (open.length > 0) cautions.push({ id: 'M02', evidence: { open } });
  if (!datumKnown) cautions.push({ id: 'M03', evidence: { length_m: order_m } });
  if (missing.length > 0) cautions.push({ id: 'M06', evidence: { missing } });
  if (unmade.includes('fullBump')) {
    const spare_m = bump.length > 0 ? order_m - Math.min(...bump.map((reading) => reading.length_m)) : null;
    cautions.push({ id: 'M05', evidence: { spare_m, loop: null } });
  }
  if (unmade.includes('crossedUp') && !read('crossedUp')) cautions.push({ id: 'M07', evidence: {} });
  if (lift && lift.droop_m === null) cautions.push({ id: 'M17', evidence: { lift_m: lift.height_m } });
  return cautions;
}

/** Until somebody measures it the wheel is taken to hang lower by as much as the vehicle stands higher. */
const droopOf = ({ height_m, droop_m }: Lift) => droop_m ?? height_m;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const spreadOf = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
