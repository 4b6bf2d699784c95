/** A job as the planner of fitting takes it. */
import type { Circuit, Component, Hose, JobDetail, Joint, Port } from '@zephyrcombe/contract';
import { hoseOfJob, movementOfHose, partsOf, proofCautions, torqueOf } from '@zephyrcombe/contract';
import type { EndKind } from '@zephyrcombe/core';
import { distancesFromMaster, endOn, endsFor, eyesOn, posesFor, USUAL_HEIGHT_m } from '@zephyrcombe/core';
import type { PlanJoint, PlanLine, PlanLineEnd, PlanScope, PlanStep } from '@zephyrcombe/core/plan';
import { wasOfferedUp } from '../approvals/fitted.ts';
import { isLineMade } from '../approvals/line.ts';
import { proofStanding } from '../approvals/proof.ts';
import { reservoirsOf } from '../gates/reservoir.ts';
import { isDry, isNippleClear } from '../stages/stages.ts';
import { buildOfHose } from './builds.ts';
import { factOf, factsOfKind } from './facts.ts';
import { holdsOf } from './holds.ts';
import { patternOf } from './namedStep.ts';

export function planScopeOf(detail: JobDetail): PlanScope {
  const circuits = detail.circuits.map(({ circuit }) => circuit);
  const lines = linesOf(detail, circuits);
  const joints = jointsOf(detail, circuits, lines);
  const parts = partsOf(detail).components;
  const worked = lines.filter(({ action }) => action !== 'leave');
  const { job } = detail;
  return {
    reservoirs: [...new Set(circuits.map(reservoirOf))].map((id) => ({
      id,
      kept: factOf(detail, 'kept', id) ?? 'auto',
      nipples: circuits
        .filter((circuit) => reservoirOf(circuit) === id)
        .flatMap(({ components }) => components.filter(({ kind }) => kind === 'bleedNipple'))
        .map((nipple) => nipple.id),
    })),
    circuits: circuits.map((circuit) => {
      const unit = circuit.components.find(({ kind }) => kind === 'absUnit');
      const abs = unit ? (unit.sameAs ?? unit.id) : null;
      return {
        id: circuit.id,
        reservoir: reservoirOf(circuit),
        abs,
        // Nobody has said so: then it must not run dry.
        absCanBeCycled: abs !== null && factOf(detail, 'absCycle', abs) === true,
      };
    }),
    components: parts.map(({ id, kind }) => ({ id, kind })),
    joints,
    lines,
    holds: worked.flatMap(({ id }) =>
      holdsOf(detail, id).map(({ name: _name, driver: _driver, ...hold }) => ({ ...hold, line: id })),
    ),
    leads: worked.flatMap(({ id }) =>
      (factOf(detail, 'leads', id) ?? []).map((lead) => ({ id: lead.id, line: id, side: lead.side })),
    ),
    covers: [...factsOfKind(detail, 'cover')].flatMap(([id, cover]) =>
      cover
        ? [{ id, joints: cover.joints.filter((jointId) => joints.some((joint) => joint.id === jointId)) }]
        : [],
    ),
    choices: {
      rhythm: factOf(detail, 'rhythm', job.id) ?? 'auto',
      trialWashers: factOf(detail, 'trialWashers', job.id) ?? 'auto',
      seizedWay: Object.fromEntries(factsOfKind(detail, 'seizedWay')),
    },
    demands: [...factsOfKind(detail, 'demand')].flatMap(([id, demand]) =>
      demand
        ? [{ id, kind: 'before' as const, first: patternOf(demand.first), then: patternOf(demand.then) }]
        : [],
    ),
    done: doneSteps(detail),
  };
}

/** A circuit that is drawn without a reservoir is filled somewhere all the same. */
const reservoirOf = (circuit: Circuit): string => reservoirsOf(circuit)[0] ?? circuit.id;

