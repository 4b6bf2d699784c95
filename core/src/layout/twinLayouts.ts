/**
 * The same brake laid out another way: a long hose to each caliper, a tee with short hoses, or one hose on to the next
 * caliper. Lengths that the vehicle has are kept; what would be new is an estimate to be measured.
 */
import type { NewId } from './build.ts';
import { boltFor, newComponent, newJoint, newLine } from './build.ts';
import { distancesFromMaster } from './circuit.ts';
import { neighbours } from './faults.ts';
import type {
  HydraulicComponent,
  HydraulicJoint,
  HydraulicLine,
  HydraulicPort,
  Hydraulics,
} from './hydraulics.ts';

export const LAYOUTS = ['longHoses', 'tee', 'crossover'] as const;
export type LayoutId = (typeof LAYOUTS)[number];

/** From the master down to the lower yoke, as a share of the way to the nearer caliper; our estimate. */
const TEE_SHARE = 0.55;
/** A tee lies off the straight way; our estimate. */
const TEE_DETOUR_m = 0.03;
/** Over the wheel from one caliper to the next; our estimate. */
const CROSSOVER_m = 0.5;
const CROSSOVER_RISE_m = 0.18;

/** Whether the layouts apply: one master, two or more calipers, nothing but hoses and junctions between. */
export function canBeLaidOut(circuit: Hydraulics): boolean {
  const kinds = circuit.components.map((component) => component.kind);
  return (
    kinds.filter((kind) => kind === 'master').length === 1 &&
    kinds.filter((kind) => kind === 'caliper').length >= 2 &&
    kinds.filter((kind) => kind === 'caliper').length <= 3 &&
    !kinds.includes('absUnit') &&
    circuit.hoses.every((line) => line.kind === 'hose') &&
    circuit.joints.every((joint) => joint.seal === 'banjo')
  );
}

/** Which of the layouts a circuit already has; null when it is none of them. */
export function layoutOf(circuit: Hydraulics): LayoutId | null {
  if (!canBeLaidOut(circuit)) return null;
  const master = circuit.components.find((component) => component.kind === 'master');
  const lines = neighbours(circuit);
  const ofKind = (kind: string) => circuit.components.filter((component) => component.kind === kind);
  const fromMaster = (lines.get(master?.id ?? '') ?? []).map((line) => line.id);
  const calipers = ofKind('caliper');
  const junctions = ofKind('junction');
  if (
    calipers.every((caliper) => fromMaster.includes(caliper.id)) &&
    circuit.hoses.length === calipers.length
  )
    return 'longHoses';
  if (junctions.length === 1 && fromMaster.length === 1 && fromMaster[0] === junctions[0]?.id) return 'tee';
  return junctions.length === 0 && fromMaster.length === 1 ? 'crossover' : null;
}

