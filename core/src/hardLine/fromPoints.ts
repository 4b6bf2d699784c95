/** Legs, bends and rolls of a pattern from its corners: a bent wire laid out, or points read off the vehicle. */
import type { Vector } from '../geometry/vector.ts';
import { cross, dot, norm, subtract, unit } from '../geometry/vector.ts';
import type { LineBend } from './line.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** A turn of less than this is no bend but a hand that shook. */
const LEAST_BEND_rad = Math.PI / 180;

/** Apex to apex. Corners where the line hardly turns are left out. Null with fewer than two corners apart from each other. */
export function patternFrom(
  corners_m: readonly Vector[],
): { readonly legs_m: readonly number[]; readonly bends: readonly LineBend[] } | null {
  demand(unphysical({ corners_m }));
  const kept: Vector[] = [];
  for (const [index, corner] of corners_m.entries()) {
    const before = kept.at(-1);
    const after = corners_m[index + 1];
    if (!before) kept.push(corner);
    else if (norm(subtract(corner, before)) > 1e-9) {
      const isEnd = !after;
      if (isEnd || between_rad(subtract(corner, before), subtract(after, corner)) >= LEAST_BEND_rad)
        kept.push(corner);
    }
  }
  if (kept.length < 2) return null;
  const legs = kept.slice(1).map((corner, index) => subtract(corner, kept[index] ?? corner));
  const bends = legs.slice(1).map((after, index): LineBend => {
    const before = legs[index] ?? after;
    const angle_rad = between_rad(before, after);
    const first = legs[index - 1];
    // The normals of this bend's plane and of the one before, seen along the tube between them.
    const roll_rad = first ? aboutAxis_rad(cross(first, before), cross(before, after), unit(before)) : 0;
    return { angle_rad, roll_rad };
  });
  return { legs_m: legs.map(norm), bends };
}

const between_rad = (a: Vector, b: Vector): number => Math.atan2(norm(cross(a, b)), dot(a, b));
const aboutAxis_rad = (from: Vector, to: Vector, axis: Vector): number =>
  Math.atan2(dot(cross(from, to), axis), dot(from, to));
