/** What stands against the brake as it is built, whoever did it and at whatever step: asked at the signature. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { judgeAbsLeftOut, judgeBleedScrew, judgeNippleHeight } from '@zephyrcombe/core';
import { factOf } from '../fitting/facts.ts';

const isUnit = ({ kind }: { readonly kind: string }) => kind === 'absUnit';

/** M65 of each circuit, as it was found and as it is now: a unit that another one keeps is none of this one. */
export const absCautions = (detail: JobDetail): readonly Caution[] =>
  detail.circuits.flatMap(({ circuit, before }) =>
    judgeAbsLeftOut({
      isOnRoad: detail.vehicle.use === 'road',
      hadUnit:
        (before?.components.some(isUnit) ?? false) ||
        (detail.vehicle.abs && factOf(detail, 'withoutAbs', circuit.id) !== true),
      hasUnit: circuit.components.some(isUnit),
    }).map((caution) => ({ ...caution, subject: circuit.name })),
  );

/** Circuits of which it can be said that they never had a unit: none is drawn, and none was found. */
export const mayBeWithoutAbs = ({ vehicle, circuits }: JobDetail): readonly Circuit[] =>
  vehicle.abs && vehicle.use === 'road'
    ? circuits
        .filter(
          ({ circuit, before }) =>
            !circuit.components.some(isUnit) && !(before?.components.some(isUnit) ?? false),
        )
        .map(({ circuit }) => circuit)
    : [];

/** M67 of each nipple that came out. */
export function screwCautions(detail: JobDetail, itemId: string): readonly Caution[] {
  const nipples = detail.items.filter(({ kind }) => kind === 'nipple');
  const own = nipples.find(({ id }) => id === itemId);
  if (!own) return [];
  const { out_m = null, in_m = null } = factOf(detail, 'bleedScrew', itemId) ?? {};
  // One that is still out is asked for by itself.
  const isIn = own.done !== null;
  return judgeBleedScrew({
    out_m,
    in_m,
    mayBeAnother: isIn && (own.handling === 'replace' || nipples.length > 1),
  }).map((caution) => ({ ...caution, subject: own.name }));
}

/** M68 of a nipple of the circuits of the job. */
export function nippleCautions(detail: JobDetail, nippleId: string): readonly Caution[] {
  const { components } = partsOf(detail);
  const own = components.find(({ id }) => id === nippleId);
  if (!own) return [];
  const on = components.find(({ id }) => id === own.attachedTo);
  // Which part a mount bolt holds nobody is asked: where one was undone, each caliper may have come off.
  const bolts = on?.kind === 'caliper' ? detail.items.filter(({ kind }) => kind === 'mountBolt') : [];
  const said = detail.fitFacts.findLast(
    (fact) => fact.said.kind === 'nippleTop' && fact.said.subjectId === nippleId,
  );
  const isTop = said?.said.kind === 'nippleTop' ? said.said.value : null;
  // What was seen before it was on again was another caliper, or another side.
  const isOfNow = bolts.every(({ done }) => done !== null && said !== undefined && said.at >= done.at);
  return judgeNippleHeight({
    isTop: isTop === true && !isOfNow ? null : isTop,
    // A bolt that is still off is asked for by itself.
    cameOff: bolts.some(({ done }) => done !== null),
    nipple_m: own.height_m,
    caliper_m: on?.height_m ?? null,
  }).map((caution) => ({ ...caution, subject: own.name }));
}

export const asBuiltCautions = (detail: JobDetail): readonly Caution[] => [
  ...absCautions(detail),
  ...detail.items.flatMap(({ id }) => screwCautions(detail, id)),
  ...nipplesOf(detail).flatMap(({ id }) => nippleCautions(detail, id)),
];
