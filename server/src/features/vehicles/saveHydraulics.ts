/** Writing a circuit as it stands on the drawing into the rows it had before. */
import { isDeepStrictEqual } from 'node:util';
import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { FIELD_FAULTS, fieldFaultText } from '@zephyrcombe/messages';
import type { Hydraulics } from '@zephyrcombe/core';
import { BROKEN, circuitFaults, hostsFirst } from '@zephyrcombe/core';
import type { Model, ModelStatic, Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Models } from '../../database/database.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { asSaidBefore } from './spokenFor.ts';
import { loadCircuitIn } from './circuit.repository.ts';

/** Refuses a circuit whose parts do not hang together: it could not be drawn again. */
export function requireWhole(hydraulics: Hydraulics, at: string): void {
  const broken = circuitFaults(hydraulics).filter((fault) => BROKEN.has(fault.code));
  if (broken.length > 0) {
    throw new AppProblem('circuit-broken', {
      errors: broken.map((fault) => ({
        field: `${at} ${fault.name}`,
        message: isWorded(fault.code) ? fieldFaultText(fault.code) : fault.code,
      })),
    });
  }
  const ids = allIds(hydraulics);
  if (new Set(ids).size !== ids.length) throw fieldProblem(at, 'namedAlike');
}

const isWorded = (code: string): code is 'portUsedTwice' | 'unknownPart' | 'lineToItself' =>
  code in FIELD_FAULTS;

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
  await takeCircuit(models, transaction, circuit, { name, fluidGrade });
  const before = hydraulicsOf(circuit);
  const whole = await withShared(models, transaction, circuit, hydraulics);
  await writeParts(models, transaction, circuit.id, before, whole);
  await writeShared(models, transaction, circuit, whole);
  const named = (await models.JobCircuit.count({ where: { circuitId: circuit.id }, transaction })) > 0;
  const kept = new Set(allIds(hydraulics));
  // Lines before joints, joints before ports, ports before parts, and what sits on a part before the part.
  for (const [model, parts] of [
    [models.Hose, before.hoses],
    [models.Joint, before.joints],
    [models.Port, before.ports],
    [models.Component, [...hostsFirst(before.components)].reverse()],
  ] as const) {
    for (const { id } of parts.filter((part) => !kept.has(part.id))) {
      if (model === models.Component) await leaveShared(models, transaction, id);
      if (named) await anyModel(model).update({ retired: true }, { where: { id }, transaction });
      else await anyModel(model).destroy({ where: { id }, transaction });
    }
  }
}

/**
 * Writes to a circuit as it was read, and raises its version. Two that read it at once do not both write: one is told that the
 * other was first.
 */
export async function takeCircuit(
  models: Models,
  transaction: Transaction,
  { id, version }: Pick<Circuit, 'id' | 'version'>,
  changes: Partial<Pick<Circuit, 'name' | 'fluidGrade'>> = {},
): Promise<void> {
  const [written] = await models.Circuit.update(
    { ...changes, version: version + 1 },
    { where: { id, version }, transaction },
  );
  if (written === 1) return;
  throw new AppProblem('stale-write', { current: await loadCircuitIn(models, id, transaction) });
}

/** What a part is, wherever it is drawn. */
const factsOfPart = ({
  name,
  body,
  masterBore_m,
  leverStroke_m,
  leverRatio,
  usable_m3,
  height_m,
  known,
}: Hydraulics['components'][number]) => ({
  name,
  body,
  masterBore_m,
  leverStroke_m,
  leverRatio,
  usable_m3,
  height_m,
  known: known ?? null,
});

/** A part that is said to be one of another circuit is it: of the same kind, on the same vehicle, with what is known of it. */
async function withShared(
  models: Models,
  transaction: Transaction,
  circuit: Circuit,
  hydraulics: Hydraulics,
): Promise<Hydraulics> {
  const known = new Map(circuit.components.map(({ id, sameAs }) => [id, sameAs ?? null]));
  const components = [];
  for (const part of hydraulics.components) {
    const sameAs = part.sameAs ?? null;
    if (sameAs === null || known.get(part.id) === sameAs) {
      components.push(part);
      continue;
    }
    const other = await models.Component.findByPk(sameAs, { transaction });
    const itsCircuit = other && (await models.Circuit.findByPk(other.circuitId, { transaction }));
    if (
      !other ||
      other.retired ||
      other.kind !== part.kind ||
      other.sameAs ||
      other.circuitId === circuit.id ||
      itsCircuit?.vehicleId !== circuit.vehicleId
    )
      throw fieldProblem('sameAs', 'noPartOfKind');
    components.push({ ...part, ...factsOfPart(other) });
  }
  return { ...hydraulics, components };
}

/** What other circuits draw of a part that leaves this one goes on as one part: the first of them stands for it. */
async function leaveShared(models: Models, transaction: Transaction, id: string): Promise<void> {
  const others = await models.Component.findAll({
    where: { sameAs: id },
    order: [['id', 'ASC']],
    transaction,
  });
  for (const other of others) {
    const sameAs = other === others[0] ? null : (others[0]?.id ?? null);
    await other.update({ sameAs, version: other.version + 1 }, { transaction });
    await models.Circuit.increment('version', { where: { id: other.circuitId }, transaction });
  }
}

/** What changed on a part that other circuits share changes in their drawings too. */
async function writeShared(
  models: Models,
  transaction: Transaction,
  circuit: Circuit,
  { components }: Hydraulics,
): Promise<void> {
  const before = new Map(circuit.components.map((part) => [part.id, part]));
  const touched = new Set<string>();
  for (const part of components) {
    const was = before.get(part.id);
    const facts = factsOfPart(part);
    if (!was || isDeepStrictEqual(factsOfPart(was), facts)) continue;
    const standsFor = part.sameAs ?? part.id;
    const siblings = await models.Component.findAll({
      where: {
        [Op.and]: [{ [Op.or]: [{ id: standsFor }, { sameAs: standsFor }] }, { id: { [Op.ne]: part.id } }],
      },
      transaction,
    });
    for (const sibling of siblings) {
      // A part that has just become one of another circuit took its figures from there.
      if (isDeepStrictEqual(factsOfPart(sibling.get({ plain: true })), facts)) continue;
      await sibling.update({ ...facts, version: sibling.version + 1 }, { transaction });
      if (!sibling.retired) touched.add(sibling.circuitId);
    }
  }
  // A drawing of another circuit that was opened before this does not put the old figures back.
  for (const id of [...touched].sort())
    await models.Circuit.increment('version', { where: { id }, transaction });
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
          throw fieldProblem('hydraulics', 'partElsewhere');
      }
      const back = new Map(
        existing.map((row) => row.get({ plain: true }) as { id: string }).map((row) => [row.id, row]),
      );
      await model.bulkCreate(
        hostsFirst(
          fresh.filter((row) => !back.has(row.id)),
          new Set([...oldById.keys(), ...back.keys()]),
        ),
        { transaction },
      );
      for (const { version: _version, ...row } of fresh) {
        const was = back.get(row.id);
        if (was) await model.update(asSaidBefore(was, row), { where: { id: row.id }, transaction });
      }
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
