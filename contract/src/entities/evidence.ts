/** Judgements that are kept with a job: worked out again by the server from what was entered, and written into its log. */
import { END_FAMILIES } from '@zephyrcombe/core';
import { z } from 'zod';
import { Id, Length_m, Name } from './common.ts';
import { HardLineRequestSchema } from './drawings.ts';
import { LineChecksSchema } from './line.ts';

const DonorEndSchema = z.strictObject({
  family: z.enum(END_FAMILIES),
  neckAngle_rad: z.number().min(0).max(Math.PI),
  thread: z.string().max(30).nullable(),
});

/** A hose from the shelf against what the route needs: `core/measure/donor`. */
export const DonorCheckSchema = z.strictObject({
  need: z.strictObject({
    needed_m: Length_m,
    uncertainty_m: z.number().min(0).max(1).optional(),
    slack_m: z.number().min(0).max(1).optional(),
    longest_m: Length_m.nullable(),
    endA: DonorEndSchema,
    endB: DonorEndSchema,
  }),
  donor: z.strictObject({ length_m: Length_m, endA: DonorEndSchema, endB: DonorEndSchema }),
});

export const EvidenceEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('donor'), id: Id, hoseId: Id, check: DonorCheckSchema }),
  z.strictObject({ kind: z.literal('route'), id: Id, hoseId: Id, cornerId: Id }),
  z.strictObject({
    kind: z.literal('hardLine'),
    id: Id,
    name: Name,
    request: HardLineRequestSchema,
    checks: LineChecksSchema,
  }),
]);
export type EvidenceEntry = z.infer<typeof EvidenceEntrySchema>;
