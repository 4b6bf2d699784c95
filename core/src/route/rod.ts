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
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween, norm, subtract, unit } from '../geometry/vector.ts';
import { firstShape } from './firstShape.ts';
import { eigenvaluesOfSymmetric, solveThree } from './three.ts';

export interface RodEnds {
  readonly start: { readonly point_m: Vector; readonly tangent: Vector };
  readonly end: { readonly point_m: Vector; readonly tangent: Vector };
  readonly length_m: number;
}

export type RodStatus = 'converged' | 'tooShort' | 'iterationLimit';

export interface RodShape {
  /** Only a converged shape is one to show. */
  readonly status: RodStatus;
  /** Unit tangents at s = 0, 1/N … 1, three numbers each; kept to start a neighbour from. */
  readonly tangents: Float64Array;
  /** λ, scaled: force times length squared over bending stiffness. */
  readonly force: Vector;
  readonly iterations: number;
  /** How far the far end is from where it should be, metres. */
  readonly closure_m: number;
}

/** Nodes of a drawn shape; a report takes more. */
export const NODES = 64;
const MOST_ITERATIONS = 120;
/** A tangent is turned by no more than this in one step. */
const LONGEST_STEP_rad = 0.35;
const GRADIENT_TOLERANCE = 1e-9;
const CLOSURE_TOLERANCE = 1e-11;
/** Slack below this is a straight line and no shape to solve for. */
const LEAST_SLACK = 1e-9;
/** Of the stiffness of one node: below this a direction is neither up nor down. */
const NEUTRAL_SHIFT = 1e-6;
const MOST_KICKS = 4;
const KICK_rad = 0.08;
const KICK_SLOPE = 0.02;

/** Solves from a neighbour's shape when one is given, else from a smooth curve of the right length. */
export function solveRod(ends: RodEnds, from?: RodShape, nodes = NODES): RodShape {
  const chord_m = distanceBetween(ends.start.point_m, ends.end.point_m);
  if (!(ends.length_m > chord_m * (1 + LEAST_SLACK))) {
    return {
      status: 'tooShort',
      tangents: new Float64Array(0),
      force: [0, 0, 0],
      iterations: 0,
      closure_m: chord_m - ends.length_m,
    };
  }
  const t0 = unit(ends.start.tangent);
  const t1 = unit(ends.end.tangent);
  const by = subtract(ends.end.point_m, ends.start.point_m);
  const target: Vector = [by[0] / ends.length_m, by[1] / ends.length_m, by[2] / ends.length_m];
  const usable = from?.status === 'converged' && from.tangents.length === 3 * (nodes + 1);
  const tangents = usable ? from.tangents.slice() : firstShape(t0, t1, target, nodes);
  tangents.set(t0, 0);
  tangents.set(t1, 3 * nodes);
  return new Descent(tangents, target, usable ? from.force : [0, 0, 0]).run(ends.length_m);
}

/** One solve. Arrays are allocated once and used again in each step. */
class Descent {
  private readonly count: number;
  private readonly h: number;
  /** Two directions across each tangent, three numbers each. */
  private readonly across: Float64Array;
  private readonly gradient: Float64Array;
  /** −BᵢᵀBᵢ₊₁/h between a node and the next: four numbers each. */
  private readonly couplings: Float64Array;
  private readonly schur = new Float64Array(9);
  /** Pivots and right-hand sides of the block elimination: 2×2 and 2×4 a node. */
  private readonly pivots: Float64Array;
  private readonly sides: Float64Array;
  private readonly step: Float64Array;
  private readonly trial: Float64Array;
  private force: [number, number, number];
  private readonly tangents: Float64Array;
  private readonly target: Vector;

  constructor(tangents: Float64Array, target: Vector, force: Vector) {
    this.tangents = tangents;
    this.target = target;
    this.force = [...force];
    const nodes = tangents.length / 3 - 1;
    this.count = nodes - 1;
    this.h = 1 / nodes;
    this.across = new Float64Array(6 * (nodes + 1));
    this.gradient = new Float64Array(2 * (nodes + 1));
    this.couplings = new Float64Array(4 * (nodes + 1));
    this.pivots = new Float64Array(4 * (nodes + 1));
    this.sides = new Float64Array(8 * (nodes + 1));
    this.step = new Float64Array(2 * (nodes + 1));
    this.trial = new Float64Array(tangents.length);
  }

