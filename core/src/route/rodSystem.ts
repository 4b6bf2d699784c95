/**
 * The linear equations of one step towards the shape of a rod: how much each tangent turns, in two directions across itself, and
 * how the force changes. One block elimination, whose pivots also tell whether the shape is a minimum.
 */
import type { Vector } from '../geometry/vector.ts';
import { eigenvaluesOfSymmetric, solveThree } from './three.ts';

/** Arrays are allocated once and used again in each solve. */
export class RodSystem {
  private readonly count: number;
  /** Two directions across each tangent, three numbers each. */
  readonly across: Float64Array;
  private readonly gradient: Float64Array;
  /** The stiffness of a node by itself, the same in both directions across. */
  private readonly diagonal: Float64Array;
  /** −BᵢᵀBᵢ₊₁/h between a node and the next: four numbers each. */
  private readonly couplings: Float64Array;
  /** How far the far end gives per force; of the last elimination. */
  readonly schur = new Float64Array(9);
  /** Inverse pivots and right-hand sides of the block elimination: 2×2 and 2×4 a node. */
  private readonly pivots: Float64Array;
  private readonly sides: Float64Array;
  /** How far each tangent turns in its two directions. */
  readonly step: Float64Array;
  /** The right-hand side of the force, as far as it was summed. */
  private readonly pull: [number, number, number] = [0, 0, 0];

  constructor(nodes: number) {
    this.count = nodes - 1;
    this.across = new Float64Array(6 * (nodes + 1));
    this.gradient = new Float64Array(2 * (nodes + 1));
    this.diagonal = new Float64Array(nodes + 1);
    this.couplings = new Float64Array(4 * (nodes + 1));
    this.pivots = new Float64Array(3 * (nodes + 1));
    this.sides = new Float64Array(8 * (nodes + 1));
    this.step = new Float64Array(2 * (nodes + 2));
  }

  /** Directions across each tangent, the slope and the stiffness in them, and how neighbours' directions lie. */
  frame(t: Float64Array, inverse: Float64Array, weight: Float64Array, [fx, fy, fz]: Vector): void {
    const { across, gradient, diagonal, couplings, count } = this;
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

  /** The steepest way down there is. */
  slope(): number {
    const { gradient, count } = this;
    let largest = 0;
    for (let at = 2; at < 2 * (count + 1); at += 1) largest = Math.max(largest, Math.abs(gradient[at] ?? 0));
    return largest;
  }

  /**
   * The step, and how the force changes with it. Null where the shifted matrix is not that of a minimum. The matrix: scalar times
   * identity on the diagonal, −BᵢᵀBᵢ₊₁/h beside it, wᵢBᵢᵀ as border.
   */
  solve(shift: number, residual: Vector, weight: Float64Array): Vector | null {
    const { schur, pull } = this;
    const negative = this.eliminate(shift, residual, weight);
    if (negative === null) return null;
    const [first, second, third] = eigenvaluesOfSymmetric(schur);
    const positive = Number(first > 0) + Number(second > 0) + Number(third > 0);
    if (negative + positive !== 3) return null;
    const change = solveThree(schur, pull);
    if (change === null) return null;
    this.substitute(change);
    return change;
  }

  /**
   * The way down of the elimination, on four right-hand sides; the 3×3 matrix of the force is summed on it, so that only one side
   * goes back up. The number of negative pivots; null where there is none, or more than a minimum has. Written out: it is most of
   * the time of every pose.
   */
  private eliminate(shift: number, residual: Vector, weight: Float64Array): number | null {
    const { across, gradient, diagonal, couplings, pivots, sides, schur, pull, count } = this;
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
    pull[0] = rx;
    pull[1] = ry;
    pull[2] = rz;
    return negative;
  }

  /** The way back up: the step, for this change of the force. */
  private substitute([dx, dy, dz]: Vector): void {
    const { couplings, pivots, sides, step, count } = this;
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
  }

  /** The most that one tangent turns. */
  largestStep(): number {
    const { step, count } = this;
    let largest = 0;
    for (let at = 2; at < 2 * (count + 1); at += 2) {
      const u = step[at] ?? 0;
      const v = step[at + 1] ?? 0;
      largest = Math.max(largest, u * u + v * v);
    }
    return Math.sqrt(largest);
  }
}
