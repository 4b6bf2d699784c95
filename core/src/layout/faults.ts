/** What keeps a circuit from working, or from being bled: found on its graph, before anything is ordered. */
import { judgeSeat } from '../fittings/seat.ts';
import type { Body } from './body.ts';
import { USUAL_HEIGHT_m } from './body.ts';
import { hostsFirst } from './hostsFirst.ts';
import type { Hydraulics } from './hydraulics.ts';

export type FaultCode =
  | 'noMaster'
  | 'noReservoir'
  | 'portUsedTwice'
  | 'unknownPart'
  | 'lineToItself'
  | 'idleJoint'
  | 'fedByNothing'
  | 'cannotBeBled'
  | 'loopWithoutBleedPoint'
  | 'trappedHighPoint'
  | 'seatCannotSeal'
  | 'tooManyEnds';

export interface CircuitFault {
  readonly code: FaultCode;
  /** `stop`: it cannot work or cannot be saved so; `warn`: it works, with trouble. */
  readonly severity: 'stop' | 'warn';
  /** Part, joint or line, for the drawing to point at. */
  readonly ids: readonly string[];
  readonly name: string;
}

/** Faults that a stored circuit must not have: its parts would not hang together. */
export const BROKEN: ReadonlySet<FaultCode> = new Set(['portUsedTwice', 'unknownPart', 'lineToItself']);

/** Three eyes on one bolt is what bolts are made for. */
const MOST_EYES = 3;
/** A part this much above its neighbours holds air; our estimate. */
const HIGH_POINT_m = 0.03;

export function circuitFaults(circuit: Hydraulics): readonly CircuitFault[] {
  const broken = brokenParts(circuit);
  // A graph that does not hang together cannot be walked.
  if (broken.some((fault) => BROKEN.has(fault.code))) return broken;
  return [...broken, ...flowFaults(circuit), ...loops(circuit), ...highPoints(circuit)];
}

/** How many line ends lie at each joint. */
function endsAtJoints(hoses: Hydraulics['hoses']): ReadonlyMap<string, number> {
  const ends = new Map<string, number>();
  for (const { fromJointId, toJointId } of hoses)
    for (const id of new Set([fromJointId, toJointId])) ends.set(id, (ends.get(id) ?? 0) + 1);
  return ends;
}

function brokenParts({ components, ports, joints, hoses }: Hydraulics): readonly CircuitFault[] {
  const faults: CircuitFault[] = [];
  const stop = (code: FaultCode, name: string, ids: readonly string[]) =>
    faults.push({ code, severity: 'stop', ids, name });
  const componentIds = new Set(components.map((component) => component.id));
  const portsById = new Map(ports.map((port) => [port.id, port]));
  const jointIds = new Set(joints.map((joint) => joint.id));

  const grounded = new Set(hostsFirst(components).map(({ id }) => id));
  for (const component of components)
    if (!grounded.has(component.id)) stop('unknownPart', component.name, [component.id]);
  for (const port of ports)
    if (!componentIds.has(port.componentId)) stop('unknownPart', port.name, [port.id]);
  const usedBy = new Map<string, string>();
  for (const joint of joints) {
    const port = portsById.get(joint.portId);
    if (!port || port.componentId !== joint.componentId) stop('unknownPart', joint.name, [joint.id]);
    const other = usedBy.get(joint.portId);
    if (other !== undefined) stop('portUsedTwice', joint.name, [other, joint.id]);
    usedBy.set(joint.portId, joint.id);
    if (port && judgeSeat(port, joint.seal).length > 0) stop('seatCannotSeal', joint.name, [joint.id]);
  }
  for (const hose of hoses) {
    if (!jointIds.has(hose.fromJointId) || !jointIds.has(hose.toJointId))
      stop('unknownPart', hose.name, [hose.id]);
    if (hose.fromJointId === hose.toJointId) stop('lineToItself', hose.name, [hose.id]);
  }
  const endsAt = endsAtJoints(hoses);
  for (const joint of joints) {
    const ends = endsAt.get(joint.id) ?? 0;
    if (ends === 0) faults.push({ code: 'idleJoint', severity: 'warn', ids: [joint.id], name: joint.name });
    // A flare or a screwed end takes one line; at a bracket a pipe and a hose meet.
    const most = joint.seal === 'banjo' ? MOST_EYES : 2;
    if (ends > most) stop('tooManyEnds', joint.name, [joint.id]);
  }
  return faults;
}

/** Which components each component is joined to, and by which line. */
type Neighbours = ReadonlyMap<string, readonly { readonly id: string; readonly lineId: string }[]>;

export function neighbours({ components, joints, hoses }: Hydraulics): Neighbours {
  const componentOf = new Map(joints.map((joint) => [joint.id, joint.componentId]));
  const map = new Map<string, { readonly id: string; readonly lineId: string }[]>(
    components.map((component) => [component.id, []]),
  );
  for (const hose of hoses) {
    const from = componentOf.get(hose.fromJointId);
    const to = componentOf.get(hose.toJointId);
    if (from === undefined || to === undefined) continue;
    map.get(from)?.push({ id: to, lineId: hose.id });
    map.get(to)?.push({ id: from, lineId: hose.id });
  }
  return map;
}

