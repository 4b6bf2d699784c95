/**
 * A hose that runs through guides: it slides in them until it is pushed and pulled alike from both sides. Of all ways to
 * share the length between two grips that is the one with the least bending energy: at each guide H/L² is the same before
 * and after, H being what ½κ² less the pull along the hose comes to (route of an elastic rod; friction is left out).
 */
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween } from '../geometry/vector.ts';
import type { SpanPose } from './envelope.ts';
import { spanAt, TAUT_RATIO } from './envelope.ts';
import type { Stiff } from './layout.ts';
import { pushes } from './measures.ts';
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
  /** Where along it the guides were said to be; the search begins there. */
  readonly guidesAt_m: readonly number[];
  /** Of each span its stiffeners, along the whole piece. A guide does not run over one. */
  readonly stiffs: readonly (readonly Stiff[])[];
}

/** A span keeps at least this much more than its chord, as a share: a straight one has no shape to solve for. */
const LEAST_SLACK = 5e-4;
/** Of what slack there is for each span, it has at least this to begin with when there is no neighbour to begin from. */
const COLD_SHARE = 0.4;
/** Bending hose on either side of a stiffener. */
export const LEAST_SOFT_m = 0.005;
/** A place is known to this. */
const PLACE_m = 1e-5;
const PROBE_m = 1e-4;
const MOST_STEPS = 40;
/** One guide after another until none moves any more. */
const MOST_ROUNDS = 40;
const STRIDE = 0.05;

/** How fast the slope grows at each guide of a solved piece, by its first shape: a neighbour's is nearly the same. */
const bends = new WeakMap<RodShape, readonly number[]>();

/** The spans where the hose has slid to; from a neighbour's shapes when they are given. */
export function slid(sliding: Sliding, near?: readonly RodShape[]): readonly SpanPose[] {
  return new Slide(sliding, near).run();
}

class Slide {
  private readonly chords_m: readonly number[];
  /** Places of first grip, guides and last grip along the piece. */
  private readonly places_m: number[];
  private readonly spans: SpanPose[] = [];
  private readonly bends: number[];
  private shifted = false;

  constructor(
    private readonly sliding: Sliding,
    near: readonly RodShape[] | undefined,
  ) {
    const { holds, length_m, guidesAt_m } = sliding;
    this.chords_m = holds
      .slice(1)
      .map((hold, index) => distanceBetween(hold.point_m, (holds[index] ?? hold).point_m));
    this.places_m = [0, ...guidesAt_m, length_m];
    const isNear = near?.length === holds.length - 1 && near.every(({ status }) => status === 'converged');
    if (isNear) {
      const whole_m = near.reduce((sum, shape) => sum + shape.length_m, 0);
      let at_m = 0;
      for (const [index, shape] of near.entries()) {
        at_m += shape.length_m;
        if (index < near.length - 1) this.places_m[index + 1] = (at_m / whole_m) * length_m;
      }
    }
    this.nearShapes = isNear ? near : [];
    const [first] = this.nearShapes;
    this.bends = [...((first && bends.get(first)) ?? [])];
  }

  private readonly nearShapes: readonly RodShape[];

  run(): readonly SpanPose[] {
    const { places_m, chords_m, sliding } = this;
    const chordRatio = chords_m.reduce((sum, chord_m) => sum + chord_m, 0) / sliding.length_m;
    // All but taut, no bend would be shown: where exactly it would slide to is not worth the search.
    const canSlide = this.makeRoom() && chordRatio <= TAUT_RATIO;
    for (let span = 0; span < chords_m.length; span += 1) this.solve(span, this.nearShapes[span]);
    const calmness = this.spans.map(({ shape }) => shape.iterations);
    this.shifted = this.spans.some(({ shape }) => shape.shifted);
    if (canSlide)
      for (let round = 0; round < MOST_ROUNDS; round += 1) {
        let most_m = 0;
        for (let guide = 1; guide < places_m.length - 1; guide += 1) {
          const before_m = places_m[guide] ?? 0;
          this.settle(guide);
          most_m = Math.max(most_m, Math.abs((places_m[guide] ?? 0) - before_m));
        }
        // A guide alone has settled in one round.
        if (places_m.length === 3 || most_m < 2 * PLACE_m) break;
      }
    const spans = this.spans.map((span, index) => ({
      ...span,
      // Taut is the piece as a whole: a straight span takes more hose from its neighbour as long as there is any.
      chordRatio,
      radius_m: canSlide ? span.radius_m : null,
      shape: { ...span.shape, iterations: calmness[index] ?? 0, shifted: this.shifted },
    }));
    const [first] = spans;
    if (first) bends.set(first.shape, this.bends);
    return spans;
  }

  /** Sets the guides so that every span reaches; false where the hose is too short for that. */
  private makeRoom(): boolean {
    const { places_m, sliding, chords_m } = this;
    // With something to spare for each if there is enough; beside a long stiffener there may just be enough to reach.
    if (this.share((span) => this.firstOf(span)) || this.share((span) => this.leastOf(span))) return true;
    // Pulled straight: everything is as short as everything else.
    const whole_m = chords_m.reduce((sum, chord_m) => sum + chord_m, 0);
    let at_m = 0;
    for (const [span, chord_m] of chords_m.slice(0, -1).entries()) {
      at_m += (chord_m / whole_m) * sliding.length_m;
      places_m[span + 1] = at_m;
    }
    return false;
  }

