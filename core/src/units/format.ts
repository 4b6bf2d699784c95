/** Quantities as text, in the unit a person prefers. Limits are rounded inward, never across. */
import { fromSI } from './convert.ts';
import { UNITS } from './unit.ts';
import type { UnitId } from './unitId.ts';

const THIN_SPACE = '\u2009';
const MINUS = '−';

/** How many decimals a reading of this unit deserves at the bench. */
const DECIMALS: Readonly<Record<UnitId, number>> = {
  mm: 0,
  cm: 1,
  m: 3,
  in: 2,
  ft: 2,
  km: 0,
  mi: 0,
  Nm: 1,
  lbf_ft: 1,
  lbf_in: 0,
  kgf_m: 2,
  kPa: 0,
  MPa: 2,
  bar: 1,
  psi: 0,
  degC: 0,
  degF: 0,
  mL: 0,
  L: 2,
  fl_oz: 1,
  deg: 0,
  percent: 1,
};

/** Guards `ceil` and `floor` against the last bits of a conversion: 21 N·m must stay 21. */
const CONVERSION_NOISE = 1e-9;

export type Rounding = 'nearest' | 'up' | 'down';

export interface FormatOptions {
  readonly decimals?: number;
  readonly rounding?: Rounding;
}

/** The figure alone, with a true minus sign and thousands set apart: `formatNumber(0.742, 'mm') //=> '742'`. */
export function formatNumber(value_SI: number, unit: UnitId, options: FormatOptions = {}): string {
  const decimals = options.decimals ?? DECIMALS[unit];
  const scale = 10 ** decimals;
  const scaled = fromSI(value_SI, unit) * scale;
  const noise = CONVERSION_NOISE * Math.max(1, Math.abs(scaled));
  const rounded =
    options.rounding === 'up'
      ? Math.ceil(scaled - noise)
      : options.rounding === 'down'
        ? Math.floor(scaled + noise)
        : Math.sign(scaled) * Math.round(Math.abs(scaled) + noise);
  const text = Math.abs(rounded / scale).toFixed(decimals);
  const [whole = '', fraction] = text.split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole;
  const sign = rounded < 0 ? MINUS : '';
  return sign + grouped + (fraction === undefined ? '' : `.${fraction}`);
}

/** Figure and unit: `formatQuantity(0.742, 'mm') //=> '742 mm'` (thin space). */
export function formatQuantity(value_SI: number, unit: UnitId, options: FormatOptions = {}): string {
  const space = unit === 'deg' ? '' : THIN_SPACE;
  return `${formatNumber(value_SI, unit, options)}${space}${UNITS[unit].symbol}`;
}

/**
 * A permitted range. Its limits are rounded inward, so that no printed figure lies outside:
 * 18–21 N·m is 13.3–15.4 lbf·ft, although 21 N·m is 15.49.
 */
export function formatRange(minimum_SI: number, maximum_SI: number, unit: UnitId, decimals?: number): string {
  const places = decimals === undefined ? {} : { decimals };
  const low = formatNumber(minimum_SI, unit, { ...places, rounding: 'up' });
  const high = formatNumber(maximum_SI, unit, { ...places, rounding: 'down' });
  return `${trimZeros(low)}–${trimZeros(high)}${unit === 'deg' ? '' : THIN_SPACE}${UNITS[unit].symbol}`;
}

const trimZeros = (text: string) => text.replace(/\.0+$/, '');
