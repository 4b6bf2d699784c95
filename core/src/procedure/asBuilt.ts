/** What is judged of a brake as it stands: the ABS unit, the bleed screws, which way up the calipers are. */
import { demand, unphysical } from '../calculation/physical.ts';
import type { Caution } from '../mistakes/caution.ts';

/** Longer or shorter by more than this it is another screw; our estimate. */
const SAME_SCREW_m = 0.0005;
/** Lower by more than this a nipple is below the middle of its caliper, whatever the tape says; our estimate. */
const LEVEL_m = 0.005;

export interface AbsState {
  /** Where it is ridden or driven. */
  readonly isOnRoad: boolean;
  /** There was a unit: it was drawn in what was found, or the vehicle has ABS and nobody says that this circuit never had one. */
  readonly hadUnit: boolean;
  /** One is drawn now. */
  readonly hasUnit: boolean;
}

/** M65: the lines go past where the ABS unit was, on a vehicle that is used on the road. */
export const judgeAbsLeftOut = ({ isOnRoad, hadUnit, hasUnit }: AbsState): readonly Caution[] =>
  isOnRoad && hadUnit && !hasUnit ? [{ id: 'M65', evidence: {} }] : [];

export interface BleedScrew {
  /** Lengths of the one that came out and of the one that goes in; null where nobody has said. */
  readonly out_m: number | null;
  readonly in_m: number | null;
  /** It comes new, or there are others that it could be taken for. */
  readonly mayBeAnother: boolean;
}

/** M67: another length than the one that came out here, or nobody has compared them where they could be mixed up. */
export function judgeBleedScrew({ out_m, in_m, mayBeAnother }: BleedScrew): readonly Caution[] {
  demand(unphysical({ out_m: out_m ?? 0, in_m: in_m ?? 0 }, { notNegative: ['out_m', 'in_m'] }));
  if (out_m === null || in_m === null) return mayBeAnother ? [{ id: 'M67', evidence: { out_m, in_m } }] : [];
  return Math.abs(out_m - in_m) > SAME_SCREW_m ? [{ id: 'M67', evidence: { out_m, in_m } }] : [];
}

export interface NippleHeight {
  /** Whether it is the highest point of its caliper; null where nobody has said. */
  readonly isTop: boolean | null;
  /** The caliper was unbolted in this job. */
  readonly cameOff: boolean;
  /** Above the floor, where both were measured. */
  readonly nipple_m: number | null;
  readonly caliper_m: number | null;
}

/** M68: a nipple that is not the highest point keeps air for ever; where the caliper was off, somebody has to have looked. */
export function judgeNippleHeight({ isTop, cameOff, nipple_m, caliper_m }: NippleHeight): readonly Caution[] {
  demand(unphysical({ nipple_m: nipple_m ?? 0, caliper_m: caliper_m ?? 0 }));
  const isDrawnLow = nipple_m !== null && caliper_m !== null && nipple_m < caliper_m - LEVEL_m;
  if (isTop === true) return [];
  return isTop === false || isDrawnLow || cameOff
    ? [{ id: 'M68', evidence: { isSeen: isTop === false, isDrawnLow } }]
    : [];
}
