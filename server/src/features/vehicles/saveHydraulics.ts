/** Writing a circuit as it stands on the drawing into the rows it had before. */
import { isDeepStrictEqual } from 'node:util';
import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import type { Hydraulics } from '@zephyrcombe/core';
import { BROKEN, circuitFaults, hostsFirst } from '@zephyrcombe/core';
import type { Model, ModelStatic, Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';

/** Refuses a circuit whose parts do not hang together: it could not be drawn again. */
export function requireWhole(hydraulics: Hydraulics, at: string): void {
  const broken = circuitFaults(hydraulics).filter((fault) => BROKEN.has(fault.code));
  if (broken.length > 0) {
    throw new AppProblem('circuit-broken', {
      errors: broken.map((fault) => ({
        field: `${at} ${fault.name}`,
        message: FAULT_WORDS[fault.code] ?? fault.code,
      })),
    });
  }
  const ids = allIds(hydraulics);
  if (new Set(ids).size !== ids.length)
    throw fieldProblem(at, 'names two parts alike: every id is used once');
}

const FAULT_WORDS: Readonly<Record<string, string>> = {
  portUsedTwice: 'has two joints on one port',
  unknownPart: 'hangs on a part that is not there',
  lineToItself: 'ends where it begins',
};

const allIds = ({ components, ports, joints, hoses }: Hydraulics): readonly string[] =>
  [...components, ...ports, ...joints, ...hoses].map((part) => part.id);

export interface NewCircuit {
  readonly id: string;
  readonly vehicleId: string;
  readonly position: number;
  readonly hydraulics: Hydraulics;
}

/** A circuit that was not there before. */
export async function createCircuit(
  models: Models,
  transaction: Transaction,
  { id, vehicleId, position, hydraulics }: NewCircuit,
): Promise<void> {
  const { name, fluidGrade } = hydraulics;
  await models.Circuit.create({ id, vehicleId, name, fluidGrade, position, version: 0 }, { transaction });
  await models.CircuitDue.create(
    { circuitId: id, lastServicedOn: null, dueOn: null, dueDistance_m: null, byDistance: 0 },
    { transaction },
  );
  await writeParts(models, transaction, id, EMPTY, hydraulics);
}

const EMPTY = { components: [], ports: [], joints: [], hoses: [] } as const;

/**
 * Brings the rows of a circuit to what stands on the drawing. Changed rows go up by one version. What was taken off is
 * removed, or kept out of sight while a job names it.
 */
export async function saveHydraulics(
  models: Models,
  transaction: Transaction,
  circuit: Circuit,
  hydraulics: Hydraulics,
): Promise<void> {
  requireWhole(hydraulics, 'hydraulics');
  const { name, fluidGrade } = hydraulics;
  await models.Circuit.update(
    { name, fluidGrade, version: circuit.version + 1 },
    { where: { id: circuit.id }, transaction },
  );
  const before = hydraulicsOf(circuit);
  await writeParts(models, transaction, circuit.id, before, hydraulics);
  const named = (await models.Job.count({ where: { circuitId: circuit.id }, transaction })) > 0;
  const kept = new Set(allIds(hydraulics));
  // Lines before joints, joints before ports, ports before parts, and what sits on a part before the part.
  for (const [model, parts] of [
    [models.Hose, before.hoses],
    [models.Joint, before.joints],
    [models.Port, before.ports],
    [models.Component, [...hostsFirst(before.components)].reverse()],
  ] as const) {
    for (const { id } of parts.filter((part) => !kept.has(part.id))) {
      if (named) await anyModel(model).update({ retired: true }, { where: { id }, transaction });
      else await anyModel(model).destroy({ where: { id }, transaction });
    }
  }
}

type AnyModel = ModelStatic<Model<Record<string, unknown>, Record<string, unknown>>>;
const anyModel = (model: unknown) => model as AnyModel;

async function writeParts(
  models: Models,
  transaction: Transaction,
  circuitId: string,
  before: Pick<Hydraulics, 'components' | 'ports' | 'joints' | 'hoses'>,
  after: Hydraulics,
): Promise<void> {
  const kinds = [
    { model: anyModel(models.Component), old: before.components, now: after.components, own: { circuitId } },
    { model: anyModel(models.Port), old: before.ports, now: after.ports, own: {} },
    { model: anyModel(models.Joint), old: before.joints, now: after.joints, own: { circuitId } },
    { model: anyModel(models.Hose), old: before.hoses, now: after.hoses, own: { circuitId } },
  ];
  for (const { model, old, now, own } of kinds) {
    const oldById = new Map(old.map((part, position) => [part.id, { part, position }]));
    const fresh = now
      .map((part, position) => ({ ...part, ...own, position, retired: false, version: 0 }))
      .filter((row) => !oldById.has(row.id));
    if (fresh.length > 0) {
      // A part that was undone back onto the drawing, or one laid out as it was found, has its row still.
      const existing = await model.findAll({ where: { id: fresh.map((row) => row.id) }, transaction });
      for (const row of existing) {
        const { circuitId: itsCircuit, retired } = row.get({ plain: true }) as {
          circuitId?: string;
          retired: boolean;
        };
        if (!retired || (itsCircuit !== undefined && itsCircuit !== circuitId))
          throw fieldProblem('hydraulics', 'names a part of another circuit');
      }
      const back = new Set(existing.map((row) => (row.get({ plain: true }) as { id: string }).id));
      await model.bulkCreate(
        hostsFirst(
          fresh.filter((row) => !back.has(row.id)),
          new Set([...oldById.keys(), ...back]),
        ),
        { transaction },
      );
      for (const { version: _version, ...row } of fresh.filter((one) => back.has(one.id)))
        await model.update(row, { where: { id: row.id }, transaction });
    }
    for (const [position, part] of now.entries()) {
      const was = oldById.get(part.id);
      if (!was) continue;
      const changed = !isDeepStrictEqual(was.part, part);
      if (!changed && was.position === position) continue;
      await model.update({ ...part, position }, { where: { id: part.id }, transaction });
      if (changed) await model.increment('version', { where: { id: part.id }, transaction });
    }
  }
}
