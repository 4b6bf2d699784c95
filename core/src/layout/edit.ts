/**
 * Changes to a circuit as a person makes them on its drawing. Each takes a circuit and gives a new one, so that the
 * one before is still there to go back to. Ids that do not exist leave the circuit as it is.
 */
import type { EndKind } from '../fittings/seat.ts';
import { END_FACTS, endsFor, refuseEnd } from '../fittings/seat.ts';
import type { Body } from './body.ts';
import type { NewId } from './build.ts';
import { boltFor, endFor, jointParts, newComponent, newJoint, newLine } from './build.ts';
import type { ComponentKind } from './circuit.ts';
import type { WithKnown } from './known.ts';
import { typedOver } from './known.ts';
import type {
  HydraulicComponent,
  HydraulicJoint,
  HydraulicLine,
  HydraulicPort,
  Hydraulics,
} from './hydraulics.ts';

/** Until somebody measures it. */
const FIRST_GUESS_m = 0.6;

const replaced = <Item extends { readonly id: string } & WithKnown>(
  items: readonly Item[],
  id: string,
  change: Partial<NoInfer<Item>>,
): readonly Item[] => items.map((item) => (item.id === id ? typedOver(item, change) : item));

/** A new part, not yet joined to anything. A caliper or wheel cylinder comes with its nipple, a master with its reservoir. */
export function addComponent(
  circuit: Hydraulics,
  newId: NewId,
  kind: ComponentKind,
  name: string,
  body: Body,
): { readonly circuit: Hydraulics; readonly componentId: string } {
  const component = newComponent(newId(), kind, name, body);
  const attached =
    kind === 'caliper' || kind === 'wheelCylinder'
      ? [newComponent(newId(), 'bleedNipple', name, body, { attachedTo: component.id })]
      : kind === 'master'
        ? [newComponent(newId(), 'reservoir', `${name}, reservoir`, body, { attachedTo: component.id })]
        : [];
  return {
    circuit: { ...circuit, components: [...circuit.components, component, ...attached] },
    componentId: component.id,
  };
}

/** A nipple, a reservoir or a switch sits on something and takes neither lines nor nipples of its own. */
const carriesLines = (kind: ComponentKind) =>
  kind !== 'bleedNipple' && kind !== 'reservoir' && kind !== 'pressureSwitch';

/** What sits on a part and takes no lines of its own. */
export type AttachedKind = Extract<ComponentKind, 'bleedNipple' | 'reservoir' | 'pressureSwitch'>;

/** A nipple on a part that has none, a reservoir on a master, the switch of the stop lamp. */
export function attachPart(
  circuit: Hydraulics,
  newId: NewId,
  hostId: string,
  kind: AttachedKind,
): Hydraulics {
  const host = circuit.components.find((component) => component.id === hostId);
  if (!host || !carriesLines(host.kind)) return circuit;
  const name =
    kind === 'bleedNipple' ? host.name : `${host.name}, ${kind === 'reservoir' ? 'reservoir' : 'switch'}`;
  const attached = newComponent(newId(), kind, name, host.body, { attachedTo: hostId });
  return { ...circuit, components: [...circuit.components, attached] };
}

export const changeComponent = (
  circuit: Hydraulics,
  id: string,
  change: Partial<Omit<HydraulicComponent, 'id'>>,
): Hydraulics => ({
  ...circuit,
  // What sits on a part moves with it and is called after it.
  components: replaced(circuit.components, id, change).map((component) =>
    component.attachedTo === id && component.kind === 'bleedNipple'
      ? {
          ...component,
          ...(change.body === undefined ? {} : { body: change.body }),
          ...(change.name === undefined ? {} : { name: change.name }),
        }
      : component,
  ),
  // A joint that bears the name of its part goes on bearing it.
  ...(change.name === undefined
    ? {}
    : {
        joints: circuit.joints.map((joint) =>
          joint.componentId === id && joint.name === nameOf(circuit, id)
            ? { ...joint, name: change.name ?? joint.name }
            : joint,
        ),
      }),
});

const nameOf = (circuit: Hydraulics, id: string) =>
  circuit.components.find((component) => component.id === id)?.name;

/**
 * What was found at a port. Its bolt follows its thread; what is there decides what may seal there, so an end that can
 * no longer go there gives way to the first that can.
 */
