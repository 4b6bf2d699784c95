/** A starting pattern on the side that its hose is named for: a left hose gets the left pattern, a right one the right. */
import type { Corner } from '@zephyrcombe/core';
import { mirrored } from '@zephyrcombe/core';

type Side = 'left' | 'right';

/** The side that a name says; null where it says neither, or both. */
export function sideOf(name: string): Side | null {
  const [isLeft, isRight] = [/\bleft\b/i.test(name), /\bright\b/i.test(name)];
  return isLeft === isRight ? null : isLeft ? 'left' : 'right';
}

const otherName = (name: string): string =>
  name.replace(/\b(left|right)\b/gi, (side) => {
    const other = side.toLowerCase() === 'left' ? 'right' : 'left';
    return /^[A-Z]/.test(side) ? other.replace(/^./, (first) => first.toUpperCase()) : other;
  });

/** y is to the left of the vehicle: a hose whose far end lies there is on the left. In the middle it is on neither. */
const CENTRE_m = 0.02;

/** The pattern as it is, or mirrored with the names of its parts. */
export function sidedPattern(corner: Corner, hoseName: string): Corner {
  const wanted = sideOf(hoseName);
  const y = corner.hoses[0]?.end.port_m[1] ?? 0;
  const present: Side | null = Math.abs(y) < CENTRE_m ? null : y > 0 ? 'left' : 'right';
  if (wanted === null || present === null || wanted === present) return corner;
  const other = mirrored(corner);
  return {
    ...other,
    name: otherName(other.name),
    keepOuts: other.keepOuts.map((part) => ({ ...part, name: otherName(part.name) })),
    hoses: other.hoses.map((hose) => ({ ...hose, name: otherName(hose.name) })),
  };
}
