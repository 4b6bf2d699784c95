/** What the features need from outside; tests hand in their own clock and database. */
import { dayIn, ownTimeZone } from '@zephyrcombe/contract';
import type { Config } from './config.ts';
import type { Database } from './database/database.ts';

export interface Dependencies {
  readonly config: Config;
  readonly database: Database;
  readonly clock: () => Date;
  /** Free on the disk under the database; not known where the database is somewhere else. */
  readonly freeBytes?: () => Promise<number>;
}

/** Service dates are calendar dates of the shop, which is where the server stands. */
export function calendarDateOf(now: Date): string {
  return dayIn(ownTimeZone(), now);
}
