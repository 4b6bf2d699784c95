/** What the kept route of a hose says of it as it is specified: worked out here, whatever anybody has kept of it with the job. */
import type { HoseOfJob, JobDetail, Person } from '@zephyrcombe/contract';
import { builtScene } from '@zephyrcombe/contract';
import type { Calculated, Caution, Rig, RigGrid, RouteProof, Scene } from '@zephyrcombe/core';
import { gridOf, judgeHoseFigures, proveRoute, sceneOf, solveScene } from '@zephyrcombe/core';
import { createWriter, problemText } from '@zephyrcombe/messages';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { keptCorners } from '../corners/keptCorners.ts';
import { AppProblem } from '../../http/appProblem.ts';

/** Poses each way, as many as the screen tries. */
const STEPS = 9;

export const triedPoses = (rig: Rig): RigGrid => gridOf(rig, STEPS);

/** @throws AppProblem `no-answer` where the scene cannot be solved: what nobody can tell is not fine. */
export function provedRoute(scene: Scene, { units }: Person): Calculated<RouteProof> {
  const grid = triedPoses(scene.rig);
  const proof = proveRoute(scene, grid, solveScene(scene, grid));
  if (!proof.ok)
    throw new AppProblem('no-answer', { detail: problemText(proof.problem, createWriter(units)) });
  return proof;
}

/** Nothing where no route of this hose is kept with the vehicle. */
export async function routeCautions(
  models: Models,
  { vehicle }: JobDetail,
  { hose, fitted }: HoseOfJob,
  person: Person,
  transaction: Transaction,
): Promise<readonly Caution[]> {
  const rows = await keptCorners(models, [vehicle.id], transaction);
  const kept = rows.flatMap(({ corner }) => sceneOf(corner, hose.hoseId) ?? [])[0];
  if (!kept) return [];
  const { cautions } = provedRoute(builtScene(kept, hose, fitted, hose.build), person);
  return [...cautions, ...judgeHoseFigures(kept.hose)];
}
