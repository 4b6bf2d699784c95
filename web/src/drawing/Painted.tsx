/**
 * A picture that is painted: for fields of many figures and sheaves of many lines that all change at once, where elements of
 * their own would cost the page more than working them out does. Its words belong to whoever shows it.
 */
import { useEffect, useLayoutEffect, useRef } from 'react';
import { onSheetChange } from '../design/sheetColours.ts';

/** Paints in pixels of the page, on a clean ground. */
type Paint = (context: CanvasRenderingContext2D) => void;

interface PaintedProps {
  readonly width_px: number;
  readonly height_px: number;
  /** Painted again whenever it is another function. */
  readonly paint: Paint;
}

export function Painted({ width_px, height_px, paint }: PaintedProps) {
  const ref = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => draw(ref.current, width_px, height_px, paint), [width_px, height_px, paint]);
  useEffect(
    () => onSheetChange(() => draw(ref.current, width_px, height_px, paint)),
    [width_px, height_px, paint],
  );
  return (
    <canvas ref={ref} aria-hidden="true" style={{ display: 'block', width: width_px, height: height_px }} />
  );
}

function draw(canvas: HTMLCanvasElement | null, width_px: number, height_px: number, paint: Paint): void {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return;
  const fine = Math.max(1, devicePixelRatio);
  const [wide, high] = [Math.round(width_px * fine), Math.round(height_px * fine)];
  if (canvas.width !== wide) canvas.width = wide;
  if (canvas.height !== high) canvas.height = high;
  context.setTransform(fine, 0, 0, fine, 0, 0);
  context.clearRect(0, 0, width_px, height_px);
  paint(context);
}
