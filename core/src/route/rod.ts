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
import { eigenvaluesOfSymmetric, solveThree } from './three.ts';

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
  /** Two directions across each tangent, three numbers each. */
  private readonly across: Float64Array;
  private readonly gradient: Float64Array;
  /** The stiffness of a node by itself, the same in both directions across. */
  private readonly diagonal: Float64Array;
  /** −BᵢᵀBᵢ₊₁/h between a node and the next: four numbers each. */
  private readonly couplings: Float64Array;
  private readonly schur = new Float64Array(9);
  /** Inverse pivots and right-hand sides of the block elimination: 2×2 and 2×4 a node. */
  private readonly pivots: Float64Array;
  private readonly sides: Float64Array;
  private readonly step: Float64Array;
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
    this.across = new Float64Array(6 * (nodes + 1));
    this.gradient = new Float64Array(2 * (nodes + 1));
    this.diagonal = new Float64Array(nodes + 1);
    this.couplings = new Float64Array(4 * (nodes + 1));
    this.pivots = new Float64Array(3 * (nodes + 1));
    this.sides = new Float64Array(8 * (nodes + 1));
    this.step = new Float64Array(2 * (nodes + 2));
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
    const isCoarse = this.count + 1 < NODES;
    // Of a span that is all but straight the whole turn is small: its last step has to be small beside that.
    const turn = Math.sqrt(2 * Math.max(0, 1 - norm(this.target)));
    const lastStep = Math.min(
      LAST_STEP_SHARE * turn,
      !isNear ? LAST_STEP_rad : isCoarse ? DRAG_LAST_STEP_rad : NEAR_LAST_STEP_rad,
    );
    if (!isNear) this.close();
    for (; iterations < MOST_ITERATIONS; iterations += 1) {
      this.frame();
      const residual = this.residual();
      const slope = this.slope();
      const isLevel = slope < GRADIENT_TOLERANCE / this.h && norm(residual) < CLOSURE_TOLERANCE;
      // A bow that may point any way round its chord is as low in every direction: a minimum that slides, and a little
      // stiffness against sliding leaves it where it is.
      const solved =
        this.factor(shift, residual) ?? (shift === 0 ? this.factor(NEUTRAL_SHIFT / this.h, residual) : null);
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
      const largest = this.largestStep();
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
      // Far from the answer the energy has to fall, on shapes that close.
      const energy = this.energy();
      this.before.set(this.tangents);
      this.move(isSmall ? 1 : LONGEST_STEP_rad / largest);
      this.accept();
      this.close();
      if (this.energy() < energy * (1 + 1e-12) || norm(residual) > 1e-3) {
        this.force = solved;
        if (shift > 0) held = shift / 2;
        shift = shift > LEAST_SHIFT / this.h ? shift / 8 : 0;
      } else {
        this.tangents.set(this.before);
        shift = shift === 0 ? 1 / this.h : shift * 4;
      }
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

  /** By the matrix of the last full step, which was taken where the shape came to rest. */
  private bendAlong(): number {
    const { target, force, schur } = this;
    const give = solveThree(schur, target) ?? [0, 0, 0];
    const along = (vector: Vector) => vector[0] * target[0] + vector[1] * target[1] + vector[2] * target[2];
    return this.energy() - 4 * along(force) + along(give);
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

  /** Directions across each tangent, the slope and the stiffness in them, and how neighbours' directions lie. */
  private frame(): void {
    const { tangents: t, across, gradient, diagonal, couplings, inverse, weight, count } = this;
    const [fx, fy, fz] = this.force;
    let back = inverse[0] ?? 0;
    for (let node = 1; node <= count; node += 1) {
      const at = 3 * node;
      const x = t[at] ?? 0;
      const y = t[at + 1] ?? 0;
      const z = t[at + 2] ?? 0;
      // Across its smallest component, so that the first direction is never near zero.
      let ux = 0;
      let uy = 0;
      let uz = 0;
      if (Math.abs(x) <= Math.abs(y) && Math.abs(x) <= Math.abs(z)) {
        uy = -z;
        uz = y;
      } else if (Math.abs(y) <= Math.abs(z)) {
        ux = z;
        uz = -x;
      } else {
        ux = -y;
        uy = x;
      }
      const scale = 1 / Math.sqrt(ux * ux + uy * uy + uz * uz);
      ux *= scale;
      uy *= scale;
      uz *= scale;
      const vx = y * uz - z * uy;
      const vy = z * ux - x * uz;
      const vz = x * uy - y * ux;
      const frame = 6 * node;
      across[frame] = ux;
      across[frame + 1] = uy;
      across[frame + 2] = uz;
      across[frame + 3] = vx;
      across[frame + 4] = vy;
      across[frame + 5] = vz;
      const on = inverse[node] ?? 0;
      const carry = weight[node] ?? 0;
      const px = carry * fx - back * (t[at - 3] ?? 0) - on * (t[at + 3] ?? 0);
      const py = carry * fy - back * (t[at - 2] ?? 0) - on * (t[at + 4] ?? 0);
      const pz = carry * fz - back * (t[at - 1] ?? 0) - on * (t[at + 5] ?? 0);
      diagonal[node] = -(px * x + py * y + pz * z);
      gradient[2 * node] = px * ux + py * uy + pz * uz;
      gradient[2 * node + 1] = px * vx + py * vy + pz * vz;
      const step = back;
      back = on;
      if (node === 1) continue;
      const before = 6 * (node - 1);
      const ax = across[before] ?? 0;
      const ay = across[before + 1] ?? 0;
      const az = across[before + 2] ?? 0;
      const bx = across[before + 3] ?? 0;
      const by = across[before + 4] ?? 0;
      const bz = across[before + 5] ?? 0;
      const pair = 4 * (node - 1);
      couplings[pair] = -step * (ax * ux + ay * uy + az * uz);
      couplings[pair + 1] = -step * (ax * vx + ay * vy + az * vz);
      couplings[pair + 2] = -step * (bx * ux + by * uy + bz * uz);
      couplings[pair + 3] = -step * (bx * vx + by * vy + bz * vz);
    }
  }

  private slope(): number {
    const { gradient, count } = this;
    let largest = 0;
    for (let at = 2; at < 2 * (count + 1); at += 1) largest = Math.max(largest, Math.abs(gradient[at] ?? 0));
    return largest;
  }

  /**
   * One block elimination on four right-hand sides gives the step, the new force and the inertia. Null when the shifted
   * matrix is not that of a minimum. The matrix: scalar times identity on the diagonal, −BᵢᵀBᵢ₊₁/h beside it, wᵢBᵢᵀ as
   * border. The 3×3 matrix of the force is summed on the way down, so that only one side goes back up.
   */
  private factor(shift: number, residual: Vector): [number, number, number] | null {
    const { across, gradient, diagonal, couplings, pivots, sides, schur, step, weight, count, force } = this;
    let negative = 0;
    // Sums of ŷᵀP⁻¹ŷ over the nodes, with ŷ the eliminated sides.
    let [s00, s01, s02, s11, s12, s22] = [0, 0, 0, 0, 0, 0];
    let [rx, ry, rz] = residual;
    // What the node before left: its inverse pivot and its sides.
    let [ip, iq, ir] = [0, 0, 0];
    let [x0, x1, x2, x3, y0, y1, y2, y3] = [0, 0, 0, 0, 0, 0, 0, 0];
    for (let node = 1; node <= count; node += 1) {
      const frame = 6 * node;
      const carry = weight[node] ?? 0;
      let a = (diagonal[node] ?? 0) + shift;
      let b = 0;
      let c = a;
      let u0 = carry * (across[frame] ?? 0);
      let u1 = carry * (across[frame + 1] ?? 0);
      let u2 = carry * (across[frame + 2] ?? 0);
      let u3 = -(gradient[2 * node] ?? 0);
      let v0 = carry * (across[frame + 3] ?? 0);
      let v1 = carry * (across[frame + 4] ?? 0);
      let v2 = carry * (across[frame + 5] ?? 0);
      let v3 = -(gradient[2 * node + 1] ?? 0);
      if (node > 1) {
        // What the node before takes away: CᵀP⁻¹C from the pivot, CᵀP⁻¹r from the right-hand sides.
        const pair = 4 * (node - 1);
        const c00 = couplings[pair] ?? 0;
        const c01 = couplings[pair + 1] ?? 0;
        const c10 = couplings[pair + 2] ?? 0;
        const c11 = couplings[pair + 3] ?? 0;
        const m00 = c00 * ip + c10 * iq;
        const m01 = c00 * iq + c10 * ir;
        const m10 = c01 * ip + c11 * iq;
        const m11 = c01 * iq + c11 * ir;
        a -= m00 * c00 + m01 * c10;
        b -= m00 * c01 + m01 * c11;
        c -= m10 * c01 + m11 * c11;
        u0 -= m00 * x0 + m01 * y0;
        u1 -= m00 * x1 + m01 * y1;
        u2 -= m00 * x2 + m01 * y2;
        u3 -= m00 * x3 + m01 * y3;
        v0 -= m10 * x0 + m11 * y0;
        v1 -= m10 * x1 + m11 * y1;
        v2 -= m10 * x2 + m11 * y2;
        v3 -= m10 * x3 + m11 * y3;
      }
      const determinant = a * c - b * b;
      if (!(Math.abs(determinant) > 1e-300)) return null;
      negative += determinant < 0 ? 1 : a + c < 0 ? 2 : 0;
      // More ways down than the three that closing takes away: no minimum, whatever comes.
      if (negative > 3) return null;
      const over = 1 / determinant;
      ip = c * over;
      iq = -b * over;
      ir = a * over;
      const at = 3 * node;
      pivots[at] = ip;
      pivots[at + 1] = iq;
      pivots[at + 2] = ir;
      const base = 8 * node;
      sides[base] = u0;
      sides[base + 1] = u1;
      sides[base + 2] = u2;
      sides[base + 3] = u3;
      sides[base + 4] = v0;
      sides[base + 5] = v1;
      sides[base + 6] = v2;
      sides[base + 7] = v3;
      const p0 = ip * u0 + iq * v0;
      const p1 = ip * u1 + iq * v1;
      const p2 = ip * u2 + iq * v2;
      const q0 = iq * u0 + ir * v0;
      const q1 = iq * u1 + ir * v1;
      const q2 = iq * u2 + ir * v2;
      s00 += u0 * p0 + v0 * q0;
      s01 += u0 * p1 + v0 * q1;
      s02 += u0 * p2 + v0 * q2;
      s11 += u1 * p1 + v1 * q1;
      s12 += u1 * p2 + v1 * q2;
      s22 += u2 * p2 + v2 * q2;
      rx += u3 * p0 + v3 * q0;
      ry += u3 * p1 + v3 * q1;
      rz += u3 * p2 + v3 * q2;
      x0 = u0;
      x1 = u1;
      x2 = u2;
      x3 = u3;
      y0 = v0;
      y1 = v1;
      y2 = v2;
      y3 = v3;
    }
    schur[0] = s00;
    schur[1] = s01;
    schur[2] = s02;
    schur[3] = s01;
    schur[4] = s11;
    schur[5] = s12;
    schur[6] = s02;
    schur[7] = s12;
    schur[8] = s22;
    const [first, second, third] = eigenvaluesOfSymmetric(schur);
    const positive = Number(first > 0) + Number(second > 0) + Number(third > 0);
    if (negative + positive !== 3) return null;
    const change = solveThree(schur, [rx, ry, rz]);
    if (change === null) return null;
    const [dx, dy, dz] = change;
    let [u, v] = [0, 0];
    for (let node = count; node >= 1; node -= 1) {
      const base = 8 * node;
      let x =
        (sides[base + 3] ?? 0) -
        (sides[base] ?? 0) * dx -
        (sides[base + 1] ?? 0) * dy -
        (sides[base + 2] ?? 0) * dz;
      let y =
        (sides[base + 7] ?? 0) -
        (sides[base + 4] ?? 0) * dx -
        (sides[base + 5] ?? 0) * dy -
        (sides[base + 6] ?? 0) * dz;
      if (node < count) {
        const pair = 4 * node;
        x -= (couplings[pair] ?? 0) * u + (couplings[pair + 1] ?? 0) * v;
        y -= (couplings[pair + 2] ?? 0) * u + (couplings[pair + 3] ?? 0) * v;
      }
      const at = 3 * node;
      u = (pivots[at] ?? 0) * x + (pivots[at + 1] ?? 0) * y;
      v = (pivots[at + 1] ?? 0) * x + (pivots[at + 2] ?? 0) * y;
      step[2 * node] = u;
      step[2 * node + 1] = v;
    }
    return [force[0] + dx, force[1] + dy, force[2] + dz];
  }

  private largestStep(): number {
    const { step, count } = this;
    let largest = 0;
    for (let at = 2; at < 2 * (count + 1); at += 2) {
      const u = step[at] ?? 0;
      const v = step[at + 1] ?? 0;
      largest = Math.max(largest, u * u + v * v);
    }
    return Math.sqrt(largest);
  }

  /** Turns every tangent by its share of the step: aside, and back to length one. */
  private move(share: number): void {
    const { tangents: t, across, step, trial, count } = this;
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
    const { step, count, h } = this;
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
      const { across, weight, count, step } = this;
      const [px, py, pz] = pull;
      for (let node = 1; node <= count; node += 1) {
        const at = 6 * node;
        const by = -(weight[node] ?? 0);
        step[2 * node] =
          by * ((across[at] ?? 0) * px + (across[at + 1] ?? 0) * py + (across[at + 2] ?? 0) * pz);
        step[2 * node + 1] =
          by * ((across[at + 3] ?? 0) * px + (across[at + 4] ?? 0) * py + (across[at + 5] ?? 0) * pz);
      }
      const largest = this.largestStep();
      this.move(Math.min(1, LONGEST_STEP_rad / Math.max(largest, 1e-30)));
      this.accept();
    }
  }
}
