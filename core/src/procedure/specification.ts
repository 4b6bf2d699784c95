/** Checks on what is about to be ordered and put together. */
import type { Caution } from '../mistakes/caution.ts';

/** The designation of a thread, spaces and multiplication signs made alike: "M10 x 1.0" and "M10×1" are one thread. */
export function sameThread(left: string, right: string): boolean {
  return plainThread(left) === plainThread(right);
}

const plainThread = (text: string) =>
  text
    .toLowerCase()
    .replace(/[\s]/g, '')
    .replace(/[×*]/g, 'x')
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

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
