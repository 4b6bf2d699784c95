/** What somebody looks for after an incident: who came in, who was turned away, who was given which rights. A line of JSON each. */
import type { ApiProblemCode } from '@zephyrcombe/contract';
import type { FastifyRequest } from 'fastify';

type Event =
  | 'signed-in'
  | 'signed-out'
  | 'book-opened'
  | 'passphrase-changed'
  | 'passphrase-reset'
  | 'sign-in-ended'
  | 'person-entered'
  | 'person-changed';

/** Refusals that say that somebody tried what is not theirs. */
const REFUSALS: ReadonlySet<ApiProblemCode> = new Set([
  'wrong-passphrase',
  'too-many-tries',
  'not-allowed',
  'foreign-origin',
  'too-many-requests',
]);

/** Ids, never what was typed: a passphrase may have been typed into the field of the name. */
const of = (request: FastifyRequest) => ({
  by: request.person?.id ?? null,
  address: request.ip,
  route: `${request.method} ${request.routeOptions.url ?? ''}`,
});

export function logEvent(
  request: FastifyRequest,
  event: Event,
  detail: Readonly<Record<string, unknown>> = {},
): void {
  request.log.info({ event, ...of(request), ...detail }, 'security');
}

export function logRefusal(request: FastifyRequest, code: ApiProblemCode): void {
  if (REFUSALS.has(code)) request.log.warn({ event: code, ...of(request) }, 'security');
}
