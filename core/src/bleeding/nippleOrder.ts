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

export type Side = 'left' | 'right';

/** What beats the length of the lines, or decides where two are as long. */
export interface OrderAsked {
  /** The vehicle maker's order, by nipple: those that it does not name come after. */
  readonly maker: readonly string[] | null;
  /** Where the driver and the master sit. */
  readonly driveSide: Side | null;
  readonly sideOf: (nippleId: string) => Side | null;
}

const NOTHING_ASKED: OrderAsked = { maker: null, driveSide: null, sideOf: () => null };
/** Two lines as long as each other, to what a drawing is rounded to. */
const AS_LONG_m = 1e-6;

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

/** Circuits that share a part, such as a reservoir or a tandem master, in the order given. */
export function sharingParts<Drawn extends Circuit>(
  circuits: readonly Drawn[],
): readonly (readonly Drawn[])[] {
  const groups: Drawn[][] = [];
  for (const circuit of circuits) {
    const own = wholesOf(circuit);
    const met = groups.filter((group) =>
      group.some((other) => wholesOf(other).some((id) => own.includes(id))),
    );
    const [first] = met;
    if (!first) groups.push([circuit]);
    else {
      for (const other of met.slice(1)) groups.splice(groups.indexOf(other), 1);
      first.push(...met.slice(1).flat(), circuit);
    }
  }
  return groups;
}

const wholesOf = ({ components }: Circuit): readonly string[] =>
  components.map(({ id, sameAs }) => sameAs ?? id);

/**
 * Of two nipples that one master or reservoir serves: below 0 where the first has to come first, above 0 where the other has, 0 where
 * either may.
 */
export function precedence(
  one: NippleTurn,
  other: NippleTurn,
  { maker, driveSide, sideOf }: OrderAsked,
): number {
  if (maker !== null) {
    const place = ({ nippleId }: NippleTurn) => {
      const at = maker.indexOf(nippleId);
      return at < 0 ? maker.length : at;
    };
    return place(one) - place(other);
  }
  const farther_m = other.path_m - one.path_m;
  if (Math.abs(farther_m) > AS_LONG_m) return farther_m;
  const [side, otherSide] = [sideOf(one.nippleId), sideOf(other.nippleId)];
  if (driveSide === null || side === null || otherSide === null || side === otherSide) return 0;
  return side === driveSide ? 1 : -1;
}

/**
 * The nipples of several circuits: farthest first over those that one master or reservoir serves, those by themselves in the order
 * given. Where two lines are as long, the one across from the driver goes first. Problem: as of one circuit.
 */
export function nippleOrderOver(
  circuits: readonly Circuit[],
  asked: OrderAsked = NOTHING_ASKED,
): Result<readonly NippleTurn[]> {
  const turns: NippleTurn[] = [];
  const working: WorkingStep[] = [];
  for (const group of sharingParts(circuits)) {
    const own: NippleTurn[] = [];
    for (const circuit of group) {
      const order = nippleOrder(circuit);
      if (!order.ok) return order;
      own.push(...order.value);
      working.push(...order.working);
    }
    turns.push(...own.toSorted((one, other) => precedence(one, other, { ...asked, maker: null })));
  }
  return calculated(
    asked.maker === null ? turns : turns.toSorted((one, other) => precedence(one, other, asked)),
    working,
  );
}
