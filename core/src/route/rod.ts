/**
 * The shape of a free hose between two clamped ends: an inextensible rod that only resists bending (Kirchhoff; Love,
 * A Treatise on the Mathematical Theory of Elasticity, chapters XVIII and XIX). Lengths are scaled by the hose's length,
 * so that it enters only through the chord: with s from 0 to 1 and unit tangent t(s),
 *
 *   minimise ½∫|t′|² ds   with t(0) = t₀, t(1) = t₁, ∫t ds = D = (p₁ − p₀)/L.
 *
 * Unknown are the tangents at the nodes and three multipliers λ, the force. Stationary is t″ = λ − (λ·t + |t′|²)t, and
 * H = ½|t′|² − λ·t is the same all along: the curvature is read from it, the clamped ends included.
 */
import { demand, unphysical } from '../calculation/physical.ts';
import { LARGEST } from '../calculation/problem.ts';
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween, norm, subtract, unit } from '../geometry/vector.ts';
import { firstShape } from './firstShape.ts';
import type { RodLayout, Stiff } from './layout.ts';
import { evenLayout, layoutOf } from './layout.ts';
import { reachOf } from './reach.ts';
import { RodSystem } from './rodSystem.ts';
import { solveThree } from './three.ts';

export interface RodEnds {
  readonly start: { readonly point_m: Vector; readonly tangent: Vector };
  readonly end: { readonly point_m: Vector; readonly tangent: Vector };
  readonly length_m: number;
  /** Straight, rigid pieces between them, in order. */
  readonly stiffs?: readonly Stiff[] | undefined;
}

export type RodStatus = 'converged' | 'tooShort' | 'iterationLimit';

export interface RodShape {
  /** Only a converged shape is one to show. */
  readonly status: RodStatus;
  /** Unit tangents at the nodes, three numbers each; kept to start a neighbour from. */
  readonly tangents: Float64Array;
  /** Where its nodes lie; null where they are even. */
  readonly layout: RodLayout | null;
  /** What it was solved with. */
  readonly length_m: number;
  /** λ, scaled: force times length squared over bending stiffness. */
  readonly force: Vector;
  /**
   * How the push of the hose falls as it is given more length, times that length cubed: the second derivative of the bending
   * energy by the length, (2e − 4λ·D + D·S⁻¹D)/L³ with e = ½∫|t′|² and S how far the end gives per force. Zero unless converged.
   */
  readonly bendAlong: number;
  readonly iterations: number;
  /** Full steps alone did not lead here: the start lay beyond the shape's own valley. */
  readonly shifted: boolean;
  /** How far the far end is from where it should be, metres. */
  readonly closure_m: number;
}

/** Nodes of a drawn shape; a report takes more. */
export const NODES = 64;
const MOST_ITERATIONS = 120;
/** A tangent is turned by no more than this in one step. */
const LONGEST_STEP_rad = 0.35;
/** After a full step this small the next would change the tangents by its square: nothing a tape could tell. */
const LAST_STEP_rad = 1e-4;
/** From a neighbour, one of thousands: still closes to a thousandth of a millimetre; a bow that slides round its chord comes to rest. */
const NEAR_LAST_STEP_rad = 1e-3;
/** On a drag with half the nodes: the square of this over a metre is within the hundredth of a millimetre asked of a closure. */
const DRAG_LAST_STEP_rad = 4.5e-3;
const LAST_STEP_SHARE = 0.02;
const GRADIENT_TOLERANCE = 1e-9;
const CLOSURE_TOLERANCE = 1e-11;
/** Slack below this is a straight line and no shape to solve for. */
const LEAST_SLACK = 1e-9;
/** Of the stiffness of one node: below this a direction is neither up nor down. */
const NEUTRAL_SHIFT = 1e-6;
/** Below this a shift is left out altogether. */
const LEAST_SHIFT = 1e-3;
const MOST_KICKS = 4;
const KICK_rad = 0.08;
const KICK_SLOPE = 0.001;
/** A slope at which a shifted descent has run onto a pass. */
const STANDSTILL = 1e-6;

export const nodesOf = ({ tangents }: RodShape): number => tangents.length / 3 - 1;

