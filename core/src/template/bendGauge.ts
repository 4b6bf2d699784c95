/** A card to hold against a port: which bend leaves in the wanted direction. */
import type { Mark, Place } from '../flat/drawing.ts';
import { arc, loop, path, words } from '../flat/drawing.ts';
import { demand, unphysical } from '../calculation/physical.ts';

export interface BendGauge {
  /** The middle of the eye at the origin, the face that the eye lies on along x. */
  readonly marks: readonly Mark[];
  readonly radius_m: number;
  /** The ends of its rays, in the order of the bends. */
  readonly tips_m: readonly Place[];
}

const RADIUS_m = 0.085;
const INNER_m = 0.02;
const LABEL_m = 0.0865;
/** Its letters stand on the ray. */
const OVER_m = 0.0007;

/** Rays at the bends on offer, from square to the bolt (0) to along it (90°); to be cut out along its edge. */
export function bendGauge(bends_rad: readonly number[], angleText: (value_rad: number) => string): BendGauge {
  demand(unphysical({ bends_rad }, { notNegative: ['bends_rad'] }));
  const on = (bend: number, radius_m: number): Place => [
    radius_m * Math.cos(bend),
    radius_m * Math.sin(bend),
  ];
  const labelAt = (bend: number): Place => [
    LABEL_m * Math.cos(bend) - OVER_m * Math.sin(bend),
    LABEL_m * Math.sin(bend) + OVER_m * Math.cos(bend),
  ];
  const edge: readonly Place[] = [
    [-INNER_m, 0],
    ...Array.from({ length: 46 }, (_none, step): Place => on((step * Math.PI) / 90, RADIUS_m + 0.012)),
    [-INNER_m, RADIUS_m + 0.012],
  ];
  return {
    radius_m: RADIUS_m,
    tips_m: bends_rad.map((bend) => on(bend, RADIUS_m)),
    marks: [
      loop('cut', ...edge),
      arc('outline', [0, 0], INNER_m, 0, Math.PI / 2),
      ...bends_rad.flatMap((bend): readonly Mark[] => [
        path('outline', on(bend, INNER_m), on(bend, RADIUS_m)),
        words(labelAt(bend), angleText(bend), { height_m: 0.0034, turn_rad: bend }),
      ]),
    ],
  };
}
