/** Air that is left, from one soft and one firm pull at the lever, with what the readings leave open. */
import { firstNotPositive } from '../../calculation/problem.ts';
import { unphysical } from '../../calculation/physical.ts';
import type { Result } from '../../calculation/result.ts';
import { calculated, problem } from '../../calculation/result.ts';
import type { TravelMaster, TravelReading } from '../../hydraulics/leverTravel.ts';
import { apartWorking, solvedApart } from '../../hydraulics/leverTravel.ts';

/** A rule at the end of a lever, and a gauge or a spring balance: one standard deviation each. Ours, no published source. */
export const TRAVEL_ERROR_m = 0.0005;
export const PRESSURE_ERROR = 0.03;
/** Nearer than this a half millimetre is any amount of air. Ours. */
export const LEAST_PULLS_APART = 3;
/** Further from nothing than so many of its errors, an amount below nothing is no chance. */
const NO_CHANCE = 3;

export interface AirFromPulls {
  /** At atmosphere; a little below nothing where the readings are off: it is kept so, or the middle of many would be too high. */
  readonly air_m3: number;
  /** One standard deviation. */
  readonly error_m3: number;
  readonly compliance_m3_per_Pa: number;
}

/**
 * Problem: pulls nearer to each other than one to three, or that no amount of air explains. Pads that come up and pistons that roll back
 * look like air.
 */
export function airFromPulls(
  master: TravelMaster,
  soft: TravelReading,
  firm: TravelReading,
): Result<AirFromPulls> {
  const refused =
    firstNotPositive({ masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }) ??
    unphysical({ soft, firm }, { positive: ['pressure_Pa', 'lever_m'] });
  if (refused) return problem(refused);
  if (firm.pressure_Pa < LEAST_PULLS_APART * soft.pressure_Pa)
    return problem({ code: 'readingsTooNear', field: 'firm.pressure_Pa', times: LEAST_PULLS_APART });
  const { air_m3, compliance_m3_per_Pa } = solvedApart(master, soft, firm);
  const off = (reading: TravelReading): readonly TravelReading[] => [
    { ...reading, lever_m: reading.lever_m + TRAVEL_ERROR_m },
    { ...reading, pressure_Pa: reading.pressure_Pa * (1 + PRESSURE_ERROR) },
  ];
  // By how much the answer moves when one reading is off by its error.
  const moves = [
    ...off(soft).map((other) => solvedApart(master, other, firm).air_m3 - air_m3),
    ...off(firm).map((other) => solvedApart(master, soft, other).air_m3 - air_m3),
  ];
  const error_m3 = Math.hypot(...moves);
  if (air_m3 < -NO_CHANCE * error_m3) return problem({ code: 'readingsDisagree', field: 'soft.lever_m' });
  if (compliance_m3_per_Pa < 0) return problem({ code: 'readingsDisagree', field: 'firm.lever_m' });
  return calculated({ air_m3, error_m3, compliance_m3_per_Pa }, apartWorking(soft, firm, air_m3));
}
