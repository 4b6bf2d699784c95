/**
 * What was judged when somebody approved something, as a small object that says the same however it was stored: keys in
 * order, figures rounded to what matters, nothing that is blank, no ids of rows that may be written anew.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

export type Fact = boolean | number | string | readonly Fact[] | { readonly [key: string]: Fact };
export interface Facts {
  readonly [key: string]: Fact;
}

/** A tenth of a micrometre, of a microradian; far below what anybody reads and above what a store rounds. */
const PLACES = 1e7;

const rounded = (value: number): number => Math.round(value * PLACES) / PLACES + 0;

function factOf(value: unknown): Fact | undefined {
  if (value === null || value === undefined) return undefined;
  if (typeof value === 'number') return rounded(value);
  if (typeof value === 'boolean' || typeof value === 'string') return value;
  if (Array.isArray(value)) return value.map((item) => factOf(item) ?? '');
  if (typeof value === 'object') return factsOf(value);
  return undefined;
}

/** What is null or left out is blank either way: a book of before may lack the field. */
export function factsOf(value: object): Facts {
  const entries = Object.entries(value)
    .map(([key, inner]) => [key, factOf(inner)] as const)
    .filter((entry): entry is readonly [string, Fact] => entry[1] !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries);
}

/** SHA-256 of the facts, in hexadecimal. */
export const digestOf = (facts: Facts): string =>
  bytesToHex(sha256(utf8ToBytes(JSON.stringify(factsOf(facts)))));

export interface Change {
  /** Where in the facts, from the outside in. */
  readonly path: readonly string[];
  /** Null where there was, or is, nothing. */
  readonly before: Fact | null;
  readonly after: Fact | null;
}

const isGroup = (fact: Fact | undefined): fact is Facts =>
  typeof fact === 'object' && fact !== null && !Array.isArray(fact);

/** Every place where two sets of facts differ, in the order of their keys. */
export function changesBetween(before: Facts, after: Facts, path: readonly string[] = []): readonly Change[] {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort();
  return keys.flatMap((key): readonly Change[] => {
    const [was, is] = [before[key], after[key]];
    const here = [...path, key];
    if (isGroup(was) && isGroup(is)) return changesBetween(was, is, here);
    return JSON.stringify(was) === JSON.stringify(is)
      ? []
      : [{ path: here, before: was ?? null, after: is ?? null }];
  });
}
