/** What can go wrong at the API: code and status. Replies are RFC 9457 problem details; their sentences are in messages/. */
import { z } from 'zod';

export const PROBLEM_STATUS = {
  'malformed-body': 400,
  'validation-failed': 400,
  'bad-request': 400,
  'signed-out': 401,
  'wrong-passphrase': 401,
  'not-allowed': 403,
  'foreign-origin': 403,
  'already-set-up': 409,
  'not-found': 404,
  'stale-write': 409,
  'changed-since-seen': 409,
  'job-finished': 409,
  'job-abandoned': 409,
  'id-taken': 409,
  'gone-meanwhile': 409,
  'in-use': 409,
  'precondition-failed': 412,
  'range-not-satisfiable': 416,
  'too-large': 413,
  'unsupported-media-type': 415,
  'supplier-silent': 502,
  'printer-silent': 502,
  'wrench-silent': 502,
  'stop-not-answered': 422,
  'no-answer': 422,
  'circuit-broken': 422,
  'not-a-picture': 422,
  'not-a-vehicle': 422,
  'torque-below-range': 422,
  'stage-not-ready': 422,
  'too-many-requests': 429,
  'too-many-tries': 429,
  internal: 500,
  'database-unavailable': 503,
  'key-taken': 422,
  'maybe-saved': 503,
  'database-busy': 503,
  'too-slow': 503,
  'disk-full': 507,
} as const satisfies Readonly<Record<string, number>>;

export type ApiProblemCode = keyof typeof PROBLEM_STATUS;
export const API_PROBLEM_CODES = Object.keys(PROBLEM_STATUS) as [ApiProblemCode, ...ApiProblemCode[]];

export const FieldErrorSchema = z.object({ field: z.string(), message: z.string() });
export type FieldError = z.infer<typeof FieldErrorSchema>;

/** A caution as it crosses the wire: its id in the catalogue, what it is about, what it was seen by. */
export const ToldCautionSchema = z.object({
  id: z.string(),
  evidence: z.record(z.string(), z.unknown()),
  subject: z.string().optional(),
});

/** RFC 9457 problem details. `type` is a relative reference ending in the code. */
export const ProblemDetailsSchema = z.object({
  type: z.string(),
  code: z.enum(API_PROBLEM_CODES),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  requestId: z.string(),
  errors: z.array(FieldErrorSchema).optional(),
  /** With `stop-not-answered`: catalogue ids and their evidence. */
  cautions: z.array(ToldCautionSchema).optional(),
  /** With `stale-write`: the row as it is now. */
  current: z.record(z.string(), z.unknown()).optional(),
});
export type ProblemDetails = z.infer<typeof ProblemDetailsSchema>;
