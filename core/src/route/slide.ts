/**
 * A hose that runs through guides: it slides in them until it is pushed and pulled alike from both sides. Of all ways to
 * share the length between two grips that is the one with the least bending energy: at each guide H/L² is the same before
 * and after, H being what ½κ² less the pull along the hose comes to (friction is left out).
 *
 * A span between two guides that lie close together on a gentle curve needs next to no slack: micrometres. Given more, it
 * would hold a bow of a few millimetres' radius that a real hose pushes out at once. So every span begins with the slack that
 * its own curve needs (`naturalSlack`), one span after another with the rest, and the split is led from there to the least
 * energy by Newton's method on all guides together. The second derivative of a span's energy comes with its shape.
 */
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';
import type { SpanPose } from './envelope.ts';
import { spanAt } from './envelope.ts';
import type { Stiff } from './layout.ts';
import { bending, pushes } from './measures.ts';
import type { RodShape } from './rod.ts';

/** Where the hose is held, and the way it passes there. */
export interface Held {
  readonly point_m: Vector;
  readonly tangent: Vector;
}

export interface Sliding {
  /** First grip, guides, last grip, where the pose has them. */
  readonly holds: readonly Held[];
  /** Free hose from grip to grip. */
  readonly length_m: number;
  /** Where along it the guides were said to be; it decides between splits of the same energy. */
  readonly guidesAt_m: readonly number[];
  /** Of each span its stiffeners, along the whole piece. A guide does not run over one. */
  readonly stiffs: readonly (readonly Stiff[])[];
  /** Of each span whether its two holds move against each other on the vehicle; all do where it is not said. */
  readonly moves?: readonly boolean[] | undefined;
}

/** Bending hose on either side of a stiffener. */
export const LEAST_SOFT_m = 0.005;
/** The least slack of a span, as a share of its chord: what is bent by it is flatter than anybody could see. */
export const LEAST_SLACK = 1e-8;
/** Of the slack its own curve needs a pulled span keeps at least this share. */
const LEAST_SHARE = 0.02;
/** A place is known to this, and the slack of a span to this share of it. */
const PLACE_m = 1e-5;
const SLACK_SHARE = 0.004;
const MOST_STEPS = 40;
const MOST_HALVINGS = 8;
/** A step leaves a span at least this share of its slack, and gives it at most that many times as much. */
const LEAST_KEPT = 0.3;
const MOST_GROWN = 3;
/** Splits whose energies differ by less than this share are alike. */
const ALIKE = 2e-3;
/** Beyond this a direction turned against the chord is no small deflection any more. */
const MOST_TURN_rad = 2;

/** The spans where the hose has slid to; from a neighbour's shapes when they are given. */
export function slid(sliding: Sliding, near?: readonly RodShape[]): readonly SpanPose[] {
  return new Slide(sliding).run(near);
}

/**
 * How much longer than its chord a gently curved hose is between two clamped ends when nothing pushes or pulls it: half the
 * mean square slope of a cubic, (2a² + 2b² − a·b)/30 with a and b the slopes at its ends (a clamped beam; for an arc of
 * angle θ it gives θ²/24). A share of the chord.
 */
export function naturalSlack(start: Held, end: Held): number {
  const chord = unit(subtract(end.point_m, start.point_m));
  const a = turnFrom(chord, start.tangent);
  const b = turnFrom(chord, end.tangent);
  return (2 * dot(a, a) + 2 * dot(b, b) - dot(a, b)) / 30;
}

/** The turn from the chord to a direction, as a vector across the chord. */
function turnFrom(chord: Vector, tangent: Vector): Vector {
  const along = dot(chord, unit(tangent));
  const across = subtract(unit(tangent), scaled(chord, along));
  const size = norm(across);
  if (size < 1e-12) return [0, 0, 0];
  return scaled(across, Math.min(MOST_TURN_rad, Math.atan2(size, along)) / size);
}

/** A way to share the length, solved. */
interface Split {
  /** Places of first grip, guides and last grip along the piece. */
  readonly places_m: readonly number[];
  readonly spans: readonly SpanPose[];
  /** ∫κ² ds of all spans, 1/m; infinite where one has no shape. */
  readonly energy_per_m: number;
}

class Slide {
  private readonly chords_m: readonly number[];
  /** Slack that each span's own curve needs, metres. */
  private readonly natural_m: readonly number[];
  /** Least length of each span. */
  private readonly least_m: readonly number[];
  private readonly slack_m: number;
  private left = false;

