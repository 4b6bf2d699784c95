/** The three views of the bench, all to one scale: forward to the right, left to the right seen from the front, up is up. */
import type { Vector } from '@zephyrcombe/core';

export const VIEWS = ['side', 'front', 'top'] as const;
export type View = (typeof VIEWS)[number];

/** Which of x, y, z runs to the right and which upwards. */
const AXES: Readonly<Record<View, readonly [0 | 1 | 2, 0 | 1 | 2]>> = {
  side: [0, 2],
  front: [1, 2],
  top: [0, 1],
};

export interface Bounds {
  readonly least_m: Vector;
  readonly most_m: Vector;
}

export interface Projection {
  readonly view: View;
  readonly width_px: number;
  readonly height_px: number;
  readonly perMetre_px: number;
  readonly at: (point: Vector) => readonly [number, number];
  /** A movement on the screen as one in space, in the plane of the view. */
  readonly back: (dx_px: number, dy_px: number) => Vector;
}

export function projection(view: View, { least_m, most_m }: Bounds, perMetre_px: number): Projection {
  const [u, v] = AXES[view];
  return {
    view,
    width_px: (most_m[u] - least_m[u]) * perMetre_px,
    height_px: (most_m[v] - least_m[v]) * perMetre_px,
    perMetre_px,
    at: (point) => [(point[u] - least_m[u]) * perMetre_px, (most_m[v] - point[v]) * perMetre_px],
    back: (dx_px, dy_px) => {
      const by: [number, number, number] = [0, 0, 0];
      by[u] = dx_px / perMetre_px;
      by[v] = -dy_px / perMetre_px;
      return by;
    },
  };
}

const MARGIN_m = 0.06;
const STEP_m = 0.02;

/** Round the hose in all its poses, with some room, on whole steps so that it does not tremble. */
export function boundsOf(points: Iterable<Vector>): Bounds {
  const least: [number, number, number] = [Infinity, Infinity, Infinity];
  const most: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const point of points)
    for (const axis of [0, 1, 2] as const) {
      least[axis] = Math.min(least[axis], point[axis]);
      most[axis] = Math.max(most[axis], point[axis]);
    }
  for (const axis of [0, 1, 2] as const) {
    least[axis] = Math.floor((least[axis] - MARGIN_m) / STEP_m) * STEP_m;
    most[axis] = Math.ceil((most[axis] + MARGIN_m) / STEP_m) * STEP_m;
  }
  return { least_m: least, most_m: most };
}

/** Whether everything within some bounds is within others. */
export const holds = (outer: Bounds, inner: Bounds): boolean =>
  ([0, 1, 2] as const).every(
    (axis) =>
      outer.least_m[axis] <= inner.least_m[axis] + MARGIN_m / 2 &&
      outer.most_m[axis] >= inner.most_m[axis] - MARGIN_m / 2,
  );

export interface Arrangement {
  /** All three in a row, or the top view under the side view with the fourth corner free. */
  readonly inRow: boolean;
  readonly perMetre_px: number;
}

/** Smaller than this nothing could be seen. */
const LEAST_px = 60;

/** The arrangement that makes the views largest. */
export function arrange({ least_m, most_m }: Bounds, width_px: number, height_px: number): Arrangement {
  const [x, y, z] = ([0, 1, 2] as const).map((axis) => most_m[axis] - least_m[axis]) as [
    number,
    number,
    number,
  ];
  // A place that is about to go has no width left.
  const [wide_px, high_px] = [Math.max(width_px, LEAST_px), Math.max(height_px, LEAST_px)];
  const row = Math.min(wide_px / (x + y + x), high_px / Math.max(y, z));
  const square = Math.min(wide_px / (x + y), high_px / (z + y));
  return row > square ? { inRow: true, perMetre_px: row } : { inRow: false, perMetre_px: square };
}

/** "M0 0L1 1": numbers three at a time, from `from` for `points` points. */
export function pathOf({ at }: Projection, line: Float32Array, from = 0, points = line.length / 3): string {
  let path = '';
  for (let index = 0; index < points; index += 1) {
    const node = 3 * (from + index);
    const [x, y] = at([line[node] ?? 0, line[node + 1] ?? 0, line[node + 2] ?? 0]);
    path += `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
  }
  return path;
}
