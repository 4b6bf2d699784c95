/** Two bars of known length: a print whose bars are not right is not at true size. */
import type { Mark, Place } from '../flat/drawing.ts';
import { path, words } from '../flat/drawing.ts';

/** Along the paper and up it: printers stretch one way more than the other. */
export const BARS_m = { along: 0.1, up: 0.05 } as const;
const STEP_m = 0.01;

/** From one corner, a tick each centimetre. */
export function calibrationBars([x, y]: Place, text: string): readonly Mark[] {
  const tick = (step: number) => (step % 5 === 0 ? 0.003 : 0.0018);
  const steps = (length_m: number) =>
    Array.from({ length: Math.round(length_m / STEP_m) + 1 }, (_none, step) => step);
  return [
    path('outline', [x, y], [x + BARS_m.along, y]),
    path('outline', [x, y], [x, y + BARS_m.up]),
    ...steps(BARS_m.along).map((step) =>
      path('outline', [x + step * STEP_m, y], [x + step * STEP_m, y + tick(step)]),
    ),
    ...steps(BARS_m.up).map((step) =>
      path('outline', [x, y + step * STEP_m], [x + tick(step), y + step * STEP_m]),
    ),
    words([x + 0.006, y + 0.005], text),
  ];
}
