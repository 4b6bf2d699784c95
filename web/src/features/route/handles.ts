/** What can be taken hold of in a view: ports, clips and the ways they point, and what moving one does to the hose. */
import type { CornerHose, Placement, Rig, RigPose, Vector } from '@zephyrcombe/core';
import { placementOf } from '@zephyrcombe/core';

export interface Handle {
  readonly id: string;
  readonly name: string;
  readonly kind: 'point' | 'tip';
  /** Where it is in the pose that is shown. */
  readonly at_m: Vector;
  /** Where the line to it begins; a point has none. */
  readonly from_m: Vector | null;
  /** The hose after it was moved by so much in the pose that is shown. */
  readonly moved: (by_m: Vector) => CornerHose;
}

/** How far from its port or clip the tip of a direction stands. */
const TIP_m = 0.06;

const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const times = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
const lengthOf = (a: Vector) => Math.sqrt(a[0] ** 2 + a[1] ** 2 + a[2] ** 2);
const unitOf = (a: Vector): Vector => times(a, 1 / (lengthOf(a) || 1));
/** To a tenth of a millimetre, so that what was dragged reads well in the tables. */
const tidy = ([x, y, z]: Vector, digits = 4): Vector => [
  Number(x.toFixed(digits)),
  Number(y.toFixed(digits)),
  Number(z.toFixed(digits)),
];

/** A movement seen in this pose, as one of the body in the pose in which everything is measured. */
const atRest = ({ direction }: Placement, by: Vector): Vector => {
  const along = (axis: Vector) => {
    const turned = direction(axis);
    return turned[0] * by[0] + turned[1] * by[1] + turned[2] * by[2];
  };
  return [along([1, 0, 0]), along([0, 1, 0]), along([0, 0, 1])];
};

export function handlesOf(rig: Rig, hose: CornerHose, pose: RigPose): readonly Handle[] {
  const pair = (
    id: string,
    name: string,
    body: CornerHose['start']['body'],
    point_m: Vector,
    direction: Vector,
    put: (point_m: Vector, direction: Vector) => CornerHose,
  ): readonly Handle[] => {
    const placement = placementOf(rig, body, pose);
    const at_m = placement.point(point_m);
    const away = unitOf(direction);
    const tip_m = plus(at_m, times(placement.direction(away), TIP_m));
    return [
      {
        id: `${id}.tip`,
        name: `the way ${name} points`,
        kind: 'tip',
        at_m: tip_m,
        from_m: at_m,
        moved: (by_m) => {
          const next = plus(times(away, TIP_m), atRest(placement, by_m));
          return lengthOf(next) < 1e-4 ? hose : put(point_m, tidy(unitOf(next)));
        },
      },
      {
        id: `${id}.point`,
        name,
        kind: 'point',
        at_m,
        from_m: null,
        moved: (by_m) => put(tidy(plus(point_m, atRest(placement, by_m))), direction),
      },
    ];
  };
  return [
    ...pair(
      'start',
      'the first end',
      hose.start.body,
      hose.start.port_m,
      hose.start.outward,
      (port_m, outward) => ({
        ...hose,
        start: { ...hose.start, port_m, outward },
      }),
    ),
    ...pair('end', 'the far end', hose.end.body, hose.end.port_m, hose.end.outward, (port_m, outward) => ({
      ...hose,
      end: { ...hose.end, port_m, outward },
    })),
    ...hose.clips.flatMap((clip, index) =>
      pair(`clip${index}`, `clip ${clip.id}`, clip.body, clip.point_m, clip.along, (point_m, along) => ({
        ...hose,
        clips: hose.clips.map((other, at) => (at === index ? { ...clip, point_m, along } : other)),
      })),
    ),
  ];
}
