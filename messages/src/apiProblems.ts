/** What went wrong at the API, in words. */
import type { ApiProblemCode } from '@zephyrcombe/contract';

export const PROBLEM_TEXTS: Readonly<
  Record<ApiProblemCode, { readonly title: string; readonly detail: string }>
> = {
  'malformed-body': {
    title: 'The request could not be read',
    detail: 'The body is not valid JSON.',
  },
  'validation-failed': {
    title: 'Something entered here is not right',
    detail: 'What it is stands below.',
  },
  'bad-request': {
    title: 'The request could not be understood',
    detail: 'Its address or one of its headers is not as HTTP has it.',
  },
  'signed-out': {
    title: 'Nobody is signed in',
    detail: 'Sign in and try again; what you typed is kept.',
  },
  'wrong-passphrase': {
    title: 'That passphrase is not right',
    detail: 'Try again, or ask your lead for a new one.',
  },
  'not-allowed': {
    title: 'That is not for your role',
    detail: 'Fetch somebody who may do it.',
  },
  'foreign-origin': {
    title: 'The request came from another page',
    detail: 'Nothing was changed. Do it on a page of this application.',
  },
  'already-set-up': {
    title: 'This book is open already',
    detail: 'Somebody has entered the shop. Sign in, or ask your lead to enter you.',
  },
  'not-found': {
    title: 'There is nothing here',
    detail: 'It may have been removed, or the address is wrong.',
  },
  'stale-write': {
    title: 'Somebody else saved this while you were typing',
    detail: 'Look at both versions and choose; nothing of yours is lost.',
  },
  'changed-since-seen': {
    title: 'This is not what was on your screen any more',
    detail: 'Something that it covers was changed meanwhile. Nothing was approved: look again.',
  },
  'job-finished': {
    title: 'This job is signed off',
    detail: 'A finished record is not changed; start a new job.',
  },
  'job-abandoned': {
    title: 'This job was abandoned',
    detail: 'Its record stays as it is; start a new job.',
  },
  'id-taken': {
    title: 'That id is used already',
    detail: 'Something else was recorded under it. Send it again under an id of its own.',
  },
  'gone-meanwhile': {
    title: 'What this hangs on was removed meanwhile',
    detail: 'Nothing was saved. Reload and look what is there now.',
  },
  'in-use': {
    title: 'Something still hangs on this',
    detail: 'Jobs or services name it. What hangs on it is named below.',
  },
  'precondition-failed': {
    title: 'It is not as the request says it should be',
    detail: 'The file has changed, or was never so.',
  },
  'range-not-satisfiable': {
    title: 'There is no such part of the file',
    detail: 'Ask for the whole of it.',
  },
  'too-large': {
    title: 'That is too much at once',
    detail: 'The request is larger than the server takes.',
  },
  'unsupported-media-type': {
    title: 'The request is not JSON',
    detail: 'Send it as application/json.',
  },
  'supplier-silent': {
    title: 'The parts supplier did not answer',
    detail: 'Nothing is lost. Try again, or send the order sheet by hand.',
  },
  'printer-silent': {
    title: 'The label printer did not answer',
    detail: 'Nothing is lost. Look whether it is on, or save the label as PDF.',
  },
  'wrench-silent': {
    title: 'The torque wrench did not answer',
    detail: 'Nothing is lost. Look whether it is on, or read it yourself and type what it shows.',
  },
  'stop-not-answered': {
    title: 'Stop: this could hurt somebody',
    detail: 'Fix what is named below, or give a reason for going on.',
  },
  'no-answer': {
    title: 'These figures have no physical answer',
    detail: 'What is wrong and the way out stand below.',
  },
  'circuit-broken': {
    title: 'These parts do not hang together',
    detail: 'Each part that is wrong is named below.',
  },
  'not-a-picture': {
    title: 'That is not a photograph this shop can keep',
    detail: 'Send a JPEG or PNG of up to 4 MB and 6000 pixels a side.',
  },
  'not-a-vehicle': {
    title: 'That document cannot be read as a vehicle',
    detail: 'Each place that is wrong is named below.',
  },
  'torque-below-range': {
    title: 'Not tight enough yet',
    detail: 'Tighten into the range, then record.',
  },
  'stage-not-ready': {
    title: 'Something comes first',
    detail: 'The step before this one is still open.',
  },
  'too-many-requests': {
    title: 'Too many requests',
    detail: 'Wait a minute and try again.',
  },
  'too-many-tries': {
    title: 'Too many wrong passphrases for this name',
    detail: 'Wait a quarter of an hour, or ask your lead for a new one.',
  },
  internal: {
    title: 'Something broke on our side',
    detail: 'Try again; if it stays, tell us the request number.',
  },
  'database-unavailable': {
    title: 'The record book cannot be reached',
    detail: 'Nothing was saved and nothing you typed is lost. Try again in a moment.',
  },
  'key-taken': {
    title: 'This key came with another change',
    detail: 'Nothing was saved. Send each change under a key of its own.',
  },
  'maybe-saved': {
    title: 'The answer was lost on its way',
    detail: 'It may have been saved. Send it again: nothing is written twice.',
  },
  'database-busy': {
    title: 'The record book is busy',
    detail:
      'Something else holds what this needs. Nothing was saved and nothing you typed is lost. Try again in a moment.',
  },
  'too-slow': {
    title: 'The record book takes too long to answer',
    detail: 'Nothing you typed is lost. Try again in a moment.',
  },
  'disk-full': {
    title: 'The disk of the record book is full',
    detail:
      'Nothing was saved and nothing you typed is lost. Make room on the disk of the server, then try again.',
  },
};
