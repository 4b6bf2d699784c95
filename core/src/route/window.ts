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
const SCAN_STEPS = 40;

/**
 * Neither bend nor clearance is monotone in length: edges are looked for step by step outwards and only then halved,
 * never by one blind halving. `judge` gets the judgement of a neighbouring length to start from. Null when the nominal
 * length does not hold. Yields after every judgement, so that whoever waits for something else can have it in between.
 */
export function* searchWindow<J extends Judged>(
  judge: (length_m: number, near?: J) => J,
  scan: LengthScan,
): Generator<undefined, Window<J> | null> {
  const nominal = judge(scan.nominal_m);
  yield;
  if (!nominal.holds) return null;
  const step_m = (scan.to_m - scan.from_m) / SCAN_STEPS;
  function* edge(direction: 1 | -1): Generator<undefined, Edge<J>> {
    let inside_m = scan.nominal_m;
    let inside = nominal;
    for (;;) {
      const next_m = inside_m + direction * step_m;
      if (next_m < scan.from_m || next_m > scan.to_m) return { length_m: inside_m, beyond: null };
      const next = judge(next_m, inside);
      yield;
      if (!next.holds) return yield* halved(judge, inside_m, next_m, inside, next);
      inside_m = next_m;
      inside = next;
    }
  }
  return { short: yield* edge(-1), long: yield* edge(1) };
}

function* halved<J extends Judged>(
  judge: (length_m: number, near?: J) => J,
  inside_m: number,
  outside_m: number,
  held: J,
  failed: J,
): Generator<undefined, Edge<J>> {
  let [inside, outside, near, beyond] = [inside_m, outside_m, held, failed];
  while (Math.abs(outside - inside) > EDGE_m) {
    const middle_m = (inside + outside) / 2;
    const middle = judge(middle_m, near);
    yield;
    if (middle.holds) {
      inside = middle_m;
      near = middle;
    } else {
      outside = middle_m;
      beyond = middle;
    }
  }
  // Rounded inward: the edge is a length that was seen to hold.
  return { length_m: inside, beyond };
}
