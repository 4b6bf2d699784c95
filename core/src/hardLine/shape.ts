/** The finished line in space, for drawing and for checking: end A at the origin, running along x, first bend towards y. */
import type { Vector } from '../geometry/vector.ts';
import { add, cross, scaled, turned } from '../geometry/vector.ts';
import type { Developed, HardLine } from './line.ts';
import { demandLine } from './line.ts';

export interface LinePiece {
  readonly kind: 'straight' | 'arc';
  readonly length_m: number;
  /** How far an arc turns; of a straight 0. */
  readonly angle_rad: number;
  readonly from_m: Vector;
  readonly to_m: Vector;
  /** Of an arc: its centre, and the axis that it turns about, right-hand. */
  readonly centre_m: Vector | null;
  readonly axis: Vector | null;
  /** The way the tube runs where the piece begins. */
  readonly along: Vector;
}

/** Straights and arcs one after another; straights of no length are left out. */
export function linePieces(line: HardLine, made: Developed): readonly LinePiece[] {
  demandLine(line, made);
  const pieces: LinePiece[] = [];
  let at: Vector = [0, 0, 0];
  let along: Vector = [1, 0, 0];
  /** Towards the centre of the bend. */
  let inward: Vector = [0, 1, 0];
  const straight = (length_m: number) => {
    if (length_m <= 1e-9) return;
    const to_m = add(at, scaled(along, length_m));
    pieces.push({
      kind: 'straight',
      length_m,
      angle_rad: 0,
      from_m: at,
      to_m,
      centre_m: null,
      axis: null,
      along,
    });
    at = to_m;
  };
  for (const [index, { angle_rad, roll_rad }] of line.bends.entries()) {
    straight(made.straights_m[index] ?? 0);
    if (index > 0) inward = turned(inward, along, roll_rad);
    const axis = cross(along, inward);
    const centre_m = add(at, scaled(inward, line.radius_m));
    const to_m = add(centre_m, turned(scaled(inward, -line.radius_m), axis, angle_rad));
    pieces.push({
      kind: 'arc',
      length_m: made.arcs_m[index] ?? 0,
      angle_rad,
      from_m: at,
      to_m,
      centre_m,
      axis,
      along,
    });
    at = to_m;
    along = turned(along, axis, angle_rad);
    inward = turned(inward, axis, angle_rad);
  }
  straight(made.straights_m.at(-1) ?? 0);
  return pieces;
}

/** Finer than any drawing shows. */
const MOST_STEPS = 10_000;

/** Points along the middle, close enough for a drawing: an arc in steps of at most so much. */
export function linePoints(pieces: readonly LinePiece[], step_rad = Math.PI / 36): readonly Vector[] {
  const [first] = pieces;
  const points: Vector[] = first ? [first.from_m] : [];
  for (const { kind, from_m, to_m, centre_m, axis, angle_rad } of pieces) {
    if (kind === 'arc' && centre_m && axis) {
      const spoke: Vector = [from_m[0] - centre_m[0], from_m[1] - centre_m[1], from_m[2] - centre_m[2]];
      const steps = Math.min(MOST_STEPS, Math.max(1, Math.ceil(angle_rad / step_rad)));
      for (let step = 1; step < steps; step += 1)
        points.push(add(centre_m, turned(spoke, axis, (angle_rad * step) / steps)));
    }
    points.push(to_m);
  }
  return points;
}

/** All bends in one plane: it can be drawn flat at its true size. */
export const isFlat = ({ bends }: HardLine): boolean =>
  bends.slice(1).every(({ roll_rad }) => Math.abs(Math.sin(roll_rad)) < 1e-9);