  constructor(private readonly sliding: Sliding) {
    const { holds, length_m, stiffs } = sliding;
    const pairs = holds.slice(1).map((end, index) => [holds[index] ?? end, end] as const);
    this.chords_m = pairs.map(([start, end]) => distanceBetween(start.point_m, end.point_m));
    this.slack_m = length_m - sumOf(this.chords_m);
    this.natural_m = pairs.map(([start, end], span) => naturalSlack(start, end) * (this.chords_m[span] ?? 0));
    this.least_m = this.chords_m.map((chord_m, span) => {
      const rigid_m = (stiffs[span] ?? []).reduce(
        (sum, { from_m, to_m }) => sum + to_m - from_m + 2 * LEAST_SOFT_m,
        0,
      );
      const slack_m = Math.max(chord_m * LEAST_SLACK, LEAST_SHARE * (this.natural_m[span] ?? 0));
      return Math.max(chord_m + slack_m, rigid_m);
    });
  }

  run(near: readonly RodShape[] | undefined): readonly SpanPose[] {
    if (!(this.sliding.length_m > sumOf(this.least_m))) return this.pulled();
    const isNear =
      near?.length === this.chords_m.length && near.every(({ status }) => status === 'converged');
    const first = isNear ? this.fromNear(near) : null;
    const settled = first && Number.isFinite(first.energy_per_m) ? this.settled(first) : this.lowest();
    return settled.spans.map((span, index) => ({
      ...span,
      chordRatio: this.chordRatio(),
      // How calmly it came from its neighbour's shape, not how long the guides were looked for.
      shape: {
        ...span.shape,
        iterations: first?.spans[index]?.shape.iterations ?? span.shape.iterations,
        shifted: this.left || (first?.spans.some(({ shape }) => shape.shifted) ?? false),
      },
    }));
  }

  /** Chords that move over the same and all the slack there is: a straight span takes hose from its neighbours as long as there is any. */
  private chordRatio(): number {
    const { moves } = this.sliding;
    const moving_m = sumOf(this.chords_m.filter((_chord, span) => moves?.[span] ?? true));
    const held_m = moving_m + this.slack_m;
    return held_m > 0 ? moving_m / held_m : sumOf(this.chords_m) / Math.max(this.sliding.length_m, 1e-9);
  }

  /** Too short to reach through its guides: as a straight line, and no bend is shown. */
  private pulled(): readonly SpanPose[] {
    const { length_m } = this.sliding;
    const whole_m = sumOf(this.chords_m);
    let at_m = 0;
    const places_m = [0, ...this.chords_m.map((chord_m) => (at_m += (chord_m / whole_m) * length_m))];
    return this.chords_m.map((_chord, span) => ({
      ...this.solved(span, places_m),
      chordRatio: this.chordRatio(),
      radius_m: null,
    }));
  }

  private solved(span: number, places_m: readonly number[], near?: RodShape): SpanPose {
    const { holds, stiffs } = this.sliding;
    const from_m = places_m[span] ?? 0;
    return spanAt(
      {
        start: holds[span] as Held,
        end: holds[span + 1] as Held,
        length_m: (places_m[span + 1] ?? 0) - from_m,
        stiffs: stiffs[span]?.map((stiff) => ({ from_m: stiff.from_m - from_m, to_m: stiff.to_m - from_m })),
      },
      near,
      false,
    );
  }

  private split(places_m: readonly number[], near: readonly (RodShape | undefined)[]): Split {
    const spans = this.chords_m.map((_chord, span) => this.solved(span, places_m, near[span]));
    const isSolved = spans.every(({ shape }) => shape.status === 'converged');
    return {
      places_m,
      spans,
      energy_per_m: isSolved ? sumOf(spans.map(({ ends, shape }) => bending(ends, shape))) : Infinity,
    };
  }

  /** The neighbour's split: each span keeps its share of the slack, however far the holds have moved. */
  private fromNear(near: readonly RodShape[]): Split {
    const lengths_m = near.map(({ length_m }) => length_m);
    const places_m = this.kept(lengths_m);
    return this.split(places_m, near);
  }

