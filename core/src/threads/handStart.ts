/**
 * What happens when a bolt of one thread is turned by hand into a port of another. The flanks have play along the axis
 * of (D2 − d2)·tan 30°; a difference of pitch uses it up turn by turn, then the bolt binds and begins to cut.
 */
import type { Thread } from './thread.ts';

export const HAND_OUTCOMES = ['doesNotStart', 'binds', 'goesIn', 'goesInLoose', 'dropsIn'] as const;
export type HandOutcome = (typeof HAND_OUTCOMES)[number];

/** Fewer turns than this before it binds is felt as "it binds"; our estimate. */
export const BINDS_BEFORE_TURNS = 3;
/** Play of the pitch diameters, in pitches of the port, above which a bolt is felt to rock; our estimate. */
const ROCKS_ABOVE_PITCHES = 0.35;
const SAMPLES = 9;
/** The root of a port may be cut deeper than the basic profile by about H/8 a side. */
const ROOT_ROOM_OF_PITCH = 2 * (Math.sqrt(3) / 16);

export interface HandStart {
  /** Play between the pitch diameters; below zero the flanks foul before the first turn. */
  readonly play_m: number;
  /** Turns before it binds; Infinity when the pitches are the same. */
  readonly turns: number;
  readonly outcome: HandOutcome;
}

/** Hand starts over the range that the classes of both threads allow, from the tightest pair to the loosest. */
export function handStarts(bolt: Thread, port: Thread): readonly HandStart[] {
  const tightest_m = port.internal.pitchDiameter.low_m - bolt.external.pitchDiameter.high_m;
  const loosest_m = port.internal.pitchDiameter.high_m - bolt.external.pitchDiameter.low_m;
  return Array.from({ length: SAMPLES }, (_none, index) => {
    const play_m = tightest_m + ((loosest_m - tightest_m) * index) / (SAMPLES - 1);
    const turns = turnsBeforeBinding(bolt, port, play_m);
    return { play_m, turns, outcome: outcomeOf(bolt, port, play_m, turns) };
  });
}

/** Everything that may happen with parts inside their limits, most play last. */
export function handOutcomes(bolt: Thread, port: Thread): readonly HandOutcome[] {
  const known = OUTCOMES.get(bolt)?.get(port);
  if (known) return known;
  const outcomes = [...new Set(handStarts(bolt, port).map((start) => start.outcome))];
  OUTCOMES.set(bolt, (OUTCOMES.get(bolt) ?? new Map<Thread, readonly HandOutcome[]>()).set(port, outcomes));
  return outcomes;
}

/** Every reading of a hand start asks again for the same few pairs: kept by bolt and port. */
const OUTCOMES = new WeakMap<Thread, Map<Thread, readonly HandOutcome[]>>();

function turnsBeforeBinding(bolt: Thread, port: Thread, play_m: number): number {
  if (play_m < 0) return 0;
  const difference_m = Math.abs(bolt.pitch_m - port.pitch_m);
  // Below a nanometre a turn the pitches are one.
  return difference_m < 1e-9 ? Infinity : (play_m * Math.tan(Math.PI / 6)) / difference_m;
}

function outcomeOf(bolt: Thread, port: Thread, play_m: number, turns: number): HandOutcome {
  if (bolt.external.major.high_m <= port.internal.minor.low_m) return 'dropsIn';
  const crestFouls =
    bolt.external.major.low_m > port.major_m + ROOT_ROOM_OF_PITCH * port.pitch_m || play_m < 0;
  if (crestFouls) return 'doesNotStart';
  if (turns < BINDS_BEFORE_TURNS) return 'binds';
  return play_m > ROCKS_ABOVE_PITCHES * port.pitch_m ? 'goesInLoose' : 'goesIn';
}