/** Solves from a neighbour's shape when one is given, with as many nodes as that has; else from a smooth curve of the right length. */
export function solveRod(
  ends: RodEnds,
  from?: RodShape,
  nodes = from?.status === 'converged' ? nodesOf(from) : NODES,
): RodShape {
  const chord_m = distanceBetween(ends.start.point_m, ends.end.point_m);
  if (!(chord_m < LARGEST && Math.abs(ends.length_m) < LARGEST))
    demand(unphysical({ start: ends.start, end: ends.end, length_m: ends.length_m }));
  if (!(ends.length_m > chord_m * (1 + LEAST_SLACK)) || !stiffsFit(ends)) {
    return {
      status: 'tooShort',
      tangents: new Float64Array(0),
      layout: null,
      length_m: ends.length_m,
      force: [0, 0, 0],
      bendAlong: 0,
      iterations: 0,
      shifted: false,
      closure_m: chord_m - ends.length_m,
    };
  }
  const t0 = unit(ends.start.tangent);
  const t1 = unit(ends.end.tangent);
  if (!(norm(t0) > 0.5)) demand({ code: 'noDirection', field: 'start.tangent' });
  if (!(norm(t1) > 0.5)) demand({ code: 'noDirection', field: 'end.tangent' });
  const by = subtract(ends.end.point_m, ends.start.point_m);
  const target: Vector = [by[0] / ends.length_m, by[1] / ends.length_m, by[2] / ends.length_m];
  const descent = descents.get(nodes) ?? new Descent(nodes);
  descents.set(nodes, descent);
  const { stiffs } = ends;
  const layout = stiffs && stiffs.length > 0 ? layoutOf(ends.length_m, stiffs, nodes) : null;
  const solve = (tangents: Float64Array, force: Vector, isNear: boolean): RodShape => {
    descent.begin(tangents, t0, t1, target, force, layout);
    return descent.run(ends.length_m, isNear);
  };
  if (from?.status === 'converged' && from.tangents.length === 3 * (nodes + 1))
    return solve(from.tangents, from.force, true);
  const [first, second] = ([1, -1] as const).map((side) =>
    solve(firstShape(t0, t1, target, (layout ?? evenLayout(nodes)).at, side), [0, 0, 0], false),
  ) as [RodShape, RodShape];
  return isLower(second, first) ? second : first;
}

/** Of the whole length: less hose between two stiffeners than this does not bend. */
const LEAST_PIECE = 1e-9;

/** Stiffeners lie one after the other within the span, with bending hose before, between and after them. */
function stiffsFit({ stiffs = [], length_m }: RodEnds): boolean {
  let at_m = 0;
  for (const { from_m, to_m } of stiffs) {
    if (!(from_m > at_m + LEAST_PIECE * length_m && to_m > from_m)) return false;
    at_m = to_m;
  }
  return at_m < length_m;
}

/** Converged before not; then the lower energy by more than rounding, so that of two alike the first one stays. */
function isLower(a: RodShape, b: RodShape): boolean {
  if (a.status !== 'converged') return false;
  return b.status !== 'converged' || energyOf(a) < energyOf(b) * (1 - 1e-9);
}

/** ∫|t′|² ds: the squared turns over their steps, twice the bending energy but for the stiffness. */
export function energyOf({ tangents, layout }: Pick<RodShape, 'tangents' | 'layout'>): number {
  const { inverse } = layout ?? evenLayout(tangents.length / 3 - 1);
  let sum = 0;
  for (let node = 0; node < inverse.length; node += 1) {
    const at = 3 * node;
    const x = (tangents[at + 3] ?? 0) - (tangents[at] ?? 0);
    const y = (tangents[at + 4] ?? 0) - (tangents[at + 1] ?? 0);
    const z = (tangents[at + 5] ?? 0) - (tangents[at + 2] ?? 0);
    sum += (inverse[node] ?? 0) * (x * x + y * y + z * z);
  }
  return sum;
}

/** Working arrays by number of nodes: thousands of poses are solved one after another. */
const descents = new Map<number, Descent>();

/** One solve at a time. Arrays are allocated once and used again in each. */
class Descent {
  private readonly count: number;
  /** A step, but for stiffeners. */
  private readonly h: number;
  private readonly system: RodSystem;
  private trial: Float64Array;
  private readonly before: Float64Array;
  private force: [number, number, number] = [0, 0, 0];
  private tangents: Float64Array;
  private target: Vector = [0, 0, 0];
  private layout: RodLayout | null = null;
  private inverse: Float64Array;
  private weight: Float64Array;

  constructor(nodes: number) {
    this.count = nodes - 1;
    this.h = 1 / nodes;
    const { inverse, weight } = evenLayout(nodes);
    this.inverse = inverse;
    this.weight = weight;
    this.system = new RodSystem(nodes);
    this.tangents = new Float64Array(3 * (nodes + 1));
    this.trial = new Float64Array(3 * (nodes + 1));
    this.before = new Float64Array(3 * (nodes + 1));
  }