  /** Places with so much for each span, made to fit the piece and what each span needs. */
  private kept(lengths_m: readonly number[]): readonly number[] {
    const over_m = lengths_m.map((length_m, span) => Math.max(0, length_m - (this.least_m[span] ?? 0)));
    const whole_m = sumOf(over_m);
    const spare_m = this.sliding.length_m - sumOf(this.least_m);
    let at_m = 0;
    const places_m = over_m.map((over, span) => {
      const share = whole_m > 0 ? over / whole_m : 1 / over_m.length;
      return (at_m += (this.least_m[span] ?? 0) + share * spare_m);
    });
    return this.clear([0, ...places_m.slice(0, -1), this.sliding.length_m]);
  }

  /** Moves guides off stiffeners. */
  private clear(places_m: readonly number[]): readonly number[] {
    return places_m.map((at_m, hold) => {
      if (hold === 0 || hold === places_m.length - 1) return at_m;
      const [low_m, high_m] = this.betweenStiffs(hold);
      return Math.max(low_m, Math.min(high_m, at_m));
    });
  }

  /** Between which stiffeners a guide may be. */
  private betweenStiffs(guide: number): readonly [number, number] {
    const before = this.sliding.stiffs[guide - 1]?.at(-1);
    const after = this.sliding.stiffs[guide]?.[0];
    return [before ? before.to_m + LEAST_SOFT_m : 0, after ? after.from_m - LEAST_SOFT_m : Infinity];
  }

  /** From nothing: from where it was said to be, from slack shared by length, and from each span in turn with all that is over. */
  private lowest(): Split {
    const { length_m, guidesAt_m } = this.sliding;
    const said = [0, ...guidesAt_m, length_m];
    const saidLengths = said.slice(1).map((at_m, span) => at_m - (said[span] ?? 0));
    const natural = this.chords_m.map((chord_m, span) =>
      Math.max(this.least_m[span] ?? 0, chord_m + (this.natural_m[span] ?? 0)),
    );
    const over_m = length_m - sumOf(natural);
    const starts = [
      this.kept(this.chords_m.map((chord_m) => chord_m * (1 + this.slack_m / sumOf(this.chords_m)))),
      ...(over_m > 0
        ? this.chords_m.map((_chord, all) =>
            this.kept(natural.map((own_m, span) => own_m + (span === all ? over_m : 0))),
          )
        : [this.kept(natural)]),
      this.kept(saidLengths.map((own_m, span) => Math.max(own_m, natural[span] ?? 0))),
    ];
    const settled = starts.map((places_m) => this.settled(this.split(places_m, [])));
    const least = Math.min(...settled.map(({ energy_per_m }) => energy_per_m));
    const away = ({ places_m }: Split) =>
      sumOf(places_m.map((at_m, hold) => Math.abs(at_m - (said[hold] ?? 0))));
    const [first] = settled
      .filter(({ energy_per_m }) => energy_per_m <= least * (1 + ALIKE) || !Number.isFinite(least))
      .sort((a, b) => away(a) - away(b));
    this.left = false;
    return this.lowered(first ?? this.split(starts[0] ?? said, []));
  }

  /** A span may have a lower shape than the one it was followed into: then it begins again with that. */
  private lowered(split: Split): Split {
    const again = this.split(split.places_m, []);
    return again.energy_per_m < split.energy_per_m * (1 - 1e-6) ? this.settled(again) : split;
  }

  /** To the split of least energy, by Newton's method with every step checked by the energy itself. */
  private settled(start: Split): Split {
    let here = start;
    if (!Number.isFinite(here.energy_per_m)) return here;
    for (let step = 0; step < MOST_STEPS; step += 1) {
      const by_m = this.step(here);
      const isLast = this.isSmall(here, by_m);
      const next = this.lower(here, by_m);
      if (!next) return here;
      here = next;
      if (isLast) return here;
    }
    return here;
  }

  private isSmall({ places_m }: Split, by_m: readonly number[]): boolean {
    return this.chords_m.every((chord_m, span) => {
      const slack_m = (places_m[span + 1] ?? 0) - (places_m[span] ?? 0) - chord_m;
      const change_m = Math.abs((by_m[span + 1] ?? 0) - (by_m[span] ?? 0));
      return change_m < PLACE_m && change_m < SLACK_SHARE * slack_m;
    });
  }

