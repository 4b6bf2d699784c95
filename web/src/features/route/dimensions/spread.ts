/**
 * Fields beside a drawing, each as near as it can be to what it belongs to, none over another: neighbours that would overlap
 * share the way they have to give (pooled as in isotonic regression). All in pixels; the order of `wanted` is kept.
 */
export function spread(
  wanted: readonly number[],
  apart: number,
  from: number,
  to: number,
): readonly number[] {
  const order = wanted.map((_place, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  interface Pool {
    /** Where its first would be, summed over its members. */
    sum: number;
    members: number;
  }
  const pools: Pool[] = [];
  const firstOf = ({ sum, members }: Pool) => sum / members;
  for (const index of order) {
    let pool: Pool = { sum: wanted[index] ?? 0, members: 1 };
    for (let last = pools.at(-1); last; last = pools.at(-1)) {
      if (firstOf(last) + last.members * apart <= firstOf(pool)) break;
      pools.pop();
      pool = {
        sum: last.sum + pool.sum - pool.members * last.members * apart,
        members: last.members + pool.members,
      };
    }
    pools.push(pool);
  }
  const places: number[] = pools.flatMap((pool) =>
    Array.from({ length: pool.members }, (_none, index) => firstOf(pool) + index * apart),
  );
  // Within the paper: from the far end back, then from the near end on, which has the last word where there is no room.
  for (let at = places.length - 1, most = to; at >= 0; at -= 1, most -= apart)
    places[at] = Math.min(places[at] ?? 0, most);
  for (let at = 0, least = from; at < places.length; at += 1, least += apart)
    places[at] = Math.max(places[at] ?? 0, least);
  const result = new Array<number>(wanted.length).fill(0);
  for (const [at, index] of order.entries()) result[index] = places[at] ?? 0;
  return result;
}
