/** What the kept route of a hose has of a movement: worked out here, whatever the page that looked on says of it. */
import type { FitFactSaid, HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob } from '@zephyrcombe/contract';
import type { Pose } from '@zephyrcombe/core';
import { leastGapsByPose, sceneOf, solveScene } from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { keptCorners } from '../corners/keptCorners.ts';
import { triedPoses } from '../evidence/keptRoute.ts';
import { withoutPlace } from './afterEvent.ts';
import { withoutMaster } from './pulledMaster.ts';

type Movement = Extract<FitFactSaid, { kind: 'movementSeen' }>;

/** What a person said, without what the drawing has. */
export function asSeen(said: FitFactSaid): FitFactSaid {
  if (said.kind === 'leverPulls') return withoutMaster(said);
  if (said.kind !== 'movementSeen' || said.value === null) return withoutPlace(said);
  const poses = said.value.poses.map(({ pose, seen_m }) => ({ pose, seen_m }));
  return { ...said, value: { poses, expected_m: null } };
}

/** The least distance in each pose that the route of this hose has with the length that it was ordered with, metres. */
async function drawnGaps(
  models: Models,
  { vehicle }: JobDetail,
  { hose }: HoseOfJob,
  transaction: Transaction,
): Promise<Partial<Record<Pose, number>>> {
  if (hose.order_m === null) return {};
  const rows = await keptCorners(models, [vehicle.id], transaction);
  const kept = rows.flatMap(({ corner }) => sceneOf(corner, hose.hoseId) ?? [])[0];
  if (!kept) return {};
  const scene = { ...kept, hose: { ...kept.hose, length_m: hose.order_m } };
  return leastGapsByPose(scene.rig, solveScene(scene, triedPoses(scene.rig)));
}

/** The same with what the drawing has in each pose; null where no route is kept, or nothing is drawn near it. */
export async function withDrawnGaps(
  models: Models,
  detail: JobDetail,
  said: FitFactSaid,
  transaction: Transaction,
): Promise<FitFactSaid> {
  const own = said.kind === 'movementSeen' ? hoseOfJob(detail, said.subjectId) : null;
  if (said.kind !== 'movementSeen' || said.value === null || !own) return said;
  const gaps_m = await drawnGaps(models, detail, own, transaction);
  const all = Object.values(gaps_m);
  const value: Movement['value'] = {
    poses: said.value.poses.map(({ pose, seen_m }) => ({ pose, seen_m, expected_m: gaps_m[pose] ?? null })),
    expected_m: all.length > 0 ? Math.min(...all) : null,
  };
  return { ...said, value };
}
