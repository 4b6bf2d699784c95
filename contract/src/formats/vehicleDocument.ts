/**
 * A vehicle with its hydraulics as a document that leaves the shop and comes back: `docs/formats/vehicle.md`. Strict in
 * what is written; forgiving in what is read, where only one sense is possible, and what was mended is said.
 */
import type { Hydraulics, WithKnown } from '@zephyrcombe/core';
import { threadNamed } from '@zephyrcombe/core';
import { z } from 'zod';
import { HydraulicsSchema, MOST_CIRCUITS, parts, VehicleEntrySchema } from '../entities/vehicle.ts';
import type { VehicleEntry } from '../entities/vehicle.ts';
import type { FieldError } from '../problems.ts';

export const VEHICLE_FORMAT = 'zephyrcombe.vehicle';
export const VEHICLE_SCHEMA_VERSION = 1;

/** Ids join the parts of one document and mean nothing outside it. */
const LocalId = z.string().min(1).max(60);
const { shape } = HydraulicsSchema;
const DocumentCircuitSchema = HydraulicsSchema.extend({
  components: parts(
    shape.components.element.extend({
      id: LocalId,
      attachedTo: LocalId.nullable(),
      sameAs: LocalId.nullish(),
    }),
  ),
  ports: parts(shape.ports.element.extend({ id: LocalId, componentId: LocalId })),
  joints: parts(shape.joints.element.extend({ id: LocalId, portId: LocalId, componentId: LocalId })),
  hoses: parts(shape.hoses.element.extend({ id: LocalId, fromJointId: LocalId, toJointId: LocalId })),
});

export const VehicleDocumentSchema = z.strictObject({
  format: z.literal(VEHICLE_FORMAT),
  schemaVersion: z.literal(VEHICLE_SCHEMA_VERSION),
  vehicle: VehicleEntrySchema,
  circuits: z.array(DocumentCircuitSchema).max(MOST_CIRCUITS),
});
export type VehicleDocument = z.infer<typeof VehicleDocumentSchema>;
export type DocumentCircuit = VehicleDocument['circuits'][number];

export const MendSchema = z.strictObject({
  /** Where in the document, as `circuits.0.ports.2.thread`. */
  field: z.string(),
  mend: z.enum(['leftOut', 'filledIn', 'respelled', 'numberFromText']),
  /** What stands there now, or the name of what was left out. */
  now: z.string(),
});
export type Mend = z.infer<typeof MendSchema>;

export type DocumentReading =
  | { readonly ok: true; readonly document: VehicleDocument; readonly mended: readonly Mend[] }
  | { readonly ok: false; readonly errors: readonly FieldError[] };

/** The document of a vehicle, its parts numbered in order: the same vehicle gives the same text. */
export function writeVehicleDocument(
  vehicle: VehicleEntry,
  circuits: readonly Hydraulics[],
): VehicleDocument {
  // Parsing puts the fields into the order of the schema, and proves that what leaves can be read.
  return VehicleDocumentSchema.parse({
    format: VEHICLE_FORMAT,
    schemaVersion: VEHICLE_SCHEMA_VERSION,
    vehicle,
    circuits: numbered(circuits).map(withoutNames),
  });
}

/** Who saw a figure, and when, stays in the shop: how it is known goes along. */
export function withoutNames<Circuit extends Hydraulics>(circuit: Circuit): Circuit {
  const bare = <Part extends WithKnown>(part: Part): Part =>
    part.known
      ? {
          ...part,
          known: Object.fromEntries(
            Object.entries(part.known).map(([fact, { how, origin }]) => [
              fact,
              { how, ...(origin === undefined ? {} : { origin }) },
            ]),
          ),
        }
      : part;
  return {
    ...circuit,
    components: circuit.components.map(bare),
    ports: circuit.ports.map(bare),
    joints: circuit.joints.map(bare),
    hoses: circuit.hoses.map(bare),
  };
}

/** Ids in the order of the parts: part-1, port-1, joint-1, line-1; a part of the first circuit seen from another is 1/part-1. */
function numbered(circuits: readonly Hydraulics[]): readonly DocumentCircuit[] {
  const idsOf = circuits.map((circuit) => {
    const ids = new Map<string, string>();
    for (const [kind, parts] of [
      ['part', circuit.components],
      ['port', circuit.ports],
      ['joint', circuit.joints],
      ['line', circuit.hoses],
    ] as const)
      for (const [index, part] of parts.entries()) ids.set(part.id, `${kind}-${index + 1}`);
    return ids;
  });
  const sameFor = (id: string) => {
    const circuit = idsOf.findIndex((ids) => ids.has(id));
    return circuit < 0 ? null : `${circuit + 1}/${idsOf[circuit]?.get(id) ?? ''}`;
  };
  return circuits.map((circuit, index) => renumber(circuit, (id) => idsOf[index]?.get(id) ?? id, sameFor));
}

/**
 * All circuits of a vehicle under other ids. A part that stands for one of another circuit follows it; one that names no part of
 * a circuit before it stands for itself.
 */
