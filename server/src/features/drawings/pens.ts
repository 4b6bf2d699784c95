/** How lines look on paper, whatever the file: widths in millimetres, and dashes. */
import type { Pen } from '@zephyrcombe/core';

export interface Stroke {
  readonly width_mm: number;
  readonly dash_mm: readonly number[];
  /** From black, 0, to white, 1. */
  readonly grey: number;
}

export const STROKES: Readonly<Record<Pen, Stroke>> = {
  outline: { width_mm: 0.35, dash_mm: [], grey: 0 },
  hidden: { width_mm: 0.18, dash_mm: [1.6, 0.8], grey: 0 },
  centre: { width_mm: 0.13, dash_mm: [4, 0.8, 0.8, 0.8], grey: 0.25 },
  dimension: { width_mm: 0.13, dash_mm: [], grey: 0.15 },
  cut: { width_mm: 0.25, dash_mm: [2.4, 1.2], grey: 0 },
  solid: { width_mm: 0, dash_mm: [], grey: 0 },
  grid: { width_mm: 0.13, dash_mm: [], grey: 0.55 },
};
