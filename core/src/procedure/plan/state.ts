/** What the steps taken so far have left. They are facts: nothing is refused here. */
import type { PlanScope } from './scope.ts';
import { ENDS } from './ends.ts';
import type { Body, JoinedBy, OpenedBy, PlanStep } from './steps.ts';
import { endOpening, portOpening } from './steps.ts';

export type JointPhase = 'closedOld' | 'cracked' | 'open' | 'handBare' | 'handWashered' | 'tight';

export interface JointState {
  phase: JointPhase;
  clean: boolean;
  soaked: boolean;
  /** It was opened at some time. */
  touched: boolean;
  marked: boolean;
  leakChecked: boolean;
  /** Its nut turns by itself now: heated, or its pipe flared anew. */
  freed: boolean;
  /** How it was last opened. */
  openedBy: OpenedBy | null;
  joinedBy: JoinedBy | null;
  /** Its bolt was out for fresh washers and is to be tightened. */
  isFinishing: boolean;
}
export type BodyState = 'on' | 'off' | 'waiting' | 'routed';

export interface LineState {
  old: BodyState;
  new: BodyState;
  photographed: boolean;
  offeredUp: boolean;
  settled: boolean;
  turned: boolean;
  made: boolean;
  readonly seen: Set<string>;
}
export type HoldState = 'on' | 'released' | 'placed' | 'tight';

export interface PlanState {
  readonly joints: Map<string, JointState>;
  readonly lines: Map<string, LineState>;
  readonly holds: Map<string, HoldState>;
  /** Openings as they stand: just opened, with a cap on, or with the cap off for a join. What is shut is not in it. */
  readonly openings: Map<string, 'open' | 'capped' | 'uncapped'>;
  readonly levelled: Set<string>;
  readonly drained: Set<string>;
  readonly drainedNipples: Set<string>;
  readonly leadsOff: Set<string>;
  readonly coversOpen: Set<string>;
  paintCovered: boolean;
  capsCounted: boolean;
  readonly bled: Set<string>;
  readonly cycled: Set<string>;
  readonly held: Set<string>;
  finalSeen: boolean;
}

export function startState({ joints, lines, holds }: PlanScope): PlanState {
  return {
    joints: new Map(
      joints.map(({ id }) => [
        id,
        {
          phase: 'closedOld',
          clean: false,
          soaked: false,
          touched: false,
          marked: false,
          leakChecked: false,
          freed: false,
          openedBy: null,
          joinedBy: null,
          isFinishing: false,
        },
      ]),
    ),
    lines: new Map(
      lines.map(({ id }) => [
        id,
        {
          old: 'on',
          new: 'waiting',
          photographed: false,
          offeredUp: false,
          settled: false,
          turned: false,
          made: false,
          seen: new Set<string>(),
        },
      ]),
    ),
    holds: new Map(holds.map(({ id }) => [id, 'on'])),
    openings: new Map(),
    levelled: new Set(),
    drained: new Set(),
    drainedNipples: new Set(),
    leadsOff: new Set(),
    coversOpen: new Set(),
    paintCovered: false,
    capsCounted: false,
    bled: new Set(),
    cycled: new Set(),
    held: new Set(),
    finalSeen: false,
  };
}

/** The end of a line that is joined: of the body that lies there. */
export const bodyOn = ({ old, new: fresh }: LineState): Body | null =>
  fresh === 'routed' ? 'new' : old === 'on' || old === 'routed' ? 'old' : null;

const HAND = ['handBare', 'handWashered'] as const;

export function stateAfter(scope: PlanScope): PlanState {
  const state = startState(scope);
  for (const step of scope.done) take(state, scope, step);
  return state;
}

function take(state: PlanState, scope: PlanScope, step: PlanStep): void {
  const joint = 'joint' in step ? state.joints.get(step.joint) : undefined;
  const line = 'line' in step ? state.lines.get(step.line) : undefined;
  switch (step.kind) {
    case 'openCover':
      state.coversOpen.add(step.cover);
      break;
    case 'closeCover':
      state.coversOpen.delete(step.cover);
      break;
    case 'unplugLead':
      state.leadsOff.add(step.lead);
      break;
    case 'plugLead':
      state.leadsOff.delete(step.lead);
      break;
    case 'coverPaint':
      state.paintCovered = true;
      break;
    case 'countCaps':
      state.capsCounted = true;
      break;
    case 'level':
      state.levelled.add(step.reservoir);
      break;
    case 'drainReservoir':
      state.drained.add(step.reservoir);
      break;
    case 'drainNipple':
      state.drainedNipples.add(step.nipple);
      break;
    case 'cap':
      state.openings.set(step.opening, 'capped');
      break;
    case 'uncap':
      state.openings.set(step.opening, 'uncapped');
      break;
    case 'releaseHold':
      state.holds.set(step.hold, 'released');
      break;
    case 'placeHold':
      state.holds.set(step.hold, 'placed');
      break;
    case 'tightenHold':
      state.holds.set(step.hold, 'tight');
      break;
    case 'bleed':
      state.bled.add(step.circuit);
      break;
    case 'absCycle':
      state.cycled.add(step.circuit);
      break;
    case 'pressureHold':
      state.held.add(step.circuit);
      break;
    case 'movement':
      if (step.final) state.finalSeen = true;
      for (const id of step.lines) for (const pose of step.poses) state.lines.get(id)?.seen.add(pose);
      break;
    default:
      if (joint) takeAtJoint(state, scope, step, joint);
      if (line) takeOfLine(state, step, line);
      if (step.kind === 'reflare') {
        const flared = state.joints.get(
          scope.lines.find(({ id }) => id === step.line)?.[step.end].joint ?? '',
        );
        if (flared) flared.freed = true;
      }
  }
}

