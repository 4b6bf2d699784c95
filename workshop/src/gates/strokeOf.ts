import type { Circuit } from '@zephyrcombe/contract';
import { STROKE_EFFICIENCY, strokeVolume } from '@zephyrcombe/core';
import { masterOf } from './feel.ts';

/** What a whole stroke of the master moves, cubic metres; null where the drawing does not say. */
export function strokeOf(circuit: Circuit): number | null {
  const { masterBore_m, leverRatio, leverStroke_m } = masterOf(circuit);
  if (masterBore_m === null || leverRatio === null || leverStroke_m === null) return null;
  const stroke = strokeVolume({ masterBore_m, leverRatio, leverStroke_m, efficiency: STROKE_EFFICIENCY });
  return stroke.ok ? stroke.value : null;
}
