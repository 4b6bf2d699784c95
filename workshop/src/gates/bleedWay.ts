/** What stands against the way in which a brake was bled: asked while it is done, and at the signature. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { Caution, NippleTurn, Result } from '@zephyrcombe/core';
import {
  judgeBleedWay,
  judgeIgnition,
  judgeSeizedNipple,
  judgeWetPads,
  nippleOrderOver,
  sharingParts,
} from '@zephyrcombe/core';
import { everSaid, factOf } from '../fitting/facts.ts';
import { drewBackCautions, lastDry } from './airWentIn.ts';

const eventsOf = (detail: JobDetail, { components }: Circuit) => {
  const parts = new Set(components.map(({ id }) => id));
  return detail.bleedRuns.filter(({ nippleId }) => parts.has(nippleId)).flatMap(({ events }) => events);
};

/** M83 and M84 of a circuit. A pressure that was too high while something was moved stands, whatever is said after it. */
export function wayCautions(detail: JobDetail, circuit: Circuit): readonly Caution[] {
  const said = everSaid(detail, 'bleedWay', circuit.id);
  const moved = eventsOf(detail, circuit);
  const now = said.at(-1);
  const used = said.slice(0, -1).flatMap((way, place) => {
    const from = way?.after ?? 0;
    const until = said[place + 1]?.after ?? Infinity;
    return way && moved.some(({ sequence }) => sequence > from && sequence <= until)
      ? judgeBleedWay(way).filter(({ id }) => id === 'M83')
      : [];
  });
  const own = now ? judgeBleedWay(now) : [];
  return [...(own.some(({ id }) => id === 'M83') ? [] : used.slice(-1)), ...own].map((caution) => ({
    ...caution,
    subject: circuit.name,
  }));
}

/** The side of a nipple, by the corner that is said of the line to its wheel; null where nobody has said one. */
function sideOf(detail: JobDetail, nippleId: string): 'left' | 'right' | null {
  const { components, joints, hoses } = partsOf(detail);
  const host = components.find(({ id }) => id === nippleId)?.attachedTo;
  const own = new Set(joints.filter(({ componentId }) => componentId === host).map(({ id }) => id));
  const corner = hoses
    .filter(({ fromJointId, toJointId }) => own.has(fromJointId) || own.has(toJointId))
    .map(({ id }) => factOf(detail, 'corner', id))
    .find((known) => known !== undefined && known !== null);
  if (corner === undefined || corner === null) return null;
  return corner.endsWith('Left') ? 'left' : 'right';
}

/** Circuits with the lengths that their new lines are ordered with. */
const asOrdered = (detail: JobDetail): readonly Circuit[] => {
  const ordered = new Map(detail.hoses.map(({ hoseId, order_m }) => [hoseId, order_m]));
  return detail.circuits.map(({ circuit }) => ({
    ...circuit,
    hoses: circuit.hoses.map((hose) => ({ ...hose, length_m: ordered.get(hose.id) ?? hose.length_m })),
  }));
};

/** The nipples of a job in the order in which they are bled: as the vehicle's maker says, or the farthest first. */
export const nipplesInOrder = (detail: JobDetail): Result<readonly NippleTurn[]> =>
  nippleOrderOver(asOrdered(detail), {
    maker: factOf(detail, 'nippleOrder', detail.vehicle.id) ?? null,
    driveSide: factOf(detail, 'driveSide', detail.vehicle.id) ?? null,
    sideOf: (nippleId) => sideOf(detail, nippleId),
  });

