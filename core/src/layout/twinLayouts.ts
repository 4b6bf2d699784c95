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

interface Side {
  readonly port: HydraulicPort;
  readonly joint: HydraulicJoint;
}
interface CaliperEnd extends Side {
  readonly component: HydraulicComponent;
  /** From the master straight to it. */
  readonly direct_m: number;
}

/** A circuit while it is laid out: what there is stays, what is new is added. */
class LayingOut {
  readonly start: Side;
  readonly ends: readonly CaliperEnd[];
  readonly lines: HydraulicLine[] = [];
  private readonly added: { readonly component: HydraulicComponent; readonly sides: Side[] }[] = [];
  private readonly circuit: Hydraulics;
  private readonly newId: NewId;

  constructor(circuit: Hydraulics, master: HydraulicComponent, newId: NewId) {
    this.circuit = circuit;
    this.newId = newId;
    const distances = distancesFromMaster(circuit);
    this.start = this.sideOf(master);
    this.ends = circuit.components
      .filter((component) => component.kind === 'caliper')
      .map((component) => ({
        ...this.sideOf(component),
        component,
        direct_m: directDistance(circuit, master, component, distances),
      }));
  }

  private sideOf(component: HydraulicComponent): Side {
    const { joints, ports } = this.circuit;
    const joint = joints.find((candidate) => candidate.componentId === component.id);
    const port = ports.find((candidate) => candidate.id === joint?.portId);
    return joint && port ? { joint, port } : newJoint(this.newId, component, 'banjo');
  }

  get nearest(): CaliperEnd | undefined {
    return [...this.ends].sort((left, right) => left.direct_m - right.direct_m)[0];
  }

  /** A hose that is there already stays as it is. */
  run(name: string, from: Side, to: Side, length_m: number, rise_m: number | null = null): void {
    const there = this.circuit.hoses.find(
      (hose) => hose.fromJointId === from.joint.id && hose.toJointId === to.joint.id,
    );
    this.lines.push(
      there ?? { ...newLine(this.newId(), 'hose', name, from.joint, to.joint, length_m), rise_m },
    );
  }

  /** A junction, and another port of it each time it is asked for one. */
  junction(name: string): (port: string) => Side {
    const component = newComponent(this.newId(), 'junction', name, 'lowerYoke');
    const sides: Side[] = [];
    this.added.push({ component, sides });
    return (port) => {
      const side = newJoint(this.newId, component, 'banjo', { name: port });
      sides.push(side);
      return side;
    };
  }

  laidOut(): Hydraulics {
    const { circuit, lines, added } = this;
    const sides = [this.start, ...this.ends, ...added.flatMap((junction) => junction.sides)];
    const eyes = ({ id }: HydraulicJoint) =>
      lines.filter((line) => line.fromJointId === id || line.toJointId === id).length;
    return {
      ...circuit,
      components: [
        ...circuit.components.filter((component) => component.kind !== 'junction'),
        ...added.map(({ component }) => component),
      ],
      ports: sides.map(({ port }) => port),
      joints: sides.map(({ joint }) =>
        joint.bolt
          ? { ...joint, bolt: { ...boltFor(joint.bolt.thread, eyes(joint)), material: joint.bolt.material } }
          : joint,
      ),
      hoses: lines,
    };
  }
}

const LAY: Readonly<Record<LayoutId, (on: LayingOut) => void>> = {
  longHoses(on) {
    for (const end of on.ends) on.run(`${end.component.name} hose`, on.start, end, end.direct_m);
  },
  tee(on) {
    const main_m = TEE_SHARE * (on.nearest?.direct_m ?? CROSSOVER_m);
    const portOf = on.junction('Tee at the lower yoke');
    on.run('Main hose', on.start, portOf('Tee, in'), main_m);
    for (const end of on.ends) {
      const { name } = end.component;
      const outlet = portOf(`Tee, to ${name.toLowerCase()}`);
      on.run(`${name} hose`, outlet, end, end.direct_m - main_m + TEE_DETOUR_m);
    }
  },
  crossover(on) {
    const { nearest, ends, start } = on;
    if (!nearest) return;
    on.run('Main hose', start, nearest, nearest.direct_m);
    let from = nearest;
    for (const end of ends.filter((other) => other !== nearest)) {
      on.run(`Crossover to ${end.component.name.toLowerCase()}`, from, end, CROSSOVER_m, CROSSOVER_RISE_m);
      from = end;
    }
  },
};

/** The circuit laid out so. Master, calipers, nipples and their ports stay. Null when the layouts do not apply. */
export function layOut(circuit: Hydraulics, layout: LayoutId, newId: NewId): Hydraulics | null {
  const master = circuit.components.find((component) => component.kind === 'master');
  if (!canBeLaidOut(circuit) || !master) return null;
  const on = new LayingOut(circuit, master, newId);
  LAY[layout](on);
  return on.laidOut();
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
