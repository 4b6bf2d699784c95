/** What can be taken hold of in a view: ports, clips and the ways they point, and what moving one does to the hose. */
import type { CornerHose, Rig, RigPose, Vector } from '@zephyrcombe/core';
import { add, norm, placementOf, pointedEnd, scaled, unit } from '@zephyrcombe/core';
import { tidy, turnedBack } from './placing.ts';
import { clipName } from '../editor/sceneRows.ts';

export interface Handle {
  readonly id: string;
  readonly name: string;
  readonly kind: 'point' | 'guide' | 'tip';
  /** Where it is in the pose that is shown. */
  readonly at_m: Vector;
  /** Where the line to it begins; a point has none. */
  readonly from_m: Vector | null;
  /** The hose after it was moved by so much in the pose that is shown. */
  readonly moved: (by_m: Vector) => CornerHose;
}

/** How far from its port or clip the tip of a direction stands. */
const TIP_m = 0.06;

export function handlesOf(rig: Rig, hose: CornerHose, pose: RigPose): readonly Handle[] {
  const pair = (
    id: string,
    name: string,
    body: CornerHose['start']['body'],
    point_m: Vector,
    direction: Vector,
    put: (point_m: Vector, direction: Vector) => CornerHose,
    kind: Handle['kind'] = 'point',
  ): readonly Handle[] => {
    const placement = placementOf(rig, body, pose);
    const at_m = placement.point(point_m);
    const away = unit(direction);
    const tip_m = add(at_m, scaled(placement.direction(away), TIP_m));
    return [
      {
        id: `${id}.tip`,
        name: `the way ${name} points`,
        kind: 'tip',
        at_m: tip_m,
        from_m: at_m,
        moved: (by_m) => {
          const next = add(scaled(away, TIP_m), turnedBack(placement, by_m));
          return norm(next) < 1e-4 ? hose : put(point_m, tidy(unit(next)));
        },
      },
      {
        id: `${id}.point`,
        name,
        kind,
        at_m,
        from_m: null,
        moved: (by_m) => put(tidy(add(point_m, turnedBack(placement, by_m))), direction),
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
        start: pointedEnd({ ...hose.start, port_m }, outward),
      }),
    ),
    ...pair('end', 'the far end', hose.end.body, hose.end.port_m, hose.end.outward, (port_m, outward) => ({
      ...hose,
      end: pointedEnd({ ...hose.end, port_m }, outward),
    })),
    ...hose.clips.flatMap((clip, index) =>
      pair(
        `clip${index}`,
        clipName(clip),
        clip.body,
        clip.point_m,
        clip.along,
        (point_m, along) => ({
          ...hose,
          clips: hose.clips.map((other, at) => (at === index ? { ...clip, point_m, along } : other)),
        }),
        clip.slides ? 'guide' : 'point',
      ),
    ),
  ];
}
