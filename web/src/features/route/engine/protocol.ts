/** What the page and its route worker say to each other. */
import type { Pose, RigPose, Scene } from '@zephyrcombe/core';
import type { RouteCurves, RouteFrame, ShownPose, WindowFound } from './compute.ts';

export type RouteQuestion =
  /** What changed of the scene since the last question, at first all of it; `settle` solves it from nothing and draws its curves. */
  | {
      readonly kind: 'scene';
      readonly changed: Partial<Scene>;
      readonly pose: RigPose;
      readonly settle: boolean;
    }
  | { readonly kind: 'pose'; readonly pose: RigPose }
  /** Only the lengths that hold. */
  | { readonly kind: 'window'; readonly scene: Scene }
  /** Only what the whole movement says of it. */
  | { readonly kind: 'attempt'; readonly scene: Scene };

export type RouteAnswer =
  | { readonly kind: 'frame'; readonly frame: RouteFrame }
  | { readonly kind: 'shown'; readonly shown: ShownPose | null }
  | { readonly kind: 'curves'; readonly curves: RouteCurves }
  | { readonly kind: 'window'; readonly found: WindowFound }
  | {
      readonly kind: 'attempt';
      readonly proof: RouteFrame['proof'];
      readonly gaps_m: Partial<Record<Pose, number>>;
    };
