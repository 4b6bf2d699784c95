/** Writes quantities in the units a person reads. Screen and paper share it, so that they never differ. */
import type { Quantity, UnitPreferences } from '@zephyrcombe/core';
import { formatQuantity, formatRange } from '@zephyrcombe/core';
import { dayIn, ownTimeZone, timeIn } from '@zephyrcombe/contract';

export interface Writer {
  readonly units: UnitPreferences;
  length(value_m: number): string;
  lengthRange(shortest_m: number, longest_m: number): string;
  /** To hundredths of a millimetre, or thousandths of an inch. */
  fineLength(value_m: number): string;
  torque(value_Nm: number): string;
  torqueRange(minimum_Nm: number, maximum_Nm: number): string;
  volume(value_m3: number): string;
  distance(value_m: number): string;
  angle(value_rad: number): string;
  fraction(value: number): string;
  /** A calendar date as it is; an instant as the shop's calendar day. */
  date(iso: string): string;
  /** An instant as the shop's day and time, short: "23 Nov 2026, 14:05". */
  moment(iso: string): string;
  quantity(quantity: Quantity): string;
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** "23 November 2026": a calendar date, written without a time zone in between. */
export function writeDate(iso: string): string {
  const [year, month, day] = iso.split('-').map(Number);
  return `${day} ${MONTHS[(month ?? 1) - 1]} ${year}`;
}

const shortMonth = (date: string) => date.replace(/\p{L}+/u, (month) => month.slice(0, 3));

/** Exact by definition of the pound and of standard gravity. */
const POUND_FORCE_N = 4.4482216152605;
const INCH_m = 0.0254;
/** Avoirdupois, exact since 1959. */
const OUNCE_kg = 0.028349523125;

/** @param timeZone The shop's, by its IANA name; the process's own where nothing else is known. */
export function createWriter(units: UnitPreferences, timeZone: string = ownTimeZone()): Writer {
  const date = (iso: string) => writeDate(iso.includes('T') ? dayIn(timeZone, new Date(iso)) : iso);
  const torque = (value_Nm: number) => formatQuantity(value_Nm, units.torque);
  const writer: Writer = {
    units,
    // Small parts need more than whole millimetres: a 1.5 mm washer is not a 2 mm one.
    length: (value_m) =>
      formatQuantity(
        value_m,
        units.length,
        needsTenths(value_m, units) ? { decimals: units.length === 'in' ? 3 : 1 } : {},
      ),
    lengthRange: (shortest_m, longest_m) => formatRange(shortest_m, longest_m, units.length),
    fineLength: (value_m) =>
      units.length === 'in'
        ? formatQuantity(value_m, 'in', { decimals: 3 })
        : formatQuantity(value_m, 'mm', { decimals: 2 }),
    torque,
    torqueRange: (minimum_Nm, maximum_Nm) => formatRange(minimum_Nm, maximum_Nm, units.torque),
    volume: (value_m3) => formatQuantity(value_m3, units.volume, value_m3 < 1e-5 ? { decimals: 2 } : {}),
    distance: (value_m) => formatQuantity(value_m, units.distance),
    angle: (value_rad) => formatQuantity(value_rad, units.angle),
    fraction: (value) => formatQuantity(value, units.fraction),
    date,
    moment: (iso) => `${shortMonth(date(iso))}, ${timeIn(timeZone, new Date(iso))}`,
    quantity(quantity) {
      switch (quantity.kind) {
        case 'count':
          return String(quantity.count);
        case 'ratio':
          return String(Number(quantity.ratio.toPrecision(4)));
        case 'months':
          return quantity.months === 1 ? '1 month' : `${quantity.months} months`;
        case 'date':
          return writeDate(quantity.date);
        case 'length':
          return writer.length(quantity.value_SI);
        case 'fineLength':
          return writer.fineLength(quantity.value_SI);
        case 'mass':
          return units.length === 'in'
            ? `${(quantity.value_SI / OUNCE_kg).toFixed(1)}\u2009oz`
            : `${Math.round(quantity.value_SI * 1000)}\u2009g`;
        case 'force':
          return units.length === 'in'
            ? `${Math.round(quantity.value_SI / POUND_FORCE_N)}\u2009lbf`
            : `${(quantity.value_SI / 1000).toFixed(1)}\u2009kN`;
        case 'area':
          return units.length === 'in'
            ? `${(quantity.value_SI / INCH_m ** 2).toFixed(4)}\u2009in²`
            : `${(quantity.value_SI * 1e6).toFixed(1)}\u2009mm²`;
        case 'stress':
          return units.length === 'in'
            ? `${Math.round((quantity.value_SI * INCH_m ** 2) / POUND_FORCE_N)}\u2009psi`
            : `${Math.round(quantity.value_SI / 1e6)}\u2009MPa`;
        case 'torque':
          return torque(quantity.value_SI);
        case 'volume':
          return writer.volume(quantity.value_SI);
        case 'distance':
          return writer.distance(quantity.value_SI);
        case 'angle':
          return writer.angle(quantity.value_SI);
        case 'fraction':
          return writer.fraction(quantity.value_SI);
        case 'pressure':
        case 'temperature':
          return formatQuantity(quantity.value_SI, units[quantity.kind]);
      }
    },
  };
  return writer;
}

function needsTenths(value_m: number, units: UnitPreferences): boolean {
  const isWholeMillimetre = Math.abs(value_m * 1000 - Math.round(value_m * 1000)) < 1e-6;
  return Math.abs(value_m) < 0.05 && (units.length === 'in' || (units.length === 'mm' && !isWholeMillimetre));
}
