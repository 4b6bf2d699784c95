import type { UnitId } from './unitId.ts';
import { UNITS } from './unit.ts';

/**
 * A written value in SI.
 * @example toSI(8.5, 'in') //=> 0.2159
 * @example toSI(20, 'degC') //=> 293.15
 */
export function toSI(value: number, unit: UnitId): number {
  return value * UNITS[unit].factor + UNITS[unit].offset;
}

/**
 * An SI value in the unit asked for.
 * @example fromSI(0.2159, 'in') //=> 8.5
 */
export function fromSI(value_SI: number, unit: UnitId): number {
  return (value_SI - UNITS[unit].offset) / UNITS[unit].factor;
}