export function changePort(
  circuit: Hydraulics,
  id: string,
  change: Partial<Omit<HydraulicPort, 'id' | 'componentId'>>,
): Hydraulics {
  const before = circuit.ports.find((port) => port.id === id);
  if (!before) return circuit;
  const port = typedOver<HydraulicPort>(before, change);
  const next: Hydraulics = {
    ...circuit,
    ports: circuit.ports.map((candidate) => (candidate.id === id ? port : candidate)),
    joints: circuit.joints.map((joint) =>
      joint.portId === id && joint.bolt ? { ...joint, bolt: { ...joint.bolt, thread: port.thread } } : joint,
    ),
  };
  const fitting = endsFor(port);
  const misfits = next.joints.filter(
    (joint) => joint.portId === id && !fitting.some((end) => END_FACTS[end].seal === joint.seal),
  );
  const [end] = fitting;
  return end === undefined ? next : misfits.reduce((rest, joint) => withEnd(rest, joint.id, end), next);
}

/** Another end on a joint. An end that the port does not take leaves the circuit as it is: `refuseEnd` says why. */
export function changeEnd(circuit: Hydraulics, jointId: string, end: EndKind): Hydraulics {
  const joint = circuit.joints.find((candidate) => candidate.id === jointId);
  const port = circuit.ports.find((candidate) => candidate.id === joint?.portId);
  return !port || refuseEnd(port, end) !== null ? circuit : withEnd(circuit, jointId, end);
}

/** Seal, bolt, washers and torque of a joint as this end brings them; the ends of its lines follow. */
function withEnd(circuit: Hydraulics, jointId: string, end: EndKind): Hydraulics {
  const port = circuit.ports.find(
    (candidate) => candidate.id === circuit.joints.find((joint) => joint.id === jointId)?.portId,
  );
  if (!port) return circuit;
  const parts = jointParts(end, port.thread, endsOn(circuit, jointId).length);
  return {
    ...circuit,
    joints: replaced(circuit.joints, jointId, parts),
    hoses: circuit.hoses.map((hose) => ({
      ...hose,
      ...(hose.fromJointId === jointId ? { endA: endFor(parts.seal, hose.kind) } : {}),
      ...(hose.toJointId === jointId ? { endB: endFor(parts.seal, hose.kind) } : {}),
    })),
  };
}

export const changeJoint = (
  circuit: Hydraulics,
  id: string,
  change: Partial<
    Pick<
      HydraulicJoint,
      'name' | 'bolt' | 'washer' | 'eyeThickness_m' | 'hexagon_m' | 'torque' | 'furtherTorques' | 'known'
    >
  >,
): Hydraulics => ({ ...circuit, joints: replaced(circuit.joints, id, change) });

const endsOn = (circuit: Hydraulics, jointId: string) =>
  circuit.hoses.filter((hose) => hose.fromJointId === jointId || hose.toJointId === jointId);

/** The joint a new line would use on this part: one that nothing is on yet, or its banjo, which takes another eye. */
function joinable(circuit: Hydraulics, newId: NewId, componentId: string, kind: ComponentKind) {
  const own = circuit.joints.filter((joint) => joint.componentId === componentId);
  const idle = own.find((joint) => endsOn(circuit, joint.id).length === 0);
  if (idle) return { joint: idle, port: null };
  const banjo = own.find((joint) => joint.seal === 'banjo' && endsOn(circuit, joint.id).length < 3);
  // A second line on a junction or an ABS unit has a port of its own; on a master or caliper it shares the bolt.
  if (banjo && (kind === 'master' || kind === 'caliper')) return { joint: banjo, port: null };
  const component = circuit.components.find((candidate) => candidate.id === componentId);
  return component ? newJoint(newId, component, 'banjo') : null;
}

/** A hose from one part to another. */
export function connect(
  circuit: Hydraulics,
  newId: NewId,
  fromId: string,
  toId: string,
): { readonly circuit: Hydraulics; readonly lineId: string | null } {
  const from = circuit.components.find((component) => component.id === fromId);
  const to = circuit.components.find((component) => component.id === toId);
  if (!from || !to || fromId === toId || !carriesLines(from.kind) || !carriesLines(to.kind))
    return { circuit, lineId: null };
  const start = joinable(circuit, newId, fromId, from.kind);
  const end = joinable(circuit, newId, toId, to.kind);
  if (!start || !end) return { circuit, lineId: null };
  const line = newLine(newId(), 'hose', `${from.name} to ${to.name}`, start.joint, end.joint, FIRST_GUESS_m);
  const next: Hydraulics = {
    ...circuit,
    ports: [...circuit.ports, ...[start.port, end.port].filter((port) => port !== null)],
    joints: [
      ...circuit.joints,
      ...[start, end].filter((side) => side.port !== null).map((side) => side.joint),
    ],
    hoses: [...circuit.hoses, line],
  };
  return { circuit: boltsForEyes(next, [start.joint.id, end.joint.id]), lineId: line.id };
}

/** Bolts long enough for the eyes that are now on them. */
function boltsForEyes(circuit: Hydraulics, jointIds: readonly string[]): Hydraulics {
  return {
    ...circuit,
    joints: circuit.joints.map((joint) =>
      jointIds.includes(joint.id) && joint.bolt
        ? {
            ...joint,
            bolt: {
              ...boltFor(joint.bolt.thread, endsOn(circuit, joint.id).length),
              material: joint.bolt.material,
            },
          }
        : joint,
    ),
  };
}

