/** From a picture to the plane that was photographed. */

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The way from pixels to metres on the plane. */
export type ToPlane = (pixel: Point) => Point;

/** An even scale: a drawing, or a photograph taken square to the plane. */
export const scaled =
  (m_per_px: number): ToPlane =>
  ({ x, y }) => ({ x: x * m_per_px, y: y * m_per_px });

export type Quad = readonly [Point, Point, Point, Point];

/** Whether the four corners, taken round, all turn the same way: no two are crossed and none lies within the others. */
export function isConvex(corners: Quad): boolean {
  const turns = corners.map((corner, index) => {
    const before = corners[(index + 3) % 4] ?? corner;
    const after = corners[(index + 1) % 4] ?? corner;
    return (corner.x - before.x) * (after.y - corner.y) - (corner.y - before.y) * (after.x - corner.x);
  });
  return turns.every((turn) => turn > 1e-9) || turns.every((turn) => turn < -1e-9);
}

/**
 * The plane in which these four corners, taken round from the origin along the width, are a rectangle of this size.
 * P. S. Heckbert, Fundamentals of Texture Mapping and Image Warping, 1989: square to quadrilateral in closed form, here
 * turned round. The corners have to be convex.
 */
export function rectified([p0, p1, p2, p3]: Quad, width_m: number, height_m: number): ToPlane {
  const sx = p0.x - p1.x + p2.x - p3.x;
  const sy = p0.y - p1.y + p2.y - p3.y;
  const [dx1, dx2, dy1, dy2] = [p1.x - p2.x, p3.x - p2.x, p1.y - p2.y, p3.y - p2.y];
  const whole = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / whole;
  const h = (dx1 * sy - sx * dy1) / whole;
  const a = p1.x - p0.x + g * p1.x;
  const b = p3.x - p0.x + h * p3.x;
  const d = p1.y - p0.y + g * p1.y;
  const e = p3.y - p0.y + h * p3.y;
  const depth = ({ x, y }: Point) => (d * h - e * g) * x + (b * g - a * h) * y + (a * e - b * d);
  const before = Math.sign(depth(p0));
  // The adjoint is as good as the inverse: the scale of homogeneous coordinates does not matter.
  return ({ x, y }) => {
    const u = (e - p0.y * h) * x + (p0.x * h - b) * y + (b * p0.y - p0.x * e);
    const v = (p0.y * g - d) * x + (a - p0.x * g) * y + (p0.x * d - a * p0.y);
    const w = depth({ x, y });
    // Beyond the horizon of the plane there is nothing of it.
    if (w * before <= 0) return { x: NaN, y: NaN };
    return { x: (u / w) * width_m, y: (v / w) * height_m };
  };
}
