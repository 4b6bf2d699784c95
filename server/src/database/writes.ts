/** Which tables a transaction has written, told by the statements themselves. */
import type { Sequelize, Transaction } from 'sequelize';

const WRITTEN = /^\s*(?:INSERT(?:\s+IGNORE)?\s+INTO|REPLACE\s+INTO|UPDATE|DELETE\s+FROM)\s+`?(\w+)/i;

export interface Writes {
  /** Tables that this transaction has written so far. */
  tablesOf(transaction: Transaction): ReadonlySet<string>;
  /** Calls `heard` after every statement that writes, with its table and the transaction it stands in. */
  onWrite(heard: (table: string, transaction: Transaction | null) => void): void;
}

interface Asked {
  readonly transaction?: Transaction | null;
}

/** Listens to every statement of `sequelize`, those that are put together by hand too. */
export function watchWrites(sequelize: Sequelize): Writes {
  const written = new WeakMap<Transaction, Set<string>>();
  const listeners: ((table: string, transaction: Transaction | null) => void)[] = [];
  sequelize.addHook('afterQuery', (options, query) => {
    const { sql } = query as unknown as { readonly sql?: string };
    const [, table] = WRITTEN.exec(sql ?? '') ?? [];
    if (table === undefined) return;
    const transaction = (options as Asked).transaction ?? null;
    if (transaction) {
      const tables = written.get(transaction) ?? new Set<string>();
      written.set(transaction, tables.add(table));
    }
    for (const heard of listeners) heard(table, transaction);
  });
  return {
    tablesOf: (transaction) => written.get(transaction) ?? new Set(),
    onWrite: (heard) => {
      listeners.push(heard);
    },
  };
}
