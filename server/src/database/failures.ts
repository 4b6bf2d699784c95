/** Telling a database that is away from a statement that is wrong. */
import { ConnectionError, ConnectionRefusedError, DatabaseError } from 'sequelize';

const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_NORMAL_SHUTDOWN',
]);

const HELD_UP = new Set(['ER_LOCK_WAIT_TIMEOUT', 'ER_STATEMENT_TIMEOUT', 'ER_LOCK_DEADLOCK']);
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE', 'ER_CANT_CREATE_FILE']);

function codeOf(error: unknown): string | null {
  if (typeof error !== 'object' || error === null) return null;
  if ('code' in error && typeof error.code === 'string') return error.code;
  if ('parent' in error) return codeOf(error.parent);
  return null;
}

/** The database cannot be reached, or went away in the middle of a statement. */
export function isDatabaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  const code = codeOf(error);
  if (code !== null && AWAY.has(code)) return true;
  // mysql2 says this without a code when its socket died while the statement was waiting.
  return error instanceof Error && /connection is in closed state|Connection lost/i.test(error.message);
}

/** No connection was made: nothing has been asked of the database, and it may be asked again. */
export const wasNotConnected = (error: unknown): boolean => error instanceof ConnectionRefusedError;

/** A statement was stopped for its time, or waited too long for what another transaction holds. */
export function isHeldUp(error: unknown): boolean {
  return HELD_UP.has(codeOf(error) ?? '');
}

/** The disk under the database has no room, or its files may not grow any more. */
export function isDiskFull(error: unknown): boolean {
  return FULL.has(codeOf(error) ?? '');
}

export function isDeadlock(error: unknown): boolean {
  return error instanceof DatabaseError && codeOf(error) === 'ER_LOCK_DEADLOCK';
}
