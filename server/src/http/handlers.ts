/** Handlers typed by the contract's route table: a route without a handler does not compile. */
import type { AnswerOf, BodyOf, FileReply, Route, RouteName } from '@zephyrcombe/contract';
import { ROUTE_ACTIONS, ROUTES } from '@zephyrcombe/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';

type Parsed<R, Key extends string> =
  R extends Readonly<Record<Key, z.ZodType>> ? z.output<R[Key]> : undefined;

export interface Call<Name extends RouteName> {
  readonly params: Parsed<(typeof ROUTES)[Name], 'params'>;
  readonly query: Parsed<(typeof ROUTES)[Name], 'query'>;
  readonly body: Parsed<(typeof ROUTES)[Name], 'body'>;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
}

export type Handlers = { readonly [Name in RouteName]: (call: Call<Name>) => Promise<AnswerOf<Name>> };
export type ParsedBody<Name extends RouteName> = Call<Name>['body'] &
  (BodyOf<Name> extends undefined ? unknown : object);

export function registerHandlers(app: FastifyInstance, handlers: Handlers): void {
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const route: Route = ROUTES[name];
    const handle = handlers[name] as (call: Call<RouteName>) => Promise<unknown>;
    app.route({
      method: route.method,
      url: route.path,
      schema: {
        operationId: name,
        summary: route.summary,
        ...(route.params ? { params: route.params } : {}),
        ...(route.query ? { querystring: route.query } : {}),
        ...(route.body ? { body: route.body } : {}),
        response: {
          200: route.files ? { description: 'The file', content: contentOf(route.files) } : route.reply,
        },
      },
      config: { access: ROUTE_ACTIONS[name] },
      ...(route.takesFile
        ? { bodyLimit: route.takesFile.most_bytes, handlerTimeout: route.takesFile.patience_ms }
        : {}),
      handler: async (request, reply) => {
        const answer = await handle({
          params: request.params,
          query: request.query,
          body: request.body,
          request,
          reply,
        } as Call<RouteName>);
        return route.files ? sendFile(reply, answer as FileReply) : answer;
      },
    });
  }
}

const contentOf = (mediaTypes: readonly string[]) =>
  Object.fromEntries(
    mediaTypes.map((mediaType) => [mediaType, { schema: z.string().meta({ format: 'binary' }) }]),
  );

/** Letters and figures of any script; a file's name has no other sign. */
const plainName = (name: string): string => name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();

export const fileName = (title: string, ending: string): string => `${plainName(title)}.${ending}`;

/** It is what it is: nothing turns it into JSON. */
function sendFile(
  reply: FastifyReply,
  { mediaType, content, name, isShown, isForGood }: FileReply,
): FastifyReply {
  const place = isShown ? 'inline' : 'attachment';
  if (isForGood) void reply.header('cache-control', 'private, max-age=31536000, immutable');
  return reply
    .header(
      'content-disposition',
      name === null ? place : `${place}; filename*=UTF-8''${encodeURIComponent(name)}`,
    )
    .type(mediaType)
    .serializer((payload: unknown) => payload as string)
    .send(content);
}
