/** From the figures of a reference case, in its units and by its names, through the core's own functions and back. */
import type { Result } from '../calculation/result.ts';
import type { Fields } from './case.ts';

/** A figure, a name, a truth, or a list of figures or names; null where the answer is none. */
export type Value =
  | number
  | string
  | boolean
  | null
  | readonly number[]
  | readonly string[]
  | readonly boolean[]
  | Readonly<Record<string, number>>;
export type Answers = Readonly<Record<string, Value>>;

export interface Adapter {
  /** What the kind is called. */
  readonly kind: string;
  /** The group of cases it belongs to: any word of it names the group. */
  readonly group: string;
  /** Inputs without which it is not this kind. */
  readonly needs: readonly string[];
  readonly answer: (inputs: Fields) => Answers;
  /** How far an answer may be off, where it is not a closed form: relative, or absolute in the unit of the answer. */
  readonly tolerances?: Readonly<Record<string, { readonly relative?: number; readonly absolute?: number }>>;
  /** What the figures stand on. */
  readonly source: string;
}

/** A case that the core refuses, with the problem it gave. */
export class Refused extends Error {}

export function valueOf<V>(result: Result<V>): V {
  if (!result.ok) throw new Refused(`${result.problem.code} (${result.problem.field})`);
  return result.value;
}

/** A figure of a case; one that is missing is told by its name. */
export function figure(inputs: Fields, name: string, otherwise?: number): number {
  const value = inputs[name] ?? otherwise;
  if (typeof value !== 'number') throw new Refused(`no figure ${name}`);
  return value;
}
export const text = (inputs: Fields, name: string, otherwise = ''): string => {
  const value = inputs[name];
  return typeof value === 'string' ? value : otherwise;
};
export function list(inputs: Fields, name: string): readonly number[] {
  const value = inputs[name];
  if (!Array.isArray(value)) throw new Refused(`no list ${name}`);
  return value.map(Number);
}
export function entries(inputs: Fields, name: string): readonly Fields[] {
  const value = inputs[name];
  if (!Array.isArray(value)) throw new Refused(`no list ${name}`);
  return value as readonly Fields[];
}

export const mm = (value: number) => value / 1000;
export const rad = (value_deg: number) => (value_deg * Math.PI) / 180;
export const deg = (value_rad: number) => (value_rad * 180) / Math.PI;