/** M82 of nipples that one master or reservoir serves, and that were called clear in another order. */
export function orderCautions(detail: JobDetail): readonly Caution[] {
  const order = nipplesInOrder(detail);
  if (!order.ok) return [];
  const isMaker = (factOf(detail, 'nippleOrder', detail.vehicle.id) ?? null) !== null;
  const { components } = partsOf(detail);
  const cleared = (nippleId: string): number | null =>
    detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events.findLast(({ kind }) => kind === 'clear')
      ?.sequence ?? null;
  const groups = isMaker ? [detail.circuits.map(({ circuit }) => circuit)] : sharingParts(circuitsOf(detail));
  return groups.flatMap((group) => {
    const own = new Set(group.flatMap(({ components: parts }) => parts.map(({ id }) => id)));
    // The master's own nipple comes first and last: both are taught.
    const turns = order.value.filter(
      ({ nippleId, hostId }) =>
        own.has(nippleId) && (isMaker || components.find(({ id }) => id === hostId)?.kind !== 'master'),
    );
    const isWrong = turns.some((turn, place) => {
      const [before, after] = [turns[place - 1], turn];
      if (!before) return false;
      // Lines as long as each other go either way, unless somebody asks for one.
      if (
        !isMaker &&
        Math.abs(before.path_m - after.path_m) < AS_LONG_m &&
        !isAskedApart(detail, before, after)
      )
        return false;
      const [first, then] = [cleared(before.nippleId), cleared(after.nippleId)];
      return first !== null && then !== null && first > then;
    });
    const names = turns.map(({ nippleId }) => components.find(({ id }) => id === nippleId)?.name ?? '');
    return isWrong
      ? [
          {
            id: 'M82' as const,
            evidence: { order: names, maker: isMaker },
            ...(group[0] ? { subject: group.map(({ name }) => name).join(', ') } : {}),
          },
        ]
      : [];
  });
}

const AS_LONG_m = 1e-6;
const circuitsOf = (detail: JobDetail): readonly Circuit[] => detail.circuits.map(({ circuit }) => circuit);
const isAskedApart = (detail: JobDetail, one: NippleTurn, other: NippleTurn): boolean =>
  (factOf(detail, 'driveSide', detail.vehicle.id) ?? null) !== null &&
  sideOf(detail, one.nippleId) !== sideOf(detail, other.nippleId);

/** M89 of a circuit whose unit may hold air: its reservoir was empty, and it was not cycled, or not flushed, since. */
export function absCautionsOf(detail: JobDetail, circuit: Circuit): readonly Caution[] {
  const dry = circuit.components.some(({ kind }) => kind === 'absUnit') ? lastDry(detail, circuit) : null;
  if (!dry) return [];
  const after = factOf(detail, 'absCycled', circuit.id)?.after ?? null;
  const isCycled = after !== null && after >= dry.sequence;
  const isFlushed =
    isCycled &&
    circuit.components
      .filter(({ kind }) => kind === 'bleedNipple')
      .every(({ id }) =>
        detail.bleedRuns
          .find(({ nippleId }) => nippleId === id)
          ?.events.some(({ kind, sequence }) => kind === 'clear' && sequence > after),
      );
  return isFlushed ? [] : [{ id: 'M89', evidence: { by: dry.by, cycled: isCycled }, subject: circuit.name }];
}

/** M90 of a nipple that was bled, where the booster is electric. */
export function ignitionCautions(detail: JobDetail, nippleId: string): readonly Caution[] {
  const isBled = detail.bleedRuns.some((run) => run.nippleId === nippleId && run.events.length > 0);
  if (!detail.vehicle.electricBooster || !isBled) return [];
  return judgeIgnition(
    factOf(detail, 'ignition', nippleId) ?? null,
    factOf(detail, 'ignitionAsked', nippleId) ?? null,
  );
}

/** M110 of a nipple that would not turn. */
export function seizedCautions(detail: JobDetail, nippleId: string): readonly Caution[] {
  const seized = factOf(detail, 'nippleSeized', nippleId) ?? null;
  return seized ? judgeSeizedNipple(seized.freed) : [];
}

/** M86 of a caliper or a wheel cylinder. */
export const padCautions = (detail: JobDetail, componentId: string): readonly Caution[] =>
  judgeWetPads(everSaid(detail, 'padsWet', componentId));

/** Everything of one nipple. */
export const nippleWayCautions = (detail: JobDetail, nippleId: string): readonly Caution[] => {
  const { components } = partsOf(detail);
  const own = components.find(({ id }) => id === nippleId);
  return [
    ...drewBackCautions(detail, nippleId),
    ...ignitionCautions(detail, nippleId),
    ...seizedCautions(detail, nippleId),
  ].map((caution) => ({ ...caution, subject: own?.name ?? '' }));
};

export const bleedCautions = (detail: JobDetail): readonly Caution[] => [
  ...circuitsOf(detail).flatMap((circuit) => [
    ...wayCautions(detail, circuit),
    ...absCautionsOf(detail, circuit),
  ]),
  ...orderCautions(detail),
  ...nipplesOf(detail).flatMap(({ id }) => nippleWayCautions(detail, id)),
  ...partsOf(detail).components.flatMap(({ id, name }) =>
    padCautions(detail, id).map((caution) => ({ ...caution, subject: name })),
  ),
];
