/** What became of a request's writes when its answer is lost: surely nothing, or perhaps everything. */
import { AsyncLocalStorage } from 'node:async_hooks';

interface Outcome {
  /** From when a commit is sent, what it wrote may stand whatever is heard of it. */
  commitSent: boolean;
}

const outcomes = new AsyncLocalStorage<Outcome>();
/** Failures of transactions that were not committed: nothing of them stands. */
const undone = new WeakSet<object>();

/** Runs what answers one request. */
export const followOutcome = (work: () => void): void => outcomes.run({ commitSent: false }, work);

export function commitIsSent(): void {
  const outcome = outcomes.getStore();
  if (outcome) outcome.commitSent = true;
}

export function nothingStands(error: unknown): void {
  if (typeof error === 'object' && error !== null) undone.add(error);
}

/** Whether something that this request wrote may stand, though it failed with this error. */
export function mayStand(error: object): boolean {
  return outcomes.getStore()?.commitSent === true || !undone.has(error);
}
