/** Short ways to write down a circuit. Every dimension is invented for the demo shop. */
import type { Bolt, Circuit, Component, Hose, Joint, Port, Washer } from '@zephyrcombe/contract';
import type { ExampleBend_deg, FluidGrade, JointMaterial, Origin } from '@zephyrcombe/core';
import { END_FACTS, exampleEnd, needsClocking, PLAIN_FLARE } from '@zephyrcombe/core';
import { demoId } from './identity.ts';

const mm = (value: number) => value / 1000;
const degrees = (value: number) => (value * Math.PI) / 180;

/** When the shop took its vehicles in, and who looked into their ports. */
export const WHEN_TAKEN_IN = { by: 'Ottoline Fenn', at: '2025-03-03T09:00:00.000Z' };

/** What is cast on a part was seen, what is a travel or a volume was measured. */
export function readOff(
  figures: Partial<Pick<Component, 'masterBore_m' | 'leverStroke_m' | 'leverRatio' | 'usable_m3'>>,
): Component['known'] {
  const measured = (['leverStroke_m', 'leverRatio', 'usable_m3'] as const).filter((fact) => figures[fact]);
  const known = [
    ...(figures.masterBore_m ? [['masterBore_m', { how: 'seen', ...WHEN_TAKEN_IN }]] : []),
    ...measured.map((fact) => [fact, { how: 'measured', ...WHEN_TAKEN_IN }]),
  ];
  return known.length > 0 ? (Object.fromEntries(known) as Component['known']) : null;
}

interface JointPlan {
  readonly key: string;
  readonly on: string;
  readonly name: string;
  /** What goes on it: an eye under its bolt, or a tube nut with its flare. */
  readonly end?: 'banjo' | 'invertedFlareNut' | 'femaleInverted';
  readonly boltLength_mm?: number;
  readonly portDepth_mm?: number;
  readonly thread?: string;
  readonly material?: JointMaterial;
  /** Nobody has looked into this port yet; left out where somebody has. */
  readonly assumedFrom?: Origin;
}

export interface CircuitPlan {
  readonly key: string;
  readonly vehicleKey: string;
  readonly name: string;
  readonly position: number;
  readonly fluidGrade: FluidGrade;
  readonly components: readonly (Pick<Component, 'kind' | 'name' | 'body'> &
    Partial<Pick<Component, 'masterBore_m' | 'leverStroke_m' | 'leverRatio' | 'usable_m3' | 'height_m'>> & {
      key: string;
      on?: string;
    })[];
  readonly joints: readonly JointPlan[];
  readonly hoses: readonly {
    readonly key: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly length_mm: number;
    readonly ends: readonly [ExampleBend_deg, ExampleBend_deg];
    /** Of the hose that is on it; left out, its eyes lie alike. */
    readonly clocking_deg?: number;
    /** A hose with a date on it is the maker's rubber one. */
    readonly madeOn?: string;
  }[];
  readonly pipes?: readonly {
    readonly key: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly length_mm: number;
  }[];
}