function takeAtJoint(state: PlanState, scope: PlanScope, step: PlanStep, joint: JointState): void {
  switch (step.kind) {
    case 'soak':
      joint.soaked = true;
      break;
    case 'clean':
      joint.clean = true;
      break;
    case 'crack':
      joint.phase = 'cracked';
      joint.touched = true;
      again(state, scope, step.joint);
      break;
    case 'heat':
      joint.freed = true;
      break;
    case 'open':
      joint.phase = 'open';
      joint.openedBy = step.by;
      if (step.by === 'cut') joint.freed = false;
      joint.touched = true;
      for (const opening of openingsAt(scope, step.joint)) state.openings.set(opening, 'open');
      again(state, scope, step.joint);
      break;
    case 'join':
      joint.joinedBy = step.by;
      joint.phase =
        step.washers >= (scope.joints.find(({ id }) => id === step.joint)?.washers ?? 0)
          ? 'handWashered'
          : 'handBare';
      shut(state, scope, step.joint);
      break;
    case 'freshWashers':
      if (HAND.some((phase) => phase === joint.phase)) joint.phase = 'handWashered';
      joint.isFinishing = true;
      break;
    case 'torque':
    case 'byFeel':
      joint.phase = 'tight';
      joint.isFinishing = false;
      break;
    case 'mark':
      joint.marked = true;
      break;
    case 'leakCheck':
      joint.leakChecked = true;
      break;
    default:
      break;
  }
}

/** What was filled, held and looked at before a joint was opened again says nothing now. */
function again(state: PlanState, scope: PlanScope, jointId: string): void {
  const circuit = scope.joints.find(({ id }) => id === jointId)?.circuit ?? '';
  const joint = state.joints.get(jointId);
  if (joint) {
    joint.marked = false;
    joint.leakChecked = false;
  }
  state.capsCounted = false;
  state.finalSeen = false;
  for (const set of [state.bled, state.cycled, state.held]) set.delete(circuit);
  state.levelled.delete(scope.circuits.find(({ id }) => id === circuit)?.reservoir ?? '');
}

/** Its port, unless the part only holds it, and the ends of lines that stay on the vehicle. */
export function openingsAt({ joints, components, lines }: PlanScope, jointId: string): readonly string[] {
  const component = joints.find(({ id }) => id === jointId)?.component;
  const holdsOnly = components.find(({ id }) => id === component)?.kind === 'bracket';
  return [
    ...(holdsOnly ? [] : [portOpening(jointId)]),
    ...lines
      .filter(({ action }) => action === 'leave')
      .flatMap((line) =>
        ENDS.filter((end) => line[end].joint === jointId).map((end) => endOpening(line.id, end)),
      ),
  ];
}

function shut(state: PlanState, { lines }: PlanScope, jointId: string): void {
  state.openings.delete(portOpening(jointId));
  for (const line of lines)
    for (const end of ENDS) if (line[end].joint === jointId) state.openings.delete(endOpening(line.id, end));
}

function takeOfLine(state: PlanState, step: PlanStep, line: LineState): void {
  switch (step.kind) {
    case 'photograph':
      line.photographed = true;
      break;
    case 'offerUp':
      line.offeredUp = true;
      break;
    case 'makeLine':
      line.made = true;
      break;
    case 'settle':
      line.settled = true;
      break;
    case 'turnEnd':
      line.turned = true;
      break;
    case 'takeOff':
      line[step.body] = 'off';
      break;
    case 'route':
      line[step.body] = 'routed';
      line.settled = false;
      line.seen.clear();
      // New lines come with a cap on each end.
      if (step.body === 'new')
        for (const end of ENDS) state.openings.set(endOpening(step.line, end), 'capped');
      break;
    default:
      break;
  }
}
