/** What is due: kept ready for each circuit when a service or a distance is written, and read in order by the day. */
import type { DueItem } from '@zephyrcombe/contract';
import { DUE_STATES, judgeDueDate, judgeDueDistance, soonUntil } from '@zephyrcombe/core';
import type { Transaction, WhereOptions } from 'sequelize';
import { IndexHints, Op } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';
import { fieldProblem } from '../../http/appProblem.ts';
import type { Place } from '../../http/paging.ts';
import { behind, inOrder, pageOf, readPlace } from '../../http/paging.ts';
import type { CircuitDueRow } from './vehicle.model.ts';

type State = DueItem['state'];

const SOON = DUE_STATES.indexOf('soon');
const OVERDUE = DUE_STATES.indexOf('overdue');

/** Writes anew what is due on each circuit of a vehicle. Called by whatever writes a service, a distance or a circuit. */
export async function refreshDue(models: Models, transaction: Transaction, vehicleId: string): Promise<void> {
  // Two that write of the same vehicle at once wait for each other here.
  const vehicle = await models.Vehicle.findByPk(vehicleId, {
    transaction,
    lock: transaction.LOCK.UPDATE,
    rejectOnEmpty: true,
  });
  const circuits = await models.Circuit.findAll({
    where: { vehicleId },
    attributes: ['id'],
    order: [['id', 'ASC']],
    transaction,
  });
  for (const { id: circuitId } of circuits) {
    const last = await models.FluidService.findOne({
      where: { circuitId },
      order: inOrder(['servicedOn', 'id'], 'DESC'),
      transaction,
    });
    await models.CircuitDue.upsert(
      {
        circuitId,
        lastServicedOn: last?.servicedOn ?? null,
        dueOn: last?.dueOn ?? null,
        dueDistance_m: last?.dueDistance_m ?? null,
        byDistance: DUE_STATES.indexOf(
          judgeDueDistance(last?.dueDistance_m ?? null, vehicle.distance_m, last?.intervalDistance_m ?? null),
        ),
      },
      { transaction },
    );
  }
}

function stateOf({ dueOn, byDistance }: CircuitDueRow, today: string): State {
  if (dueOn === null) return 'unknown';
  const byDate = DUE_STATES.indexOf(judgeDueDate(dueOn, today));
  return DUE_STATES[Math.max(byDate, byDistance)] ?? 'later';
}

/** The states in the order of the list, and the rows that are in each today. */
const GROUPS: readonly { readonly state: State; readonly where: (today: string) => WhereOptions }[] = [
  {
    state: 'overdue',
    where: (today) => ({
      dueOn: { [Op.not]: null },
      [Op.or]: [{ byDistance: OVERDUE }, { dueOn: { [Op.lt]: today } }],
    }),
  },
  {
    state: 'soon',
    where: (today) => ({
      dueOn: { [Op.gte]: today },
      byDistance: { [Op.lt]: OVERDUE },
      [Op.or]: [{ byDistance: SOON }, { dueOn: { [Op.lte]: soonUntil(today) } }],
    }),
  },
  { state: 'unknown', where: () => ({ dueOn: null }) },
  { state: 'later', where: (today) => ({ dueOn: { [Op.gt]: soonUntil(today) }, byDistance: 0 }) },
];

/** Every circuit, the most urgent first, then by its date. */
export async function listDue(
  database: Database,
  today: string,
  { after, limit }: { readonly after?: string | undefined; readonly limit: number },
): Promise<{ readonly items: readonly DueItem[]; readonly next: string | null }> {
  const from = after === undefined ? null : readPlace(after, ['text', 'maybeDay', 'text']);
  const start = from === null ? 0 : GROUPS.findIndex(({ state }) => state === from[0]);
  if (start < 0) throw fieldProblem('after', 'noPlaceInList');
  const rows: CircuitDueRow[] = [];
  for (const { state, where } of GROUPS.slice(start)) {
    const place = from !== null && state === from[0] ? from.slice(1) : null;
    rows.push(
      ...(await database.models.CircuitDue.findAll({
        where: { [Op.and]: [where(today), ...(place === null ? [] : [behindDue(place)])] },
        order: inOrder(['dueOn', 'circuitId'], 'ASC'),
        raw: true,
        limit: limit + 1 - rows.length,
        // Read in this order until the page is full; left to itself the database sorts the whole book.
        indexHints: [{ type: IndexHints.FORCE, values: ['due_order'] }],
      })),
    );
    if (rows.length > limit) break;
  }
  const { shown, next } = pageOf(rows, limit, (row) => [stateOf(row, today), row.dueOn, row.circuitId]);
  return { items: await named(database.models, shown, today), next };
}

const behindDue = (place: Place): WhereOptions => {
  const [dueOn, circuitId] = place;
  return dueOn === null
    ? { circuitId: { [Op.gt]: circuitId ?? '' } }
    : behind(['dueOn', 'circuitId'], 'ASC', place);
};

async function named(
  models: Models,
  rows: readonly CircuitDueRow[],
  today: string,
): Promise<readonly DueItem[]> {
  const circuits = await models.Circuit.findAll({
    where: { id: rows.map((row) => row.circuitId) },
    attributes: ['id', 'vehicleId', 'name'],
    raw: true,
  });
  const vehicles = await models.Vehicle.findAll({
    where: { id: circuits.map((circuit) => circuit.vehicleId) },
    attributes: ['id', 'name'],
    raw: true,
  });
  const circuitOf = new Map(circuits.map((circuit) => [circuit.id, circuit]));
  const nameOf = new Map(vehicles.map((vehicle) => [vehicle.id, vehicle.name]));
  return rows.flatMap((row): DueItem[] => {
    const circuit = circuitOf.get(row.circuitId);
    // Taken out between the two questions.
    if (!circuit) return [];
    return [
      {
        circuitId: circuit.id,
        vehicleId: circuit.vehicleId,
        vehicleName: nameOf.get(circuit.vehicleId) ?? '',
        circuitName: circuit.name,
        state: stateOf(row, today),
        dueOn: row.dueOn,
        dueDistance_m: row.dueDistance_m,
        lastServicedOn: row.lastServicedOn,
      },
    ];
  });
}

/** The most urgent circuit of each vehicle; a vehicle without brakes is not in it. */
export async function dueOfVehicles(
  models: Models,
  vehicleIds: readonly string[],
  today: string,
): Promise<ReadonlyMap<string, State>> {
  const circuits = await models.Circuit.findAll({
    where: { vehicleId: vehicleIds },
    attributes: ['id', 'vehicleId'],
    raw: true,
  });
  const rows = await models.CircuitDue.findAll({
    where: { circuitId: circuits.map(({ id }) => id) },
    raw: true,
  });
  const states = new Map(rows.map((row) => [row.circuitId, stateOf(row, today)]));
  const urgency = (state: State) => GROUPS.findIndex((group) => group.state === state);
  const worst = new Map<string, State>();
  for (const { id, vehicleId } of circuits) {
    const state = states.get(id) ?? 'unknown';
    const other = worst.get(vehicleId);
    if (other === undefined || urgency(state) < urgency(other)) worst.set(vehicleId, state);
  }
  return worst;
}
