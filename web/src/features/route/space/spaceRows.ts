/** What the view in the round shows, as rows: where the hose is, and how near it comes to each part. */
import type { KeepOut, Vector } from '@zephyrcombe/core';
import { distanceBetween } from '@zephyrcombe/core';
import type { ShownPose } from '../engine/compute.ts';

export interface PlaceRow {
  /** From the first port, along the hose. */
  readonly along_m: number;
  readonly point_m: Vector;
}

const PLACES = 8;

/** Nine places from port to port, evenly along the hose; none without a shape. */
export function placesOf(line: Float32Array | null): readonly PlaceRow[] {
  if (!line || line.length < 6) return [];
  const points = Array.from({ length: line.length / 3 }, (_none, at): Vector => [
    line[3 * at] ?? 0,
    line[3 * at + 1] ?? 0,
    line[3 * at + 2] ?? 0,
  ]);
  const along: number[] = [0];
  for (const [index, point] of points.slice(1).entries())
    along.push((along[index] ?? 0) + distanceBetween(points[index] ?? point, point));
  const whole_m = along.at(-1) ?? 0;
  return Array.from({ length: PLACES + 1 }, (_none, place) => {
    const along_m = (whole_m * place) / PLACES;
    const after = Math.max(
      1,
      along.findIndex((at_m) => at_m >= along_m - 1e-9),
    );
    const [from_m, to_m] = [along[after - 1] ?? 0, along[after] ?? 0];
    const share = to_m > from_m ? (along_m - from_m) / (to_m - from_m) : 0;
    const [a, b] = [points[after - 1] ?? [0, 0, 0], points[after] ?? [0, 0, 0]];
    return {
      along_m,
      point_m: [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])],
    };
  });
}

export interface PartRow {
  readonly part: KeepOut;
  readonly gap_m: number;
  readonly wanted_m: number;
  readonly nearest_m: Vector;
}

/** Nearest to its limit first. */
export const partRows = (keepOuts: readonly KeepOut[], shown: ShownPose | null): readonly PartRow[] =>
  keepOuts
    .flatMap((part, index): readonly PartRow[] => {
      const gap = shown?.gaps[index];
      return gap ? [{ part, gap_m: gap.gap_m, wanted_m: gap.wanted_m, nearest_m: gap.point_m }] : [];
    })
    .sort((a, b) => a.gap_m - a.wanted_m - (b.gap_m - b.wanted_m));
