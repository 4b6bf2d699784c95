/** The piece of lengths round a nominal one in which everything holds, whatever is judged. */

export interface Judged {
  readonly holds: boolean;
}

export interface Edge<J extends Judged> {
  /** A length that was seen to hold. */
  readonly length_m: number;
  /** The judgement just beyond it; null where the search ended first. */
  readonly beyond: J | null;
}

export interface Window<J extends Judged> {
  readonly short: Edge<J>;
  readonly long: Edge<J>;
}

export interface LengthScan {
  readonly from_m: number;
  readonly to_m: number;
  readonly nominal_m: number;
}

/** A window's edge is known to this. */
export const EDGE_m = 0.0005;
/** Near enough to look closely from here: about as far as half the nodes are wrong about an edge. */
const ROUGH_EDGE_m = 0.0025;
const SCAN_STEPS = 40;

/** How much a judgement may cost: roughly is for finding where to look closely, and may be a little wrong about an edge. */
export type Closeness = 'roughly' | 'closely';
export type Judge<J extends Judged> = (length_m: number, closeness: Closeness, near?: J) => J;

interface Seen<J extends Judged> {
  readonly at_m: number;
  readonly judged: J;
}

/**
 * Neither bend nor clearance is monotone in length: edges are looked for step by step outwards and only then halved,
 * never by one blind halving. Both sides of an edge are judged closely in the end, the way there roughly. `judge` gets the
 * judgement of a neighbouring length to start from. Null when the nominal length does not hold. Yields after every judgement,
 * so that whoever waits for something else can have it in between.
 */
export function* searchWindow<J extends Judged>(
  judge: Judge<J>,
  scan: LengthScan,
): Generator<undefined, Window<J> | null> {
  const nominal = judge(scan.nominal_m, 'closely');
  yield;
  if (!nominal.holds) return null;
  const short = yield* edge(judge, scan, nominal, -1);
  return { short, long: yield* edge(judge, scan, nominal, 1) };
}

function* edge<J extends Judged>(
  judge: Judge<J>,
  { from_m, to_m, nominal_m }: LengthScan,
  nominal: J,
  direction: 1 | -1,
): Generator<undefined, Edge<J>> {
  const last_m = direction > 0 ? to_m : from_m;
  const outward = (length_m: number, by_m: number) =>
    direction > 0 ? Math.min(last_m, length_m + by_m) : Math.max(last_m, length_m - by_m);
  const step_m = (to_m - from_m) / SCAN_STEPS;
  let inside: Seen<J> = { at_m: nominal_m, judged: nominal };
  let outside: Seen<J> | null = null;
  while (!outside && inside.at_m !== last_m) {
    const next = yield* seen(judge, outward(inside.at_m, step_m), 'roughly', inside);
    if (next.judged.holds) inside = next;
    else outside = next;
  }
  if (outside) [inside, outside] = yield* halved(judge, inside, outside, 'roughly', ROUGH_EDGE_m);
  // Closely now: as far in as it takes to hold, then as far out as it takes not to.
  let further_m = outside?.at_m ?? last_m;
  let failed: Seen<J> | null = null;
  for (let held = false; !held;) {
    if (inside.at_m === nominal_m) inside = { at_m: nominal_m, judged: nominal };
    else inside = yield* seen(judge, inside.at_m, 'closely', inside);
    held = inside.judged.holds;
    if (held) continue;
    failed = inside;
    const back_m = Math.min(ROUGH_EDGE_m, Math.abs(inside.at_m - nominal_m));
    inside = { at_m: inside.at_m - direction * back_m, judged: inside.judged };
  }
  while (inside.at_m !== last_m) {
    const beyond: Seen<J> = failed ?? (yield* seen(judge, further_m, 'closely', inside));
    if (!beyond.judged.holds) {
      const [held, over] = yield* halved(judge, inside, beyond, 'closely', EDGE_m);
      // Rounded inward: the edge is a length that was seen to hold.
      return { length_m: held.at_m, beyond: over.judged };
    }
    inside = beyond;
    further_m = outward(further_m, ROUGH_EDGE_m);
  }
  return { length_m: inside.at_m, beyond: null };
}

function* seen<J extends Judged>(
  judge: Judge<J>,
  at_m: number,
  closeness: Closeness,
  near: Seen<J>,
): Generator<undefined, Seen<J>> {
  const judged = judge(at_m, closeness, near.judged);
  yield;
  return { at_m, judged };
}

function* halved<J extends Judged>(
  judge: Judge<J>,
  held: Seen<J>,
  failed: Seen<J>,
  closeness: Closeness,
  edge_m: number,
): Generator<undefined, readonly [Seen<J>, Seen<J>]> {
  let [inside, outside] = [held, failed];
  while (Math.abs(outside.at_m - inside.at_m) > edge_m) {
    const middle = yield* seen(judge, (inside.at_m + outside.at_m) / 2, closeness, inside);
    if (middle.judged.holds) inside = middle;
    else outside = middle;
  }
  return [inside, outside];
}

/**
 * Of lengths tried in order, the pieces that hold but are not part of the window: a hose brought from the nominal length to
 * one of these would pass through lengths that do not hold. From the first to the last length of each that was seen to hold.
 */
export function piecesApart(
  tried: readonly { readonly length_m: number; readonly holds: boolean }[],
  window: { readonly short_m: number; readonly long_m: number } | null,
): readonly (readonly [number, number])[] {
  const pieces: [number, number][] = [];
  let held = false;
  for (const { length_m, holds } of tried) {
    const last = pieces.at(-1);
    if (holds && held && last) last[1] = length_m;
    else if (holds) pieces.push([length_m, length_m]);
    held = holds;
  }
  return pieces.filter(([from_m, to_m]) => !window || to_m < window.short_m || from_m > window.long_m);
}