export function renumberAll(
  circuits: readonly Hydraulics[],
  newId: () => string,
): readonly DocumentCircuit[] {
  const before: Map<string, string>[] = [];
  return circuits.map((circuit) => {
    const own = new Map<string, string>();
    const sameFor = (id: string) => {
      const [, place, local] = /^(\d+)\/(.+)$/.exec(id) ?? [];
      if (place !== undefined && local !== undefined) return before[Number(place) - 1]?.get(local) ?? null;
      return before.find((ids) => ids.has(id))?.get(id) ?? null;
    };
    const renumbered = renumber(
      circuit,
      (id) => {
        const next = newId();
        own.set(id, next);
        return next;
      },
      sameFor,
    );
    before.push(own);
    return renumbered;
  });
}

/**
 * The same circuit under other ids. `idFor` is asked once for each id; `sameFor` gives the new id of a part of another circuit,
 * null where there is none.
 */
export function renumber(
  circuit: Hydraulics,
  idFor: (id: string) => string,
  sameFor: (id: string) => string | null = () => null,
): DocumentCircuit {
  const known = new Map<string, string>();
  const id = (old: string) => {
    const found = known.get(old) ?? idFor(old);
    known.set(old, found);
    return found;
  };
  // A part that stands for itself, or for one that is not there, says nothing of it.
  const sameOf = (sameAs: string | null | undefined) => {
    const same = typeof sameAs === 'string' ? sameFor(sameAs) : null;
    return same === null ? {} : { sameAs: same };
  };
  return {
    ...circuit,
    components: circuit.components.map(({ sameAs, ...part }) => ({
      ...part,
      id: id(part.id),
      attachedTo: part.attachedTo === null ? null : id(part.attachedTo),
      ...sameOf(sameAs),
    })),
    ports: circuit.ports.map((port) => ({ ...port, id: id(port.id), componentId: id(port.componentId) })),
    joints: circuit.joints.map((joint) => ({
      ...joint,
      id: id(joint.id),
      portId: id(joint.portId),
      componentId: id(joint.componentId),
    })),
    hoses: circuit.hoses.map((hose) => ({
      ...hose,
      id: id(hose.id),
      fromJointId: id(hose.fromJointId),
      toJointId: id(hose.toJointId),
    })),
  };
}

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
type JsonObject = { readonly [key: string]: Json };
const isObject = (value: unknown): value is JsonObject =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What may be left out, and what stands there then: nothing that somebody would have had to measure. */
const VEHICLE_BLANKS: JsonObject = {
  plate: null,
  use: 'road',
  abs: false,
  linkedBrakes: false,
  electricBooster: false,
  distance_m: null,
  makerIntervalMonths: null,
  makerIntervalDistance_m: null,
  note: '',
};
const BLANKS: Readonly<Record<'components' | 'ports' | 'joints' | 'hoses', JsonObject>> = {
  components: {
    attachedTo: null,
    masterBore_m: null,
    leverStroke_m: null,
    leverRatio: null,
    usable_m3: null,
    height_m: null,
  },
  ports: { depth_m: null, seatMaterial: null },
  joints: { bolt: null, washer: null, eyeThickness_m: null, hexagon_m: null, furtherTorques: [] },
  hoses: {
    kind: 'hose',
    estimated: true,
    construction: 'braided',
    clocking_rad: null,
    madeOn: null,
    marking: null,
    rise_m: null,
  },
};

/** Reads what claims to be a vehicle document. Every error names its place. */
export function readVehicleDocument(input: unknown): DocumentReading {
  if (!isObject(input)) return refused('(document)', 'is not a JSON object');
  if (input.format !== VEHICLE_FORMAT) return refused('format', `must be "${VEHICLE_FORMAT}"`);
  if (typeof input.schemaVersion === 'number' && input.schemaVersion > VEHICLE_SCHEMA_VERSION) {
    return refused(
      'schemaVersion',
      `is ${input.schemaVersion}; this version reads up to ${VEHICLE_SCHEMA_VERSION}. Export it again from the older one, or bring this one up to date`,
    );
  }
  const mended: Mend[] = [];
  const mend = (field: string, kind: Mend['mend'], now: string) => mended.push({ field, mend: kind, now });
  for (const key of Object.keys(input).filter((name) => !DOCUMENT_FIELDS.includes(name)))
    mend(key, 'leftOut', key);
  const vehicle = isObject(input.vehicle)
    ? filled(input.vehicle, VEHICLE_BLANKS, 'vehicle', mend)
    : input.vehicle;
  const circuits = Array.isArray(input.circuits)
    ? input.circuits.map((circuit: unknown, index) =>
        isObject(circuit) ? mendCircuit(circuit, `circuits.${index}`, mend) : circuit,
      )
    : input.circuits;
  const draft = { format: VEHICLE_FORMAT, schemaVersion: VEHICLE_SCHEMA_VERSION, vehicle, circuits };
  return validated(draft, mended, mend);
}

const DOCUMENT_FIELDS = ['format', 'schemaVersion', 'vehicle', 'circuits'];

type MendNote = (field: string, kind: Mend['mend'], now: string) => void;

