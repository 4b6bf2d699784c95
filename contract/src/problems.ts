/** One catalogue of what can go wrong at the API: code, status, sentence. Replies are RFC 9457 problem details. */
import { z } from 'zod';

export const PROBLEMS = {
  'malformed-body': {
    status: 400,
    title: 'The request could not be read',
    detail: 'The body is not valid JSON.',
  },
  'validation-failed': {
    status: 400,
    title: 'Something entered here is not right',
    detail: 'What it is stands below.',
  },
  'bad-request': {
    status: 400,
    title: 'The request could not be understood',
    detail: 'Its address or one of its headers is not as HTTP has it.',
  },
  'signed-out': {
    status: 401,
    title: 'Nobody is signed in',
    detail: 'Sign in and try again; what you typed is kept.',
  },
  'wrong-passphrase': {
    status: 401,
    title: 'That passphrase is not right',
    detail: 'Try again, or ask your lead for a new one.',
  },
  'not-allowed': {
    status: 403,
    title: 'That is not for your role',
    detail: 'Fetch somebody who may do it.',
  },
  'foreign-origin': {
    status: 403,
    title: 'The request came from another page',
    detail: 'Nothing was changed. Do it on a page of this application.',
  },
  'already-set-up': {
    status: 409,
    title: 'This book is open already',
    detail: 'Somebody has entered the shop. Sign in, or ask your lead to enter you.',
  },
  'not-found': {
    status: 404,
    title: 'There is nothing here',
    detail: 'It may have been removed, or the address is wrong.',
  },
  'stale-write': {
    status: 409,
    title: 'Somebody else saved this while you were typing',
    detail: 'Look at both versions and choose; nothing of yours is lost.',
  },
  'changed-since-seen': {
    status: 409,
    title: 'This is not what was on your screen any more',
    detail: 'Something that it covers was changed meanwhile. Nothing was approved: look again.',
  },
  'job-finished': {
    status: 409,
    title: 'This job is signed off',
    detail: 'A finished record is not changed; start a new job.',
  },
  'job-abandoned': {
    status: 409,
    title: 'This job was abandoned',
    detail: 'Its record stays as it is; start a new job.',
  },
  'id-taken': {
    status: 409,
    title: 'That id is used already',
    detail: 'Something else was recorded under it. Send it again under an id of its own.',
  },
  'gone-meanwhile': {
    status: 409,
    title: 'What this hangs on was removed meanwhile',
    detail: 'Nothing was saved. Reload and look what is there now.',
  },
  'in-use': {
    status: 409,
    title: 'Something still hangs on this',
    detail: 'Jobs or services name it. What hangs on it is named below.',
  },
  'precondition-failed': {
    status: 412,
    title: 'It is not as the request says it should be',
    detail: 'The file has changed, or was never so.',
  },
  'range-not-satisfiable': {
    status: 416,
    title: 'There is no such part of the file',
    detail: 'Ask for the whole of it.',
  },
  'too-large': {
    status: 413,
    title: 'That is too much at once',
    detail: 'The request is larger than the server takes.',
  },
  'unsupported-media-type': {
    status: 415,
    title: 'The request is not JSON',
    detail: 'Send it as application/json.',
  },
  'supplier-silent': {
    status: 502,
    title: 'The parts supplier did not answer',
    detail: 'Nothing is lost. Try again, or send the order sheet by hand.',
  },
  'printer-silent': {
    status: 502,
    title: 'The label printer did not answer',
    detail: 'Nothing is lost. Look whether it is on, or save the label as PDF.',
  },
  'stop-not-answered': {
    status: 422,
    title: 'Stop: this could hurt somebody',
    detail: 'Fix what is named below, or give a reason for going on.',
  },
  'no-answer': {
    status: 422,
    title: 'These figures have no physical answer',
    detail: 'What is wrong and the way out stand below.',
  },
  'circuit-broken': {
    status: 422,
    title: 'These parts do not hang together',
    detail: 'Each part that is wrong is named below.',
  },
  'not-a-picture': {
    status: 422,
    title: 'That is not a photograph this shop can keep',
    detail: 'Send a JPEG or PNG of up to 4 MB and 6000 pixels a side.',
  },
  'not-a-vehicle': {
    status: 422,
    title: 'That document cannot be read as a vehicle',
    detail: 'Each place that is wrong is named below.',
  },
  'torque-below-range': {
    status: 422,
    title: 'Not tight enough yet',
    detail: 'Tighten into the range, then record.',
  },
  'stage-not-ready': {
    status: 422,
    title: 'Something comes first',
    detail: 'The step before this one is still open.',
  },
  'too-many-requests': { status: 429, title: 'Too many requests', detail: 'Wait a minute and try again.' },
  'too-many-tries': {
    status: 429,
    title: 'Too many wrong passphrases for this name',
    detail: 'Wait a quarter of an hour, or ask your lead for a new one.',
  },
  internal: {
    status: 500,
    title: 'Something broke on our side',
    detail: 'Try again; if it stays, tell us the request number.',
  },
  'database-unavailable': {
    status: 503,
    title: 'The record book cannot be reached',
    detail: 'Nothing was saved and nothing you typed is lost. Try again in a moment.',
  },
  'key-taken': {
    status: 422,
    title: 'This key came with another change',
    detail: 'Nothing was saved. Send each change under a key of its own.',
  },
  'maybe-saved': {
    status: 503,
    title: 'The answer was lost on its way',
    detail: 'It may have been saved. Send it again: nothing is written twice.',
  },
  'database-busy': {
    status: 503,
    title: 'The record book is busy',
    detail:
      'Something else holds what this needs. Nothing was saved and nothing you typed is lost. Try again in a moment.',
  },
  'too-slow': {
    status: 503,
    title: 'The record book takes too long to answer',
    detail: 'Nothing you typed is lost. Try again in a moment.',
  },
  'disk-full': {
    status: 507,
    title: 'The disk of the record book is full',
    detail:
      'Nothing was saved and nothing you typed is lost. Make room on the disk of the server, then try again.',
  },
} as const;

export type ApiProblemCode = keyof typeof PROBLEMS;
export const API_PROBLEM_CODES = Object.keys(PROBLEMS) as [ApiProblemCode, ...ApiProblemCode[]];

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