  /** The step itself, or the first of its halves that does not raise the energy; null where none does. */
  private lower(here: Split, by_m: readonly number[]): Split | null {
    const near = here.spans.map(({ shape }) => shape);
    let share = this.room(here.places_m, by_m);
    for (let halving = 0; halving < MOST_HALVINGS; halving += 1) {
      const next = this.split(
        here.places_m.map((at_m, hold) => at_m + share * (by_m[hold] ?? 0)),
        near,
      );
      if (next.energy_per_m <= here.energy_per_m * (1 + 1e-9)) return next;
      share /= 2;
    }
    return null;
  }

  /** How much of a step may be taken: no span loses all its slack at once or is given too much, and no guide runs onto a stiffener. */
  private room(places_m: readonly number[], by_m: readonly number[]): number {
    let share = 1;
    for (const [span, chord_m] of this.chords_m.entries()) {
      const length_m = (places_m[span + 1] ?? 0) - (places_m[span] ?? 0);
      const change_m = (by_m[span + 1] ?? 0) - (by_m[span] ?? 0);
      const slack_m = length_m - chord_m;
      const spare_m = length_m - (this.least_m[span] ?? 0);
      if (change_m < 0)
        share = Math.min(share, Math.max(spare_m, 0) / -change_m, ((1 - LEAST_KEPT) * slack_m) / -change_m);
      if (change_m > 0) share = Math.min(share, ((MOST_GROWN - 1) * slack_m) / change_m);
    }
    for (let guide = 1; guide < places_m.length - 1; guide += 1) {
      const by = by_m[guide] ?? 0;
      const [low_m, high_m] = this.betweenStiffs(guide);
      const room_m = by < 0 ? (places_m[guide] ?? 0) - low_m : high_m - (places_m[guide] ?? 0);
      if (by !== 0) share = Math.min(share, Math.max(room_m, 0) / Math.abs(by));
    }
    return share;
  }

  /** Of every hold how far along the hose it should move: Newton's step of the guides, the grips stay. */
  private step({ places_m, spans }: Split): readonly number[] {
    const ends = spans.map(({ ends: own, shape }) => pushes(own, shape));
    const slopes = ends.slice(1).map((after, index) => after.start_per_m2 - (ends[index]?.end_per_m2 ?? 0));
    const own = spans.map(({ ends: { length_m }, shape }) => bendOf(shape) / length_m ** 3);
    // A span at its least that would be shorter still stays; its neighbours move as one.
    const held = spans.map(({ ends: { length_m } }, span) => {
      const spare_m = length_m - (this.least_m[span] ?? 0);
      return spare_m < 1e-3 * Math.max(this.natural_m[span] ?? 0, LEAST_SLACK * length_m);
    });
    let bends = own.map((bend, span) => (held[span] ? Math.abs(bend) * 1e6 + 1e6 : bend));
    let by = solveGuides(bends, slopes);
    if (!by) {
      // Not a hollow but a ridge or a saddle: down it, as steeply as it is bent.
      this.left = true;
      bends = bends.map((bend) => Math.max(Math.abs(bend), 1));
      by = solveGuides(bends, slopes) ?? slopes.map(() => 0);
    }
    return places_m.map((_at, hold) => by[hold - 1] ?? 0);
  }
}

/** How fast a span's push falls as it is given more length, times its length cubed: the second derivative of its energy. */
const bendOf = ({ bendAlong }: RodShape): number => bendAlong;

/** Solves the guides' equations, each tied to its neighbours by the span between; null where it is not a minimum that is near. */
function solveGuides(bends: readonly number[], slopes: readonly number[]): number[] | null {
  const count = slopes.length;
  const pivots: number[] = [];
  const sides: number[] = [];
  for (let guide = 0; guide < count; guide += 1) {
    const [before, after] = [bends[guide] ?? 0, bends[guide + 1] ?? 0];
    let pivot = before + after;
    let side = -(slopes[guide] ?? 0);
    if (guide > 0) {
      const ratio = before / (pivots[guide - 1] ?? 1);
      pivot -= before * ratio;
      side += ratio * (sides[guide - 1] ?? 0);
    }
    if (!(pivot > 0)) return null;
    pivots.push(pivot);
    sides.push(side);
  }
  const by = new Array<number>(count).fill(0);
  for (let guide = count - 1; guide >= 0; guide -= 1)
    by[guide] = ((sides[guide] ?? 0) + (bends[guide + 1] ?? 0) * (by[guide + 1] ?? 0)) / (pivots[guide] ?? 1);
  return by;
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);
