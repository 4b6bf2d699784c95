/** What a scene is made of: the hose with its ends and what is on it, and what it has to keep away from. */
import type { TakeOffSource } from '../fittings/end.ts';
import type { Vector } from '../geometry/vector.ts';
import type { Body, Rig } from './rig.ts';
import type { Solid } from './solid.ts';

/** Points and directions in the pose in which everything was measured; x forward, y left, z up. */
export interface SceneEnd {
  readonly body: Body;
  readonly port_m: Vector;
  /** The way the hose leaves the fitting, away from the port. */
  readonly outward: Vector;
  /** Fitting and ferrule along their middle: about 25 mm behind an eye do not bend. */
  readonly rigid_m: number;
  /** Of a bent fitting the part before its bend, from the port; straight without one. */
  readonly neck?: { readonly along: Vector; readonly length_m: number } | undefined;
  /** The bolt's axis through the eye; null for an end that may turn about the hose. */
  readonly eyeAxis: Vector | null;
}

/** What holds the hose between its ends. A clip grips: the hose neither slides in it nor turns. A guide lets it do both. */
export interface SceneClip {
  readonly id: string;
  readonly body: Body;
  readonly point_m: Vector;
  /** The way the hose passes, from the start end to the far end. */
  readonly along: Vector;
  /** Along the hose from the start port; of a guide, in the pose in which everything was measured, as near as it was seen. */
  readonly at_m: number;
  /** A guide. */
  readonly slides?: boolean | undefined;
}

/** A piece of the hose that does not bend: a crimped tube, a rigid sleeve. A clip may hold it. */
export interface SceneStiffener {
  readonly id: string;
  /** Along the hose from the start port. */
  readonly from_m: number;
  readonly length_m: number;
}

/** Drawn over the hose: thicker there, and what does not move may touch it. */
export interface SceneSleeve {
  readonly id: string;
  /** Along the hose from the start port. */
  readonly from_m: number;
  readonly length_m: number;
  readonly outside_m: number;
}

export interface SceneHose {
  readonly start: SceneEnd;
  readonly end: SceneEnd;
  /** In the order in which the hose passes them. */
  readonly clips: readonly SceneClip[];
  /** In the same order. */
  readonly stiffeners?: readonly SceneStiffener[] | undefined;
  readonly sleeves?: readonly SceneSleeve[] | undefined;
  /** From port to port, through both fittings. */
  readonly length_m: number;
  readonly outside_m: number;
  readonly leastRadius_m: number;
  /** Where its outside and its least radius come from; left out where nobody has said. */
  readonly figuresFrom?: TakeOffSource | undefined;
}

/** `service`: the way out of a pad pin, a nipple, whatever has to be reached without undoing the hose. */
export const NATURES = ['hot', 'moving', 'still', 'service'] as const;
export type Nature = (typeof NATURES)[number];

export interface KeepOut {
  readonly id: string;
  readonly name: string;
  readonly body: Body;
  readonly solid: Solid;
  readonly nature: Nature;
  /** Null: the default of its nature. */
  readonly gap_m: number | null;
  /** A grommet or edge guard on the part: the hose may touch it there. Of still parts only. */
  readonly sleeved?: boolean | undefined;
}

export interface Scene {
  readonly rig: Rig;
  readonly hose: SceneHose;
  readonly keepOuts: readonly KeepOut[];
}

/** The stiffener that a clip grips; none for a guide. */
export const heldStiffener = (
  { stiffeners }: Pick<SceneHose, 'stiffeners'>,
  { at_m, slides }: SceneClip,
): SceneStiffener | undefined =>
  slides
    ? undefined
    : stiffeners?.find(({ from_m, length_m }) => from_m <= at_m && at_m <= from_m + length_m);
