/** Typed text to a quantity: generous about spelling, strict about what could mean two things. */
import { fromSI, toSI } from './convert.ts';
import { GROUPED_BY_APOSTROPHES, readNumber } from './number.ts';
import type { QuantityKind, Unit } from './unit.ts';
import { unitsOf } from './unit.ts';
import type { UnitId } from './unitId.ts';

/** Why a text is not a quantity; the interface has a sentence for each. */
export type ParseFailure =
  | { readonly reason: 'empty' }
  | { readonly reason: 'notANumber' }
  | { readonly reason: 'ambiguousComma' }
  | { readonly reason: 'zeroDenominator' }
  | { readonly reason: 'belowAbsoluteZero'; readonly unit: UnitId }
  | { readonly reason: 'unknownUnit'; readonly typedUnit: string }
  /** A bare number: the units it could have, and what it would then be in SI. */
  | { readonly reason: 'unitMissing'; readonly number: number; readonly couldBe: readonly UnitId[] };

export type ParsedQuantity =
  | { readonly ok: true; readonly value_SI: number; readonly unit: UnitId; readonly value: number }
  | ({ readonly ok: false } & ParseFailure);

/**
 * Reads a quantity as typed.
 * @example parseQuantity('8 1/2 in', 'length') //=> { ok: true, value_SI: 0.2159, unit: 'in', value: 8.5 }
 * @example parseQuantity('144 in-lb', 'torque') //=> { ok: true, value_SI: 16.27, unit: 'lbf_in', value: 144 }
 * @example parseQuantity('45', 'angle') //=> { ok: true, value_SI: 0.785, unit: 'deg', value: 45 }: there is no other unit
 * @example parseQuantity('742', 'length') //=> { ok: false, reason: 'unitMissing', … }
 */
export function parseQuantity(text: string, kind: QuantityKind): ParsedQuantity {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, reason: 'empty' };
  const feetAndInches = kind === 'length' ? readFeetAndInches(trimmed) : null;
  if (feetAndInches) return feetAndInches;

  const split = splitUnit(trimmed, kind);
  const number = readNumber(split.number);
  if (!number.ok) {
    // "25 cm^3" as a length: the figure is sound, its unit is not.
    const unitText = unknownUnitOf(trimmed);
    return unitText === null
      ? { ok: false, reason: number.reason }
      : { ok: false, reason: 'unknownUnit', typedUnit: unitText };
  }
  // An odometer shows thousands: one comma or point before three figures may be either.
  if (kind === 'distance' && /^[1-9]\d{0,2}[.,]\d{3}$/.test(split.number.trim()))
    return { ok: false, reason: 'ambiguousComma' };
  if (split.unit === null) {
    if (split.unitText !== '') return { ok: false, reason: 'unknownUnit', typedUnit: split.unitText };
    const [only, ...others] = unitsOf(kind);
    // Where there is one unit, a bare number can only be in it.
    if (only && others.length === 0)
      return { ok: true, value: number.value, unit: only.id, value_SI: toSI(number.value, only.id) };
    return {
      ok: false,
      reason: 'unitMissing',
      number: number.value,
      couldBe: unitsOf(kind).map((candidate) => candidate.id),
    };
  }
  const value_SI = toSI(number.value, split.unit.id);
  if (kind === 'temperature' && value_SI < 0)
    return { ok: false, reason: 'belowAbsoluteZero', unit: split.unit.id };
  return { ok: true, value: number.value, unit: split.unit.id, value_SI };
}

/** What stands behind a number, where that is a word or sign with a digit in it that is no unit here. */
function unknownUnitOf(text: string): string | null {
  const match = /^([-−–+]?[\d.,'’\s/½¼¾⅛⅜⅝⅞⅓⅔]*[\d½¼¾⅛⅜⅝⅞⅓⅔])\s*([a-zµ°/][a-zµ°/^·.*-]*\d?)$/i.exec(text);
  return match && readNumber(match[1] ?? '').ok ? (match[2] ?? '') : null;
}

interface Split {
  readonly number: string;
  readonly unit: Unit | null;
  readonly unitText: string;
}

/** The number is everything up to the last digit or vulgar fraction; the unit is the rest. */
function splitUnit(text: string, kind: QuantityKind): Split {
  const match = /^(.*[\d½¼¾⅛⅜⅝⅞⅓⅔])(.*)$/s.exec(text);
  // A digit may belong to the unit: cm3, in2.
  const exponent = /^(.*?\d)\s*([a-z/]+\^?[23])$/i.exec(text);
  for (const candidate of [exponent, match]) {
    if (!candidate) continue;
    const unitText = (candidate[2] ?? '').trim();
    const unit = findUnit(unitText, kind);
    if (unit) return { number: candidate[1] ?? '', unit, unitText };
  }
  return { number: match?.[1] ?? text, unit: null, unitText: (match?.[2] ?? '').trim() };
}

function findUnit(unitText: string, kind: QuantityKind): Unit | null {
  const plain = unitText.toLowerCase().replace(/[\s.·⋅*×^-]/g, '');
  if (plain === '') return null;
  return unitsOf(kind).find((candidate) => candidate.spellings.includes(plain)) ?? null;
}

function readFeetAndInches(text: string): ParsedQuantity | null {
  if (GROUPED_BY_APOSTROPHES.test(text)) return null;
  const match = /^(\d+)\s*(?:ft|feet|foot|'|′)\s*([\d\s/.½¼¾⅛⅜⅝⅞]+)\s*(?:in|inch|inches|"|″|'')?$/i.exec(
    text,
  );
  if (!match) return null;
  const inches = readNumber(match[2] ?? '');
  if (!inches.ok) return { ok: false, reason: inches.reason };
  const value_SI = toSI(Number(match[1]), 'ft') + toSI(inches.value, 'in');
  return { ok: true, value_SI, unit: 'in', value: fromSI(value_SI, 'in') };
}
