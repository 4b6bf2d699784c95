/** Handlers typed by the contract's route table: a route without a handler does not compile. */
import type { BodyOf, ReplyOf, RouteName } from '@zephyrcombe/contract';
import { ROUTE_ACTIONS, ROUTES } from '@zephyrcombe/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { z } from 'zod';

type Parsed<R, Key extends string> =
  R extends Readonly<Record<Key, z.ZodType>> ? z.output<R[Key]> : undefined;

export interface Call<Name extends RouteName> {
  readonly params: Parsed<(typeof ROUTES)[Name], 'params'>;
  readonly query: Parsed<(typeof ROUTES)[Name], 'query'>;
  readonly body: Parsed<(typeof ROUTES)[Name], 'body'>;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
}

export type Handlers = { readonly [Name in RouteName]: (call: Call<Name>) => Promise<ReplyOf<Name>> };
export type ParsedBody<Name extends RouteName> = Call<Name>['body'] &
  (BodyOf<Name> extends undefined ? unknown : object);

export function registerHandlers(app: FastifyInstance, handlers: Handlers): void {
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const route: (typeof ROUTES)[RouteName] = ROUTES[name];
    const handle = handlers[name] as (call: Call<RouteName>) => Promise<unknown>;
    app.route({
      method: route.method,
      url: route.path,
      schema: {
        operationId: name,
        summary: route.summary,
        ...('params' in route ? { params: route.params } : {}),
        ...('query' in route ? { querystring: route.query } : {}),
        ...('body' in route ? { body: route.body } : {}),
        response: { 200: route.reply },
      },
      config: { access: ROUTE_ACTIONS[name] },
      handler: (request, reply) =>
        handle({
          params: request.params,
          query: request.query,
          body: request.body,
          request,
          reply,
        } as Call<RouteName>),
    });
  }
}
