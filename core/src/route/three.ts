/** The 3×3 matrices of the route: row by row, nine numbers. */
import type { Vector } from '../geometry/vector.ts';

const at = (matrix: Float64Array, index: number) => matrix[index] ?? 0;

/** Solves M·x = b by Cramer's rule; null when M has no inverse. */
export function solveThree(m: Float64Array, b: Vector): Vector | null {
  const minor = (i: number, j: number, k: number, l: number) => at(m, i) * at(m, j) - at(m, k) * at(m, l);
  const c0 = minor(4, 8, 5, 7);
  const c1 = minor(5, 6, 3, 8);
  const c2 = minor(3, 7, 4, 6);
  const determinant = at(m, 0) * c0 + at(m, 1) * c1 + at(m, 2) * c2;
  if (!(Math.abs(determinant) > 1e-300)) return null;
  return [
    (c0 * b[0] + minor(2, 7, 1, 8) * b[1] + minor(1, 5, 2, 4) * b[2]) / determinant,
    (c1 * b[0] + minor(0, 8, 2, 6) * b[1] + minor(2, 3, 0, 5) * b[2]) / determinant,
    (c2 * b[0] + minor(1, 6, 0, 7) * b[1] + minor(0, 4, 1, 3) * b[2]) / determinant,
  ];
}

/** Eigenvalues of a symmetric matrix, largest first, in closed form (O. K. Smith, Communications of the ACM 4, 1961). */
export function eigenvaluesOfSymmetric(m: Float64Array): Vector {
  const [a, b, c, d, e, f] = [at(m, 0), at(m, 4), at(m, 8), at(m, 1), at(m, 2), at(m, 5)];
  const off = d * d + e * e + f * f;
  const mean = (a + b + c) / 3;
  const spread = Math.sqrt(((a - mean) ** 2 + (b - mean) ** 2 + (c - mean) ** 2 + 2 * off) / 6);
  if (spread === 0) return [mean, mean, mean];
  const [x, y, z] = [(a - mean) / spread, (b - mean) / spread, (c - mean) / spread];
  const [u, v, w] = [d / spread, e / spread, f / spread];
  const half = (x * (y * z - w * w) - u * (u * z - w * v) + v * (u * w - y * v)) / 2;
  const angle = Math.acos(Math.max(-1, Math.min(1, half))) / 3;
  const first = mean + 2 * spread * Math.cos(angle);
  const last = mean + 2 * spread * Math.cos(angle + (2 * Math.PI) / 3);
  return [first, 3 * mean - first - last, last];
}
