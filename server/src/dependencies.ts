/** What the features need from outside; tests hand in their own clock and database. */
import type { Config } from './config.ts';
import type { Database } from './database/database.ts';

export interface Dependencies {
  readonly config: Config;
  readonly database: Database;
  readonly clock: () => Date;
}

/** Service dates are calendar dates of the shop, so they follow the server's own time zone. */
export function calendarDateOf(now: Date): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
