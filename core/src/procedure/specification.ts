/** Checks on what is about to be ordered and put together. */
import { needsClocking } from '../fittings/clocking.ts';
import type { EndGeometry } from '../fittings/end.ts';
import type { Caution } from '../mistakes/caution.ts';
import { sameThread } from '../threads/catalogue.ts';

/** M20 when bolt and port differ. */
export function judgeBoltThread(portThread: string, boltThread: string): readonly Caution[] {
  return sameThread(portThread, boltThread) ? [] : [{ id: 'M20', evidence: { portThread, boltThread } }];
}

/** M19 when both ends are bent and nobody said how they lie to each other; M101 when both are held though a neck is straight. */
export function judgeClocking(
  endA: Pick<EndGeometry, 'family' | 'neckAngle_rad'>,
  endB: Pick<EndGeometry, 'family' | 'neckAngle_rad'>,
  clocking_rad: number | null,
): readonly Caution[] {
  if (clocking_rad !== null || !needsClocking(endA, endB)) return [];
  const bothBent = endA.neckAngle_rad !== 0 && endB.neckAngle_rad !== 0;
  return bothBent ? [{ id: 'M19', evidence: {} }] : [{ id: 'M101', evidence: {} }];
}