  /** Copies the start, and clamps it between the two tangents. */
  begin(
    from: Float64Array,
    first: Vector,
    last: Vector,
    target: Vector,
    force: Vector,
    layout: RodLayout | null,
  ): void {
    const { tangents, trial } = this;
    const { inverse, weight } = layout ?? evenLayout(this.count + 1);
    this.layout = layout;
    this.inverse = inverse;
    this.weight = weight;
    tangents.set(from);
    const end = 3 * (this.count + 1);
    // One by one: taking three numbers over from an array costs as much as a tenth of the solve.
    for (let axis = 0; axis < 3; axis += 1) {
      tangents[axis] = first[axis] ?? 0;
      tangents[end + axis] = last[axis] ?? 0;
    }
    trial.set(tangents);
    this.target = target;
    this.force = [force[0], force[1], force[2]];
  }

  /** `isNear`: it begins at a neighbour's shape, from which full steps lead home by themselves. */
  run(length_m: number, isNear: boolean): RodShape {
    let shift = 0;
    /** The last shift that gave a way down: where to take up again when none at all is too little. */
    let held = 1 / this.h;
    let iterations = 0;
    let shifted = false;
    let status: RodStatus = 'iterationLimit';
    let kicks = 0;
    const lastStep = this.lastStep(isNear);
    if (!isNear) this.close();
    for (; iterations < MOST_ITERATIONS; iterations += 1) {
      this.frame();
      const residual = this.residual();
      const slope = this.system.slope();
      const isLevel = slope < GRADIENT_TOLERANCE / this.h && norm(residual) < CLOSURE_TOLERANCE;
      // A bow that may point any way round its chord is as low in every direction: a minimum that slides, and a little
      // stiffness against sliding leaves it where it is.
      const solved =
        this.solve(shift, residual) ?? (shift === 0 ? this.solve(NEUTRAL_SHIFT / this.h, residual) : null);
      // The right number of ways down: a minimum on the closed shapes, not a saddle between two of them.
      if (!solved) {
        // Near the pass between two valleys there is hardly a slope to follow: a push out of it.
        if (slope < (shift === 0 ? KICK_SLOPE : STANDSTILL) / this.h && kicks < MOST_KICKS) {
          kicks += 1;
          shifted = true;
          shift = 0;
          this.kick(kicks);
          continue;
        }
        if (isLevel && shift === 0) break;
      }
      if (!solved) {
        shifted = true;
        shift = shift === 0 ? held : shift * 4;
        continue;
      }
      const largest = this.system.largestStep();
      const isSmall = largest < LONGEST_STEP_rad;
      if (isSmall && shift === 0) {
        this.move(1);
        this.accept();
        this.force = solved;
        if (largest < lastStep) {
          status = 'converged';
          break;
        }
        continue;
      }
      shifted = true;
      if (this.goesDown(isSmall ? 1 : LONGEST_STEP_rad / largest, residual)) {
        this.force = solved;
        if (shift > 0) held = shift / 2;
        shift = shift > LEAST_SHIFT / this.h ? shift / 8 : 0;
      } else shift = shift === 0 ? 1 / this.h : shift * 4;
    }
    return {
      status,
      tangents: this.tangents.slice(),
      layout: this.layout,
      length_m,
      force: this.force,
      bendAlong: status === 'converged' ? this.bendAlong() : 0,
      iterations,
      shifted,
      closure_m: norm(this.residual()) * length_m,
    };
  }

  /** A full step smaller than this is the last. */
  private lastStep(isNear: boolean): number {
    const isCoarse = this.count + 1 < NODES;
    // Of a span that is all but straight the whole turn is small: its last step has to be small beside that.
    const turn = Math.sqrt(2 * Math.max(0, 1 - norm(this.target)));
    return Math.min(
      LAST_STEP_SHARE * turn,
      !isNear ? LAST_STEP_rad : isCoarse ? DRAG_LAST_STEP_rad : NEAR_LAST_STEP_rad,
    );
  }

  /** Far from the answer the energy has to fall, on shapes that close; a step that does not is taken back. */
  private goesDown(share: number, residual: Vector): boolean {
    const energy = this.energy();
    this.before.set(this.tangents);
    this.move(share);
    this.accept();
    this.close();
    if (this.energy() < energy * (1 + 1e-12) || norm(residual) > 1e-3) return true;
    this.tangents.set(this.before);
    return false;
  }

