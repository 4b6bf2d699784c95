/** Corners of a vehicle and the routes of the hoses through them, as they are kept, linked to and exchanged. */
import { NATURES, RIG_BODIES, TAKE_OFF_SOURCES } from '@zephyrcombe/core';
import type { Corner } from '@zephyrcombe/core';
import { z } from 'zod';
import { Id, Length_m, Name, Version } from './common.ts';

/** A vehicle is smaller than this in every direction from its origin. */
const coordinate = z.number().min(-20).max(20);
const vector = z.tuple([coordinate, coordinate, coordinate]);
const direction = vector.refine(([x, y, z]) => Math.abs(x) + Math.abs(y) + Math.abs(z) > 1e-9, {
  error: 'must point somewhere: all three figures are nothing',
});
const body = z.enum(RIG_BODIES);
const lock_rad = z
  .number()
  .min(0.01)
  .max(Math.PI / 2);
const travel_m = z.number().min(0.001).max(1);
const swing_rad = z
  .number()
  .min(0.01)
  .max(Math.PI / 2);
const radius_m = z.number().positive().max(2);
const identifier = z.string().trim().min(1).max(60);

const RigSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('fork'),
    steeringPoint_m: vector,
    rake_rad: z.number().min(-0.5).max(1.2),
    lock_rad,
    travel_m,
    sidecar: z.strictObject({ pivot_m: vector, swing_rad }).nullable(),
  }),
  z.strictObject({ kind: z.literal('swingArm'), pivot_m: vector, swing_rad }),
  z.strictObject({ kind: z.literal('strut'), top_m: vector, lowerJoint_m: vector, lock_rad, travel_m }),
  z.strictObject({
    kind: z.literal('armedStrut'),
    top_m: vector,
    lowerJoint_m: vector,
    armPivot_m: vector,
    armAxis: direction,
    lock_rad,
    swing_rad,
  }),
  z.strictObject({ kind: z.literal('liveAxle'), centre_m: vector, roll_rad: swing_rad, travel_m }),
]);

const SolidSchema = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('sphere'), centre_m: vector, radius_m }),
  z.strictObject({ shape: z.literal('capsule'), a_m: vector, b_m: vector, radius_m }),
  z.strictObject({ shape: z.literal('cylinder'), a_m: vector, b_m: vector, radius_m }),
  z.strictObject({
    shape: z.literal('ring'),
    centre_m: vector,
    axis: direction,
    ring_m: radius_m,
    tube_m: radius_m,
  }),
  z.strictObject({
    shape: z.literal('box'),
    centre_m: vector,
    half_m: z.tuple([radius_m, radius_m, radius_m]),
  }),
]);

const EndSchema = z.strictObject({
  body,
  port_m: vector,
  outward: direction,
  rigid_m: z.number().min(0).max(0.3),
  neck: z.strictObject({ along: direction, length_m: z.number().positive().max(0.3) }).optional(),
  eyeAxis: direction.nullable(),
});

const ClipSchema = z.strictObject({
  id: identifier,
  body,
  point_m: vector,
  along: direction,
  at_m: z.number().min(0).max(10),
  slides: z.boolean().optional(),
});

const StiffenerSchema = z.strictObject({
  id: identifier,
  from_m: z.number().min(0).max(10),
  length_m: z.number().positive().max(1),
});

const SleeveSchema = z.strictObject({
  id: identifier,
  from_m: z.number().min(0).max(10),
  length_m: z.number().positive().max(10),
  outside_m: z.number().positive().max(0.1),
});

const CornerHoseSchema = z.strictObject({
  id: identifier,
  name: Name,
  start: EndSchema,
  end: EndSchema,
  clips: z.array(ClipSchema).max(12),
  stiffeners: z.array(StiffenerSchema).max(6).optional(),
  sleeves: z.array(SleeveSchema).max(6).optional(),
  length_m: Length_m,
  outside_m: z.number().positive().max(0.05),
  leastRadius_m: z.number().positive().max(1),
  figuresFrom: z.enum(TAKE_OFF_SOURCES).optional(),
});

const KeepOutSchema = z.strictObject({
  id: identifier,
  name: Name,
  body,
  solid: SolidSchema,
  nature: z.enum(NATURES),
  gap_m: z.number().min(0).max(0.5).nullable(),
  sleeved: z.boolean().optional(),
});

/** How a corner moves, what stands in the way, and the hoses that pass there. */
export const CornerSchema = z.strictObject({
  name: Name,
  rig: RigSchema,
  keepOuts: z.array(KeepOutSchema).max(24),
  hoses: z.array(CornerHoseSchema).min(1).max(8),
});

/** A corner of a vehicle as the shop keeps it. */
export const SavedCornerSchema = z.strictObject({ id: Id, corner: CornerSchema, version: Version });
export type SavedCorner = z.infer<typeof SavedCornerSchema>;

/** A corner from outside, or what is wrong with it: the first field that does not fit, and why. */
export function readCorner(value: unknown): {
  readonly corner: Corner | null;
  readonly wrong: string | null;
} {
  const read = CornerSchema.safeParse(value);
  if (read.success) return { corner: read.data, wrong: null };
  const [issue] = read.error.issues;
  return { corner: null, wrong: issue ? `${issue.path.join('.')}: ${issue.message}` : 'not a corner' };
}
