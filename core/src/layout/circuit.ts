/**
 * A brake circuit as a graph: components joined by hoses, each hose from one joint to another, each joint on a
 * port of one component. Several hose ends on one joint are eyes on one bolt.
 */
import { demand, unphysical } from '../calculation/physical.ts';
export const COMPONENT_KINDS = [
  'reservoir',
  'master',
  'absUnit',
  'junction',
  'bracket',
  'caliper',
  'wheelCylinder',
  'bleedNipple',
  'pressureSwitch',
] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

export interface CircuitComponent {
  readonly id: string;
  readonly kind: ComponentKind;
  readonly name: string;
  /** A reservoir sits on its master, a nipple in its caliper. */
  readonly attachedTo: string | null;
  /** The same part in another circuit's drawing, where that has it too. */
  readonly sameAs?: string | null | undefined;
}

export interface CircuitJoint {
  readonly id: string;
  readonly componentId: string;
}

export interface CircuitHose {
  readonly id: string;
  readonly fromJointId: string;
  readonly toJointId: string;
  /** Between the sealing points. */
  readonly length_m: number;
}

export interface Circuit {
  readonly components: readonly CircuitComponent[];
  readonly joints: readonly CircuitJoint[];
  readonly hoses: readonly CircuitHose[];
}

/** How many hose ends meet on this joint. */
export function eyesOn(circuit: Pick<Circuit, 'hoses'>, jointId: string): number {
  return circuit.hoses.reduce(
    (eyes, hose) => eyes + (hose.fromJointId === jointId ? 1 : 0) + (hose.toJointId === jointId ? 1 : 0),
    0,
  );
}

/** Length of hose between the master and each component the fluid reaches, metres, by the shortest way. */
export function distancesFromMaster(circuit: Circuit): ReadonlyMap<string, number> {
  // A line of less than nothing would shorten the way for ever.
  demand(
    unphysical(
      circuit.hoses.map(({ length_m }) => ({ length_m })),
      { notNegative: ['length_m'] },
      'hoses',
    ),
  );
  const componentOf = new Map(circuit.joints.map((joint) => [joint.id, joint.componentId]));
  const distances = new Map<string, number>();
  for (const component of circuit.components) if (component.kind === 'master') distances.set(component.id, 0);

  // Circuits have a few dozen parts: relaxing every hose until nothing shortens is quick and plain.
  let changed = true;
  while (changed) {
    changed = false;
    for (const hose of circuit.hoses) {
      const from = componentOf.get(hose.fromJointId);
      const to = componentOf.get(hose.toJointId);
      if (from === undefined || to === undefined) continue;
      for (const [near, far] of [
        [from, to],
        [to, from],
      ] as const) {
        const reached = distances.get(near);
        if (reached === undefined) continue;
        const candidate = reached + hose.length_m;
        if (candidate < (distances.get(far) ?? Infinity)) {
          distances.set(far, candidate);
          changed = true;
        }
      }
    }
  }
  return distances;
}
