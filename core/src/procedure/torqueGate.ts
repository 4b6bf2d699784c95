/** What must be true before a torque is recorded against a joint. */
import type { Result } from '../calculation/result.ts';
import { washersNeeded } from '../joint/washers.ts';
import type { TorqueJudgement, TorqueRange } from '../joint/torque.ts';
import { judgeTorque } from '../joint/torque.ts';
import type { SealKind } from '../joint/sealKind.ts';

export interface TorqueAttempt {
  readonly seal: SealKind;
  readonly eyes: number;
  readonly freshWashers: number;
  readonly reading_Nm: number;
  readonly range: TorqueRange;
  readonly wrenchMaximum_Nm: number;
  /** Where its scale begins, where somebody has said. */
  readonly wrenchMinimum_Nm?: number | null;
}

/** The torque's own judgement plus fresh washers (M57, banjo joints only). Whether it had settled the plan of fitting says. */
export function judgeTorqueAttempt(attempt: TorqueAttempt): Result<TorqueJudgement> {
  const { reading_Nm, range, wrenchMaximum_Nm, wrenchMinimum_Nm = null } = attempt;
  const judged = judgeTorque(reading_Nm, range, wrenchMaximum_Nm, wrenchMinimum_Nm);
  if (!judged.ok) return judged;
  const washers = attempt.seal === 'banjo' ? washersNeeded(attempt.eyes, attempt.freshWashers) : null;
  if (washers !== null && !washers.ok) return washers;
  return { ...judged, cautions: [...judged.cautions, ...(washers?.cautions ?? [])] };
}
