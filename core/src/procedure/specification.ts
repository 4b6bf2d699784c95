/** Checks on what is about to be ordered and put together. */
import type { Caution } from '../mistakes/caution.ts';
import { sameThread } from '../threads/catalogue.ts';

/** M20 when bolt and port differ. */
export function judgeBoltThread(portThread: string, boltThread: string): readonly Caution[] {
  return sameThread(portThread, boltThread) ? [] : [{ id: 'M20', evidence: { portThread, boltThread } }];
}

/** M19 when both ends are bent and nobody said how they lie to each other. */
export function judgeClocking(
  angleA_rad: number,
  angleB_rad: number,
  clocking_rad: number | null,
): readonly Caution[] {
  return angleA_rad !== 0 && angleB_rad !== 0 && clocking_rad === null ? [{ id: 'M19', evidence: {} }] : [];
}
