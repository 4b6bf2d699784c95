/** Quantities as text, in the unit a person prefers. Limits are rounded inward, never across. */
import { fromSI } from './convert.ts';
import { UNITS } from './unit.ts';
import type { UnitId } from './unitId.ts';

const THIN_SPACE = '\u2009';
const MINUS = '−';
const isFigure = (value_SI: number) => Math.abs(value_SI) <= MOST_PRINTED;
/** No quantity here is larger; beyond it a printed figure would say nothing. */
const MOST_PRINTED = 1e18;
/** What stands where a figure should and none is known. */
const NO_FIGURE = '–';

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
  if (!isFigure(value_SI)) return value_SI === Infinity ? '∞' : NO_FIGURE;
  const decimals = options.decimals ?? DECIMALS[unit];
  const scale = 10 ** decimals;
  const rounded = scaledTo(fromSI(value_SI, unit), scale, options.rounding ?? 'nearest');
  const text = Math.abs(rounded / scale).toFixed(decimals);
  const [whole = '', fraction] = text.split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole;
  const sign = rounded < 0 ? MINUS : '';
  return sign + grouped + (fraction === undefined ? '' : `.${fraction}`);
}

/** A figure times its scale as a whole number. */
function scaledTo(figure: number, scale: number, rounding: Rounding): number {
  const scaled = figure * scale;
  const noise = CONVERSION_NOISE * Math.max(1, Math.abs(scaled));
  if (rounding === 'up') return Math.ceil(scaled - noise);
  if (rounding === 'down') return Math.floor(scaled + noise);
  return Math.sign(scaled) * Math.round(Math.abs(scaled) + noise);
}

/** A rule in inches is divided into these. */
const RULE_DIVISION = 16;
/** Of a sixteenth: what the conversion to metres and back leaves. */
const RULE_NOISE = 1e-5;

/** "29 1/4" where a figure in inches falls on a line of the rule; null between two lines, and on a whole inch. */
export function inchFraction(value_SI: number): string | null {
  if (!isFigure(value_SI)) return null;
  const lines = fromSI(Math.abs(value_SI), 'in') * RULE_DIVISION;
  const line = Math.round(lines);
  if (Math.abs(lines - line) > RULE_NOISE || line % RULE_DIVISION === 0) return null;
  const whole = Math.floor(line / RULE_DIVISION);
  let [over, under] = [line % RULE_DIVISION, RULE_DIVISION];
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${value_SI < 0 ? MINUS : ''}${whole === 0 ? '' : `${whole} `}${over}/${under}`;
}

/** Figure and unit: `formatQuantity(0.742, 'mm') //=> '742 mm'` (thin space). */
export function formatQuantity(value_SI: number, unit: UnitId, options: FormatOptions = {}): string {
  const space = unit === 'deg' ? '' : THIN_SPACE;
  // A tape is read in sixteenths: what was typed so comes back so.
  const fraction =
    unit === 'in' && options.decimals === undefined && options.rounding === undefined
      ? inchFraction(value_SI)
      : null;
  return `${fraction ?? formatNumber(value_SI, unit, options)}${space}${UNITS[unit].symbol}`;
}

/**
 * A permitted range. Its limits are rounded inward, so that no printed figure lies outside:
 * 18–21 N·m is 13.3–15.4 lbf·ft, although 21 N·m is 15.49. A narrow one takes more decimals.
 */
export function formatRange(minimum_SI: number, maximum_SI: number, unit: UnitId, decimals?: number): string {
  if (!isFigure(minimum_SI) || !isFigure(maximum_SI)) return NO_FIGURE;
  const [low, high] = limitsInward(minimum_SI, maximum_SI, unit, decimals ?? DECIMALS[unit]);
  return `${trimZeros(low)}–${trimZeros(high)}${unit === 'deg' ? '' : THIN_SPACE}${UNITS[unit].symbol}`;
}

/** Enough for any two figures that differ by more than the noise of a conversion. */
const MOST_MORE_DECIMALS = 12;
const SAME_FIGURE_DECIMALS = 2;

/** With as many decimals as it takes for the lower limit not to pass the upper; of one and the same figure, that figure twice. */
function limitsInward(
  minimum_SI: number,
  maximum_SI: number,
  unit: UnitId,
  decimals: number,
): readonly [string, string] {
  const [from, to] = [fromSI(minimum_SI, unit), fromSI(maximum_SI, unit)];
  if (Math.abs(to - from) <= CONVERSION_NOISE * Math.abs(to)) {
    const figure = formatNumber(minimum_SI, unit, { decimals: decimals + SAME_FIGURE_DECIMALS });
    return [figure, figure];
  }
  for (let places = decimals; places <= decimals + MOST_MORE_DECIMALS; places += 1) {
    const scale = 10 ** places;
    const least = scaledTo(from, scale, 'up');
    const most = scaledTo(to, scale, 'down');
    if (least > most && minimum_SI <= maximum_SI) continue;
    return [
      formatNumber(minimum_SI, unit, { decimals: places, rounding: 'up' }),
      formatNumber(maximum_SI, unit, { decimals: places, rounding: 'down' }),
    ];
  }
  return [formatNumber(minimum_SI, unit), formatNumber(maximum_SI, unit)];
}

const trimZeros = (text: string) => text.replace(/\.0+$/, '');
