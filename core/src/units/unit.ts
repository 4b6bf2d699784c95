/**
 * The units people read and type, and their exact factors to SI.
 *
 * Factors are exact by definition: inch 0.0254 m and pound 0.45359237 kg (international yard and pound
 * agreement, 1959), standard gravity 9.80665 m/s² (CGPM 1901), US gallon 231 in³. Checked against GNU units
 * in `units.reference.test.ts`.
 */
import type { UnitId } from './unitId.ts';

/** What a quantity measures. `length` is workshop lengths; `distance` is what the odometer counts. */
export type QuantityKind =
  'length' | 'distance' | 'torque' | 'pressure' | 'temperature' | 'volume' | 'angle' | 'fraction';

/** One unit: `SI value = written value × factor + offset`. */
export interface Unit {
  readonly id: UnitId;
  readonly kind: QuantityKind;
  /** How it is printed after a figure. */
  readonly symbol: string;
  /** Other ways people write it, lower case, without dots and spaces. */
  readonly spellings: readonly string[];
  readonly factor: number;
  /** Only absolute temperatures have one. */
  readonly offset: number;
}

const INCH_m = 0.0254;
const FOOT_m = 12 * INCH_m;
const POUND_FORCE_N = 0.45359237 * 9.80665;
const US_FLUID_OUNCE_m3 = (231 * INCH_m ** 3) / 128;

const unit = (
  id: UnitId,
  kind: QuantityKind,
  symbol: string,
  factor: number,
  spellings: readonly string[],
  offset = 0,
): Unit => ({ id, kind, symbol, factor, spellings, offset });

/** Every unit the application knows. */
export const UNITS: Readonly<Record<UnitId, Unit>> = {
  mm: unit('mm', 'length', 'mm', 1e-3, ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters']),
  cm: unit('cm', 'length', 'cm', 1e-2, ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters']),
  m: unit('m', 'length', 'm', 1, ['m', 'metre', 'metres', 'meter', 'meters']),
  in: unit('in', 'length', 'in', INCH_m, ['in', 'inch', 'inches', '"', '″', "''"]),
  ft: unit('ft', 'length', 'ft', FOOT_m, ['ft', 'foot', 'feet', "'", '′']),
  km: unit('km', 'distance', 'km', 1000, ['km', 'kilometre', 'kilometres', 'kilometer', 'kilometers']),
  mi: unit('mi', 'distance', 'mi', 5280 * FOOT_m, ['mi', 'mile', 'miles']),
  Nm: unit('Nm', 'torque', 'N·m', 1, ['nm', 'newtonmetre', 'newtonmetres', 'newtonmeter', 'newtonmeters']),
  lbf_ft: unit('lbf_ft', 'torque', 'lbf·ft', POUND_FORCE_N * FOOT_m, [
    'lbfft',
    'ftlbf',
    'ftlb',
    'ftlbs',
    'lbft',
    'lbsft',
    'footpound',
    'footpounds',
    'poundfoot',
  ]),
  lbf_in: unit('lbf_in', 'torque', 'lbf·in', POUND_FORCE_N * INCH_m, [
    'lbfin',
    'inlbf',
    'inlb',
    'inlbs',
    'lbin',
    'lbsin',
    'inchpound',
    'inchpounds',
    'poundinch',
  ]),
  kgf_m: unit('kgf_m', 'torque', 'kgf·m', 9.80665, ['kgfm', 'mkgf', 'kgm', 'mkg']),
  kPa: unit('kPa', 'pressure', 'kPa', 1e3, ['kpa']),
  MPa: unit('MPa', 'pressure', 'MPa', 1e6, ['mpa']),
  bar: unit('bar', 'pressure', 'bar', 1e5, ['bar', 'bars']),
  psi: unit('psi', 'pressure', 'psi', POUND_FORCE_N / INCH_m ** 2, [
    'psi',
    'lbf/in2',
    'lbf/in²',
    'lb/in2',
    'lb/in²',
    'lbs/in2',
  ]),
  degC: unit('degC', 'temperature', '°C', 1, ['°c', 'c', 'degc', 'celsius'], 273.15),
  degF: unit('degF', 'temperature', '°F', 5 / 9, ['°f', 'f', 'degf', 'fahrenheit'], 273.15 - (32 * 5) / 9),
  mL: unit('mL', 'volume', 'mL', 1e-6, ['ml', 'cc', 'cm3', 'cm³', 'millilitre', 'millilitres']),
  L: unit('L', 'volume', 'L', 1e-3, ['l', 'litre', 'litres', 'liter', 'liters']),
  fl_oz: unit('fl_oz', 'volume', 'fl oz', US_FLUID_OUNCE_m3, ['floz', 'fluidounce', 'fluidounces', 'oz']),
  deg: unit('deg', 'angle', '°', Math.PI / 180, ['°', 'deg', 'degree', 'degrees']),
  percent: unit('percent', 'fraction', '%', 0.01, ['%', 'percent', 'pc']),
};

/** The units of one kind, in the order they are offered. */
export function unitsOf(kind: QuantityKind): readonly Unit[] {
  return Object.values(UNITS).filter((candidate) => candidate.kind === kind);
}