/** The circuit laid out so. Master, calipers, nipples and their ports stay. Null when the layouts do not apply. */
export function layOut(circuit: Hydraulics, layout: LayoutId, newId: NewId): Hydraulics | null {
  const master = circuit.components.find((component) => component.kind === 'master');
  if (!canBeLaidOut(circuit) || !master) return null;
  const distances = distancesFromMaster(circuit);
  const calipers = circuit.components
    .filter((component) => component.kind === 'caliper')
    .map((component) => ({ component, direct_m: directDistance(circuit, master, component, distances) }));
  const kept = circuit.components.filter((component) => component.kind !== 'junction');
  const jointOn = (component: HydraulicComponent): { port: HydraulicPort; joint: HydraulicJoint } => {
    const joint = circuit.joints.find((candidate) => candidate.componentId === component.id);
    const port = circuit.ports.find((candidate) => candidate.id === joint?.portId);
    return joint && port ? { joint, port } : newJoint(newId, component, 'banjo');
  };
  const start = jointOn(master);
  const ends = calipers.map(({ component, direct_m }) => ({ ...jointOn(component), component, direct_m }));
  const extra: { components: HydraulicComponent[]; sides: { port: HydraulicPort; joint: HydraulicJoint }[] } =
    {
      components: [],
      sides: [],
    };
  const lines: HydraulicLine[] = [];
  const existing = (from: HydraulicJoint, to: HydraulicJoint) =>
    circuit.hoses.find((hose) => hose.fromJointId === from.id && hose.toJointId === to.id);
  const run = (
    name: string,
    from: HydraulicJoint,
    to: HydraulicJoint,
    length_m: number,
    rise_m: number | null = null,
  ) => lines.push(existing(from, to) ?? { ...newLine(newId(), 'hose', name, from, to, length_m), rise_m });

  const [nearest] = [...ends].sort((left, right) => left.direct_m - right.direct_m);
  switch (layout) {
    case 'longHoses':
      for (const end of ends) run(`${end.component.name} hose`, start.joint, end.joint, end.direct_m);
      break;
    case 'tee': {
      const tee = newComponent(newId(), 'junction', 'Tee at the lower yoke', 'lowerYoke');
      const main_m = TEE_SHARE * (nearest?.direct_m ?? CROSSOVER_m);
      const inlet = newJoint(newId, tee, 'banjo', { name: 'Tee, in' });
      extra.components.push(tee);
      extra.sides.push(inlet);
      run('Main hose', start.joint, inlet.joint, main_m);
      for (const end of ends) {
        const outlet = newJoint(newId, tee, 'banjo', { name: `Tee, to ${end.component.name.toLowerCase()}` });
        extra.sides.push(outlet);
        run(`${end.component.name} hose`, outlet.joint, end.joint, end.direct_m - main_m + TEE_DETOUR_m);
      }
      break;
    }
    case 'crossover': {
      let from = start.joint;
      let length_m = nearest?.direct_m ?? CROSSOVER_m;
      const others = ends.filter((end) => end !== nearest);
      for (const end of nearest ? [nearest, ...others] : others) {
        const isFirst = from === start.joint;
        run(
          isFirst ? 'Main hose' : `Crossover to ${end.component.name.toLowerCase()}`,
          from,
          end.joint,
          length_m,
          isFirst ? null : CROSSOVER_RISE_m,
        );
        from = end.joint;
        length_m = CROSSOVER_m;
      }
      break;
    }
  }
  const sides = [start, ...ends.map(({ port, joint }) => ({ port, joint })), ...extra.sides];
  const eyes = (joint: HydraulicJoint) =>
    lines.filter((line) => line.fromJointId === joint.id || line.toJointId === joint.id).length;
  return {
    ...circuit,
    components: [...kept, ...extra.components],
    ports: sides.map((side) => side.port),
    joints: sides.map(({ joint }) =>
      joint.bolt
        ? { ...joint, bolt: { ...boltFor(joint.bolt.thread, eyes(joint)), material: joint.bolt.material } }
        : joint,
    ),
    hoses: lines,
  };
}

/** How long a hose straight from the master would be: the way there now, less what a detour over another caliper adds. */
function directDistance(
  circuit: Hydraulics,
  master: HydraulicComponent,
  caliper: HydraulicComponent,
  distances: ReadonlyMap<string, number>,
): number {
  const componentOf = new Map(circuit.joints.map((joint) => [joint.id, joint.componentId]));
  const straight = circuit.hoses.find(
    (hose) =>
      componentOf.get(hose.fromJointId) === master.id && componentOf.get(hose.toJointId) === caliper.id,
  );
  if (straight) return straight.length_m;
  const now_m = distances.get(caliper.id) ?? CROSSOVER_m;
  const overCrossover = circuit.hoses.some(
    (hose) => hose.rise_m !== null && componentOf.get(hose.toJointId) === caliper.id,
  );
  const nearest_m = Math.min(
    ...circuit.components
      .filter((component) => component.kind === 'caliper')
      .map((component) => distances.get(component.id) ?? now_m),
  );
  return overCrossover ? nearest_m + 0.05 : now_m;
}
