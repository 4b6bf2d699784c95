/** What must be true before a torque is recorded against a joint. */
import type { Result } from '../calculation/result.ts';
import { calculated } from '../calculation/result.ts';
import type { Adapter } from '../joint/crowfoot.ts';
import { judgeCalibration } from '../joint/calibration.ts';
import { crowfootSetting, crowfootTorque } from '../joint/crowfoot.ts';
import { washersNeeded } from '../joint/washers.ts';
import type { TorqueJudgement, TorqueRange } from '../joint/torque.ts';
import { judgeTorque } from '../joint/torque.ts';
import type { SealKind } from '../joint/sealKind.ts';
import type { Caution } from '../mistakes/caution.ts';

export interface TorqueAttempt {
  readonly seal: SealKind;
  readonly eyes: number;
  readonly freshWashers: number;
  /** What was read on the wrench. */
  readonly reading_Nm: number;
  readonly range: TorqueRange;
  readonly wrenchMaximum_Nm: number;
  /** Where its scale begins, where somebody has said. */
  readonly wrenchMinimum_Nm?: number | null;
  /** A crowfoot or an extension on the wrench; without one the joint has what was read. */
  readonly adapter?: Adapter | null;
  /** When the wrench was calibrated, null where nobody has said, and the day of the attempt; left out, it is not asked. */
  readonly calibration?: { readonly calibratedOn: string | null; readonly today: string };
}

export interface AttemptJudgement extends TorqueJudgement {
  /** What the joint has. */
  readonly joint_Nm: number;
}

/**
 * The torque's own judgement plus fresh washers (M57, banjo joints only) and a crowfoot that nobody allowed for (M73: what was read
 * lies in the range of the joint, what the joint has does not). Whether it had settled the plan of fitting says.
 */
export function judgeTorqueAttempt(attempt: TorqueAttempt): Result<AttemptJudgement> {
  const { reading_Nm, range, wrenchMaximum_Nm, wrenchMinimum_Nm = null, adapter = null } = attempt;
  const reached =
    adapter === null ? calculated(reading_Nm, []) : crowfootTorque({ ...adapter, read_Nm: reading_Nm });
  if (!reached.ok) return reached;
  const judged = judgeTorque(reached.value, range, wrenchMaximum_Nm, wrenchMinimum_Nm, reading_Nm);
  if (!judged.ok) return judged;
  const washers = attempt.seal === 'banjo' ? washersNeeded(attempt.eyes, attempt.freshWashers) : null;
  if (washers !== null && !washers.ok) return washers;
  return {
    ...judged,
    value: { ...judged.value, joint_Nm: reached.value },
    working: [...reached.working, ...judged.working],
    sources: [...new Set([...reached.sources, ...judged.sources])],
    cautions: [
      ...(adapter !== null && judged.value.verdict !== 'within'
        ? uncorrected(reading_Nm, range, adapter)
        : []),
      ...withCalibration(judged, attempt.calibration),
      ...(washers?.cautions ?? []),
    ],
  };
}

/** M72, too, of a wrench whose calibration is too old: one caution of one wrench. */
function withCalibration(
  { value, cautions }: { readonly value: TorqueJudgement; readonly cautions: readonly Caution[] },
  calibration: TorqueAttempt['calibration'],
): readonly Caution[] {
  const { calibratedOn = null, today } = calibration ?? {};
  if (today === undefined || calibratedOn === null || judgeCalibration(calibratedOn, today) !== 'stale')
    return cautions;
  const { lowest_Nm, highest_Nm } = value.wrench;
  const stale: Caution = {
    id: 'M72',
    evidence: { lowest_Nm, highest_Nm, isInRange: value.wrenchTrusted, calibratedOn },
  };
  return [...cautions.filter(({ id }) => id !== 'M72'), stale];
}

/** The wrench was set to the figure of the joint, as if nothing were on it. */
function uncorrected(
  reading_Nm: number,
  { minimum_Nm, maximum_Nm }: TorqueRange,
  adapter: Adapter,
): readonly Caution[] {
  const noise_Nm = 1e-9 * maximum_Nm;
  if (reading_Nm < minimum_Nm - noise_Nm || reading_Nm > maximum_Nm + noise_Nm) return [];
  const low = crowfootSetting({ ...adapter, target_Nm: minimum_Nm });
  const high = crowfootSetting({ ...adapter, target_Nm: maximum_Nm });
  return low.ok && high.ok
    ? [
        {
          id: 'M73',
          evidence: { setLow_Nm: low.value, setHigh_Nm: high.value, minimum_Nm, maximum_Nm },
        },
      ]
    : [];
}