export const changeLine = (
  circuit: Hydraulics,
  id: string,
  change: Partial<Omit<HydraulicLine, 'id' | 'fromJointId' | 'toJointId'>>,
): Hydraulics => ({ ...circuit, hoses: replaced(circuit.hoses, id, change) });

/** A hard line run becomes a hose, or a hose a hard line: the joints stay, the ends follow. */
export function replaceLine(circuit: Hydraulics, id: string, kind: HydraulicLine['kind']): Hydraulics {
  const line = circuit.hoses.find((hose) => hose.id === id);
  const seal = (jointId: string) => circuit.joints.find((joint) => joint.id === jointId)?.seal ?? 'banjo';
  if (!line) return circuit;
  return changeLine(circuit, id, {
    kind,
    endA: endFor(seal(line.fromJointId), kind),
    endB: endFor(seal(line.toJointId), kind),
    madeOn: null,
    marking: null,
    estimated: true,
  });
}

/** Cuts a line in two with a junction between. */
export function insertJunction(
  circuit: Hydraulics,
  newId: NewId,
  lineId: string,
): { readonly circuit: Hydraulics; readonly componentId: string | null } {
  const line = circuit.hoses.find((hose) => hose.id === lineId);
  const joint = (id: string) => circuit.joints.find((candidate) => candidate.id === id);
  const far = joint(line?.toJointId ?? '');
  const near = joint(line?.fromJointId ?? '');
  if (!line || !far || !near) return { circuit, componentId: null };
  const junction = newComponent(newId(), 'junction', 'Junction', 'frame');
  const end: EndKind = line.kind === 'hardLine' ? 'invertedFlareNut' : 'banjo';
  const inlet = newJoint(newId, junction, end, { name: 'Junction, in' });
  const outlet = newJoint(newId, junction, end, { name: 'Junction, out' });
  const half_m = line.length_m / 2;
  return {
    circuit: {
      ...circuit,
      components: [...circuit.components, junction],
      ports: [...circuit.ports, inlet.port, outlet.port],
      joints: [...circuit.joints, inlet.joint, outlet.joint],
      hoses: [
        ...circuit.hoses.flatMap((hose): readonly HydraulicLine[] =>
          hose.id === lineId
            ? [
                {
                  ...hose,
                  toJointId: inlet.joint.id,
                  endB: endFor(inlet.joint.seal, hose.kind),
                  length_m: half_m,
                  estimated: true,
                },
                {
                  ...newLine(newId(), hose.kind, `Junction to ${far.name}`, outlet.joint, far, half_m),
                  endB: hose.endB,
                  bore_m: hose.bore_m,
                },
              ]
            : [hose],
        ),
      ],
    },
    componentId: junction.id,
  };
}

/** Takes a line out; joints that nothing is on any more go with it, with their ports. */
export function removeLine(circuit: Hydraulics, id: string): Hydraulics {
  const line = circuit.hoses.find((hose) => hose.id === id);
  if (!line) return circuit;
  const touched = [line.fromJointId, line.toJointId];
  const without = { ...circuit, hoses: circuit.hoses.filter((hose) => hose.id !== id) };
  const idle = touched.filter((jointId) => endsOn(without, jointId).length === 0);
  return boltsForEyes(removeJoints(without, idle), touched);
}

function removeJoints(circuit: Hydraulics, jointIds: readonly string[]): Hydraulics {
  const gone = new Set(
    circuit.joints.filter((joint) => jointIds.includes(joint.id)).map((joint) => joint.portId),
  );
  return {
    ...circuit,
    joints: circuit.joints.filter((joint) => !jointIds.includes(joint.id)),
    ports: circuit.ports.filter((port) => !gone.has(port.id)),
  };
}

/** Takes a part out, with what sits on it and every line to it. */
export function removeComponent(circuit: Hydraulics, id: string): Hydraulics {
  const gone = new Set(
    circuit.components
      .filter((component) => component.id === id || component.attachedTo === id)
      .map((part) => part.id),
  );
  if (gone.size === 0) return circuit;
  const own = circuit.joints.filter((joint) => gone.has(joint.componentId)).map((joint) => joint.id);
  const lines = circuit.hoses.filter(
    (hose) => own.includes(hose.fromJointId) || own.includes(hose.toJointId),
  );
  const without = lines.reduce((rest, line) => removeLine(rest, line.id), circuit);
  const bare = removeJoints(without, own);
  return {
    ...bare,
    components: bare.components.filter((component) => !gone.has(component.id)),
    ports: bare.ports.filter((port) => !gone.has(port.componentId)),
  };
}
