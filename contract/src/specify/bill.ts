/** The parts of a job, counted from what was specified. */
import type { BillLine, BillPart } from '@zephyrcombe/core';
import { billOf } from '@zephyrcombe/core';
import type { JobDetail } from '../entities/job.ts';
import type { StockItem } from '../entities/shop.ts';
import { buildOf, hoseOfJob, jointOfJob, washersOf } from './hoseOfJob.ts';

/** Inside of a washer over its bolt: our example, the maker's sheet replaces it. */
const WASHER_PLAY_m = 0.0002;

/** Hoses made up here come from bulk hose: the cut list says how much. */
export function billOfJob(
  detail: JobDetail,
  stock: readonly StockItem[],
  hoseIds: readonly string[] = detail.hoses.map(({ hoseId }) => hoseId),
): readonly BillLine[] {
  const parts: { part: BillPart; count: number }[] = [];
  const joints = new Set<string>();
  for (const hoseId of hoseIds) {
    const own = hoseOfJob(detail, hoseId);
    if (!own) continue;
    const build = buildOf(own);
    const { hose, fitted } = own;
    if (!build.madeHere && hose.order_m !== null)
      parts.push({ part: { kind: 'hose', name: fitted.name, length_m: hose.order_m }, count: 1 });
    for (const { kind, length_m, outside_m, clip_m } of build.along)
      parts.push({ part: { kind: 'along', what: kind, length_m, outside_m, clip_m }, count: 1 });
    for (const end of [build.endA, build.endB])
      if (end.bracket && end.supportWasher) parts.push({ part: { kind: 'supportWasher' }, count: 1 });
    for (const id of [fitted.fromJointId, fitted.toJointId]) joints.add(id);
  }
  // A tee that the vehicle did not have has a block of its own to be bought.
  for (const { circuit, before } of detail.circuits) {
    if (before === null) continue;
    const found = new Set(before.components.map(({ id }) => id));
    for (const block of circuit.components.filter(({ kind, id }) => kind === 'junction' && !found.has(id))) {
      const ports = circuit.ports.filter(({ componentId }) => componentId === block.id);
      parts.push({
        part: { kind: 'junction', ports: Math.max(1, ports.length), thread: ports[0]?.thread ?? '' },
        count: 1,
      });
    }
  }
  for (const id of joints) {
    const joint = jointOfJob(detail, id);
    const { bolt = null, washer = null, boltState } = joint?.chosen ?? {};
    if (!joint || joint.joint.seal !== 'banjo' || !bolt) continue;
    if (boltState === 'new')
      parts.push({
        part: {
          kind: 'bolt',
          eyes: joint.eyes,
          thread: bolt.thread,
          length_m: bolt.length_m,
          material: bolt.material,
          carries: bolt.carries ?? [],
        },
        count: 1,
      });
    if (washer)
      parts.push({
        part: {
          kind: 'washer',
          hole_m: bolt.diameter_m + WASHER_PLAY_m,
          thickness_m: washer.thickness_m,
          material: washer.material,
        },
        count: washersOf(joint),
      });
  }
  return billOf(parts, new Map(stock.map(({ key, onHand }) => [key, onHand])));
}
