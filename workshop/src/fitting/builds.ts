/** The builds of a job's hoses, worked out once while its hoses, joints and circuits are the same: a plan asks for them at every step. */
import type { JobDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob } from '@zephyrcombe/contract';
import type { HoseBuild } from '@zephyrcombe/core';

interface Kept {
  readonly joints: JobDetail['joints'];
  readonly circuits: JobDetail['circuits'];
  readonly builds: Map<string, HoseBuild | null>;
}
const known = new WeakMap<JobDetail['hoses'], Kept>();

/** Null for a line that is no hose of the job. */
export function buildOfHose(detail: JobDetail, hoseId: string): HoseBuild | null {
  const { hoses, joints, circuits } = detail;
  let kept = known.get(hoses);
  if (kept?.joints !== joints || kept.circuits !== circuits) {
    kept = { joints, circuits, builds: new Map() };
    known.set(hoses, kept);
  }
  const found = kept.builds.get(hoseId);
  if (found !== undefined) return found;
  const own = hoseOfJob(detail, hoseId);
  const build = own ? buildOf(own) : null;
  kept.builds.set(hoseId, build);
  return build;
}
