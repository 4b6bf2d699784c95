/** A torque wrench that can be read, what may stand on it, and one pull of it. */
import { z } from 'zod';
import { Angle_rad, CalendarDate, Id, Instant, Name } from './common.ts';

/** A crowfoot or an extension on a torque wrench. */
export const AdapterSchema = z.strictObject({
  /** From the middle of the grip to the square. */
  wrench_m: z.number().min(0.05).max(2),
  /** From the square to the middle of the joint; below nothing where it points back along the wrench. */
  extension_m: z.number().min(-0.5).max(0.5),
  /** Between the two: nothing in line, a quarter turn square to it. */
  angle_rad: Angle_rad,
});
export type RecordAdapter = z.infer<typeof AdapterSchema>;

/** What a wrench calls itself. */
export const SerialSchema = z.string().trim().min(1).max(60);

/** Two minutes at twenty a second. */
export const MOST_PULL_SAMPLES = 2400;
export const PullSampleSchema = z.strictObject({
  at_s: z.number().min(0).max(600),
  angle_rad: z.number().min(-100).max(100),
  torque_Nm: z.number().min(-1000).max(1000),
});

/** `waiting` for the pull, `pulling`, `lost` where the wrench cannot be heard and is looked for, `done`. */
export const PULL_STATES = ['waiting', 'pulling', 'lost', 'done'] as const;
export const PullSchema = z.strictObject({
  id: Id,
  jointId: Id,
  state: z.enum(PULL_STATES),
  serial: SerialSchema,
  /** It is no wrench: a program that speaks as one. */
  isSimulated: z.boolean(),
  /** As the wrench itself says. */
  calibratedOn: CalendarDate.nullable(),
  /** What it was set to. */
  set_Nm: z.number().positive(),
  adapter: AdapterSchema.nullable(),
  samples: z.array(PullSampleSchema).max(MOST_PULL_SAMPLES),
  /** Highest torque; null while it goes on. */
  peak_Nm: z.number().positive().nullable(),
  /** How often it could not be heard meanwhile. */
  dropOuts: z.int().min(0),
  by: Name,
  at: Instant,
});
export type PullRecord = z.infer<typeof PullSchema>;

/** `none` where no port is named, `silent` where nothing answers there. */
export const WrenchLinkSchema = z.strictObject({
  state: z.enum(['none', 'silent', 'here']),
  serial: SerialSchema.nullable(),
  minimum_Nm: z.number().positive().nullable(),
  maximum_Nm: z.number().positive().nullable(),
  calibratedOn: CalendarDate.nullable(),
  isSimulated: z.boolean(),
});
export type WrenchLink = z.infer<typeof WrenchLinkSchema>;
