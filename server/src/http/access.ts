/** Who is asking, and whether they may: settled for every route before its body is read. */
import type { Access, Action, Person } from '@zephyrcombe/contract';
import { may, unprintableIn } from '@zephyrcombe/contract';
import { whoMay } from '@zephyrcombe/messages';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { AppProblem, fieldProblem } from './appProblem.ts';

declare module 'fastify' {
  interface FastifyRequest {
    /** Who is signed in; null when nobody is. */
    person: Person | null;
  }
  interface FastifyContextConfig {
    /** What this route asks for. A route of the API without it is not taken. */
    access?: Access;
  }
  interface Session {
    personId?: string;
    address?: string;
    device?: string;
  }
}

export const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * A browser says with every write which page it came from. A write from another page, or from one that does not say, changes
 * nothing, whatever cookie it carries.
 */
export function requireOwnPage(request: FastifyRequest): void {
  if (READS.has(request.method)) return;
  const { origin, 'sec-fetch-site': site } = request.headers;
  const own = `${request.protocol}://${request.host}`;
  if (origin === undefined ? site !== 'same-origin' : origin !== own) throw new AppProblem('foreign-origin');
}

/** Refuses who may not, and says who may. */
export function requireMay(person: Person, action: Action): void {
  if (!may(person, action)) throw new AppProblem('not-allowed', { detail: whoMay(action) });
}

/** Registered where the API's routes are: every one of them says what it asks for. */
export function installAccess(
  app: FastifyInstance,
  personOfSession: (personId: string) => Promise<Person | null>,
  /** Of a signed-in person's requests: more than their pages can ask for. */
  asksTooOften: (request: FastifyRequest) => Promise<boolean>,
  /** No room for what would be written. */
  isFull: () => Promise<boolean>,
): void {
  app.decorateRequest('person', null);
  app.addHook('onRoute', ({ config, url }) => {
    if (config?.access === undefined) throw new Error(`${url} does not say who may use it`);
  });
  app.addHook('onRequest', async (request) => {
    const { access } = request.routeOptions.config;
    if (access === undefined) return;
    requireOwnPage(request);
    const { personId } = request.session;
    request.person = personId === undefined ? null : await personOfSession(personId);
    if (request.person !== null && (await asksTooOften(request))) throw new AppProblem('too-many-requests');
    if (access === 'anybody') return;
    if (request.person === null) throw new AppProblem('signed-out');
    requireMay(request.person, access);
    // Signing in and out takes next to nothing and is how somebody gets to the rest.
    const writes = !READS.has(request.method) && access !== 'read' && access !== 'keepOwn';
    if (writes && (await isFull())) throw new AppProblem('disk-full');
  });
  // Before the schemas look: they say what a field takes, and no field takes these.
  app.addHook('preValidation', async ({ body, query, params }) => {
    const place = Buffer.isBuffer(body) ? null : unprintableIn(body);
    const found = place ?? unprintableIn(query) ?? unprintableIn(params);
    if (found !== null) return Promise.reject(fieldProblem(found, 'unseenCharacter'));
  });
}

/** The person who is signed in. Routes for anybody ask `request.person` instead. */
export function personOf(request: FastifyRequest): Person {
  if (request.person === null) throw new AppProblem('signed-out');
  return request.person;
}
