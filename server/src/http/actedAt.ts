/** When somebody did what a request tells, by their own clock: a phone that was out of reach tells it later than it was done. */
import { ACTED_AT, Instant } from '@zephyrcombe/contract';
import type { FastifyRequest } from 'fastify';

/** Nobody sends later than this; a change is known by its id for as long. */
const LATEST_ms = 2 * 24 * 60 * 60_000;
/** Clocks that people carry are a little apart. */
const AHEAD_ms = 60_000;

/** The time that the request names; that of the server where it names none, or one that cannot be. */
export function actedAt({ headers }: Pick<FastifyRequest, 'headers'>, now: Date): Date {
  const told = Instant.safeParse(headers[ACTED_AT]);
  if (!told.success) return now;
  const at = new Date(told.data);
  const ago_ms = now.getTime() - at.getTime();
  if (ago_ms > LATEST_ms || ago_ms < -AHEAD_ms) return now;
  return ago_ms < 0 ? now : at;
}
