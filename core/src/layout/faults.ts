/** What keeps a circuit from working, or from being bled: found on its graph, before anything is ordered. */
import { judgeSeat } from '../fittings/seat.ts';
import type { Body } from './body.ts';
import { USUAL_HEIGHT_m } from './body.ts';
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

/** Whether what a part sits on is there, and in the end sits on nothing itself. */
function reachesGround(
  components: Hydraulics['components'],
  start: Hydraulics['components'][number],
): boolean {
  let at: typeof start | undefined = start;
  for (let steps = 0; at && steps <= components.length; steps += 1) {
    const { attachedTo }: { readonly attachedTo: string | null } = at;
    if (attachedTo === null) return true;
    at = components.find((candidate) => candidate.id === attachedTo);
  }
  return false;
}

function brokenParts({ components, ports, joints, hoses }: Hydraulics): readonly CircuitFault[] {
  const faults: CircuitFault[] = [];
  const stop = (code: FaultCode, name: string, ids: readonly string[]) =>
    faults.push({ code, severity: 'stop', ids, name });
  const componentIds = new Set(components.map((component) => component.id));
  const portsById = new Map(ports.map((port) => [port.id, port]));
  const jointIds = new Set(joints.map((joint) => joint.id));

  for (const component of components) {
    if (component.attachedTo !== null && !reachesGround(components, component))
      stop('unknownPart', component.name, [component.id]);
  }
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
  for (const joint of joints) {
    const ends = hoses.filter((hose) => hose.fromJointId === joint.id || hose.toJointId === joint.id).length;
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
  for (const master of masters) {
    const filled = components.some(
      (component) => component.kind === 'reservoir' && component.attachedTo === master.id,
    );
    if (!filled) faults.push({ code: 'noReservoir', severity: 'warn', ids: [master.id], name: master.name });
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

/** Parts with a bleed nipple of their own. */
const bleedPoints = ({ components }: Hydraulics): ReadonlySet<string | null> =>
  new Set(
    components
      .filter((component) => component.kind === 'bleedNipple')
      .map((component) => component.attachedTo),
  );

/**
 * Loops whose parts have no nipple: fluid can go round them instead of out. Found as the parts that are left when
 * everything that hangs on one line only has been taken away, again and again.
 */
function loops(circuit: Hydraulics): readonly CircuitFault[] {
  const map = neighbours(circuit);
  const left = new Map([...map].map(([id, lines]) => [id, new Set(lines.map((line) => line.lineId))]));
  let changed = true;
  while (changed) {
    changed = false;
    for (const [id, lines] of left) {
      if (lines.size > 1) continue;
      left.delete(id);
      for (const other of left.values()) for (const line of lines) other.delete(line);
      changed = true;
    }
  }
  const bled = bleedPoints(circuit);
  const faults: CircuitFault[] = [];
  const seen = new Set<string>();
  for (const start of left.keys()) {
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
      const name = circuit.components.find((component) => component.id === start)?.name ?? '';
      faults.push({ code: 'loopWithoutBleedPoint', severity: 'stop', ids: ring, name });
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
