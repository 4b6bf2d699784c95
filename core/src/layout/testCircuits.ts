/** Ids in order, for tests: the same circuit has the same ids each time. */
export function countingIds(prefix = 'id'): () => string {
  let next = 0;
  return () => {
    next += 1;
    return `${prefix}-${next}`;
  };
}