  /** Gives each span at least so much, the guides otherwise where they are; false where it does not go round. */
  private share(lengthOf: (span: number) => number): boolean {
    const { places_m } = this;
    for (let guide = 1; guide < places_m.length - 1; guide += 1)
      places_m[guide] = Math.max(places_m[guide] ?? 0, (places_m[guide - 1] ?? 0) + lengthOf(guide - 1));
    for (let guide = places_m.length - 2; guide > 0; guide -= 1)
      places_m[guide] = Math.min(places_m[guide] ?? 0, (places_m[guide + 1] ?? 0) - lengthOf(guide));
    return this.chords_m.every(
      (_chord, span) => (places_m[span + 1] ?? 0) - (places_m[span] ?? 0) > lengthOf(span) - 1e-12,
    );
  }

  /** The least length of a span, with the stiffeners it carries. */
  private leastOf(span: number): number {
    const stiffs = this.sliding.stiffs[span] ?? [];
    const rigid_m = stiffs.reduce((sum, { from_m, to_m }) => sum + to_m - from_m + 2 * LEAST_SOFT_m, 0);
    return Math.max((this.chords_m[span] ?? 0) * (1 + LEAST_SLACK), rigid_m);
  }

  /** What a span begins with: from nothing a share of the slack, for one that is all but straight is hard to solve. */
  private firstOf(span: number): number {
    const least_m = this.leastOf(span);
    if (this.nearShapes.length > 0) return least_m;
    const slack_m = this.sliding.length_m - this.chords_m.reduce((sum, chord_m) => sum + chord_m, 0);
    return Math.max(least_m, (this.chords_m[span] ?? 0) + (COLD_SHARE * slack_m) / this.chords_m.length);
  }

  private solve(span: number, near?: RodShape): void {
    const { holds, stiffs } = this.sliding;
    const [start, end] = [holds[span], holds[span + 1]];
    if (!start || !end) return;
    const from_m = this.places_m[span] ?? 0;
    this.spans[span] = spanAt(
      {
        start,
        end,
        length_m: (this.places_m[span + 1] ?? 0) - from_m,
        stiffs: stiffs[span]?.map((stiff) => ({ from_m: stiff.from_m - from_m, to_m: stiff.to_m - from_m })),
      },
      near,
      true,
    );
  }

  /** With a guide there: how fast the energy grows as it moves on along the hose. */
  private slopeAt(guide: number, at_m: number): number | null {
    if (this.places_m[guide] !== at_m) {
      this.places_m[guide] = at_m;
      this.solve(guide - 1, this.spans[guide - 1]?.shape);
      this.solve(guide, this.spans[guide]?.shape);
    }
    const [before, after] = [this.spans[guide - 1], this.spans[guide]];
    if (before?.shape.status !== 'converged' || after?.shape.status !== 'converged') return null;
    return pushes(after.ends, after.shape).start_per_m2 - pushes(before.ends, before.shape).end_per_m2;
  }

  /** Between which places a guide may be. */
  private reachOf(guide: number): readonly [number, number] {
    const { places_m, sliding } = this;
    const before = sliding.stiffs[guide - 1]?.at(-1);
    const after = sliding.stiffs[guide]?.[0];
    return [
      Math.max((places_m[guide - 1] ?? 0) + this.leastOf(guide - 1), before ? before.to_m + LEAST_SOFT_m : 0),
      Math.min(
        (places_m[guide + 1] ?? 0) - this.leastOf(guide),
        after ? after.from_m - LEAST_SOFT_m : Infinity,
      ),
    ];
  }

  /**
   * One guide to where the energy is least, the others held: by secants, kept between a place where it still falls and one
   * where it rises again, so that a place from which it falls both ways is left.
   */
  private settle(guide: number): void {
    let [low, high] = this.reachOf(guide);
    const stride_m = STRIDE * (high - low);
    let at_m = Math.max(low, Math.min(high, this.places_m[guide] ?? low));
    let slope = this.slopeAt(guide, at_m);
    if (slope === null) return;
    let bend = this.bends[guide] ?? this.bendAt(guide, at_m, slope, stride_m, high);
    for (let step = 0; step < MOST_STEPS; step += 1) {
      if (slope < 0) low = at_m;
      else high = at_m;
      if (bend <= 0) this.shifted = true;
      const wanted_m = bend > 0 ? at_m - slope / bend : at_m - Math.sign(slope) * stride_m;
      const next_m = Math.max(at_m - 2 * stride_m, Math.min(at_m + 2 * stride_m, wanted_m));
      const to_m = next_m <= low || next_m >= high ? this.inside(low, high, at_m, next_m) : next_m;
      if (Math.abs(to_m - at_m) < PLACE_m || high - low < PLACE_m) break;
      const there = this.slopeAt(guide, to_m);
      if (there === null) {
        // No shape there: no further that way.
        if (to_m < at_m) low = to_m;
        else high = to_m;
        continue;
      }
      bend = (there - slope) / (to_m - at_m);
      // Over less than this the difference is rounding, not bend.
      if (bend > 0 && Math.abs(to_m - at_m) > 10 * PLACE_m) this.bends[guide] = bend;
      at_m = to_m;
      slope = there;
    }
    this.slopeAt(guide, at_m);
  }

  /** How fast the slope grows there, by a small step aside. */
  private bendAt(guide: number, at_m: number, slope: number, stride_m: number, high: number): number {
    const aside_m = Math.min(stride_m, PROBE_m) * (at_m + PROBE_m < high ? 1 : -1);
    const beside = this.slopeAt(guide, at_m + aside_m);
    const bend = beside === null ? 0 : (beside - slope) / aside_m;
    if (bend > 0) this.bends[guide] = bend;
    return bend;
  }

  /** A step that would leave the bracket halves what lies on that side instead. */
  private inside(low: number, high: number, at_m: number, next_m: number): number {
    return next_m <= low && low !== at_m
      ? (low + at_m) / 2
      : next_m >= high && high !== at_m
        ? (high + at_m) / 2
        : (low + high) / 2;
  }
}