function linesOf(detail: JobDetail, circuits: readonly Circuit[]): readonly PlanLine[] {
  const { hoses } = partsOf(detail);
  const isBack = (id: string) => factOf(detail, 'backOut', id) === true;
  const isIn = ({ id }: Hose) =>
    detail.hoses.some(({ hoseId }) => hoseId === id) || detail.lines.some(({ lineId }) => lineId === id);
  const opened = new Set([
    ...hoses.filter(isIn).flatMap(({ fromJointId, toJointId }) => [fromJointId, toJointId]),
    ...detail.joints.filter(({ refit }) => refit).map(({ jointId }) => jointId),
  ]);
  const nearby = circuits.flatMap((circuit) =>
    circuit.hoses.filter((line) => isIn(line) || opened.has(line.fromJointId) || opened.has(line.toJointId)),
  );
  return nearby.map((line): PlanLine => {
    const own = hoseOfJob(detail, line.id);
    const ends = { A: endOf(detail, line, 'A'), B: endOf(detail, line, 'B') };
    const whole = factOf(detail, 'oldBroken', line.id) === true ? { oldWhole: false } : {};
    const corner = factOf(detail, 'corner', line.id);
    const plain = {
      id: line.id,
      kind: line.kind === 'hose' ? ('hose' as const) : ('hardLine' as const),
      ...(corner ? { corner } : {}),
    };
    if (own) {
      const turned = factOf(detail, 'turnEnd', line.id);
      return {
        ...plain,
        ...ends,
        ...whole,
        action: isBack(line.id) ? 'backOut' : 'replace',
        poses: posesFor(movementOfHose(detail, line.id)).filter((pose) => pose !== 'straightAhead'),
        // Asked only of one that was made here: its build is looked at for it.
        ...(buildOfHose(detail, line.id)?.madeHere === true
          ? {
              selfMade: true,
              proofTested: proofCautions(own.hose).length === 0 && proofStanding(own).state !== 'passed',
            }
          : {}),
        ...(turned ? { turnEnd: turned } : {}),
      };
    }
    const isRemade = detail.lines.some(({ lineId }) => lineId === line.id);
    // A joint that is opened by itself, with a hose that turns in it: the whole hose comes off and goes on again.
    const isTurned = ([ends.A, ends.B] as const).some(
      ({ joint, end }) =>
        end === 'maleScrewed' && detail.joints.some(({ jointId, refit }) => jointId === joint && refit),
    );
    return {
      ...plain,
      ...ends,
      ...whole,
      action: isTurned ? 'refit' : !isRemade ? 'leave' : isBack(line.id) ? 'backOut' : 'remake',
      poses: [],
      ...(isRemade ? { madeFrom: 'inPlace' as const } : {}),
    };
  });
}

/** The end as it will be: a hose that is replaced ends as it was specified. */
function endOf(detail: JobDetail, line: Hose, at: 'A' | 'B'): PlanLineEnd {
  const { joints, ports } = partsOf(detail);
  const joint = at === 'A' ? line.fromJointId : line.toJointId;
  const own = joints.find(({ id }) => id === joint);
  const port = ports.find(({ id }) => id === own?.portId);
  const kept = detail.hoses.find(({ hoseId }) => hoseId === line.id) ?? line;
  const family = (at === 'A' ? kept.endA : kept.endB).family;
  return { joint, end: own && port ? endKind(line, own, port, family) : 'banjo' };
}

function endKind(line: Hose, joint: Joint, port: Port, family: Hose['endA']['family']): EndKind {
  const isBubble = port.seat === 'bubbleFlare';
  if (line.kind !== 'hose') {
    const nut = endsFor(port).find((end) => end === 'invertedFlareNut' || end === 'bubbleFlareNut');
    return joint.seal === 'banjo' ? 'banjo' : (nut ?? (isBubble ? 'bubbleFlareNut' : 'invertedFlareNut'));
  }
  if (joint.seal === 'banjo') return 'banjo';
  if (joint.seal === 'screwed') return 'maleScrewed';
  return endOn(port, joint.seal, family) ?? (isBubble ? 'femaleBubble' : 'femaleInverted');
}

