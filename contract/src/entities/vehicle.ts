import {
  BODIES,
  BOLT_CARRIES,
  COMPONENT_KINDS,
  CONSTRUCTIONS,
  END_FAMILIES,
  FLUID_GRADES,
  HOW_KNOWN,
  JOINT_MATERIALS,
  KNOWABLE,
  LINE_KINDS,
  ORIGINS,
  SEAL_KINDS,
  SEATS,
  SOURCE_IDS,
  TAKE_OFF_SOURCES,
  THREAD_GENDERS,
  TORQUE_PARTS,
} from '@zephyrcombe/core';
import { z } from 'zod';
import { Angle_rad, CalendarDate, Distance_m, Id, Instant, Length_m, Name, Note, Version } from './common.ts';
import { LeftOpenSchema } from './leftOpen.ts';
import { LineMadeSchema } from './lineMade.ts';

export const VEHICLE_KINDS = ['motorcycle', 'sidecar', 'car', 'van', 'trike', 'quad'] as const;
export type VehicleKind = (typeof VEHICLE_KINDS)[number];

export const VehicleSchema = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(VEHICLE_KINDS),
  plate: z.string().max(20).nullable(),
  use: z.enum(['road', 'competition']),
  abs: z.boolean(),
  linkedBrakes: z.boolean(),
  electricBooster: z.boolean(),
  distance_m: Distance_m.nullable(),
  makerIntervalMonths: z.int().min(1).max(120).nullable(),
  makerIntervalDistance_m: Distance_m.nullable(),
  note: Note,
  /** While anything stands here the vehicle does not run. The server writes it. */
  leftOpen: z.array(LeftOpenSchema).nullish(),
  version: Version,
});
export type Vehicle = z.infer<typeof VehicleSchema>;

/** A vehicle as a person enters it: without the row's own columns. */
export const VehicleEntrySchema = VehicleSchema.omit({ id: true, leftOpen: true, version: true });
export type VehicleEntry = z.infer<typeof VehicleEntrySchema>;

export const vehicleEntryOf = ({
  id: _id,
  leftOpen: _left,
  version: _version,
  ...entry
}: Vehicle): VehicleEntry => entry;

/** Rows of the database carry these besides what they say of the part. */
const row = { circuitId: Id, version: Version };

/** How one figure of a part is known. The server writes who said so and when. */
const KnownSchema = z.strictObject({
  how: z.enum(HOW_KNOWN),
  origin: z.enum(ORIGINS).optional(),
  by: Name.optional(),
  at: Instant.optional(),
});
const KnownFactsSchema = z.partialRecord(z.enum(KNOWABLE), KnownSchema);
/** What is said of the figures of a part; left out or null where nobody has said anything. */
const known = KnownFactsSchema.nullish();

const HydraulicComponentSchema = z.strictObject({
  id: Id,
  kind: z.enum(COMPONENT_KINDS),
  name: Name,
  body: z.enum(BODIES),
  attachedTo: Id.nullable(),
  /** The part of another circuit that this one is: a tandem master, an ABS unit, a reservoir for two. */
  sameAs: Id.nullish(),
  masterBore_m: Length_m.nullable(),
  leverStroke_m: Length_m.nullable(),
  leverRatio: z.number().positive().max(20).nullable(),
  /** Between the full mark and the minimum mark; reservoirs only. */
  usable_m3: z.number().positive().max(0.01).nullable(),
  /** Above the floor; null takes what is usual for its body. */
  height_m: z.number().min(0).max(4).nullable(),
  known,
});
export const ComponentSchema = HydraulicComponentSchema.extend(row);
export type Component = z.infer<typeof ComponentSchema>;

const HydraulicPortSchema = z.strictObject({
  id: Id,
  componentId: Id,
  name: Name,
  thread: z.string().min(1).max(30),
  gender: z.enum(THREAD_GENDERS),
  seat: z.enum(SEATS),
  depth_m: Length_m.nullable(),
  /** Metal that the washer lies on; null where nobody has looked. */
  seatMaterial: z.enum(JOINT_MATERIALS).nullable(),
  known,
});
export const PortSchema = HydraulicPortSchema.extend({ version: Version });
export type Port = z.infer<typeof PortSchema>;

export const BoltSchema = z.strictObject({
  thread: z.string().min(1).max(30),
  diameter_m: Length_m,
  /** Under the head to the tip. */
  length_m: Length_m,
  material: z.enum(JOINT_MATERIALS),
  /** What it does besides holding the joint; left out where it does nothing else. */
  carries: z.array(z.enum(BOLT_CARRIES)).max(3).optional(),
});
export type Bolt = z.infer<typeof BoltSchema>;

export const WasherSchema = z.strictObject({ material: z.enum(JOINT_MATERIALS), thickness_m: Length_m });
export type Washer = z.infer<typeof WasherSchema>;

const RangeFields = {
  minimum_Nm: z.number().positive().max(200),
  maximum_Nm: z.number().positive().max(200),
  source: z.enum(SOURCE_IDS).nullable(),
  /** Metal of the bolt that the figure was given for; null where nobody has said. */
  forBolt: z.enum(JOINT_MATERIALS).nullable(),
};
const risesFrom = (range: { readonly minimum_Nm: number; readonly maximum_Nm: number }) =>
  range.minimum_Nm <= range.maximum_Nm;
const UPSIDE_DOWN = { path: ['maximum_Nm'], error: 'must be at least the lower figure' };

