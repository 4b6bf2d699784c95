/** A length without a unit, or with one that no brake hose has. */
import type { Caution } from '../mistakes/caution.ts';
import { toSI } from '../units/convert.ts';
import type { UnitId } from '../units/unitId.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** Flexible brake hoses lie between these; our estimate, wide on purpose. */
export const SHORTEST_HOSE_m = 0.08;
export const LONGEST_HOSE_m = 4;

const HOSE_UNITS: readonly UnitId[] = ['mm', 'cm', 'in', 'm', 'ft'];

/**
 * Raises M04 with the units that would make sense. A number whose unit is stated and plausible raises nothing.
 * `unit` is null where none was typed.
 */
export function judgeUnit(number: number, unit: UnitId | null): readonly Caution[] {
  demand(unphysical({ number }));
  const plausible = (value_m: number) => value_m >= SHORTEST_HOSE_m && value_m <= LONGEST_HOSE_m;
  if (unit !== null && plausible(toSI(number, unit))) return [];
  const couldBe = HOSE_UNITS.filter((other) => other !== unit).flatMap((other) => {
    const length_m = toSI(number, other);
    return plausible(length_m) ? [{ unit: other, length_m }] : [];
  });
  return [{ id: 'M04', evidence: { number, unit, couldBe } }];
}
