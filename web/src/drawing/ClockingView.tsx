/** How the two ends lie to each other, as the order draws it. */
import type { Lying } from '@zephyrcombe/core';
import { clockingConvention } from '@zephyrcombe/messages';
import { clockingDrawing } from '@zephyrcombe/documents';
import { useWriter } from '../app/SessionContext.ts';
import { FlatView } from './FlatView.tsx';

interface ClockingViewProps {
  readonly clocking_rad: number;
  readonly endA: Lying;
  readonly endB: Lying;
  /** On a screen a millimetre of the drawing takes so many pixels. */
  readonly perMm_px?: number;
}

export function ClockingView({ clocking_rad, endA, endB, perMm_px = 3.2 }: ClockingViewProps) {
  const write = useWriter();
  return (
    <FlatView
      drawing={clockingDrawing(clocking_rad)}
      label={`${write.angle(clocking_rad)} ${clockingConvention(endA, endB)}`}
      perMm_px={perMm_px}
    />
  );
}
