/** How far a pose is from its limit, as a share of it: below nothing it is over. */
import { fromSI, TAUT_RATIO } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/contract';
import type { MapFigure } from './benchState.ts';
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
