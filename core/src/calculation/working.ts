/** How a figure came about, as data. Sentences for the meanings live with the messages, not here. */
import type { SourceId } from '../sources/bibliography.ts';
import type { Meaning } from './meaning.ts';
import type { Quantity } from './quantity.ts';

/** A formula cites its source at the line where it stands. */
export interface Formula {
  readonly expression: string;
  readonly source: SourceId;
}

export interface Term {
  readonly symbol: string;
  readonly meaning: Meaning;
  readonly quantity: Quantity;
}

export interface WorkingStep {
  readonly formula: Formula;
  readonly inputs: readonly Term[];
  readonly result: Term;
}

export type Working = readonly WorkingStep[];

export const term = (symbol: string, meaning: Meaning, quantity: Quantity): Term => ({
  symbol,
  meaning,
  quantity,
});