/** A plan as rows: the ids are steady, everything starts at version 0. */
export function buildCircuit(plan: CircuitPlan): Circuit {
  const id = (part: string) => demoId(`${plan.vehicleKey}/${plan.key}/${part}`);
  const circuitId = id('circuit');
  const components: Component[] = plan.components.map((component) => ({
    id: id(component.key),
    circuitId,
    kind: component.kind,
    name: component.name,
    body: component.body,
    attachedTo: component.on === undefined ? null : id(component.on),
    masterBore_m: component.masterBore_m ?? null,
    leverStroke_m: component.leverStroke_m ?? null,
    leverRatio: component.leverRatio ?? null,
    usable_m3: component.usable_m3 ?? null,
    height_m: component.height_m ?? null,
    known: readOff(component),
    version: 0,
  }));
  const ports: Port[] = plan.joints.map((joint) => ({
    id: id(`port ${joint.key}`),
    componentId: id(joint.on),
    name: joint.name,
    thread: joint.thread ?? 'M10×1.0',
    gender: END_FACTS[joint.end ?? 'banjo'].port,
    seat: END_FACTS[joint.end ?? 'banjo'].seats[0] ?? 'flatWasherFace',
    seatMaterial: 'aluminium' as const,
    depth_m: mm(joint.portDepth_mm ?? 14),
    known: Object.fromEntries(
      (['thread', 'seat', 'depth_m'] as const).map((fact) => [
        fact,
        joint.assumedFrom === undefined
          ? { how: fact === 'depth_m' ? 'measured' : 'seen', ...WHEN_TAKEN_IN }
          : { how: 'assumed', origin: joint.assumedFrom },
      ]),
    ),
    version: 0,
  }));
  const joints: Joint[] = plan.joints.map((joint) => {
    const own = { id: id(joint.key), circuitId, portId: id(`port ${joint.key}`), componentId: id(joint.on) };
    if (joint.end !== undefined)
      return {
        ...own,
        name: joint.name,
        seal: END_FACTS[joint.end].seal,
        bolt: null,
        washer: null,
        eyeThickness_m: null,
        hexagon_m: mm(11),
        torque: { minimum_Nm: 12, maximum_Nm: 16, source: 'vehicleMaker', forBolt: null },
        furtherTorques: [],
        known: null,
        version: 0,
      };
    const material = joint.material ?? 'aluminium';
    const bolt: Bolt = {
      thread: joint.thread ?? 'M10×1.0',
      diameter_m: mm(10),
      length_m: mm(joint.boltLength_mm ?? 20),
      material,
    };
    const washer: Washer = {
      material: material === 'aluminium' ? 'aluminium' : 'copper',
      thickness_m: mm(1),
    };
    return {
      ...own,
      name: joint.name,
      seal: 'banjo',
      bolt,
      washer,
      eyeThickness_m: mm(8),
      hexagon_m: mm(14),
      torque: { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker', forBolt: null },
      furtherTorques: [],
      known: {
        eyeThickness_m:
          joint.assumedFrom === undefined
            ? { how: 'measured', ...WHEN_TAKEN_IN }
            : { how: 'assumed', origin: joint.assumedFrom },
      },
      version: 0,
    };
  });
  const endOn = (joint: string, bend: ExampleBend_deg) =>
    exampleEnd(
      plan.joints.find((each) => each.key === joint)?.end === undefined ? 'banjo' : 'threaded',
      bend,
    );
  const hoses: Hose[] = plan.hoses.map((hose) => ({
    id: id(hose.key),
    circuitId,
    kind: 'hose',
    name: hose.name,
    fromJointId: id(hose.from),
    toJointId: id(hose.to),
    length_m: mm(hose.length_mm),
    estimated: false,
    bore_m: mm(3.2),
    construction: hose.madeOn === undefined ? 'braided' : 'rubber',
    endA: endOn(hose.from, hose.ends[0]),
    endB: endOn(hose.to, hose.ends[1]),
    clocking_rad: needsClocking(endOn(hose.from, hose.ends[0]), endOn(hose.to, hose.ends[1]))
      ? degrees(hose.clocking_deg ?? 0)
      : null,
    madeOn: hose.madeOn ?? null,
    marking: null,
    rise_m: null,
    version: 0,
  }));
  const pipes: Hose[] = (plan.pipes ?? []).map((pipe) => ({
    id: id(pipe.key),
    circuitId,
    kind: 'hardLine',
    name: pipe.name,
    fromJointId: id(pipe.from),
    toJointId: id(pipe.to),
    length_m: mm(pipe.length_mm),
    estimated: false,
    bore_m: mm(3.2),
    construction: 'braided',
    endA: PLAIN_FLARE,
    endB: PLAIN_FLARE,
    clocking_rad: null,
    madeOn: null,
    marking: null,
    rise_m: null,
    version: 0,
  }));
  return {
    id: circuitId,
    vehicleId: demoId(plan.vehicleKey),
    name: plan.name,
    fluidGrade: plan.fluidGrade,
    components,
    ports,
    joints,
    hoses: [...hoses, ...pipes],
    version: 0,
  };
}
