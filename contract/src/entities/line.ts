/** A hard line in the scope of a job: its pattern, what was seen while it was made, and who says that it is made. */
import { FLARE_LOOKS } from '@zephyrcombe/core';
import { z } from 'zod';
import { ApprovalSchema } from './approval.ts';
import { Id, Length_m, Version } from './common.ts';
import { HardLineRequestSchema, LINE_FIGURES } from './drawings.ts';

/** What was seen while a hard line was made. */
export const LineChecksSchema = z.strictObject({
  cutAs_m: Length_m.nullable(),
  nuts: z.int().min(0).max(9).nullable(),
  looksA: z.enum(FLARE_LOOKS).nullable(),
  looksB: z.enum(FLARE_LOOKS).nullable(),
  bentBack: z.array(z.int().min(0).max(40)).max(40),
});

/** As a job keeps it, what is only assumed of it is always said. */
export const LinePatternSchema = HardLineRequestSchema.extend({
  assumed: z.array(z.enum(LINE_FIGURES)).max(LINE_FIGURES.length),
});

export const JobLineSchema = z.strictObject({
  lineId: Id,
  /** Legs, bends, tube and flares; null until they were taken. */
  pattern: LinePatternSchema.nullable(),
  checks: LineChecksSchema,
  /** By whom it was said to be made, and of what; null until then. */
  made: ApprovalSchema.nullable(),
  version: Version,
});
export type JobLine = z.infer<typeof JobLineSchema>;