  run(length_m: number): RodShape {
    let shift = 0;
    let iterations = 0;
    let status: RodStatus = 'iterationLimit';
    let kicks = 0;
    this.close();
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
      if (!solved && shift === 0) {
        // Near the pass between two valleys there is hardly a slope to follow: a push out of it.
        if (slope < KICK_SLOPE / this.h && kicks < MOST_KICKS) {
          kicks += 1;
          this.kick(kicks);
          continue;
        }
        if (isLevel) break;
      }
      if (!solved) {
        shift = shift === 0 ? 1 / this.h : shift * 4;
        continue;
      }
      if (shift === 0 && isLevel) {
        status = 'converged';
        break;
      }
      const largest = this.largestStep();
      const isSmall = largest < LONGEST_STEP_rad;
      const energy = this.energy(this.tangents);
      this.move(isSmall ? 1 : LONGEST_STEP_rad / largest);
      if (isSmall && shift === 0) {
        this.force = [solved[0], solved[1], solved[2]];
        this.tangents.set(this.trial);
        continue;
      }
      // Far from the answer the energy has to fall, on shapes that close.
      const before = this.tangents.slice();
      this.tangents.set(this.trial);
      this.close();
      if (this.energy(this.tangents) < energy + 1e-12 * Math.abs(energy) || norm(residual) > 1e-3) {
        this.force = [solved[0], solved[1], solved[2]];
        shift = shift > 1 / this.h / 64 ? shift / 8 : 0;
      } else {
        this.tangents.set(before);
        shift = shift === 0 ? 1 / this.h : shift * 4;
      }
    }
    return {
      status,
      tangents: this.tangents,
      force: this.force,
      iterations,
      closure_m: norm(this.residual()) * length_m,
    };
  }

  /** Half the sum of the squared turns, over h: the bending energy. */
  private energy(tangents: Float64Array): number {
    let sum = 0;
    for (let at = 0; at + 3 < tangents.length; at += 3) {
      for (let axis = 0; axis < 3; axis += 1)
        sum += ((tangents[at + 3 + axis] ?? 0) - (tangents[at + axis] ?? 0)) ** 2;
    }
    return sum / (2 * this.h);
  }

  /** Where the far end is, less where it should be: the trapezium rule over the tangents. */
  private residual(): Vector {
    const { tangents, h, count } = this;
    const sum: [number, number, number] = [0, 0, 0];
    for (let node = 0; node <= count + 1; node += 1) {
      const weight = node === 0 || node === count + 1 ? h / 2 : h;
      for (let axis = 0; axis < 3; axis += 1)
        sum[axis] = (sum[axis] ?? 0) + weight * (tangents[3 * node + axis] ?? 0);
    }
    return subtract(sum, this.target);
  }

  /** Directions across each tangent, the gradient of energy and force in them, and how neighbours' directions lie. */
  private frame(): void {
    const { tangents: t, across, gradient, couplings, h, count } = this;
    const [fx, fy, fz] = this.force;
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
      const px = -((t[at - 3] ?? 0) + (t[at + 3] ?? 0)) / h + h * fx;
      const py = -((t[at - 2] ?? 0) + (t[at + 4] ?? 0)) / h + h * fy;
      const pz = -((t[at - 1] ?? 0) + (t[at + 5] ?? 0)) / h + h * fz;
      gradient[2 * node] = px * ux + py * uy + pz * uz;
      gradient[2 * node + 1] = px * vx + py * vy + pz * vz;
      if (node === 1) continue;
      const before = 6 * (node - 1);
      const ax = across[before] ?? 0;
      const ay = across[before + 1] ?? 0;
      const az = across[before + 2] ?? 0;
      const bx = across[before + 3] ?? 0;
      const by = across[before + 4] ?? 0;
      const bz = across[before + 5] ?? 0;
      const pair = 4 * (node - 1);
      couplings[pair] = -(ax * ux + ay * uy + az * uz) / h;
      couplings[pair + 1] = -(ax * vx + ay * vy + az * vz) / h;
      couplings[pair + 2] = -(bx * ux + by * uy + bz * uz) / h;
      couplings[pair + 3] = -(bx * vx + by * vy + bz * vz) / h;
    }
  }

  private slope(): number {
    let largest = 0;
    for (let at = 2; at < 2 * (this.count + 1); at += 1)
      largest = Math.max(largest, Math.abs(this.gradient[at] ?? 0));
    return largest;
  }

  /**
   * One block elimination on four right-hand sides gives the step, the new force and the inertia. Null when the shifted
   * matrix is not that of a minimum. The matrix: scalar times identity on the diagonal, −BᵢᵀBᵢ₊₁/h beside it, hBᵢᵀ as border.
   */
  private factor(shift: number, residual: Vector): Vector | null {
    const { tangents: t, across, gradient, couplings, pivots, sides, schur, h, count, force } = this;
    const [fx, fy, fz] = force;
    let negative = 0;
    for (let node = 1; node <= count; node += 1) {
      const at = 3 * node;
      const px = -((t[at - 3] ?? 0) + (t[at + 3] ?? 0)) / h + h * fx;
      const py = -((t[at - 2] ?? 0) + (t[at + 4] ?? 0)) / h + h * fy;
      const pz = -((t[at - 1] ?? 0) + (t[at + 5] ?? 0)) / h + h * fz;
      const diagonal = shift - (px * (t[at] ?? 0) + py * (t[at + 1] ?? 0) + pz * (t[at + 2] ?? 0));
      let a = diagonal;
      let b = 0;
      let c = diagonal;
      const base = 8 * node;
      const frame = 6 * node;
      for (let axis = 0; axis < 3; axis += 1) {
        sides[base + axis] = h * (across[frame + axis] ?? 0);
        sides[base + 4 + axis] = h * (across[frame + 3 + axis] ?? 0);
      }
      sides[base + 3] = -(gradient[2 * node] ?? 0);
      sides[base + 7] = -(gradient[2 * node + 1] ?? 0);
      if (node > 1) {
        // What the node before takes away: CᵀP⁻¹C from the pivot, CᵀP⁻¹r from the right-hand sides.
        const pair = 4 * (node - 1);
        const p = pivots[pair] ?? 0;
        const q = pivots[pair + 1] ?? 0;
        const r = pivots[pair + 2] ?? 0;
        const c00 = couplings[pair] ?? 0;
        const c01 = couplings[pair + 1] ?? 0;
        const c10 = couplings[pair + 2] ?? 0;
        const c11 = couplings[pair + 3] ?? 0;
        const inverse = 1 / (p * r - q * q);
        const m00 = (c00 * r - c10 * q) * inverse;
        const m01 = (c10 * p - c00 * q) * inverse;
        const m10 = (c01 * r - c11 * q) * inverse;
        const m11 = (c11 * p - c01 * q) * inverse;
        a -= m00 * c00 + m01 * c10;
        b -= m00 * c01 + m01 * c11;
        c -= m10 * c01 + m11 * c11;
        for (let column = 0; column < 4; column += 1) {
          const x = sides[base - 8 + column] ?? 0;
          const y = sides[base - 4 + column] ?? 0;
          sides[base + column] = (sides[base + column] ?? 0) - m00 * x - m01 * y;
          sides[base + 4 + column] = (sides[base + 4 + column] ?? 0) - m10 * x - m11 * y;
        }
      }
      pivots[4 * node] = a;
      pivots[4 * node + 1] = b;
      pivots[4 * node + 2] = c;
      const determinant = a * c - b * b;
      if (!(Math.abs(determinant) > 1e-300)) return null;
      negative += determinant < 0 ? 1 : a + c < 0 ? 2 : 0;
      // More ways down than the three that closing takes away: no minimum, whatever comes.
      if (negative > 3) return null;
    }
    // Back substitution on all four sides; the border then gives the 3×3 matrix of the force.
    schur.fill(0);
    let rx = residual[0];
    let ry = residual[1];
    let rz = residual[2];
    for (let node = count; node >= 1; node -= 1) {
      const base = 8 * node;
      const pair = 4 * node;
      const p = pivots[pair] ?? 0;
      const q = pivots[pair + 1] ?? 0;
      const r = pivots[pair + 2] ?? 0;
      const inverse = 1 / (p * r - q * q);
      const isLast = node === count;
      const c00 = isLast ? 0 : (couplings[pair] ?? 0);
      const c01 = isLast ? 0 : (couplings[pair + 1] ?? 0);
      const c10 = isLast ? 0 : (couplings[pair + 2] ?? 0);
      const c11 = isLast ? 0 : (couplings[pair + 3] ?? 0);
      for (let column = 0; column < 4; column += 1) {
        const nx = isLast ? 0 : (sides[base + 8 + column] ?? 0);
        const ny = isLast ? 0 : (sides[base + 12 + column] ?? 0);
        const x = (sides[base + column] ?? 0) - c00 * nx - c01 * ny;
        const y = (sides[base + 4 + column] ?? 0) - c10 * nx - c11 * ny;
        sides[base + column] = (r * x - q * y) * inverse;
        sides[base + 4 + column] = (p * y - q * x) * inverse;
      }
      const frame = 6 * node;
      for (let axis = 0; axis < 3; axis += 1) {
        const first = h * (across[frame + axis] ?? 0);
        const second = h * (across[frame + 3 + axis] ?? 0);
        for (let column = 0; column < 3; column += 1)
          schur[3 * axis + column] =
            (schur[3 * axis + column] ?? 0) +
            first * (sides[base + column] ?? 0) +
            second * (sides[base + 4 + column] ?? 0);
        const last = first * (sides[base + 3] ?? 0) + second * (sides[base + 7] ?? 0);
        if (axis === 0) rx += last;
        else if (axis === 1) ry += last;
        else rz += last;
      }
    }
    const [first, second, third] = eigenvaluesOfSymmetric(schur);
    const positive = Number(first > 0) + Number(second > 0) + Number(third > 0);
    if (negative + positive !== 3) return null;
    const change = solveThree(schur, [rx, ry, rz]);
    if (change === null) return null;
    const [dx, dy, dz] = change;
    for (let at = 2; at < 2 * (count + 1); at += 1) {
      const base = 4 * at;
      this.step[at] =
        (sides[base + 3] ?? 0) -
        (sides[base] ?? 0) * dx -
        (sides[base + 1] ?? 0) * dy -
        (sides[base + 2] ?? 0) * dz;
    }
    return [fx + dx, fy + dy, fz + dz];
  }

  private largestStep(): number {
    let largest = 0;
    for (let at = 2; at < 2 * (this.count + 1); at += 2) {
      const u = this.step[at] ?? 0;
      const v = this.step[at + 1] ?? 0;
      largest = Math.max(largest, u * u + v * v);
    }
    return Math.sqrt(largest);
  }

  /** Turns every tangent by its share of the step, along the sphere. */
  private move(share: number): void {
    const { tangents: t, across, step, trial, count } = this;
    trial.set(t);
    for (let node = 1; node <= count; node += 1) {
      const u = share * (step[2 * node] ?? 0);
      const v = share * (step[2 * node + 1] ?? 0);
      const angle = Math.sqrt(u * u + v * v);
      const sine = angle < 1e-12 ? 1 : Math.sin(angle) / angle;
      const cosine = Math.cos(angle);
      const frame = 6 * node;
      for (let axis = 0; axis < 3; axis += 1) {
        const sideways = u * (across[frame + axis] ?? 0) + v * (across[frame + 3 + axis] ?? 0);
        trial[3 * node + axis] = cosine * (t[3 * node + axis] ?? 0) + sine * sideways;
      }
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
    this.tangents.set(this.trial);
    this.close();
  }

  /** The least turn of the tangents that brings the far end home. */
  private close(): void {
    for (let round = 0; round < 12; round += 1) {
      this.frame();
      const residual = this.residual();
      if (norm(residual) < CLOSURE_TOLERANCE) return;
      const { across, h, count, step } = this;
      const normal = new Float64Array(9);
      for (let node = 1; node <= count; node += 1)
        for (let side = 0; side < 2; side += 1)
          for (let row = 0; row < 3; row += 1)
            for (let column = 0; column < 3; column += 1)
              normal[3 * row + column] =
                (normal[3 * row + column] ?? 0) +
                h *
                  h *
                  (across[6 * node + 3 * side + row] ?? 0) *
                  (across[6 * node + 3 * side + column] ?? 0);
      const pull = solveThree(normal, residual);
      if (pull === null) return;
      for (let node = 1; node <= count; node += 1)
        for (let side = 0; side < 2; side += 1) {
          let sum = 0;
          for (let axis = 0; axis < 3; axis += 1)
            sum += (across[6 * node + 3 * side + axis] ?? 0) * (pull[axis] ?? 0);
          step[2 * node + side] = -h * sum;
        }
      const largest = this.largestStep();
      this.move(Math.min(1, LONGEST_STEP_rad / Math.max(largest, 1e-30)));
      this.tangents.set(this.trial);
    }
  }
}
