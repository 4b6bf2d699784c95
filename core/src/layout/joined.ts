/** Circuits of one vehicle that share parts, as they are on the vehicle: each part once, with the lines of all of them. */
import type { Hydraulics } from './hydraulics.ts';

export interface JoinedCircuits<Own extends Hydraulics = Hydraulics> {
  /** Those that are joined, in their order; one by itself where it shares nothing. */
  readonly circuits: readonly Own[];
  /** All of them as one, each shared part as the circuit has it that stands for it. */
  readonly whole: Hydraulics;
}

/** The circuits in groups that share a tandem master, a reservoir or an ABS unit, in the order of their first. */
export function joinedCircuits<Own extends Hydraulics>(
  circuits: readonly Own[],
): readonly JoinedCircuits<Own>[] {
  const groups: Own[][] = [];
  for (const circuit of circuits) {
    const own = new Set(circuit.components.map(standsFor));
    const joins = groups.filter((group) =>
      group.some(({ components }) => components.some((part) => own.has(standsFor(part)))),
    );
    const [first] = joins;
    if (first === undefined) {
      groups.push([circuit]);
      continue;
    }
    // A circuit may bring two together that shared nothing before it.
    for (const other of joins.slice(1)) first.push(...groups.splice(groups.indexOf(other), 1).flat());
    first.push(circuit);
  }
  return groups.map((group) => {
    const inOrder = circuits.filter((circuit) => group.includes(circuit));
    return { circuits: inOrder, whole: asOne(inOrder) };
  });
}

const standsFor = ({ id, sameAs }: Hydraulics['components'][number]): string => sameAs ?? id;

function asOne(circuits: readonly Hydraulics[]): Hydraulics {
  const parts = circuits.flatMap(({ components }) => components);
  const ids = new Set(parts.map(({ id }) => id));
  // A part may be one with that of a circuit which is not here: then it stands for itself.
  const stands = new Map(
    parts.map((part) => [part.id, ids.has(standsFor(part)) ? standsFor(part) : part.id]),
  );
  const oneOf = (id: string) => stands.get(id) ?? id;
  const moved = <Part extends { readonly componentId: string }>(part: Part): Part => ({
    ...part,
    componentId: oneOf(part.componentId),
  });
  return {
    name: circuits.map(({ name }) => name).join(', '),
    fluidGrade: circuits[0]?.fluidGrade ?? 'DOT 4',
    components: parts
      .filter(({ id }) => oneOf(id) === id)
      .map((part) => ({
        ...part,
        attachedTo: part.attachedTo === null ? null : oneOf(part.attachedTo),
        sameAs: null,
      })),
    ports: circuits.flatMap(({ ports }) => ports.map(moved)),
    joints: circuits.flatMap(({ joints }) => joints.map(moved)),
    hoses: circuits.flatMap(({ hoses }) => hoses),
  };
}