/** What hides a joint until somebody has said: an ABS unit lies deep, a junction in the way of other things. */
const USUAL_ACCESS: Readonly<Partial<Record<Component['kind'], number>>> = { absUnit: 2, junction: 1 };

function jointsOf(
  detail: JobDetail,
  circuits: readonly Circuit[],
  lines: readonly PlanLine[],
): readonly PlanJoint[] {
  const ids = new Set([
    ...lines.flatMap(({ A, B }) => [A.joint, B.joint]),
    ...detail.joints.map(({ jointId }) => jointId),
  ]);
  return circuits.flatMap((circuit) => {
    const distances = distancesFromMaster(circuit);
    return circuit.joints
      .filter(({ id }) => ids.has(id))
      .map((joint) => planJoint(detail, circuit, joint, distances.get(joint.componentId) ?? 0))
      .sort((left, right) => left.fromMaster_m - right.fromMaster_m);
  });
}

function planJoint(detail: JobDetail, circuit: Circuit, joint: Joint, fromMaster_m: number): PlanJoint {
  const { id, componentId } = joint;
  const component = circuit.components.find((part) => part.id === componentId);
  const { minimum_Nm, maximum_Nm, source } = torqueOf(joint).governing;
  return {
    id,
    component: componentId,
    circuit: circuit.id,
    fromMaster_m,
    height_m: component ? (component.height_m ?? USUAL_HEIGHT_m[component.body]) : 0,
    access: factOf(detail, 'access', id) ?? (component ? (USUAL_ACCESS[component.kind] ?? 0) : 0),
    washers: joint.seal === 'banjo' ? eyesOn(circuit, id) + 1 : 0,
    figure: source === null ? null : { minimum_Nm, maximum_Nm, source },
    stop: factOf(detail, 'neckStop', id) ?? false,
    soak: factOf(detail, 'soak', id) ?? false,
    seized: factOf(detail, 'seized', id) ?? false,
    reopen: detail.joints.some(({ jointId, refit }) => jointId === id && refit),
  };
}

/** The steps that stand; and what the stages before and after it know better than a step. */
function doneSteps(detail: JobDetail): readonly PlanStep[] {
  const offered = new Set(
    detail.fitSteps.flatMap(({ step }) => (step.kind === 'offerUp' ? [step.line] : [])),
  );
  const stale = new Set(
    detail.hoses.flatMap(({ hoseId }) => {
      if (!offered.has(hoseId)) return [];
      const own = hoseOfJob(detail, hoseId);
      return own && !wasOfferedUp(own) ? [hoseId] : [];
    }),
  );
  const nipplesIn = ({ components }: Circuit) => components.filter(({ kind }) => kind === 'bleedNipple');
  return [
    ...detail.lines
      .filter((line) => isLineMade(detail, line))
      .map(({ lineId }): PlanStep => ({ kind: 'makeLine', line: lineId })),
    // A hose that is another one by now was not held to its route.
    ...detail.fitSteps
      .map(({ step }) => step)
      .filter((step) => !(step.kind === 'offerUp' && stale.has(step.line))),
    ...detail.circuits.flatMap(({ circuit }): PlanStep[] => {
      const nipples = nipplesIn(circuit);
      const isBled = nipples.length > 0 && nipples.every(({ id }) => isNippleClear(detail, id));
      const isHeld = detail.job.handoverChecks.pressureHeld === true;
      return [
        ...(isBled ? [{ kind: 'bleed' as const, circuit: circuit.id }] : []),
        ...(isBled && isHeld ? [{ kind: 'pressureHold' as const, circuit: circuit.id }] : []),
      ];
    }),
    // Ticked at the hand over, which asks the same.
    ...(detail.job.handoverChecks.plugsCounted === true ? [{ kind: 'countCaps' as const }] : []),
    ...detail.joints
      .filter(({ jointId }) => isDry(detail, jointId))
      .map(({ jointId }): PlanStep => ({ kind: 'leakCheck', joint: jointId })),
  ];
}
