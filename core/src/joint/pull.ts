/** One pull of a torque wrench that tells torque over angle: how far it turned, and whether it was a good one. */
import { angle, torque } from '../calculation/quantity.ts';
import { unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { toSI } from '../units/convert.ts';

const TURN: Formula = {
  expression: 'θ = θ_peak − θ_snug, θ_snug where T = 0.1·T_set',
  source: 'tighteningCurve',
};

export interface PullSample {
  /** From the first sample of the pull on. */
  readonly at_s: number;
  /** Turned so far, tightening. */
  readonly angle_rad: number;
  readonly torque_Nm: number;
}

export interface Pull {
  readonly samples: readonly PullSample[];
  /** What the wrench was set to. */
  readonly set_Nm: number;
}

/**
 * What can be seen in a pull. `unitPoundFeet`, `unitPoundInches`: its figures are that unit's, not newton metres. `secondPull`: it
 * was let go and pulled once more. `overshoot`: pulled on well past its setting. `yielding`: it turned on while the torque hardly
 * rose any more. `gap`: some of it was not heard. `notReached`: it stayed under its setting.
 */
export const PULL_FINDINGS = [
  'unitPoundFeet',
  'unitPoundInches',
  'notReached',
  'overshoot',
  'secondPull',
  'yielding',
  'gap',
] as const;
export type PullFinding = (typeof PULL_FINDINGS)[number];

export interface PullJudgement {
  readonly peak_Nm: number;
  readonly peakAt_s: number;
  /** From where it began to bite to the peak. */
  readonly turn_rad: number;
  readonly findings: readonly PullFinding[];
}

/** ISO 6789 allows 4 % (from memory); a little more is the hand. The rest: common practice, no published source. */
const OVER = 1.08;
const UNDER = 0.92;
const SNUG = 0.1;
/** Let go in between: the torque fell under this share of the setting. */
const LET_GO = 0.5;
const PULLED = 0.9;
/** The last rise is this much flatter than the one before it. */
const FLAT = 0.35;
const GAP_TIMES = 6;
const OTHER_UNITS = [
  ['unitPoundFeet', toSI(1, 'lbf_ft')],
  ['unitPoundInches', toSI(1, 'lbf_in')],
] as const;

/** Judges a pull from its samples, in the order they came. Problems: a figure without meaning; fewer than two samples. */
export function judgePull({ samples, set_Nm }: Pull): Result<PullJudgement> {
  const refused = firstNotPositive({ set_Nm }) ?? unphysical({ samples });
  if (refused) return problem(refused);
  const at = peakOf(samples);
  const peak = samples[at];
  if (samples.length < 2 || !peak) return problem({ code: 'tooFewPoints', field: 'samples' });
  if (!(peak.torque_Nm > 0))
    return problem({ code: 'notPositive', field: 'samples.0.torque_Nm', value: peak.torque_Nm });
  const snug = samples.slice(0, at).findLast(({ torque_Nm }) => torque_Nm <= SNUG * set_Nm) ?? samples[0];
  const from_rad = snug?.angle_rad ?? 0;
  const turn_rad = Math.max(peak.angle_rad - from_rad, 0);
  const unit = OTHER_UNITS.find(([, factor]) => isNear(peak.torque_Nm * factor, set_Nm));
  const findings: readonly (PullFinding | false | undefined)[] = unit
    ? [unit[0], hasGap(samples) && 'gap']
    : [
        peak.torque_Nm < UNDER * set_Nm && 'notReached',
        peak.torque_Nm > OVER * set_Nm && 'overshoot',
        pullsIn(samples, set_Nm) > 1 && 'secondPull',
        isYielding(samples.slice(0, at + 1), set_Nm) && 'yielding',
        hasGap(samples) && 'gap',
      ];
  return calculated(
    {
      peak_Nm: peak.torque_Nm,
      peakAt_s: peak.at_s,
      turn_rad,
      findings: findings.filter((one): one is PullFinding => typeof one === 'string'),
    },
    [
      {
        formula: TURN,
        inputs: [
          term('T_set', 'wrenchSetting', torque(set_Nm)),
          term('T_peak', 'torqueReading', torque(peak.torque_Nm)),
          term('θ_snug', 'turnedAtSnug', angle(from_rad)),
          term('θ_peak', 'turnedAtPeak', angle(peak.angle_rad)),
        ],
        result: term('θ', 'turnedTight', angle(turn_rad)),
      },
    ],
  );
}

/** Whether a finding says that the figure is none: nothing is tightened on, and nothing recorded, on its word. */
export const isNoFigure = (finding: PullFinding): boolean =>
  finding === 'unitPoundFeet' || finding === 'unitPoundInches';

const isNear = (torque_Nm: number, set_Nm: number): boolean =>
  torque_Nm >= UNDER * set_Nm && torque_Nm <= OVER * set_Nm;

const peakOf = (samples: readonly PullSample[]): number =>
  samples.reduce(
    (best, { torque_Nm }, index) => (torque_Nm > (samples[best]?.torque_Nm ?? 0) ? index : best),
    0,
  );

/** How often the torque rose to the setting after it had been let go. */
function pullsIn(samples: readonly PullSample[], set_Nm: number): number {
  let pulls = 0;
  let isPulled = false;
  for (const { torque_Nm } of samples) {
    if (!isPulled && torque_Nm >= PULLED * set_Nm) {
      isPulled = true;
      pulls += 1;
    } else if (isPulled && torque_Nm < LET_GO * set_Nm) isPulled = false;
  }
  return pulls;
}

/** Torque per angle over the last rise against the one before it. */
function isYielding(rise: readonly PullSample[], set_Nm: number): boolean {
  const peak_Nm = rise.at(-1)?.torque_Nm ?? 0;
  if (peak_Nm < PULLED * set_Nm) return false;
  const slope = (low: number, high: number): number | null => {
    const from = rise.findLastIndex(({ torque_Nm }) => torque_Nm <= low * peak_Nm);
    const to = rise.findIndex(({ torque_Nm }, index) => index > from && torque_Nm >= high * peak_Nm);
    const [first, last] = [rise[from], rise[to]];
    if (!first || !last || !(last.angle_rad > first.angle_rad)) return null;
    return (last.torque_Nm - first.torque_Nm) / (last.angle_rad - first.angle_rad);
  };
  const before = slope(0.4, 0.75);
  const last = slope(0.85, 1);
  return before !== null && last !== null && last < FLAT * before;
}

function hasGap(samples: readonly PullSample[]): boolean {
  const steps_s = samples.slice(1).map(({ at_s }, index) => at_s - (samples[index]?.at_s ?? at_s));
  const usual_s = steps_s.toSorted((a, b) => a - b)[Math.floor(steps_s.length / 2)] ?? 0;
  return usual_s > 0 && steps_s.some((step_s) => step_s > GAP_TIMES * usual_s);
}
