/** Who is asking: a signed cookie that outlives a restart of the server. */
import type { FastifyReply, FastifyRequest } from 'fastify';
import { AppProblem } from './appProblem.ts';

const COOKIE = 'zephyrcombe_session';
const LIFETIME_s = 14 * 24 * 3600;

export function startSession(reply: FastifyReply, personId: string, now: Date): void {
  const expires = Math.floor(now.getTime() / 1000) + LIFETIME_s;
  // Strict same-site keeps other pages from acting in this person's name.
  void reply.setCookie(COOKIE, `${personId}.${expires}`, {
    path: '/',
    httpOnly: true,
    sameSite: 'strict',
    signed: true,
    maxAge: LIFETIME_s,
  });
}

export function endSession(reply: FastifyReply): void {
  void reply.clearCookie(COOKIE, { path: '/' });
}

/** The person's id, or null when nobody is signed in, the cookie was changed, or it has run out. */
export function sessionPersonId(request: FastifyRequest, now: Date): string | null {
  const raw = request.cookies[COOKIE];
  if (raw === undefined) return null;
  const cookie = request.unsignCookie(raw);
  if (!cookie.valid || cookie.value === null) return null;
  const [personId = '', expires = '0'] = cookie.value.split('.');
  return Number(expires) * 1000 > now.getTime() ? personId : null;
}

export function requirePersonId(request: FastifyRequest, now: Date): string {
  const personId = sessionPersonId(request, now);
  if (personId === null) throw new AppProblem('signed-out');
  return personId;
}
