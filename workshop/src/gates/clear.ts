import type { JobDetail } from '@zephyrcombe/contract';
import { airWentIn } from './airWentIn.ts';
import type { Obstacle } from './obstacle.ts';
import { emptied } from './reservoir.ts';

/** Calling a nipple clear: what came last came from a reservoir that still had fluid in it, and no air went in since. */
export const clearGate = (detail: JobDetail, nippleId: string): readonly Obstacle[] => [
  ...emptied(detail, nippleId),
  ...airWentIn(detail, nippleId),
];
