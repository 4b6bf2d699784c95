/**
 * How a hose is built, from one end to the other: what is ordered, or made up in the shop. Places along it are counted in
 * metres from the sealing point of end A, along the hose.
 */
import type { TakeOffSource } from '../fittings/end.ts';
import type { JointMaterial } from '../joint/washers.ts';

export const LINERS = ['ptfe', 'rubber'] as const;
export type Liner = (typeof LINERS)[number];
export const BRAIDS = ['stainless', 'aramid', 'textile'] as const;
export type Braid = (typeof BRAIDS)[number];
export const COVERS = ['bare', 'clear', 'coloured', 'rubber'] as const;
export type Cover = (typeof COVERS)[number];

/** Put on by a press and once only, or by the hand that makes the hose up. */
export const END_FIXINGS = ['crimped', 'screwed'] as const;
export type EndFixing = (typeof END_FIXINGS)[number];

/** A bent neck leaves its eye across the eye's plane, as most do, or in it. */
export const BEND_PLANES = ['acrossEye', 'inEye'] as const;
export type BendPlane = (typeof BEND_PLANES)[number];

export interface EndFitting {
  readonly material: JointMaterial;
  readonly bendPlane: BendPlane;
  /** The way its neck points round the bolt, clockwise seen on the bolt's head, from straight away from the hose's other end; null: free. */
  readonly direction_rad: number | null;
  /** The hole of an eye; null for a threaded end, and until it is known. */
  readonly eyeBore_m: number | null;
  /** Whether its maker lets it be turned about the hose; null: not asked. */
  readonly turnable: boolean | null;
  /** A lug or a flat that lets it sit one way only: there is a left one and a right one. */
  readonly tab: boolean;
  /** It goes through a bracket, and what keeps it from pulling through: a knurl of its own or a washer. */
  readonly bracket: boolean;
  readonly knurled: boolean;
  readonly supportWasher: boolean;
  /** A groove that the bracket's clip goes into; not answered where it is left out. */
  readonly groove?: boolean | undefined;
}

/** A clip or the hole of a bracket, with or without a grommet in it; a stiff piece; a sleeve; a sheath at a contact; a label. */
export const ALONG_KINDS = ['clip', 'stiffener', 'sleeve', 'sheath', 'label'] as const;
export type AlongKind = (typeof ALONG_KINDS)[number];

/** Why a part is on the hose: by the kept route, because every hose has it, or because somebody put it there. */
export const ALONG_REASONS = ['route', 'contact', 'usual', 'chosen'] as const;
export type AlongReason = (typeof ALONG_REASONS)[number];

export interface AlongPart {
  readonly id: string;
  readonly kind: AlongKind;
  /** Where it begins; the middle of a clip. */
  readonly from_m: number;
  /** Nothing for a clip. */
  readonly length_m: number;
  /** Over it: of a clip its grommet's, null without one. */
  readonly outside_m: number | null;
  /** The hole of a clip; null until one is chosen, and for all others. */
  readonly clip_m: number | null;
  /** What a label says, what a sheath lies against. */
  readonly note: string;
  readonly because: AlongReason;
}

/** Production of the vehicle changed at some time between two days; somebody has to look which one this is. */
export interface BuildSplit {
  /** ISO 8601 dates. */
  readonly builtOn: string;
  readonly from: string;
  readonly to: string;
  readonly looked: boolean;
}

export interface HoseBuild {
  readonly bore_m: number;
  readonly outside_m: number;
  /** Where its outside comes from; left out where nobody has said. */
  readonly outsideFrom?: TakeOffSource | undefined;
  readonly liner: Liner;
  readonly braid: Braid;
  readonly cover: Cover;
  /** The finished length may be off by so much either way. */
  readonly tolerance_m: number;
  readonly fixing: EndFixing;
  readonly madeHere: boolean;
  readonly endA: EndFitting;
  readonly endB: EndFitting;
  /** In the order in which they come from end A. */
  readonly along: readonly AlongPart[];
  readonly split: BuildSplit | null;
}
