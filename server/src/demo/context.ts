import type { Circuit } from '@zephyrcombe/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../database/database.ts';

/** What the parts of the seed share. */
export interface SeedContext {
  readonly models: Models;
  readonly transaction: Transaction;
  readonly shopId: string;
  readonly circuits: ReadonlyMap<string, Circuit>;
  /** Calendar date so many days before today. */
  daysAgo(days: number): string;
  instantAgo(days: number, hour: number): Date;
}
