/** Where along a hose something that does not move comes nearer than is wanted, at any of nine poses: a sheath belongs there. */
import { distanceBetween } from '../geometry/vector.ts';
import { beginsOf, LEAST_GAP_m } from './gaps.ts';
import { rodPoints } from './measures.ts';
import { sceneProblem } from './sceneProblem.ts';
import { gridOf } from './rig.ts';
import type { ScenePose } from './scene.ts';
import { solveScene } from './scene.ts';
import type { Scene } from './sceneParts.ts';

export interface Contact {
  readonly part: string;
  /** Along the hose from the start port. */
  readonly at_m: number;
}

const STEPS = 3;

export function contactsOf(scene: Scene): readonly Contact[] {
  if (sceneProblem(scene)) return [];
  const poses = solveScene(scene, gridOf(scene.rig, STEPS));
  return scene.keepOuts.flatMap(({ name, nature }, index): readonly Contact[] => {
    if (nature !== 'still') return [];
    let least_m = LEAST_GAP_m.still;
    let worst: ScenePose | null = null;
    for (const pose of poses) {
      const gap_m = pose.gaps[index]?.gap_m ?? Infinity;
      if (gap_m < least_m) {
        least_m = gap_m;
        worst = pose;
      }
    }
    return worst ? [{ part: name, at_m: placeOf(scene, worst, index) }] : [];
  });
}

function placeOf(scene: Scene, { spans, gaps }: ScenePose, keepOut: number): number {
  const point_m = gaps[keepOut]?.point_m ?? [0, 0, 0];
  const begins_m = beginsOf(scene.hose, spans);
  let [nearest_m, place_m] = [Infinity, 0];
  for (const [index, { ends, shape }] of spans.entries()) {
    const points = rodPoints(ends, shape);
    for (const [node, point] of points.entries()) {
      const away_m = distanceBetween(point, point_m);
      if (away_m >= nearest_m) continue;
      nearest_m = away_m;
      place_m = (begins_m[index] ?? 0) + (ends.length_m * node) / (points.length - 1);
    }
  }
  return place_m;
}
