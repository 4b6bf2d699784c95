/** Entering, changing, importing and exporting vehicles and their hydraulics. */
import type { FieldError, VehicleDetail, VehicleEntry } from '@zephyrcombe/contract';
import {
  hydraulicsOf,
  MOST_CIRCUITS,
  readVehicleDocument,
  renumberAll,
  vehicleEntryOf,
  withoutNames,
  writeVehicleDocument,
} from '@zephyrcombe/contract';
import { createWriter, FIELD_FAULTS, REFUSALS } from '@zephyrcombe/messages';
import { randomUUID } from 'node:crypto';
import type { Hydraulics } from '@zephyrcombe/core';
import { isWritten } from '../../database/sentChange.ts';
import type { FastifyRequest } from 'fastify';
import type { Transaction } from 'sequelize';
import { UniqueConstraintError } from 'sequelize';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { Handlers } from '../../http/handlers.ts';
import { personOf } from '../../http/access.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { requireLeftOpenStays } from './leftOpen.ts';
import { followCircuit, openJobsOn, requireScopesStay } from '../jobs/jobScope.ts';
import { spokenFor } from './spokenFor.ts';
import { loadCircuitIn } from './circuit.repository.ts';
import { createCircuit, requireWhole, saveHydraulics } from './saveHydraulics.ts';
import type { VehicleRow } from './vehicle.model.ts';
import { loadVehicleDetail, toVehicle } from './vehicle.repository.ts';
import { writeVehicleChange } from './vehicleChange.ts';
import { refreshDue } from './due.ts';

type VehicleEditHandlers = Pick<
  Handlers,
  | 'createVehicle'
  | 'importVehicle'
  | 'exportVehicle'
  | 'editVehicle'
  | 'removeVehicle'
  | 'addCircuit'
  | 'saveCircuit'
  | 'removeCircuit'
>;

