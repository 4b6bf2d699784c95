import type { Circuit, Hose } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';

/** A row's columns without what only orders it or takes it off the drawing. */
function placed<Columns extends object>(row: { get(options: { plain: true }): unknown }): Columns {
  const {
    position: _position,
    retired: _retired,
    ...columns
  } = row.get({ plain: true }) as Columns & {
    position: number;
    retired?: boolean;
  };
  return columns as unknown as Columns;
}

/** Of most lines nobody has said what they are made of: then it is left out, as on the drawing that was sent. */
const whereSaid = ({ lineMade, ...line }: Hose): Hose => (lineMade ? { ...line, lineMade } : line);

type Parts = Pick<Circuit, 'components' | 'ports' | 'joints' | 'hoses'>;

/** Parts of circuits as they were read, by the version of the circuit: every writer of a part raises it. */
const known = new WeakMap<Models, Map<string, Parts>>();
/** Those that are worked on in a week. */
const MOST_KNOWN = 500;

const keyOf = ({ id, version }: { readonly id: string; readonly version: number }) => `${id} ${version}`;

function partsKnownTo(models: Models): Map<string, Parts> {
  const parts = known.get(models) ?? new Map<string, Parts>();
  known.set(models, parts);
  return parts;
}

/** The circuits of a vehicle, each whole, in the order they were entered. Parts that were taken off are left out. */
export async function loadCircuits(
  { models }: Pick<Database, 'models'>,
  where: { vehicleId: string } | { id: string | readonly string[] },
  transaction?: Transaction,
): Promise<readonly Circuit[]> {
  const order: [string, 'ASC'][] = [['position', 'ASC']];
  const inside = transaction ? { transaction } : {};
  const circuits = await models.Circuit.findAll({
    where: 'id' in where ? { id: typeof where.id === 'string' ? where.id : [...where.id] } : where,
    order,
    ...inside,
  });
  const cache = partsKnownTo(models);
  const unread = circuits.filter((circuit) => !cache.has(keyOf(circuit)));
  const read = unread.length === 0 ? new Map<string, Parts>() : await readParts(models, unread, inside);
  // What is read in a transaction may never be committed.
  if (!transaction)
    for (const circuit of unread) {
      const parts = read.get(circuit.id);
      if (parts) cache.set(keyOf(circuit), parts);
      const [oldest] = cache.keys();
      if (cache.size > MOST_KNOWN && oldest !== undefined) cache.delete(oldest);
    }
  return circuits.map((circuit) => ({
    ...placed<Omit<Circuit, keyof Parts>>(circuit),
    ...(read.get(circuit.id) ?? cache.get(keyOf(circuit)) ?? NOTHING),
  }));
}

const NOTHING: Parts = { components: [], ports: [], joints: [], hoses: [] };

async function readParts(
  models: Models,
  circuits: readonly { readonly id: string }[],
  inside: { readonly transaction?: Transaction },
): Promise<Map<string, Parts>> {
  const order: [string, 'ASC'][] = [['position', 'ASC']];
  const circuitId = circuits.map((circuit) => circuit.id);
  const onDrawing = { circuitId, retired: false };
  const components = await models.Component.findAll({ where: onDrawing, order, ...inside });
  const ports = await models.Port.findAll({
    where: { componentId: components.map((row) => row.id), retired: false },
    order,
    ...inside,
  });
  const joints = await models.Joint.findAll({ where: onDrawing, order, ...inside });
  const hoses = await models.Hose.findAll({ where: onDrawing, order, ...inside });
  const partsOf = (id: string): Parts => {
    const own = components.filter((row) => row.circuitId === id);
    return {
      components: own.map((row) => placed(row)),
      ports: ports
        .filter((row) => own.some((component) => component.id === row.componentId))
        .map((row) => placed(row)),
      joints: joints.filter((row) => row.circuitId === id).map((row) => placed(row)),
      hoses: hoses.filter((row) => row.circuitId === id).map((row) => whereSaid(placed<Hose>(row))),
    };
  };
  return new Map(circuitId.map((id) => [id, partsOf(id)]));
}

/** One circuit as it stands inside a transaction. */
export async function loadCircuitIn(
  models: Models,
  circuitId: string,
  transaction: Transaction,
): Promise<Circuit> {
  const [circuit] = await loadCircuits({ models }, { id: circuitId }, transaction);
  if (circuit === undefined) throw new Error(`There is no circuit ${circuitId}`);
  return circuit;
}
