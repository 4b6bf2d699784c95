/** Which nipple comes next: farthest from the master first, the master's own last, unless the maker says otherwise. */
import { length } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Circuit } from '../layout/circuit.ts';
import { distancesFromMaster } from '../layout/circuit.ts';
import { unphysical } from '../calculation/physical.ts';

const PATH: Formula = { expression: 'x = Σ hose lengths from the master', source: 'bleedOrder' };

export interface NippleTurn {
  readonly nippleId: string;
  readonly hostId: string;
  readonly path_m: number;
}

/**
 * The nipples of a circuit in bleeding order. Equal distances keep the circuit's own order, so that the plan
 * never changes between two looks. Problem: a nipple that no fluid reaches.
 */
export function nippleOrder(circuit: Circuit): Result<readonly NippleTurn[]> {
  const refused = unphysical(
    circuit.hoses.map(({ length_m }) => ({ length_m })),
    { notNegative: ['length_m'] },
    'hoses',
  );
  if (refused) return problem(refused);
  const distances = distancesFromMaster(circuit);
  const turns: NippleTurn[] = [];
  for (const nipple of circuit.components) {
    if (nipple.kind !== 'bleedNipple') continue;
    const hostId = nipple.attachedTo;
    const path_m = hostId === null ? undefined : distances.get(hostId);
    if (hostId === null || path_m === undefined) return problem({ code: 'noFluidPath', field: nipple.name });
    turns.push({ nippleId: nipple.id, hostId, path_m });
  }
  const ordered = turns
    .map((turn, index) => ({ turn, index }))
    .sort((left, right) => right.turn.path_m - left.turn.path_m || left.index - right.index)
    .map(({ turn }) => turn);
  return calculated(
    ordered,
    ordered.map((turn) => ({
      formula: PATH,
      inputs: [],
      result: term('x', 'pathLength', length(turn.path_m)),
    })),
  );
}

/** The nipples of several circuits, circuit by circuit in the order given. Problem: as of one circuit. */
export function nippleOrderOver(circuits: readonly Circuit[]): Result<readonly NippleTurn[]> {
  const turns: NippleTurn[] = [];
  const working: WorkingStep[] = [];
  for (const circuit of circuits) {
    const order = nippleOrder(circuit);
    if (!order.ok) return order;
    turns.push(...order.value);
    working.push(...order.working);
  }
  return calculated(turns, working);
}