  /** By the matrix of the last full step, which was taken where the shape came to rest. */
  private bendAlong(): number {
    const { target, force, system } = this;
    const give = solveThree(system.schur, target) ?? [0, 0, 0];
    const along = (vector: Vector) => vector[0] * target[0] + vector[1] * target[1] + vector[2] * target[2];
    return this.energy() - 4 * along(force) + along(give);
  }

  private frame(): void {
    this.system.frame(this.tangents, this.inverse, this.weight, this.force);
  }

  /** The step is worked out; the new force, or null where this is not near a minimum. */
  private solve(shift: number, residual: Vector): [number, number, number] | null {
    const change = this.system.solve(shift, residual, this.weight);
    if (change === null) return null;
    const [x, y, z] = this.force;
    return [x + change[0], y + change[1], z + change[2]];
  }

  private energy(): number {
    const { tangents, layout } = this;
    return energyOf({ tangents, layout });
  }

  /** The tried tangents become the tangents; the end tangents are the same in both. */
  private accept(): void {
    const tried = this.trial;
    this.trial = this.tangents;
    this.tangents = tried;
  }

  /** Where the far end is, less where it should be: the trapezium rule over the tangents, and stiffeners as they are. */
  private residual(): Vector {
    const { tangents, weight, target } = this;
    let x = -target[0];
    let y = -target[1];
    let z = -target[2];
    for (let node = 0; node < weight.length; node += 1) {
      const by = weight[node] ?? 0;
      const at = 3 * node;
      x += by * (tangents[at] ?? 0);
      y += by * (tangents[at + 1] ?? 0);
      z += by * (tangents[at + 2] ?? 0);
    }
    return [x, y, z];
  }

  /** Turns every tangent by its share of the step: aside, and back to length one. */
  private move(share: number): void {
    const { tangents: t, trial, count } = this;
    const { across, step } = this.system;
    for (let node = 1; node <= count; node += 1) {
      const u = share * (step[2 * node] ?? 0);
      const v = share * (step[2 * node + 1] ?? 0);
      const scale = 1 / Math.sqrt(1 + u * u + v * v);
      const frame = 6 * node;
      const at = 3 * node;
      trial[at] = scale * ((t[at] ?? 0) + u * (across[frame] ?? 0) + v * (across[frame + 3] ?? 0));
      trial[at + 1] =
        scale * ((t[at + 1] ?? 0) + u * (across[frame + 1] ?? 0) + v * (across[frame + 4] ?? 0));
      trial[at + 2] =
        scale * ((t[at + 2] ?? 0) + u * (across[frame + 2] ?? 0) + v * (across[frame + 5] ?? 0));
    }
  }

  /** Waves across the hose, another mixture each time: whatever the way down, one of them has a share in it. */
  private kick(number: number): void {
    this.frame();
    const { count, h } = this;
    const { step } = this.system;
    for (let node = 1; node <= count; node += 1) {
      const s = Math.PI * node * h;
      step[2 * node] = KICK_rad * (Math.sin(s) + Math.sin((number + 1) * s));
      step[2 * node + 1] = KICK_rad * (Math.sin(2 * s) - Math.sin((number + 2) * s) / 2);
    }
    this.move(1);
    this.accept();
    this.close();
  }

  /** The least turn of the tangents that brings the far end home. */
  private close(): void {
    for (let round = 0; round < 12; round += 1) {
      this.frame();
      const residual = this.residual();
      if (norm(residual) < CLOSURE_TOLERANCE) return;
      const pull = solveThree(reachOf(this.tangents, this.weight), residual);
      if (pull === null) return;
      const { weight, count } = this;
      const { across, step } = this.system;
      const [px, py, pz] = pull;
      for (let node = 1; node <= count; node += 1) {
        const at = 6 * node;
        const by = -(weight[node] ?? 0);
        step[2 * node] =
          by * ((across[at] ?? 0) * px + (across[at + 1] ?? 0) * py + (across[at + 2] ?? 0) * pz);
        step[2 * node + 1] =
          by * ((across[at + 3] ?? 0) * px + (across[at + 4] ?? 0) * py + (across[at + 5] ?? 0) * pz);
      }
      const largest = this.system.largestStep();
      this.move(Math.min(1, LONGEST_STEP_rad / Math.max(largest, 1e-30)));
      this.accept();
    }
  }
}
