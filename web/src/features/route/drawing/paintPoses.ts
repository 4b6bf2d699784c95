/** The fields of a pose map: darker is nearer the limit, a cross is over it or jumps, a ring is the worst. */
import type { Writer } from '@zephyrcombe/messages';
import { colourNow } from '../../../design/sheetColours.ts';
import { FONT } from '../../../design/tokens.ts';
import type { MapFigure } from '../bench/benchState.ts';
import type { PoseFigures } from '../engine/compute.ts';
import type { Shade } from '../engine/margins.ts';
import { figureText, marginOf, shadesOf } from '../engine/margins.ts';

/** From the easiest pose to the worst that still holds. */
const TINTS = { easy: 0.06, worst: 0.55, over: 0.6 } as const;
/** Cells this wide have room for their figure. */
const FIGURE_px = { width: 30, height: 15 } as const;
const CROSS_px = 5;
const NO_SHADE: Shade = { share: 0, isOver: false, isWorst: false };

interface PosesToPaint {
  readonly figures: readonly PoseFigures[];
  readonly columns: number;
  readonly figure: MapFigure;
  readonly leastRadius_m: number;
  readonly width_px: number;
  readonly height_px: number;
  readonly write: Writer;
}

export function paintPoses(context: CanvasRenderingContext2D, poses: PosesToPaint): void {
  const { figures, columns, figure, leastRadius_m, width_px, height_px, write } = poses;
  const rows = Math.max(1, Math.round(figures.length / columns));
  const [wide, high] = [width_px / columns, height_px / rows];
  const shades = shadesOf(figures.map((each) => marginOf(figure, each, leastRadius_m)));
  const hasFigures = wide >= FIGURE_px.width && high >= FIGURE_px.height;
  context.textAlign = 'center';
  context.font = `10.5px ${FONT.words}`;
  for (const [index, each] of figures.entries()) {
    const { share, isOver, isWorst } = shades[index] ?? NO_SHADE;
    const [left, top] = [(index % columns) * wide, Math.floor(index / columns) * high];
    const [x, y] = [left + wide / 2, top + high / 2];
    context.globalAlpha = isOver ? TINTS.over : TINTS.easy + share * (TINTS.worst - TINTS.easy);
    context.fillStyle = colourNow(isOver ? 'danger' : 'brassLight');
    context.fillRect(left, top, wide, high);
    context.globalAlpha = 1;
    if (hasFigures && !isOver) {
      context.fillStyle = colourNow('ink');
      context.fillText(figureText(figure, each, write), x, y + 4);
    }
    context.beginPath();
    if (isOver || each.snapped) {
      context.moveTo(x - CROSS_px, y - CROSS_px);
      context.lineTo(x + CROSS_px, y + CROSS_px);
      context.moveTo(x + CROSS_px, y - CROSS_px);
      context.lineTo(x - CROSS_px, y + CROSS_px);
      context.strokeStyle = colourNow('danger');
      context.lineWidth = 2;
      context.stroke();
    } else if (isWorst) {
      context.ellipse(x, y, Math.min(wide / 2 - 1.5, high), high / 2 - 1.5, 0, 0, 2 * Math.PI);
      context.strokeStyle = colourNow('ink');
      context.lineWidth = 1.5;
      context.stroke();
    }
  }
  // The lines between the fields, once for all of them.
  context.beginPath();
  for (let column = 0; column <= columns; column += 1) {
    context.moveTo(column * wide, 0);
    context.lineTo(column * wide, height_px);
  }
  for (let row = 0; row <= rows; row += 1) {
    context.moveTo(0, row * high);
    context.lineTo(width_px, row * high);
  }
  context.strokeStyle = colourNow('hairline');
  context.lineWidth = 0.6;
  context.stroke();
}
