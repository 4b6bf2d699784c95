/** A torque against the range of the fitted part, and the wrench it was reached with. */
import { fraction, torque } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { SourceId } from '../sources/bibliography.ts';

const LOWEST: Formula = { expression: 'T_low = 0.20·T_max', source: 'iso6789' };
const LOWEST_ON_SCALE: Formula = { expression: 'T_low = max(0.20·T_max, T_scale)', source: 'iso6789' };
const LIKELY: Formula = { expression: 'T = T_read·(1 ± δ)', source: 'iso6789' };

const TRUSTED_FROM = 0.2;
const SMALL_WRENCH_Nm = 10;
/** A reading this many times the limit is a slip of the pen or of the unit, not a torque. */
const IMPLAUSIBLE_TIMES = 3;

/** The permitted torque of a joint, always with where the figure comes from. `null`: nobody said. */
export interface TorqueRange {
  readonly minimum_Nm: number;
  readonly maximum_Nm: number;
  readonly source: SourceId | null;
}

export interface WrenchRange {
  readonly lowest_Nm: number;
  readonly highest_Nm: number;
  /** Permissible deviation of reading, as a fraction. */
  readonly deviation: number;
}

/**
 * From which torque up a wrench may be trusted, and how far its reading may be off. ISO 6789 (from memory). A scale that begins
 * higher than that is trusted from its beginning; null where nobody has said where it begins.
 */
export function wrenchRange(maximum_Nm: number, minimum_Nm: number | null = null): Result<WrenchRange> {
  const refused = firstNotPositive({ maximum_Nm, ...(minimum_Nm === null ? {} : { minimum_Nm }) });
  if (refused) return problem(refused);
  if (minimum_Nm !== null && minimum_Nm > maximum_Nm)
    return problem({ code: 'rangeUpsideDown', field: 'minimum_Nm' });
  const lowest_Nm = Math.max(TRUSTED_FROM * maximum_Nm, minimum_Nm ?? 0);
  const deviation = maximum_Nm > SMALL_WRENCH_Nm ? 0.04 : 0.06;
  return calculated({ lowest_Nm, highest_Nm: maximum_Nm, deviation }, [
    {
      formula: minimum_Nm === null ? LOWEST : LOWEST_ON_SCALE,
      inputs: [
        term('T_max', 'wrenchMaximum', torque(maximum_Nm)),
        ...(minimum_Nm === null ? [] : [term('T_scale', 'wrenchMinimum', torque(minimum_Nm))]),
      ],
      result: term('T_low', 'wrenchLowest', torque(lowest_Nm)),
    },
  ]);
}

export type TorqueVerdict = 'below' | 'within' | 'above';

export interface TorqueJudgement {
  readonly verdict: TorqueVerdict;
  readonly wrench: WrenchRange;
  /** Whether the reading lies where the wrench may be trusted. */
  readonly wrenchTrusted: boolean;
  /** What the joint may really have, given the wrench's permissible deviation. */
  readonly likelyLow_Nm: number;
  readonly likelyHigh_Nm: number;
}

/**
 * Judges the torque of a joint. Raises M71 (over the limit), M72 (wrench outside its trusted range), M74 (range without source).
 * `shown_Nm`: what the wrench showed, where a crowfoot makes that another figure; the wrench is trusted by it.
 * Problem: a reading so far over that it must be a slip.
 */
export function judgeTorque(
  reading_Nm: number,
  range: TorqueRange,
  wrenchMaximum_Nm: number,
  wrenchMinimum_Nm: number | null = null,
  shown_Nm: number = reading_Nm,
): Result<TorqueJudgement> {
  const refused = firstNotPositive({
    reading_Nm,
    shown_Nm,
    minimum_Nm: range.minimum_Nm,
    maximum_Nm: range.maximum_Nm,
  });
  if (refused) return problem(refused);
  if (range.minimum_Nm > range.maximum_Nm) return problem({ code: 'rangeUpsideDown', field: 'minimum_Nm' });
  if (reading_Nm > IMPLAUSIBLE_TIMES * range.maximum_Nm) {
    return problem({
      code: 'torqueImplausible',
      field: 'reading_Nm',
      reading_Nm,
      maximum_Nm: range.maximum_Nm,
    });
  }
  const wrench = wrenchRange(wrenchMaximum_Nm, wrenchMinimum_Nm);
  if (!wrench.ok) return wrench;

  const judgement = judgementOf(reading_Nm, shown_Nm, range, wrench.value);
  const result = calculated(
    judgement,
    workingOf(reading_Nm, range, judgement, wrench.working),
    cautionsOf(reading_Nm, range, judgement),
  );
  // A range that nobody vouches for must not cite anybody.
  return range.source === null
    ? { ...result, sources: result.sources.filter((id) => id !== 'hoseMaker') }
    : result;
}

function judgementOf(
  reading_Nm: number,
  shown_Nm: number,
  range: TorqueRange,
  wrench: WrenchRange,
): TorqueJudgement {
  // Conversion noise only: 15.5 lbf·ft must not creep over 21 N·m or under it by the last bit.
  const noise_Nm = 1e-9 * range.maximum_Nm;
  const { lowest_Nm, highest_Nm, deviation } = wrench;
  return {
    verdict:
      reading_Nm < range.minimum_Nm - noise_Nm
        ? 'below'
        : reading_Nm > range.maximum_Nm + noise_Nm
          ? 'above'
          : 'within',
    wrench,
    wrenchTrusted: shown_Nm >= lowest_Nm - noise_Nm && shown_Nm <= highest_Nm + noise_Nm,
    likelyLow_Nm: reading_Nm * (1 - deviation),
    likelyHigh_Nm: reading_Nm * (1 + deviation),
  };
}

function cautionsOf(
  reading_Nm: number,
  { maximum_Nm, source }: TorqueRange,
  { verdict, wrench: { lowest_Nm, highest_Nm }, wrenchTrusted }: TorqueJudgement,
): readonly Caution[] {
  return [
    ...(verdict === 'above' ? [{ id: 'M71' as const, evidence: { reading_Nm, maximum_Nm } }] : []),
    ...(wrenchTrusted ? [] : [{ id: 'M72' as const, evidence: { lowest_Nm, highest_Nm, isInRange: false } }]),
    ...(source === null ? [{ id: 'M74' as const, evidence: {} }] : []),
  ];
}

function workingOf(
  reading_Nm: number,
  { minimum_Nm, maximum_Nm, source }: TorqueRange,
  { wrench, likelyLow_Nm, likelyHigh_Nm }: TorqueJudgement,
  ofWrench: readonly WorkingStep[],
): readonly WorkingStep[] {
  const reading = term('T_read', 'torqueReading', torque(reading_Nm));
  const inputs = [reading, term('δ', 'wrenchDeviation', fraction(wrench.deviation))];
  return [
    {
      formula: { expression: 'T_min ≤ T_read ≤ T_max', source: source ?? 'hoseMaker' },
      inputs: [
        term('T_min', 'torqueMinimum', torque(minimum_Nm)),
        term('T_max', 'torqueMaximum', torque(maximum_Nm)),
      ],
      result: reading,
    },
    ...ofWrench,
    { formula: LIKELY, inputs, result: term('T_lo', 'torqueLow', torque(likelyLow_Nm)) },
    { formula: LIKELY, inputs, result: term('T_hi', 'torqueHigh', torque(likelyHigh_Nm)) },
  ];
}
