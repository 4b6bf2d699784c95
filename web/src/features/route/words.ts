/** Poses and what decides a route, in words. */
import type { RigAxis, RigPose, Rig, RouteReason } from '@zephyrcombe/core';
import { axesOf } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { listOf } from '@zephyrcombe/messages';
import type { FoundWindow } from './engine/compute.ts';

/** "right lock", "24° left", "straight ahead"; "full droop", "40 mm", "full bump". */
export function poseWords({ name, unit, least, most }: RigAxis, value: number, write: Writer): string {
  const near = (other: number) => Math.abs(value - other) < (most - least) * 0.002;
  if (name === 'steering')
    return near(0)
      ? 'straight ahead'
      : near(most)
        ? 'left lock'
        : near(least)
          ? 'right lock'
          : `${write.angle(Math.abs(value))} ${value > 0 ? 'left' : 'right'}`;
  if (name === 'roll')
    return near(0) ? 'level' : `${write.angle(Math.abs(value))}, ${value > 0 ? 'left up' : 'right up'}`;
  return near(least)
    ? 'full droop'
    : near(most)
      ? 'full bump'
      : unit === 'length'
        ? write.length(value)
        : write.angle(value);
}

export function poseText(rig: Rig, pose: RigPose, write: Writer): string {
  const { across, down } = axesOf(rig);
  const parts = [across ? poseWords(across, pose.across, write) : null, poseWords(down, pose.down, write)];
  return parts.flatMap((part) => part ?? []).join(', ');
}

export const REASON_WORDS: Readonly<Record<RouteReason, string>> = {
  none: 'holds in every pose',
  taut: 'pulled tight',
  snap: 'jumps to another shape on the way',
  close: 'too near a part',
  bend: 'bent too hard',
};

/** "662–756 mm", rounded inwards; "no window" when the hose's own length does not hold. */
export function windowText(window: FoundWindow | null | undefined, write: Writer): string {
  if (window === undefined) return '…';
  if (window === null) return 'no window';
  return rangeText(
    { short_m: Math.ceil(window.short_m * 1000) / 1000, long_m: Math.floor(window.long_m * 1000) / 1000 },
    { shortIsOpen: window.shortBecause === null, longIsOpen: window.longBecause === null },
    write,
  );
}

/** "662–756 mm"; "or more" and "or less" where the search ended and not the hose. */
export function rangeText(
  { short_m, long_m }: { readonly short_m: number; readonly long_m: number },
  open: { readonly shortIsOpen: boolean; readonly longIsOpen: boolean },
  write: Writer,
): string {
  const range = write.lengthRange(short_m, long_m);
  if (open.shortIsOpen && open.longIsOpen) return `${range}, or less or more`;
  return open.longIsOpen ? `${range} or more` : open.shortIsOpen ? `${range} or less` : range;
}

/** What to do next where no length holds. */
export const NEXT_STEP: Readonly<Record<RouteReason, string>> = {
  none: 'Try another length.',
  taut: 'A longer hose, a clip moved or taken away, or another way past the part: then look again.',
  snap: 'A clip where it jumps, or a shorter hose: then look again.',
  close: 'A clip that leads it away, a sheath on the part, or another way round: then look again.',
  bend: 'Search the ends for other bends, or give it a wider way: then look again.',
};

/** Where else it holds: other lengths of the same route, seen only as closely as lengths were tried. */
export function apartText(
  apart: readonly (readonly [number, number])[],
  window: FoundWindow | null,
  write: Writer,
): string {
  const lengths = listOf(
    apart.map(([from_m, to_m]) => (to_m > from_m ? write.lengthRange(from_m, to_m) : write.length(from_m))),
    'and',
  );
  return window
    ? `It holds again at about ${lengths}, but not at every length on the way there: another shape of the hose.`
    : `Of the lengths tried it holds at about ${lengths}.`;
}

/** Tape and route may differ by this much before one of them is wrong. Our estimate. */
const AGREED_m = 0.01;

/** How far a length lies outside a window, below it negative; nothing within what tape and route may differ by. */
export function disagreement_m({ short_m, long_m }: FoundWindow, length_m: number): number {
  const off_m = length_m < short_m ? length_m - short_m : length_m > long_m ? length_m - long_m : 0;
  return Math.abs(off_m) > AGREED_m ? off_m : 0;
}