export function vehicleEditHandlers(dependencies: Dependencies): VehicleEditHandlers {
  const { database, clock } = dependencies;
  const { models } = database;

  const stampOf = (request: FastifyRequest) => ({
    by: personOf(request).name,
    at: clock().toISOString(),
  });

  /** Ids of the shop's own for parts that come from outside: two vehicles never share a part. */
  async function enter(
    request: FastifyRequest,
    vehicle: VehicleEntry,
    circuits: readonly Hydraulics[],
    kind: 'entered' | 'imported',
    vehicleId: string,
  ): Promise<string> {
    const now = clock();
    const person = personOf(request);
    for (const [index, circuit] of circuits.entries()) requireWhole(circuit, `circuits.${index}`);
    // The same vehicle sent twice is one vehicle: the first reply was lost, or the button was pressed twice.
    if ((await models.Vehicle.findByPk(vehicleId)) !== null) return vehicleId;
    const create = database.transaction(async (transaction) => {
      await models.Vehicle.create({ ...vehicle, id: vehicleId, version: 0 }, { transaction });
      for (const [position, hydraulics] of renumberAll(circuits, randomUUID).entries()) {
        await createCircuit(models, transaction, {
          id: randomUUID(),
          vehicleId,
          position,
          // What a document from elsewhere says was seen was seen by nobody of this shop, whatever name stands in it.
          hydraulics:
            kind === 'imported' ? withoutNames(hydraulics) : spokenFor(null, hydraulics, stampOf(request)),
        });
      }
      await writeVehicleChange(models, transaction, {
        vehicleId,
        at: now,
        by: person.name,
        byId: person.id,
        kind,
        detail: { circuits: circuits.map((circuit) => circuit.name) },
      });
    });
    try {
      await create;
    } catch (error) {
      // Both were on their way at once.
      if (!(error instanceof UniqueConstraintError)) throw error;
    }
    return vehicleId;
  }

  /** One change to a vehicle that exists, its row locked, with a line in its history. */
  async function change(
    request: FastifyRequest,
    vehicleId: string,
    act: (
      row: VehicleRow,
      transaction: Transaction,
      tell: (
        kind: Parameters<typeof writeVehicleChange>[2]['kind'],
        detail: Record<string, unknown>,
      ) => Promise<void>,
    ) => Promise<void>,
  ): Promise<VehicleDetail> {
    const now = clock();
    const person = personOf(request);
    await database.transaction(async (transaction) => {
      const row = await models.Vehicle.findByPk(vehicleId, { transaction, lock: transaction.LOCK.UPDATE });
      if (row === null) throw new AppProblem('not-found');
      if (await isWritten(models, transaction, request, now)) return;
      await act(row, transaction, (kind, detail) =>
        writeVehicleChange(models, transaction, {
          vehicleId,
          at: now,
          by: person.name,
          byId: person.id,
          kind,
          detail,
        }),
      );
    });
    return loadVehicleDetail(database, vehicleId);
  }

  /** What would lose its record if a circuit, or all of a vehicle, were taken out. */
  async function requireUnused(
    where: { vehicleId: string } | { circuitId: string },
    transaction: Transaction,
  ): Promise<void> {
    const jobs = await models.Job.findAll({
      where:
        'vehicleId' in where
          ? where
          : {
              id: (await models.JobCircuit.findAll({ where, attributes: ['jobId'], transaction })).map(
                ({ jobId }) => jobId,
              ),
            },
      transaction,
    });
    const services = await models.FluidService.count({ where, transaction });
    const errors: FieldError[] = [
      ...jobs.map((job) => ({ field: 'job', message: job.title })),
      ...(services > 0 ? [{ field: 'service', message: FIELD_FAULTS.servicesKept(services) }] : []),
    ];
    if (errors.length > 0) throw new AppProblem('in-use', { detail: REFUSALS.recordsHang, errors });
  }

  async function removeParts(circuitId: string, transaction: Transaction): Promise<void> {
    const circuit = await loadCircuitIn(models, circuitId, transaction);
    await saveHydraulics(models, transaction, circuit, {
      ...hydraulicsOf(circuit),
      components: [],
      ports: [],
      joints: [],
      hoses: [],
    });
    await models.Circuit.destroy({ where: { id: circuitId }, transaction });
  }

  return {
    async createVehicle({ request, body }) {
      return loadVehicleDetail(
        database,
        await enter(request, body.vehicle, body.circuits, 'entered', body.id),
      );
    },

    async importVehicle({ request, body }) {
      const reading = readVehicleDocument(body.document);
      if (!reading.ok) throw new AppProblem('not-a-vehicle', { errors: reading.errors });
      const { document, mended } = reading;
      for (const [index, circuit] of document.circuits.entries()) requireWhole(circuit, `circuits.${index}`);
      const vehicleId = body.tryOnly
        ? null
        : await enter(request, document.vehicle, document.circuits, 'imported', body.id);
      return { vehicleId, document, mended: [...mended] };
    },

    async exportVehicle({ params }) {
      const { vehicle, circuits } = await loadVehicleDetail(database, params.vehicleId);
      const entry = vehicleEntryOf(vehicle);
      return writeVehicleDocument(entry, circuits.map(hydraulicsOf));
    },

    editVehicle: ({ request, params, body }) =>
      change(request, params.vehicleId, async (row, transaction, tell) => {
        requireVersion(toVehicle(row), body.version);
        const { version, setBackBecause = '', ...changes } = body;
        const { distance_m } = changes;
        // A new instrument, or a slip before: the history says which.
        const isSetBack =
          row.distance_m !== null && distance_m !== undefined && (distance_m ?? 0) < row.distance_m;
        if (isSetBack && setBackBecause === '')
          throw fieldProblem(
            'distance_m',
            'lessThanRecordedWhy',
            createWriter(personOf(request).units).distance(row.distance_m ?? 0),
          );
        await row.update({ ...definedOnly(changes), version: version + 1 }, { transaction });
        if (distance_m !== undefined) await refreshDue(models, transaction, row.id);
        await tell('edited', { ...definedOnly(changes), ...(isSetBack ? { because: setBackBecause } : {}) });
      }),

    async removeVehicle({ request, params }) {
      const now = clock();
      await database.transaction(async (transaction) => {
        const row = await models.Vehicle.findByPk(params.vehicleId, {
          transaction,
          lock: transaction.LOCK.UPDATE,
        });
        if (await isWritten(models, transaction, request, now)) return;
        if (row === null) throw new AppProblem('not-found');
        await requireUnused({ vehicleId: row.id }, transaction);
        for (const circuit of await models.Circuit.findAll({ where: { vehicleId: row.id }, transaction }))
          await removeParts(circuit.id, transaction);
        await models.Corner.destroy({ where: { vehicleId: row.id }, transaction });
        await models.VehicleChange.destroy({ where: { vehicleId: row.id }, transaction });
        await row.destroy({ transaction });
      });
      return { removed: params.vehicleId };
    },

    addCircuit: ({ request, params, body }) =>
      change(request, params.vehicleId, async (row, transaction, tell) => {
        const there = await models.Circuit.count({ where: { vehicleId: row.id }, transaction });
        const known = await models.Circuit.findByPk(body.id, { transaction });
        if (known !== null && known.vehicleId !== row.id) throw fieldProblem('id', 'circuitElsewhere');
        if (known !== null) return;
        if (there + body.circuits.length > MOST_CIRCUITS)
          throw fieldProblem('circuits', 'tooMany', MOST_CIRCUITS, 'circuits');
        for (const [index, hydraulics] of body.circuits.entries())
          requireWhole(hydraulics, `circuits.${index}`);
        for (const [index, hydraulics] of renumberAll(body.circuits, randomUUID).entries()) {
          await createCircuit(models, transaction, {
            id: index === 0 ? body.id : randomUUID(),
            vehicleId: row.id,
            position: there + index,
            hydraulics: spokenFor(null, hydraulics, stampOf(request)),
          });
        }
        await tell('circuitAdded', { circuits: body.circuits.map((circuit) => circuit.name) });
      }),

    saveCircuit: ({ request, params, body }) =>
      change(request, params.vehicleId, async (row, transaction, tell) => {
        const stored = await models.Circuit.findOne({
          where: { id: params.circuitId, vehicleId: params.vehicleId },
          transaction,
          lock: transaction.LOCK.UPDATE,
        });
        if (stored === null) throw new AppProblem('not-found');
        const circuit = await loadCircuitIn(models, stored.id, transaction);
        requireVersion(circuit, body.version);
        await requireScopesStay(models, transaction, circuit.id, body.hydraulics);
        requireLeftOpenStays(row.leftOpen ?? [], circuit.id, body.hydraulics);
        await saveHydraulics(
          models,
          transaction,
          circuit,
          spokenFor(hydraulicsOf(circuit), body.hydraulics, stampOf(request)),
        );
        const saved = await loadCircuitIn(models, circuit.id, transaction);
        for (const job of await openJobsOn(models, transaction, circuit.id))
          await followCircuit(models, transaction, job.id, circuit, saved);
        await tell('circuitSaved', {
          circuit: body.hydraulics.name,
          parts: body.hydraulics.components.length,
          lines: body.hydraulics.hoses.length,
        });
      }),

    removeCircuit: ({ request, params }) =>
      change(request, params.vehicleId, async (_row, transaction, tell) => {
        const circuit = await models.Circuit.findOne({
          where: { id: params.circuitId, vehicleId: params.vehicleId },
          transaction,
        });
        if (circuit === null) throw new AppProblem('not-found');
        await requireUnused({ circuitId: circuit.id }, transaction);
        await removeParts(circuit.id, transaction);
        await tell('circuitRemoved', { circuit: circuit.name });
      }),
  };
}
