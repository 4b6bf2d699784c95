/** Turns whatever went wrong into RFC 9457 problem details. Nothing of our inside leaves the server. */
import type { ApiProblemCode, FieldError, ProblemDetails } from '@zephyrcombe/contract';
import { PROBLEM_STATUS } from '@zephyrcombe/contract';
import { createWriter, PROBLEM_TEXTS, problemText } from '@zephyrcombe/messages';
import { METRIC, NotPhysical } from '@zephyrcombe/core';
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { isDatabaseAway, isDiskFull, isHeldUp, wasNotConnected } from '../database/failures.ts';
import { mayStand } from '../database/outcome.ts';
import type { ProblemExtras } from './appProblem.ts';
import { READS } from './access.ts';
import { logRefusal } from './securityLog.ts';
import { AppProblem } from './appProblem.ts';

const FASTIFY_CODES: Readonly<Record<string, ApiProblemCode>> = {
  FST_ERR_CTP_INVALID_JSON_BODY: 'malformed-body',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'malformed-body',
  FST_ERR_CTP_INVALID_CONTENT_LENGTH: 'malformed-body',
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'unsupported-media-type',
  FST_ERR_CTP_BODY_TOO_LARGE: 'too-large',
};

/** Mistakes in the request itself, as the parts that HTTP is served with tell them. */
const HTTP_CODES: Readonly<Record<number, ApiProblemCode>> = {
  400: 'bad-request',
  403: 'not-found',
  404: 'not-found',
  412: 'precondition-failed',
  413: 'too-large',
  414: 'bad-request',
  416: 'range-not-satisfiable',
  429: 'too-many-requests',
};

const RETRY_AFTER_s = 3;

export function sendProblem(
  request: FastifyRequest,
  reply: FastifyReply,
  code: ApiProblemCode,
  extras: ProblemExtras = {},
): FastifyReply {
  const status = PROBLEM_STATUS[code];
  const { title, detail } = PROBLEM_TEXTS[code];
  const body: ProblemDetails = {
    type: `/problems/${code}`,
    code,
    title,
    status,
    detail: extras.detail ?? detail,
    requestId: request.id,
    ...(extras.errors ? { errors: [...extras.errors] } : {}),
    ...(extras.cautions
      ? {
          cautions: extras.cautions.map(({ id, evidence, subject }) => ({
            id,
            evidence: { ...evidence },
            ...(subject === undefined ? {} : { subject }),
          })),
        }
      : {}),
    ...(extras.current ? { current: { ...extras.current } } : {}),
  };
  if (status === 503) void reply.header('retry-after', RETRY_AFTER_s);
  return reply.status(status).type('application/problem+json').serializer(JSON.stringify).send(body);
}

export function installErrorHandling(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    if (error instanceof AppProblem) {
      logRefusal(request, error.code);
      return sendProblem(request, reply, error.code, error.extras);
    }
    if (hasZodFastifySchemaValidationErrors(error)) {
      const errors = error.validation.map((issue): FieldError => ({
        field: issue.instancePath.replace(/^\//, '').replaceAll('/', '.') || '(body)',
        message: issue.message ?? 'is not right',
      }));
      return sendProblem(request, reply, 'validation-failed', { errors });
    }
    // The core refuses figures without a physical meaning by name, wherever they came from.
    if (error instanceof NotPhysical)
      return sendProblem(request, reply, 'no-answer', {
        detail: problemText(error.problem, createWriter(METRIC)),
      });
    const known = FASTIFY_CODES[error.code];
    if (known) return sendProblem(request, reply, known);
    const meant = HTTP_CODES[error.statusCode ?? 0];
    if (meant) return sendProblem(request, reply, meant);
    if (error instanceof UniqueConstraintError) return sendProblem(request, reply, 'id-taken');
    if (error instanceof ForeignKeyConstraintError) return sendProblem(request, reply, 'gone-meanwhile');
    const writes = !READS.has(request.method);
    if (isDatabaseAway(error)) {
      request.log.warn({ err: error }, 'database away');
      // What was never connected asked for nothing.
      const unsure = writes && mayStand(error) && !wasNotConnected(error);
      return sendProblem(request, reply, unsure ? 'maybe-saved' : 'database-unavailable');
    }
    if (isDiskFull(error)) return sendProblem(request, reply, 'disk-full');
    if (isHeldUp(error)) return sendProblem(request, reply, 'database-busy');
    // What it began may still come to its end.
    if (error.code === 'FST_ERR_HANDLER_TIMEOUT')
      return sendProblem(request, reply, writes ? 'maybe-saved' : 'too-slow');
    request.log.error({ err: error }, 'unexpected error');
    return sendProblem(request, reply, 'internal');
  });
}
