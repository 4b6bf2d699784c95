import { AppProblem } from './appProblem.ts';

/** 409 with the row as it is now, when it was written since it was read. */
export function requireVersion(row: { readonly version: number }, version: number): void {
  if (row.version !== version) throw new AppProblem('stale-write', { current: row });
}
