import { CONDITIONS, DEGREES, FINDING_SUBJECTS } from '@zephyrcombe/core';
import { z } from 'zod';
import { STEP_KINDS } from '../formats/fitPlan.ts';
import { Id, Instant, Name, Note } from './common.ts';

/** What was found on a hose, a pipe or a joint. Evidence: it is struck out, never changed. */
export const FindingSchema = z.strictObject({
  id: Id,
  subject: z.enum(FINDING_SUBJECTS),
  /** The line or joint it was found on. */
  subjectId: Id,
  condition: z.enum(CONDITIONS),
  degree: z.enum(DEGREES),
  note: Note,
  foundBy: Name,
  foundById: Id.nullable(),
  foundAt: Instant,
  struckBecause: Note.nullable(),
});
export type Finding = z.infer<typeof FindingSchema>;

/** What was found on a line that is on the vehicle still, with the job that found it and did not replace it. */
export const LeftOnSchema = FindingSchema.pick({
  id: true,
  subject: true,
  subjectId: true,
  condition: true,
  degree: true,
  note: true,
  foundBy: true,
  foundAt: true,
}).extend({ jobId: Id, jobTitle: Name, name: Name });
export type LeftOn = z.infer<typeof LeftOnSchema>;

export const PHOTO_TYPES = ['image/jpeg', 'image/png'] as const;
export type PhotoType = (typeof PHOTO_TYPES)[number];

/**
 * What a photograph may belong to. `part`: anything that the circuits of the job are drawn with, such as a line, a joint or a nipple;
 * `cover`: what comes off to reach joints, whose photographs stay with the vehicle; `job`: what belongs to no single part.
 */
export const PHOTO_SUBJECTS = ['finding', 'reading', 'trace', 'part', 'cover', 'job'] as const;
export type PhotoSubject = (typeof PHOTO_SUBJECTS)[number];

/** A photograph of what was found, read, traced on or worked at; its bytes are fetched apart. */
export const PhotoSchema = z.strictObject({
  id: Id,
  subject: z.enum(PHOTO_SUBJECTS),
  subjectId: Id,
  mediaType: z.enum(PHOTO_TYPES),
  width_px: z.int().positive(),
  height_px: z.int().positive(),
  size_bytes: z.int().positive(),
  /** The step of fitting that it was taken at; null of any other one. */
  step: z.enum(STEP_KINDS).nullable(),
  takenBy: Name,
  takenById: Id.nullable(),
  takenAt: Instant,
});
export type Photo = z.infer<typeof PhotoSchema>;

/** Photographs are sent as they are, not as JSON; the browser makes them small first. */
export const PHOTO_LIMIT_bytes = 4 * 1024 * 1024;
export const PHOTO_LIMIT_px = 6000;
