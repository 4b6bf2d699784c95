import {
  COMPONENT_KINDS,
  END_FAMILIES,
  FLUID_GRADES,
  JOINT_MATERIALS,
  SEAL_KINDS,
  SOURCE_IDS,
} from '@zephyrcombe/core';
import { z } from 'zod';
import { Angle_rad, CalendarDate, Distance_m, Id, Length_m, Name, Note, Version } from './common.ts';

export const VehicleSchema = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['motorcycle', 'sidecar', 'van', 'trike', 'quad']),
  plate: z.string().max(20).nullable(),
  use: z.enum(['road', 'competition']),
  abs: z.boolean(),
  linkedBrakes: z.boolean(),
  electricBooster: z.boolean(),
  distance_m: Distance_m.nullable(),
  makerIntervalMonths: z.int().min(1).max(120).nullable(),
  makerIntervalDistance_m: Distance_m.nullable(),
  note: Note,
  version: Version,
});
export type Vehicle = z.infer<typeof VehicleSchema>;

/** The body a part sits on and moves with. */
export const BODIES = [
  'frame',
  'handlebar',
  'forkLower',
  'swingarm',
  'sidecarArm',
  'knuckle',
  'axle',
] as const;

export const ComponentSchema = z.strictObject({
  id: Id,
  circuitId: Id,
  kind: z.enum(COMPONENT_KINDS),
  name: Name,
  body: z.enum(BODIES),
  attachedTo: Id.nullable(),
  masterBore_m: Length_m.nullable(),
  leverStroke_m: Length_m.nullable(),
  leverRatio: z.number().positive().max(20).nullable(),
  /** Between the full mark and the minimum mark; reservoirs only. */
  usable_m3: z.number().positive().max(0.01).nullable(),
  version: Version,
});
export type Component = z.infer<typeof ComponentSchema>;

export const PortSchema = z.strictObject({
  id: Id,
  componentId: Id,
  name: Name,
  thread: z.string().min(1).max(30),
  gender: z.enum(['internal', 'external']),
  seat: z.enum(['flatWasherFace', 'invertedFlare', 'bubbleFlare', 'taperSeat']),
  depth_m: Length_m.nullable(),
  version: Version,
});
export type Port = z.infer<typeof PortSchema>;

export const BoltSchema = z.strictObject({
  thread: z.string().min(1).max(30),
  diameter_m: Length_m,
  /** Under the head to the tip. */
  length_m: Length_m,
  material: z.enum(JOINT_MATERIALS),
});
export type Bolt = z.infer<typeof BoltSchema>;

export const WasherSchema = z.strictObject({ material: z.enum(JOINT_MATERIALS), thickness_m: Length_m });
export type Washer = z.infer<typeof WasherSchema>;

export const TorqueRangeSchema = z.strictObject({
  minimum_Nm: z.number().positive().max(200),
  maximum_Nm: z.number().positive().max(200),
  source: z.enum(SOURCE_IDS).nullable(),
});

export const JointSchema = z.strictObject({
  id: Id,
  circuitId: Id,
  portId: Id,
  componentId: Id,
  name: Name,
  seal: z.enum(SEAL_KINDS),
  bolt: BoltSchema.nullable(),
  washer: WasherSchema.nullable(),
  eyeThickness_m: Length_m.nullable(),
  torque: TorqueRangeSchema,
  version: Version,
});
export type Joint = z.infer<typeof JointSchema>;

export const EndGeometrySchema = z.strictObject({
  family: z.enum(END_FAMILIES),
  neckAngle_rad: z.number().min(0).max(Math.PI),
  ferruleToApex_m: z.number().min(0).max(0.2),
  apexToPoint_m: z.number().min(0).max(0.2),
  neckLength_m: z.number().min(0).max(0.2),
});

export const HoseSchema = z.strictObject({
  id: Id,
  circuitId: Id,
  name: Name,
  fromJointId: Id,
  toJointId: Id,
  /** Between the two sealing points, as fitted now. */
  length_m: Length_m,
  bore_m: Length_m,
  endA: EndGeometrySchema,
  endB: EndGeometrySchema,
  clocking_rad: Angle_rad.nullable(),
  madeOn: CalendarDate.nullable(),
  version: Version,
});
export type Hose = z.infer<typeof HoseSchema>;

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