function filled(value: JsonObject, blanks: JsonObject, at: string, mend: MendNote): JsonObject {
  const missing = Object.entries(blanks).filter(([key]) => value[key] === undefined);
  for (const [key, blank] of missing)
    mend(
      `${at}.${key}`,
      'filledIn',
      typeof blank === 'string' || typeof blank === 'boolean' ? String(blank) : 'nothing',
    );
  return { ...value, ...Object.fromEntries(missing) };
}

function mendCircuit(circuit: JsonObject, at: string, mend: MendNote): JsonObject {
  const list = (key: keyof typeof BLANKS) =>
    Array.isArray(circuit[key])
      ? circuit[key].map((part: unknown, index) =>
          isObject(part)
            ? respelled(
                numbers(
                  withTorques(
                    filled(part, BLANKS[key], `${at}.${key}.${index}`, mend),
                    `${at}.${key}.${index}`,
                    mend,
                  ),
                  `${at}.${key}.${index}`,
                  mend,
                ),
                `${at}.${key}.${index}`,
                mend,
              )
            : (part as Json),
        )
      : circuit[key];
  return {
    ...circuit,
    components: list('components') ?? [],
    ports: list('ports') ?? [],
    joints: list('joints') ?? [],
    hoses: list('hoses') ?? [],
  };
}

/** A torque figure need not say which bolt it was given for. */
function withTorques(part: JsonObject, at: string, mend: MendNote): JsonObject {
  const { torque, furtherTorques } = part;
  const named = (figure: Json, field: string): Json =>
    isObject(figure) ? filled(figure, { forBolt: null }, field, mend) : figure;
  return {
    ...part,
    ...(torque === undefined ? {} : { torque: named(torque, `${at}.torque`) }),
    ...(Array.isArray(furtherTorques)
      ? {
          furtherTorques: furtherTorques.map((figure: Json, index) =>
            named(figure, `${at}.furtherTorques.${index}`),
          ),
        }
      : {}),
  };
}

/** `"0.905"` in a field that holds a quantity can only mean the number. */
function numbers(part: JsonObject, at: string, mend: MendNote): JsonObject {
  return Object.fromEntries(
    Object.entries(part).map(([key, value]): [string, Json] => {
      const isQuantity = /_(m|m3|rad|Nm)$/.test(key) || key === 'leverRatio';
      if (!isQuantity || typeof value !== 'string' || value.trim() === '' || !Number.isFinite(Number(value)))
        return [key, value];
      mend(`${at}.${key}`, 'numberFromText', value.trim());
      return [key, Number(value)];
    }),
  );
}

/** A thread has one spelling here; others of the same thread are taken for it. */
function respelled(part: JsonObject, at: string, mend: MendNote): JsonObject {
  const spell = (value: Json | undefined, field: string): Json | undefined => {
    const designation = typeof value === 'string' ? threadNamed(value)?.designation : undefined;
    if (designation === undefined || designation === value) return value;
    mend(field, 'respelled', designation);
    return designation;
  };
  const thread = spell(part.thread, `${at}.thread`);
  const { bolt } = part;
  const boltThread = isObject(bolt) ? spell(bolt.thread, `${at}.bolt.thread`) : undefined;
  return {
    ...part,
    ...(thread === undefined ? {} : { thread }),
    ...(isObject(bolt) && boltThread !== undefined ? { bolt: { ...bolt, thread: boltThread } } : {}),
  };
}

/** Unknown fields are left out and named; everything else that does not fit is an error. */
function validated(draft: unknown, mended: Mend[], mend: MendNote): DocumentReading {
  let candidate = draft;
  for (let round = 0; round < 2; round += 1) {
    const parsed = VehicleDocumentSchema.safeParse(candidate);
    if (parsed.success) return { ok: true, document: parsed.data, mended };
    const unknown = parsed.error.issues.filter((issue) => issue.code === 'unrecognized_keys');
    const others = parsed.error.issues.filter((issue) => issue.code !== 'unrecognized_keys');
    if (others.length > 0 || round > 0) {
      return {
        ok: false,
        errors: parsed.error.issues.slice(0, MOST_ERRORS).map((issue) => ({
          field: issue.path.join('.') || '(document)',
          message: issue.message,
        })),
      };
    }
    // A copy of its own, so that each field is taken out where it stands.
    candidate = structuredClone(candidate);
    for (const { path, keys } of unknown)
      for (const key of keys) {
        leaveOut(candidate, path, key);
        mend([...path, key].join('.'), 'leftOut', key);
      }
  }
  return refused('(document)', 'cannot be read');
}

const MOST_ERRORS = 20;

function leaveOut(document: unknown, path: readonly PropertyKey[], key: string): void {
  const holder = path.reduce<unknown>(
    (value, step) => (typeof value === 'object' && value !== null ? Reflect.get(value, step) : undefined),
    document,
  );
  if (typeof holder === 'object' && holder !== null) Reflect.deleteProperty(holder, key);
}

const refused = (field: string, message: string): DocumentReading => ({
  ok: false,
  errors: [{ field, message }],
});