export const TorqueRangeSchema = z.strictObject(RangeFields).refine(risesFrom, UPSIDE_DOWN);
export const PartTorqueSchema = z
  .strictObject({ ...RangeFields, part: z.enum(TORQUE_PARTS), isFitted: z.boolean() })
  .refine(risesFrom, UPSIDE_DOWN);

const HydraulicJointSchema = z.strictObject({
  id: Id,
  portId: Id,
  componentId: Id,
  name: Name,
  seal: z.enum(SEAL_KINDS),
  bolt: BoltSchema.nullable(),
  washer: WasherSchema.nullable(),
  eyeThickness_m: Length_m.nullable(),
  /** Across the flats; null until measured. */
  hexagon_m: Length_m.nullable(),
  torque: TorqueRangeSchema,
  /** Figures for other parts that may be in the joint, each with its source. */
  furtherTorques: z.array(PartTorqueSchema).max(4).readonly(),
  known,
});
export const JointSchema = HydraulicJointSchema.extend(row);
export type Joint = z.infer<typeof JointSchema>;

export const EndGeometrySchema = z.strictObject({
  family: z.enum(END_FAMILIES),
  neckAngle_rad: z.number().min(0).max(Math.PI),
  ferruleToApex_m: z.number().min(0).max(0.2),
  apexToPoint_m: z.number().min(0).max(0.2),
  neckLength_m: z.number().min(0).max(0.2),
  /** Where the dimensions come from; left out where nobody has said. */
  takeOffsFrom: z.enum(TAKE_OFF_SOURCES).optional(),
});

/** An end whose dimensions somebody read from its maker's sheet or measured: the newest of its kind. */
export const KnownEndSchema = z.strictObject({ end: EndGeometrySchema, at: Instant, by: Name });
export type KnownEnd = z.infer<typeof KnownEndSchema>;

const HydraulicLineSchema = z.strictObject({
  id: Id,
  kind: z.enum(LINE_KINDS),
  name: Name,
  fromJointId: Id,
  toJointId: Id,
  /** Between the two sealing points, as fitted now. */
  length_m: Length_m,
  /** True until somebody has measured it. */
  estimated: z.boolean(),
  bore_m: Length_m,
  construction: z.enum(CONSTRUCTIONS),
  endA: EndGeometrySchema,
  endB: EndGeometrySchema,
  clocking_rad: Angle_rad.nullable(),
  madeOn: CalendarDate.nullable(),
  /** As printed along it; null where nobody has read it. */
  marking: z.string().trim().max(200).nullable(),
  /** How far it arches above the higher of its ends; null when it does not. */
  rise_m: z.number().min(0).max(2).nullable(),
  /** What a hard line is made of; left out or null where nobody has said. */
  lineMade: LineMadeSchema.nullish(),
  known,
});
export const HoseSchema = HydraulicLineSchema.extend(row);
export type Hose = z.infer<typeof HoseSchema>;

/** As many parts as a document may hold: far more than any vehicle has. */
const MOST_PARTS = 400;
export const parts = <Part extends z.ZodType>(part: Part) => z.array(part).max(MOST_PARTS);

/** A circuit as it is edited, saved, exported and compared: without row versions. */
export const HydraulicsSchema = z.strictObject({
  name: Name,
  fluidGrade: z.enum(FLUID_GRADES),
  components: parts(HydraulicComponentSchema),
  ports: parts(HydraulicPortSchema),
  joints: parts(HydraulicJointSchema),
  hoses: parts(HydraulicLineSchema),
});

/** What the core calls `Hydraulics`, as it crosses the wire. */
export type HydraulicsEntry = z.infer<typeof HydraulicsSchema>;

/** Circuits a vehicle may have. */
export const MOST_CIRCUITS = 8;

export const CircuitSchema = z.strictObject({
  id: Id,
  vehicleId: Id,
  name: Name,
  fluidGrade: z.enum(FLUID_GRADES),
  components: z.array(ComponentSchema),
  ports: z.array(PortSchema),
  joints: z.array(JointSchema),
  hoses: z.array(HoseSchema),
  version: Version,
});
export type Circuit = z.infer<typeof CircuitSchema>;

/** A circuit as the drawing edits it: without ids of its own and row versions. */
export function hydraulicsOf(circuit: Circuit): HydraulicsEntry {
  const plain = <Row extends { readonly version: number }>({ version: _version, ...part }: Row) => part;
  const inCircuit = <Row extends { readonly version: number; readonly circuitId: string }>({
    version: _version,
    circuitId: _circuitId,
    ...part
  }: Row) => part;
  return {
    name: circuit.name,
    fluidGrade: circuit.fluidGrade,
    components: circuit.components.map(inCircuit),
    ports: circuit.ports.map(plain),
    joints: circuit.joints.map(inCircuit),
    hoses: circuit.hoses.map(inCircuit),
  };
}

export const VEHICLE_CHANGES = [
  'entered',
  'imported',
  'edited',
  'circuitAdded',
  'circuitSaved',
  'circuitRemoved',
  'layoutChosen',
  'routeSaved',
  'routeRemoved',
  'jobAbandoned',
] as const;
export type VehicleChangeKind = (typeof VEHICLE_CHANGES)[number];

/** One line of a vehicle's history. */
export const VehicleChangeSchema = z.strictObject({
  id: Id,
  at: Instant,
  by: Name,
  byId: Id.nullable(),
  kind: z.enum(VEHICLE_CHANGES),
  detail: z.record(z.string(), z.unknown()),
});
export type VehicleChange = z.infer<typeof VehicleChangeSchema>;
