/** The clocking as a drawing, the same on screen and on paper: seen along the hose from end A, whose axis stands up. */
import type { FlatDrawing, Mark, Place } from '@zephyrcombe/core';
import { arc, circle, path, words } from '@zephyrcombe/core';

const RADIUS_m = 0.014;
const TURN_m = 0.006;
const LETTER_m = 0.0035;
/** Room that it takes each way. */
export const CLOCKING_m = 0.042;

/** Middle at a place: A solid and upright, B dashed at its angle, the turn between them. */
export function clockingMarks(clocking_rad: number, [x, y]: Place): readonly Mark[] {
  const at = (angle_rad: number, radius_m: number): Place => [
    x + radius_m * Math.sin(angle_rad),
    y + radius_m * Math.cos(angle_rad),
  ];
  const turn_rad = ((clocking_rad % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  return [
    circle('grid', [x, y], RADIUS_m),
    path('outline', at(Math.PI, RADIUS_m / 3), at(0, RADIUS_m)),
    path('hidden', [x, y], at(clocking_rad, RADIUS_m)),
    // Drawn the way it is counted: clockwise from A.
    ...(turn_rad > 0.02 ? [arc('dimension', [x, y], TURN_m, Math.PI / 2 - turn_rad, Math.PI / 2)] : []),
    words(at(0, RADIUS_m + LETTER_m), 'A', { anchor: 'middle' }),
    words(at(clocking_rad, RADIUS_m + LETTER_m + (turn_rad < 0.4 || turn_rad > 5.9 ? 0.004 : 0.001)), 'B', {
      anchor: 'middle',
    }),
  ];
}

export const clockingDrawing = (clocking_rad: number): FlatDrawing => ({
  width_m: CLOCKING_m,
  height_m: CLOCKING_m,
  marks: clockingMarks(clocking_rad, [CLOCKING_m / 2, CLOCKING_m / 2]),
});
