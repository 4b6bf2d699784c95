import type { JobDetail } from '@zephyrcombe/contract';
import { airWentIn } from './airWentIn.ts';
import type { Obstacle } from './obstacle.ts';
import { emptied } from './reservoir.ts';

/** Calling a nipple clear: what came last came from a reservoir that still had fluid in it, and no air went in since. */
export function clearGate(detail: JobDetail, nippleId: string): readonly Obstacle[] {
  const empty = emptied(detail, nippleId);
  // As long as it stands empty, what it left behind is no other thing.
  return [
    ...empty,
    ...airWentIn(detail, nippleId).filter(({ code }) => empty.length === 0 || code !== 'ranDry'),
  ];
}
