/** What stands against the brake as it is built, whoever did it and at whatever step: asked at the signature. */
import type { JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { judgeAbsLeftOut, judgeBleedScrew, judgeNippleHeight } from '@zephyrcombe/core';
import { factOf } from '../fitting/facts.ts';

/** M65: of all circuits of the job together, as they were found and as they are now. */
function absLeftOut({ vehicle, circuits }: JobDetail): readonly Caution[] {
  const isUnit = ({ kind }: { readonly kind: string }) => kind === 'absUnit';
  return judgeAbsLeftOut({
    isOnRoad: vehicle.use === 'road',
    hadUnit: vehicle.abs || circuits.some(({ before }) => before?.components.some(isUnit) ?? false),
    hasUnit: circuits.some(({ circuit }) => circuit.components.some(isUnit)),
  });
}

/** M67 of each nipple that came out. */
export function screwCautions(detail: JobDetail, itemId: string): readonly Caution[] {
  const nipples = detail.items.filter(({ kind }) => kind === 'nipple');
  const own = nipples.find(({ id }) => id === itemId);
  if (!own) return [];
  const { out_m = null, in_m = null } = factOf(detail, 'bleedScrew', itemId) ?? {};
  return judgeBleedScrew({
    out_m,
    in_m,
    mayBeAnother: own.handling === 'replace' || nipples.length > 1,
  }).map((caution) => ({ ...caution, subject: own.name }));
}

/** M68 of a nipple of the circuits of the job. */
export function nippleCautions(detail: JobDetail, nippleId: string): readonly Caution[] {
  const { components } = partsOf(detail);
  const own = components.find(({ id }) => id === nippleId);
  if (!own) return [];
  const caliper = components.find(({ id }) => id === own.attachedTo);
  return judgeNippleHeight({
    isTop: factOf(detail, 'nippleTop', nippleId) ?? null,
    // A mount bolt is noted where a caliper came off.
    cameOff: detail.items.some(({ kind }) => kind === 'mountBolt'),
    nipple_m: own.height_m,
    caliper_m: caliper?.height_m ?? null,
  }).map((caution) => ({ ...caution, subject: own.name }));
}

export const asBuiltCautions = (detail: JobDetail): readonly Caution[] => [
  ...absLeftOut(detail),
  ...detail.items.flatMap(({ id }) => screwCautions(detail, id)),
  ...nipplesOf(detail).flatMap(({ id }) => nippleCautions(detail, id)),
];
