/** How a hose of a job is built, made up and checked in, as it crosses the wire. */
import {
  ALONG_KINDS,
  ALONG_REASONS,
  BEND_PLANES,
  BRAIDS,
  COVERS,
  CUT_FACES,
  END_FAMILIES,
  END_FIXINGS,
  JOINT_MATERIALS,
  LINERS,
  LUBRICANTS,
  MAKE_UP_STEPS,
  PROOF_MEDIA,
  TAKE_OFF_SOURCES,
} from '@zephyrcombe/core';
import { z } from 'zod';
import { ApprovalSchema } from './approval.ts';
import { Angle_rad, CalendarDate, Id, Instant, Length_m, Name, Note, Typed } from './common.ts';

const Across_m = z.number().positive().max(0.05);
const Place_m = z.number().min(0).max(10);

export const EndFittingSchema = z.strictObject({
  material: z.enum(JOINT_MATERIALS),
  bendPlane: z.enum(BEND_PLANES),
  direction_rad: Angle_rad.nullable(),
  eyeBore_m: Across_m.nullable(),
  turnable: z.boolean().nullable(),
  tab: z.boolean(),
  bracket: z.boolean(),
  knurled: z.boolean(),
  supportWasher: z.boolean(),
  groove: z.boolean().optional(),
});

export const AlongPartSchema = z.strictObject({
  id: z.string().trim().min(1).max(120),
  kind: z.enum(ALONG_KINDS),
  from_m: Place_m,
  length_m: Place_m,
  outside_m: Across_m.nullable(),
  clip_m: Across_m.nullable(),
  note: z.string().trim().max(120),
  because: z.enum(ALONG_REASONS),
});

export const HoseBuildSchema = z
  .strictObject({
    bore_m: Across_m,
    outside_m: Across_m,
    outsideFrom: z.enum(TAKE_OFF_SOURCES).optional(),
    liner: z.enum(LINERS),
    braid: z.enum(BRAIDS),
    cover: z.enum(COVERS),
    tolerance_m: z.number().positive().max(0.05),
    fixing: z.enum(END_FIXINGS),
    madeHere: z.boolean(),
    endA: EndFittingSchema,
    endB: EndFittingSchema,
    along: z.array(AlongPartSchema).max(40).readonly(),
    split: z
      .strictObject({ builtOn: CalendarDate, from: CalendarDate, to: CalendarDate, looked: z.boolean() })
      .refine(({ from, to }) => from <= to, { path: ['to'], error: 'must not be before the first day' })
      .nullable(),
  })
  .refine(({ bore_m, outside_m }) => bore_m < outside_m, {
    path: ['outside_m'],
    error: 'must be more than the bore',
  });

/** One step of making a hose up, with what was looked at in it. */
export const MadeStepSchema = z.strictObject({
  step: z.enum(MAKE_UP_STEPS),
  by: Name,
  byId: Id.nullish(),
  at: Instant,
  cutFace: z.enum(CUT_FACES).nullable(),
  strandFree: z.boolean().nullable(),
  /** How far the mark on the liner stands from where it should be. */
  short_m: z.number().min(0).max(0.05).nullable(),
  lubricant: z.enum(LUBRICANTS).nullable(),
  gap_m: z.number().min(0).max(0.02).nullable(),
  /** Between the sealing points. */
  length_m: Length_m.nullable(),
});
export type MadeStep = z.infer<typeof MadeStepSchema>;

export const ProofRecordSchema = z.strictObject({
  pressure_Pa: z.number().positive().max(100e6),
  typed: Typed,
  hold_s: z.number().positive().max(3600),
  medium: z.enum(PROOF_MEDIA),
  gauge: z.string().trim().min(1).max(120),
  tight: z.boolean(),
  /** The hose that was proved; left out by books of before. */
  of: ApprovalSchema.nullish(),
  by: Name,
  byId: Id.nullish(),
  at: Instant,
});
export type ProofRecord = z.infer<typeof ProofRecordSchema>;

export const MakeUpSchema = z.strictObject({
  steps: z.array(MadeStepSchema).max(40).readonly(),
  /** Every test, passed or not; the last one counts. */
  proofs: z.array(ProofRecordSchema).max(20).readonly(),
});
export type MakeUp = z.infer<typeof MakeUpSchema>;

const KitEndSchema = z.strictObject({
  family: z.enum(END_FAMILIES),
  neckAngle_rad: z.number().min(0).max(Math.PI),
  eyeBore_m: Across_m.nullable(),
  thread: z.string().trim().min(1).max(30).nullable(),
});

/** What came in the box, as it was looked at; null where nobody has looked yet. */
export const KitFoundSchema = z.strictObject({
  length_m: Length_m.nullable(),
  endA: KitEndSchema.nullable(),
  endB: KitEndSchema.nullable(),
  clocking_rad: Angle_rad.nullable(),
  bolts: z.int().min(0).max(40).nullable(),
  washers: z.int().min(0).max(80).nullable(),
  marking: z.string().trim().max(120).nullable(),
  dateCode: z.string().trim().max(40).nullable(),
  boreClear: z.boolean().nullable(),
});

export const KitCheckSchema = z.strictObject({
  found: KitFoundSchema,
  by: Name,
  byId: Id.nullish(),
  at: Instant,
  /** What somebody decided after looking, and why; null as long as nobody has. */
  decided: z.strictObject({ verdict: z.enum(['accept', 'adapt', 'return']), because: Note }).nullable(),
  /** What was accepted: the order of then and what was found. Null where it was not; left out by books of before. */
  accepted: ApprovalSchema.nullish(),
});
export type KitCheck = z.infer<typeof KitCheckSchema>;

/** Caps and plugs of one opening: counted on, counted off; null as long as nobody has counted. */
const CapCountSchema = z
  .strictObject({ put: z.int().min(0).max(20), out: z.int().min(0).max(20) })
  .nullable();
/** At each end of a hose, with the opening that it is joined to. */
export const PlugsSchema = z.strictObject({ A: CapCountSchema, B: CapCountSchema });
export type Plugs = z.infer<typeof PlugsSchema>;
