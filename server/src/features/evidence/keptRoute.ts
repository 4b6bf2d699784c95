/** What the kept route of a hose says of it as it is specified: worked out here, whatever anybody has kept of it with the job. */
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { buildOf, builtScene } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { gridOf, judgeHoseFigures, proveRoute, sceneOf, solveScene } from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

/** Poses each way, as many as the screen tries. */
export const STEPS = 9;

/** Nothing where no route of this hose is kept with the vehicle. */
export async function routeCautions(
  { Corner }: Models,
  { vehicle }: JobDetail,
  own: HoseOfJob,
  transaction: Transaction,
): Promise<readonly Caution[]> {
  const { hose, fitted } = own;
  const rows = await Corner.findAll({
    where: { vehicleId: vehicle.id },
    order: [['position', 'ASC']],
    transaction,
  });
  const kept = rows.flatMap(({ corner }) => sceneOf(corner, hose.hoseId) ?? [])[0];
  if (!kept) return [];
  const scene = builtScene(kept, hose, fitted, buildOf(own));
  const grid = gridOf(scene.rig, STEPS);
  const proof = proveRoute(scene, grid, solveScene(scene, grid));
  return [...(proof.ok ? proof.cautions : []), ...judgeHoseFigures(kept.hose)];
}
