/** How far a pose is from its limit, as a share of it: below nothing it is over. */
import { fromSI, TAUT_RATIO } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import type { MapFigure } from '../bench/benchState.ts';
import type { PoseFigures } from './compute.ts';

/** Room of this much over what is wanted is as good as any. */
const EASY_ROOM_m = 0.04;
const EASY_SLACK = 0.2;

export function marginOf(
  figure: MapFigure,
  { radius_m, spare_m, chordRatio }: PoseFigures,
  leastRadius_m: number,
): number {
  switch (figure) {
    case 'radius':
      return radius_m === null ? -1 : radius_m / leastRadius_m - 1;
    case 'room':
      return spare_m === null ? (chordRatio > TAUT_RATIO ? -1 : 1) : spare_m / EASY_ROOM_m;
    case 'slack':
      return (TAUT_RATIO - chordRatio) / EASY_SLACK;
  }
}

/** The figure of a pose without its unit, as short as it can be. */
export function figureText(
  figure: MapFigure,
  { radius_m, spare_m, chordRatio }: PoseFigures,
  { units }: Writer,
): string {
  if (figure === 'slack') return `${Math.round((1 - chordRatio) * 100)}%`;
  const value_m = figure === 'radius' ? radius_m : spare_m;
  if (value_m === null) return '–';
  const value = fromSI(value_m, units.length);
  return units.length === 'in' ? value.toFixed(1) : String(Math.round(value));
}

/** Margins that differ by less are alike: the rest is rounding, or nothing anybody could act on. */
const ALIKE = 1e-3;

export interface Shade {
  /** 0 for the easiest pose, 1 at the limit or the worst of those within it. */
  readonly share: number;
  readonly isOver: boolean;
  /** No pose is worse; nowhere where all are alike. */
  readonly isWorst: boolean;
}

/** How dark each pose is on a map of margins. */
export function shadesOf(margins: readonly number[]): readonly Shade[] {
  const [least, most] = [Math.min(...margins), Math.max(...margins)];
  const areAlike = most - least < ALIKE;
  const easing = most - Math.max(0, least) || 1;
  return margins.map((margin) => ({
    share: areAlike ? 0 : Math.min(1, (most - margin) / easing),
    isOver: margin < 0,
    isWorst: !areAlike && margin - least < ALIKE,
  }));
}
