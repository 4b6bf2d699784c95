import type { Circuit } from '@zephyrcombe/contract';
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
  return circuits.map((circuit) => {
    const own = components.filter((row) => row.circuitId === circuit.id);
    return {
      ...placed<Omit<Circuit, 'components' | 'ports' | 'joints' | 'hoses'>>(circuit),
      components: own.map((row) => placed(row)),
      ports: ports
        .filter((row) => own.some((component) => component.id === row.componentId))
        .map((row) => placed(row)),
      joints: joints.filter((row) => row.circuitId === circuit.id).map((row) => placed(row)),
      hoses: hoses.filter((row) => row.circuitId === circuit.id).map((row) => placed(row)),
    };
  });
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
