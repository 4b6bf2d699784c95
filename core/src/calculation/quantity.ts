import type { QuantityKind } from '../units/unit.ts';

/** A value with what it measures, for working that a person reads. Dimensional values are in SI. */
export type Quantity =
  | { readonly kind: QuantityKind; readonly value_SI: number }
  /** A length where hundredths of a millimetre tell: thread limits, play, runout. */
  | { readonly kind: 'fineLength'; readonly value_SI: number }
  | { readonly kind: 'mass'; readonly value_SI: number }
  | { readonly kind: 'force'; readonly value_SI: number }
  | { readonly kind: 'area'; readonly value_SI: number }
  /** In a solid, where bars would be read as those of the fluid. */
  | { readonly kind: 'stress'; readonly value_SI: number }
  | { readonly kind: 'count'; readonly count: number }
  | { readonly kind: 'ratio'; readonly ratio: number }
  | { readonly kind: 'months'; readonly months: number }
  | { readonly kind: 'date'; readonly date: string };

export const length = (value_m: number): Quantity => ({ kind: 'length', value_SI: value_m });
export const fineLength = (value_m: number): Quantity => ({ kind: 'fineLength', value_SI: value_m });
export const distance = (value_m: number): Quantity => ({ kind: 'distance', value_SI: value_m });
export const torque = (value_Nm: number): Quantity => ({ kind: 'torque', value_SI: value_Nm });
export const pressure = (value_Pa: number): Quantity => ({ kind: 'pressure', value_SI: value_Pa });
export const mass = (value_kg: number): Quantity => ({ kind: 'mass', value_SI: value_kg });
export const force = (value_N: number): Quantity => ({ kind: 'force', value_SI: value_N });
export const area = (value_m2: number): Quantity => ({ kind: 'area', value_SI: value_m2 });
export const stress = (value_Pa: number): Quantity => ({ kind: 'stress', value_SI: value_Pa });
export const temperature = (value_K: number): Quantity => ({ kind: 'temperature', value_SI: value_K });
export const volume = (value_m3: number): Quantity => ({ kind: 'volume', value_SI: value_m3 });
export const angle = (value_rad: number): Quantity => ({ kind: 'angle', value_SI: value_rad });
export const fraction = (value: number): Quantity => ({ kind: 'fraction', value_SI: value });
export const count = (value: number): Quantity => ({ kind: 'count', count: value });
export const ratio = (value: number): Quantity => ({ kind: 'ratio', ratio: value });
export const months = (value: number): Quantity => ({ kind: 'months', months: value });
export const date = (value: string): Quantity => ({ kind: 'date', date: value });
