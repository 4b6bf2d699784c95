/** What stands against the way in which a brake was bled: asked while it is done, and at the signature. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import type { Caution, NippleTurn, OrderAsked, Result } from '@zephyrcombe/core';
import {
  judgeBleedWay,
  judgeIgnition,
  judgeSeizedNipple,
  judgeWetPads,
  nippleOrderOver,
  precedence,
  sharingParts,
} from '@zephyrcombe/core';
import { everSaid, factOf } from '../fitting/facts.ts';
import { circuitWithLengths } from '../fitting/circuitWithLengths.ts';
import { drewBackCautions, lastDry } from './airWentIn.ts';

const eventsOf = (detail: JobDetail, { components }: Circuit) => {
  const parts = new Set(components.map(({ id }) => id));
  return detail.bleedRuns.filter(({ nippleId }) => parts.has(nippleId)).flatMap(({ events }) => events);
};

/** M83 and M84 of a circuit. What was wrong while something was moved stands, whatever is said after it. */
export function wayCautions(detail: JobDetail, circuit: Circuit): readonly Caution[] {
  const said = everSaid(detail, 'bleedWay', circuit.id);
  const moved = eventsOf(detail, circuit);
  const cautions = said.flatMap((way, place) => {
    const from = way.after ?? 0;
    const until = said[place + 1]?.after ?? Infinity;
    const isUsed = moved.some(({ sequence }) => sequence > from && sequence <= until);
    return isUsed || place === said.length - 1 ? judgeBleedWay(way) : [];
  });
  // The newest of each kind: its figure is the one that is answered.
  return cautions
    .filter(({ id }, at) => !cautions.slice(at + 1).some((later) => later.id === id))
    .map((caution) => ({ ...caution, subject: circuit.name }));
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

const orderAsked = (detail: JobDetail): OrderAsked => ({
  maker: factOf(detail, 'nippleOrder', detail.vehicle.id) ?? null,
  driveSide: factOf(detail, 'driveSide', detail.vehicle.id) ?? null,
  sideOf: (nippleId) => sideOf(detail, nippleId),
});

/** The nipples of a job in the order in which they are bled: as the vehicle's maker says, or the farthest first. */
export const nipplesInOrder = (detail: JobDetail): Result<readonly NippleTurn[]> =>
  nippleOrderOver(
    circuitsOf(detail).map((circuit) => circuitWithLengths(detail, circuit)),
    orderAsked(detail),
  );

/** M82 of nipples that one master or reservoir serves, and that were called clear in another order. */
export function orderCautions(detail: JobDetail): readonly Caution[] {
  const order = nipplesInOrder(detail);
  if (!order.ok) return [];
  const asked = orderAsked(detail);
  const isMaker = asked.maker !== null;
  const { components } = partsOf(detail);
  const cleared = ({ nippleId }: NippleTurn): number | null =>
    detail.bleedRuns.find((run) => run.nippleId === nippleId)?.events.findLast(({ kind }) => kind === 'clear')
      ?.sequence ?? null;
  const groups = isMaker ? [circuitsOf(detail)] : sharingParts(circuitsOf(detail));
  return groups.flatMap((group) => {
    const own = new Set(group.flatMap(({ components: parts }) => parts.map(({ id }) => id)));
    // The master's own nipple comes first and last: both are taught.
    const turns = order.value.filter(
      ({ nippleId, hostId }) =>
        own.has(nippleId) && (isMaker || components.find(({ id }) => id === hostId)?.kind !== 'master'),
    );
    const isWrong = turns.some((then, place) =>
      turns.slice(0, place).some((first) => {
        const [before, after] = [cleared(first), cleared(then)];
        return before !== null && after !== null && before > after && precedence(first, then, asked) < 0;
      }),
    );
    const names = turns.map(({ nippleId }) => components.find(({ id }) => id === nippleId)?.name ?? '');
    const subject = group.map(({ name }) => name).join(', ');
    return isWrong ? [{ id: 'M82' as const, evidence: { order: names, maker: isMaker }, subject }] : [];
  });
}

const circuitsOf = (detail: JobDetail): readonly Circuit[] => detail.circuits.map(({ circuit }) => circuit);

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

/** M110 of a nipple that would not turn: force is not taken back by another word. */
export function seizedCautions(detail: JobDetail, nippleId: string): readonly Caution[] {
  const said = everSaid(detail, 'nippleSeized', nippleId);
  if (said.some((seized) => seized?.freed === 'forced')) return judgeSeizedNipple('forced');
  const last = said.at(-1) ?? null;
  return last ? judgeSeizedNipple(last.freed) : [];
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
