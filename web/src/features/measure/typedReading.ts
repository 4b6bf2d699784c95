/** From what was typed for a reading to what is recorded; null where something is still missing. */
import type { Caution, EndGeometry, LengthDatum, Result, TightBends, WireWrap } from '@zephyrcombe/core';
import {
  convertLength,
  judgeUnit,
  parseQuantity,
  sealingDatum,
  USUAL_LEAST_RADIUS_m,
  wrapAllowance,
} from '@zephyrcombe/core';
import { readQuantity } from '../../quantities/QuantityField.tsx';
import type { ReadingDraft, WireDraft } from './readingDraft.ts';

/** Wider than this a reading decides nothing. */
const LEAST_SURE_m = 0.1;

interface Situation {
  /** Null as long as nobody said which points were read from. */
  readonly datum: LengthDatum | null;
  /** The pose is one in which the wheel hangs. */
  readonly hangs: boolean;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  readonly boltA_m: number;
  readonly boltB_m: number;
}

export interface TypedReading {
  readonly typed: string;
  readonly datum: LengthDatum;
  readonly converted: Result<{ readonly length_m: number }>;
  readonly uncertainty_m: number | null;
  readonly remainingTravel_m: number;
  readonly wrap: WireWrap | null;
  readonly tightBends: TightBends | null;
}

export interface ReadReading {
  readonly reading: TypedReading | null;
  /** M04, as soon as there is a number; M08 for wire whose bends nobody counted. */
  readonly cautions: readonly Caution[];
  /** What keeps it from being recorded, for the person who types. */
  readonly missing: string | null;
}

export function readReading(draft: ReadingDraft, situation: Situation): ReadReading {
  const parsed = parseQuantity(draft.text, 'length');
  const cautions = parsed.ok
    ? judgeUnit(parsed.value, parsed.unit)
    : parsed.reason === 'unitMissing'
      ? judgeUnit(parsed.number, null)
      : [];
  const nothing = (missing: string | null): ReadReading => ({ reading: null, cautions, missing });
  const length = readQuantity(draft.text, 'length').quantity;
  if (length === null) return nothing(null);
  const { datum, endA, endB } = situation;
  if (datum === null) return nothing('Say which points it was read from.');
  const travel_m =
    !situation.hangs || draft.hangsFree
      ? 0
      : (readQuantity(draft.travel, 'length', true).quantity?.value_SI ?? null);
  if (travel_m === null) return nothing('Say that the wheel hangs free, or how much travel is left.');
  const uncertainty_m =
    draft.uncertainty.trim() === ''
      ? null
      : (readQuantity(draft.uncertainty, 'length').quantity?.value_SI ?? undefined);
  if (uncertainty_m === undefined) return nothing('How sure: give a length, or leave it empty.');
  if (uncertainty_m !== null && uncertainty_m > LEAST_SURE_m)
    return nothing('Sure to no better than that is no reading: measure again, or correct the accuracy.');
  const wire =
    draft.aid === 'wire' ? readWire(draft.wire, datum, situation) : { wrap: null, tightBends: null };
  if (wire === null)
    return nothing('Turns of the wire, its thickness and its bends: one of them is no figure.');
  const uncounted: readonly Caution[] =
    draft.aid === 'wire' && wire.tightBends === null
      ? [{ id: 'M08', evidence: { bends: null, least_m: USUAL_LEAST_RADIUS_m, added_m: 0 } }]
      : [];
  return {
    cautions: [...cautions, ...uncounted],
    missing: null,
    reading: {
      typed: length.typed,
      datum,
      converted: convertLength({
        length_m: length.value_SI - (wire.wrap ? wrapAllowance(wire.wrap).allowance_m : 0),
        given: datum,
        wanted: sealingDatum(endA, endB),
        endA,
        endB,
      }),
      uncertainty_m,
      remainingTravel_m: travel_m,
      ...wire,
    },
  };
}

const count = (text: string): number | null => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= 0 ? value : null;
};

function readWire(
  wire: WireDraft,
  datum: LengthDatum,
  { boltA_m, boltB_m }: Situation,
): { readonly wrap: WireWrap | null; readonly tightBends: TightBends | null } | null {
  // Only round a bolt that stands in the eye can a wire be hooked.
  const turnsA = datum.endA === 'eyeCentre' ? count(wire.turnsA) : 0;
  const turnsB = datum.endB === 'eyeCentre' ? count(wire.turnsB) : 0;
  const thickness = readQuantity(wire.thickness, 'length').quantity;
  const bends = count(wire.bends);
  const radius = readQuantity(wire.radius, 'length', true).quantity;
  if (turnsA === null || turnsB === null || thickness === null) return null;
  if (wire.bends.trim() !== '' && (bends === null || !Number.isInteger(bends) || radius === null))
    return null;
  return {
    wrap: turnsA + turnsB > 0 ? { turnsA, turnsB, boltA_m, boltB_m, wire_m: thickness.value_SI } : null,
    tightBends: bends !== null && radius !== null ? { quarters: bends, radius_m: radius.value_SI } : null,
  };
}
