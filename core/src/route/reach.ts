/**
 * How far the far end of a hose comes for a pull on it, when each tangent turns as much as the pull lies across it:
 * Σw²(I − ttᵀ) over the nodes between its ends, row by row. Both directions across a tangent make up all but the tangent.
 */
export function reachOf(tangents: Float64Array, weight: Float64Array): Float64Array {
  let [xx, xy, xz, yy, yz, zz] = [0, 0, 0, 0, 0, 0];
  for (let node = 1; node < weight.length - 1; node += 1) {
    const at = 3 * node;
    const square = (weight[node] ?? 0) ** 2;
    const x = tangents[at] ?? 0;
    const y = tangents[at + 1] ?? 0;
    const z = tangents[at + 2] ?? 0;
    xx += square * (1 - x * x);
    xy -= square * x * y;
    xz -= square * x * z;
    yy += square * (1 - y * y);
    yz -= square * y * z;
    zz += square * (1 - z * z);
  }
  return Float64Array.of(xx, xy, xz, xy, yy, yz, xz, yz, zz);
}
