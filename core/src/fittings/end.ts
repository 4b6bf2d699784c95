/**
 * The end of a hose, as geometry. Developed along the fitting's own centre line, from the face where the free
 * hose begins: first `ferruleToApex_m` along the hose's axis, then a bend of `neckAngle_rad`, then
 * `apexToPoint_m` to the sealing point.
 */
export const END_FAMILIES = ['banjo', 'threaded'] as const;
/** A banjo seals at its eye; a threaded end at the sealing end of its thread or its seat. */
export type EndFamily = (typeof END_FAMILIES)[number];

export const TAKE_OFF_SOURCES = ['example', 'makersData', 'measured'] as const;
/** Where the dimensions of an end come from: an example of ours, its maker's sheet, the end in somebody's hand. */
export type TakeOffSource = (typeof TAKE_OFF_SOURCES)[number];

/** Somebody has read or measured it; an example of ours, or what nobody has said a word of, is only assumed. */
export const isVouched = (from: TakeOffSource | undefined): from is 'makersData' | 'measured' =>
  from === 'makersData' || from === 'measured';

export interface EndGeometry {
  readonly family: EndFamily;
  readonly neckAngle_rad: number;
  readonly ferruleToApex_m: number;
  readonly apexToPoint_m: number;
  /** Sealing point to behind the neck, where some makers start their tape. */
  readonly neckLength_m: number;
  /** Left out where nobody has said. */
  readonly takeOffsFrom?: TakeOffSource | undefined;
}

/** Points from which lengths are counted. */
export const LENGTH_POINTS = ['eyeCentre', 'threadEnd', 'behindNeck', 'ferruleFace'] as const;
export type LengthPoint = (typeof LENGTH_POINTS)[number];

/** The point where this end seals: an eye's centre or a thread's end. */
export const sealingPointOf = (end: EndGeometry): LengthPoint =>
  end.family === 'banjo' ? 'eyeCentre' : 'threadEnd';