const isWheelBrake = (kind: string) => kind === 'caliper' || kind === 'wheelCylinder';

function flowFaults(circuit: Hydraulics): readonly CircuitFault[] {
  const { components } = circuit;
  const faults: CircuitFault[] = [];
  const masters = components.filter((component) => component.kind === 'master');
  if (masters.length === 0) {
    return [{ code: 'noMaster', severity: 'stop', ids: [], name: circuit.name }];
  }
  const filled = hostsOf(components, 'reservoir');
  for (const master of masters) {
    if (!filled.has(master.id))
      faults.push({ code: 'noReservoir', severity: 'warn', ids: [master.id], name: master.name });
  }
  const map = neighbours(circuit);
  const reached = new Set(masters.map((master) => master.id));
  const waiting = [...reached];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    for (const { id } of map.get(next) ?? []) {
      if (reached.has(id)) continue;
      reached.add(id);
      waiting.push(id);
    }
  }
  const bled = bleedPoints(circuit);
  for (const component of components) {
    if (!isWheelBrake(component.kind)) continue;
    if (!reached.has(component.id)) {
      faults.push({ code: 'fedByNothing', severity: 'stop', ids: [component.id], name: component.name });
    } else if (!bled.has(component.id)) {
      faults.push({ code: 'cannotBeBled', severity: 'warn', ids: [component.id], name: component.name });
    }
  }
  return faults;
}

/** What parts of a kind sit on. */
const hostsOf = (
  components: Hydraulics['components'],
  kind: 'reservoir' | 'bleedNipple',
): ReadonlySet<string | null> =>
  new Set(components.filter((component) => component.kind === kind).map(({ attachedTo }) => attachedTo));

/** Parts with a bleed nipple of their own. */
const bleedPoints = ({ components }: Hydraulics): ReadonlySet<string | null> =>
  hostsOf(components, 'bleedNipple');

/** What is left when every part that hangs on one line only has been taken away, again and again: parts on a loop, or between two. */
function onLoops(map: Neighbours): ReadonlySet<string> {
  const lines = new Map([...map].map(([id, joined]) => [id, new Set(joined.map(({ lineId }) => lineId))]));
  const waiting = [...lines.keys()];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const own = lines.get(next);
    if (own === undefined || own.size > 1) continue;
    lines.delete(next);
    for (const { id, lineId } of map.get(next) ?? [])
      if (own.has(lineId) && lines.get(id)?.delete(lineId)) waiting.push(id);
  }
  return new Set(lines.keys());
}

/** Loops whose parts have no nipple: fluid can go round them instead of out. */
function loops(circuit: Hydraulics): readonly CircuitFault[] {
  const map = neighbours(circuit);
  const left = onLoops(map);
  const nameOf = new Map(circuit.components.map(({ id, name }) => [id, name]));
  const bled = bleedPoints(circuit);
  const faults: CircuitFault[] = [];
  const seen = new Set<string>();
  for (const start of left) {
    if (seen.has(start)) continue;
    const ring: string[] = [];
    const waiting = [start];
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      if (seen.has(next)) continue;
      seen.add(next);
      ring.push(next);
      waiting.push(...(map.get(next) ?? []).map((line) => line.id).filter((id) => left.has(id)));
    }
    if (!ring.some((id) => bled.has(id))) {
      faults.push({
        code: 'loopWithoutBleedPoint',
        severity: 'stop',
        ids: ring,
        name: nameOf.get(start) ?? '',
      });
    }
  }
  return faults;
}

export const heightOf = (component: { readonly body: Body; readonly height_m: number | null }): number =>
  component.height_m ?? USUAL_HEIGHT_m[component.body];

/** Parts above all their neighbours, and lines that arch: air collects there, and leaves only through a nipple. */
function highPoints(circuit: Hydraulics): readonly CircuitFault[] {
  const byId = new Map(circuit.components.map((component) => [component.id, component]));
  const map = neighbours(circuit);
  const bled = bleedPoints(circuit);
  const faults: CircuitFault[] = [];
  for (const component of circuit.components) {
    // Air at a master leaves through its reservoir.
    if (component.kind === 'master' || bled.has(component.id)) continue;
    const around = (map.get(component.id) ?? []).flatMap(({ id }) => byId.get(id) ?? []);
    const isHighest =
      around.length > 1 && around.every((other) => heightOf(other) < heightOf(component) - HIGH_POINT_m);
    if (isHighest) {
      faults.push({ code: 'trappedHighPoint', severity: 'warn', ids: [component.id], name: component.name });
    }
  }
  for (const hose of circuit.hoses) {
    if (hose.rise_m !== null && hose.rise_m > HIGH_POINT_m) {
      faults.push({ code: 'trappedHighPoint', severity: 'warn', ids: [hose.id], name: hose.name });
    }
  }
  return faults;
}
