import type { Circuit } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Database } from '../../database/database.ts';

/** A row's columns without the position that only orders it. */
function placed<Columns extends object>(row: { get(options: { plain: true }): unknown }): Columns {
  const { position: _position, ...columns } = row.get({ plain: true }) as Columns & { position: number };
  return columns as unknown as Columns;
}

/** The circuits of a vehicle, each whole, in the order they were entered. */
export async function loadCircuits(
  { models }: Database,
  where: { vehicleId: string } | { id: string },
  transaction?: Transaction,
): Promise<readonly Circuit[]> {
  const order: [string, 'ASC'][] = [['position', 'ASC']];
  const inside = transaction ? { transaction } : {};
  const circuits = await models.Circuit.findAll({ where, order, ...inside });
  const circuitId = circuits.map((circuit) => circuit.id);
  const components = await models.Component.findAll({ where: { circuitId }, order, ...inside });
  const ports = await models.Port.findAll({
    where: { componentId: components.map((row) => row.id) },
    order,
    ...inside,
  });
  const joints = await models.Joint.findAll({ where: { circuitId }, order, ...inside });
  const hoses = await models.Hose.findAll({ where: { circuitId }, order, ...inside });
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
