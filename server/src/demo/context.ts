import type { Circuit } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../database/database.ts';

/** What the parts of the seed share. */
export interface SeedContext {
  readonly models: Models;
  readonly transaction: Transaction;
  readonly circuits: ReadonlyMap<string, Circuit>;
  /** Calendar date so many days before today. */
  readonly daysAgo: (days: number) => string;
  readonly instantAgo: (days: number, hour: number) => Date;
}
